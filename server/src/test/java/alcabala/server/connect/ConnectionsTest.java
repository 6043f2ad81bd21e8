package alcabala.server.connect;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.InkwellOwner;
import alcabala.server.World;
import alcabala.server.Yard;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Consent, companies, disconnection and moving, against the real Inkwell.
class ConnectionsTest {
    private World world;
    private Api admin;
    private InkwellOwner owner;

    @BeforeEach
    void start() {
        world = World.inProcess();
        admin = world.api("admin");
        owner = new InkwellOwner(world.standIns().address());
    }

    @AfterEach
    void stop() {
        world.close();
    }

    @Test
    void aSecondCompanyIsConnectedByConsentAndItsBooksArePulled() {
        JsonNode given = consent(null).json();
        assertThat(names(given.get("companies")))
                .containsExactly("Corvane Boatyards, Saltmere", "Corvane Charter", "Corvane Sail Training Trust");
        assertThat(given.get("companies").get(0).get("connectedAs").asString()).isEqualTo("Inkwell");

        assertThat(use(given, "saltmere").json().get("sentence").asString())
                .contains("is connected already, as Inkwell", "send every document twice");
        long charter = use(given, "charter").json().get("ledger").asLong();
        assertThat(use(given, "training").status()).as("a consent is used once").isEqualTo(409);

        pull(charter);
        JsonNode ledger = ledger(charter);
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
        String asking = ask(null);
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
        assertThat(owner.keepOut(ask(null))).containsEntry("error", "access_denied");
        assertThat(admin.get("/api/connect").json().get("ledgers")).hasSize(1);
    }

    @Test
    void connectingAgainIntoAnotherCompanyIsCaughtAndIntoTheSameOneKeepsEverything() {
        Yard yard = new Yard(world.api("ferro"));
        Map<String, Integer> before = yard.counts();
        long ledger = inkwell().get("id").asLong();
        assertThat(admin.delete("/api/connect/ledgers/" + ledger).status()).isEqualTo(204);
        assertThat(ledger(ledger).get("state").asString()).isEqualTo("disconnected");
        assertThat(admin.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("access-lost");
        assertThat(yard.counts()).as("crosswalk and documents are kept").isEqualTo(before);

        JsonNode given = consent(ledger).json();
        assertThat(given.get("ledgerCompany").asString()).isEqualTo("Corvane Boatyards, Saltmere");
        Api.Response wrong = use(given, "charter");
        assertThat(wrong.status()).isEqualTo(409);
        assertThat(wrong.json().get("sentence").asString())
                .contains("Corvane Charter is another company", "move the route to the other company on purpose");
        assertThat(ledger(ledger).get("state").asString()).isEqualTo("disconnected");

        assertThat(use(given, "saltmere").status()).isEqualTo(200);
        assertThat(ledger(ledger).get("state").asString()).isEqualTo("connected");
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
    }

    @Test
    void aTokenThatRanOutIsRenewedAndAConsentThatWasWithdrawnIsSaidPlainly() {
        owner.onDesk("end-access");
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status())
                .as("renewed by itself")
                .isEqualTo(200);
        world.jdbc()
                .sql("update credential set expires_at = now() where ledger_id is not null")
                .update();
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status())
                .as("renewed ahead of its end")
                .isEqualTo(200);

        owner.onDesk("end-soon");
        admin.post("/api/connect/ledgers/" + inkwell().get("id").asLong() + "/test", Map.of());
        assertThat(inkwell().get("state").asString()).isEqualTo("consent-ends-soon");

