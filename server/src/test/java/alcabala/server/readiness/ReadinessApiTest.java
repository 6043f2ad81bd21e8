package alcabala.server.readiness;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.Consents;
import alcabala.server.World;
import alcabala.server.Yard;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Each check seen failing and passing by what is switched on the ledger's desk or mapped here.
class ReadinessApiTest {
    private static final String BOOKS = "/inkwell/books/saltmere";
    private static World world;
    private static Api admin;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void settingsOfTheDeskAreSeenAndTheirRemedyIsNamed() {
        failsThenPasses("APPLIES_CREDITS", "WARNS", "/settings/applies-credits", "on=true", "on=false");
        failsThenPasses("TRACKS_QUANTITIES", "WARNS", "/settings/tracks-quantities", "on=true", "on=false");
        failsThenPasses("DIMENSIONS", "WARNS", "/settings/dimensions", "on=false", "on=true");
        failsThenPasses(
                "CALENDAR", "WARNS", "/time-zone", "zone=Pacific/Auckland", "zone=" + java.time.ZoneId.systemDefault());
        failsThenPasses(
                "PERIOD",
                "BLOCKS",
                "/lock",
                "through=" + LocalDate.now().minusDays(92),
                "through=" + LocalDate.now().minusYears(2));
        failsThenPasses("TAX_RATES", "BLOCKS", "/tax-codes/S23", "rate=21&active=true", "rate=23&active=true");
        failsThenPasses("TAX_CODES", "BLOCKS", "/tax-codes/S23", "rate=23&active=false", "rate=23&active=true");
        failsThenPasses(
                "ACCOUNT_ROLES",
                "BLOCKS",
                "/accounts/1100",
                "name=Receivables+control&type=asset&active=true",
                "name=Receivables+control&type=receivable&active=true");
    }

    /// The harbour's files have a bill in them.
    @Test
    void purchaseOrdersMatterWhereBillsWait() {
        world.standIns().desk(BOOKS + "/settings/purchase-orders", "on=false");
        assertThat(judge("harbour", "PURCHASE_ORDERS").get("verdict").asString())
                .isEqualTo("PASSES");
        assertThat(admin.xml("/api/intake?route=harbour&dryRun=false", bill()).body())
                .contains("\"kind\":\"bill\"");
        assertThat(judge("harbour", "PURCHASE_ORDERS").get("verdict").asString())
                .isEqualTo("WARNS");
        assertThat(judge("PURCHASE_ORDERS").get("verdict").asString()).isEqualTo("PASSES");
        world.standIns().desk(BOOKS + "/settings/purchase-orders", "on=true");
        assertThat(judge("harbour", "PURCHASE_ORDERS").get("verdict").asString())
                .isEqualTo("PASSES");
    }

