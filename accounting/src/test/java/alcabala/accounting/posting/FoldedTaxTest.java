package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V0;
import static alcabala.accounting.Samples.V13;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TaxSubtotal;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Topic;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Tax that stays in the lines that carry it: not reclaimed on a bill, or switched off on a sale.
class FoldedTaxTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;

    private static Document bill(DocumentLine... lines) {
        return Samples.document(RecordKind.BILL, "KW-1", PriceMode.NET, List.of(lines), List.of());
    }

    private static DocumentLine at(String amount, TaxCombination tax) {
        return line(EUR, tax.equals(V13) ? "labour" : "chandlery", "1", amount, tax);
    }

    private static Compilation compile(Document document) {
        var settings = Samples.SETTINGS.with(Topic.PURCHASE_TAX, "in-cost").with(Topic.SALES_TAX, "off");
        return Samples.compiler(Samples.rows(), EUR, settings).compile(document);
    }

    private static List<String> amounts(Document document) {
        return compile(document).ledgerDocument().orElseThrow().lines().stream()
                .map(line -> line.amount().getAmount().toPlainString())
                .toList();
    }

    /// records.md, section 2.
    @Test
    void theLinesBecomeTheirAmountsWithTax() {
        Compilation compiled = compile(bill(at("320.00", V23), at("80.00", V13)));
        assertThat(compiled.journal().orElseThrow().lines())
                .extracting(l -> l.account() + " " + l.debit().getAmount() + " "
                        + l.credit().getAmount())
                .containsExactly("2100 0.00 484.40", "5100 393.60 0.00", "6100 90.80 0.00");
    }

    @ParameterizedTest(name = "tax {0}: {1}, {2}, {3}")
    @CsvSource({"0.24, 0.41, 0.41, 0.41", "0.23, 0.41, 0.41, 0.40", "0.22, 0.41, 0.40, 0.40", "0.20, 0.40, 0.40, 0.39"})
    void eachLineItsOwnExactTaxAndTheMissingUnitsToTheLargestRemainders(
            String tax, String first, String second, String third) {
        Document document = DocumentBuilder.like(
                        bill(at("0.33", V23), at("0.33", V23), at("0.33", V23), at("100.00", V0)))
                .totals("100.99", tax, eur("100.99").plus(eur(tax)).getAmount().toPlainString())
                .build();
        assertThat(amounts(document))
                .as("the largest line carries no tax")
                .containsExactly(first, second, third, "100.00");
    }

    /// Groups that do not add up to the stated tax are no measure; the source's own computation then is, when it gives
    /// it.
    @Test
    void groupsThatDoNotAddUpAreNotShared() {
        Document document = DocumentBuilder.like(bill(at("100.00", V23), at("100.00", V13)))
                .taxes(
                        new TaxSubtotal(V23, eur("100.00"), eur("22.00")),
                        new TaxSubtotal(V13, eur("100.00"), eur("13.50")))
                .build();
        assertThat(compile(document).lines())
                .extracting(line -> line.amount().getAmount().toPlainString())
                .containsExactly("123.00", "113.50");
    }

    @Test
    void aStatedGroupIsSharedAmongItsOwnLines() {
        Document document = DocumentBuilder.like(bill(at("0.33", V23), at("0.33", V23), at("0.37", V13)))
                .taxes(new TaxSubtotal(V23, eur("0.66"), eur("0.15")), new TaxSubtotal(V13, eur("0.37"), eur("0.06")))
                .totals("1.03", "0.21", "1.24")
                .build();
        assertThat(amounts(document)).containsExactly("0.41", "0.40", "0.43");
    }

    @Test
    void aReturnedLineKeepsItsSign() {
        Document document = bill(at("10.00", V23), at("-0.03", V23));
        assertThat(amounts(document)).containsExactly("12.30", "-0.04");
    }

    @ParameterizedTest(name = "stated {0}: {1} found")
    @CsvSource({"23.00, 0", "23.01, 0", "22.99, 0", "23.02, 1", "22.98, 1", "50.00, 1"})
    void theStatedTaxIsComparedAsAlways(String stated, int found) {
        Document off = DocumentBuilder.like(Samples.invoice("HW-1", at("100.00", V23)))
                .totals(
                        "100.00",
                        stated,
                        eur("100.00").plus(eur(stated)).getAmount().toPlainString())
                .build();
        List<Finding> findings = compile(off).findings();
        assertThat(findings).hasSize(found);
        assertThat(findings).allMatch(finding -> finding.equals(new Finding.TaxDiffers(eur(stated), eur("23.00"), 1)));
    }

    private static Money eur(String amount) {
        return Money.parse("EUR " + amount);
    }
}
