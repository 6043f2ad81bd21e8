package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A posted document that one side changes, or both: it goes again in its place, or the ledger's stands; there is never
/// a second one.
class SettlementTest {
    private static final String SALTMERE = "/inkwell/books/saltmere";
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
        alcabala.server.Await.until("it was refused", () -> said(posted).contains("locked"));
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

    @Test
    void eachSideKeepsWhatItChangedAndThatLastsThroughTheNextChange() {
        Posted posted = post();
        LocalDate day = day(posted);
        String account = bookElsewhere(posted);
        redate(posted, day.minusDays(1));
        fetch();
        assertThat(since(posted)).isEqualTo("true true");
        assertThat(since(posted, "notTogether").asString()).isEmpty();
        settle(posted, "BOTH");
        assertStandsTogether(posted, day.minusDays(1), account);
        assertThat(booked(posted)).as("what was sent is what stands there").contains(account);

        fetch();
        assertThat(state(posted)).as("and it is no news any more").isEqualTo("Posted");
        redate(posted, day.minusDays(2));
        fetch();
        assertThat(since(posted)).isEqualTo("true false");
        yard.awaitFinished(yard.send(List.of(posted.id())));
        assertStandsTogether(posted, day.minusDays(2), account);

        redate(posted, day.minusDays(3));
        fetch();
        settle(posted, "SOURCE");
        assertThat(onLedger(posted).get("lines").get(0).get("account").asString())
                .as("as its source has it, if somebody says so")
                .isNotEqualTo(account);
        assertStandsOnce(posted);
    }

    @Test
    void whatCannotBePutTogetherIsSaidAndWaitsForAPerson() {
        Posted both = post();
        Posted stands = post();
        bookElsewhere(both);
        editOnSource(both, "12.30");
        fetch();
        assertThat(settlement(both, "BOTH").json().get("sentence").asString())
                .isEqualTo(both.number() + " cannot be put together: Both sides changed line 1: say whose stands.");
        assertThat(keeping(both, "line 1").json().get("sentence").asString())
                .contains("keeps line 1 as it is there, and then it would not come to what Hullwork says");
        decide("INVOICES_TRIGGER", "paid");
        fetch();
        fetch();
        assertThat(admin.get("/api/documents/" + both.id() + "/trail").json().findValuesAsString("action"))
                .as("compiled for it once, and left to a person")
                .containsOnlyOnce("not-put-together");
        decide("INVOICES_WINNER", "source");
        fetch();
        awaitSettled(both);
        decide("INVOICES_WINNER", "ask");

        editOnLedger(stands, "640.00");
        fetch();
        settle(stands, "LEDGER");
        redate(stands, day(stands).minusDays(1));
        fetch();
        fetch();
        assertThat(admin.get("/api/documents/" + stands.id() + "/trail").json().findValuesAsString("action"))
                .as("said once, and nothing sent")
                .containsOnlyOnce("not-put-together")
                .doesNotContain("sent-in-place");
        assertThat(onLedger(stands).get("lines").get(0).get("amount").asDecimal())
                .isEqualByComparingTo("640.00");
        assertThat(since(stands, "notTogether").asString())
                .isEqualTo("Inkwell keeps its sum as it is there, and then it would not come to what Hullwork says.");
        assertThat(admin.get("/api/resolve?route=yard").json().toString()).contains("\"not-together\"");
        alcabala.server.Await.until("what is paid has arrived", () -> onTheirWay() == 0);
        decide("INVOICES_TRIGGER", "batch");
        Map<String, Object> all = Map.of("route", "yard", "ids", List.of(stands.id()));
        assertThat(admin.post("/api/batches/preview", all).json().get("count").asInt())
                .as("nothing that it keeps is replaced unasked")
                .isZero();
        Map<String, Object> replacing = Map.of("route", "yard", "ids", List.of(stands.id()), "keeps", false);
        assertThat(admin.post("/api/batches/preview", replacing)
                        .json()
                        .get("count")
                        .asInt())
                .as("as its source has it, for all of a cause")
                .isOne();
        settle(stands, "LEDGER");
        assertThat(state(stands)).isEqualTo("Posted");
    }

