package alcabala.server.register;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// What is printed of a batch and of a period says what the ledger has, to the cent.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class RegisterTest {
    private static final LocalDate TODAY = LocalDate.now();
    private static World world;
    private static Api ferro;
    private static Yard yard;
    private static long batch;
    private static Map<String, BigDecimal> before;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(world.api("admin"));
        yard.mapEverything();
        before = balances();
        // One is of a locked period, and one has a number that is taken.
        batch = yard.send(yard.documents("Ready").stream()
                .filter(row -> row.get("currency").asString().equals("EUR")
                        && row.get("kind").asString().matches("invoice|credit-note"))
                .map(row -> row.get("id").asLong())
                .toList());
        yard.awaitFinished(batch);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static Map<String, BigDecimal> balances() {
        Map<String, BigDecimal> balances = new HashMap<>();
        world.standIns()
                .inkwell("/balances")
                .forEach(each -> balances.put(
                        each.get("code").asString(), each.get("balance").asDecimal()));
        return balances;
    }

    private static List<String> csv(String path) {
        Api.Response answer = ferro.get(path);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.body().lines().toList();
    }

    private static List<String> batchAs(String medium) {
        return csv("/api/batches/" + batch + "/report?as=" + medium);
    }

    private static String row(List<String> csv, String begins) {
        return csv.stream().filter(row -> row.startsWith(begins)).findFirst().orElseThrow();
    }

    @Test
    void theJournalIsTheOneThatTheLedgerHas() {
        assertThat(accountsOf(batchAs("CSV"))).isGreaterThan(8);
    }

    /// Each is what moved on the ledger since the beginning.
    private static int accountsOf(List<String> csv) {
        int accounts = 0;
        for (Map.Entry<String, BigDecimal> account : balances().entrySet()) {
            BigDecimal moved = account.getValue().subtract(before.get(account.getKey()));
            if (moved.signum() != 0) {
                accounts++;
                String[] cells = row(csv, account.getKey() + ",").split(",", -1);
                assertThat(new BigDecimal("0" + cells[2]).subtract(new BigDecimal("0" + cells[3])))
                        .as(account.getKey())
                        .isEqualByComparingTo(moved);
            }
        }
        assertThat(row(csv, "Balanced,")).isNotNull();
        return accounts;
    }

    private static void whatIsChangedInItsPlaceCountsOnce(String period) {
        JsonNode row = yard.documents("Posted").stream()
                .filter(each -> each.get("kind").asString().equals("invoice"))
                .findFirst()
                .orElseThrow();
        String desk = ferro.get("/api/documents/" + row.get("id").asLong())
                .json()
                .get("sides")
                .get("sourceDesk")
                .asString();
        world.standIns().editOnHullwork(desk.substring(desk.indexOf("/hullwork")), "77.70");
        ferro.post("/api/pull?route=yard", Map.of());
        long second = yard.send(List.of(row.get("id").asLong()));
        yard.awaitFinished(second);
        assertThat(yard.batch(second).get("batch").get("posted").asInt()).isEqualTo(1);
        List<String> csv = csv(period);
        accountsOf(csv);
        assertThat(csv).anyMatch(line -> line.contains("of 1 that stood there, the difference"));
        String[] total = csv.stream()
                .filter(line -> line.contains("that stood there, the difference"))
                .findFirst()
                .orElseThrow()
                .split("\"?,", -1);
        String categories = row(csv, "All together,");
        assertThat(csv.stream().filter(line -> line.contains(",posted,")).count())
                .isGreaterThan(1);
        assertThat(String.join(",", total)).contains(categories.substring(categories.lastIndexOf(',') + 1));
    }

    @Test
    void recordsAndCategoriesAddUpToTheSameNetAndWhatCameBackIsNamed() {
        List<String> csv = batchAs("CSV");
        JsonNode head = yard.batch(batch).get("batch");
        assertThat(head.get("refused").asInt()).isEqualTo(2);
        String[] total = csv.stream()
                .filter(row -> row.contains("2 came back and are not added up"))
                .findFirst()
                .orElseThrow()
                .split(",", -1);
        assertThat(total[0]).isEqualTo(head.get("posted").asString());
        assertThat(new BigDecimal(total[4]).add(new BigDecimal(total[5])))
                .isEqualByComparingTo(new BigDecimal(total[6]));
        String categories = row(csv, "All together,");
        assertThat(new BigDecimal(categories.substring(categories.lastIndexOf(',') + 1)))
                .isEqualByComparingTo(total[4]);
        assertThat(row(csv, "HW-20388,")).contains(",refused,");
        assertThat(csv).anyMatch(row -> row.startsWith("Chandlery,"));
    }

    @Test
    void onPaperItIsAPdfAndInASpreadsheetAWorkbook() {
        assertThat(ferro.get("/api/batches/" + batch + "/report").body()).startsWith("%PDF-");
        assertThat(ferro.get("/api/batches/" + batch + "/report?as=XLSX").header("content-disposition"))
                .contains("batch-" + batch + ".xlsx");
        assertThat(ferro.get("/api/batches/" + batch + "/report?as=DOC").status())
                .isEqualTo(400);
        assertThat(ferro.get("/api/batches/999/report").status()).isEqualTo(404);
        assertThat(world.api("slip").get("/api/batches/" + batch + "/report").status())
                .isEqualTo(403);
    }

    @Test
    @Order(Integer.MAX_VALUE)
    void aPeriodHoldsWhatWasAnsweredInItTheFirstAndTheLastDayIncluded() {
        String today = "/api/register?route=yard&as=CSV&from=" + TODAY + "&to=" + TODAY;
        List<String> csv = csv(today);
        assertThat(csv.stream().filter(row -> row.contains(",posted,")))
                .hasSize(yard.batch(batch).get("batch").get("posted").asInt());
        assertThat(csv).as("only what came to stand there").noneMatch(row -> row.contains(",refused,"));
        for (String days : List.of(
                "&from=" + TODAY.plusDays(1) + "&to=" + TODAY.plusDays(1),
                "&from=" + TODAY.minusDays(9) + "&to=" + TODAY.minusDays(1))) {
            assertThat(csv("/api/register?route=yard&as=CSV" + days))
                    .as(days)
                    .contains("Records,0")
                    .noneMatch(row -> row.contains(",posted,"));
        }
        Api.Response turned = ferro.get("/api/register?route=yard&from=" + TODAY + "&to=" + TODAY.minusDays(1));
        assertThat(turned.status()).isEqualTo(422);
        assertThat(turned.json().get("code").asString()).isEqualTo("period-turned");
        whatIsChangedInItsPlaceCountsOnce(today);
    }
}
