package alcabala.server.connect;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// The other harbour: a site without a route, a ledger of files, and the way from the one to the other. In the order in
/// which a bookkeeper does it, each step on what the one before left.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class SitesTest {
    private static World world;
    private static Api admin;
    private static Api desk;
    private static long copperplate;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        desk = new Api(world.standIns().address());
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    @Order(1)
    void documentsOfASiteWithoutARouteWaitUnderOneFinding() {
        JsonNode route = admin.get("/api/routes").json().get(2);
        assertThat(route.get("ledger").asString()).isEmpty();
        JsonNode summary = admin.get("/api/summary?route=unrouted-1").json();
        assertThat(summary.get("causes").get(0).get("cause").asString()).isEqualTo("unrouted:Port Ellery");
        assertThat(summary.get("causes").get(0).get("sentence").asString())
                .isEqualTo("Port Ellery has no route to a ledger.");
        assertThat(summary.get("causes").get(0).get("documents").asInt())
                .as("and three drafts wait")
                .isEqualTo(21);
        JsonNode check = check("yard", "ROUTES");
        assertThat(check.get("verdict").asString()).isEqualTo("WARNS");
        assertThat(check.get("found").asString()).contains("Port Ellery, 24 documents, CA$");
        for (String path : List.of(
                "readiness?",
                "map/party?",
                "map/choices?kind=ITEM&purpose=INCOME&",
                "map/row?kind=ITEM&code=X&",
                "settings?",
                "connect/counts?",
                "batches?")) {
            assertThat(admin.get("/api/" + path + "route=unrouted-1")
                            .json()
                            .get("code")
                            .asString())
                    .as(path)
                    .isEqualTo("route-nowhere");
        }
        assertThat(admin.put(
                                "/api/settings",
                                Map.of(
                                        "route",
                                        "unrouted-1",
                                        "changes",
                                        List.of(Map.of("setting", "ARRIVAL", "value", "draft", "expectedVersion", 0))))
                        .status())
                .isEqualTo(422);
    }

    @Test
    @Order(2)
    void aLedgerOfFilesIsAddedOnceAndCannotBeAsked() {
        Map<String, String> ledger = Map.of(
                "kind", "copperplate", "name", "Copperplate", "company", "Corvane Port Ellery", "currency", "CAD");
        copperplate = admin.post("/api/connect/ledgers/files", ledger)
                .json()
                .get("ledger")
                .asLong();
        assertThat(admin.post("/api/connect/ledgers/files", ledger)
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("already-connected");
        assertThat(admin.post(
                                "/api/connect/ledgers/files",
                                Map.of("kind", "copperplate", "name", "Other", "company", "Other", "currency", "XQZ"))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("currency-unknown");
        assertThat(admin.post("/api/connect/ledgers/" + copperplate + "/test", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("cannot");
        assertThat(admin.get("/api/road?route=yard").json().get("lost").asInt()).isZero();
    }

    @Test
    @Order(3)
    void aFileThatCannotBeReadIsExplainedAndNothingIsHalfKept() {
        byte[] accounts = export("accounts", ";", "UTF-8");
        expect(
                "It is not UTF-8; it looks like windows-1252",
                Map.of("accounts.csv", accounts, "parties.csv", export("parties", ";", "windows-1252")));
        expect("looks like UTF-16", Map.of("terms.csv", export("terms", ";", "UTF-16")));
        expect(
                "one column only",
                Map.of("terms.csv", "Terms|Title|Days|Open\nN30|x|30|yes".getBytes(StandardCharsets.UTF_8)));
        expect(
                "are of no list that Copperplate writes",
                Map.of("boats.csv", "Boat;Length\nDrake;9".getBytes(StandardCharsets.UTF_8)));
        expect(
                "“earnings” cannot stand here",
                Map.of(
                        "a.csv",
                        new String(accounts, StandardCharsets.UTF_8)
                                .replace("income", "earnings")
                                .getBytes(StandardCharsets.UTF_8)));
        expect("only one of them can be right", new LinkedHashMap<>(Map.of("a.csv", accounts, "b.csv", accounts)));
        assertThat(rows("ACCOUNT")).as("of the good files beside them neither").isZero();
        assertThat(admin.multipart(
                                "/api/connect/ledgers/"
                                        + admin.get("/api/connect")
                                                .json()
                                                .get("ledgers")
                                                .get(0)
                                                .get("id")
                                                .asLong() + "/lists",
                                Map.of("a.csv", accounts))
                        .status())
                .as("Inkwell is asked directly")
                .isEqualTo(422);
    }

    private static void expect(String sentence, Map<String, byte[]> files) {
        JsonNode outcome = take(files);
        assertThat(outcome.has("pull")).isFalse();
        assertThat(outcome.get("problems").toString()).contains(sentence.replace("It is", "The file is"));
    }

    @Test
    @Order(4)
    void itsListsBecomeReferenceDataWhateverTheSeparator() {
        JsonNode outcome = take(Map.of(
                "accounts.csv", export("accounts", ";", "UTF-8"),
                "tax.csv", export("tax-codes", ",", "UTF-8"),
                "parties.csv", export("parties", "%09", "UTF-8"),
                "terms.csv", export("terms", ";", "UTF-8")));
        assertThat(outcome.get("problems").isEmpty()).isTrue();
        assertThat(outcome.get("changes").asInt()).isEqualTo(16 + 3 + 3 + 3);
        assertThat(rows("TERM")).isEqualTo(3);
        assertThat(take(Map.of("terms.csv", export("terms", ",", "UTF-8")))
                        .get("changes")
                        .asInt())
                .as("the same again, and the other lists stay")
                .isZero();
        assertThat(rows("ACCOUNT")).isEqualTo(16);
        JsonNode ledger = admin.get("/api/connect").json().get("ledgers").get(1);
        assertThat(ledger.get("state").asString()).isEqualTo("files");
        assertThat(ledger.get("terms").asInt()).isEqualTo(3);
        assertThat(ledger.get("accounts").asInt()).isEqualTo(16);
    }

    @Test
    @Order(5)
    void whatWouldGoWhereIsSeenBeforeTheRouteIsThere() {
        JsonNode site = ways("Port Ellery");
        assertThat(site.get(0).get("site").asString()).isEqualTo("Port Ellery");
        assertThat(site.get(0).get("documents").asInt()).isEqualTo(24);
        assertThat(site.get(0).get("currency").asString()).isEqualTo("CAD");
        assertThat(site.get(0).get("now").asString()).isEmpty();
        assertThat(site.get(0).get("then").asString()).isEqualTo("Copperplate");
        assertThat(site.get(1).get("then").asString())
                .as("Saltmere keeps its own")
                .isEqualTo("Inkwell");
        assertThat(ways("").get(0).get("then").asString())
                .as("a default takes what has none")
                .isEqualTo("Copperplate");
        assertThat(ways("Saltmere").get(0).get("then").asString()).isEmpty();
        assertThat(admin.get("/api/routes").json().size()).as("nothing changed").isEqualTo(3);
    }

    private static JsonNode ways(String site) {
        return admin.get("/api/map/ways?source=1&ledger=Copperplate&site=" + site.replace(" ", "%20"))
                .json();
    }

    @Test
    @Order(6)
    void theRouteLeadsTheSiteAndNothingElse() {
        assertThat(addRoute("ellery", "Port Ellery").status()).isEqualTo(200);
        assertThat(addRoute("ellery-two", "Port Ellery").json().get("code").asString())
                .isEqualTo("site-routed");
        assertThat(admin.get("/api/routes").json().size())
                .as("nothing waits nowhere any more")
                .isEqualTo(3);
        JsonNode summary = admin.get("/api/summary?route=ellery").json();
        assertThat(summary.get("currency").asString()).isEqualTo("CAD");
        assertThat(summary.get("causes").findValuesAsString("cause"))
                .contains("tax-unmapped:GST+PST", "role-unset:RECEIVABLES_CONTROL");
        assertThat(check("yard", "ROUTES").get("verdict").asString()).isEqualTo("PASSES");
        assertThat(admin.get("/api/documents?route=yard&limit=500")
                        .json()
                        .get("rows")
                        .size())
                .isEqualTo(150);
    }

    private static Api.Response addRoute(String code, String site) {
        return admin.post(
                "/api/connect/routes",
                Map.of(
                        "code",
                        code,
                        "source",
                        1,
                        "ledger",
                        copperplate,
                        "site",
                        site,
                        "business",
                        "Corvane Boatyards",
                        "taxIdentifiers",
                        List.of()));
    }

    @Test
    @Order(7)
    void twoTaxesOnALineGoToOneCodeAndASecondCodeOnADocumentIsAFinding() {
        map("TAX", "GST+PST", "BOTH", "");
        map("TAX", "GST", "FED", "");
        map("ROLE", "RECEIVABLES_CONTROL", "", "1200");
        map("ROLE", "SALES", "", "4100");
        map("ROLE", "ROUNDING", "", "6100");
        map("ROLE", "FEE_INCOME", "", "4300");
        for (String category : List.of("chandlery", "paint", "storage")) {
            map("CATEGORY", category, "", "4100");
        }
        map("ITEM", "RIG-0042", "", "4100");
        map("ITEM", "ENG-0310", "", "4100");
        map("PARTY", "C-2001", "P-301", "");
        map("PARTY", "C-2003", "P-302", "");
        JsonNode summary = admin.get("/api/summary?route=ellery").json();
        assertThat(summary.get("causes").findValuesAsString("cause")).containsExactly("several-tax-codes:BOTH+FED");
        assertThat(summary.get("causes").get(0).get("documents").asInt()).isEqualTo(2);
        JsonNode ready = admin.get("/api/documents?route=ellery&state=Ready&limit=50")
                .json()
                .get("rows")
                .get(0);
        JsonNode why =
                admin.get("/api/documents/" + ready.get("id").asLong() + "/why").json();
        assertThat(why.get("journal").get("lines").findValuesAsString("account"))
                .contains("1200", "2310");
        assertThat(why.get("journal").get("debit")).isEqualTo(why.get("journal").get("credit"));
    }

    private static void map(String kind, String code, String counterpart, String account) {
        Api.Response answer = admin.put("/api/map/row", Yard.row("ellery", kind, code, counterpart, account, 0));
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
    }

    @Test
    @Order(8)
    void aBatchForALedgerOfFilesCreatesNobodyUnasked() {
        assertThat(admin.post("/api/batches/preview", Map.of("route", "ellery"))
                        .json()
                        .get("count")
                        .asInt())
                .isEqualTo(19);
        Api.Response no = Yard.trySend(admin, Map.of("route", "ellery"));
        assertThat(no.json().get("code").asString()).isEqualTo("creates-silently");
        JsonNode checks = admin.get("/api/readiness?route=ellery").json().get("checks");
        assertThat(checks.findValuesAsString("check")).contains("TAX_CODES").doesNotContain("CONSENT", "PERIOD");
        assertThat(admin.get("/api/connect/counts?route=ellery")
                        .json()
                        .get(1)
                        .get("ledger")
                        .asString())
                .isEmpty();
        assertThat(admin.post("/api/pull?route=ellery", Map.of()).status()).isEqualTo(200);
    }

    @Test
    @Order(9)
    void anAccountClosedInCopperplateBlocksWhatUsesItOnceTheListIsTaken() {
        desk.form("/copperplate/accounts/open", "key=4100");
        JsonNode outcome = take(Map.of("accounts.csv", export("accounts", ";", "UTF-8")));
        assertThat(outcome.get("changes").asInt()).isEqualTo(1);
        assertThat(admin.get("/api/summary?route=ellery").json().get("causes").findValuesAsString("cause"))
                .contains("account-unusable:4100");
        desk.form("/copperplate/accounts/open", "key=4100&open=true");
        take(Map.of("accounts.csv", export("accounts", ";", "UTF-8")));
        assertThat(admin.get("/api/summary?route=ellery").json().get("causes").size())
                .isEqualTo(1);
    }

    @Test
    @Order(10)
    void aDocumentThatComesLaterTakesTheWayOfItsSite() {
        world.standIns().desk("/hullwork/documents/d-30124/approve", "");
        admin.post("/api/pull?route=yard", Map.of());
        assertThat(admin.get("/api/documents?route=ellery&state=Ready&limit=50")
                        .json()
                        .get("rows")
                        .findValuesAsString("number"))
                .contains("HP-30124");
    }

    @Test
    @Order(11)
    void aLedgerOfFilesIsTakenUpAgainAsItWas() {
        assertThat(admin.delete("/api/connect/ledgers/" + copperplate).status()).isEqualTo(204);
        assertThat(take(Map.of("terms.csv", export("terms", ";", "UTF-8")))
                        .get("code")
                        .asString())
                .isEqualTo("access-lost");
        Map<String, String> ledger = Map.of(
                "kind", "copperplate", "name", "Copperplate", "company", "Corvane Port Ellery", "currency", "CAD");
        assertThat(admin.post("/api/connect/ledgers/files", ledger)
                        .json()
                        .get("ledger")
                        .asLong())
                .isEqualTo(copperplate);
        assertThat(rows("ACCOUNT")).isEqualTo(16);
    }

    @Test
    @Order(12)
    void theOtherAppsConnectByTheirKeysAndTellWhatTheyKnow() {
        assertThat(connect("storeloft", "hullwork-demo-key").json().get("code").asString())
                .isEqualTo("key-wrong");
        for (String app : List.of("storeloft", "refitline")) {
            long id = connect(app, app + "-demo-key").json().get("source").asLong();
            assertThat(admin.post("/api/pull/sources/" + id, Map.of()).status()).isEqualTo(200);
        }
        JsonNode sources = admin.get("/api/connect").json().get("sources");
        JsonNode storeloft = sources.get(2);
        assertThat(storeloft.get("parties").asInt()).isEqualTo(5);
        assertThat(storeloft.get("items").asInt()).isEqualTo(7);
        assertThat(storeloft.get("sites").toString()).isEqualTo("[\"Port Ellery\",\"Saltmere\"]");
        assertThat(sources.get(3).get("items").asInt()).isEqualTo(5);
        world.standIns().fault("storeloft", "UNAVAILABLE", 0);
        assertThat(admin.post("/api/pull/sources/" + storeloft.get("id").asLong(), Map.of())
                        .json()
                        .get("sentence")
                        .asString())
                .startsWith("Storeloft did not answer");
        world.standIns().fault("storeloft", "NONE", 0);
    }

    private static Api.Response connect(String app, String key) {
        return admin.post(
                "/api/connect/sources",
                Map.of("kind", app, "address", world.standIns().address() + "/" + app, "name", "", "key", key));
    }

    private static byte[] export(String list, String separator, String encoding) {
        String text = desk.get("/copperplate/export/" + list + ".csv?separator=" + separator.replace(";", "%3B"))
                .body();
        return text.getBytes(Charset.forName(encoding));
    }

    private static JsonNode take(Map<String, byte[]> files) {
        return admin.multipart("/api/connect/ledgers/" + copperplate + "/lists", files)
                .json();
    }

    private static int rows(String kind) {
        return admin.get("/api/connect/ledgers/" + copperplate + "/reference/" + kind)
                .json()
                .get("rows")
                .size();
    }

    @Test
    @Order(20)
    void aRouteEndsAndItsWaitingDocumentsGoTheWayOfTheirSite() {
        JsonNode ways = admin.get("/api/map/ways/ending?route=ellery").json();
        assertThat(ways.get(0).get("site").asString()).isEqualTo("Port Ellery");
        assertThat(ways.get(0).get("now").asString()).isEqualTo("Copperplate");
        assertThat(ways.get(0).get("then").asString()).isEmpty();
        int waiting =
                ways.valueStream().mapToInt(way -> way.get("documents").asInt()).sum();
        assertThat(waiting).isPositive();
        int before = causes("ellery");

        assertThat(admin.delete("/api/connect/routes/ellery").status()).isEqualTo(200);
        assertThat(admin.delete("/api/connect/routes/ellery").json().get("code").asString())
                .isEqualTo("route-ended");
        assertThat(documentsOn("unrouted-1")).isEqualTo(waiting);
        assertThat(documentsOn("ellery")).isZero();
        assertThat(routes()).doesNotContain("ellery").contains("unrouted-1");
        assertThat(connected("ellery").get("ended").asBoolean())
                .as("it can be begun again from there")
                .isTrue();

        assertThat(admin.post("/api/connect/routes/ellery/again", Map.of()).status())
                .isEqualTo(200);
        assertThat(documentsOn("ellery")).isEqualTo(waiting);
        assertThat(causes("ellery")).as("with its crosswalk").isEqualTo(before);
        assertThat(admin.post("/api/connect/routes/ellery/again", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("route-leads");
        assertThat(admin.get("/api/trail?text=ellery")
                        .json()
                        .get(0)
                        .get("action")
                        .asString())
                .isEqualTo("route-begun-again");
    }

    @Test
    @Order(21)
    void whatCrossedStaysWithAnEndedRoute() {
        Yard yard = new Yard(admin);
        long id = yard.documents("Ready").getFirst().get("id").asLong();
        yard.awaitFinished(yard.send(List.of(id)));
        assertThat(admin.delete("/api/connect/routes/ellery").status()).isEqualTo(200);
        assertThat(admin.delete("/api/connect/routes/yard").status()).isEqualTo(200);
        twoCurrenciesAreNotAddedUp();
        assertThat(admin.post("/api/connect/routes/ellery/again", Map.of()).status())
                .isEqualTo(200);
        assertThat(documentsOn("yard")).as("the one that crossed").isOne();
        assertThat(routes()).contains("yard");
        assertThat(admin.post("/api/pull?route=yard", Map.of()).status())
                .as("its payments still come back")
                .isEqualTo(200);
        assertThat(documentsOn("yard")).isOne();

        assertThat(addRoute("ellery-default", "").status()).isEqualTo(200);
        assertThat(admin.post("/api/connect/routes/yard/again", Map.of()).status())
                .as("the default route does not stand in its way")
                .isEqualTo(200);
        assertThat(documentsOn("yard")).isGreaterThan(100);
        assertThat(admin.delete("/api/connect/routes/ellery-default").status()).isEqualTo(200);
    }

    @Test
    @Order(22)
    void aRouteIsNotEndedUnderDocumentsThatCannotGoElsewhere() {
        Api.Response files = admin.delete("/api/connect/routes/harbour");
        assertThat(files.json().get("code").asString()).isEqualTo("files-wait");
        assertThat(connected("harbour").get("ended").asBoolean()).isFalse();
        world.jdbc()
                .sql(
                        "update record set outcome = 'unconfirmed' where id = (select min(id) from record where route_id = "
                                + "(select id from route where code = 'yard') and outcome is null)")
                .update();
        assertThat(admin.delete("/api/connect/routes/yard").json().get("code").asString())
                .isEqualTo("on-its-way");
        world.jdbc()
                .sql("update record set outcome = null where outcome = 'unconfirmed'")
                .update();
        assertThat(admin.delete("/api/connect/routes/unrouted-1").status()).isEqualTo(422);
        assertThat(admin.delete("/api/connect/routes/no-such").status()).isEqualTo(404);
    }

    private static void twoCurrenciesAreNotAddedUp() {
        JsonNode nowhere = connected("unrouted-1").get("waiting");
        assertThat(nowhere.findValuesAsString("currency")).containsExactly("CAD", "EUR");
        Map<String, BigDecimal> bySum = new HashMap<>();
        admin.get("/api/summary?route=unrouted-1")
                .json()
                .get("states")
                .forEach(state -> state.get("gross")
                        .forEach(sum -> bySum.merge(
                                sum.get("currency").asString(),
                                sum.get("amount").asDecimal(),
                                BigDecimal::add)));
        Map<String, BigDecimal> byDocument = new HashMap<>();
        admin.get("/api/documents?limit=500&route=unrouted-1")
                .json()
                .get("rows")
                .forEach(row -> {
                    BigDecimal gross = row.get("gross").asDecimal();
                    boolean credit = row.get("kind").asString().equals("credit-note");
                    byDocument.merge(row.get("currency").asString(), credit ? gross.negate() : gross, BigDecimal::add);
                });
        assertThat(bySum).isEqualTo(byDocument).hasSize(2);
    }

    private static int documentsOn(String route) {
        return admin.get("/api/documents?limit=500&route=" + route)
                .json()
                .get("rows")
                .size();
    }

    private static int causes(String route) {
        return admin.get("/api/summary?route=" + route).json().get("causes").size();
    }

    private static List<String> routes() {
        return admin.get("/api/routes").json().findValuesAsString("code");
    }

    private static JsonNode connected(String code) {
        return admin.get("/api/connect")
                .json()
                .get("routes")
                .valueStream()
                .filter(route -> route.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static JsonNode check(String route, String name) {
        return admin.get("/api/readiness?route=" + route)
                .json()
                .get("checks")
                .valueStream()
                .filter(each -> each.get("check").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
