package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import alcabala.accounting.sync.Verdict.Travels;
import java.util.Objects;
import java.util.Optional;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/// All fields of a pair, each by the table of cases. A pure function: what it says is written by whoever asked, and the
/// baseline of what was written follows from what the sides answer.
public final class RecordMerge {
    /// @param fields the verdict of each, by name
    /// @param writes what each side is to be told; a field without a value is to be emptied
    /// @param baseline from now on, but for what is written
    public record Merged(
            SortedMap<String, Verdict> fields, Both<SortedMap<String, Optional<String>>> writes, Baseline baseline) {
        /// Whether nothing is to be done and nobody to be asked.
        public boolean isQuiet() {
            return fields.values().stream()
                    .allMatch(each -> each instanceof Verdict.Agreed || each instanceof Verdict.Apart);
        }
    }

    private final Both<Half> now;
    private final Fields fields;
    private final SortedMap<String, Verdict> verdicts = new TreeMap<>();
    private final Both<SortedMap<String, Optional<String>>> writes = new Both<>(new TreeMap<>(), new TreeMap<>());
    private Baseline baseline;

    private RecordMerge(Both<Half> now, Baseline baseline, Fields fields) {
        this.now = now;
        this.baseline = baseline;
        this.fields = fields;
    }

    public static Merged merge(Both<Half> now, Baseline baseline, Fields fields) {
        RecordMerge merge = new RecordMerge(now, baseline, fields);
        names(now, baseline).forEach(merge::field);
        return new Merged(merge.verdicts, merge.writes, merge.baseline);
    }

    private static SortedSet<String> names(Both<Half> now, Baseline baseline) {
        SortedSet<String> names = new TreeSet<>();
        for (Side side : Side.values()) {
            names.addAll(now.of(side).values().keySet());
            names.addAll(baseline.halves().of(side).values().keySet());
        }
        return names;
    }

    private void field(String name) {
        Both<String> values = now.map(half -> half.values().get(name));
        if (fields.isTotal(name)) {
            total(name, values);
            return;
        }
        Verdict verdict = decide(name, values);
        verdicts.put(name, verdict);
        boolean apart = verdict instanceof Verdict.Apart && !baseline.isSettled(name);
        if (verdict instanceof Verdict.Agreed || apart) {
            baseline = baseline.with(name, values);
        } else if (verdict instanceof Travels travels) {
            Side to = travels.to();
            writes.of(to)
                    .put(
                            name,
                            Optional.ofNullable(values.of(to.other()))
                                    .flatMap(value -> fields.translated(name, value, to)));
        }
    }

    private Verdict decide(String name, Both<String> values) {
        boolean settled = baseline.isSettled(name);
        FieldState state = new FieldState(
                settled ? changed(name, values) : new Both<>(true, true),
                fields.same(name, values.source(), values.ledger()),
                new Both<>(takes(name, Side.SOURCE, values.ledger()), takes(name, Side.LEDGER, values.source())),
                new Both<>(fields.changedAt(name, Side.SOURCE), fields.changedAt(name, Side.LEDGER)));
        return settled
                ? FieldMerge.decide(state, fields.rule(name))
                : FirstLinking.decide(state, values.map(Objects::nonNull), fields.rule(name));
    }

    /// Totals are never merged: they follow from the lines. One that changed by itself is drift.
    private void total(String name, Both<String> values) {
        Both<Boolean> changed = changed(name, values);
        boolean follows = names(now, baseline).stream()
                .filter(Half::isLine)
                .map(line -> changed(line, now.map(half -> half.values().get(line))))
                .anyMatch(line -> line.source() || line.ledger());
        if (!follows) {
            Both<Boolean> none = new Both<>(false, false);
            FieldState state = new FieldState(
                    changed,
                    fields.same(name, values.source(), values.ledger()),
                    none,
                    new Both<>(Optional.empty(), Optional.empty()));
            Rule never = new Rule(Direction.NONE, Owner.NOBODY, Policy.ASK);
            Verdict verdict = FieldMerge.decide(state, never);
            verdicts.put(
                    name,
                    verdict instanceof Verdict.Drift drift
                            ? new Verdict.Drift(drift.by(), drift.of(), Verdict.Why.TOTAL)
                            : verdict);
        }
    }

    private Both<Boolean> changed(String name, Both<String> values) {
        return baseline.of(name).with(values, (was, is) -> !Objects.equals(was, is));
    }

    /// What has no counterpart there cannot be said there.
    private boolean takes(String name, Side side, String value) {
        boolean said = value == null || fields.translated(name, value, side).isPresent();
        return said && fields.locked(name, side).isEmpty();
    }
}
