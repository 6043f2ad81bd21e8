package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// A supplier's bill, from the file to its payment.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PurchasesTest {
    private static World world;
    private static Api admin;
    private static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        yard = new Yard(admin);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    @Order(1)
    void aBillCrossesOnceTheRouteSaysSoAndHasWhatItNeeds() {
        assertThat(check("DEFAULT_FOR_PURCHASES").get("verdict").asString()).isEqualTo("PASSES");
        long bill = takeIn("TW-3381", "Tarpaulin Works", "IE5530192N");
        assertThat(causes("TW-3381")).containsExactly("does-not-cross:bill");
        assertThat(covered("PAYABLES_CONTROL")).isEqualTo("not needed: no purchases cross here");

        decide("BILLS", "to-ledger");
        assertThat(causes("TW-3381")).containsExactly("supplier-unmapped:IE5530192N", "role-unset:PAYABLES_CONTROL");
        assertThat(covered("PAYABLES_CONTROL")).as("required").isEmpty();
        assertThat(covered("PURCHASES")).isEqualTo("optional");
        assertThat(covered("COST_OF_SALES")).isEqualTo("not needed: no stock journals cross here");
        assertThat(check("DEFAULT_FOR_PURCHASES").get("verdict").asString()).isEqualTo("WARNS");
        assertThat(check("ACCOUNT_ROLES").get("found").asString()).contains("payables control, input tax");

        assertThat(map("SUPPLIER", "IE5530192N", "4010").status())
                .as("a bill cannot land in revenue")
                .isEqualTo(422);
        JsonNode released = map("SUPPLIER", "IE5530192N", "5100").json();
        assertThat(released.get("released").asInt()).isZero();
        map("ROLE", "INPUT_TAX", "1400");
        assertThat(map("ROLE", "PAYABLES_CONTROL", "2100")
                        .json()
                        .get("sentence")
                        .asString())
                .isEqualTo("1 document released, €435.42");

        JsonNode preview = admin.get(
                        "/api/settings/preview?route=harbour&setting=PURCHASE_TAX&value=in-cost&document=" + bill)
                .json();
        assertThat(preview.get("sentence").asString())
                .contains("Tax of €81.42 on 1 document would be booked as part of the cost.");
        assertThat(preview.get("before").get("journal").toString()).contains("\"1400\"");
        assertThat(preview.get("after").get("journal").toString())
                .contains("435.42")
                .doesNotContain("\"1400\"");

        JsonNode predicted = admin.get("/api/documents/" + bill + "/why").json().get("journal");
        assertThat(send(Map.of("route", "harbour", "ids", List.of(bill, ready("invoice"))))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("mixed-batch");
        Api.Response sent = send(Map.of("route", "harbour", "purchases", true, "independentTotal", "435.42"));
        assertThat(sent.status()).as(sent.body()).isEqualTo(200);
        yard.awaitFinished(sent.json().get("id").asLong());

        JsonNode there = onLedger("bill:IE5530192N:TW-3381");
        assertThat(there.get("kind").asString()).isEqualTo("bill");
        assertThat(there.get("number").asString()).isEqualTo("TW-3381");
        assertThat(there.get("journal").size())
                .isEqualTo(predicted.get("lines").size())
                .isEqualTo(3);
        assertThat(world.standIns().balance("2100")).isEqualByComparingTo("-435.42");
        assertThat(world.standIns().balance("5100")).isEqualByComparingTo("354.00");
        assertThat(world.standIns().balance("1400")).isEqualByComparingTo("81.42");

        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/" + there.get("id").asString() + "/pay",
                        "amount=435.42&date=" + java.time.LocalDate.now());
        admin.post("/api/pull?route=harbour", Map.of());
        assertThat(world.jdbc()
                        .sql("select state || ' ' || paid from record where id = :id")
                        .param("id", bill)
                        .query(String.class)
                        .single())
                .isEqualTo("Posted 43542");
        assertThat(world.standIns().balance("2100")).isEqualByComparingTo("0.00");
    }

    @Test
    @Order(2)
    void twoSuppliersMayUseTheSameNumberAndAnOverrideIsAboutOneOfThem() {
        decide("BILLS", "to-ledger");
        map("ROLE", "PAYABLES_CONTROL", "2100");
        map("ROLE", "PURCHASES", "5100");
        long first = takeIn("N-77", "Oakum and Tar", "IE1111111A");
        long second = takeIn("N-77", "Saltmere Sailmakers", "IE2222222B");
        assertThat(map("LINE", first + "/1", "2100").status())
                .as("a control account")
                .isEqualTo(422);
        assertThat(map("LINE", first + "/1", "6050").status()).isEqualTo(200);
        assertThat(landsIn(first)).isEqualTo("6050");
        assertThat(landsIn(second)).isEqualTo("5100");
        Api.Response sent = send(Map.of("route", "harbour", "ids", List.of(first, second)));
        yard.awaitFinished(sent.json().get("id").asLong());
        assertThat(yard.batch(sent.json().get("id").asLong())
                        .get("batch")
                        .get("posted")
                        .asInt())
                .isEqualTo(2);
    }

    private static String landsIn(long document) {
        return admin.get("/api/documents/" + document + "/why")
                .json()
                .get("lines")
                .get(0)
                .get("account")
                .asString();
    }

    private static JsonNode onLedger(String sourceRef) {
        String reference = world.jdbc()
                .sql("select ledger_ref from record where source_ref = :ref")
                .param("ref", sourceRef)
                .query(String.class)
                .single();
        return world.standIns().inkwell("/documents/" + reference);
    }

    private static long ready(String kind) {
        return world.jdbc()
                .sql("select d.id from record d join route r on r.id = d.route_id"
                        + " where r.code = 'harbour' and d.kind = :kind and d.state = 'Ready' limit 1")
                .param("kind", kind)
                .query(Long.class)
                .single();
    }

    private static Api.Response send(Map<String, Object> choice) {
        return Yard.trySend(admin, choice);
    }

    private static Api.Response map(String kind, String code, String account) {
        return admin.put("/api/map/row", Yard.row("harbour", kind, code, "", account, 0));
    }

    private static void decide(String setting, String value) {
        Yard.decide(admin, "harbour", setting, value);
    }

    private static String covered(String role) {
        return admin.get("/api/map/role?route=harbour")
                .json()
                .get("rows")
                .valueStream()
                .filter(each -> each.get("code").asString().equals(role))
                .findFirst()
                .orElseThrow()
                .get("covered")
                .asString();
    }

    private static JsonNode check(String name) {
        return admin.get("/api/readiness?route=harbour")
                .json()
                .get("checks")
                .valueStream()
                .filter(each -> each.get("check").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static List<String> causes(String number) {
        return world.jdbc()
                .sql("select f.cause from finding f join record d on d.id = f.record_id"
                        + " where d.number = :number order by f.ordinal")
                .param("number", number)
                .query(String.class)
                .list();
    }

    private static long takeIn(String number, String supplier, String taxIdentifier) {
        try (var in = PurchasesTest.class.getResourceAsStream("/demo/bill-from-tarpaulin-works.xml")) {
            String bill = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .replace("TW-3381", number)
                    .replace("Tarpaulin Works", supplier)
                    .replace("IE5530192N", taxIdentifier)
                    .replace("bills@tarpaulin.example", taxIdentifier + "@post.example")
                    .replace("Mill Lane 4", taxIdentifier + " Lane")
                    .replace("{issued}", "2026-11-02")
                    .replace("{due}", "2026-12-02");
            Api.Response taken = admin.xml("/api/intake?route=harbour", bill.getBytes(StandardCharsets.UTF_8));
            assertThat(taken.json().get("problems").isEmpty()).as(taken.body()).isTrue();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return world.jdbc()
                .sql("select id from record where number = :number and party_code = :party")
                .param("number", number)
                .param("party", taxIdentifier)
                .query(Long.class)
                .single();
    }
}
