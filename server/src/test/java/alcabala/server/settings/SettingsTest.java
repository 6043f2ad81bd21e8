package alcabala.server.settings;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What is decided about a route is seen before, done, versioned, and put back. Each test leaves the settings standard.
class SettingsTest {
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
    void everySettingSaysWhatItDoesAndShowsEachOfItsValuesOnADocument() {
        JsonNode all = admin.get("/api/settings?route=yard").json();
        assertThat(all.size()).isEqualTo(108);
        for (JsonNode setting : all) {
            String name = setting.get("setting").asString();
            assertThat(setting.get("does").asString()).as(name).endsWith(".").hasSizeGreaterThan(25);
            List<String> values = new ArrayList<>(List.of(setting.get("value").asString()));
            setting.get("choices")
                    .forEach(choice -> values.add(choice.get("value").asString()));
            for (String value : values) {
                JsonNode preview = preview(name, value);
                assertThat(preview.get("number").asString())
                        .as(name + " " + value)
                        .startsWith("H");
                assertThat(preview.get("sentence").asString())
                        .as(name + " " + value)
                        .isNotEmpty();
                assertThat(preview.has("before") && preview.has("after")).isTrue();
            }
            assertThat(preview(name, setting.get("value").asString())
                            .get("differs")
                            .asBoolean())
                    .as(name + " left as it is")
                    .isFalse();
        }
    }

    @Test
    void taxSwitchedOffIsShownInMoneyBeforeItIsDoneAndPutBackAfterwards() {
        BigDecimal tax = figures("tax");
        JsonNode preview = preview("SALES_TAX", "off");
        assertThat(preview.get("sentence").asString())
                .contains("Tax of €%,.2f on 141 documents would be booked as revenue.".formatted(tax));
        assertThat(preview.get("before").get("journal").toString()).contains("2200");
        assertThat(preview.get("after").get("journal").toString()).doesNotContain("2200");
        assertThat(figures("tax")).as("looking changes nothing").isEqualByComparingTo(tax);
        assertThat(check("TAX_OFF").get("verdict").asString()).isEqualTo("PASSES");
        Map<String, Integer> counts = yard.counts();

        decide("SALES_TAX", "off");
        JsonNode warned = check("TAX_OFF");
        assertThat(warned.get("verdict").asString()).isEqualTo("WARNS");
        assertThat(warned.get("otherwise").asString()).contains("would be booked as revenue");
        assertThat(warned.get("amount").asString()).isEqualTo(tax.toPlainString());
        assertThat(decision("SALES_TAX", "as-mapped", 0).status())
                .as("somebody saw an older version")
                .isEqualTo(409);
        decide("SALES_TAX", "as-mapped");
        assertThat(yard.counts()).isEqualTo(counts);
        assertThat(admin.get("/api/settings/history?route=yard&setting=SALES_TAX")
                        .json()
                        .findValuesAsString("value"))
                .containsExactly("as-mapped", "off");
        JsonNode trail = admin.get("/api/trail?text=setting-changed").json().get(0);
        assertThat(trail.get("detail").get("from").asString()).isEqualTo("switched off");
    }

    @Test
    void aValueThatTheLedgerCannotTakeIsRefused() {
        for (String wrong : List.of(
                "SALES_TAX sometimes",
                "UNSTATED_TAX NOPE",
                "RECEIVING_BANK 4010",
                "PAYING_BANK 9999",
                "INVOICES_CUT_OFF 31.12.2026",
                "INVOICES_FIRST_NUMBER 0",
                "INVOICES_FIRST_NUMBER -4",
                "NUMBER_PREFIX A;B")) {
            String[] part = wrong.split(" ");
            Api.Response no = decision(part[0], part[1], 0);
            assertThat(no.status()).as(wrong).isEqualTo(422);
            assertThat(no.json().get("sentence").asString()).contains(part[1]);
        }
        assertThat(decision("NOT_A_SETTING", "x", 0).json().get("code").asString())
                .isEqualTo("setting-unknown");
    }

    @Test
    void aBankAccountShowsWhatAPaymentWillBook() {
        JsonNode receipt = preview("RECEIVING_BANK", "1000").get("after").get("receipt");
        assertThat(receipt.get(0).get("account").asString()).isEqualTo("1000");
        assertThat(receipt.get(0).get("debit")).isEqualTo(receipt.get(1).get("credit"));
        assertThat(receipt.get(1).get("account").asString()).isEqualTo("1100");
    }

