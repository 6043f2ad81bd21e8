package alcabala.accounting.document;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/// The set of taxes a line carries, which maps to a ledger code as one thing.
public final class TaxCombination {
    public static final TaxCombination NONE = new TaxCombination(List.of());
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private static final Comparator<Tax> ORDER =
            Comparator.comparing(Tax::code).thenComparing(Tax::rate).thenComparing(Tax::category);

    private final List<Tax> taxes;
    private final String key;
    private final BigDecimal rate;
    private final Set<TaxCategory> categories;
    private final int hash;

    private TaxCombination(List<Tax> taxes) {
        this.taxes = taxes;
        this.key = key(taxes);
        this.rate = taxes.size() == 1 ? taxes.getFirst().rate() : combine(taxes);
        this.categories = charging(taxes);
        this.hash = taxes.hashCode();
    }

    /// A set: the order counts only where a tax is on a tax, which then stands after those that it is computed on.
    public static TaxCombination of(List<Tax> taxes) {
        return switch (taxes.size()) {
            case 0 -> NONE;
            case 1 -> new TaxCombination(List.copyOf(taxes));
            default -> new TaxCombination(ordered(taxes));
        };
    }

    public static TaxCombination of(Tax tax) {
        return new TaxCombination(List.of(tax));
    }

    /// What stands between two compound taxes is a set. One that stands before all others is on no tax.
    private static List<Tax> ordered(List<Tax> taxes) {
        List<Tax> ordered = new ArrayList<>(taxes.size());
        List<Tax> set = new ArrayList<>();
        for (Tax tax : taxes) {
            if (tax.compound() && set.isEmpty() && ordered.isEmpty()) {
                set.add(new Tax(tax.code(), tax.rate(), tax.category(), false));
            } else if (tax.compound()) {
                set.sort(ORDER);
                ordered.addAll(set);
                set.clear();
                ordered.add(tax);
            } else {
                set.add(tax);
            }
        }
        set.sort(ORDER);
        ordered.addAll(set);
        return List.copyOf(ordered);
    }

    private static String key(List<Tax> taxes) {
        if (taxes.size() < 2) {
            return taxes.isEmpty() ? "none" : taxes.getFirst().code();
        }
        StringBuilder key = new StringBuilder(taxes.getFirst().code());
        for (Tax tax : taxes.subList(1, taxes.size())) {
            key.append(tax.compound() ? '>' : '+').append(tax.code());
        }
        return key.toString();
    }

    public List<Tax> taxes() {
        return taxes;
    }

    /// The codes in alphabetical order joined by `+`, or `none`; `GST>PST` when PST is computed on the amount with GST.
    public String key() {
        return key;
    }

    /// In percent of the amount without any tax; compound taxes included in full, not rounded.
    public BigDecimal rate() {
        return rate;
    }

    /// Whether a tax in it is computed on another.
    public boolean isCompound() {
        return taxes.stream().anyMatch(Tax::compound);
    }

    /// The letters of the taxes that charge something; of all of them when none does.
    public Set<TaxCategory> categories() {
        return categories;
    }

    private static Set<TaxCategory> charging(List<Tax> taxes) {
        Set<TaxCategory> all = EnumSet.noneOf(TaxCategory.class);
        Set<TaxCategory> charging = EnumSet.noneOf(TaxCategory.class);
        for (Tax tax : taxes) {
            all.add(tax.category());
            if (tax.rate().signum() != 0) {
                charging.add(tax.category());
            }
        }
        return Collections.unmodifiableSet(charging.isEmpty() ? all : charging);
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
        return this == other || other instanceof TaxCombination that && hash == that.hash && taxes.equals(that.taxes);
    }

    @Override
    public int hashCode() {
        return hash;
    }

    @Override
    public String toString() {
        return key;
    }
}
