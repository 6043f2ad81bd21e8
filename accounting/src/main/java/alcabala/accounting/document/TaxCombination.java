package alcabala.accounting.document;

import java.math.BigDecimal;
import java.util.List;
import java.util.stream.Collectors;

/// The set of taxes a line carries, which maps to a ledger code as one thing.
public final class TaxCombination {
    public static final TaxCombination NONE = new TaxCombination(List.of());
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final List<Tax> taxes;
    private final String key;
    private final BigDecimal rate;

    private TaxCombination(List<Tax> taxes) {
        this.taxes = taxes;
        this.key = taxes.isEmpty()
                ? "none"
                : taxes.size() == 1
                        ? taxes.getFirst().code()
                        : taxes.stream().map(Tax::code).sorted().collect(Collectors.joining("+"));
        this.rate = taxes.size() == 1 ? taxes.getFirst().rate() : combine(taxes);
    }

    /// In the order in which they are computed, which matters only when one is compound.
    public static TaxCombination of(List<Tax> taxes) {
        return taxes.isEmpty() ? NONE : new TaxCombination(List.copyOf(taxes));
    }

    public static TaxCombination of(Tax tax) {
        return new TaxCombination(List.of(tax));
    }

    public List<Tax> taxes() {
        return taxes;
    }

    /// The codes in alphabetical order joined by `+`, or `none`.
    public String key() {
        return key;
    }

    /// In percent of the amount without any tax; compound taxes included in full, not rounded.
    public BigDecimal rate() {
        return rate;
    }

    private static BigDecimal combine(List<Tax> taxes) {
        BigDecimal sum = BigDecimal.ZERO;
        for (Tax tax : taxes) {
            BigDecimal base = tax.compound() ? HUNDRED.add(sum) : HUNDRED;
            sum = sum.add(base.multiply(tax.rate()).movePointLeft(2));
        }
        return sum.signum() == 0 ? BigDecimal.ZERO : sum.stripTrailingZeros();
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof TaxCombination that && taxes.equals(that.taxes);
    }

    @Override
    public int hashCode() {
        return taxes.hashCode();
    }

    @Override
    public String toString() {
        return key;
    }
}
