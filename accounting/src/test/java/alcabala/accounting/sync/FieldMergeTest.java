package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.sync.Verdict.Agreed;
import alcabala.accounting.sync.Verdict.Apart;
import alcabala.accounting.sync.Verdict.Conflict;
import alcabala.accounting.sync.Verdict.Drift;
import alcabala.accounting.sync.Verdict.Travels;
import alcabala.accounting.sync.Verdict.Why;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The table of "The merge of one field", read by a bookkeeper and gone through in all its combinations.
class FieldMergeTest {
    private static final Instant NOON = Instant.parse("2026-11-28T12:00:00Z");
    private static final List<Boolean> YES_NO = List.of(true, false);

    private static Both<Optional<Instant>> told(Integer source, Integer ledger) {
        return new Both<>(source, ledger).map(each -> Optional.ofNullable(each).map(NOON::plusSeconds));
    }

    private static final List<Both<Optional<Instant>>> TIMES = List.of(
            told(null, null),
            told(0, null),
            told(null, 0),
            told(0, 0),
            told(60, 0),
            told(61, 0),
            told(0, 60),
            told(0, 61));

    private record Situation(FieldState state, Rule rule) {}

    private static Stream<Situation> all() {
        return YES_NO.stream()
                .flatMap(source -> YES_NO.stream()
                        .flatMap(ledger -> YES_NO.stream()
                                .flatMap(equal -> YES_NO.stream()
                                        .flatMap(writable -> YES_NO.stream()
                                                .flatMap(writableThere -> TIMES.stream()
                                                        .flatMap(times -> rules().map(rule -> new Situation(
                                                                new FieldState(
                                                                        new Both<>(source, ledger),
                                                                        equal,
                                                                        new Both<>(writable, writableThere),
                                                                        times),
                                                                rule))))))));
    }

    private static Stream<Rule> rules() {
        return Stream.of(Direction.values())
                .flatMap(direction -> Stream.of(Owner.values())
                        .flatMap(
                                owner -> Stream.of(Policy.values()).map(policy -> new Rule(direction, owner, policy))));
    }

    /// The row that the table's words name; the first that fits. Written from the words, and not from the code.
    private static int row(FieldState state, Rule rule) {
        boolean source = state.changed().source();
        boolean ledger = state.changed().ledger();
        boolean toLedger = rule.direction() == Direction.TO_LEDGER || rule.direction() == Direction.BOTH;
        boolean fromLedger = rule.direction() == Direction.FROM_LEDGER || rule.direction() == Direction.BOTH;
        List<Boolean> rows = new ArrayList<>();
        rows.add(!source && !ledger && state.equal());
        rows.add(!source && !ledger);
        rows.add(state.equal());
        rows.add(rule.direction() == Direction.NONE);
        rows.add(source && !ledger && rule.owner() != Owner.LEDGER && toLedger);
        rows.add(source && !ledger);
        rows.add(!source && rule.owner() != Owner.SOURCE && fromLedger);
        rows.add(!source);
        rows.add(rule.owner() == Owner.SOURCE && toLedger || rule.owner() == Owner.LEDGER && fromLedger);
        boolean nobody = rule.owner() == Owner.NOBODY;
        rows.add(
                nobody && (rule.policy() == Policy.SOURCE && toLedger || rule.policy() == Policy.LEDGER && fromLedger));
        rows.add(nobody
                && rule.policy() == Policy.LATEST
                && (state.changedAt().equals(told(61, 0)) && toLedger
                        || state.changedAt().equals(told(0, 61)) && fromLedger));
        rows.add(true);
        return rows.indexOf(true) + 1;
    }

    @Test
    void everyCombinationFallsIntoTheRowThatTheTableNames() {
        Map<Case, Integer> met = new EnumMap<>(Case.class);
        all().forEach(each -> {
            Verdict verdict = FieldMerge.decide(each.state(), each.rule());
            assertThat(verdict.by().row()).as("%s", each).isEqualTo(row(each.state(), each.rule()));
            assertThat(isWhatTheRowSays(verdict, each))
                    .as("%s: %s", each, verdict)
                    .isTrue();
            met.merge(verdict.by(), 1, Integer::sum);
        });
        assertThat(met.keySet()).containsExactly(Case.values());
        assertThat(met.values().stream().mapToInt(each -> each).sum()).isEqualTo(2 * 2 * 2 * 2 * 2 * 8 * 4 * 3 * 4);
    }

