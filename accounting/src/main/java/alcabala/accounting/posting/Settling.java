package alcabala.accounting.posting;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Settlement;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Targets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Holds what a settlement settles against what its documents can still take. Money received is always booked: what a
/// document can no longer take stays an open credit, and is said (records, section 1).
final class Settling {
    private final Settlement settlement;
    private final Targets targets;
    private final CurrencyUnit base;
    private final Consumer<Finding> findings;
    private final Map<String, Money> taken = new HashMap<>();
    private final Map<String, Money> released = new HashMap<>();

    /// @param base the currency of the books
    Settling(Settlement settlement, Targets targets, CurrencyUnit base, Consumer<Finding> findings) {
        this.settlement = settlement;
        this.targets = targets;
        this.base = base;
        this.findings = findings;
    }

    List<Settled> run() {
        List<Settled> settled = new ArrayList<>();
        for (Allocation allocation : settlement.allocations()) {
            boolean fits = !allocation.settled().isNegative();
            if (fits && settlement.kind().settles(allocation.kind())) {
                find(allocation).ifPresent(settled::add);
            } else {
                findings.accept(new Finding.AllocationUnfit(allocation.names()));
            }
        }
        return settled;
    }

    private Optional<Settled> find(Allocation allocation) {
        Optional<Target> found = targets.find(
                allocation.kind(), allocation.number(), settlement.party().code());
        if (found.isEmpty()) {
            findings.accept(new Finding.WaitsFor(allocation.kind(), allocation.number()));
            return Optional.empty();
        }
        Target target = found.get();
        CurrencyUnit currency = target.gross().getCurrencyUnit();
        if (!allocation.worth().getCurrencyUnit().equals(currency)) {
            findings.accept(new Finding.CurrencyDiffers(
                    allocation.names(),
                    currency.getCode(),
                    settlement.currency().getCode()));
            return Optional.empty();
        }
        return switch (target.standing()) {
            case TO_CROSS -> {
                findings.accept(new Finding.WaitsFor(allocation.kind(), allocation.number()));
                yield Optional.empty();
            }
            case STAYS -> {
                findings.accept(new Finding.StaysOpen(
                        allocation.names(), Finding.StaysOpen.Because.NOT_ON_LEDGER, allocation.money()));
                yield Optional.empty();
            }
            case VOIDED -> {
                findings.accept(new Finding.StaysOpen(
                        allocation.names(), Finding.StaysOpen.Because.VOIDED, allocation.money()));
                yield Optional.empty();
            }
            case CROSSED -> take(allocation, target);
        };
    }

    private Optional<Settled> take(Allocation allocation, Target target) {
        if (!target.isBookedIn(base)) {
            findings.accept(new Finding.RateUnknown(
                    target.gross().getCurrencyUnit().getCode(),
                    base.getCode(),
                    target.rate().day()));
            return Optional.empty();
        }
        return settlement.kind().isReturn()
                ? Optional.of(new Settled(allocation, target))
                : release(allocation, target).flatMap(possible -> fit(possible, target));
    }

    /// No more of what was kept back than still is. Empty where nothing else is left of it.
    private Optional<Allocation> release(Allocation allocation, Target target) {
        Money asked = allocation.retained().negated();
        if (!asked.isPositive()) {
            return Optional.of(allocation);
        }
        Money zero = Money.zero(asked.getCurrencyUnit());
        Money before = released.getOrDefault(allocation.names(), zero);
        Money left = target.retained().minus(before);
        Money most = left.isNegative() ? zero : left;
        if (!asked.isGreaterThan(most)) {
            released.put(allocation.names(), before.plus(asked));
            return Optional.of(allocation);
        }
        released.put(allocation.names(), before.plus(most));
        findings.accept(
                new Finding.StaysOpen(allocation.names(), Finding.StaysOpen.Because.NOT_RETAINED, asked.minus(most)));
        Allocation less = allocation.releasing(most);
        return less.money().isPositive() ? Optional.of(less) : Optional.empty();
    }

    /// As much of it as the document can still take; never more than is open there by all that is known.
    private Optional<Settled> fit(Allocation allocation, Target target) {
        Money before =
                taken.getOrDefault(allocation.names(), Money.zero(target.open().getCurrencyUnit()));
        Money open = target.open().minus(before);
        Money excess = allocation.settled().minus(open);
        if (!excess.isPositive()) {
            taken.put(allocation.names(), before.plus(allocation.settled()));
            return Optional.of(new Settled(allocation, target));
        }
        Money left = allocation.worth().minus(excess);
        boolean some = !left.isNegative() && open.isPositive();
        Money stays = some ? allocation.money().minus(allocation.worth(left).money()) : allocation.money();
        findings.accept(new Finding.StaysOpen(allocation.names(), Finding.StaysOpen.Because.SETTLED_OTHERWISE, stays));
        if (!some) {
            return Optional.empty();
        }
        taken.put(allocation.names(), before.plus(open));
        return Optional.of(new Settled(allocation.worth(left), target));
    }
}
