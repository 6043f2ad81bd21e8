package alcabala.accounting.money;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LargestRemainderTest {
    @Test
    void theUnitLeftOverGoesToTheLargestRemainder() {
        assertThat(LargestRemainder.bySize(eur(100), weights(1, 1, 1))).isEqualTo(weights(34, 33, 33));
        assertThat(LargestRemainder.bySize(eur(-100), weights(1, 1, 1))).isEqualTo(weights(-33, -33, -34));
        assertThat(LargestRemainder.bySize(eur(10), weights(0, 0))).isEqualTo(weights(5, 5));
        assertThatIllegalArgumentException().isThrownBy(() -> LargestRemainder.bySize(eur(1), List.of()));
    }

    @Test
    void theLargestRemainderGetsItWhereverItStands() {
        assertThat(LargestRemainder.bySize(eur(100), weights(1, 2, 4))).isEqualTo(weights(14, 29, 57));
        assertThat(LargestRemainder.bySize(eur(100), weights(4, 2, 1))).isEqualTo(weights(57, 29, 14));
        assertThat(LargestRemainder.bySize(eur(-100), weights(1, -2, 4))).isEqualTo(weights(-14, -29, -57));
        assertThat(LargestRemainder.bySize(eur(5), weights(3, 3, 4)))
                .as("equal ones")
                .isEqualTo(weights(2, 1, 2));
    }

    @Test
    void aPartOfTheOtherSignGoesToAWeightOfTheOtherSign() {
        assertThat(LargestRemainder.bySign(eur(100), weights(300, -100))).isEqualTo(weights(150, -50));
        assertThat(LargestRemainder.bySign(eur(100), weights(-300, 100))).isEqualTo(weights(150, -50));
        assertThat(LargestRemainder.bySign(eur(-100), weights(300, -100))).isEqualTo(weights(-150, 50));
        assertThat(LargestRemainder.bySign(eur(100), weights(-1, -2, -4)))
                .as("the largest remainder whatever the sign")
                .isEqualTo(weights(14, 29, 57));
        assertThat(LargestRemainder.bySign(eur(10), weights(100, -100)))
                .as("weights that add up to nothing are taken by size")
                .isEqualTo(weights(5, 5));
    }

    @Test
    void exactAmountsAreRoundedSoThatTheyAddUp() {
        assertThat(LargestRemainder.round(eur(101), exact("0.334", "0.333", "0.335")))
                .as("what is missing goes to the largest remainders")
                .isEqualTo(weights(34, 33, 34));
        assertThat(LargestRemainder.round(eur(98), exact("0.334", "0.333", "0.335")))
                .as("what is too much comes off all but those")
                .isEqualTo(weights(33, 32, 33));
        assertThat(LargestRemainder.round(eur(0), List.of())).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> LargestRemainder.round(eur(1), List.of()));
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void thePartsAddUpAndNoneIsAUnitOrMoreFromItsExactShare(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 5000; i++) {
            long whole = random.nextLong(-1_000_000_000_000L, 1_000_000_000_000L);
            long[] sizes = random.longs(1 + random.nextInt(9), 1, 1_000_000_000).toArray();
            long sum = LongStream.of(sizes).sum();
            List<Money> parts = LargestRemainder.bySize(eur(whole), weights(sizes));
            assertThat(parts.stream().mapToLong(Money::getAmountMinorLong).sum())
                    .isEqualTo(whole);
            for (int p = 0; p < sizes.length; p++) {
                double exact = (double) whole * sizes[p] / sum;
                assertThat(Math.abs(parts.get(p).getAmountMinorLong() - exact)).isLessThan(1.001);
            }
        }
    }

    private static List<BigDecimal> exact(String... amounts) {
        return Stream.of(amounts).map(BigDecimal::new).toList();
    }

    private static Money eur(long minor) {
        return Money.ofMinor(CurrencyUnit.EUR, minor);
    }

    private static List<Money> weights(long... minors) {
        return LongStream.of(minors).mapToObj(LargestRemainderTest::eur).toList();
    }
}
