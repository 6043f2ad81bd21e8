package alcabala.accounting.posting;

import java.math.BigDecimal;
import java.math.RoundingMode;

/// A price for one unit.
final class UnitPrice {
    private static final int MOST_DECIMALS = 12;

    private UnitPrice() {}

    /// @param whole what `units` of it cost
    /// @return with as many decimals as are needed so that `quantity` of it come to the same in the minor unit as
    /// without rounding; exact where the quotient ends within twelve decimals
    static BigDecimal of(BigDecimal whole, BigDecimal units, BigDecimal quantity, int decimals) {
        if (units.signum() == 0 || units.compareTo(BigDecimal.ONE) == 0) {
            return whole;
        }
        BigDecimal longest = whole.divide(units, Math.max(MOST_DECIMALS, whole.scale()), RoundingMode.HALF_UP);
        if (longest.multiply(units).compareTo(whole) == 0) {
            return plain(longest, decimals);
        }
        BigDecimal product = whole.multiply(quantity).divide(units, decimals, RoundingMode.HALF_UP);
        for (int scale = decimals; scale < MOST_DECIMALS; scale++) {
            BigDecimal shorter = longest.setScale(scale, RoundingMode.HALF_UP);
            if (product(shorter, quantity, decimals).compareTo(product) == 0) {
                return plain(shorter, decimals);
            }
        }
        return longest;
    }

    /// In the minor unit, halves away from zero.
    static BigDecimal product(BigDecimal price, BigDecimal quantity, int decimals) {
        return price.multiply(quantity).setScale(decimals, RoundingMode.HALF_UP);
    }

    /// Without zeros at its end beyond the currency's decimals.
    private static BigDecimal plain(BigDecimal price, int decimals) {
        BigDecimal stripped = price.stripTrailingZeros();
        return stripped.scale() < decimals ? stripped.setScale(decimals) : stripped;
    }
}
