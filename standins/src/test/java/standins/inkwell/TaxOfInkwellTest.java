package standins.inkwell;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// Worked out by hand.
class TaxOfInkwellTest {
    private static final Map<String, BigDecimal> RATES =
            Map.of("S23", new BigDecimal("23"), "R13", new BigDecimal("13.5"), "Z0", BigDecimal.ZERO);

    @Test
    void netPricesAreTaxedPerDocumentAndCode() {
        var result = compute(false, "36.66 S23", "77.50 R13", "5.00 Z0", "0.01 -");
        assertThat(result.taxes())
                .containsEntry("S23", new BigDecimal("8.43"))
                .containsEntry("R13", new BigDecimal("10.46"));
        assertThat(result.net()).isEqualByComparingTo("119.17");
        assertThat(result.tax()).isEqualByComparingTo("18.89");
    }

    @Test
    void threeTimesThirtyThreeCentIsTaxedOnce() {
        assertThat(compute(false, "0.33 S23", "0.33 S23", "0.33 S23").tax()).isEqualByComparingTo("0.23");
    }

    @Test
    void halfACentIsRoundedAwayFromZeroOnBothSidesOfIt() {
        assertThat(compute(false, "0.50 S23").tax()).as("0.115").isEqualByComparingTo("0.12");
        assertThat(compute(false, "-0.50 S23").tax()).isEqualByComparingTo("-0.12");
    }

    @Test
    void inclusivePricesGiveTheirTaxAndTheNetsAddUp() {
        var result = compute(true, "10.00 S23", "10.00 S23", "10.00 S23");
        assertThat(result.tax()).isEqualByComparingTo("5.61");
        assertThat(result.net()).isEqualByComparingTo("24.39");
        assertThat(result.nets())
                .containsExactly(new BigDecimal("8.13"), new BigDecimal("8.13"), new BigDecimal("8.13"));
        assertThat(compute(true, "0.01 S23", "0.02 S23").nets().stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo("0.02");
    }

    @Test
    void aReturnedLineGetsItsShareOfTheTaxWithItsSign() {
        assertThat(compute(true, "123.00 S23", "-24.60 S23").nets())
                .containsExactly(new BigDecimal("100.00"), new BigDecimal("-20.00"));
        assertThat(compute(true, "10.00 S23", "-10.00 S23").nets())
                .allSatisfy(net -> assertThat(net.abs()).isEqualByComparingTo("10.00"));
    }

    private static TaxOfInkwell.Result compute(boolean inclusive, String... lines) {
        List<Books.DraftLine> drafts = Arrays.stream(lines)
                .map(line -> line.split(" "))
                .map(part -> new Books.DraftLine(
                        null,
                        "4010",
                        "",
                        BigDecimal.ONE,
                        null,
                        new BigDecimal(part[0]),
                        part[1].equals("-") ? null : part[1]))
                .toList();
        return TaxOfInkwell.compute(drafts, inclusive, RATES, false);
    }
}
