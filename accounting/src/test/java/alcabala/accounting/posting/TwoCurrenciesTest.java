package alcabala.accounting.posting;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import java.util.List;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Paid in another currency than the document is in: both amounts are said (records, section 1).
class TwoCurrenciesTest extends DollarBooks {
    /// The invoice is in the first currency, the payment in another: both amounts are said (records, section 1).
    @ParameterizedTest(name = "{2} that settles {3} of {0} at {1}")
    @CsvSource({
        "USD 100.00, 1.30, CAD 131.00, USD 100.00, '1200 131.00, 1100 -130.00, 6990 -1.00'",
        "USD 100.00, 1.30, CAD 130.00, USD 100.00, '1200 130.00, 1100 -130.00'",
        "USD 100.00, 1.30, CAD 65.00, USD 49.00, '1200 65.00, 1100 -63.70, 6990 -1.30'",
        "USD 33.33, 1.36575, CAD 45.00, USD 33.33, '1200 45.00, 1100 -45.52, 6990 0.52'",
        "USD 100.00, 1.30, EUR 88.00, USD 100.00, '1200 132.00, 1100 -130.00, 6990 -2.00'",
        "CAD 130.00, , USD 88.00, CAD 130.00, '1200 132.00, 1100 -130.00, 6990 -2.00'",
        "CAD 130.00, , USD 44.00, CAD 66.00, '1200 66.00, 1100 -66.00'"
    })
    void whatIsPaidInAnotherCurrencyLeavesAtTheRateOfItsDocument(
            String gross, String rate, String money, String worth, String journal) {
        documents.put("HW-1", target(Money.parse(gross), rate));
        assertThat(String.join(", ", base(paid(money, "1.50", exchanged(money, worth)))))
                .isEqualTo(journal);
    }

    @Test
    void whatIsDeductedIsInTheCurrencyOfTheDocument() {
        Deduction discount = new Deduction(Deduction.Kind.DISCOUNT, usd("3.00"));
        for (String money : List.of("CAD 127.00", "EUR 84.67")) {
            booked("HW-1", "100.00", "100.00", "1.30", "130.00");
            assertThat(base(paid(money, "1.50", exchanged(money, "USD 97.00", discount))))
                    .as("126.10 and 3.90 of 130.00")
                    .contains("1100 -130.00", "4090 3.90");
        }
        Compilation compiled = compile(paid("EUR 84.67", "1.50", exchanged("EUR 84.67", "USD 97.00", discount)));
        assertThat(compiled.journal().orElseThrow().lines())
                .as("euros where it is paid in euros, and none where it is not")
                .extracting(line -> line.account() + " " + line.amount())
                .containsExactly("1200 EUR 84.67", "1100 EUR -84.67", "4090 EUR 0.00", "6990 EUR 0.00");
    }

    /// 131.00 for 100.00, of which 40.00 is open: 52.40. Of a third 33.33 for 10.00 it is 13.332, and 13.335 rounds up.
    @ParameterizedTest(name = "{0} for {1} of {2} open: {3} over")
    @CsvSource({
        "CAD 131.00, USD 100.00, 100.00, ",
        "CAD 131.00, USD 100.00, 99.99, CAD 0.01",
        "CAD 131.00, USD 100.00, 40.00, CAD 78.60",
        "CAD 33.33, USD 10.00, 4.00, CAD 20.00",
        "CAD 26.67, USD 10.00, 5.00, CAD 13.33",
        "CAD 131.00, USD 100.00, 0.00, CAD 131.00"
    })
    void whatADocumentCannotTakeStaysOpenInTheCurrencyOfTheMoney(String money, String worth, String open, String over) {
        booked(
                "HW-1",
                "100.00",
                open,
                "1.30",
                rate("1.30").convert(usd(open)).getAmount().toString());
        Compilation compiled = compile(paid(money, "1.50", exchanged(money, worth)));
        assertThat(compiled.findings())
                .isEqualTo(
                        over == null
                                ? List.of()
                                : List.of(new Finding.StaysOpen(
                                        "invoice HW-1",
                                        Finding.StaysOpen.Because.SETTLED_OTHERWISE,
                                        Money.parse(over))));
        LedgerSettlement entry = (LedgerSettlement) compiled.entry().orElseThrow();
        Money settles = entry.parts().stream().map(LedgerSettlement.Part::money).reduce(Money.zero(CAD), Money::plus);
        assertThat(settles).isEqualTo(Money.parse(money).minus(Money.parse(over == null ? "CAD 0.00" : over)));
        assertThat(compiled.journal().orElseThrow().isBalanced()).isTrue();
    }

    @Test
    void lessThatCanBeReleasedTakesItsShareOfTheMoney() {
        booked("HW-1", "100.00", "20.00", "1.30", "26.00");
        documents.computeIfPresent("HW-1", (name, target) -> Changed.in(target, "retained", usd("30.00")));
        Deduction released = new Deduction(Deduction.Kind.RETENTION, usd("-40.00"));
        Compilation compiled = compile(paid("CAD 52.00", "1.50", exchanged("CAD 52.00", "USD 40.00", released)));
        LedgerSettlement entry = (LedgerSettlement) compiled.entry().orElseThrow();
        assertThat(entry.parts())
                .extracting(part -> part.money() + " " + part.worth() + " " + part.settled())
                .containsExactly("CAD 39.00 USD 30.00 USD 0.00");
    }

    @Test
    void whatSettlesByDeductionsAloneTakesNoMoney() {
        booked("HW-1", "100.00", "20.00", "1.30", "26.00");
        documents.computeIfPresent("HW-1", (name, target) -> Changed.in(target, "retained", usd("30.00")));
        Allocation netted = exchanged(
                "CAD 0.00",
                "USD 0.00",
                new Deduction(Deduction.Kind.DISCOUNT, usd("40.00")),
                new Deduction(Deduction.Kind.RETENTION, usd("-40.00")));
        Compilation compiled = compile(paid("CAD 52.00", "1.50", netted));
        assertThat(((LedgerSettlement) compiled.entry().orElseThrow()).parts()).isEmpty();
    }

    /// What is converted goes one after the other.
    @Test
    void anEntrySaysWhetherItIsConverted() {
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        assertThat(isConverted(payment(RecordKind.PAYMENT_IN, "10.00", "1.40"))).isTrue();
        assertThat(isConverted(paid("CAD 13.00", "1.00", exchanged("CAD 13.00", "USD 10.00"))))
                .isTrue();
        documents.put("HW-1", target(Money.parse("CAD 130.00"), null));
        assertThat(isConverted(paid("CAD 13.00", "1.00", exchanged("CAD 13.00", "CAD 13.00"))))
                .isFalse();
    }

    private boolean isConverted(Settlement settlement) {
        return ((LedgerSettlement) compile(settlement).entry().orElseThrow()).isConverted();
    }

    @Test
    void whatIsPaidInAnotherCurrencySaysWhatItSettles() {
        booked("HW-1", "100.00", "100.00", "1.30", "130.00");
        for (String worth : List.of("CAD 130.00", "EUR 90.00")) {
            assertThat(compile(paid("CAD 130.00", "1.40", exchanged("CAD 130.00", worth)))
                            .findings())
                    .containsExactly(new Finding.CurrencyDiffers("invoice HW-1", "USD", "CAD"));
        }
        assertThat(compile(payment(RecordKind.PAYMENT_IN, "10.00", "1.40", exchanged("USD 10.00", "CAD 13.00")))
                        .findings())
                .as("paid in its own, and counted in another")
                .containsExactly(new Finding.CurrencyDiffers("invoice HW-1", "USD", "USD"));
    }
}