    /// A change of the source does not wait for an answer about something else (rows 5 and 8 of the merge of a field).
    @Test
    void whatTheSourceChangedGoesBesideWhatIsAskedAbout() {
        Posted posted = post();
        LocalDate day = day(posted);
        String account = bookElsewhere(posted);
        redate(posted, day.minusDays(1));
        decide("INVOICES_TRIGGER", "paid");
        fetch();
        alcabala.server.Await.until("all has arrived", () -> onTheirWay() == 0);
        JsonNode there = onLedger(posted);
        assertThat(there.get("date").asString()).isEqualTo(day.minusDays(1).toString());
        assertThat(there.get("lines").get(0).get("account").asString()).isEqualTo(account);
        assertThat(state(posted)).isEqualTo("Diverged");
        assertThat(since(posted)).as("what is asked about still").isEqualTo("false true");
        JsonNode changes =
                admin.get("/api/documents/" + posted.id()).json().get("sides").get("changes");
        assertThat(changes.findValuesAsString("field")).containsExactly("line 1");
        int sent = timesSent(posted);
        fetch();
        assertThat(timesSent(posted)).as("a further run writes nothing").isEqualTo(sent);
        assertThat(since(posted)).isEqualTo("false true");
        decide("INVOICES_TRIGGER", "batch");
        settle(posted, "LEDGER");
        assertThat(state(posted)).isEqualTo("Posted");
        assertStandsOnce(posted);
    }

    /// Field by field: one of what both changed goes as its source has it, the other stays as the ledger has it.
    @Test
    void whoseStandsIsSaidOfEachFieldThatBothChanged() {
        Posted posted = post();
        LocalDate day = day(posted);
        bookElsewhere(posted);
        LocalDate due = LocalDate.parse(onLedger(posted).get("due").asString());
        world.standIns().editOnInkwell(posted.ledgerRef(), due.plusDays(9).toString(), null);
        world.standIns()
                .extendOnHullwork("/hullwork/documents/" + posted.number().replace("HW-", "d-"), due.plusDays(20));
        editOnSource(posted, "41.00");
        redate(posted, day.minusDays(1));
        fetch();
        assertThat(since(posted, "notTogether").asString()).isEmpty();
        assertThat(settlement(posted, "BOTH").json().get("code").asString()).isEqualTo("not-together");

        Api.Response answer = keeping(posted, "due-date");
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        yard.awaitFinished(answer.json().get("batch").asLong());
        JsonNode there = onLedger(posted);
        assertThat(there.get("due").asString()).isEqualTo(due.plusDays(9).toString());
        assertThat(there.get("date").asString()).isEqualTo(day.minusDays(1).toString());
        assertThat(there.get("gross").asDecimal()).isEqualByComparingTo(grossOnSource(posted));
        assertThat(state(posted)).isEqualTo("Posted");
        assertStandsOnce(posted);
    }

    private static Api.Response keeping(Posted posted, String... ledgers) {
        return admin.post(
                "/api/documents/" + posted.id() + "/settlement",
                Map.of(
                        "winner",
                        "BOTH",
                        "ledgerVersion",
                        since(posted, "ledgerVersion").asInt(),
                        "ledgers",
                        List.of(ledgers)));
    }

    /// What was sent and failed on its way goes again as it was to be put together.
    @Test
    void whatFailedOnItsWayIsPutTogetherAgain() {
        Posted posted = post();
        LocalDate day = day(posted);
        String account = bookElsewhere(posted);
        redate(posted, day.minusDays(1));
        fetch();
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        long batch = settlement(posted, "BOTH").json().get("batch").asLong();
        alcabala.server.Await.until("it was given up", () -> said(posted).contains("could not be sent"));
        world.standIns().fault("inkwell", "NONE", 0);
        admin.post("/api/batches/" + batch + "/retry", Map.of());
        yard.awaitFinished(batch);
        assertStandsTogether(posted, day.minusDays(1), account);
        assertStandsOnce(posted);
    }

    private static void assertStandsTogether(Posted posted, LocalDate day, String account) {
        JsonNode there = onLedger(posted);
        assertThat(there.get("date").asString()).isEqualTo(day.toString());
        assertThat(there.get("lines").get(0).get("account").asString()).isEqualTo(account);
        assertThat(state(posted)).isEqualTo("Posted");
    }

    /// On which account of the ledger its first line stands from then on.
    private static String bookElsewhere(Posted posted) {
        String account = onLedger(posted).get("lines").get(0).get("account").asString();
        String other = account.equals("4020") ? "4010" : "4020";
        world.standIns().bookOnInkwell(posted.ledgerRef(), other);
        return other;
    }

    private static LocalDate day(Posted posted) {
        return LocalDate.parse(onLedger(posted).get("date").asString());
    }

    private static void redate(Posted posted, LocalDate day) {
        world.standIns()
                .redateOnHullwork("/hullwork/documents/" + posted.number().replace("HW-", "d-"), day);
    }

    private static int onTheirWay() {
        return world.jdbc()
                .sql("select count(*) from record where outcome in ('queued', 'sending', 'unconfirmed')")
                .query(Integer.class)
                .single();
    }

