package standins.inkwell;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/// Amounts in another currency, in that of the books: cents, which add up to the converted whole. A part is rounded
/// down, and the cents that are missing go where most was cut off.
final class Conversion {
    private static final BigDecimal CENT = new BigDecimal("0.01");
    private final BigDecimal rate;

    Conversion(BigDecimal rate) {
        this.rate = rate;
    }

    BigDecimal of(BigDecimal amount) {
        return amount.multiply(rate).setScale(2, RoundingMode.HALF_UP);
    }

    /// @param sides what is booked, positive is debit, adding up to nothing
    /// @param whole the one that all others make up
    /// @param comesTo what the whole comes to, not negative
    <K> Map<K, BigDecimal> of(Map<K, BigDecimal> sides, K whole, BigDecimal comesTo) {
        List<K> keys = sides.keySet().stream().filter(key -> !key.equals(whole)).toList();
        BigDecimal rest = keys.stream().map(sides::get).reduce(BigDecimal.ZERO, BigDecimal::subtract);
        BigDecimal sign = rest.signum() < 0 ? BigDecimal.ONE : BigDecimal.ONE.negate();
        List<BigDecimal> parts =
                keys.stream().map(key -> sides.get(key).multiply(sign)).toList();
        List<BigDecimal> shares = shares(comesTo, parts);
        Map<K, BigDecimal> converted = new LinkedHashMap<>();
        converted.put(whole, comesTo.multiply(sign.negate()));
        for (int i = 0; i < keys.size(); i++) {
            converted.put(keys.get(i), shares.get(i).multiply(sign));
        }
        return converted;
    }

    /// The parts of a whole that was converted before.
    List<BigDecimal> shares(BigDecimal whole, List<BigDecimal> parts) {
        if (parts.isEmpty()) {
            return List.of();
        }
        List<BigDecimal> exact = parts.stream().map(part -> part.multiply(rate)).toList();
        List<BigDecimal> shares = new ArrayList<>(
                exact.stream().map(each -> each.setScale(2, RoundingMode.FLOOR)).toList());
        int missing =
                shares.stream().reduce(whole, BigDecimal::subtract).divide(CENT).intValueExact();
        List<Integer> places = IntStream.range(0, parts.size())
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> exact.get(i).subtract(shares.get(i)))
                        .reversed())
                .toList();
        for (int i = 0; i < Math.abs(missing); i++) {
            int place = missing > 0 ? places.get(i % places.size()) : places.get(places.size() - 1 - i % places.size());
            shares.set(place, shares.get(place).add(missing > 0 ? CENT : CENT.negate()));
        }
        return shares;
    }
}
