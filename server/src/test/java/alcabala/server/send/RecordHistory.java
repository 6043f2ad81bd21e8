package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;

/// Documents and payments that people enter, change, take back and record at both desks, runs, bad days of either
/// system, and blows in the middle of runs. Once it is calm, each document stands once on either side and comes to the
/// same there, what is paid of it is the same on both, and the trail keeps what was overwritten.
final class RecordHistory {
    private static final String BOOKS = "/inkwell/books/saltmere/documents";
    private static final String PARTY = "IC-1002";
    private static final String TODAY = LocalDate.now().toString();
    private static final int OF_THE_YARD = 10;
    private static final int ROUNDS = 4;
    private static final String NEVER = "HW-20301|HW-20388";
    private final World world;
    private final Random random;
    private final Blow blow;
    private final List<Doc> yards = new ArrayList<>();
    private final List<Doc> books = new ArrayList<>();
    private Api ferro;
    private String address;
    private int numbers = 100;
    private int blows;
    private int deeds;

    /// Hits the server while something runs; returns once it is up again.
    interface Blow {
        void strike(Runnable running, Duration after);
    }

    /// One that stands on both sides, or is to.
    private static final class Doc {
        private final String number;
        private final String ref;
        private final boolean ofTheYard;
        private boolean ended;
        private boolean paid;
        /// The due dates that it was given in the books.
        private final List<String> extended = new ArrayList<>();

        /// @param ref the ledger's id of it
        Doc(String number, String ref, boolean ofTheYard) {
            this.number = number;
            this.ref = ref;
            this.ofTheYard = ofTheYard;
        }

        String atYard() {
            return "/hullwork/documents/" + (ofTheYard ? number.replace("HW-", "d-") : "inkwell:" + ref);
        }

        boolean isPlain() {
            return !ended && !paid;
        }
    }

    RecordHistory(World world, long seed, Blow blow) {
        this.world = world;
        this.random = new Random(seed);
        this.blow = blow;
        ferro = world.api("ferro");
        address = world.address();
    }

