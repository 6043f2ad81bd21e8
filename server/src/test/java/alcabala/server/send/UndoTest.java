package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Ellery;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A batch that was posted wrongly is taken back: seen first, once, to the cent, whatever fails on the way.
class UndoTest {
    private static World world;
    private static Api ferro;
    private static Yard yard;
    private static YardMoney money;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        Api admin = world.api("admin");
        ferro = world.api("ferro");
        yard = new Yard(admin);
        money = new YardMoney(world, yard);
        yard.mapEverything();
        Yard.decide(admin, "yard", "PAYMENTS", "both");
        yard.mapUnlessMapped("MEANS", "48 EUR", "", "1250");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @BeforeEach
    void nothingIsLocked() {
        lock(LocalDate.now().minusYears(1));
    }

    private static void lock(LocalDate through) {
        world.standIns().desk("/inkwell/books/saltmere/lock", "through=" + through);
        yard.pullReference();
    }

    /// Invoices that are ready, the oldest first.
    private static List<JsonNode> ready(int count) {
        return yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice")
                        && !row.get("number").asString().matches("HW-20301|HW-20388"))
                .sorted((a, b) -> a.get("issueDate")
                        .asString()
                        .compareTo(b.get("issueDate").asString()))
                .limit(count)
                .toList();
    }

    private static long posted(List<JsonNode> rows) {
        long batch = yard.send(rows.stream().map(row -> row.get("id").asLong()).toList());
        yard.awaitFinished(batch);
        assertThat(yard.batch(batch).get("dispatches").findValuesAsString("outcome"))
                .containsOnly("posted");
        return batch;
    }

    private static JsonNode preview(long batch) {
        return preview(batch, List.of());
    }

    private static JsonNode preview(long batch, List<Long> records) {
        return ferro.post("/api/batches/" + batch + "/undo/preview", Map.of("records", records))
                .json();
    }

    private static Api.Response undo(long batch, Map<String, Object> more) {
        Map<String, Object> order = new HashMap<>(Map.of(
                "records",
                List.of(),
                "reason",
                "wrong account",
                "shown",
                preview(batch).get("taken").size()));
        order.putAll(more);
        return ferro.post("/api/batches/" + batch + "/undo", order);
    }

    private static long undone(long batch) {
        Api.Response done = undo(batch, Map.of());
        assertThat(done.status()).as(done.body()).isEqualTo(200);
        long back = done.json().get("id").asLong();
        yard.awaitFinished(back);
        return back;
    }

    private static Map<String, BigDecimal> balances() {
        Map<String, BigDecimal> balances = new TreeMap<>();
        world.standIns()
                .inkwell("/balances")
                .forEach(each -> balances.put(
                        each.get("code").asString(), each.get("balance").asDecimal()));
        return balances;
    }

    private static String state(JsonNode row) {
        return yard.document(row.get("number").asString()).get("state").asString();
    }

    @Test
    void whatIsPostedIsTakenBackAsShownAndGoesAgainWhenSomebodySaysSo() {
        List<JsonNode> rows = ready(3);
        Map<String, BigDecimal> before = balances();
        long batch = posted(rows);
        Map<String, BigDecimal> standing = balances();
        JsonNode shown = preview(batch);
        assertThat(shown.get("taken")).hasSize(3);
        assertThat(shown.get("sentence").asString()).startsWith("Voids 3, €");
        assertThat(shown.get("journals")).hasSize(1);
        assertThat(undo(batch, Map.of("shown", 2)).status()).isEqualTo(409);

        long back = undone(batch);
        assertThat(balances()).isEqualTo(before);
        shown.get("journals").get(0).get("lines").forEach(line -> {
            String account = line.get("account").asString();
            assertThat(before.get(account).subtract(standing.get(account)))
                    .as("what was shown of %s is what happened", account)
                    .isEqualByComparingTo(new BigDecimal("0" + line.get("debit").asString())
                            .subtract(new BigDecimal("0" + line.get("credit").asString())));
        });
        assertThat(rows).allMatch(row -> state(row).equals("Ready"));
        assertThat(yard.batch(batch).get("batch").get("undoneBy").asLong()).isEqualTo(back);
        assertThat(yard.batch(batch).get("dispatches").findValuesAsString("undone"))
                .containsOnly("true");
        assertThat(yard.batch(back).get("batch").get("gross").asDecimal())
                .isEqualByComparingTo(
                        yard.batch(batch).get("batch").get("gross").asDecimal().negate());
        assertThat(undo(batch, Map.of()).json().get("code").asString())
                .as("once at most")
                .isEqualTo("nothing-to-undo");
        assertThat(preview(back).get("taken")).isEmpty();
        money.fetch();
        assertThat(rows)
                .as("neither the ledger's news nor a trigger brings it back")
                .allMatch(row -> state(row).equals("Ready"));

        posted(rows);
        assertThat(balances()).as("under the numbers that are free again").isEqualTo(standing);
        assertThat(preview(batch).get("stays").findValuesAsString("why"))
                .as("the former batch has nothing there any more")
                .containsOnly("It is taken back already.");
    }

    @Test
    void whatIsInALockedPeriodIsReversedInTheNext() {
        List<JsonNode> rows = ready(40);
        List<JsonNode> two = List.of(rows.getFirst(), rows.getLast());
        LocalDate early = LocalDate.parse(two.getFirst().get("issueDate").asString());
        Map<String, BigDecimal> before = balances();
        long batch = posted(two);
        lock(early);
        JsonNode shown = preview(batch);
        assertThat(shown.get("sentence").asString()).startsWith("Voids 1 and reverses 1, €");
        assertThat(shown.get("reversedOn").asString())
                .isEqualTo(early.plusDays(1).toString());
        assertThat(shown.get("journals")).as("one for each day").hasSize(2);
        long record = two.getFirst().get("id").asLong();
        assertThat(preview(batch, List.of(record))
                        .get("journals")
                        .get(0)
                        .get("on")
                        .asString())
                .as("of one alone")
                .isEqualTo(early.plusDays(1).toString());
        Api.Response locked = undo(batch, Map.of("on", early.toString()));
        assertThat(locked.status()).isEqualTo(422);
        assertThat(locked.json().get("code").asString()).isEqualTo("period-locked");

        String there = yard.document(two.getFirst().get("number").asString())
                .get("ledgerRef")
                .asString();
        undone(batch);
        assertThat(balances()).isEqualTo(before);
        JsonNode reversed = world.standIns().inkwell("/documents/" + there);
        assertThat(reversed.get("status").asString()).isEqualTo("void");
        assertThat(reversed.get("journal").size())
                .as("what was booked in the locked period stands, with its opposite")
                .isPositive();
        String voided = world.standIns()
                .page("/inkwell/books/saltmere/documents/"
                        + yard.batch(batch)
                                .get("dispatches")
                                .valueStream()
                                .filter(each ->
                                        !each.get("ledgerRef").asString().equals(there))
                                .findFirst()
                                .orElseThrow()
                                .get("ledgerRef")
                                .asString());
        assertThat(voided).contains(", void, ");
    }

    @Test
    void whatSettlesItIsTakenBackFirst() {
        List<JsonNode> rows = ready(2);
        long batch = posted(rows);
        money.pay(rows.getFirst(), "10.00", "48", "");
        money.fetch();
        long payments = money.send();
        JsonNode stays = preview(batch).get("stays");
        assertThat(stays).hasSize(1);
        assertThat(stays.get(0).get("why").asString()).startsWith("HW-P-").contains("take that back first");
        assertThat(preview(payments).get("taken")).hasSize(1);
        undone(payments);
        assertThat(state(yard.document(money.newest()))).isEqualTo("Ready");
        money.fetch();
        assertThat(preview(batch).get("taken")).as("open again").hasSize(2);

        String ref = yard.document(rows.getLast().get("number").asString())
                .get("ledgerRef")
                .asString();
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/" + ref + "/pay",
                        "amount=1.00&date=" + LocalDate.now() + "&account=1000");
        long back = undone(batch);
        JsonNode refused = yard.batch(back)
                .get("dispatches")
                .valueStream()
                .filter(each -> each.get("outcome").asString().equals("refused"))
                .findFirst()
                .orElseThrow();
        assertThat(refused.get("refusalCode").asString()).isEqualTo("stale-version");
        assertThat(state(rows.getLast())).as("it stands as it stood").isIn("Posted", "Diverged");
        assertThat(state(rows.getFirst())).isEqualTo("Ready");
        money.fetch();
        JsonNode seen = preview(batch);
        assertThat(seen.get("taken")).isEmpty();
        assertThat(seen.get("stays").findValuesAsString("why"))
                .contains("It is taken back already.")
                .anyMatch(why -> why.contains("take that back first"));
    }

    @Test
    void aLostAnswerIsAskedForAndNothingIsTakenBackTwice() {
        List<JsonNode> rows = ready(3);
        Map<String, BigDecimal> before = balances();
        long batch = posted(rows);
        world.standIns().fault("inkwell", "ANSWER_LOST", 2);
        long back = undone(batch);
        assertThat(yard.batch(back).get("dispatches").findValuesAsString("outcome"))
                .containsOnly("posted");
        assertThat(balances()).isEqualTo(before);
    }

    @Test
    void aLedgerOfFilesGetsTheOpposite() {
        Ellery ellery = new Ellery(world);
        long batch = ellery.export(2);
        ellery.settled(batch, ellery.imported(ellery.file(batch)));
        JsonNode shown = preview(batch);
        assertThat(shown.get("taken")).hasSize(2);
        assertThat(shown.has("lockedThrough")).isFalse();
        Api.Response done = undo(batch, Map.of("on", LocalDate.now().toString()));
        assertThat(done.status()).as(done.body()).isEqualTo(200);
        long back = done.json().get("id").asLong();
        List<Long> records = ellery.batch(batch).get("dispatches").findValues("documentId").stream()
                .map(JsonNode::asLong)
                .toList();
        assertThat(states(records)).as("in the file").containsOnly("Unconfirmed");
        String file = ellery.file(back);
        assertThat(file)
                .contains("credit note")
                .contains(DateTimeFormatter.ofPattern("dd/MM/uuuu").format(LocalDate.now()))
                .as("whoever it created is known by now")
                .doesNotContain(";;M. Okonjo-Reyes");
        ellery.settled(back, ellery.imported(file));
        assertThat(states(records)).containsOnly("Ready");
        assertThat(ellery.register().lines().filter(line -> line.contains("B" + back + ".1")))
                .hasSize(2);
        // Told once more, by either batch, it changes nothing.
        ellery.settled(back, ellery.register());
        ellery.settled(batch, ellery.register());
        assertThat(states(records)).containsOnly("Ready");
        // Under a name of its own, so that the register tells it from what stood there before.
        Api.Response again =
                ellery.api().post("/api/batches", ellery.order(Map.of("route", Ellery.ROUTE, "ids", records)));
        assertThat(again.status()).as(again.body()).isEqualTo(200);
        long third = again.json().get("id").asLong();
        assertThat(ellery.file(third).lines().skip(1)).allMatch(row -> row.contains("/B" + third + ".1;"));
        ellery.settled(third, ellery.imported(ellery.file(third)));
        assertThat(states(records)).containsOnly("Posted");
        ellery.settled(third, ellery.register());
        ellery.settled(batch, ellery.register());
        assertThat(states(records)).containsOnly("Posted");
    }

    private static List<String> states(List<Long> records) {
        return world.jdbc()
                .sql("select state from record where id = any(:ids)")
                .param("ids", records.toArray(Long[]::new))
                .query(String.class)
                .list();
    }
}
