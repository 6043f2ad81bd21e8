package alcabala.accounting.sync;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Whose change of a record stands where the later wins (synchronisation, row 11). A side may tell only when the whole
/// was changed: that counts for a field if nothing else of it was.
public final class LaterWins {
    private static final Rule LATEST = new Rule(Direction.BOTH, Owner.NOBODY, Policy.LATEST);

    private LaterWins() {}

    /// The field that both changed, where neither changed anything else.
    ///
    /// @param changed by side, without what follows from other fields
    public static Optional<String> findOnly(Both<Set<String>> changed) {
        return changed.source().size() == 1 && changed.source().equals(changed.ledger())
                ? changed.source().stream().findFirst()
                : Optional.empty();
    }

    /// @param told when either last changed
    /// @return empty where nobody can say
    public static Optional<Side> find(String field, Both<LastChange> told, Instant now) {
        Both<Optional<Instant>> times = told.map(change -> Optional.ofNullable(
                new LastChanges(change, Map.of()).times(Set.of(field), now).get(field)));
        FieldState both = new FieldState(new Both<>(true, true), false, new Both<>(true, true), times);
        return FieldMerge.decide(both, LATEST) instanceof Verdict.Travels travels
                ? Optional.of(travels.from())
                : Optional.empty();
    }
}
