package standins.hullwork;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import standins.hullwork.HullworkDocument.Line;

/// Hullwork's own sums: VAT rounded on every line; a discount is taken off the lines in proportion, the last takes the
/// rest.
public final class HullworkArithmetic {
    private static final BigDecimal HUNDRED = new BigDecimal("100");

    private HullworkArithmetic() {}

    public static HullworkDocument total(HullworkDocument d) {
        BigDecimal whole = d.lines().stream().map(HullworkArithmetic::amount).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal left = d.discount();
        BigDecimal vat = BigDecimal.ZERO;
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < d.lines().size(); i++) {
            Line line = d.lines().get(i);
            BigDecimal amount = amount(line);
            BigDecimal share = i == d.lines().size() - 1
                    ? left
                    : whole.signum() == 0
                            ? BigDecimal.ZERO
                            : d.discount().multiply(amount).divide(whole, 2, RoundingMode.DOWN);
            left = left.subtract(share);
            BigDecimal lineVat = vat(amount.subtract(share), line.vatRate(), d.pricesIncludeVat());
            vat = vat.add(lineVat);
            lines.add(line.counted(i + 1, amount, lineVat));
        }
        BigDecimal after = whole.subtract(d.discount());
        BigDecimal net = d.pricesIncludeVat() ? after.subtract(vat) : after;
        return d.withSums(lines, net, vat);
    }

    private static BigDecimal amount(Line line) {
        return line.quantity().multiply(line.unitPrice()).setScale(2, RoundingMode.HALF_UP);
    }

    static BigDecimal vat(BigDecimal amount, BigDecimal rate, boolean included) {
        BigDecimal divisor = included ? HUNDRED.add(rate) : HUNDRED;
        return amount.multiply(rate).divide(divisor, 2, RoundingMode.HALF_UP);
    }
}