    /// Both ways, by themselves; some invoices of the yard stand there from the start.
    void begin() {
        Yard yard = new Yard(world.api("admin"));
        Yard.decide(yard.api(), "yard", "PAYMENTS", "both");
        yard.map("MEANS", "48 EUR", "", "1250");
        List<JsonNode> invoices = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && row.get("currency").asString().equals("EUR")
                        && !row.get("number").asString().matches(NEVER))
                .limit(OF_THE_YARD)
                .toList();
        yard.awaitFinished(
                yard.send(invoices.stream().map(row -> row.get("id").asLong()).toList()));
        for (JsonNode each : invoices) {
            String number = each.get("number").asString();
            yards.add(new Doc(number, yard.document(number).get("ledgerRef").asString(), true));
        }
        Yard.decide(yard.api(), "yard", "INVOICES", "both");
        Yard.decide(yard.api(), "yard", "INVOICES_WINNER", "source");
        Yard.decide(yard.api(), "yard", "INVOICES_TRIGGER", "approved");
        Yard.decide(yard.api(), "yard", "PAYMENTS_TRIGGER", "approved");
    }

    /// @param kills blows that are struck
    void afterAllThingsCalmDown(int kills, int between) {
        while (blows < kills) {
            for (int i = 0; i < between; i++) {
                act();
            }
            strike();
        }
        calm();
        assertThat(books).as("entered in the books").isNotEmpty();
        yards.forEach(this::agrees);
        books.forEach(this::agrees);
        assertThat(world.jdbc()
                        .sql("""
                                select number || ' ' || state || ' ' || refusal from record
                                where state in ('Unconfirmed', 'Refused', 'Diverged', 'Queued') and number !~ :never""")
                        .param("never", NEVER)
                        .query(String.class)
                        .list())
                .as("what does not stand as it should, beside what the ledger refuses from the start")
                .isEmpty();
        assertThat(run()).as("a further run").isEqualTo("Nothing new on either side");
    }

    /// How many were done at the desks.
    int deeds() {
        return deeds;
    }

    private void act() {
        deeds++;
        switch (random.nextInt(14)) {
            case 0, 1 -> world.standIns().anyFault(random, 2);
            case 2, 3 -> enter();
            case 4, 5 -> editAtYard();
            case 6, 7 -> payAtYard();
            case 8, 9 -> payInBooks();
            case 10 -> editInBooks();
            case 11, 12 -> extendInBooks();
            default -> voidInBooks();
        }
    }

    private void enter() {
        String number = "BK-" + ++numbers;
        world.standIns()
                .desk(
                        BOOKS,
                        "kind=invoice&number=%s&party=%s&date=%s&text=Entered&amount=%d.00&taxCode=S23"
                                .formatted(number, PARTY, TODAY, 100 + random.nextInt(400)));
        Matcher its = Pattern.compile("/documents/([^\"]+)\">" + number + "<")
                .matcher(world.standIns().page("/inkwell/books/saltmere"));
        assertThat(its.find()).as(number).isTrue();
        books.add(new Doc(number, its.group(1), false));
    }

    private void editAtYard() {
        world.standIns().editOnHullwork(pick(yards).atYard(), (200 + random.nextInt(400)) + ".00");
    }

    private void payAtYard() {
        world.standIns().desk(pick(yards).atYard() + "/payments", "amount=1.00&means=48&date=" + TODAY);
    }

    private void payInBooks() {
        List<Doc> payable = new ArrayList<>(yards);
        books.stream().filter(each -> !each.ended).forEach(payable::add);
        Doc paid = pick(payable);
        paid.paid = true;
        world.standIns().desk(BOOKS + "/" + paid.ref + "/pay", "amount=2.00&means=10&account=1210&date=" + TODAY);
    }

    /// What it edits is read through the interface, which must not fail.
    private void editInBooks() {
        world.standIns().fault("inkwell", "NONE", 0);
        books.stream()
                .filter(Doc::isPlain)
                .findAny()
                .ifPresent(
                        each -> world.standIns().editOnInkwell(each.ref, TODAY, (100 + random.nextInt(400)) + ".00"));
    }

    /// One of the yard's, whose edits there were all read: what nobody has read is no matter between people at a desk.
    private void extendInBooks() {
        world.standIns().fault("inkwell", "NONE", 0);
        yards.stream()
                .filter(each -> each.extended.stream().allMatch(day -> isOnTrail(each, day)))
                .findFirst()
                .ifPresent(each -> {
                    String day = LocalDate.now().plusDays(100 + deeds).toString();
                    Await.until("it is changed there", () -> isExtended(each, day));
                    each.extended.add(day);
                });
    }

    /// What is on its way may come between the look and the edit.
    private boolean isExtended(Doc doc, String day) {
        try {
            world.standIns().editOnInkwell(doc.ref, day, null);
            return true;
        } catch (IllegalStateException e) {
            return false;
        }
    }

    private boolean isOnTrail(Doc doc, String day) {
        return world.jdbc()
                        .sql("""
                                select count(*) from trail t join record d on d.id = t.record_id
                                where d.number = :number and t.detail->'changed'->>'due-date' = :day
                                    or t.detail->'replaced'->>'due-date' = :day""")
                        .param("number", doc.number)
                        .param("day", day)
                        .query(Integer.class)
                        .single()
                > 0;
    }

    private void voidInBooks() {
        books.stream().filter(Doc::isPlain).findFirst().ifPresent(each -> {
            each.ended = true;
            world.standIns().desk(BOOKS + "/" + each.ref + "/void", "");
        });
    }

    private <T> T pick(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    /// With something to do, so that it hits.
    private void strike() {
        blows++;
        enter();
        editAtYard();
        payInBooks();
        blow.strike(this::run, Duration.ofMillis(random.nextInt(1500)));
        if (!address.equals(world.address())) {
            address = world.address();
            ferro = world.api("ferro");
        }
        Await.until("it is up again", () -> ferro.get("/api/road?route=yard").status() == 200);
    }

    /// Both systems are well again; what waits is tried, and what failed on its way goes once more.
    private void calm() {
        world.standIns().allWell();
        List<Api.Response> retried = new ArrayList<>();
        for (int i = 0; i < ROUNDS; i++) {
            Await.until("a run to its end", () -> !run().isEmpty());
            Await.until(
                    "nothing is on its way",
                    () -> world.jdbc().sql("""
                                    select count(*) from dispatch d join batch b on b.id = d.batch_id
                                    where b.finished_at is null and d.outcome in ('queued', 'sending', 'unconfirmed')
                                        and not d.rests""").query(Integer.class).single() == 0);
            List<Long> open = world.jdbc().sql("""
                            select distinct batch_id from (
                                select distinct on (record_id) batch_id, outcome, rests from dispatch
                                order by record_id, id desc) last
                            where outcome = 'unreached' or rests and outcome = 'unconfirmed'""").query(Long.class).list();
            // The last time nothing is left to be tried again.
            assertThat(i < ROUNDS - 1 || open.isEmpty())
                    .as(() -> "batches that rest: " + open + retried + resting())
                    .isTrue();
            open.forEach(batch -> retried.add(ferro.post("/api/batches/" + batch + "/retry", Map.of())));
        }
    }

    private void agrees(Doc doc) {
        JsonNode there = world.standIns().inkwell("/documents/" + doc.ref);
        List<JsonNode> here = world.standIns().onHullwork("document").stream()
                .filter(each -> each.get("number").asString().equals(doc.number))
                .toList();
        if (doc.ended && here.isEmpty()) {
            return;
        }
        assertThat(here).as(doc.number + " at the yard").hasSize(1);
        assertThat(world.standIns().inkwell("/documents/numbered?number=" + doc.number))
                .as(doc.number + " in the books")
                .hasSize(1);
        // What was changed and taken back before either was heard of is void at the yard as it was before.
        assertThat(doc.ended
                        || here.getFirst()
                                        .get("gross")
                                        .asDecimal()
                                        .compareTo(there.get("gross").asDecimal())
                                == 0)
                .as(() -> "it comes to the same: " + here + there + known(doc))
                .isTrue();
        assertThat(here.getFirst().get("status").asString().equals("VOID"))
                .as(() -> doc.number + " void" + known(doc))
                .isEqualTo(doc.ended);
        assertThat(doc.extended)
                .as(() -> "each edit in the books is on the trail: " + known(doc))
                .allMatch(day -> isOnTrail(doc, day));
        if (doc.ofTheYard) {
            assertThat(there.get("due").asString())
                    .as(() -> "the yard's due date stands: " + known(doc))
                    .isEqualTo(here.getFirst().get("due").asString());
        }
        assertThat(settledAtYard(doc.number))
                .as("paid of " + doc.number)
                .isEqualByComparingTo(there.get("paid").asDecimal());
    }

    /// What is known of those whose batches rest, for whoever has to find out.
    private String resting() {
        return world
                .jdbc()
                .sql("select number, ledger_ref from record where outcome in ('unreached', 'unconfirmed')")
                .query((row, n) -> new Doc(row.getString("number"), row.getString("ledger_ref"), false))
                .list()
                .stream()
                .map(this::known)
                .collect(java.util.stream.Collectors.joining());
    }

    private String known(Doc doc) {
        return world
                .jdbc()
                .sql("""
                        select to_jsonb(d)::text from record d where number = :number
                        union all select to_jsonb(p)::text from dispatch p join record d on d.id = p.record_id
                            where d.number = :number
                        union all select to_jsonb(e)::text from entered_there e where ledger_ref = :ref
                        union all select to_jsonb(l)::text from link l where ledger_ref = :ref
                        union all select t.at || ' ' || t.action || ' ' || coalesce(t.detail::text, '') from trail t
                            join record d on d.id = t.record_id where d.number = :number""")
                .param("number", doc.number)
                .param("ref", doc.ref)
                .query(String.class)
                .list()
                .stream()
                .map(row -> "\n" + row)
                .collect(java.util.stream.Collectors.joining());
    }

    private BigDecimal settledAtYard(String number) {
        return world.standIns().onHullwork("payment").stream()
                .filter(each -> !each.get("status").asString().equals("VOID"))
                .flatMap(each -> each.get("allocations").valueStream())
                .filter(each -> each.get("document").asString().equals(number))
                .map(each -> each.get("money").asDecimal())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /// Empty where it did not come to its end, or another is under way.
    private String run() {
        Api.Response answer = ferro.post("/api/pull?route=yard", Map.of());
        return answer.status() < 300 ? answer.json().path("sentence").asString("") : "";
    }
}
