package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V13;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TaxSubtotal;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.ArithmeticDiffers.Figure;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxBreakdown;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// What is compared of a tax: its letter, its rate, each stated group, and the whole.
class TaxRulesTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;

    private static TaxCombination tax(String code, String rate, TaxCategory letter) {
        return TaxCombination.of(Tax.of(code, rate, letter));
    }

    private static DocumentLine at(String amount, TaxCombination tax) {
        return line(EUR, "chandlery", "1", amount, tax);
    }

    private static Compilation compile(Document document, CrosswalkRow... more) {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.addAll(List.of(more));
        return Samples.compiler(rows).compile(document);
    }

    @ParameterizedTest(name = "{0} onto {1}")
    @CsvSource({"AE, Z0, false", "E, Z0, false", "K, X0, false", "Z, Z0, true", "E, X0, true", "AE, RC23, true"})
    void theLetterMustBeTheSame(TaxCategory letter, String code, boolean crosses) {
        Document document = Samples.invoice("HW-1", at("10.00", tax("VEU", "0", letter)));
        List<Finding> findings =
                compile(document, row(RowKind.TAX, "VEU", code, "")).findings();
        TaxCategory its =
                Samples.ledger(EUR, TaxRounding.PER_LINE).taxCodes().get(code).category();
        assertThat(findings)
                .isEqualTo(
                        crosses
                                ? List.of()
                                : List.of(new Finding.TaxCategoryDiffers("VEU", EnumSet.of(letter), code, its)));
    }

    @ParameterizedTest
    @EnumSource(names = {"AE", "K", "G", "E", "O", "Z", "S", "L", "M", "B"})
    void aRateUnderALetterThatChargesNothingIsFound(TaxCategory letter) {
        TaxCombination stated = tax("VX", "0.01", letter);
        Document document = Samples.invoice("HW-1", at("10.00", stated));
        boolean charges = letter == TaxCategory.S
                || letter == TaxCategory.L
                || letter == TaxCategory.M
                || letter == TaxCategory.B;
        assertThat(compile(document).findings())
                .filteredOn(Finding.TaxNotCharged.class::isInstance)
                .isEqualTo(
                        charges ? List.of() : List.of(new Finding.TaxNotCharged("VX", letter, new BigDecimal("0.01"))));
    }

    @Test
    void aRateIsCheckedForEachCombinationAndNotOnceForEachKey() {
        Document document = Samples.invoice("HW-1", at("1.00", V23), at("1.00", tax("V23", "20", TaxCategory.S)));
        Compilation compiled = compile(document);
        assertThat(compiled.findings())
                .containsExactly(new Finding.TaxRateDiffers(
                        "V23", new BigDecimal("20").stripTrailingZeros(), "S23", new BigDecimal("23")));
        assertThat(compiled.tax().orElseThrow().source().groups())
                .as("the source's own tax by the rates of its lines")
                .extracting(TaxBreakdown::tax)
                .containsExactly(eur("0.23"), eur("0.20"));
    }

    @Test
    void aCombinationIsASetUnlessATaxIsOnATax() {
        Tax gst = Tax.of("GST", "5", TaxCategory.S);
        Tax pst = Tax.of("PST", "7", TaxCategory.S);
        Tax onTop = new Tax("PST", new BigDecimal("7"), TaxCategory.S, true);
        assertThat(TaxCombination.of(List.of(pst, gst))).isEqualTo(TaxCombination.of(List.of(gst, pst)));
        assertThat(TaxCombination.of(List.of(pst, gst)).key()).isEqualTo("GST+PST");
        TaxCombination compound = TaxCombination.of(List.of(gst, onTop));
        assertThat(compound.rate()).isEqualByComparingTo("12.35");
        assertThat(compound.key()).isEqualTo("GST>PST");
        assertThat(compound).isNotEqualTo(TaxCombination.of(List.of(gst, pst)));
        Tax eco = Tax.of("ECO", "1", TaxCategory.S);
        assertThat(TaxCombination.of(List.of(gst, eco, onTop))).isEqualTo(TaxCombination.of(List.of(eco, gst, onTop)));
        assertThat(TaxCombination.of(List.of(gst, onTop, eco)).rate())
                .as("what stands after it is not part of what it is on")
                .isEqualByComparingTo("13.35");
    }

    /// 100.00 at 23 % and 200.00 at 13.5 %, in three lines.
    @ParameterizedTest(name = "{0} on {1} beside {2} on {3}: {4}")
    @CsvSource({
        "23.00, 100.00, 27.00, 200.00, ''",
        "13.00, 100.00, 37.00, 200.00, TAX V23 TAX V13",
        "24.00, 100.00, 26.00, 200.00, TAX V23 TAX V13",
        "23.00, 90.00, 27.00, 210.00, TAXABLE V23 TAX V23 TAXABLE V13 TAX V13",
        "23.02, 100.00, 26.98, 200.00, TAX V13",
        "22.98, 100.00, 27.02, 200.00, TAX V13",
        "23.01, 100.00, 26.99, 200.00, ''",
        "23.03, 100.00, 26.97, 200.00, TAX V23 TAX V13"
    })
    void eachStatedGroupIsChecked(String t23, String on23, String t13, String on13, String found) {
        Document document = DocumentBuilder.like(
                        Samples.invoice("HW-1", at("50.00", V23), at("50.00", V23), at("200.00", V13)))
                .taxes(new TaxSubtotal(V23, eur(on23), eur(t23)), new TaxSubtotal(V13, eur(on13), eur(t13)))
                .build();
        assertThat(compile(document).findings().stream()
                        .map(Finding.ArithmeticDiffers.class::cast)
                        .map(each -> each.figure() + " " + each.place()))
                .isEqualTo(found.isEmpty() ? List.of() : List.of(found.split("(?<=V\\d\\d) ")));
    }

    @Test
    void aTaxedGroupThatIsNotStatedIsFound() {
        Document document = DocumentBuilder.like(Samples.invoice("HW-1", at("100.00", V23), at("0.01", V13)))
                .taxes(new TaxSubtotal(V23, eur("100.00"), eur("23.00")))
                .build();
        assertThat(compile(document).findings())
                .containsExactly(new Finding.ArithmeticDiffers(Figure.TAXABLE, "V13", eur("0.00"), eur("0.01")));
    }

    /// Lines of no stated tax belong to no group; beside others they do not keep these from being checked.
    @Test
    void linesThatStateNoTaxAreInNoGroup() {
        TaxSubtotal stated = new TaxSubtotal(V23, eur("90.00"), eur("20.70"));
        Document none = DocumentBuilder.like(Samples.invoice("HW-1", at("100.00", TaxCombination.NONE)))
                .taxes(stated)
                .build();
        assertThat(taxable(none)).isEmpty();
        Document some = DocumentBuilder.like(
                        Samples.invoice("HW-1", at("100.00", TaxCombination.NONE), at("100.00", V23)))
                .taxes(stated)
                .build();
        assertThat(taxable(some)).containsExactly("V23 90.00 100.00");
    }

    /// What is taxed may be a unit off for each line that an allowance of the whole document is shared over; not where
    /// amounts are just added up.
    @ParameterizedTest(name = "allowance of {0}, charge {1}, stated {2}: {3}")
    @CsvSource({
        "true, false, 99.98, true",
        "true, false, 99.97, false",
        "true, false, 100.02, true",
        "true, false, 100.03, false",
        "false, false, 100.01, false",
        "false, false, 100.00, true",
        "true, true, 110.01, false"
    })
    void sharesOfTheWholeDocumentMayBeRounded(boolean ofAll, boolean charge, String stated, boolean holds) {
        Document document = Samples.document(
                RecordKind.INVOICE,
                "HW-1",
                PriceMode.NET,
                List.of(at("50.00", V23), at("60.00", V23)),
                List.of(new AllowanceCharge(charge, eur("10.00"), "", ofAll ? TaxCombination.NONE : V23)));
        Document off = DocumentBuilder.like(document)
                .taxes(new TaxSubtotal(V23, eur(stated), document.totals().tax()))
                .build();
        assertThat(taxable(off).isEmpty()).isEqualTo(holds);
    }

    /// A tax on a tax is computed on more than its lines.
    @Test
    void whatATaxOnATaxIsComputedOnIsNotComparedWithItsLines() {
        Tax gst = Tax.of("GST", "5", TaxCategory.S);
        Tax pst = new Tax("PST", new BigDecimal("10"), TaxCategory.S, true);
        Document document = DocumentBuilder.like(
                        Samples.invoice("HW-1", at("100.00", TaxCombination.of(List.of(gst, pst)))))
                .taxes(
                        new TaxSubtotal(TaxCombination.of(gst), eur("100.00"), eur("5.00")),
                        new TaxSubtotal(TaxCombination.of(pst), eur("105.00"), eur("10.50")))
                .build();
        assertThat(TaxCombination.of(pst).isCompound()).isTrue();
        assertThat(TaxCombination.of(gst).isCompound()).isFalse();
        assertThat(taxable(document)).isEmpty();
    }

    private static List<String> taxable(Document document) {
        return compile(document).findings().stream()
                .filter(Finding.ArithmeticDiffers.class::isInstance)
                .map(Finding.ArithmeticDiffers.class::cast)
                .filter(each -> each.figure() == Figure.TAXABLE)
                .map(each -> each.place() + " " + each.stated().getAmount() + " "
                        + each.computed().getAmount())
                .toList();
    }

    /// A file does not say how it was rounded: what reproduces its tax is how; when neither does, it is as declared.
    /// Three lines of 0.10 at 23 %.
    @ParameterizedTest(name = "declared {0}, stated {1}: {2}")
    @CsvSource({
        "PER_LINE, 0.06, PER_LINE",
        "PER_LINE, 0.07, PER_DOCUMENT",
        "PER_LINE, 0.08, PER_LINE",
        "PER_DOCUMENT, 0.07, PER_DOCUMENT",
        "PER_DOCUMENT, 0.06, PER_LINE",
        "PER_DOCUMENT, 0.08, PER_DOCUMENT"
    })
    void theSourcesRoundingIsTheOneThatReproducesItsTax(TaxRounding declared, String stated, TaxRounding found) {
        Document document = DocumentBuilder.like(
                        Samples.invoice("HW-1", at("0.10", V23), at("0.10", V23), at("0.10", V23)))
                .rounding(declared)
                .totals(
                        "0.30",
                        stated,
                        eur("0.30").plus(eur(stated)).getAmount().toPlainString())
                .build();
        assertThat(compile(document).tax().orElseThrow().source().rounding()).isEqualTo(found);
    }

    @Test
    void groupsOfSingleTaxesCoverLinesThatCarrySeveral() {
        Tax gst = Tax.of("GST", "5", TaxCategory.S);
        Tax pst = Tax.of("PST", "7", TaxCategory.S);
        Document document = DocumentBuilder.like(Samples.invoice(
                        "HP-1",
                        at("100.00", TaxCombination.of(List.of(gst, pst))),
                        at("50.00", TaxCombination.of(gst))))
                .taxes(
                        new TaxSubtotal(TaxCombination.of(gst), eur("150.00"), eur("7.50")),
                        new TaxSubtotal(TaxCombination.of(pst), eur("100.00"), eur("7.00")))
                .build();
        assertThat(compile(document).findings())
                .extracting(Finding::cause)
                .containsExactly("tax-unmapped:GST+PST", "tax-unmapped:GST");
    }

    /// Two units apart: explained by two taxed lines, not by one and one that has no amount.
    @ParameterizedTest(name = "second line {0}, stated {1}: {2} found")
    @CsvSource({"10.00, 4.62, 0", "10.00, 4.63, 1", "0.00, 2.31, 0", "0.00, 2.32, 1", "0.00, 2.28, 1"})
    void aTaxedLineHasAnAmountAndARate(String second, String stated, int found) {
        Document document = Samples.invoice("HW-1", at("10.00", V23), at(second, V23), at("30.00", Samples.V0));
        Money net = document.totals().net();
        Document off = DocumentBuilder.like(document)
                .totals(
                        net.getAmount().toPlainString(),
                        stated,
                        net.plus(eur(stated)).getAmount().toPlainString())
                .build();
        assertThat(compile(off).findings()).hasSize(found);
    }

    @ParameterizedTest(name = "stated {0}: {1} found")
    @CsvSource({"23.00, 0", "23.01, 0", "22.99, 0", "23.02, 1"})
    void wherePricesIncludeTaxAGapIsShownAndNothingIsRounded(String stated, int found) {
        Document document = Samples.document(
                RecordKind.INVOICE, "ST-1", PriceMode.TAX_INCLUSIVE, List.of(at("123.00", V23)), List.of());
        Document off = DocumentBuilder.like(document)
                .totals(eur("123.00").minus(eur(stated)).getAmount().toPlainString(), stated, "123.00")
                .build();
        Compilation compiled = compile(off);
        assertThat(compiled.findings()).hasSize(found);
        assertThat(compiled.tax().orElseThrow().gap()).isEqualTo(eur("23.00").minus(eur(stated)));
        assertThat(compiled.tax().orElseThrow().rounding().isZero()).isTrue();
        compiled.ledgerDocument().ifPresent(sent -> assertThat(sent.lines()).hasSize(1));
    }

    @Test
    void wherePricesIncludeTaxEachLineGetsItsShareOfItWithItsSign() {
        Document document = Samples.document(
                RecordKind.INVOICE,
                "ST-1",
                PriceMode.TAX_INCLUSIVE,
                List.of(at("123.00", V23), line(EUR, "labour", "1", "-24.60", V23)),
                List.of());
        assertThat(compile(document).journal().orElseThrow().byAccount().lines())
                .extracting(l -> l.account() + " " + l.debit().getAmount() + " "
                        + l.credit().getAmount())
                .containsExactly("1100 98.40 0.00", "4010 0.00 100.00", "4020 20.00 0.00", "2200 0.00 18.40");
    }

    /// records.md, section 2: the supplier is owed the net.
    @ParameterizedTest(name = "{0} under {1}: {2}")
    @CsvSource({
        "500.00, RC23, 2100 0.00 500.00; 5100 500.00 0.00; 2200 0.00 115.00; 1400 115.00 0.00",
        "250.00, RC21, 2100 0.00 250.00; 5100 281.50 0.00; 2200 0.00 52.50; 1400 21.00 0.00"
    })
    void reverseChargeOnABillIsBookedOnBothSides(String amount, String code, String journal) {
        Document bill = Samples.document(
                RecordKind.BILL,
                "KW-1",
                PriceMode.NET,
                List.of(at(amount, tax("AE0", "0", TaxCategory.AE))),
                List.of());
        Compilation compiled = compile(bill, row(RowKind.TAX, "AE0", code, ""));
        assertThat(compiled.findings()).isEmpty();
        assertThat(compiled.ledgerDocument().orElseThrow().tax().isZero()).isTrue();
        assertThat(compiled.journal().orElseThrow().byAccount().lines())
                .extracting(l -> l.account() + " " + l.debit().getAmount() + " "
                        + l.credit().getAmount())
                .containsExactly(journal.split("; "));
    }

    @Test
    void whatMayNotBeReclaimedIsTheCostOfItsOwnLines() {
        Document bill = Samples.document(
                RecordKind.BILL,
                "KW-1",
                PriceMode.NET,
                List.of(at("100.00", tax("AE0", "0", TaxCategory.AE)), line(EUR, "labour", "1", "50.00", V23)),
                List.of());
        assertThat(compile(bill, row(RowKind.TAX, "AE0", "RC21", ""))
                        .journal()
                        .orElseThrow()
                        .byAccount()
                        .lines())
                .extracting(l -> l.account() + " " + l.debit().getAmount() + " "
                        + l.credit().getAmount())
                .containsExactlyInAnyOrder(
                        "2100 0.00 161.50",
                        "5100 112.60 0.00",
                        "6100 50.00 0.00",
                        "1400 19.90 0.00",
                        "2200 0.00 21.00");
    }

    @Test
    void aSaleUnderReverseChargeBooksNone() {
        Document sale = Samples.invoice("HW-1", at("500.00", tax("AE0", "0", TaxCategory.AE)));
        assertThat(compile(sale, row(RowKind.TAX, "AE0", "RC23", ""))
                        .journal()
                        .orElseThrow()
                        .lines())
                .extracting(JournalLine::account)
                .containsExactly("1100", "4010");
        assertThat(compile(
                                Samples.invoice("HW-2", at("500.00", tax("V2", "23", TaxCategory.S))),
                                row(RowKind.TAX, "V2", "RC23", ""))
                        .findings())
                .as("a code that charges nothing is wrong for a tax that is charged")
                .extracting(Finding::cause)
                .contains("tax-rate-differs:V2");
    }

    private static Money eur(String amount) {
        return Money.parse("EUR " + amount);
    }
}
