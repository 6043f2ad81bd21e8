package alcabala.accounting.sync;

import java.util.EnumSet;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/// What a person says of a drift or a conflict. It may go against direction and owner, never against what can be
/// written: only what can be done is offered.
public enum Answer {
    /// Drift: the side that changed gets its half again.
    RESTORE,
    /// Drift: it is taken as agreed, and travels once where it can.
    ACCEPT,
    /// Drift: both halves become what each has; quiet until one changes again.
    LEAVE,
    /// Conflict: the source's value goes to the ledger.
    SOURCE,
    /// Conflict: the ledger's value goes to the source.
    LEDGER,
    /// Conflict: both get what they had when they last agreed.
    AS_AGREED,
    /// Conflict: both get another value that she types.
    TYPED;

    /// What can be done about a verdict.
    ///
    /// @param writable whether a side takes another value
    /// @param agreed whether there is a baseline
    public static Set<Answer> offered(Verdict verdict, Both<Boolean> writable, boolean agreed) {
        Set<Answer> offered = EnumSet.noneOf(Answer.class);
        switch (verdict) {
            case Verdict.Drift drift -> {
                offered.add(LEAVE);
                offered.add(ACCEPT);
                if (agreed && drift.of().stream().allMatch(writable::of)) {
                    offered.add(RESTORE);
                }
            }
            case Verdict.Conflict conflict -> {
                if (writable.ledger()) {
                    offered.add(SOURCE);
                }
                if (writable.source()) {
                    offered.add(LEDGER);
                }
                if (writable.source() && writable.ledger()) {
                    offered.add(TYPED);
                    if (agreed) {
                        offered.add(AS_AGREED);
                    }
                }
            }
            case Verdict.Agreed none -> {}
            case Verdict.Apart none -> {}
            case Verdict.Travels none -> {}
        }
        return offered;
    }

    /// What is to be written after it, and what both halves are then, for one field.
    ///
    /// @param writes to each side; empty where it keeps what it has. A written value of null empties the field
    /// @param halves null where a side has no value
    public record Consequence(Both<Optional<Change>> writes, Both<String> halves) {}

    /// @param value null to empty the field
    public record Change(String value) {}

    /// @param now values of both sides, null where there is none
    /// @param half what each had when they last agreed
    /// @param typed as each side would say it; only of [#TYPED]
    /// @param fields for what a value is on the other side
    public Consequence of(
            String field, Verdict verdict, Both<String> now, Both<String> half, Both<String> typed, Fields fields) {
        return switch (this) {
            case LEAVE -> new Consequence(new Both<>(Optional.empty(), Optional.empty()), now);
            case RESTORE -> restored((Verdict.Drift) verdict, now, half);
            case ACCEPT -> accepted(field, (Verdict.Drift) verdict, now, half, fields);
            case SOURCE -> goes(field, Side.LEDGER, now, fields);
            case LEDGER -> goes(field, Side.SOURCE, now, fields);
            case AS_AGREED -> written(now, half);
            case TYPED -> written(now, typed);
        };
    }

    /// What the other side may have changed meanwhile stays a change.
    private static Consequence restored(Verdict.Drift drift, Both<String> now, Both<String> half) {
        Both<String> wanted = now;
        for (Side side : drift.of()) {
            wanted = wanted.with(side, half.of(side));
        }
        return new Consequence(written(now, wanted).writes(), half);
    }

    /// Of two sides that drift, nobody can say whose would travel: both are taken as they are.
    private static Consequence accepted(
            String field, Verdict.Drift drift, Both<String> now, Both<String> half, Fields fields) {
        if (drift.of().size() == 1) {
            Side to = drift.of().iterator().next().other();
            String value = now.of(to.other());
            boolean said = value == null || fields.translated(field, value, to).isPresent();
            if (said && fields.locked(field, to).isEmpty()) {
                return goes(field, to, now, fields);
            }
        }
        Both<String> halves = half;
        for (Side side : drift.of()) {
            halves = halves.with(side, now.of(side));
        }
        return new Consequence(new Both<>(Optional.empty(), Optional.empty()), halves);
    }

    private static Consequence goes(String field, Side to, Both<String> now, Fields fields) {
        String value = now.of(to.other());
        return written(
                now,
                now.with(
                        to,
                        value == null
                                ? null
                                : fields.translated(field, value, to).orElseThrow()));
    }

    private static Consequence written(Both<String> now, Both<String> wanted) {
        return new Consequence(
                now.with(
                        wanted,
                        (is, becomes) ->
                                Objects.equals(is, becomes) ? Optional.empty() : Optional.of(new Change(becomes))),
                wanted);
    }
}
