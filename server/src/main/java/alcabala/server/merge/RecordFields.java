package alcabala.server.merge;

import alcabala.accounting.field.Half;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Fields;
import alcabala.accounting.sync.RecordRules;
import alcabala.accounting.sync.Rule;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.server.route.RouteRow;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;

/// The fields of a document or payment on a route: it goes to the ledger as it would be sent now, and what its source
/// has is changed there.
///
/// @param sent what the ledger would have of it, lines named as they are linked; empty while it cannot be made out
/// @param blocked whether it cannot go now
/// @param closed whether its period is closed on the ledger
public record RecordFields(
        RouteRow route, RecordKind kind, RouteSettings decided, Optional<Half> sent, boolean blocked, boolean closed)
        implements Fields {
    /// By what the ledger would have of it, where that is known; a field that only one side has is not the same.
    @Override
    public boolean same(String field, String source, String ledger) {
        return source == null || ledger == null
                ? Objects.equals(source, ledger)
                : translated(field, source, Side.LEDGER).filter(ledger::equals).isPresent();
    }

    @Override
    public Optional<String> translated(String field, String value, Side to) {
        return to == Side.SOURCE
                ? Optional.empty()
                : sent.map(half -> half.values().get(field)).or(() -> Optional.of(value));
    }

    @Override
    public Rule rule(String field) {
        return RecordRules.of(decided, kind, field);
    }

    /// Of money, what it settles may be less than it is.
    @Override
    public boolean isTotal(String field) {
        return kind.isDocument() && (field.equals(Half.GROSS) || field.equals(Half.TAX));
    }

    @Override
    public Optional<String> locked(String field, Side side) {
        if (side == Side.SOURCE) {
            return Optional.of("what %s has is changed there".formatted(route.source()));
        }
        if (closed) {
            return Optional.of("its period is closed in " + route.ledger());
        }
        return blocked ? Optional.of("it is blocked") : Optional.empty();
    }

    /// Neither side tells when a single field was changed.
    @Override
    public Optional<Instant> changedAt(String field, Side side) {
        return Optional.empty();
    }

    /// What becomes of a field, for people.
    ///
    /// @param changed by which side
    public String sentence(String field, Verdict verdict, Both<Boolean> changed) {
        return switch (verdict) {
            case Verdict.Agreed agreed ->
                changed.source() && changed.ledger() ? "Both changed it to the same." : "They agree again.";
            case Verdict.Apart apart -> "They differ, and neither changed.";
            case Verdict.Travels travels ->
                "Goes to %s when it is sent%s."
                        .formatted(
                                route.ledger(), travels.overwrites() ? ", in the place of what was changed there" : "");
            case Verdict.Drift drift -> drifts(field, drift);
            case Verdict.Conflict conflict -> "Both changed it: say which stands.";
        };
    }

    private String drifts(String field, Verdict.Drift drift) {
        String who = drift.of().size() == 2
                ? "Changed on both sides"
                : "Changed in " + (drift.of().contains(Side.SOURCE) ? route.source() : route.ledger());
        return switch (drift.why()) {
            case DIRECTION_NONE -> who + ", and nothing of this kind goes either way.";
            case OWNED_BY_OTHER ->
                "%s, and %s decides it."
                        .formatted(who, drift.of().contains(Side.SOURCE) ? route.ledger() : route.source());
            case ONE_WAY ->
                "%s, and nothing of it comes back: keep it there, or put it back by sending.".formatted(who);
            case TOTAL -> who + ", and no line of it did.";
            case NOT_WRITABLE ->
                "%s, and %s."
                        .formatted(
                                who,
                                locked(field, drift.of().contains(Side.SOURCE) ? Side.LEDGER : Side.SOURCE)
                                        .orElse("it has no counterpart"));
        };
    }
}
