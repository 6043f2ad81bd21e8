package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/// Random edits at both desks, runs, answers of people, bad days of either system, and blows in the middle of runs.
/// Once
/// it is calm, every field is agreed, apart or asked about; nothing was written twice, and nobody's edit has vanished
/// without a trace.
final class MasterHistory {
    private static final List<Subject> SUBJECTS = List.of(
            Subject.party("1002"),
            Subject.party("1003"),
            Subject.party("1006"),
            Subject.party("1011"),
            Subject.item("SHK-10"),
            Subject.item("RPE-16"));
    private static final int WORD = 14;
    private final World world;
    private final Random random;
    private final Blow blow;
    private final List<Edit> edits = new ArrayList<>();
    private final List<String> entered = new ArrayList<>();
    private Api ferro;
    private String address;
    private int written;
    private int blows;

    /// Hits the server, or what it stands on, while something runs; returns once all is up again.
    interface Blow {
        void strike(Runnable running, Duration after);
    }

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

        JsonNode there(World world) {
            return world.standIns().inkwell(onLedger);
        }

        JsonNode on(World world, boolean yard) {
            return yard ? world.standIns().hullwork(atYard).get(word) : there(world);
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

    MasterHistory(World world, long seed, Blow blow) {
        this.world = world;
        this.random = new Random(seed);
        this.blow = blow;
        ferro = world.api("ferro");
        address = world.address();
    }

    /// Both ways, with an owner among them.
    static void decide(World world) {
        List.of("SHK-10", "RPE-16").forEach(code -> world.standIns().itemOnInkwell(code, "4010"));
        world.api("ferro").post("/api/pull?route=yard", Map.of());
        Api admin = world.api("admin");
        Yard.decide(admin, "yard", "PARTIES", "both");
        Yard.decide(admin, "yard", "ITEMS", "both");
        Yard.decide(admin, "yard", "PARTIES_OWNER_OF_SHIP_TO", "source");
        Yard.decide(admin, "yard", "PARTIES_SOURCE_LACKS", "create");
        Yard.decide(admin, "yard", "ITEMS_SOURCE_LACKS", "create");
    }

    /// @param most blows that are struck
    void afterAllThingsCalmDown(int steps, int most) {
        calm();
        int before = versions();
        int told = told();
        for (int step = 0; step < steps; step++) {
            switch (random.nextInt(24)) {
                case 0, 1, 2 -> world.standIns().anyFault(random, 3);
                case 3, 4, 5, 6, 7 -> run();
                case 8, 9, 10 -> answer();
                case 11, 12, 13, 14 -> strike(most);
                case 15, 16 -> enter();
                default -> edit();
            }
        }
        calm();
        assertThat(blows).as("blows").isEqualTo(most);
        assertThat(unsettled())
                .as("fields that changed, and about which nobody is asked")
                .isEmpty();
        assertThat(versions() - before)
                .as("each edit of the desk and each write of ours, once")
                .isEqualTo((int) edits.stream().filter(each -> !each.atYard()).count() + told() - told);
        assertThat(edits.stream().filter(each -> !stands(each) && !replacedByAPerson(each) && !onTheTrail(each)))
                .as("edits without a trace")
                .isEmpty();
        assertThat(entered)
                .as("each that was entered is at the yard once, or asked about")
                .isNotEmpty()
                .allMatch(name -> standsOnce(name) != isAsked(name));
        int quiet = versions() + told();
        assertThat(run()).isEqualTo("Nothing new on either side");
        assertThat(versions() + told()).as("a further run writes nothing").isEqualTo(quiet);
    }

    /// With something to do, so that it hits.
    private void strike(int most) {
        if (blows < most) {
            blows++;
            edit();
            enter();
            enter();
            blow.strike(this::run, Duration.ofMillis(random.nextInt(400)));
            if (!address.equals(world.address())) {
                address = world.address();
                ferro = world.api("ferro");
            }
            Await.until(
                    "all is up again", () -> ferro.get("/api/road?route=yard").status() == 200);
        }
    }

    private void edit() {
        boolean atYard = random.nextBoolean();
        Subject of = pick(SUBJECTS);
        String value = "%s%d of %s".formatted(atYard ? "Yard " : "Book ", ++written, of.code());
        Edit edit = new Edit(atYard, of, pick(of.fields()), value);
        edits.add(edit);
        world.standIns()
                .desk(
                        atYard ? "/hullwork" + of.atYard() : "/inkwell/books/saltmere" + of.onLedger(),
                        form(edit.field(), value));
    }

    /// Somebody new in the books, like nobody at the yard.
    private void enter() {
        String name = random.ints(WORD, 'a', 'z' + 1)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        boolean party = random.nextBoolean();
        entered.add(name);
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/" + (party ? "parties" : "items"),
                        "name=" + name + (party ? "" : "&kind=goods&account=4010&code=" + name.substring(0, 8)));
    }

