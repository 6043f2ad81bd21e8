package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// `kill -9` while payments are sent, and while others come back, with answers lost on either side.
@Tag("own-process")
class KilledPaymentsTest {
    private static final int SENT = 14;
    private static final int BACK = 8;

    @Test
    void whateverDiesEveryPaymentIsOnBothSidesExactlyOnce() {
        try (World world = World.inProcessOfItsOwn()) {
            Api admin = world.api("admin");
            Yard yard = new Yard(admin);
            Yard.decide(admin, "yard", "PAYMENTS", "both");
            List<JsonNode> invoices = yard.documents("Ready").stream()
                    .filter(row -> row.get("kind").asString().equals("invoice")
                            && !row.get("number").asString().matches("HW-20301|HW-20388"))
                    .limit(SENT)
                    .toList();
            yard.awaitFinished(yard.send(
                    invoices.stream().map(row -> row.get("id").asLong()).toList()));
            invoices.forEach(invoice -> recordAtTheYard(world, invoice));
            pull(admin);
            yard.map("MEANS", "48 EUR", "", "1250");
            goingThere(world);
            comingBack(world, invoices.subList(0, BACK));
        }
    }

    private static void recordAtTheYard(World world, JsonNode invoice) {
        String party = world.jdbc()
                .sql("select party_code from record where id = :id")
                .param("id", invoice.get("id").asLong())
                .query(String.class)
                .single();
        world.standIns()
                .desk(
                        "/hullwork/payments",
                        "type=PAYMENT&date=" + LocalDate.now() + "&customer=" + party
                                + "&amount=1.00&means=48&document="
                                + invoice.get("number").asString() + "&money=1.00");
    }

    private static void goingThere(World world) {
        Yard yard = new Yard(world.api("admin"));
        List<Long> payments = yard.documents("Ready").stream()
                .filter(KilledPaymentsTest::isPayment)
                .map(row -> row.get("id").asLong())
                .toList();
        assertThat(payments).hasSize(SENT);
        long batch = yard.send(payments);
        killOnce(world, "after the first payments", () -> onInkwell(world).size() >= 3);
        world.standIns().fault("inkwell", "ANSWER_LOST", 0);
        killOnce(world, "with answers of Inkwell lost", () -> onInkwell(world).size() >= 7);
        world.standIns().fault("inkwell", "NONE", 0);
        Yard after = new Yard(world.api("admin"));
        after.awaitFinished(batch);
        assertThat(onInkwell(world)).hasSize(SENT).doesNotHaveDuplicates();
        assertThat(after.batch(batch).get("batch").get("posted").asInt()).isEqualTo(SENT);
        assertThat(world.standIns().balance("1250")).isEqualByComparingTo(String.valueOf(SENT));
    }

    private static void comingBack(World world, List<JsonNode> invoices) {
        Api admin = world.api("admin");
        for (JsonNode invoice : invoices) {
            String ref = admin.get("/api/documents/" + invoice.get("id").asLong())
                    .json()
                    .get("document")
                    .get("ledgerRef")
                    .asString();
            world.standIns()
                    .desk(
                            "/inkwell/books/saltmere/documents/" + ref + "/pay",
                            "amount=2.00&date=" + LocalDate.now() + "&means=10&account=1210");
        }
        world.standIns().fault("hullwork", "ANSWER_LOST", 0);
        pull(admin);
        killOnce(world, "with answers of Hullwork lost", () -> atTheYard(world).size() >= 2);
        world.standIns().fault("hullwork", "NONE", 0);
        killOnce(
                world,
                "in the middle of what comes back",
                () -> atTheYard(world).size() >= 5);
        Await.until(
                "all of them are back",
                () -> world.jdbc()
                                .sql("select count(*) from record where origin = 'ledger' and state = 'Posted'")
                                .query(Integer.class)
                                .single()
                        == BACK);
        pull(world.api("admin"));
        pull(world.api("admin"));
        assertThat(atTheYard(world)).hasSize(BACK).doesNotHaveDuplicates();
        assertThat(onInkwell(world)).hasSize(SENT);
        assertThat(world.jdbc()
                        .sql("select count(*) from record where kind = 'payment-in'")
                        .query(Integer.class)
                        .single())
                .isEqualTo(SENT + BACK);
        assertThat(new Yard(world.api("admin")).counts()).doesNotContainKeys("Unconfirmed", "Refused", "Diverged");
    }

    private static boolean isPayment(JsonNode row) {
        return row.get("kind").asString().equals("payment-in");
    }

    private static void pull(Api api) {
        api.post("/api/pull?route=yard", Map.of());
    }

    private static List<String> onInkwell(World world) {
        return all(
                "class=\"reference\">(hullwork:HP-[^<]+)<", world.standIns().page("/inkwell/books/saltmere/payments"));
    }

    private static List<String> atTheYard(World world) {
        return all(">(inkwell[^<]*:PM-[^<]+)<", world.standIns().page("/hullwork/payments"));
    }

    private static List<String> all(String pattern, String page) {
        return Pattern.compile(pattern)
                .matcher(page)
                .results()
                .map(match -> match.group(1))
                .toList();
    }

    private static void killOnce(World world, String point, BooleanSupplier reached) {
        Await.until(point, reached);
        world.kill();
        world.startProcess();
    }
}
