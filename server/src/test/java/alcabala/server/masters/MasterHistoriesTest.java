package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Random edits at both desks, runs, answers of people and bad days of either system. Once it is calm, every field is
/// agreed, apart or asked about; nothing was written twice, and nobody's edit has vanished without a trace.
class MasterHistoriesTest {
    private static final List<Subject> SUBJECTS = List.of(
            Subject.party("1002"),
            Subject.party("1003"),
            Subject.party("1006"),
            Subject.party("1011"),
            Subject.item("SHK-10"),
            Subject.item("RPE-16"));
    private static final List<String> FAULTS =
            List.of("ANSWER_LOST", "UNAVAILABLE", "SERVER_ERROR", "EMPTY_ANSWER", "UNREADABLE_ANSWER", "HTML_PAGE");
    private static final int STEPS = 80;
    private static World world;
    private static Api ferro;

    /// One that stands on both sides.
    private record Subject(String code, String atYard, String onLedger, String word, List<Field> fields) {
        static Subject party(String number) {
            return new Subject(
                    "C-" + number,
                    "/customers/C-" + number,
                    "/parties/IC-" + number,
                    "customer",
                    List.of(Field.of("name"), Field.of("email"), Field.of("phone"), Field.of("shipTo")));
        }

        static Subject item(String code) {
            return new Subject(
                    code,
                    "/items/" + code,
                    "/items/" + code,
                    "item",
                    List.of(new Field("text", "name"), Field.of("unit")));
        }

        JsonNode there() {
            return world.standIns().inkwell(onLedger);
        }

        JsonNode on(boolean yard) {
            return yard ? world.standIns().hullwork(atYard).get(word) : there();
        }
    }

    /// As either system calls it.
    private record Field(String atYard, String onLedger) {
        static Field of(String name) {
            return new Field(name, name);
        }
    }

    /// What a person typed at a desk.
    private record Edit(boolean atYard, Subject of, Field what, String value) {
        boolean isOf(Edit other) {
            return atYard == other.atYard && of.equals(other.of) && what.equals(other.what);
        }

        String field() {
            return atYard ? what.atYard() : what.onLedger();
        }
    }

