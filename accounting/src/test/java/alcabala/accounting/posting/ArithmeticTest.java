package alcabala.accounting.posting;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.LineBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.StatedTotals;
import alcabala.accounting.document.TaxSubtotal;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.ArithmeticDiffers.Figure;
import alcabala.accounting.record.RecordKind;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// A document's own figures against each other: one cent off in either direction is found, and where it is.
class ArithmeticTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;

    private static Money eur(String amount) {
        return Money.parse("EUR " + amount);
    }

    /// Two lines, an allowance and a charge, a part paid before, and something rounded.
    private static Document whole(PriceMode mode) {
        Document document = Samples.document(
                RecordKind.INVOICE,
                "HW-1",
                mode,
                List.of(
                        Samples.line(EUR, "chandlery", "2", "10.00", Samples.V23),
                        Samples.line(EUR, "labour", "1", "123.45", Samples.V23)),
                List.of(
                        new AllowanceCharge(false, eur("3.00"), "Regular", Samples.V23),
                        new AllowanceCharge(true, eur("7.00"), "Freight", Samples.V23)));
        StatedTotals totals = Changed.in(document.totals(), "prepaid", eur("50.00"));
        totals = Changed.in(totals, "rounding", eur("0.02"));
        totals = Changed.in(totals, "payable", totals.gross().plus(eur("0.02")).minus(eur("50.00")));
        Document whole = Changed.in(document, "totals", totals);
        return Changed.in(whole, "taxes", List.of(new TaxSubtotal(Samples.V23, null, totals.tax())));
    }

    private static List<String> found(Document document) {
        List<Finding> findings = new ArrayList<>();
        new Arithmetic(document, findings::add).check();
        return findings.stream()
                .map(Finding.ArithmeticDiffers.class::cast)
                .map(each -> (each.figure() + " " + each.place() + " "
                                + each.stated().minus(each.computed()))
                        .replace("EUR ", "")
                        .replace("  ", " "))
                .toList();
    }

    @ParameterizedTest
    @EnumSource
    void whatHoldsIsNotFound(PriceMode mode) {
        assertThat(found(whole(mode))).isEmpty();
    }

    /// Each figure is checked against the stated ones that it is made of, so that what is made of it is found off by
    /// the other sign.
    @ParameterizedTest(name = "{0} in {1} prices: {2}")
    @CsvSource({
        "lines, NET, LINE_TOTAL 0.01;NET -0.01",
        "allowances, NET, ALLOWANCES 0.01;NET 0.01",
        "charges, NET, CHARGES 0.01;NET -0.01",
        "net, NET, NET 0.01;GROSS -0.01",
        "net, TAX_INCLUSIVE, NET 0.01;GROSS -0.01",
        "tax, NET, GROSS -0.01;TAX 0.01",
        "tax, TAX_INCLUSIVE, NET 0.01;GROSS -0.01;TAX 0.01",
        "gross, NET, GROSS 0.01;PAYABLE -0.01",
        "prepaid, NET, PAYABLE 0.01",
        "rounding, NET, PAYABLE -0.01",
        "payable, NET, PAYABLE 0.01"
    })
    void aCentInOneFigure(String figure, PriceMode mode, String wanted) throws ReflectiveOperationException {
        Document document = whole(mode);
        StatedTotals totals = document.totals();
        Money stated = (Money) StatedTotals.class.getMethod(figure).invoke(totals);
        StatedTotals off = Changed.in(totals, figure, stated.plus(eur("0.01")));
        assertThat(found(Changed.in(document, "totals", off))).containsExactlyInAnyOrder(wanted.split(";"));
    }

    /// A source may round a line or cut it: one unit is no slip, two are.
    @ParameterizedTest(name = "3 at 3.335 for {0}: off by {1}")
    @CsvSource({
        "10.01, ''",
        "10.00, ''",
        "10.02, ''",
        "9.99, -0.02",
        "10.03, 0.02",
    })
    void aLineMayBeAUnitOff(String amount, String off) {
        DocumentLine line = LineBuilder.like(Samples.line(EUR, "chandlery", "3", "3.335", Samples.V0))
                .amount(amount)
                .build();
        assertThat(found(Samples.invoice("HW-1", line)))
                .isEqualTo(off.isEmpty() ? List.of() : List.of(Figure.LINE_AMOUNT + " 1 " + off));
    }
}
