package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A part of an invoice was paid, and entered on both sides before anything was fetched.
class EnteredTwiceTest {
    private static World world;
    private static Api ferro;
    private static YardMoney money;
    private static List<JsonNode> posted;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        Yard yard = new Yard(ferro);
        money = new YardMoney(world, yard);
        yard.mapEverything();
        yard.map("MEANS", "30 EUR", "", "1000");
        Yard.decide(world.api("admin"), "yard", "PAYMENTS", "both");
        List<Long> ids = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> !row.get("number").asString().matches("HW-20388|HW-20301"))
                .limit(2)
                .map(row -> row.get("id").asLong())
                .toList();
        yard.awaitFinished(yard.send(ids));
        money.fetch();
        posted = ids.stream().map(id -> money.detail(id).get("document")).toList();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    /// @return what is asked: the two, or nothing
    private static String[] enter(JsonNode invoice, String reference, int daysApart) {
        money.pay(invoice, "20.00", "30", "");
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/"
                                + invoice.get("ledgerRef").asString() + "/pay",
                        "amount=20.00&date=" + LocalDate.now().minusDays(daysApart) + "&reference=" + reference);
        money.fetch();
        return ferro.get("/api/resolve/warnings?route=yard")
                .json()
                .valueStream()
                .map(each -> each.get("cause").asString())
                .filter(cause -> cause.startsWith("payment-twice:"))
                .findFirst()
                .map(cause -> cause.substring(cause.indexOf(':') + 1).split("-"))
                .orElse(new String[0]);
    }

    private static int saysThat(boolean one, String[] both) {
        return ferro.post(
                        "/api/resolve/warnings/same-payment",
                        Map.of(
                                "route",
                                "yard",
                                "ours",
                                Long.parseLong(both[0]),
                                "theirs",
                                Long.parseLong(both[1]),
                                "one",
                                one))
                .status();
    }

    @Test
    void neitherGoesUntilSomebodySaysWhetherTheyAreOne() {
        thoseOfDaysFarApartAreTwo();
        String[] both = enter(posted.getFirst(), "twice", 0);
        assertThat(both).as("it is asked").hasSize(2);
        long ours = Long.parseLong(both[0]);
        long theirs = Long.parseLong(both[1]);
        assertThat(money.detail(ours).get("document").get("state").asString()).isEqualTo("Ready");
        assertThat(Yard.trySend(ferro, Map.of("route", "yard", "ids", List.of(ours)))
                        .status())
                .as("not even by name")
                .isBetween(400, 499);
        assertThat(money.detail(theirs).get("document").get("state").asString())
                .as("which else goes back by itself")
                .isEqualTo("Ready");
        assertThat(ferro.get("/api/road?route=yard").json().get("odd").asInt()).isOne();

        assertThat(saysThat(true, new String[] {both[1], both[0]}))
                .as("of what nobody asked")
                .isEqualTo(409);
        assertThat(saysThat(false, both)).isEqualTo(204);
        assertThat(saysThat(true, both)).as("said otherwise by now").isEqualTo(409);
        money.fetch();
        money.awaitBack();
        assertThat(money.detail(theirs).get("document").get("state").asString())
                .as("they are two")
                .isEqualTo("Posted");
        money.send();
        assertThat(money.detail(ours).get("document").get("state").asString()).isEqualTo("Posted");
        assertThat(ferro.get("/api/road?route=yard").json().get("odd").asInt()).isZero();
    }

    private static void thoseOfDaysFarApartAreTwo() {
        assertThat(enter(posted.getLast(), "apart", 6)).isEmpty();
        money.awaitBack();
        assertThat(money.entered("apart"))
                .isNotEmpty()
                .allSatisfy(id -> assertThat(
                                money.detail(id).get("document").get("state").asString())
                        .isEqualTo("Posted"));
    }
}