    private final List<Edit> edits = new ArrayList<>();
    private int written;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        List.of("SHK-10", "RPE-16").forEach(code -> world.standIns().itemOnInkwell(code, "4010"));
        run();
        Yard.decide(world.api("admin"), "yard", "PARTIES", "both");
        Yard.decide(world.api("admin"), "yard", "ITEMS", "both");
        Yard.decide(world.api("admin"), "yard", "PARTIES_OWNER_OF_SHIP_TO", "source");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2})
    void afterAllThingsCalmDown(long seed) {
        calm();
        int before = versions();
        int told = told();
        Random random = new Random(seed);
        for (int step = 0; step < STEPS; step++) {
            switch (random.nextInt(20)) {
                case 0, 1, 2 -> fault(random);
                case 3, 4, 5, 6, 7 -> run();
                case 8, 9, 10 -> answer(random);
                default -> edit(random);
            }
        }
        calm();
        assertThat(unsettled())
                .as("fields that changed, and about which nobody is asked")
                .isEmpty();
        assertThat(versions() - before)
                .as("each edit of the desk and each write of ours, once")
                .isEqualTo((int) edits.stream().filter(each -> !each.atYard()).count() + told() - told);
        assertThat(edits.stream().filter(each -> !stands(each) && !replacedByAPerson(each) && !onTheTrail(each)))
                .as("edits without a trace")
                .isEmpty();
        int quiet = versions() + told();
        assertThat(run()).isEqualTo("Nothing new on either side");
        assertThat(versions() + told()).as("a further run writes nothing").isEqualTo(quiet);
    }

    private void edit(Random random) {
        boolean atYard = random.nextBoolean();
        Subject of = pick(SUBJECTS, random);
        String value = "%s%d of %s".formatted(atYard ? "Yard " : "Book ", ++written, of.code());
        Edit edit = new Edit(atYard, of, pick(of.fields(), random), value);
        edits.add(edit);
        world.standIns()
                .desk(
                        atYard ? "/hullwork" + of.atYard() : "/inkwell/books/saltmere" + of.onLedger(),
                        form(edit.field(), value));
    }

    private static String form(String field, String value) {
        String said = value.replace(" ", "+");
        return field.equals("shipTo")
                ? "shipTo.street=" + said + "&shipTo.city=Saltmere&shipTo.postalZone=SM1&shipTo.country=IE"
                : field + "=" + said;
    }

    private static void fault(Random random) {
        world.standIns()
                .fault(random.nextBoolean() ? "inkwell" : "hullwork", pick(FAULTS, random), 1 + random.nextInt(3));
    }

    private static void answer(Random random) {
        List<JsonNode> causes = ferro.get("/api/resolve/masters?route=yard")
                .json()
                .valueStream()
                .toList();
        if (causes.isEmpty()) {
            return;
        }
        JsonNode cause = pick(causes, random);
        JsonNode held = pick(cause.get("masters").valueStream().toList(), random);
        List<JsonNode> offered = held.get("offered").valueStream().toList();
        Map<String, Object> said = new HashMap<>(Map.of(
                "route", "yard",
                "kind", cause.get("kind").asString(),
                "field", cause.get("field").asString(),
                "answer", pick(offered, random).asString(),
                "typed", "Typed " + random.nextInt(1_000_000),
                "masters",
                        List.of(Map.of(
                                "code", held.get("code").asString(),
                                "seen", held.get("seen").asString()))));
        ferro.post("/api/resolve/masters", said);
    }

    private static <T> T pick(List<T> of, Random random) {
        return of.get(random.nextInt(of.size()));
    }

    /// Both systems are well again, and what waits for its next try is tried.
    private static void calm() {
        world.standIns().fault("inkwell", "NONE", 0);
        world.standIns().fault("hullwork", "NONE", 0);
        for (int i = 0; i < 4; i++) {
            world.jdbc()
                    .sql("update master_write set next_at = now() - interval '1 second'")
                    .update();
            run();
        }
    }

    private static String run() {
        JsonNode answer = ferro.post("/api/pull?route=yard", Map.of()).json();
        return answer.has("sentence") ? answer.get("sentence").asString() : "";
    }

    /// What differs from its half of the baseline, and is no question.
    private static List<String> unsettled() {
        return world.jdbc().sql("""
                select l.code || ' ' || f.field from master_link l join route r on r.id = l.route_id
                    join source_party s on s.source_id = r.source_id and s.code = l.code
                    join ledger_party p on p.ledger_id = r.ledger_id and p.code = l.counterpart
                    cross join (values ('name', 'name'), ('e-mail', 'email'), ('phone', 'phone')) f (field, told)
                where r.code = 'yard' and l.kind = 'PARTIES' and not exists (select 1 from master_question q
                        where q.route_id = l.route_id and q.kind = l.kind and q.code = l.code and q.field = f.field)
                    and (coalesce(l.source_half->>f.field, '') <> s.body->>f.told
                        or coalesce(l.ledger_half->>f.field, '') <> p.body->>f.told)
                union all
                select l.code || ' ' || f.field from master_link l join route r on r.id = l.route_id
                    join source_item s on s.source_id = r.source_id and s.code = l.code
                    join ledger_item p on p.ledger_id = r.ledger_id and p.code = l.counterpart
                    cross join lateral (values ('name', s.name, p.name), ('unit', s.unit, p.unit)) f (field, here, there)
                where r.code = 'yard' and l.kind = 'ITEMS' and not exists (select 1 from master_question q
                        where q.route_id = l.route_id and q.kind = l.kind and q.code = l.code and q.field = f.field)
                    and (coalesce(l.source_half->>f.field, '') <> f.here or coalesce(l.ledger_half->>f.field, '') <> f.there)
                union all select code || ' is still to be told' from master_write""").query(String.class).list();
    }

    private static int versions() {
        return SUBJECTS.stream()
                .mapToInt(each -> each.there().get("version").asInt())
                .sum();
    }

    private static int told() {
        return world.jdbc()
                .sql(
                        "select count(*) from trail where action in ('party-written', 'item-written') and detail->>'to' = 'Inkwell'")
                .query(Integer.class)
                .single();
    }

    private static boolean stands(Edit edit) {
        return edit.of().on(edit.atYard()).get(edit.field()).toString().contains(kept(edit));
    }

    /// Inkwell keeps the beginning of what is long.
    private static String kept(Edit edit) {
        return edit.value().substring(0, Math.min(20, edit.value().length()));
    }

    private boolean replacedByAPerson(Edit edit) {
        return edits.subList(edits.indexOf(edit) + 1, edits.size()).stream().anyMatch(edit::isOf);
    }

    private static boolean onTheTrail(Edit edit) {
        return world.jdbc()
                .sql("""
                select exists (select 1 from trail where action in ('party-written', 'item-written') and :code in (detail->>'party', detail->>'item')
                    and strpos(detail::text, :value) > 0)""")
                .param("code", edit.of().code())
                .param("value", kept(edit))
                .query(Boolean.class)
                .single();
    }
}
