package alcabala.accounting.posting;

import alcabala.accounting.money.LargestRemainder;
import alcabala.accounting.settlement.Target;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// What a settlement takes off its documents in the ledger's base currency: at the rate of the document, never more
/// than is left there, and what settles the rest takes the rest (records, section 3).
final class Relief {
    private final boolean comesBack;
    private final Map<String, Left> left = new HashMap<>();

    /// What a document can still take, in both currencies.
    private record Left(Money amount, Money base) {
        Left less(Money settled, Money relieved) {
            return new Left(amount.minus(settled), base.minus(relieved));
        }
    }

    /// @param comesBack whether documents are opened again, by what they were relieved of
    Relief(boolean comesBack) {
        this.comesBack = comesBack;
    }

    /// The part with what its money and each deduction take off.
    LedgerSettlement.Part of(LedgerSettlement.Part part, Settled settled) {
        Target target = settled.target();
        List<BigDecimal> exact = new ArrayList<>(List.of(target.rate().exact(part.worth())));
        part.deductions().forEach(each -> exact.add(target.rate().exact(each.amount())));
        Money relieved = relieve(settled.allocation().names(), target, part.settled());
        List<Money> shares = LargestRemainder.round(relieved, exact);
        List<LedgerSettlement.Deducted> deducted = new ArrayList<>();
        for (int i = 0; i < part.deductions().size(); i++) {
            deducted.add(part.deductions().get(i).at(shares.get(i + 1)));
        }
        return new LedgerSettlement.Part(
                part.kind(), part.document(), part.number(), part.money(), part.worth(), shares.getFirst(), deducted);
    }

    private Money relieve(String document, Target target, Money settled) {
        Left before = left.computeIfAbsent(document, name -> start(target));
        Money atItsRate = target.rate().convert(settled);
        boolean rest = settled.equals(before.amount());
        Money relieved = rest || atItsRate.isGreaterThan(before.base()) ? before.base() : atItsRate;
        left.put(document, before.less(settled, relieved));
        return relieved;
    }

    private Left start(Target target) {
        return comesBack
                ? new Left(
                        target.gross().minus(target.open()),
                        target.rate().convert(target.gross()).minus(target.baseOpen()))
                : new Left(target.open(), target.baseOpen());
    }
}
