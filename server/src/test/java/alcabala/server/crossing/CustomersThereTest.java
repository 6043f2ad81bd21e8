package alcabala.server.crossing;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// Who of the source becomes a customer on the ledger is a setting of the route.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CustomersThereTest {
    private static World world;
    private static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        yard = new Yard(world.api("ferro"));
        yard.mapEverything();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static void decide(String customers) {
        Yard.decide(world.api("admin"), "yard", "CUSTOMERS", customers);
    }

    /// A document of a firm that is not on the ledger yet.
    private static JsonNode ofNewcomer() {
        return yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> world.jdbc()
                        .sql("""
                        select p.body->'contacts'->0 is not null and not exists (select 1 from crosswalk_row c
                            where c.kind = 'PARTY' and c.code = p.code)
                        from record d join source_party p on p.source_id = d.source_id and p.code = d.party_code where d.id = :id""")
                        .param("id", row.get("id").asLong())
                        .query(Boolean.class)
                        .single())
                .findFirst()
                .orElseThrow();
    }

    /// What the page of the setting shows before it is decided.
    private static String shown(String customers) {
        return world.api("admin")
                .get("/api/settings/preview?route=yard&setting=CUSTOMERS&value=" + customers)
                .body();
    }

    private static JsonNode send(JsonNode row) {
        yard.awaitFinished(yard.send(List.of(row.get("id").asLong())));
        String ref = world.jdbc()
                .sql("select ledger_ref from link where record_id = :id")
                .param("id", row.get("id").asLong())
                .query(String.class)
                .single();
        return world.standIns().inkwell("/documents/" + ref);
    }

    private static JsonNode party(String id) {
        return world.standIns()
                .inkwell("/parties")
                .valueStream()
                .filter(each -> each.get("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static String projectOf(JsonNode row) {
        return world.jdbc()
                .sql("""
                select v.content->'lines'->0->>'project' from record d join record_revision v on v.id = d.revision_id
                where d.id = :id""")
                .param("id", row.get("id").asLong())
                .query(String.class)
                .single();
    }

    @Test
    @Order(1)
    void aClientGoesAloneOrWithThoseToSpeakTo() {
        assertThat(party(send(ofNewcomer()).get("party").asString()).get("contacts"))
                .isEmpty();
        assertThat(shown("project")).contains("\"Customer\"", ", WO-");
        assertThat(shown("sub-project")).contains("nothing below a customer");
        assertThat(shown("with-contacts")).contains(", with those to speak to");
        decide("with-contacts");
        JsonNode there = party(send(ofNewcomer()).get("party").asString());
        assertThat(there.get("contacts").findValuesAsString("name")).containsExactly("Accounts desk", "Duty officer");
        assertThat(there.get("shipTo").get("city").asString())
                .as("both addresses cross")
                .isEqualTo("Saltmere");
    }

    @Test
    @Order(2)
    void belowItsClientOnlyWhereTheLedgerHasThatAndTheClientIsThereFirst() {
        int ready = yard.counts().get("Ready");
        decide("sub-project");
        assertThat(yard.counts().getOrDefault("Ready", 0)).isLessThan(ready);
        assertThat(yard.documents("Blocked").getFirst().toString()).contains("nothing below a customer");
        world.standIns().desk("/inkwell/books/saltmere/settings/sub-parties", "on=true");
        new Yard(world.api("admin")).pullReference();
        assertThat(yard.counts().get("Ready")).isEqualTo(ready);
        JsonNode row = ofNewcomer();
        JsonNode project = party(send(row).get("party").asString());
        assertThat(project.get("name").asString()).endsWith(", " + projectOf(row));
        assertThat(party(project.get("parent").asString()).get("name").asString())
                .isEqualTo(project.get("name").asString().replace(", " + projectOf(row), ""));
    }

    @Test
    @Order(3)
    void eachProjectUnderItsClientsNameCanBeMappedLikeAnyOther() {
        decide("project");
        JsonNode row = ofNewcomer();
        String code = world.jdbc()
                        .sql("select party_code from record where id = :id")
                        .param("id", row.get("id").asLong())
                        .query(String.class)
                        .single()
                + " > " + projectOf(row);
        Api ferro = world.api("ferro");
        assertThat(ferro.get("/api/map/party?route=yard&limit=1000")
                        .json()
                        .get("rows")
                        .findValuesAsString("code"))
                .contains(code);
        yard.map("PARTY", code, "IC-1006", "");
        assertThat(send(row).get("party").asString()).isEqualTo("IC-1006");
        JsonNode other = ofNewcomer();
        JsonNode created = party(send(other).get("party").asString());
        assertThat(created.get("name").asString()).endsWith(projectOf(other));
        assertThat(created.hasNonNull("parent")).isFalse();
    }

    @Test
    @Order(4)
    void aPaymentGoesToWhoeverItsDocumentWentTo() {
        Map<String, Object> paid = world.jdbc().sql("""
                select d.source_ref as ref, d.number, l.ledger_ref from record d join link l on l.record_id = d.id
                where d.kind = 'invoice' order by d.id limit 1""").query().singleRow();
        Yard.decide(world.api("admin"), "yard", "PAYMENTS", "to-ledger");
        yard.map("MEANS", "30 EUR", "", "1000");
        world.standIns()
                .desk(
                        "/hullwork/documents/" + paid.get("ref") + "/payments",
                        "amount=5.00&date=2026-11-28&means=30&reference=x&deducted=&deduction=");
        world.api("ferro").post("/api/pull?route=yard", Map.of());
        JsonNode row = yard.documents("Ready").stream()
                .filter(each -> each.get("kind").asString().equals("payment-in"))
                .findFirst()
                .orElseThrow();
        long batch = yard.send(List.of(row.get("id").asLong()));
        yard.awaitFinished(batch);
        assertThat(world.standIns()
                        .inkwell("/documents/" + paid.get("ledger_ref"))
                        .get("paid")
                        .asDecimal())
                .isEqualByComparingTo("5.00");
    }

    /// With its row made, so that its first document does not make it again; what may be there already is asked about.
    @Test
    @Order(5)
    void aPartyCanBeCreatedBeforeItsFirstDocumentAndPutOutOfSight() {
        decide("organisation");
        Api ferro = world.api("ferro");
        String code = world.jdbc().sql("""
                select p.code from source_party p join source s on s.id = p.source_id where s.name = 'Hullwork'
                    and p.code not like '% > %' and not exists (select 1 from crosswalk_row c where c.kind = 'PARTY' and c.code = p.code)
                    and not exists (select 1 from finding f where f.cause in ('party-doubtful:' || p.code)) order by p.code desc limit 1""").query(String.class).single();
        Map<String, Object> asked = Map.of("route", "yard", "code", code);
        assertThat(ferro.put("/api/map/parties/hidden", Map.of("route", "yard", "code", code, "hidden", true))
                        .status())
                .isEqualTo(200);
        assertThat(codes("")).doesNotContain(code);
        assertThat(codes("hidden")).containsExactly(code);
        ferro.put("/api/map/parties/hidden", Map.of("route", "yard", "code", code, "hidden", false));
        assertThat(codes("")).contains(code);

        String id = ferro.post("/api/map/parties/creation", asked)
                .json()
                .get("code")
                .asString();
        assertThat(party(id).get("externalReference").asString()).endsWith("party:" + code);
        assertThat(ferro.post("/api/map/parties/creation", asked)
                        .json()
                        .get("code")
                        .asString())
                .as("once")
                .isEqualTo(id);
        assertThat(ferro.post("/api/map/parties/creation", Map.of("route", "yard", "code", "nobody"))
                        .status())
                .isEqualTo(404);
    }

    private static List<String> codes(String only) {
        return world.api("ferro")
                .get("/api/map/party?route=yard&limit=1000&only=" + only)
                .json()
                .get("rows")
                .findValuesAsString("code");
    }
}
