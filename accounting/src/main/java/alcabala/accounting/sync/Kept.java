package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import alcabala.accounting.sync.RecordMerge.Merged;
import java.util.Collections;
import java.util.Objects;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;

/// Of a pair that is merged, what the ledger keeps when its source's changes go there: whatever does not travel to it.
///
/// @param fields all of them, by name
/// @param changedThere those of them that were changed there since both last agreed
/// @param undecided what a person has to decide first, since both changed it
/// @param owned those of them that their source changed although they are the ledger's
/// @param sumsMoved whether its source changed what it comes to
public record Kept(
        SortedSet<String> fields,
        SortedSet<String> changedThere,
        SortedSet<String> undecided,
        SortedSet<String> owned,
        boolean sumsMoved) {
    /// Totals follow from the lines.
    public static Kept of(Both<Half> now, Baseline baseline, Merged all, Fields described) {
        SortedMap<String, Verdict> merged = new TreeMap<>(all.fields());
        merged.keySet().removeIf(described::isTotal);
        SortedSet<String> fields = those(merged, verdict -> !goes(verdict) && !(verdict instanceof Verdict.Conflict));
        SortedSet<String> changed = new TreeSet<>(fields);
        changed.removeIf(name ->
                Objects.equals(baseline.of(name).ledger(), now.ledger().values().get(name)));
        return new Kept(
                fields,
                changed,
                those(merged, Verdict.Conflict.class::isInstance),
                those(merged, Kept::isOwnedThere),
                !Objects.equals(
                        baseline.of(Half.GROSS).source(), now.source().values().get(Half.GROSS)));
    }

    /// The same, once somebody said whose stands of what both changed.
    ///
    /// @param ledgers the fields that stay as the ledger has them; the others go as their source has them
    public Kept decided(Set<String> ledgers) {
        SortedSet<String> stay = new TreeSet<>(undecided);
        stay.retainAll(ledgers);
        return new Kept(both(fields, stay), both(changedThere, stay), Collections.emptySortedSet(), owned, sumsMoved);
    }

    /// The same, as a route has decided it: what is the ledger's stays, what is its source's goes.
    ///
    /// @param stands of a field, whose stands; nobody's is left as it was
    public Kept ruled(Function<String, Owner> stands) {
        Predicate<String> ledgers = field -> stands.apply(field) == Owner.LEDGER;
        Predicate<String> sources = field -> changedThere.contains(field) && stands.apply(field) == Owner.SOURCE;
        SortedSet<String> stay = those(undecided, ledgers);
        return new Kept(
                both(those(fields, sources.negate()), stay),
                both(those(changedThere, sources.negate()), stay),
                those(undecided, field -> stands.apply(field) == Owner.NOBODY),
                owned,
                sumsMoved);
    }

    private static SortedSet<String> those(SortedSet<String> fields, Predicate<String> which) {
        SortedSet<String> some = new TreeSet<>(fields);
        some.removeIf(which.negate());
        return some;
    }

    private static SortedSet<String> both(SortedSet<String> some, SortedSet<String> others) {
        SortedSet<String> all = new TreeSet<>(some);
        all.addAll(others);
        return all;
    }

    /// What is agreed is sent as it is.
    private static boolean goes(Verdict verdict) {
        return verdict instanceof Verdict.Agreed
                || verdict instanceof Verdict.Travels travels && travels.to() == Side.LEDGER;
    }

    private static boolean isOwnedThere(Verdict verdict) {
        return verdict instanceof Verdict.Drift drift
                && drift.why() == Verdict.Why.OWNED_BY_OTHER
                && drift.of().contains(Side.SOURCE);
    }

    private static SortedSet<String> those(SortedMap<String, Verdict> merged, Predicate<Verdict> which) {
        SortedSet<String> names = new TreeSet<>();
        merged.forEach((name, verdict) -> {
            if (which.test(verdict)) {
                names.add(name);
            }
        });
        return names;
    }
}
