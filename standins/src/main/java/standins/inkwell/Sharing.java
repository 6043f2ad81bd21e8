package standins.inkwell;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;

/// Shares out an amount in proportion to others, with their signs; the cents that are left go to the largest rests.
final class Sharing {
    private static final BigDecimal CENT = new BigDecimal("0.01");

    private Sharing() {}

    /// Proportions that add up to nothing get nothing, unless there is something to share: then they go by size.
    static List<BigDecimal> of(BigDecimal whole, List<BigDecimal> proportions) {
        BigDecimal sum = proportions.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        if (whole.signum() == 0) {
            return proportions.stream().map(each -> BigDecimal.ZERO).toList();
        }
        if (sum.signum() == 0) {
            return of(whole, proportions.stream().map(BigDecimal::abs).toList());
        }
        List<BigDecimal> shares = new ArrayList<>();
        List<BigDecimal> rests = new ArrayList<>();
        List<Integer> places = new ArrayList<>();
        BigDecimal left = whole;
        for (BigDecimal each : proportions) {
            BigDecimal exact = whole.multiply(each).divide(sum, 30, RoundingMode.HALF_EVEN);
            BigDecimal share = exact.setScale(2, RoundingMode.FLOOR);
            places.add(shares.size());
            shares.add(share);
            rests.add(exact.subtract(share));
            left = left.subtract(share);
        }
        places.sort((a, b) -> rests.get(b).compareTo(rests.get(a)));
        for (int i = 0; left.signum() > 0; i++) {
            shares.set(places.get(i), shares.get(places.get(i)).add(CENT));
            left = left.subtract(CENT);
        }
        return shares;
    }
}
