package alcabala.server.connect;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What a pull finds new, changed, inactive and gone, and what that does to documents.
class ReferencePullTest {
    private static World world;
    private static Api admin;
    private static long ledger;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        ledger =
                admin.get("/api/connect").json().get("ledgers").get(0).get("id").asLong();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    /// The ledger as on the first day, and Alcabala knowing it.
    @AfterEach
    void putBack() {
        world.standIns().desk("/inkwell/books/saltmere/accounts/4090", "name=Other+income&type=revenue&active=true");
        world.standIns()
                .desk("/inkwell/books/saltmere/accounts/4060", "name=Charts+and+books&type=revenue&active=true");
        world.standIns()
                .desk("/inkwell/books/saltmere/accounts/4015", "name=Paint+and+coatings&type=revenue&active=true");
        admin.post("/api/pull?route=yard", Map.of());
    }

    @Test
    void everyChangeIsListedWithWhatUsesIt() {
        world.standIns()
                .desk("/inkwell/books/saltmere/accounts/4015", "name=Paint+and+coatings&type=revenue&active=false");
        world.standIns().desk("/inkwell/books/saltmere/accounts/4090", "name=Sundry+income&type=revenue&active=true");
        world.standIns().desk("/inkwell/books/saltmere/tax-codes/R13", "rate=13&active=true");
        JsonNode changes = pullAndList();
        assertThat(row(changes, "4015").get("what").asString()).isEqualTo("inactive");
        assertThat(row(changes, "4015").get("uses").asInt()).isOne();
        assertThat(row(changes, "4015").get("documents").asInt()).isEqualTo(42);
        assertThat(row(changes, "4090").get("what").asString()).isEqualTo("changed");
        assertThat(row(changes, "4090").get("uses").asInt())
                .as("the harbour's fee income")
                .isOne();
        assertThat(row(changes, "R13").get("before").asString()).contains("13.5");
        assertThat(changes).hasSize(3);
        assertThat(new Yard(admin).counts().get("Ready"))
                .as("what they block is blocked at once")
                .isLessThan(50);

        world.standIns()
                .desk("/inkwell/books/saltmere/accounts/4015", "name=Paint+and+coatings&type=revenue&active=true");
        world.standIns().desk("/inkwell/books/saltmere/tax-codes/R13", "rate=13.5&active=true");
        assertThat(row(pullAndList(), "4015").get("what").asString()).isEqualTo("active");
        assertThat(new Yard(admin).counts()).containsEntry("Ready", 89);
        assertThat(pullAndList()).as("a pull without news lists nothing").isEmpty();
    }

    @Test
    void whereNothingIsNewEachSideIsAskedOnce() {
        admin.post("/api/pull?route=yard", Map.of());
        awaitTheChecksThatNewsAskedFor();
        int ledgerAsked = world.standIns().asked("inkwell");
        int sourceAsked = world.standIns().asked("hullwork");
        long version = version();
        assertThat(admin.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("sentence")
                        .asString())
                .isEqualTo("Nothing new on either side");
        assertThat(world.standIns().asked("inkwell") - ledgerAsked).isOne();
        assertThat(world.standIns().asked("hullwork") - sourceAsked).isOne();
        assertThat(version()).as("nothing is compiled").isEqualTo(version);

        world.standIns().desk("/inkwell/books/saltmere/accounts/4090", "name=Sundry+income&type=revenue&active=true");
        admin.post("/api/pull?route=yard", Map.of());
        assertThat(version()).as("one account is news").isGreaterThan(version);
        assertThat(world.standIns().asked("inkwell") - ledgerAsked).isGreaterThan(5);
    }

    /// They ask the ledger too, a moment after what was brought.
    private static void awaitTheChecksThatNewsAskedFor() {
        Await.until(
                "the checks have run",
                () -> world.jdbc()
                                .sql("select count(*) from scheduled_tasks where task_name = 'readiness'")
                                .query(Integer.class)
                                .single()
                        == 0);
    }

    private static long version() {
        return world.jdbc()
                .sql("select version from ledger where id = :id")
                .param("id", ledger)
                .query(Long.class)
                .single();
    }

    @Test
    void whatIsNoLongerToldOfIsGoneAndComesBack() {
        world.jdbc()
                .sql(
                        "insert into ledger_account (ledger_id, code, name, type, active) values (:id, '9999', 'Ghost', 'EXPENSE', true)")
                .param("id", ledger)
                .update();
        assertThat(row(pullAndList(), "9999").get("what").asString()).isEqualTo("gone");
        assertThat(reference("ACCOUNT", "text=9999").get("rows")).isEmpty();

        world.jdbc()
                .sql("update ledger_account set gone = true, active = false where code = '4060'")
                .update();
        JsonNode back = row(pullAndList(), "4060");
        assertThat(back.get("what").asString()).isEqualTo("active");
        assertThat(back.get("after").asString()).contains("Charts and books");
        assertThat(reference("ACCOUNT", "text=4060").get("rows")).hasSize(1);
    }

    @Test
    void aPullSaysHowManyRowsItChanged() {
        world.jdbc().sql("delete from ledger_account where code = '3000'").update();
        world.standIns()
                .desk("/inkwell/books/saltmere/accounts/4015", "name=Paint+and+coatings&type=revenue&active=false");
        world.standIns().desk("/inkwell/books/saltmere/accounts/4090", "name=Sundry+income&type=revenue&active=true");
        pullAndList();
        JsonNode pull =
                admin.get("/api/connect/ledgers/" + ledger + "/pulls").json().get(0);
        assertThat(List.of("added", "changed", "inactive", "gone"))
                .extracting(count -> pull.get(count).asInt())
                .containsExactly(1, 1, 1, 0);
    }

