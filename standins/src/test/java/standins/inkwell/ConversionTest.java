package standins.inkwell;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The ledger converts by itself; the figures are worked by hand.
class ConversionTest {
    private static BigDecimal amount(String text) {
        return new BigDecimal(text);
    }

    @ParameterizedTest(name = "{1} at {0}")
    @CsvSource({
        "1.36505, 'a 20.02, b -10.01, c -10.01', 27.33, 'a 27.33, b -13.67, c -13.66'",
        "1.36505, 'a -20.02, b 10.01, c 10.01', 27.33, 'a -27.33, b 13.67, c 13.66'",
        "1.3650, 'a 0.01, b -1000.00, c 999.99', 0.01, 'a 0.01, b -1365.00, c 1364.99'",
        "1.36575, 'a -11.11, b 5.55, c 5.56', 15.15, 'a -15.15, b 7.57, c 7.58'",
        "2, 'a 1.00, b -1.00', 2.00, 'a 2.00, b -2.00'"
    })
    void partsAddUpToTheConvertedWhole(String rate, String sides, String comesTo, String converted) {
        Map<String, BigDecimal> given = new LinkedHashMap<>();
        Stream.of(sides.split(", ")).forEach(side -> given.put(side.substring(0, 1), amount(side.substring(2))));
        assertThat(new Conversion(amount(rate))
                        .of(given, "a", amount(comesTo)).entrySet().stream()
                                .map(each ->
                                        each.getKey() + " " + each.getValue().toPlainString())
                                .toList())
                .isEqualTo(List.of(converted.split(", ")));
    }

    @Test
    void sharesAddUpWhateverTheWhole() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            Conversion conversion = new Conversion(BigDecimal.valueOf(1 + random.nextInt(30_000), 4));
            List<BigDecimal> parts = random.ints(1 + random.nextInt(5), -5000, 90_000)
                    .mapToObj(cents -> BigDecimal.valueOf(cents, 2))
                    .toList();
            BigDecimal whole = conversion
                    .of(parts.stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                    .add(BigDecimal.valueOf(random.nextInt(9) - 4, 2));
            assertThat(conversion.shares(whole, parts).stream().reduce(BigDecimal.ZERO, BigDecimal::add))
                    .isEqualByComparingTo(whole);
        }
    }
}
