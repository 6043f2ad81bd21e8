package alcabala.server.connect;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.Consents;
import alcabala.server.World;
import alcabala.server.Yard;
import alcabala.server.demo.InkwellOwner;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Consent, companies, disconnection and moving, against the real Inkwell.
class ConnectionsTest {
    private static World world;
    private static Api admin;
    private static InkwellOwner owner;
    private static Consents consents;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        consents = Consents.of(world);
        admin = consents.admin();
        owner = consents.owner();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    /// Inkwell and Hullwork connected as on the first day, the other companies not.
    @BeforeEach
    void connected() {
        long hullwork =
                admin.get("/api/connect").json().get("sources").get(0).get("id").asLong();
        admin.post("/api/connect/sources", Map.of("source", hullwork, "key", "hullwork-demo-key"));
        if (!consents.inkwell().get("state").asString().equals("connected")) {
            consents.use(consents.give(consents.inkwell().get("id").asLong()), "saltmere");
        }
        world.jdbc()
                .sql("update ledger set connected = false where company <> 'saltmere'")
                .update();
    }

    @Test
    void otherBooksUnderTheSameNameAreNotConnectedAgain() {
        world.standIns().desk("/inkwell/books/saltmere/books", "");
        JsonNode check =
                admin.get("/api/readiness?route=yard").json().get("checks").get(1);
        assertThat(check.get("check").asString()).isEqualTo("SAME_BOOKS");
        assertThat(check.get("verdict").asString()).isEqualTo("BLOCKS");
        Api.Response no =
                consents.use(consents.give(consents.inkwell().get("id").asLong()), "saltmere");
        assertThat(no.json().get("code").asString()).isEqualTo("other-books");
        world.jdbc().sql("update ledger set books_id = ''").update();
    }

