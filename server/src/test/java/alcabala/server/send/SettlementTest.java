package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.Await;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A posted document that one side changes, or both: it goes again in its place, or the ledger's stands; there is never
/// a second one.
class SettlementTest extends OnBothSides {
    private static final String SALTMERE = "/inkwell/books/saltmere";

    @Test
    void whatTheSourceChangesGoesAgainInItsPlaceAndKeepsItsPayment() {
        Posted posted = post();
        world.standIns().desk(posted.desk() + "/pay", "amount=10.00&date=" + java.time.LocalDate.now());
        editOnSource(posted, "77.70");
        fetch();
        assertThat(state(posted)).isEqualTo("Diverged");
        assertThat(since(posted)).isEqualTo("true false");
        JsonNode preview = admin.post("/api/batches/preview", Map.of("route", "yard", "ids", List.of(posted.id())))
                .json();
        assertThat(preview.get("sentence").asString()).startsWith("Changes 1 document that stands there");

        settle(posted, "SOURCE");
        JsonNode there = onLedger(posted);
        assertThat(there.get("gross").asDecimal()).isEqualByComparingTo(grossOnSource(posted));
        assertThat(there.get("paid").asDecimal()).isEqualByComparingTo("10.00");
        assertThat(state(posted)).isEqualTo("Posted");
        assertStandsOnce(posted);
        assertThat(settlement(posted, "SOURCE").status()).isEqualTo(409);
    }

    @Test
    void whatWasChangedThereIsPutBackOrStands() {
        Posted first = post();
        BigDecimal gross = onLedger(first).get("gross").asDecimal();
        editOnLedger(first, "999.99");
        fetch();
        assertThat(since(first)).isEqualTo("false true");
        settle(first, "SOURCE");
        assertThat(onLedger(first).get("gross").asDecimal()).isEqualByComparingTo(gross);
        assertThat(state(first)).isEqualTo("Posted");

        editOnLedger(first, "888.88");
        editOnSource(first, "55.50");
        fetch();
        assertThat(since(first)).isEqualTo("true true");
        int version = onLedger(first).get("version").asInt();
        settle(first, "LEDGER");
        assertThat(state(first)).isEqualTo("Posted");
        assertThat(onLedger(first).get("version").asInt())
                .as("nothing was sent")
                .isEqualTo(version);
        fetch();
        assertThat(state(first)).as("and it is no news any more").isEqualTo("Posted");
        assertStandsOnce(first);
    }

    /// What we sent is nobody's change, and a side that is away says nothing.
    @Test
    void eachSideSaysWhoChangedItLast() {
        Posted posted = post();
        assertThat(whoChanged(posted)).isEqualTo(" ");
        editOnLedger(posted, "999.99");
        editOnSource(posted, "55.50");
        assertThat(whoChanged(posted)).isEqualTo("N. Cleat J. Quire");
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        assertThat(whoChanged(posted)).isEqualTo("N. Cleat ");
        world.standIns().fault("inkwell", "NONE", 0);
        fetch();
        settle(posted, "SOURCE");
        assertThat(whoChanged(posted)).isEqualTo("N. Cleat ");
    }

    private static String whoChanged(Posted posted) {
        JsonNode told = admin.post("/api/documents/" + posted.id() + "/who-changed", Map.of())
                .json();
        return told.path("source").path("by").asString("") + " "
                + told.path("ledger").path("by").asString("");
    }

