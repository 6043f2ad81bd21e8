package alcabala.accounting.money;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.joda.money.Money;

/// Spreads a whole over parts so that the parts add up to the whole.
public final class LargestRemainder {
    private LargestRemainder() {}

    /// Parts in the order of the weights, in the minor unit of `whole`. Each part is the floor of its exact share; the
    /// units left over go to the largest remainders, the earlier part first when remainders are equal.
    /// Weights are taken by size, not sign; if all are zero the parts are as equal as they can be.
    ///
    /// @throws IllegalArgumentException if there are no weights and the whole is not zero
    public static List<Money> spread(Money whole, List<Money> weights) {
        if (weights.isEmpty() && !whole.isZero()) {
            throw new IllegalArgumentException("no parts to spread " + whole + " over");
        }
        long[] sizes = sizes(weights);
        long[] floors = new long[sizes.length];
        BigInteger[] remainders = new BigInteger[sizes.length];
        long left = whole.getAmountMinorLong();
        BigInteger total = BigInteger.valueOf(left);
        BigInteger sum = sum(sizes);
        for (int i = 0; i < sizes.length; i++) {
            BigInteger[] share = floorDivide(total.multiply(BigInteger.valueOf(sizes[i])), sum);
            floors[i] = share[0].longValueExact();
            remainders[i] = share[1];
            left -= floors[i];
        }
        giveOut(left, floors, remainders);
        List<Money> parts = new ArrayList<>(floors.length);
        for (long part : floors) {
            parts.add(Money.ofMinor(whole.getCurrencyUnit(), part));
        }
        return parts;
    }

    private static void giveOut(long left, long[] parts, BigInteger[] remainders) {
        IntStream.range(0, parts.length)
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> remainders[i]).reversed())
                .limit(left)
                .forEach(i -> parts[i]++);
    }

    private static long[] sizes(List<Money> weights) {
        long[] sizes = weights.stream()
                .mapToLong(w -> Math.abs(w.getAmountMinorLong()))
                .toArray();
        if (IntStream.range(0, sizes.length).allMatch(i -> sizes[i] == 0)) {
            java.util.Arrays.fill(sizes, 1);
        }
        return sizes;
    }

    private static BigInteger sum(long[] sizes) {
        BigInteger sum = BigInteger.ZERO;
        for (long size : sizes) {
            sum = sum.add(BigInteger.valueOf(size));
        }
        return sum;
    }

    private static BigInteger[] floorDivide(BigInteger dividend, BigInteger divisor) {
        BigInteger[] result = dividend.divideAndRemainder(divisor);
        if (result[1].signum() < 0) {
            return new BigInteger[] {result[0].subtract(BigInteger.ONE), result[1].add(divisor)};
        }
        return result;
    }
}
