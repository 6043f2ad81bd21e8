package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.sync.Answer.Change;
import alcabala.accounting.sync.Verdict.Conflict;
import alcabala.accounting.sync.Verdict.Drift;
import alcabala.accounting.sync.Verdict.Why;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What follows from what a person says. Values are source/ledger; a side without one has a dash.
class AnswerTest {
    private static Both<String> pair(String said) {
        String[] sides = said.split("/");
        return new Both<>(sides[0], sides[1]).map(each -> each.equals("-") ? null : each);
    }

    private static String said(Both<Optional<Change>> writes) {
        Both<String> each = writes.map(write -> write.map(change -> change.value() == null ? "empty" : change.value())
                .orElse("."));
        return each.source() + "/" + each.ledger();
    }

    /// `locked`: the side that takes no change.
    @ParameterizedTest(name = "{0} of {1}, {2} after {3}: writes {5}")
    @CsvSource({
        // a drift of the ledger, of the source, of both
        "RESTORE,   l,  a/b, a/a, '',     ./a,     a/a",
        "RESTORE,   l,  c/b, a/a, '',     ./a,     a/a",
        "RESTORE,   sl, c/b, a/a, '',     a/a,     a/a",
        "RESTORE,   s,  b/a, -/a, '',     empty/., -/a",
        "ACCEPT,    s,  b/a, a/a, '',     ./b,     b/b",
        "ACCEPT,    l,  a/b, a/a, '',     b/.,     b/b",
        "ACCEPT,    s,  -/a, a/a, '',     ./empty, -/-",
        "ACCEPT,    s,  b/a, a/a, LEDGER, ./.,     b/a",
        "ACCEPT,    s,  b/c, a/a, LEDGER, ./.,     b/a",
        "ACCEPT,    sl, b/c, a/a, '',     ./.,     b/c",
        "LEAVE,     s,  b/c, a/a, '',     ./.,     b/c",
        // a conflict
        "SOURCE,    '', b/c, a/a, '',     ./b,     b/b",
        "LEDGER,    '', b/c, a/a, '',     c/.,     c/c",
        "LEDGER,    '', b/-, a/a, '',     empty/., -/-",
        "AS_AGREED, '', b/c, a/x, '',     a/x,     a/x",
        "AS_AGREED, '', a/c, a/x, '',     ./x,     a/x",
        "TYPED,     '', b/c, a/a, '',     t/t,     t/t",
    })
    void eachAnswerWritesWhatItSaysAndNoMore(
            Answer answer, String drifts, String now, String half, String locked, String writes, String halves) {
        Set<Side> of =
                drifts.equals("sl") ? Set.of(Side.values()) : Set.of(drifts.equals("s") ? Side.SOURCE : Side.LEDGER);
        Verdict verdict = drifts.isEmpty()
                ? new Conflict(Case.PERSON_DECIDES)
                : new Drift(Case.LEDGER_ONLY, of, Why.OWNED_BY_OTHER);
        Alike fields = new Alike() {
            @Override
            public Optional<String> locked(String field, Side side) {
                return side.name().equals(locked) ? Optional.of("locked") : Optional.empty();
            }
        };
        Answer.Consequence follows = answer.of("f", verdict, pair(now), pair(half), pair("t/t"), fields);
        assertThat(said(follows.writes())).isEqualTo(writes);
        assertThat(follows.halves()).isEqualTo(pair(halves));
    }
}