    @Test
    void theRouteMayDecideOnceForAllAndWhatFailsWaitsForAPerson() {
        Posted posted = post();
        BigDecimal gross = onLedger(posted).get("gross").asDecimal();
        assertThat(preview("source").get("sentence").asString())
                .isEqualTo(
                        "Changed there at present: 0 documents. Such go again at the next fetch as Hullwork has them.");
        editOnLedger(posted, "700.00");
        fetch();
        JsonNode preview = preview("source");
        assertThat(preview.get("number").asString()).isEqualTo(posted.number());
        assertThat(preview.get("before").get("lines").get(0).get("amount").asString())
                .isEqualTo("700.00");
        assertThat(preview.get("after").get("facts").toString())
                .contains("\"" + gross.setScale(2).toPlainString() + "\"");
        decide("INVOICES_WINNER", "source");
        JsonNode fetched = fetch();
        assertThat(fetched.get("sentence").asString()).isEqualTo("1 record on its way by itself");
        awaitSettled(posted);
        assertThat(onLedger(posted).get("gross").asDecimal()).isEqualByComparingTo(gross);

        decide("INVOICES_WINNER", "ledger");
        editOnLedger(posted, "600.00");
        assertThat(fetch().get("sentence").asString()).contains("1 of them stands there");
        assertThat(state(posted)).isEqualTo("Posted");

        decide("INVOICES_WINNER", "source");
        editOnLedger(posted, "500.00");
        world.standIns().desk("/inkwell/books/saltmere/lock", "through=" + java.time.LocalDate.now());
        fetch();
        Await.until("it was refused", () -> said(posted).contains("locked"));
        assertThat(state(posted)).as("it still stands there").isEqualTo("Diverged");
        int sent = timesSent(posted);
        fetch();
        assertThat(timesSent(posted)).as("not tried again by itself").isEqualTo(sent);
        world.standIns().desk("/inkwell/books/saltmere/lock", "through=2020-01-01");
        settle(posted, "SOURCE");
        assertThat(onLedger(posted).get("gross").asDecimal()).isEqualByComparingTo(gross);
        decide("INVOICES_WINNER", "ask");
        assertStandsOnce(posted);
    }

    @Test
    void aLostAnswerToAChangeIsAskedForAndAStaleOneIsRefused() {
        Posted posted = post();
        editOnSource(posted, "33.30");
        fetch();
        int version = onLedger(posted).get("version").asInt();
        world.standIns().fault("inkwell", "ANSWER_LOST", 1);
        settle(posted, "SOURCE");
        assertThat(state(posted)).isEqualTo("Posted");
        assertThat(onLedger(posted).get("version").asInt()).as("changed once").isEqualTo(version + 1);
        assertThat(admin.get("/api/documents/" + posted.id() + "/trail").json().findValuesAsString("action"))
                .contains("answer-lost", "asked", "sent-in-place");

        editOnSource(posted, "22.20");
        fetch();
        editOnLedger(posted, "111.11");
        settle(posted, "SOURCE");
        assertThat(state(posted)).isEqualTo("Diverged");
        assertThat(said(posted)).contains("changed by somebody else");
        fetch();
        assertThat(since(posted)).isEqualTo("true true");
        settle(posted, "SOURCE");
        assertThat(state(posted)).isEqualTo("Posted");
        assertStandsOnce(posted);
    }

    /// What was decided about one version does not hold for another that came meanwhile.
    @Test
    void aFurtherChangeThereMeanwhileIsNotOverwritten() {
        Posted posted = post();
        editOnLedger(posted, "410.00");
        fetch();
        int seen = since(posted, "ledgerVersion").asInt();
        editOnLedger(posted, "420.00");
        fetch();
        for (String winner : List.of("SOURCE", "LEDGER")) {
            assertThat(settlement(posted, winner, seen).json().get("code").asString())
                    .isEqualTo("changed-meanwhile");
        }
        String further = edit(posted, "430.00");
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        long batch = settlement(posted, "SOURCE").json().get("batch").asLong();
        world.standIns().desk(posted.desk() + "/edit", further);
        world.standIns().fault("inkwell", "NONE", 0);
        yard.awaitFinished(batch);
        assertThat(said(posted)).contains("changed by somebody else");
        assertThat(onLedger(posted).get("lines").get(0).get("amount").asDecimal())
                .isEqualByComparingTo("430.00");
        fetch();
        settle(posted, "LEDGER");
        assertStandsOnce(posted);
    }

    @Test
    void whatCannotBeSettledIsRefusedInWords() {
        Posted posted = post();
        assertThat(settlement(posted, "LEDGER").json().get("code").asString()).isEqualTo("nothing-to-settle");
        assertThat(admin.post(
                                "/api/documents/" + posted.id() + "/settlement",
                                Map.of("winner", "ME", "ledgerVersion", 1))
                        .status())
                .isEqualTo(400);
        assertThat(admin.post("/api/documents/" + posted.id() + "/settlement", Map.of())
                        .status())
                .isEqualTo(400);
        assertThat(admin.post("/api/documents/99999999/settlement", Map.of("winner", "LEDGER", "ledgerVersion", 1))
                        .status())
                .isEqualTo(404);
        editOnLedger(posted, "321.00");
        world.standIns().desk("/hullwork/documents/" + posted.number().replace("HW-", "d-") + "/void", "");
        fetch();
        assertThat(state(posted)).isEqualTo("Diverged");
        assertThat(settlement(posted, "LEDGER").status())
                .as("it was voided: neither side of it is right")
                .isEqualTo(409);
        decide("INVOICES_WINNER", "ledger");
        fetch();
        assertThat(state(posted)).as("nor by what the route says").isEqualTo("Diverged");
        decide("INVOICES_WINNER", "ask");
        Map<String, Object> named = Map.of("route", "yard", "ids", List.of(posted.id()));
        assertThat(admin.post("/api/batches/preview", named)
                        .json()
                        .get("sentence")
                        .asString())
                .startsWith("Takes back 1 document, -€");
        settle(posted, "SOURCE");
        assertThat(state(posted)).as("void on both sides").isEqualTo("Voided");
        assertThat(onLedger(posted).get("status").asString()).isEqualTo("void");
        assertStandsOnce(posted);
    }