    private static boolean isWhatTheRowSays(Verdict verdict, Situation of) {
        Both<Boolean> writable = of.state().writable();
        Set<Side> changed = Stream.of(Side.values())
                .filter(side -> of.state().changed().of(side))
                .collect(Collectors.toSet());
        return switch (verdict) {
            case Agreed agreed -> of.state().equal();
            case Apart apart -> changed.isEmpty() && !of.state().equal();
            case Travels travels ->
                writable.of(travels.to())
                        && changed.contains(travels.from())
                        && travels.overwrites() == (changed.size() == 2)
                        && of.rule().direction().lets(travels.from())
                        && !of.rule().owner().isOther(travels.from());
            case Drift drift -> changed.containsAll(drift.of()) && !drift.of().isEmpty() && isReason(drift, of);
            case Conflict conflict -> changed.size() == 2 && (writable.source() || writable.ledger());
        };
    }

    private static boolean isReason(Drift drift, Situation of) {
        Side first = drift.of().iterator().next();
        Both<Boolean> writable = of.state().writable();
        return switch (drift.why()) {
            case DIRECTION_NONE -> of.rule().direction() == Direction.NONE;
            case OWNED_BY_OTHER -> of.rule().owner().isOther(first);
            case TOTAL -> false;
            case ONE_WAY -> !of.rule().direction().lets(first);
            case NOT_WRITABLE ->
                drift.of().size() == 2 ? !writable.source() && !writable.ledger() : !writable.of(first.other());
        };
    }

    /// S and l: who changed; `=` both are equal now. Everything can be written, and the sides tell nothing of times
    /// but where `later` says so.
    @ParameterizedTest(name = "{0}: {7}")
    @CsvSource({
        "1,  '',  true,  BOTH,        NOBODY, ASK,    '',     agreed",
        "2,  '',  false, BOTH,        NOBODY, ASK,    '',     apart",
        "3,  sl,  true,  NONE,        LEDGER, ASK,    '',     agreed",
        "3,  s,   true,  TO_LEDGER,   LEDGER, ASK,    '',     agreed",
        "4,  sl,  false, NONE,        SOURCE, SOURCE, '',     drift of both: DIRECTION_NONE",
        "4,  l,   false, NONE,        NOBODY, ASK,    '',     drift of LEDGER: DIRECTION_NONE",
        "5,  s,   false, TO_LEDGER,   NOBODY, ASK,    '',     to the LEDGER",
        "5,  s,   false, BOTH,        SOURCE, LEDGER, '',     to the LEDGER",
        "6,  s,   false, BOTH,        LEDGER, ASK,    '',     drift of SOURCE: OWNED_BY_OTHER",
        "6,  s,   false, FROM_LEDGER, NOBODY, ASK,    '',     drift of SOURCE: ONE_WAY",
        "7,  l,   false, FROM_LEDGER, NOBODY, ASK,    '',     to the SOURCE",
        "8,  l,   false, BOTH,        SOURCE, ASK,    '',     drift of LEDGER: OWNED_BY_OTHER",
        "8,  l,   false, TO_LEDGER,   NOBODY, LEDGER, '',     drift of LEDGER: ONE_WAY",
        "9,  sl,  false, BOTH,        SOURCE, LEDGER, '',     to the LEDGER in the place of a change",
        "9,  sl,  false, BOTH,        LEDGER, SOURCE, '',     to the SOURCE in the place of a change",
        "12, sl,  false, FROM_LEDGER, SOURCE, LEDGER, '',     a person decides",
        "10, sl,  false, BOTH,        NOBODY, LEDGER, '',     to the SOURCE in the place of a change",
        "12, sl,  false, TO_LEDGER,   NOBODY, LEDGER, '',     a person decides",
        "11, sl,  false, BOTH,        NOBODY, LATEST, SOURCE, to the LEDGER in the place of a change",
        "11, sl,  false, BOTH,        NOBODY, LATEST, LEDGER, to the SOURCE in the place of a change",
        "12, sl,  false, TO_LEDGER,   NOBODY, LATEST, LEDGER, a person decides",
        "12, sl,  false, BOTH,        NOBODY, LATEST, '',     a person decides",
        "12, sl,  false, BOTH,        NOBODY, ASK,    '',     a person decides",
    })
    void eachRowSaysWhatTheTableSays(
            int row,
            String who,
            boolean equal,
            Direction direction,
            Owner owner,
            Policy policy,
            String later,
            String says) {
        Both<Optional<Instant>> times =
                later.isEmpty() ? told(null, null) : later.equals("SOURCE") ? told(61, 0) : told(0, 61);
        FieldState state =
                new FieldState(new Both<>(who.contains("s"), who.contains("l")), equal, new Both<>(true, true), times);
        Verdict verdict = FieldMerge.decide(state, new Rule(direction, owner, policy));
        assertThat(verdict.by().row()).isEqualTo(row);
        assertThat(said(verdict)).isEqualTo(says);
    }