    @Test
    void aTriggerSaysWhatWouldWaitAndSendsByItselfAtTheNextFetch() {
        String number = yard.documents("Ready").stream()
                .map(row -> row.get("number").asString())
                .filter(each -> each.startsWith("HW-2041"))
                .findFirst()
                .orElseThrow();
        String id = number.replace("HW-", "d-");
        assertThat(preview("INVOICES_TRIGGER", "paid").get("sentence").asString())
                .contains("would wait that do not now");
        int ready = yard.counts().get("Ready");
        decide("INVOICES_TRIGGER", "paid");
        assertThat(yard.counts().get("Ready")).isLessThan(ready);
        world.standIns().desk("/hullwork/documents/" + id + "/pay", "");
        JsonNode pulled = admin.post("/api/pull?route=yard", Map.of()).json();
        assertThat(pulled.get("sending").asInt()).as(pulled.toString() + id).isEqualTo(1);
        assertThat(pulled.get("sentence").asString()).contains("1 record on its way by itself");
        long batch =
                admin.get("/api/batches?route=yard").json().get(0).get("id").asLong();
        yard.awaitFinished(batch);
        assertThat(yard.batch(batch).get("batch").get("posted").asInt()).isEqualTo(1);
        decide("INVOICES_TRIGGER", "batch");
        assertThat(yard.counts().get("Ready")).isEqualTo(ready - 1);
        assertThat(admin.post("/api/pull?route=yard", Map.of())
                        .json()
                        .get("sending")
                        .asInt())
                .isZero();
    }