        owner.onDesk("revoke");
        Api.Response lost = admin.post("/api/pull?route=yard", Map.of());
        assertThat(lost.status()).isEqualTo(502);
        assertThat(lost.json().get("sentence").asString())
                .isEqualTo(
                        "Inkwell no longer lets Alcabala in. An administrator can connect it again under Connect; nothing was lost.");
        assertThat(inkwell().get("state").asString()).isEqualTo("consent-lost");
        assertThat(admin.get("/api/road?route=yard").json().get("lost").asInt()).isOne();
    }

    @Test
    void whatIsSentWhileTheConsentIsGoneStaysHereAndGoesAfterANewConsent() {
        Yard yard = new Yard(world.api("ferro"));
        List<Long> ids = yard.documents("Ready").stream()
                .limit(3)
                .map(row -> row.get("id").asLong())
                .toList();
        owner.onDesk("revoke");
        long batch = yard.send(ids);
        yard.awaitFinished(batch);
        assertThat(yard.batch(batch).get("batch").get("unreached").asInt()).isEqualTo(3);
        assertThat(yard.batch(batch).get("dispatches").get(0).get("sentence").asString())
                .contains("no longer lets Alcabala in");
        assertThat(world.standIns().postedReferences()).isEmpty();

        assertThat(use(consent(inkwell().get("id").asLong()).json(), "saltmere").status())
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
        assertThat(sealed).hasSize(2);
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
        Api.Response wrong = admin.post("/api/connect/sources", Map.of("name", "Yard two", "key", "guess"));
        assertThat(wrong.json().get("code").asString()).isEqualTo("access-lost");
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

    @Test
    void movingToAnotherCompanySaysFirstWhatDoesNotCarryOver() {
        long charter = use(consent(null).json(), "charter").json().get("ledger").asLong();
        pull(charter);
        JsonNode plan =
                admin.get("/api/map/move?route=yard&toLedger=" + charter).json();
        assertThat(plan.get("carried").asInt()).isEqualTo(14);
        assertThat(reason(plan, "haul-out")).isEqualTo("account 4030 is of type liability there, revenue here");
        assertThat(reason(plan, "V13")).isEqualTo("tax code R13 is 9 % there, 13.5 % here");
        assertThat(reason(plan, "paint")).isEqualTo("there is no account 4015");
        assertThat(reason(plan, "C-1003")).isEqualTo("there is no customer IC-1003");
        assertThat(plan.get("left").get(0).get("amount").asDecimal()).isPositive();
        assertThat(new Yard(admin).counts()).as("nothing changed yet").containsEntry("Ready", 89);

        Yard yard = new Yard(world.api("ferro"));
        long first = yard.documents("Ready").getFirst().get("id").asLong();
        yard.awaitFinished(yard.send(List.of(first)));
        assertThat(yard.api()
                        .post("/api/map/move", Map.of("route", "yard", "toLedger", charter))
                        .status())
                .isEqualTo(403);
        assertThat(admin.post("/api/map/move", Map.of("route", "yard", "toLedger", charter))
                        .status())
                .isEqualTo(200);
        assertThat(yard.counts().get("Posted")).isOne();
        assertThat(yard.counts().get("Ready")).isLessThan(40);
        assertThat(admin.get("/api/documents/" + first)
                        .json()
                        .get("sides")
                        .get("ledgerDesk")
                        .asString())
                .as("what was posted stays where it is")
                .contains("/inkwell/books/saltmere/documents/");
        assertThat(yard.api().get("/api/routes").json().get(0).get("ledger").asString())
                .isEqualTo("Inkwell, Corvane Charter");
    }

    private String ask(Long ledger) {
        return admin.post("/api/connect/consents", ledger == null ? Map.of() : Map.of("ledger", ledger))
                .json()
                .get("address")
                .asString();
    }

    private Api.Response consent(Long ledger) {
        Map<String, String> back = owner.letIn(ask(ledger));
        return admin.post("/api/connect/consents/" + back.get("state"), Map.of("code", back.get("code")));
    }

    private Api.Response use(JsonNode given, String company) {
        return admin.post(
                "/api/connect/ledgers", Map.of("consent", given.get("consent").asString(), "company", company));
    }

    private void pull(long ledger) {
        admin.post("/api/connect/ledgers/" + ledger + "/pulls", Map.of());
        alcabala.server.Await.until(
                "the pull is done",
                () -> admin.get("/api/connect/ledgers/" + ledger + "/pulls")
                        .json()
                        .get(0)
                        .get("state")
                        .asString()
                        .equals("done"));
    }

    private JsonNode inkwell() {
        return admin.get("/api/connect").json().get("ledgers").get(0);
    }

    private JsonNode ledger(long id) {
        for (JsonNode ledger : admin.get("/api/connect").json().get("ledgers")) {
            if (ledger.get("id").asLong() == id) {
                return ledger;
            }
        }
        throw new IllegalArgumentException("no ledger " + id);
    }

    private static String reason(JsonNode plan, String code) {
        for (JsonNode row : plan.get("left")) {
            if (row.get("code").asString().equals(code)) {
                return row.get("reason").asString();
            }
        }
        throw new IllegalArgumentException(code);
    }

    private static List<String> names(JsonNode companies) {
        return companies.valueStream().map(each -> each.get("name").asString()).toList();
    }
}