    private static String said(Verdict verdict) {
        return switch (verdict) {
            case Agreed agreed -> "agreed";
            case Apart apart -> "apart";
            case Travels to -> "to the " + to.to() + (to.overwrites() ? " in the place of a change" : "");
            case Drift drift ->
                "drift of "
                        + (drift.of().size() == 2
                                ? "both"
                                : drift.of().iterator().next().name())
                        + ": " + drift.why();
            case Conflict conflict -> "a person decides";
        };
    }

    /// A value that should travel to a side that takes no change is drift of the side that has it.
    @ParameterizedTest
    @CsvSource({
        "s,  SOURCE, true,  false, drift of SOURCE: NOT_WRITABLE",
        "s,  SOURCE, false, true,  to the LEDGER",
        "sl, SOURCE, true,  false, drift of SOURCE: NOT_WRITABLE",
        "sl, SOURCE, false, false, drift of both: NOT_WRITABLE",
        "sl, NOBODY, false, false, drift of both: NOT_WRITABLE",
        "sl, NOBODY, true,  false, a person decides",
        "s,  SOURCE, false, false, drift of SOURCE: NOT_WRITABLE",
    })
    void nothingIsWrittenToASideThatTakesNoChange(
            String who, Owner owner, boolean source, boolean ledger, String says) {
        FieldState state = new FieldState(
                new Both<>(who.contains("s"), who.contains("l")), false, new Both<>(source, ledger), told(null, null));
        assertThat(said(FieldMerge.decide(state, new Rule(Direction.BOTH, owner, Policy.ASK))))
                .isEqualTo(says);
    }

    /// `there`: which sides have a value.
    @ParameterizedTest
    @CsvSource({
        "sl, true,  NONE,        NOBODY, ASK,    agreed",
        "s,  false, BOTH,        LEDGER, ASK,    to the LEDGER",
        "l,  false, BOTH,        SOURCE, ASK,    to the SOURCE",
        "s,  false, FROM_LEDGER, NOBODY, ASK,    apart",
        "sl, false, BOTH,        LEDGER, ASK,    to the SOURCE in the place of a change",
        "sl, false, BOTH,        NOBODY, SOURCE, to the LEDGER in the place of a change",
        "sl, false, BOTH,        NOBODY, ASK,    a person decides",
        "sl, false, TO_LEDGER,   LEDGER, ASK,    a person decides",
        "sl, false, NONE,        SOURCE, SOURCE, apart",
    })
    void twoThatHaveJustBeenLinkedFillEachOther(
            String there, boolean equal, Direction direction, Owner owner, Policy policy, String says) {
        FieldState state = new FieldState(new Both<>(true, true), equal, new Both<>(true, true), told(null, null));
        Both<Boolean> has = new Both<>(there.contains("s"), there.contains("l"));
        assertThat(said(FirstLinking.decide(state, has, new Rule(direction, owner, policy))))
                .isEqualTo(says);
        FieldState locked = new FieldState(new Both<>(true, true), equal, new Both<>(false, false), told(null, null));
        assertThat(said(FirstLinking.decide(locked, has, new Rule(direction, owner, policy))))
                .as("nothing can be written")
                .matches(says.equals("agreed") || says.equals("apart") ? says : "drift of .*: NOT_WRITABLE");
    }

    @Test
    void onlyWhatCanBeDoneIsOffered() {
        Both<Boolean> all = new Both<>(true, true);
        Verdict conflict = new Conflict(Case.PERSON_DECIDES);
        assertThat(Answer.offered(conflict, all, true))
                .containsExactlyInAnyOrder(Answer.SOURCE, Answer.LEDGER, Answer.AS_AGREED, Answer.TYPED);
        assertThat(Answer.offered(conflict, all, false)).as("never agreed").doesNotContain(Answer.AS_AGREED);
        assertThat(Answer.offered(conflict, new Both<>(true, false), true)).containsExactly(Answer.LEDGER);
        Verdict drift = new Drift(Case.LEDGER_ONLY, Set.of(Side.LEDGER), Why.OWNED_BY_OTHER);
        assertThat(Answer.offered(drift, all, true))
                .containsExactlyInAnyOrder(Answer.RESTORE, Answer.ACCEPT, Answer.LEAVE);
        assertThat(Answer.offered(drift, new Both<>(true, false), true))
                .as("it cannot be put back")
                .containsExactlyInAnyOrder(Answer.ACCEPT, Answer.LEAVE);
        assertThat(Answer.offered(new Agreed(Case.UNCHANGED), all, true)).isEmpty();
    }
}