    @Test
    void byHandGoesOnlyWhoeverIsNamed() {
        decide("INVOICES_TRIGGER", "by-hand");
        JsonNode all =
                admin.post("/api/batches/preview", Map.of("route", "yard")).json();
        assertThat(all.get("count").asInt()).as("credit notes only").isEqualTo((int) yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("credit-note"))
                .count());
        long invoice = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        assertThat(admin.post("/api/batches/preview", Map.of("route", "yard", "ids", List.of(invoice)))
                        .json()
                        .get("count")
                        .asInt())
                .isEqualTo(1);
        decide("INVOICES_TRIGGER", "batch");
    }

    @Test
    void theLedgerNumbersFromWhereItIsToldAndADraftIsBookedOnceItIsFinal() {
        decide("NUMBERED_BY", "ledger");
        decide("NUMBER_PREFIX", "SM-");
        decide("INVOICES_FIRST_NUMBER", "7001");
        decide("ARRIVAL", "draft");
        decide("WORK_DESCRIPTION", "yes");
        BigDecimal before = world.standIns().balance("1100");
        List<Long> two = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> !row.get("number").asString().matches("HW-20388|HW-20301"))
                .limit(2)
                .map(row -> row.get("id").asLong())
                .toList();
        yard.awaitFinished(yard.send(two));
        List<JsonNode> posted = yard.documents("Posted").stream()
                .filter(row -> two.contains(row.get("id").asLong()))
                .toList();
        assertThat(posted)
                .extracting(row -> row.get("ledgerNumber").asString())
                .containsExactlyInAnyOrder("SM-7001", "SM-7002");
        assertThat(world.standIns().balance("1100")).as("drafts are not booked").isEqualByComparingTo(before);
        aCreditNoteWaitsForTheNumberOfItsInvoice();
        String ref = posted.getFirst().get("ledgerRef").asString();
        world.standIns().desk("/inkwell/books/saltmere/documents/" + ref + "/final", "");
        assertThat(world.standIns().balance("1100").subtract(before))
                .isEqualByComparingTo(posted.getFirst().get("gross").asString());
        decide("NUMBERED_BY", "source");
        decide("NUMBER_PREFIX", "");
        decide("ARRIVAL", "final");
        decide("WORK_DESCRIPTION", "no");
    }

    /// The ledger has not numbered the invoice yet, so the link to it would be lost.
    private static void aCreditNoteWaitsForTheNumberOfItsInvoice() {
        JsonNode credit = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("credit-note"))
                .findFirst()
                .orElseThrow();
        long batch = yard.send(List.of(credit.get("id").asLong()));
        yard.awaitFinished(batch);
        JsonNode dispatch = yard.batch(batch).get("dispatches").get(0);
        assertThat(dispatch.get("outcome").asString()).isEqualTo("unreached");
        assertThat(dispatch.get("sentence").asString())
                .startsWith("It credits HW-")
                .contains("Send that first");
    }

    @Test
    void whileDocumentsAreOnTheirWayNothingIsDecided() {
        world.standIns().fault("inkwell", "SLOW", 0);
        long batch =
                yard.send(List.of(yard.documents("Ready").getFirst().get("id").asLong()));
        assertThat(decision("ARRIVAL", "draft", 0).json().get("code").asString())
                .isEqualTo("on-its-way");
        world.standIns().fault("inkwell", "NONE", 0);
        yard.awaitFinished(batch);
    }

    @Test
    void numbersOfBothSidesAreSeenAndAPrefixKeepsThemApart() {
        JsonNode invoices = numbers();
        assertThat(invoices.get("taken").toString()).isEqualTo("[\"HW-20388\"]");
        assertThat(invoices.get("safeNext").asLong()).isGreaterThan(20450);
        decide("NUMBER_PREFIX", "SM-");
        assertThat(numbers().get("taken").isEmpty()).isTrue();
        assertThat(check("NUMBERS").get("verdict").asString()).isEqualTo("PASSES");
        decide("NUMBER_PREFIX", "");
        assertThat(check("NUMBERS").get("remedy").asString())
                .contains("from " + numbers().get("safeNext").asLong());
    }

    @Test
    void paymentsThatAreNotWantedComeBackOnceTheyAre() {
        long id = yard.documents("Ready").stream()
                .filter(row -> row.get("number").asString().startsWith("HW-2042"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        yard.awaitFinished(yard.send(List.of(id)));
        JsonNode posted = one(id);
        decide("PAYMENTS", "none");
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/"
                                + posted.get("ledgerRef").asString() + "/pay",
                        "amount=" + posted.get("gross").asString() + "&date=" + java.time.LocalDate.now());
        admin.post("/api/pull?route=yard", Map.of());
        assertThat(one(id).get("payment").asString()).isEqualTo("open");
        decide("PAYMENTS", "from-ledger");
        assertThat(one(id).get("payment").asString()).isEqualTo("paid");
        JsonNode pulled = admin.post("/api/pull?route=yard", Map.of()).json();
        assertThat(pulled.get("sending").asInt())
                .as("the payment goes back to Hullwork")
                .isEqualTo(1);
        yard.awaitFinished(
                admin.get("/api/batches?route=yard").json().get(0).get("id").asLong());
    }

    private static JsonNode one(long id) {
        return admin.get("/api/documents/" + id).json().get("document");
    }

    private static JsonNode numbers() {
        return admin.get("/api/settings/numbers?route=yard").json().get(0);
    }

    /// Of all documents of the yard that have not crossed, credit notes negative.
    private static BigDecimal figures(String figure) {
        return world.jdbc()
                .sql("""
                        select sum(case when kind = 'credit-note' then -%1$s else %1$s end) from record d
                        join route r on r.id = d.route_id where r.code = 'yard' and outcome is null""".formatted(figure))
                .query(BigDecimal.class)
                .single()
                .movePointLeft(2);
    }

    private static JsonNode preview(String setting, String value) {
        Api.Response answer = admin.get("/api/settings/preview?route=yard&setting=" + setting + "&value=" + value);
        assertThat(answer.status()).as(setting + " " + value + answer.body()).isEqualTo(200);
        return answer.json();
    }

    private static JsonNode check(String name) {
        return admin.get("/api/readiness?route=yard")
                .json()
                .get("checks")
                .valueStream()
                .filter(each -> each.get("check").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static void decide(String setting, String value) {
        Yard.decide(admin, "yard", setting, value);
    }

    private static Api.Response decision(String setting, String value, int version) {
        return admin.put("/api/settings", Map.of("route", "yard", "changes", List.of(change(setting, value, version))));
    }

    private static Map<String, Object> change(String setting, String value, int version) {
        return Map.of("setting", setting, "value", value, "expectedVersion", version);
    }
}
