package alcabala.server.map;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.net.URI;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/// Terms of payment, and fields that the yard and its books added: mapped, tried, sent, and brought back.
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class AddedFieldsThereTest {
    private static World world;
    private static Api ferro;
    private static Yard yard;
    private static JsonNode posted;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(ferro);
        yard.mapEverything();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode row(String kind, String code) {
        return ferro.get("/api/map/" + kind + "?route=yard")
                .json()
                .get("rows")
                .valueStream()
                .filter(row -> row.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static Api.Response put(String code, Meaning meaning, int version) {
        return ferro.put("/api/map/row", Yard.row("yard", "FIELD", code, meaning, version));
    }

    private static Meaning into(String field) {
        return Meaning.of(RowKind.FIELD, field, "");
    }

    private static JsonNode trial(String code, Meaning meaning) {
        return ferro.post("/api/map/fields/trial", Map.of("route", "yard", "code", code, "meaning", meaning))
                .json();
    }

    private static String refusal(String code, Meaning meaning) {
        return put(code, meaning, 0).json().get("code").asString();
    }

    @Test
    @Order(1)
    void termsAreSuggestedByWhatTheyCompute() {
        assertThat(row("terms", "N30").get("suggestion").get("code").asString()).isEqualTo("30D");
        assertThat(row("terms", "N30").get("suggestion").get("exact").asBoolean())
                .isTrue();
        JsonNode month = row("terms", "M1").get("suggestion");
        assertThat(month.get("code").asString()).as("of the same name").isEqualTo("30M");
        assertThat(month.get("exact").asBoolean()).isFalse();
        assertThat(month.get("reason").asString()).contains("due on").contains(", not ");
        assertThat(row("terms", "N30").get("open").asBoolean())
                .as("its due date goes in any case")
                .isFalse();
        ferro.post("/api/map/suggestions", Map.of("route", "yard", "kind", "TERMS"));
        assertThat(row("terms", "T14").get("row").get("meaning").toString()).contains("14D");
        assertThat(row("terms", "M1").has("row")).isFalse();
    }

    @Test
    @Order(2)
    void whatCannotBecomeTheOtherIsRefused() {
        assertThat(refusal("hull-no", into("NONE"))).isEqualTo("not-on-ledger");
        assertThat(refusal("hull-no", into("OLD"))).as("no longer used").isEqualTo("not-on-ledger");
        assertThat(refusal("none", into("HULL"))).isEqualTo("field-unknown");
        assertThat(refusal("survey", into("WEIGHT"))).isEqualTo("field-unfit");
        assertThat(refusal("berth", into("WEIGHT"))).isEqualTo("field-unfit");
        assertThat(refusal(".site", into("PIER"))).isEqualTo("field-unfit");
        assertThat(refusal("survey", into("SURVEY").with(Purpose.FORMAT, "day-dots")))
                .as("a date needs none")
                .isEqualTo("format-unfit");
        assertThat(refusal("hull-no", into("HULL").with(Purpose.DIRECTION, "sideways")))
                .isEqualTo("direction-unknown");
        assertThat(refusal(".number", into("HULL").with(Purpose.DIRECTION, "to-source")))
                .isEqualTo("field-unfit");
        assertThat(ferro.put("/api/map/row", Yard.row("yard", "CHOICE", "berth > N", "1", "", 0))
                        .json()
                        .get("code")
                        .asString())
                .as("its field goes nowhere yet")
                .isEqualTo("choice-invalid");
    }

    @Test
    @Order(3)
    void aRowIsTriedOnRealDocumentsBeforeItIsKept() {
        JsonNode dates = trial("survey", into("SURVEY"));
        assertThat(dates.get("documents").asInt()).isPositive();
        assertThat(dates.get("values").findValuesAsString("problem")).containsOnly("");
        JsonNode hours = trial("hours", into("HOURS").with(Purpose.FORMAT, "comma"));
        assertThat(hours.get("values").get(0).get("after").asString())
                .isEqualTo(hours.get("values").get(0).get("before").asString().replace('.', ','));
        JsonNode berths = trial("berth", into("PIER"));
        assertThat(berths.get("values").findValuesAsString("problem"))
                .hasSize(3)
                .allMatch(each -> each.startsWith("nothing says yet"));
        JsonNode orders = trial("order-no", into("SURVEY"));
        assertThat(orders.get("values").findValuesAsString("problem")).containsOnly("it is not written as was said");
        assertThat(row("field", "survey").has("row")).as("trying keeps nothing").isFalse();
    }

    @Test
    @Order(4)
    void aChoiceWithoutACounterpartBlocksAndItsRowReleases() {
        assertThat(put("hull-no", into("HULL"), 0).status()).isEqualTo(200);
        assertThat(refusal("order-no", into("HULL"))).isEqualTo("field-taken");
        assertThat(put("hours", into("HOURS").with(Purpose.FORMAT, "comma"), 0).status())
                .isEqualTo(200);
        assertThat(put("survey", into("SURVEY"), 0).status()).isEqualTo(200);
        int ready = yard.counts().get("Ready");
        assertThat(put("berth", into("PIER"), 0).status()).isEqualTo(200);
        assertThat(yard.counts().get("Ready")).isLessThan(ready);
        JsonNode north = row("choice", "berth > N");
        assertThat(north.get("open").asBoolean()).isTrue();
        assertThat(north.get("blockedDocuments").asInt()).isPositive();
        assertThat(north.get("suggestion").get("code").asString()).isEqualTo("1");
        yard.map("CHOICE", "berth > N", "1", "");
        yard.map("CHOICE", "berth > S", "2", "");
        yard.map("CHOICE", "berth > Y", "9", "");
        assertThat(yard.counts().get("Ready")).isEqualTo(ready);
    }

    @Test
    @Order(5)
    void theLedgerGetsThemWithTheDocument() {
        long id = withAll();
        yard.awaitFinished(yard.send(List.of(id)));
        posted = there(id);
        JsonNode said = posted.get("fields");
        assertThat(said.get("HULL").asString()).startsWith("CB-");
        assertThat(said.get("HOURS").asString()).contains(",");
        assertThat(said.get("PIER").asString()).isIn("1", "2", "9");
        assertThat(posted.get("terms").asString()).isIn("14D", "30D");
        assertThat(ferro.get("/api/documents/" + id)
                        .json()
                        .get("sides")
                        .get("fields")
                        .valueStream()
                        .filter(field -> field.get("name").asString().equals("Engine hours"))
                        .map(field -> field.get("ledger").asString()))
                .containsExactly(said.get("HOURS").asString());
    }

    /// The first that says hours and a berth.
    private static long withAll() {
        return world.jdbc().sql("""
                select d.id from record d join record_revision v on v.id = d.revision_id
                where d.state = 'Ready' and v.content::text like '%"hours"%' and v.content::text like '%"berth"%' and d.kind = 'invoice'
                order by d.id limit 1""").query(Long.class).single();
    }

    private static JsonNode there(long id) {
        String ref = world.jdbc()
                .sql("select ledger_ref from link where record_id = :id")
                .param("id", id)
                .query(String.class)
                .single();
        return world.standIns().inkwell("/documents/" + ref);
    }

    private static long recordId() {
        return world.jdbc()
                .sql("select record_id from link where ledger_ref = :ref")
                .param("ref", posted.get("id").asString())
                .query(Long.class)
                .single();
    }

    private static String sourceRef() {
        return world.jdbc()
                .sql("select source_ref from record where id = :id")
                .param("id", recordId())
                .query(String.class)
                .single();
    }

    private static void fetch() {
        ferro.post("/api/pull?route=yard", Map.of());
    }

    private static String state() {
        return yard.document(posted.get("number").asString()).get("state").asString();
    }

    @Test
    @Order(6)
    void aFieldThatStaysWhereItIsChangesNothingOfWhatIsPosted() {
        world.standIns().desk("/hullwork/documents/" + sourceRef() + "/fields/order-no", "value=PO+1");
        fetch();
        assertThat(state()).isEqualTo("Posted");
        assertThat(supposed()).as("told twice under one revision").isEqualTo(200);
        world.standIns().desk("/hullwork/documents/" + sourceRef() + "/fields/hull-no", "value=CB-9");
        fetch();
        assertThat(state()).as("this one goes").isEqualTo("Diverged");
        yard.awaitFinished(yard.send(List.of(recordId())));
        assertThat(there(recordId()).get("fields").get("HULL").asString()).isEqualTo("CB-9");
        assertThat(state()).isEqualTo("Posted");
    }

    @Test
    @Order(7)
    void whatIsSaidThereComesBackOnceAndWhateverHappens() {
        Meaning back = into("PO").with(Purpose.DIRECTION, "to-source");
        assertThat(put("order-no", back, 0).status()).isEqualTo(200);
        sayThere("field-PO=PO+4711");
        world.standIns().fault("hullwork", "UNAVAILABLE", 0);
        ferro.post("/api/pull?route=yard", Map.of());
        assertThat(toBeTold()).as("kept until it is taken").isEqualTo(1);
        world.standIns().fault("hullwork", "NONE", 0);
        world.jdbc().sql("update field_return set next_at = now()").update();
        fetch();
        assertThat(toBeTold()).isZero();
        fetch();
        assertThat(orderNumber()).isEqualTo("PO 4711");
        assertThat(state()).as("no echo").isEqualTo("Posted");
        assertThat(there(recordId()).get("fields").get("PO").asString()).isEqualTo("PO 4711");
        assertThat(trail()).contains("field-brought-back", "\"replaced\":\"PO 1\"");

        world.standIns().desk("/hullwork/documents/" + sourceRef() + "/fields/order-no", "value=PO+8");
        fetch();
        assertThat(orderNumber()).as("what its yard says by now").isEqualTo("PO 8");
        assertThat(ferro.get("/api/documents/" + recordId() + "/choices").body())
                .contains("order-no “PO 4711”");
        assertThat(ferro.post("/api/documents/" + recordId() + "/fields-back", Map.of())
                        .status())
                .isEqualTo(200);
        fetch();
        assertThat(orderNumber()).as("told once more").isEqualTo("PO 4711");
    }

    @Test
    @Order(8)
    void whatTheSourceDoesNotTakeIsSaidAndNotAskedForEver() {
        Meaning back = into("HOURS").with(Purpose.FORMAT, "comma").with(Purpose.DIRECTION, "to-source");
        int version = row("field", "hours").get("row").get("version").asInt();
        assertThat(put("hours", back, version).status()).isEqualTo(200);
        sayThere("field-HOURS=a+few");
        fetch();
        assertThat(trail()).contains("it is not written as was said");
        sayThere("field-HOURS=" + "9".repeat(20));
        fetch();
        assertThat(trail()).contains("does not take 99999999999999999999");
        assertThat(toBeTold()).isZero();
        JsonNode tried = trial("hours", back);
        assertThat(tried.get("values").get(0).get("after").asString()).hasSize(20);
    }

    /// A choice that comes back is found through the rows of the source's own choices.
    @Test
    @Order(9)
    void aChoiceComesBackThroughItsTable() {
        Meaning back = into("PIER").with(Purpose.DIRECTION, "to-source");
        int version = row("field", "berth").get("row").get("version").asInt();
        assertThat(put("berth", back, version).status()).isEqualTo(200);
        assertThat(row("choice", "berth > S").get("row").toString()).contains("\"2\"");
        sayThere("field-PIER=2");
        fetch();
        sayThere("field-PIER=9");
        fetch();
        fetch();
        assertThat(world.standIns().page("/hullwork/documents/" + sourceRef()))
                .containsPattern("(?s)/fields/berth\".*? name=\"value\" value=\"Y\"");
        assertThat(put(
                                "survey",
                                into("PO").with(Purpose.DIRECTION, "to-source"),
                                row("field", "survey").get("row").get("version").asInt())
                        .status())
                .as("a text can be read as a date")
                .isEqualTo(200);
        assertThat(refusal("berth", into("PO").with(Purpose.DIRECTION, "to-source")))
                .as("there is no table of what people type there")
                .isEqualTo("field-unfit");
    }

    /// What only the ledger says of a document, in fields that the yard made for it.
    @Test
    @Order(10)
    void itsNumberItsStandingAndWhereToPayAreToldToTheYard() {
        assertThat(refusal("books-no", into(".number-there").with(Purpose.DIRECTION, "to-ledger")))
                .isEqualTo("field-one-way");
        assertThat(refusal(".site", into(".number-there"))).isEqualTo("field-unfit");
        assertThat(put("books-no", into(".number-there"), 0).status()).isEqualTo(200);
        assertThat(row("field", "books-no").get("row").get("meaning").toString())
                .as("the row says so")
                .contains("to-source");
        assertThat(put("pay-at", into(".pay-link"), 0).status()).isEqualTo(200);
        assertThat(put(
                                "order-no",
                                into(".standing-there"),
                                row("field", "order-no")
                                        .get("row")
                                        .get("version")
                                        .asInt())
                        .status())
                .isEqualTo(200);
        long id = world.jdbc()
                .sql(
                        "select id from record where state = 'Ready' and kind = 'invoice' order by issue_date desc, id limit 1")
                .query(Long.class)
                .single();
        yard.awaitFinished(yard.send(List.of(id)));
        posted = there(id);
        assertThat(yardSays("books-no"))
                .as("with its batch")
                .isEqualTo(posted.get("number").asString());
        assertThat(yardSays("order-no")).isEqualTo("open");
        String link = posted.get("payLink").asString();
        assertThat(yardSays("pay-at")).isEqualTo(link);
        String path = URI.create(link).getPath();
        assertThat(world.standIns().page(path))
                .contains(posted.get("gross").asDecimal().toPlainString());
        fetch();
        assertThat(state()).as("no echo").isEqualTo("Posted");
        payThere("1.00");
        fetch();
        assertThat(yardSays("order-no")).isEqualTo("part paid");
        payThere(posted.get("gross").asDecimal().subtract(BigDecimal.ONE).toPlainString());
        fetch();
        assertThat(yardSays("order-no")).isEqualTo("paid");
        assertThat(yardSays("pay-at")).as("nothing to pay any more").isEmpty();
        assertThat(toBeTold()).isZero();
    }

    /// What its yard sends only with its number goes by itself, though others of its kind wait for a batch.
    @Test
    @Order(11)
    void anInvoiceWhoseYardAsksForItsNumberGoesAtOnceAndIsSentToItsCustomerOnlyThen() {
        String number = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .map(row -> row.get("number").asString())
                .max(Comparator.naturalOrder())
                .orElseThrow();
        String desk = "/hullwork/documents/"
                + world.jdbc()
                        .sql("select source_ref from record where number = :number")
                        .param("number", number)
                        .query(String.class)
                        .single();
        world.standIns().desk(desk + "/ask-number", "");
        assertThatThrownBy(() -> world.standIns().desk(desk + "/send", "")).hasMessageContaining("not there yet");
        int ready = yard.counts().get("Ready");
        fetch();
        Await.until(
                "it is there",
                () -> yard.document(number).get("state").asString().equals("Posted"));
        assertThat(yard.counts().get("Ready")).as("it alone").isEqualTo(ready - 1);
        posted = there(yard.document(number).get("id").asLong());
        Await.until("its number is told", () -> !yardSays("books-no").isEmpty());
        assertThat(yardSays("books-no")).isEqualTo(posted.get("number").asString());
        world.standIns().desk(desk + "/send", "");
        fetch();
        assertThat(state()).isEqualTo("Posted");
    }

    private static void payThere(String amount) {
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/" + posted.get("id").asString() + "/pay",
                        "amount=" + amount + "&date=" + LocalDate.now() + "&means=48");
    }

    private static String yardSays(String field) {
        return world.standIns()
                .hullwork("/documents/" + sourceRef())
                .get("fields")
                .valueStream()
                .filter(each -> each.get("code").asString().equals(field))
                .map(each -> each.get("value").asString())
                .findFirst()
                .orElse("");
    }

    private static String trail() {
        return ferro.get("/api/documents/" + recordId() + "/trail").body();
    }

    private static int supposed() {
        Map<String, Object> change =
                Map.of("route", "yard", "kind", "FIELD", "code", "hull-no", "meaning", into(".note"));
        return ferro.post("/api/map/what-if", change).status();
    }

    private static int toBeTold() {
        return world.jdbc()
                .sql("select count(*) from field_return")
                .query(Integer.class)
                .single();
    }

    private static String orderNumber() {
        return world.standIns()
                .page("/hullwork/documents/" + sourceRef())
                .replaceAll("(?s).*/fields/order-no\".*? name=\"value\" value=\"([^\"]*)\".*", "$1");
    }

    /// With its date, amounts and all else left as they are.
    @Test
    @Order(12)
    void termsAndDueDatesThatAreChangedThereAreToldToTheYard() {
        assertThat(put("books-no", into(".terms-there"), version("books-no")).status())
                .isEqualTo(200);
        assertThat(put("survey", into(".due-date-there"), version("survey")).status())
                .isEqualTo(200);
        long id = world.jdbc()
                .sql(
                        "select id from record where state = 'Ready' and kind = 'invoice' order by issue_date desc, id limit 1")
                .query(Long.class)
                .single();
        yard.awaitFinished(yard.send(List.of(id)));
        posted = there(id);
        assertThat(yardSays("books-no")).isEqualTo(posted.get("terms").asString());
        assertThat(yardSays("survey")).isEqualTo(posted.get("due").asString());
        StringBuilder form = new StringBuilder(
                "terms=EOM&due=2027-03-31&version=" + posted.get("version").asInt());
        posted.get("lines")
                .forEach(line ->
                        form.append("&amount=").append(line.get("amount").asString()));
        world.standIns()
                .desk("/inkwell/books/saltmere/documents/" + posted.get("id").asString() + "/edit", form.toString());
        fetch();
        assertThat(yardSays("books-no")).isEqualTo("EOM");
        assertThat(yardSays("survey")).isEqualTo("2027-03-31");
        assertThat(toBeTold()).isZero();
    }

    private static int version(String field) {
        return row("field", field).get("row").get("version").asInt();
    }

    private static void sayThere(String field) {
        JsonNode now = there(recordId());
        StringBuilder form = new StringBuilder("version=" + now.get("version").asInt() + "&due="
                + now.get("due").asString());
        now.get("lines")
                .forEach(line ->
                        form.append("&amount=").append(line.get("amount").asString()));
        world.standIns()
                .desk("/inkwell/books/saltmere/documents/" + now.get("id").asString() + "/edit", form + "&" + field);
    }
}
