package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V13;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// How an allowance on the whole document is taken off its lines (domain, section 3).
class AllowanceSharingTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;

    private static AllowanceCharge off(String amount, TaxCombination tax) {
        return new AllowanceCharge(false, eur(amount), "discount", tax);
    }

    private static DocumentLine at(String amount, TaxCombination tax) {
        return line(EUR, "chandlery", "1", amount, tax);
    }

    private static Document discounted(List<DocumentLine> lines, AllowanceCharge... off) {
        return Samples.document(RecordKind.INVOICE, "HW-1", PriceMode.NET, lines, List.of(off));
    }

    private static List<String> amounts(Document document) {
        return TaxableLines.of(document).stream()
                .map(line -> line.amount().getAmount().toPlainString())
                .toList();
    }

    /// What has no line to be taken off becomes one, named by its place among the document's allowances and charges.
    @Test
    void linesOfTheirOwnAreNamedByTheirPlace() {
        Document document = discounted(
                List.of(at("100.00", V23)),
                off("6.00", TaxCombination.NONE),
                off("4.00", V13),
                new AllowanceCharge(true, eur("5.00"), "Freight", V23));
        assertThat(TaxableLines.of(document))
                .extracting(DocumentLine::id)
                .containsExactly("1", "allowance-2", "charge-3");
        assertThat(amounts(document)).containsExactly("94.00", "-4.00", "5.00");
    }

    /// 100.00 at 23 % less a return of 40.00 at 13.5 %, discount 6.00 on the sum of 60.00.
    @ParameterizedTest(name = "tax {0}: {1} and {2}")
    @CsvSource({
        "15.84, 90.00, -36.00", // signed: 20.70 less 4.86
        "16.22, 94.00, -40.00", // off what is sold only: 21.62 less 5.40
        "16.00, 90.00, -36.00" // neither: the signed way holds
    })
    void theWayThatReproducesTheStatedTaxHolds(String tax, String sold, String returned) {
        Document document = DocumentBuilder.like(
                        discounted(List.of(at("100.00", V23), at("-40.00", V13)), off("6.00", TaxCombination.NONE)))
                .totals(
                        "54.00",
                        tax,
                        new BigDecimal("54.00").add(new BigDecimal(tax)).toPlainString())
                .build();
        assertThat(amounts(document)).containsExactly(sold, returned);
        Compilation compiled = Samples.compiler(Samples.rows()).compile(document);
        assertThat(compiled.findings())
                .isEqualTo(
                        tax.equals("16.00")
                                ? List.of(new Finding.TaxDiffers(eur("16.00"), eur("15.84"), 2))
                                : List.of());
    }

    /// Signed: 0.27, 0.27 and −0.08, tax 0.11 by either rounding. Off what is sold only: 0.28, 0.28 and −0.10, tax
    /// 0.11 line by line, 0.13 less 0.01 by document.
    @ParameterizedTest
    @CsvSource({"PER_LINE, 0.27, -0.08", "PER_DOCUMENT, 0.28, -0.10"})
    void whichWayItWasIsJudgedByTheSourcesOwnRounding(TaxRounding rounding, String sold, String returned) {
        List<DocumentLine> lines = List.of(at("0.33", V23), at("0.33", V23), at("-0.10", V13));
        Document document = DocumentBuilder.like(discounted(lines, off("0.10", TaxCombination.NONE)))
                .totals("0.46", "0.12", "0.58")
                .rounding(rounding)
                .build();
        assertThat(amounts(document)).containsExactly(sold, sold, returned);
    }

    @ParameterizedTest(name = "{0} off a sum of 40.00")
    @CsvSource({"39.99, 0.02, -0.01", "40.00, 0.00, 0.00", "40.01, 59.99, -60.00", "50.00, 50.00, -60.00"})
    void whereAShareWouldExceedItsLineTheLinesOfTheSumsSignTakeIt(String off, String sold, String returned) {
        assertThat(amounts(discounted(List.of(at("100.00", V23), at("-60.00", V23)), off(off, V23))))
                .containsExactly(sold, returned);
    }

    @Test
    void linesThatAddUpToNothingShareBySize() {
        assertThat(amounts(
                        discounted(List.of(at("30.00", V23), at("-10.00", V23), at("-20.00", V23)), off("6.00", V23))))
                .containsExactly("27.00", "-11.00", "-22.00");
    }

    @Test
    void severalAllowancesApplyToTheOriginalAmounts() {
        Document document = discounted(
                List.of(at("60.00", V23), at("40.00", V13)), off("30.00", V23), off("10.00", TaxCombination.NONE));
        assertThat(amounts(document)).containsExactly("24.00", "36.00");
    }

    @Test
    void aCombinationStatedTheOtherWayRoundIsTakenOffTheSameLines() {
        Tax gst = Tax.of("GST", "5", TaxCategory.S);
        Tax pst = Tax.of("PST", "7", TaxCategory.S);
        Document document = discounted(
                List.of(at("50.00", TaxCombination.of(List.of(gst, pst))), at("50.00", V23)),
                off("10.00", TaxCombination.of(List.of(pst, gst))));
        assertThat(amounts(document)).containsExactly("40.00", "50.00");
    }

    /// A source that shares by signed amounts, computed here with fractions of its own.
    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {3, 33, 333, 3333})
    void discountedDocumentsWithReturnsCross(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 1500; i++) {
            List<DocumentLine> lines = new ArrayList<>();
            for (int n = 2 + random.nextInt(5); n > 0; n--) {
                long minor = random.nextInt(3) == 0 ? -1 - random.nextInt(5000) : 1 + random.nextInt(20_000);
                lines.add(at(BigDecimal.valueOf(minor, 2).toPlainString(), random.nextBoolean() ? V23 : V13));
            }
            long sum = lines.stream()
                    .mapToLong(l -> l.amount().getAmountMinorLong())
                    .sum();
            if (sum > 1) {
                Document document = bySource(lines, sum, 1 + random.nextLong(sum - 1));
                assertThat(Samples.compiler(Samples.rows()).compile(document).findings())
                        .as("%s", document)
                        .isEmpty();
            }
        }
    }

    private static Document bySource(List<DocumentLine> lines, long sum, long off) {
        BigDecimal tax = BigDecimal.ZERO;
        List<BigDecimal> exact = lines.stream()
                .map(line -> BigDecimal.valueOf(off)
                        .multiply(BigDecimal.valueOf(line.amount().getAmountMinorLong()))
                        .divide(BigDecimal.valueOf(sum), 40, RoundingMode.HALF_EVEN))
                .toList();
        List<Integer> byRest = new ArrayList<>();
        long left = off;
        for (int i = 0; i < exact.size(); i++) {
            byRest.add(i);
            left -= exact.get(i).setScale(0, RoundingMode.FLOOR).longValueExact();
        }
        byRest.sort((a, b) -> rest(exact.get(b)).compareTo(rest(exact.get(a))));
        for (int i = 0; i < lines.size(); i++) {
            long share =
                    exact.get(i).setScale(0, RoundingMode.FLOOR).longValueExact() + (byRest.indexOf(i) < left ? 1 : 0);
            BigDecimal amount = lines.get(i).amount().getAmount().subtract(BigDecimal.valueOf(share, 2));
            tax = tax.add(
                    amount.multiply(lines.get(i).tax().rate()).movePointLeft(2).setScale(2, RoundingMode.HALF_UP));
        }
        BigDecimal net = BigDecimal.valueOf(sum - off, 2);
        return DocumentBuilder.like(
                        discounted(lines, off(BigDecimal.valueOf(off, 2).toPlainString(), TaxCombination.NONE)))
                .totals(net.toPlainString(), tax.toPlainString(), net.add(tax).toPlainString())
                .build();
    }

    private static BigDecimal rest(BigDecimal exact) {
        return exact.subtract(exact.setScale(0, RoundingMode.FLOOR));
    }

    private static Money eur(String amount) {
        return Money.parse("EUR " + amount);
    }
}
