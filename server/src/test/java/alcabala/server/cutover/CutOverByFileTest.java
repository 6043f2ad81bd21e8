package alcabala.server.cutover;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Ellery;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// The same with a ledger that is not asked: it writes what stood on the day into a file.
class CutOverByFileTest {
    private static final LocalDate DAY = LocalDate.now().minusDays(20);
    private static World world;
    private static Ellery ellery;
    private static Api api;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ellery = new Ellery(world);
        api = ellery.api();
        ellery.atDesk("taken-over", "on=" + DAY);
        Yard.decide(api, Ellery.ROUTE, "PAYMENTS", "to-ledger");
        Yard.decide(api, Ellery.ROUTE, "INVOICES_CUT_OFF", DAY.plusDays(1).toString());
        api.put("/api/map/row", Yard.row(Ellery.ROUTE, "MEANS", "48 CAD", "", "1010", 0));
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static String stood(LocalDate on) {
        return world.standIns().page("/copperplate/standing.csv?on=" + on);
    }

    private static Api.Response take(String route, String file) {
        return api.multipart(
                "/api/cut-over/file?route=" + route, Map.of("standing.csv", file.getBytes(StandardCharsets.UTF_8)));
    }

    private static List<JsonNode> rows(JsonNode sheet, String standing) {
        return sheet.get("rows")
                .valueStream()
                .filter(row -> row.get("standing").asString().equals(standing))
                .toList();
    }

    @Test
    void whatTheFileSaysIsComparedPairedAndSettled() {
        assertThat(take(Ellery.ROUTE, stood(LocalDate.now().plusDays(1))).status())
                .as("no day that was")
                .isEqualTo(422);
        assertThat(take("yard", stood(DAY)).json().get("code").asString()).isEqualTo("ledger-tells-itself");
        String whole = stood(DAY);
        Api.Response cut = take(Ellery.ROUTE, whole.substring(0, whole.lastIndexOf('\n', whole.length() - 3) + 1));
        assertThat(cut.status()).isEqualTo(422);
        assertThat(cut.json().get("sentence").asString()).contains("no row that ends it");
        assertThat(api.get("/api/cut-over?route=ellery").json().get("cutOver")).isNull();

        whatIsRepeatedIsCountedOnce(whole);
        JsonNode odd =
                take(Ellery.ROUTE, whole.replace("CAD;129.70", "CAX;129.70")).json();
        assertThat(odd.get("setAside").asInt()).isOne();
        assertThat(odd.get("odd").get(0).asString()).isEqualTo("entry HP-30107: its column Currency cannot be read");

        JsonNode sheet = take(Ellery.ROUTE, whole).json();
        assertThat(sheet.get("day").asString()).isEqualTo(DAY.toString());
        assertThat(rows(sheet, "ONLY_HERE")).as("one was left out there").hasSize(1);
        assertThat(rows(sheet, "ONLY_THERE")).isEmpty();
        assertThat(rows(sheet, "DOUBTFUL").stream()
                        .map(row -> row.get("differs").toString()))
                .as("one has a slip of the pen, and it made a customer anew of one whom it has under another name")
                .containsOnly("[\"PARTY\",\"GROSS\",\"OPEN\"]", "[\"PARTY\"]")
                .containsOnlyOnce("[\"PARTY\",\"GROSS\",\"OPEN\"]");
        JsonNode receivables = sheet.get("balances").get(0);
        BigDecimal difference = receivables.get("difference").asDecimal();
        assertThat(difference)
                .isEqualByComparingTo(rows(sheet, "ONLY_HERE")
                        .getFirst()
                        .get("here")
                        .get("open")
                        .asDecimal()
                        .subtract(new BigDecimal("9.00")));
        assertThat(receivables
                        .get("parts")
                        .valueStream()
                        .map(part -> part.get("amount").asDecimal())
                        .reduce(BigDecimal.ZERO, BigDecimal::add))
                .isEqualByComparingTo(difference);

        JsonNode paired = api.post("/api/cut-over/pairs", Map.of("route", Ellery.ROUTE, "pairs", List.of()))
                .json();
        assertThat(paired.get("done").asInt())
                .isEqualTo(sheet.get("counts").get("certain").asInt())
                .isGreaterThan(5);
        aPaymentCrosses(
                rows(sheet, "CERTAIN").getFirst().get("here").get("number").asString());
    }

    private static void whatIsRepeatedIsCountedOnce(String whole) {
        int counted = (int) whole.lines().count() - 2;
        String account = whole.lines().skip(1).findFirst().orElseThrow();
        String twice = whole.replace(account, account + "\r\n" + account)
                .replace(";end;" + counted + ";", ";end;" + (counted + 1) + ";");
        assertThat(take(Ellery.ROUTE, twice).json().get("balances"))
                .isEqualTo(take(Ellery.ROUTE, whole).json().get("balances"));
        Api.Response otherwise = take(Ellery.ROUTE, twice.replaceFirst(";1200;", ";1200;1"));
        assertThat(otherwise.json().get("code").asString()).isEqualTo("balance-twice");
    }

    private static void aPaymentCrosses(String number) {
        world.standIns()
                .desk(
                        "/hullwork/documents/d-" + number.substring("HP-".length()) + "/payments",
                        "amount=2.50&date=" + LocalDate.now() + "&means=48&reference=slip7");
        api.post("/api/pull?route=ellery", Map.of());
        Map<String, Object> order = ellery.order(Map.of("route", Ellery.ROUTE, "payments", true));
        order.put("layout", "Journals");
        long money = api.post("/api/batches", order).json().get("id").asLong();
        assertThat(ellery.settled(money, ellery.imported(ellery.file(money)))
                        .get("accepted")
                        .asInt())
                .isOne();
        JsonNode today = take(Ellery.ROUTE, stood(LocalDate.now())).json();
        JsonNode row = rows(today, "LINKED").stream()
                .filter(each -> each.get("here").get("number").asString().equals(number))
                .findFirst()
                .orElseThrow();
        assertThat(row.get("there").get("open").asDecimal())
                .as("settled there, and here")
                .isEqualByComparingTo(row.get("here").get("open").asDecimal());
    }
}
