package alcabala.accounting.money;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.joda.money.Money;

/// Spreads a whole over parts so that the parts add up to the whole. Each part is the floor of its exact share; the
/// units left over go to the largest remainders, the earlier part first when remainders are equal.
public final class LargestRemainder {
    private LargestRemainder() {}

    /// Parts in the order of the weights, in the minor unit of `whole`. Weights are taken by size, not sign; if all are
    /// zero the parts are as equal as they can be.
    ///
    /// @throws IllegalArgumentException if there are no weights and the whole is not zero
    public static List<Money> bySize(Money whole, List<Money> weights) {
        long[] sizes = minors(weights);
        boolean nothing = true;
        for (int i = 0; i < sizes.length; i++) {
            sizes[i] = Math.abs(sizes[i]);
            nothing &= sizes[i] == 0;
        }
        if (nothing) {
            Arrays.fill(sizes, 1);
        }
        return spread(whole, sizes);
    }

    /// As [#bySize], with weights as they are: a weight of the other sign than their sum gets a part of the other sign.
    /// Weights that add up to zero are taken by size.
    public static List<Money> bySign(Money whole, List<Money> weights) {
        long[] signed = minors(weights);
        int sign = sum(signed).signum();
        if (sign == 0) {
            return bySize(whole, weights);
        }
        if (sign < 0) {
            Arrays.setAll(signed, i -> -signed[i]);
        }
        return spread(whole, signed);
    }

    /// Amounts that are known exactly, in the minor unit of `whole` and adding up to it. They may add up to somewhat
    /// more or less than the whole: what is missing, or too much, is then shared out as evenly as it can be.
    ///
    /// @throws IllegalArgumentException if there are no amounts and the whole is not zero
    public static List<Money> round(Money whole, List<BigDecimal> exact) {
        requireParts(whole, exact.size());
        int scale = whole.getCurrencyUnit().getDecimalPlaces();
        long[] parts = new long[exact.size()];
        BigDecimal[] remainders = new BigDecimal[exact.size()];
        long left = whole.getAmountMinorLong();
        for (int i = 0; i < parts.length; i++) {
            BigDecimal minor = exact.get(i).movePointRight(scale);
            BigDecimal floor = minor.setScale(0, RoundingMode.FLOOR);
            parts[i] = floor.longValueExact();
            remainders[i] = minor.subtract(floor);
            left -= parts[i];
        }
        giveOut(left, parts, remainders);
        return money(whole, parts);
    }

    /// @param weights adding up to more than nothing
    private static List<Money> spread(Money whole, long[] weights) {
        requireParts(whole, weights.length);
        long[] floors = new long[weights.length];
        BigInteger[] remainders = new BigInteger[weights.length];
        long left = whole.getAmountMinorLong();
        BigInteger total = BigInteger.valueOf(left);
        BigInteger sum = sum(weights);
        for (int i = 0; i < weights.length; i++) {
            BigInteger[] share = floorDivide(total.multiply(BigInteger.valueOf(weights[i])), sum);
            floors[i] = share[0].longValueExact();
            remainders[i] = share[1];
            left -= floors[i];
        }
        giveOut(left, floors, remainders);
        return money(whole, floors);
    }

    private static void requireParts(Money whole, int parts) {
        if (parts == 0 && !whole.isZero()) {
            throw new IllegalArgumentException("no parts to spread " + whole + " over");
        }
    }

    private static <T extends Comparable<T>> void giveOut(long left, long[] parts, T[] remainders) {
        if (left == 0) {
            return;
        }
        long each = Math.floorDiv(left, parts.length);
        Integer[] places = new Integer[parts.length];
        for (int i = 0; i < parts.length; i++) {
            parts[i] += each;
            places[i] = i;
        }
        Arrays.sort(places, (one, other) -> remainders[other].compareTo(remainders[one]));
        for (int i = 0; i < Math.floorMod(left, parts.length); i++) {
            parts[places[i]]++;
        }
    }

    private static List<Money> money(Money whole, long[] parts) {
        List<Money> money = new ArrayList<>(parts.length);
        for (long part : parts) {
            money.add(Money.ofMinor(whole.getCurrencyUnit(), part));
        }
        return money;
    }

    private static long[] minors(List<Money> weights) {
        long[] minors = new long[weights.size()];
        for (int i = 0; i < minors.length; i++) {
            minors[i] = weights.get(i).getAmountMinorLong();
        }
        return minors;
    }

    private static BigInteger sum(long[] weights) {
        BigInteger sum = BigInteger.ZERO;
        for (long weight : weights) {
            sum = sum.add(BigInteger.valueOf(weight));
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
