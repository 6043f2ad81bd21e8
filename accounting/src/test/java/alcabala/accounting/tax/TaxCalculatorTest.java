package alcabala.accounting.tax;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TaxCalculatorTest {
    @ParameterizedTest(name = "{1} % of {0} {3}: {2}")
    @CsvSource({
        "EUR 0.50,    23,   0.12,   NET",
        "EUR -0.50,   23,   -0.12,  NET",
        "EUR 77.50,   13.5, 10.46,  NET",
        "EUR 12.30,   23,   2.30,   TAX_INCLUSIVE",
        "EUR 10.00,   0,    0.00,   NET",
        "JPY 105,     10,   11,     NET",
        "JPY 104,     10,   10,     NET",
        "KWD 1.005,   10,   0.101,  NET",
        "KWD 1.105,   10,   0.100,  TAX_INCLUSIVE"
    })
    void halfAMinorUnitGoesAwayFromZero(String amount, String rate, String tax, PriceMode mode) {
        assertThat(TaxCalculator.taxOf(Money.parse(amount), new BigDecimal(rate), mode)
                        .getAmount())
                .isEqualByComparingTo(tax);
    }

    @Test
    void theTwoWaysDifferWhereRoundingIsDoneMoreOften() {
        List<TaxedAmount> thirds = List.of(amount("S23", "23", 33), amount("S23", "23", 33), amount("S23", "23", 33));
        assertThat(compute(TaxRounding.PER_LINE, PriceMode.NET, thirds).tax()).hasToString("EUR 0.24");
        assertThat(compute(TaxRounding.PER_DOCUMENT, PriceMode.NET, thirds).tax())
                .hasToString("EUR 0.23");
    }

    /// Whatever the method and the mode: the nets of the lines add up to the net, and inclusive amounts to the gross.
    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {11, 12, 13})
    void nothingIsLostBetweenLinesCodesAndTotals(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 2000; i++) {
            List<TaxedAmount> amounts = new ArrayList<>();
            for (int n = 0; n <= random.nextInt(7); n++) {
                boolean standard = random.nextBoolean();
                amounts.add(amount(standard ? "S" : "R", standard ? "23" : "13.5", random.nextInt(200_000) - 20_000));
            }
            for (TaxRounding rounding : TaxRounding.values()) {
                for (PriceMode mode : PriceMode.values()) {
                    TaxComputation result = compute(rounding, mode, amounts);
                    Money stated = sum(amounts.stream().map(TaxedAmount::amount).toList());
                    assertThat(sum(result.lineNets())).isEqualTo(result.net());
                    assertThat(mode == PriceMode.NET ? result.net() : result.gross())
                            .isEqualTo(stated);
                }
            }
        }
    }

    @Test
    void aTaxOnATaxStatesItsOrder() {
        Tax first = Tax.of("A", "5", TaxCategory.S);
        Tax onTop = new Tax("B", new BigDecimal("9.975"), TaxCategory.S, true);
        assertThat(TaxCombination.of(List.of(first, onTop)).rate()).isEqualByComparingTo("15.47375");
        assertThat(TaxCombination.of(List.of(onTop, first)).rate()).isEqualByComparingTo("14.975");
        assertThat(TaxCombination.of(List.of(onTop, first)).key()).isEqualTo("A+B");
        assertThat(TaxCombination.of(List.of())).isSameAs(TaxCombination.NONE);
    }

    private static TaxComputation compute(TaxRounding rounding, PriceMode mode, List<TaxedAmount> amounts) {
        return TaxCalculator.compute(rounding, mode, CurrencyUnit.EUR, amounts);
    }

    private static TaxedAmount amount(String code, String rate, long minor) {
        return new TaxedAmount(code, new BigDecimal(rate), Money.ofMinor(CurrencyUnit.EUR, minor));
    }

    private static Money sum(List<Money> amounts) {
        return amounts.stream().reduce(Money.zero(CurrencyUnit.EUR), Money::plus);
    }
}