    @Test
    void aSecondCompanyIsConnectedByConsentAndItsBooksArePulled() {
        JsonNode given = consents.give(null);
        assertThat(names(given.get("companies")))
                .containsExactly("Corvane Boatyards, Saltmere", "Corvane Charter", "Corvane Sail Training Trust");
        assertThat(given.get("companies").get(0).get("connectedAs").asString()).isEqualTo("Inkwell");

        assertThat(consents.use(given, "saltmere").json().get("sentence").asString())
                .contains("is connected already, as Inkwell", "send every document twice");
        long charter = consents.use(given, "charter").json().get("ledger").asLong();
        assertThat(consents.use(given, "training").status())
                .as("a consent is used once")
                .isEqualTo(409);

        admin.post("/api/connect/ledgers/" + charter + "/pulls", Map.of());
        Await.until("pulled", () -> consents.ledger(charter).get("accounts").asInt() == 12);
        JsonNode ledger = consents.ledger(charter);
        assertThat(ledger.get("state").asString()).isEqualTo("connected");
        assertThat(ledger.get("accounts").asInt()).isEqualTo(12);
        assertThat(ledger.get("scopes")).hasSize(2);
        assertThat(admin.post("/api/connect/ledgers/" + charter + "/test", Map.of())
                        .json()
                        .get("answers")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void whoDidNotAskCannotUseTheConsentAndARefusalChangesNothing() {
        int before = admin.get("/api/connect").json().get("ledgers").size();
        String asking = consents.ask(null);
        Map<String, String> back = owner.letIn(asking);
        Api bookkeeper = world.api("ferro");
        assertThat(bookkeeper.post("/api/connect/consents", Map.of()).status()).isEqualTo(403);
        assertThat(bookkeeper
                        .post("/api/connect/consents/" + back.get("state"), Map.of("code", back.get("code")))
                        .status())
                .isEqualTo(403);
        assertThat(admin.post("/api/connect/consents/never-asked", Map.of("code", back.get("code")))
                        .status())
                .isEqualTo(409);
        assertThat(admin.post("/api/connect/consents/" + back.get("state"), Map.of("code", "made-up"))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("access-lost");
        assertThat(owner.keepOut(consents.ask(null))).containsEntry("error", "access_denied");
        assertThat(admin.get("/api/connect").json().get("ledgers")).hasSize(before);
    }

    @Test
    void connectingAgainIntoAnotherCompanyIsCaughtAndIntoTheSameOneKeepsEverything() {
        Yard yard = new Yard(world.api("ferro"));
        Map<String, Integer> before = yard.counts();
        long ledger = consents.inkwell().get("id").asLong();
        assertThat(admin.delete("/api/connect/ledgers/" + ledger).status()).isEqualTo(204);
        assertThat(consents.ledger(ledger).get("state").asString()).isEqualTo("disconnected");
        assertThat(admin.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("access-lost");
        assertThat(yard.counts()).as("crosswalk and documents are kept").isEqualTo(before);

        JsonNode given = consents.give(ledger);
        assertThat(given.get("ledgerCompany").asString()).isEqualTo("Corvane Boatyards, Saltmere");
        Api.Response wrong = consents.use(given, "charter");
        assertThat(wrong.status()).isEqualTo(409);
        assertThat(wrong.json().get("sentence").asString())
                .contains("Corvane Charter is another company", "move the route to the other company on purpose");
        assertThat(consents.ledger(ledger).get("state").asString()).isEqualTo("disconnected");

        assertThat(consents.use(given, "saltmere").status()).isEqualTo(200);
        assertThat(consents.ledger(ledger).get("state").asString()).isEqualTo("connected");
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
    }

    @Test
    void aTokenThatRanOutIsRenewedAndAConsentThatWasWithdrawnIsSaidPlainly() {
        consents.onDesk("end-access");
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status())
                .as("renewed by itself")
                .isEqualTo(200);
        world.jdbc()
                .sql("update credential set expires_at = now() where ledger_id is not null")
                .update();
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status())
                .as("renewed ahead of its end")
                .isEqualTo(200);

        consents.onDesk("end-soon");
        admin.post("/api/connect/ledgers/" + consents.inkwell().get("id").asLong() + "/test", Map.of());
        assertThat(consents.inkwell().get("state").asString()).isEqualTo("consent-ends-soon");

        consents.onDesk("revoke");
        Api.Response lost = admin.post("/api/pull?route=yard", Map.of());
        assertThat(lost.status()).isEqualTo(502);
        assertThat(lost.json().get("sentence").asString())
                .isEqualTo(
                        "Inkwell no longer lets Alcabala in. An administrator can connect it again under Connect; nothing was lost.");
        assertThat(consents.inkwell().get("state").asString()).isEqualTo("consent-lost");
        assertThat(admin.get("/api/road?route=yard").json().get("lost").asInt()).isOne();
    }

    @Test
    void whatIsSentWhileTheConsentIsGoneStaysHereAndGoesAfterANewConsent() {
        Yard yard = new Yard(world.api("ferro"));
        List<Long> ids = yard.documents("Ready").stream()
                .limit(3)
                .map(row -> row.get("id").asLong())
                .toList();
        consents.onDesk("revoke");
        long batch = yard.send(ids);
        yard.awaitFinished(batch);
        assertThat(yard.batch(batch).get("batch").get("unreached").asInt()).isEqualTo(3);
        assertThat(yard.batch(batch).get("dispatches").get(0).get("sentence").asString())
                .contains("no longer lets Alcabala in");
        assertThat(world.standIns().postedReferences()).isEmpty();

        assertThat(consents.use(consents.give(consents.inkwell().get("id").asLong()), "saltmere")
                        .status())
                .isEqualTo(200);
        yard.api().post("/api/batches/" + batch + "/retry", Map.of());
        yard.awaitFinished(batch);
        assertThat(world.standIns().postedReferences()).hasSize(3).doesNotHaveDuplicates();
    }

    @Test
    void secretsAreSealedInTheDatabase() {
        List<byte[]> sealed = world.jdbc()
                .sql("select sealed from credential")
                .query(byte[].class)
                .list();
        assertThat(sealed).hasSizeGreaterThanOrEqualTo(2);
        assertThat(sealed)
                .noneMatch(
                        each -> new String(each, StandardCharsets.ISO_8859_1).matches("(?s).*(token|hullwork-demo).*"));
        world.jdbc()
                .sql("update credential set sealed = set_byte(sealed, 20, get_byte(sealed, 20) # 1)")
                .update();
        assertThat(admin.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .as("tampered with")
                .isEqualTo("access-lost");
    }

    @Test
    void aKeyIsTriedBeforeItIsKept() {
        Api.Response wrong = admin.post(
                "/api/connect/sources",
                Map.of(
                        "kind", "hullwork",
                        "address", world.standIns().address() + "/hullwork",
                        "name", "Yard two",
                        "key", "guess"));
        assertThat(wrong.json().get("code").asString()).isEqualTo("key-wrong");
        assertThat(admin.get("/api/connect").json().get("sources")).hasSize(2);
        long hullwork =
                admin.get("/api/connect").json().get("sources").get(0).get("id").asLong();
        admin.delete("/api/connect/sources/" + hullwork);
        assertThat(admin.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("detail")
                        .asString())
                .contains("Hullwork: is not connected");
        assertThat(admin.post("/api/connect/sources", Map.of("source", hullwork, "key", "hullwork-demo-key"))
                        .status())
                .isEqualTo(200);
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
    }

    private static List<String> names(JsonNode companies) {
        return companies.valueStream().map(each -> each.get("name").asString()).toList();
    }
}