    @Test
    void rowsAreFoundByAnyPartWithoutRegardToCaseAndWithoutWildcards() {
        assertThat(reference("ACCOUNT", "text=cHARTS+and")
                        .get("rows")
                        .get(0)
                        .get("code")
                        .asString())
                .isEqualTo("4060");
        assertThat(reference("ACCOUNT", "text=406").get("rows")).hasSize(1);
        assertThat(reference("ACCOUNT", "text=%25").get("rows")).isEmpty();
        assertThat(reference("PARTY", "text=_").get("rows")).isEmpty();
    }

    @Test
    void whatCannotBeUsedChangesNothing() {
        world.standIns().desk("/inkwell/books/saltmere/accounts/4090", "name=Sundry&type=quantum&active=true");
        world.standIns().desk("/inkwell/books/saltmere/accounts/4060", "name=Renamed&type=revenue&active=true");
        Api.Response refused = admin.post("/api/pull?route=yard", Map.of());
        assertThat(refused.status()).isEqualTo(502);
        assertThat(refused.json().get("sentence").asString())
                .isEqualTo(
                        "Inkwell answered what cannot be used: account 4090 is of the unknown type “quantum”. Nothing was changed here.");
        assertThat(reference("ACCOUNT", "text=4060")
                        .get("rows")
                        .get(0)
                        .get("name")
                        .asString())
                .isEqualTo("Charts and books");
        JsonNode pull =
                admin.get("/api/connect/ledgers/" + ledger + "/pulls").json().get(0);
        assertThat(pull.get("state").asString()).isEqualTo("failed");
        assertThat(pull.get("problem").asString()).contains("quantum", "Nothing was changed");
        assertThat(world.jdbc()
                        .sql("select count(*) from pulled")
                        .query(Integer.class)
                        .single())
                .isZero();

        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        assertThat(admin.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("unreachable");
        world.standIns().fault("inkwell", "NONE", 0);
    }

    @Test
    void aPullWhoseServerDiedIsNotWaitedForAndOneThatLivesIs() {
        world.standIns().desk("/inkwell/books/saltmere/accounts/4090", "name=Sundry+income&type=revenue&active=true");
        world.jdbc()
                .sql(
                        "insert into reference_pull (ledger_id, who, started_at, state) values (:id, 'X', now(), 'running')")
                .param("id", ledger)
                .update();
        Api.Response told = admin.post("/api/pull?route=yard", Map.of());
        assertThat(told.status()).isEqualTo(409);
        assertThat(told.json().get("sentence").asString()).startsWith("X is pulling since");
        world.jdbc()
                .sql("update reference_pull set seen_at = now() - interval '61 seconds' where state = 'running'")
                .update();
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
    }

    @Test
    void onlyWhatNothingUsesCanBeHidden() {
        assertThat(hide("4015", true).status()).as("used by a category").isEqualTo(409);
        assertThat(hide("3000", true).status()).isEqualTo(204);
        JsonNode page = reference("ACCOUNT", "text=");
        assertThat(page.get("hidden").asInt()).isOne();
        assertThat(page.get("rows").valueStream().map(row -> row.get("code").asString()))
                .contains("4015")
                .doesNotContain("3000");
        assertThat(reference("ACCOUNT", "hidden=true").get("rows").valueStream())
                .anyMatch(row -> row.get("code").asString().equals("3000")
                        && row.get("hidden").asBoolean());
        assertThat(hide("3000", false).status()).isEqualTo(204);
        assertThat(hide("no-such", true).status()).isEqualTo(404);
    }

    @Test
    void usesNameTheRowsAndCountTheirDocuments() {
        JsonNode uses = admin.get("/api/connect/ledgers/" + ledger + "/reference/TAX_CODE/uses?code=S23")
                .json()
                .get("uses");
        assertThat(uses).hasSize(2);
        assertThat(uses.get(1).get("route").asString()).isEqualTo("yard");
        assertThat(uses.get(1).get("documents").asInt()).isGreaterThan(100);
    }

    @Test
    void bothSidesAreCountedBesideEachOther() {
        Yard yard = new Yard(world.api("ferro"));
        long id = yard.documents("Ready").getFirst().get("id").asLong();
        yard.awaitFinished(yard.send(List.of(id)));
        JsonNode counts = admin.get("/api/connect/counts?route=yard").json();
        assertThat(figure(counts, "Parties", "source")).isEqualTo("31");
        assertThat(figure(counts, "Documents posted", "source")).isEqualTo("1");
        assertThat(figure(counts, "Documents posted", "ledger"))
                .as("and the old invoice")
                .isEqualTo("2");
        assertThat(figure(counts, "Paid in EUR", "ledger")).isEqualTo("318.20");
    }

    private static JsonNode pullAndList() {
        new Yard(admin).pullReference();
        long pull = admin.get("/api/connect/ledgers/" + ledger + "/pulls")
                .json()
                .get(0)
                .get("id")
                .asLong();
        return admin.get("/api/connect/pulls/" + pull + "/changes").json().get("changes");
    }

    private static JsonNode reference(String kind, String query) {
        return admin.get("/api/connect/ledgers/" + ledger + "/reference/" + kind + "?" + query)
                .json();
    }

    private static Api.Response hide(String code, boolean hidden) {
        return admin.put(
                "/api/connect/ledgers/" + ledger + "/reference/ACCOUNT/hidden", Map.of("code", code, "hidden", hidden));
    }

    private static JsonNode row(JsonNode changes, String code) {
        for (JsonNode row : changes) {
            if (row.get("code").asString().equals(code)) {
                return row;
            }
        }
        throw new AssertionError(code + " is not in " + changes);
    }

    private static String figure(JsonNode counts, String name, String side) {
        return counts.valueStream()
                .filter(row -> row.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get(side)
                .asString();
    }
}
