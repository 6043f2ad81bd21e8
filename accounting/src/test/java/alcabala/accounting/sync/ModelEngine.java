package alcabala.accounting.sync;

import alcabala.accounting.field.Half;
import alcabala.accounting.sync.ModelSide.Replaced;
import alcabala.accounting.sync.ModelSide.Reply;
import alcabala.accounting.sync.ModelSide.Snapshot;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;

/// What stands between the two sides of the model, as simply as it can be: what it keeps survives that it is killed,
/// and
/// what it wants to write is kept before it is written.
final class ModelEngine {
    static final class Killed extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Killed() {
            super(null, null, false, false);
        }
    }

    /// @param group writes that hold only together
    /// @param halves of each field once all of the group is written; that of the written side is what it answers
    private record Intent(
            String key,
            int group,
            Side to,
            int read,
            boolean create,
            Map<String, Optional<String>> writes,
            Map<String, Both<String>> halves,
            List<Replaced> replaces) {}

    final Both<List<Replaced>> trail = new Both<>(new ArrayList<>(), new ArrayList<>());
    final ModelFields fields;
    private final Both<ModelSide> sides;
    private final SplittableRandom random;
    private final int danger;
    private final List<Intent> intents = new ArrayList<>();
    private final Map<Integer, Map<Side, Snapshot>> written = new HashMap<>();
    private final Map<Side, Snapshot> known = new HashMap<>();
    private Optional<Baseline> baseline = Optional.empty();
    private boolean calm;
    private int keys;
    int writes;

    /// @param danger one in so many steps is its last
    ModelEngine(Both<ModelSide> sides, SplittableRandom random, int danger) {
        this.sides = sides;
        fields = new ModelFields(sides, side -> known.get(side).told());
        this.random = random;
        this.danger = danger;
    }

    void calm() {
        calm = true;
    }

    private void step() {
        if (!calm && random.nextInt(danger) == 0) {
            throw new Killed();
        }
    }

    // ---- a run ----

    /// @return whether it wrote anything
    boolean run() {
        int before = writes;
        recover();
        read();
        if (known.size() == 2) {
            RecordMerge.Merged merged = merge();
            for (Side to : Side.values()) {
                Map<String, Optional<String>> wanted = merged.writes().of(to);
                if (!wanted.isEmpty()) {
                    keep(keys, to, wanted, sent(to, wanted.keySet()));
                }
            }
        } else if (!known.isEmpty()) {
            create(known.keySet().iterator().next());
        }
        send();
        return writes > before;
    }

    RecordMerge.Merged merge() {
        Both<Half> now = new Both<>(
                known.get(Side.SOURCE).values(), known.get(Side.LEDGER).values());
        RecordMerge.Merged merged = RecordMerge.merge(now, baseline.orElseGet(() -> Baseline.none(now)), fields);
        baseline = Optional.of(merged.baseline());
        return merged;
    }

    /// Whatever was on its way is asked about by its key; what never arrived is forgotten, and merged again.
    private void recover() {
        for (Intent each : List.copyOf(intents)) {
            step();
            Optional<Snapshot> answer = sides.of(each.to()).ask(each.key());
            intents.remove(each);
            answer.ifPresent(now -> settle(each, now));
        }
        written.clear();
    }

    /// Feeds repeat, and skip back: an older version than the one known is no news.
    private void read() {
        for (Side side : Side.values()) {
            step();
            List<Snapshot> told = sides.of(side).told;
            if (sides.of(side).isThere()) {
                Snapshot seen = calm || random.nextInt(3) > 0 ? told.getLast() : told.get(random.nextInt(told.size()));
                known.merge(side, seen, (old, news) -> news.version() > old.version() ? news : old);
            }
        }
    }

    private void create(Side from) {
        Side to = from.other();
        if (Fate.of(
                        new Fate.Standing(
                                new Both<>(from == Side.SOURCE, from == Side.LEDGER),
                                false,
                                true,
                                false,
                                false,
                                Fate.Match.NONE),
                        fields.rules.get("name").direction())
                == Fate.CREATED) {
            Map<String, Optional<String>> wanted = new TreeMap<>();
            known.get(from)
                    .values()
                    .values()
                    .forEach((field, value) -> fields.translated(field, value, to)
                            .ifPresent(said -> wanted.put(field, Optional.of(said))));
            Map<String, Both<String>> halves = new TreeMap<>();
            wanted.keySet()
                    .forEach(field -> halves.put(
                            field,
                            new Both<String>(null, null)
                                    .with(
                                            from,
                                            known.get(from).values().values().get(field))));
            intents.add(new Intent("k" + ++keys, keys, to, 0, true, wanted, halves, List.of()));
            step();
        }
    }

    private Map<String, Both<String>> sent(Side to, Set<String> fields) {
        Map<String, Both<String>> halves = new TreeMap<>();
        fields.forEach(field -> halves.put(
                field,
                new Both<String>(null, null)
                        .with(
                                to.other(),
                                known.get(to.other()).values().values().get(field))));
        return halves;
    }

    private void keep(int group, Side to, Map<String, Optional<String>> wanted, Map<String, Both<String>> halves) {
        Snapshot read = known.get(to);
        List<Replaced> replaces = wanted.keySet().stream()
                .filter(field ->
                        read.told().containsKey(field) && read.values().values().containsKey(field))
                .map(field -> new Replaced(field, read.values().values().get(field)))
                .toList();
        intents.add(new Intent(
                "k" + ++keys, group, to, read.version(), false, Map.copyOf(wanted), Map.copyOf(halves), replaces));
        step();
    }

    private void send() {
        for (Intent each : List.copyOf(intents)) {
            step();
            if (!calm && random.nextInt(12) == 0) {
                intents.remove(each);
                continue;
            }
            ModelSide side = sides.of(each.to());
            Reply reply = each.create()
                    ? side.create(each.key(), plain(each.writes()))
                    : side.write(each.key(), each.read(), each.writes());
            writes++;
            step();
            intents.remove(each);
            if (reply instanceof Reply.Written yes) {
                settle(each, yes.now());
            }
        }
        written.clear();
    }

    private static Map<String, String> plain(Map<String, Optional<String>> wanted) {
        Map<String, String> plain = new HashMap<>();
        wanted.forEach((field, value) -> plain.put(field, value.orElseThrow()));
        return plain;
    }

    /// No echo: the half of what was written is what was answered, also when that comes late.
    private void settle(Intent intent, Snapshot answered) {
        trail.of(intent.to()).addAll(intent.replaces());
        known.merge(intent.to(), answered, (old, news) -> news.version() > old.version() ? news : old);
        if (intent.create()) {
            Snapshot from = known.get(intent.to().other());
            Baseline linked = new Baseline(new Both<>(new Half(Map.of()), new Half(Map.of())), Set.of());
            for (String field : intent.halves().keySet()) {
                linked = linked.with(field, halves(intent, field, Map.of(intent.to(), answered)));
            }
            baseline = Optional.of(linked);
            known.put(intent.to().other(), from);
            return;
        }
        Map<Side, Snapshot> done = written.computeIfAbsent(intent.group(), group -> new HashMap<>());
        done.put(intent.to(), answered);
        if (intents.stream().noneMatch(other -> other.group() == intent.group()) && done.size() == wanted(intent)) {
            for (String field : intent.halves().keySet()) {
                baseline = Optional.of(baseline.orElseThrow().with(field, halves(intent, field, done)));
            }
        }
    }

    /// How many sides its group writes to.
    private static int wanted(Intent intent) {
        return intent.halves().values().stream().anyMatch(half -> half.source() == PENDING && half.ledger() == PENDING)
                ? 2
                : 1;
    }

    /// Stands for what the side will answer.
    private static final String PENDING = new String("pending");

    private static Both<String> halves(Intent intent, String field, Map<Side, Snapshot> answered) {
        Both<String> halves = intent.halves().get(field);
        for (Map.Entry<Side, Snapshot> each : answered.entrySet()) {
            halves =
                    halves.with(each.getKey(), each.getValue().values().values().get(field));
        }
        return halves;
    }

    // ---- a person ----

    /// Somebody answers one thing that waits for her.
    ///
    /// @return the field and both halves that she left as they are, or empty
    String answered() {
        if (known.size() < 2 || !intents.isEmpty() || baseline.isEmpty()) {
            return "";
        }
        RecordMerge.Merged merged = merge();
        for (Map.Entry<String, Verdict> each : merged.fields().entrySet()) {
            String field = each.getKey();
            Both<String> now = new Both<>(value(Side.SOURCE, field), value(Side.LEDGER, field));
            List<Answer> offered = List.copyOf(Answer.offered(
                    each.getValue(),
                    new Both<>(takes(field, Side.SOURCE, now.ledger()), takes(field, Side.LEDGER, now.source())),
                    baseline.get().isSettled(field)));
            if (!offered.isEmpty()) {
                Answer answer = offered.get(random.nextInt(offered.size()));
                return answer(answer, field, each.getValue(), now)
                        ? field + " " + baseline.get().of(field)
                        : "";
            }
        }
        return "";
    }

    private boolean takes(String field, Side side, String value) {
        return (value == null || fields.translated(field, value, side).isPresent())
                && fields.locked(field, side).isEmpty();
    }

    private String value(Side side, String field) {
        return known.get(side).values().values().get(field);
    }

    private boolean answer(Answer answer, String field, Verdict verdict, Both<String> now) {
        Both<String> typed = new Both<>("typed", field.equals("code") ? "TYPED" : "typed");
        Answer.Consequence follows =
                answer.of(field, verdict, now, baseline.orElseThrow().of(field), typed, fields);
        boolean both = follows.writes().source().isPresent()
                && follows.writes().ledger().isPresent();
        boolean none =
                follows.writes().source().isEmpty() && follows.writes().ledger().isEmpty();
        if (none) {
            baseline = Optional.of(baseline.get().with(field, follows.halves()));
            return true;
        }
        int group = keys;
        for (Side to : Side.values()) {
            follows.writes()
                    .of(to)
                    .ifPresent(change -> keep(
                            group,
                            to,
                            Map.of(field, Optional.ofNullable(change.value())),
                            Map.of(field, both ? new Both<>(PENDING, PENDING) : follows.halves())));
        }
        send();
        return false;
    }
}