    /// The accounts of the last posting.
    private static List<String> booked(Posted posted) {
        return world.jdbc()
                .sql("""
                        select account from posting_line where posting_id =
                            (select posting_id from dispatch where record_id = :id order by id desc limit 1)""")
                .param("id", posted.id())
                .query(String.class)
                .list();
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
        assertThat(settlement(posted, "SOURCE").json().get("code").asString()).isEqualTo("nothing-to-send");
        decide("INVOICES_WINNER", "ledger");
        fetch();
        assertThat(state(posted)).as("nor by what the route says").isEqualTo("Diverged");
        decide("INVOICES_WINNER", "ask");
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

    private record Posted(long id, String number, String ledgerRef) {
        String desk() {
            return "/inkwell/books/saltmere/documents/" + ledgerRef;
        }
    }

    private static Posted post() {
        return post(row -> true);
    }

    private static Posted post(Predicate<JsonNode> which) {
        JsonNode row = yard.documents("Ready").stream()
                .filter(which)
                .filter(each -> each.get("kind").asString().equals("invoice"))
                .filter(each -> !each.get("number").asString().matches("HW-20388|HW-20301"))
                .findFirst()
                .orElseThrow();
        long id = row.get("id").asLong();
        String number = row.get("number").asString();
        yard.awaitFinished(yard.send(List.of(id)));
        return new Posted(id, number, yard.document(number).get("ledgerRef").asString());
    }

    private static JsonNode fetch() {
        return admin.post("/api/pull?route=yard", Map.of()).json();
    }

    private static void editOnSource(Posted posted, String price) {
        world.standIns().editOnHullwork("/hullwork/documents/" + posted.number().replace("HW-", "d-"), price);
    }

    private static void editOnLedger(Posted posted, String amount) {
        world.standIns().desk(posted.desk() + "/edit", edit(posted, amount));
    }

    private static String edit(Posted posted, String amount) {
        JsonNode there = onLedger(posted);
        StringBuilder form = new StringBuilder("version=" + there.get("version").asInt() + "&due="
                + there.get("due").asString() + "&amount=" + amount);
        for (int i = 1; i < there.get("lines").size(); i++) {
            form.append("&amount=")
                    .append(there.get("lines").get(i).get("amount").asDecimal().toPlainString());
        }
        return form.toString();
    }

    private static Api.Response settlement(Posted posted, String winner) {
        return settlement(posted, winner, since(posted, "ledgerVersion").asInt());
    }

    private static Api.Response settlement(Posted posted, String winner, int seen) {
        return admin.post(
                "/api/documents/" + posted.id() + "/settlement", Map.of("winner", winner, "ledgerVersion", seen));
    }

    private static void settle(Posted posted, String winner) {
        Api.Response answer = settlement(posted, winner);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        if (answer.json().has("batch")) {
            yard.awaitFinished(answer.json().get("batch").asLong());
        }
    }

    private static void awaitSettled(Posted posted) {
        alcabala.server.Await.until("it is posted again", () -> state(posted).equals("Posted"));
    }

    private static String state(Posted posted) {
        return yard.document(posted.number()).get("state").asString();
    }

    private static String since(Posted posted) {
        return since(posted, "changedOnSource").asBoolean() + " "
                + since(posted, "changedOnLedger").asBoolean();
    }

    private static JsonNode since(Posted posted, String what) {
        return admin.get("/api/documents/" + posted.id())
                .json()
                .get("sides")
                .get("since")
                .get(what);
    }

    private static BigDecimal grossOnSource(Posted posted) {
        return yard.document(posted.number()).get("gross").asDecimal();
    }

    private static JsonNode onLedger(Posted posted) {
        return world.standIns().inkwell("/documents/" + posted.ledgerRef());
    }

    private static void assertStandsOnce(Posted posted) {
        assertThat(world.standIns().postedReferences())
                .filteredOn(each -> each.endsWith(posted.number().replace("HW-", "d-")))
                .hasSize(1);
    }

    private static String said(Posted posted) {
        return yard.document(posted.number()).get("sentence").asString();
    }

    private static int timesSent(Posted posted) {
        return world.jdbc()
                .sql("select count(*) from dispatch where record_id = :id")
                .param("id", posted.id())
                .query(Integer.class)
                .single();
    }

    private static JsonNode preview(String value) {
        return admin.get("/api/settings/preview?route=yard&setting=INVOICES_WINNER&value=" + value)
                .json();
    }

    private static void decide(String setting, String value) {
        Yard.decide(admin, "yard", setting, value);
    }
}
