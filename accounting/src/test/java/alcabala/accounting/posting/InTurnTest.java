package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V0;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Target.Standing;
import alcabala.accounting.settlement.Targets;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

/// What goes in one batch sees what goes before it. Books in CAD, everything else in USD.
class InTurnTest {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 20);
    private static final Party TRUST = Party.named("C-1", "Pell Estuary Trust");
    private final InTurn turn = InTurn.start();
    private Target invoice = booked("33.33");

    private static Money usd(String amount) {
        return Money.parse("USD " + amount);
    }

    private static Target booked(String gross) {
        ExchangeRate rate = new ExchangeRate(
                CurrencyUnit.USD, CurrencyUnit.CAD, new BigDecimal("1.36575"), DAY, ExchangeRate.Origin.SOURCE);
        Target plain = Samples.target(Standing.CROSSED, TRUST, usd(gross), usd(gross), List.of(), "IN-1", "HW-1");
        return Changed.in(
                Changed.in(Changed.in(plain, "rate", rate), "baseOpen", rate.convert(usd(gross))),
                "credited",
                Target.Credited.nothing(CurrencyUnit.USD, CurrencyUnit.CAD));
    }

    private static Settlement payment(RecordKind kind, String money, Deduction... deductions) {
        return new Settlement(
                kind,
                "P-1",
                Origin.SOURCE,
                DAY,
                "Saltmere",
                "",
                TRUST,
                usd(money),
                new StatedRate(CurrencyUnit.CAD, new BigDecimal("1.36575"), null),
                usd("0.00"),
                "30",
                "",
                "",
                List.of(Allocation.of(RecordKind.INVOICE, "HW-1", usd(money), List.of(deductions))));
    }

    private Compilation next(Record record) {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.add(Samples.row(AccountRole.BANK, "1200"));
        rows.add(Samples.row(AccountRole.EXCHANGE_DIFFERENCE, "6990"));
        rows.add(Samples.row(AccountRole.RETENTION_RECEIVABLE, "1250"));
        rows.add(Samples.row(AccountRole.BANK_CHARGES, "6100"));
        Route route = Changed.in(
                Samples.ROUTE, "settings", Samples.SETTINGS.with(Topic.DIRECTION, Carried.PAYMENTS, "to-ledger"));
        Compiler compiler = new Compiler(
                Crosswalk.of(rows, Samples.NOBODY),
                route,
                Changed.in(Samples.ledger(CurrencyUnit.CAD, TaxRounding.PER_DOCUMENT), "multiCurrency", true));
        Targets known = turn.after((kind, number, party) -> Optional.of(invoice));
        Compilation compiled = compiler.compile(record, "", known);
        turn.goes(record, compiled, known);
        return compiled;
    }

    @Test
    void anInvoiceThatNamesAnotherCreditsNothingOfIt() {
        Document third = (Document) third(RecordKind.INVOICE);
        next(Changed.in(third, "rate", new StatedRate(CurrencyUnit.CAD, new BigDecimal("1.36575"), null)));
        assertThat(List.of(relieved(third(RecordKind.CREDIT_NOTE)), relieved(third(RecordKind.CREDIT_NOTE))))
                .containsExactly("-15.17", "-15.17");
    }

    private static Record third(RecordKind kind) {
        return DocumentBuilder.like(Samples.document(
                        kind,
                        "HC-1",
                        PriceMode.NET,
                        List.of(line(CurrencyUnit.USD, "chandlery", "1", "11.11", V0)),
                        List.of()))
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
        invoice = Changed.in(invoice, "retained", usd("5.00"));
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