    private static String form(String field, String value) {
        String said = value.replace(" ", "+");
        return field.equals("shipTo")
                ? "shipTo.street=" + said + "&shipTo.city=Saltmere&shipTo.postalZone=SM1&shipTo.country=IE"
                : field + "=" + said;
    }

    private void answer() {
        Api.Response asked = ferro.get("/api/resolve/masters?route=yard");
        List<JsonNode> causes =
                asked.status() == 200 ? asked.json().valueStream().toList() : List.of();
        if (causes.isEmpty()) {
            return;
        }
        JsonNode cause = pick(causes);
        JsonNode held = pick(cause.get("masters").valueStream().toList());
        List<JsonNode> offered = held.get("offered").valueStream().toList();
        Map<String, Object> said = new HashMap<>(Map.of(
                "route", "yard",
                "kind", cause.get("kind").asString(),
                "field", cause.get("field").asString(),
                "answer", pick(offered).asString(),
                "typed", "Typed " + random.nextInt(1_000_000),
                "masters",
                        List.of(Map.of(
                                "code", held.get("code").asString(),
                                "seen", held.get("seen").asString()))));
        ferro.post("/api/resolve/masters", said);
    }

    private <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /// Both systems are well again, and what waits for its next try is tried.
    private void calm() {
        world.standIns().allWell();
        for (int i = 0; i < 4; i++) {
            world.jdbc()
                    .sql("update master_write set next_at = now() - interval '1 second'")
                    .update();
            world.jdbc()
                    .sql("update master_lacking set next_at = now() - interval '1 second'")
                    .update();
            Await.until("a run to its end", () -> !run().isEmpty());
        }
    }

    /// Empty where it did not come to its end, or another is under way.
    private String run() {
        Api.Response answer = ferro.post("/api/pull?route=yard", Map.of());
        return answer.status() < 300 ? answer.json().path("sentence").asString("") : "";
    }

    /// What differs from its half of the baseline, and is no question.
    private List<String> unsettled() {
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
                union all select code || ' is still to be told' from master_write
                union all select counterpart || ' is still to be created' from master_lacking where state = 'due'""").query(String.class).list();
    }

    private boolean standsOnce(String name) {
        long there = Stream.of("customer", "item")
                .flatMap(type -> world.standIns().onHullwork(type).stream())
                .filter(each -> each.toString().contains("\"" + name + "\""))
                .count();
        int linked =
                world.jdbc().sql("""
                select count(*) from master_link l where l.source_half->>'name' = :name and l.ledger_half->>'name' = :name""").param("name", name).query(Integer.class).single();
        assertThat(there).as(name).isLessThanOrEqualTo(1);
        return there == 1 && linked == 1;
    }

    private boolean isAsked(String name) {
        return world.jdbc()
                .sql("select exists (select 1 from master_lacking where state <> 'due' and body->>'name' = :name)")
                .param("name", name)
                .query(Boolean.class)
                .single();
    }

    private int versions() {
        return SUBJECTS.stream()
                .mapToInt(each -> each.there(world).get("version").asInt())
                .sum();
    }

    private int told() {
        return world.jdbc()
                .sql(
                        "select count(*) from trail where action in ('party-written', 'item-written') and detail->>'to' = 'Inkwell'")
                .query(Integer.class)
                .single();
    }

    private boolean stands(Edit edit) {
        return edit.of().on(world, edit.atYard()).get(edit.field()).toString().contains(kept(edit));
    }

    /// Inkwell keeps the beginning of what is long.
    private static String kept(Edit edit) {
        return edit.value().substring(0, Math.min(20, edit.value().length()));
    }

    private boolean replacedByAPerson(Edit edit) {
        return edits.subList(edits.indexOf(edit) + 1, edits.size()).stream().anyMatch(edit::isOf);
    }

    private boolean onTheTrail(Edit edit) {
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