    private static byte[] bill() {
        try (InputStream file = ReadinessApiTest.class.getResourceAsStream("/demo/bill-from-tarpaulin-works.xml")) {
            return new String(file.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("{issued}", LocalDate.now().toString())
                    .replace("{due}", LocalDate.now().toString())
                    .getBytes(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void failsThenPasses(String check, String verdict, String desk, String wrong, String right) {
        world.standIns().desk(BOOKS + desk, wrong);
        admin.post("/api/pull?route=yard", Map.of());
        new Yard(admin).mapUnlessMapped("TAX", "VEU", "RC0", "");
        JsonNode failing = judge(check);
        assertThat(failing.get("verdict").asString()).as(check).isEqualTo(verdict);
        assertThat(failing.get("otherwise").asString()).isNotEmpty();
        assertThat(failing.get("remedy").asString()).isNotEmpty();
        assertThat(failing.get("documents").asInt()).isPositive();
        world.standIns().desk(BOOKS + desk, right);
        admin.post("/api/pull?route=yard", Map.of());
        JsonNode passing = judge(check);
        assertThat(passing.get("verdict").asString()).as(check).isEqualTo("PASSES");
        assertThat(passing.get("otherwise").asString()).isEmpty();
    }

    @Test
    void aNumberInUseIsFoundBeforeItIsSent() {
        JsonNode numbers = judge("NUMBERS");
        assertThat(numbers.get("found").asString()).isEqualTo("In use on Inkwell by other documents: HW-20388.");
        assertThat(numbers.get("otherwise").asString()).isEqualTo("1 document, €1,097.08, will be refused.");
        Yard yard = new Yard(world.api("ferro"));
        long own = yard.documents("Ready").stream()
                .filter(row -> !row.get("number").asString().matches("HW-20388|HW-20301"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        yard.awaitFinished(yard.send(java.util.List.of(own)));
        assertThat(judge("NUMBERS").get("documents").asInt())
                .as("our own are not in the way")
                .isOne();
        assertThat(judge("ITEM_NAMES").get("verdict").asString())
                .as("and neither are the items that came with it")
                .isEqualTo("PASSES");
        assertThat(admin.get("/api/trail?text=readiness-judged")
                        .json()
                        .get(0)
                        .get("detail")
                        .get("blocks")
                        .asInt())
                .as("judged before the batch")
                .isPositive();
    }

    @Test
    void theReportIsAPdfAndTheRoadKnowsTheCounts() {
        assertThat(admin.get("/api/readiness?route=yard").status()).isEqualTo(200);
        long judged = world.jdbc()
                .sql("select max(id) from work where kind = 'READINESS' and state = 'done'")
                .query(Long.class)
                .single();
        Api.Response report = admin.get("/api/readiness/" + judged + "/report.pdf?route=yard");
        assertThat(report.status()).isEqualTo(200);
        assertThat(report.header("content-type")).isEqualTo("application/pdf");
        assertThat(report.body()).startsWith("%PDF-");
        JsonNode road = admin.get("/api/road?route=yard").json();
        assertThat(road.get("blocks").asInt() + road.get("warns").asInt()).isPositive();
        assertThat(report.body().getBytes(StandardCharsets.ISO_8859_1).length).isGreaterThan(1500);
    }

    @Test
    void aPullThatBringsChangesHasItJudgedInTheBackground() {
        world.jdbc().sql("delete from readiness").update();
        world.standIns().desk(BOOKS + "/accounts/3000", "name=Own+capital&type=equity&active=true");
        admin.post("/api/pull?route=yard", Map.of());
        Await.until(
                "both routes are judged",
                () -> world.jdbc()
                                .sql("select count(*) from readiness")
                                .query(Integer.class)
                                .single()
                        == 2);
    }

    @Test
    void aLostConsentIsAFindingAndAnUnreachableLedgerIsSaid() {
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        assertThat(admin.get("/api/readiness?route=yard").json().get("code").asString())
                .isEqualTo("unreachable");
        world.standIns().fault("inkwell", "NONE", 0);
        Consents consents = Consents.of(world);
        consents.onDesk("end-soon");
        assertThat(judge("CONSENT").get("verdict").asString()).isEqualTo("WARNS");
        consents.onDesk("revoke");
        JsonNode lost = judge("CONSENT");
        assertThat(lost.get("verdict").asString()).isEqualTo("BLOCKS");
        assertThat(lost.get("otherwise").asString()).contains("cannot cross");
        consents.use(consents.give(consents.inkwell().get("id").asLong()), "saltmere");
        assertThat(judge("CONSENT").get("verdict").asString()).isEqualTo("PASSES");
    }

    private static JsonNode judge(String check) {
        return judge("yard", check);
    }

    private static JsonNode judge(String route, String check) {
        Api.Response answer = admin.get("/api/readiness?route=" + route);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json()
                .get("checks")
                .valueStream()
                .filter(each -> each.get("check").asString().equals(check))
                .findFirst()
                .orElseThrow();
    }
}