    /// What the ledger charges is held against what the document states (records, section 2).
    @Test
    void whatALedgerDecidesItselfIsComparedOnceItStandsThere() {
        JsonNode before = admin.get("/api/map/tax?route=yard").json().get("rows");
        world.standIns().desk(SALTMERE + "/settings/decides-tax", "on=true");
        yard.pullReference();
        assertThat(admin.get("/api/summary?route=yard").json().toString()).contains("tax-code-unusable:S23");
        JsonNode suggested = admin.get("/api/map/tax?route=yard").json().get("rows");
        assertThat(suggested.toString()).contains("\"taxable\"");
        mapTaxes(Map.of("V23", "taxable", "V13", "taxable", "V0", "not-taxable", "VEU", "not-taxable"));
        Posted same = post(row ->
                row.get("taxCodes").asString().equals("taxable") && taxed(row).compareTo(new BigDecimal("0.23")) == 0);
        assertThat(state(same)).as("at 23 % as the ledger decides").isEqualTo("Posted");
        Posted other = post(row ->
                row.get("taxCodes").asString().equals("taxable") && taxed(row).compareTo(new BigDecimal("0.135")) == 0);
        assertThat(state(other)).as("at 13.5 %, where the ledger charges 23").isEqualTo("Diverged");
        JsonNode there = onLedger(other);
        assertThat(there.get("lines").get(0).get("taxCode").asString()).isEqualTo("S23");
        String charged = since(other, "taxDecided").asString();
        assertThat(charged.replaceAll("[^0-9.]", ""))
                .isEqualTo(there.get("tax").asDecimal().toPlainString());
        JsonNode why = admin.get("/api/documents/" + other.id() + "/why").json();
        assertThat(why.get("tax").get("decidedThere").asBoolean()).isTrue();
        assertThat(why.get("findings").findValuesAsString("cause")).containsExactly("tax-decided-otherwise");
        decide("INVOICES_WINNER", "source");
        int sent = timesSent(other);
        fetch();
        assertThat(timesSent(other)).as("it would only be decided again").isEqualTo(sent);
        decide("INVOICES_WINNER", "ask");
        assertThat(state(other)).as("and its own news change nothing").isEqualTo("Diverged");
        settle(other, "LEDGER");
        assertThat(state(other)).isEqualTo("Posted");

        world.standIns().desk(SALTMERE + "/settings/decides-tax", "on=false");
        yard.pullReference();
        mapTaxes(before.valueStream()
                .filter(row -> row.has("row"))
                .collect(Collectors.toMap(row -> row.get("code").asString(), SettlementTest::counterpart)));
        assertThat(state(same)).as("what stands there is left alone").isEqualTo("Posted");
        assertStandsOnce(other);
    }

    private static BigDecimal taxed(JsonNode row) {
        return row.get("tax").asDecimal().divide(row.get("net").asDecimal(), 3, RoundingMode.HALF_UP);
    }

    private static String counterpart(JsonNode row) {
        return row.get("row").get("meaning").get("targets").get("COUNTERPART").asString();
    }

    private static void mapTaxes(Map<String, String> codes) {
        for (JsonNode row : admin.get("/api/map/tax?route=yard").json().get("rows")) {
            String code = codes.get(row.get("code").asString());
            int version = row.has("row") ? row.get("row").get("version").asInt() : 0;
            if (code != null) {
                assertThat(admin.put(
                                        "/api/map/row",
                                        Yard.row(
                                                "yard",
                                                "TAX",
                                                row.get("code").asString(),
                                                Meaning.of(RowKind.TAX, code, ""),
                                                version))
                                .status())
                        .isEqualTo(200);
            }
        }
    }
}
