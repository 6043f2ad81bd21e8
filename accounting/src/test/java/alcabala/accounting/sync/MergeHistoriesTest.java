package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.LongAdder;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/// Two sides, people who edit either and answer what waits for them, runs that are killed, feeds that repeat and skip
/// back, answers that are lost, writes that are refused, fields that are locked and cut: after things calm down, all is
/// as the table says, and nothing that a person wrote is gone without a trace.
class MergeHistoriesTest {
    private static final int HISTORIES = 100_000;
    private static final List<String> FIELDS = List.of("name", "note", "code");
    private static final int CUT = 3;

    @Test
    void whateverHappensItEndsAsTheTableSays() {
        LongAdder travelled = new LongAdder();
        LongAdder waiting = new LongAdder();
        LongAdder replaced = new LongAdder();
        IntStream.range(0, HISTORIES).parallel().forEach(seed -> {
            History history = new History(seed);
            history.play();
            history.check();
            travelled.add(history.engine.writes);
            waiting.add(history.waits ? 1 : 0);
            replaced.add(history.engine.trail.source().size()
                    + history.engine.trail.ledger().size());
        });
        assertThat(travelled.sum()).as("writes").isGreaterThan(HISTORIES);
        assertThat(waiting.sum()).as("some wait for a person").isBetween(HISTORIES / 20L, HISTORIES * 19L / 20);
        assertThat(replaced.sum()).as("kept on the trail").isGreaterThan(HISTORIES / 10L);
    }

    private static final class History {
        private final int seed;
        private final SplittableRandom random;
        private final ModelSide source = new ModelSide(Integer.MAX_VALUE);
        private final ModelSide ledger = new ModelSide(CUT);
        private final ModelEngine engine;
        /// What people left as it was, or what was put back to it.
        private final Set<String> left = new HashSet<>();
        private boolean waits;

        History(int seed) {
            this.seed = seed;
            random = new SplittableRandom(seed);
            engine = new ModelEngine(new Both<>(source, ledger), random, 4 + random.nextInt(40));
            Direction direction = any(Direction.values());
            FIELDS.forEach(field ->
                    engine.fields.rules.put(field, new Rule(direction, any(Owner.values()), any(Policy.values()))));
        }

        private <T> T any(T[] values) {
            return values[random.nextInt(values.length)];
        }

        void play() {
            int begins = random.nextInt(3);
            if (begins != 1) {
                edit(source, 0);
            }
            if (begins != 0) {
                edit(ledger, 0);
            }
            int steps = 5 + random.nextInt(25);
            for (int time = 1; time <= steps; time++) {
                step(time);
            }
            calmDown();
        }

        private void step(int time) {
            switch (random.nextInt(10)) {
                case 0, 1 -> edit(source, time);
                case 2, 3 -> edit(ledger, time);
                case 4 -> lock(random.nextBoolean() ? source : ledger);
                case 5 -> unlessKilled(() -> left.add(engine.answered()));
                default -> unlessKilled(engine::run);
            }
        }

        /// Somebody edits what is there; before, only what is new.
        private void edit(ModelSide side, int time) {
            if (time == 0 || side.isThere()) {
                String field = FIELDS.get(random.nextInt(FIELDS.size()));
                String value = random.nextInt(6) == 0
                        ? null
                        : "abcx".charAt(random.nextInt(4)) + "lmnop".substring(0, random.nextInt(5));
                boolean large = side == ledger && field.equals("code") && value != null;
                side.edit(field, large ? value.toUpperCase(java.util.Locale.ROOT) : value, time);
            }
        }

        private void lock(ModelSide side) {
            String field = FIELDS.get(random.nextInt(FIELDS.size()));
            if (!side.locked.remove(field)) {
                side.locked.add(field);
            }
        }

        private static void unlessKilled(Runnable one) {
            try {
                one.run();
            } catch (ModelEngine.Killed e) {
                // It is started again with the next step.
            }
        }

        private void calmDown() {
            engine.calm();
            for (int run = 0; run < 4; run++) {
                engine.run();
            }
        }

        void check() {
            assertThat(engine.run())
                    .as("history %d: a further run writes nothing", seed)
                    .isFalse();
            assertThat(source.created + ledger.created)
                    .as("history %d: created once", seed)
                    .isLessThanOrEqualTo(1);
            nothingIsLost(source, engine.trail.source());
            nothingIsLost(ledger, engine.trail.ledger());
            if (source.isThere() && ledger.isThere()) {
                engine.merge().fields().forEach(this::check);
            }
        }

        private void nothingIsLost(ModelSide side, List<ModelSide.Replaced> trail) {
            List<ModelSide.Replaced> missing = new ArrayList<>(side.replaced);
            trail.forEach(missing::remove);
            assertThat(missing).as("history %d: replaced without a trace", seed).isEmpty();
        }

        private void check(String field, Verdict verdict) {
            Map<String, String> here = source.now().values().values();
            Map<String, String> there = ledger.now().values().values();
            boolean same = engine.fields.same(field, here.get(field), there.get(field));
            String as = "history %d: %s is %s".formatted(seed, field, verdict);
            assertThat(verdict).as(as).isNotInstanceOf(Verdict.Travels.class);
            waits |= verdict instanceof Verdict.Conflict || verdict instanceof Verdict.Drift;
            if (verdict instanceof Verdict.Agreed) {
                assertThat(same).as(as).isTrue();
            } else {
                assertThat(same).as(as).isFalse();
            }
            if (verdict instanceof Verdict.Apart) {
                boolean cut = here.get(field) != null
                        && engine.fields
                                .translated(field, here.get(field), Side.LEDGER)
                                .map(ledger::cut)
                                .filter(said -> said.equals(there.get(field)))
                                .isPresent();
                Direction direction = engine.fields.rules.get(field).direction();
                Side has = here.get(field) != null ? Side.SOURCE : Side.LEDGER;
                boolean empty = here.get(field) == null || there.get(field) == null;
                boolean never = direction == Direction.NONE || empty && !direction.lets(has);
                String pair = field + " " + new Both<>(here.get(field), there.get(field));
                assertThat(cut || never || left.contains(pair))
                        .as("%s, and nobody left it so: %s %s", as, here, there)
                        .isTrue();
            }
        }
    }
}
