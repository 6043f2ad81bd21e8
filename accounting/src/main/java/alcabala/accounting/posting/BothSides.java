package alcabala.accounting.posting;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.money.LargestRemainder;
import alcabala.accounting.tax.TaxBreakdown;
import alcabala.accounting.tax.TaxCalculator;
import alcabala.accounting.tax.TaxedAmount;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;

/// Tax that a ledger books as owed and as reclaimed at once, on what was bought without being charged it (reverse
/// charge, EN 16931 categories AE and K). What may not be reclaimed of it is part of the cost.
final class BothSides {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private final LedgerProfile ledger;
    private final List<LedgerLine> lines;
    private final List<Money> nets;

    BothSides(LedgerProfile ledger, List<LedgerLine> lines, List<Money> nets) {
        this.ledger = ledger;
        this.lines = lines;
        this.nets = nets;
    }

    /// By the ledger's own way of rounding, code by code.
    List<SelfAssessed> taxes() {
        List<TaxedAmount> amounts = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            if (isBooked(lines.get(i))) {
                LedgerTaxCode code = ledger.taxCodes().get(lines.get(i).taxCode());
                amounts.add(new TaxedAmount(code.code(), code.rate(), nets.get(i)));
            }
        }
        if (amounts.isEmpty()) {
            return List.of();
        }
        return TaxCalculator.compute(
                        ledger.taxRounding(), PriceMode.NET, nets.getFirst().getCurrencyUnit(), amounts)
                .groups()
                .stream()
                .map(this::assess)
                .toList();
    }

    private boolean isBooked(LedgerLine line) {
        return !line.taxCode().isEmpty()
                && ledger.taxCodes().get(line.taxCode()).bothSides();
    }

    private SelfAssessed assess(TaxBreakdown group) {
        BigDecimal share = ledger.taxCodes().get(group.code()).deductible().divide(HUNDRED);
        return new SelfAssessed(
                group.code(),
                group.rate(),
                group.net(),
                group.tax(),
                group.tax().multipliedBy(share, RoundingMode.HALF_UP));
    }

    /// What each line costs more because a part of the tax may not be reclaimed; by largest remainder.
    List<Money> costs(SelfAssessed tax) {
        List<Money> weights = new ArrayList<>(lines.size());
        for (int i = 0; i < lines.size(); i++) {
            weights.add(
                    lines.get(i).taxCode().equals(tax.code())
                            ? nets.get(i)
                            : Money.zero(nets.get(i).getCurrencyUnit()));
        }
        return LargestRemainder.bySign(tax.cost(), weights);
    }
}
