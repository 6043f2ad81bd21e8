package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V0;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Targets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/// What goes in one batch sees what goes before it.
class InTurnTest extends DollarBooks {
    private final InTurn turn = InTurn.start();

    InTurnTest() {
        documents.put("HW-1", target(usd("33.33"), "1.36575"));
    }

    private static Settlement payment(RecordKind kind, String money, Deduction... deductions) {
        return payment(kind, money, "1.36575", of("HW-1", money, deductions));
    }

    private Compilation next(Record record) {
        Targets known = turn.after((kind, number, party) -> Optional.of(documents.get("HW-1")));
        Compilation compiled = compiler().compile(record, "", known);
        turn.goes(record, compiled, known);
        return compiled;
    }

    @Test
    void anInvoiceThatNamesAnotherCreditsNothingOfIt() {
        Document third = (Document) third(RecordKind.INVOICE);
        next(Changed.in(third, "rate", at("1.36575")));
        assertThat(List.of(relieved(third(RecordKind.CREDIT_NOTE)), relieved(third(RecordKind.CREDIT_NOTE))))
                .containsExactly("-15.17", "-15.17");
    }

    private static Record third(RecordKind kind) {
        return DocumentBuilder.like(Samples.document(
                        kind, "HC-1", PriceMode.NET, List.of(line(USD, "chandlery", "1", "11.11", V0)), List.of()))
                .preceding("HW-1")
                .build();
    }

    private String relieved(Record record) {
        return next(record).journal().orElseThrow().lines().stream()
                .filter(line -> line.account().equals("1100"))
                .map(line -> line.base().getAmount().toPlainString())
                .findFirst()
                .orElse("nothing");
    }

    @Test
    void theLastPaymentOfABatchTakesTheRest() {
        Settlement third = payment(RecordKind.PAYMENT_IN, "11.11");
        assertThat(List.of(relieved(third), relieved(third), relieved(third)))
                .containsExactly("-15.17", "-15.17", "-15.18");
        assertThat(next(third).findings())
                .containsExactly(new Finding.StaysOpen(
                        "invoice HW-1", Finding.StaysOpen.Because.SETTLED_OTHERWISE, usd("11.11")));
    }

    @Test
    void whatComesBackBetweenThemIsOpenAgain() {
        Settlement whole = payment(RecordKind.PAYMENT_IN, "33.33");
        assertThat(relieved(whole)).isEqualTo("-45.52");
        assertThat(relieved(Changed.in(payment(RecordKind.RETURNED_IN, "33.33"), "returns", "P-0")))
                .isEqualTo("45.52");
        assertThat(relieved(whole)).isEqualTo("-45.52");
    }

    @Test
    void whatWasKeptBackIsReleasedOnce() {
        documents.computeIfPresent("HW-1", (name, target) -> Changed.in(target, "retained", usd("5.00")));
        Settlement release =
                payment(RecordKind.PAYMENT_IN, "4.00", new Deduction(Deduction.Kind.RETENTION, usd("-4.00")));
        Deduction cent = new Deduction(Deduction.Kind.BANK_CHARGES, usd("-0.01"));
        assertThat(next(payment(RecordKind.PAYMENT_IN, "1.00", cent)).findings())
                .as("less than nothing as well, and no release")
                .isEmpty();
        assertThat(next(release).findings()).isEmpty();
        assertThat(next(release).findings())
                .containsExactly(
                        new Finding.StaysOpen("invoice HW-1", Finding.StaysOpen.Because.NOT_RETAINED, usd("3.00")));
    }

    @Test
    void theLastCreditNoteOfABatchTakesTheRest() {
        Record third = third(RecordKind.CREDIT_NOTE);
        assertThat(List.of(relieved(third), relieved(third), relieved(third), relieved(third)))
                .as("the fourth credits more than there is, at the rate of its invoice")
                .containsExactly("-15.17", "-15.17", "-15.18", "-15.17");
    }

    @Test
    void whatIsBlockedTakesNothing() {
        Settlement unknownMeans = Changed.in(payment(RecordKind.PAYMENT_IN, "33.33"), "means", "97");
        assertThat(next(unknownMeans).isBlocked()).isTrue();
        assertThat(relieved(payment(RecordKind.PAYMENT_IN, "33.33"))).isEqualTo("-45.52");
    }
}
