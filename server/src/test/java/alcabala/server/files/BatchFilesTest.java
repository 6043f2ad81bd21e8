package alcabala.server.files;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Ellery;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// From ready to accepted through files, with what can go wrong on the way.
class BatchFilesTest {
    private static World world;
    private static Ellery ellery;
    private static Api api;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ellery = new Ellery(world);
        api = ellery.api();
        Yard.decide(api, Ellery.ROUTE, "PAYMENTS", "to-ledger");
        api.put("/api/map/row", Yard.row(Ellery.ROUTE, "MEANS", "48 CAD", "", "1010", 0));
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void whatALedgerWouldCreateWithoutAWordIsAllowedByNameFirst() {
        Map<String, Object> order = ellery.order(ellery.choice(2));
        order.put("allowed", List.of());
        Api.Response no = api.post("/api/batches", order);
        assertThat(no.status()).isEqualTo(409);
        assertThat(no.json().get("code").asString()).isEqualTo("creates-silently");
        assertThat(no.json().get("sentence").asString()).contains("Copperplate does not know");
    }

    @Test
    void aLedgerOfFilesTakesWhatALayoutOfItsCarries() {
        Map<String, JsonNode> rows = api.get("/api/settings/crossing?route=ellery")
                .json()
                .valueStream()
                .collect(Collectors.toMap(each -> each.get("of").asString(), Function.identity()));
        assertThat(rows.get("INVOICES").get("taken").asBoolean()).isTrue();
        assertThat(rows.get("BILLS").get("taken").asBoolean()).isTrue();
        assertThat(rows.get("INVOICES").get("becomes").asString()).startsWith("final");
    }

    @Test
    void aFileIsWrittenOnceAndWhatTheLedgerAnswersSettlesIt() {
        long batch = ellery.export(3);
        JsonNode files = files(batch);
        String delivery = files.get("delivery").asString();
        assertThat(delivery).isEqualTo("B" + batch + ".1");
        assertThat(files.get("files").get(0).get("name").asString()).isEqualTo("sales-" + delivery + ".csv");
        assertThat(outcomes(batch)).containsOnly(Map.entry("unconfirmed", 3L));
        assertThat(ellery.batch(batch).get("batch").has("finishedAt")).isFalse();
        String file = ellery.file(batch);
        assertThat(ellery.file(batch)).as("the same, whenever it is asked for").isEqualTo(file);
        assertThat(file.lines().findFirst().orElseThrow()).startsWith("Delivery;Reference;Type;Number;Date;");

        ellery.atDesk("accounts/open", "key=4100");
        String refused = ellery.imported(file);
        ellery.atDesk("accounts/open", "key=4100&open=true");
        JsonNode answer = ellery.settled(batch, refused);
        assertThat(answer.get("refused").asInt()).isEqualTo(3);
        JsonNode first = ellery.batch(batch).get("dispatches").get(0);
        assertThat(first.get("outcome").asString()).isEqualTo("refused");
        assertThat(first.get("sentence").asString()).isEqualTo("There is no open account 4100");
        assertThat(ellery.batch(batch).get("batch").has("finishedAt")).isTrue();

        JsonNode accepted = ellery.settled(batch, ellery.imported(file));
        assertThat(accepted.get("accepted").asInt())
                .as("imported again once the account was open")
                .isEqualTo(3);
        assertThat(outcomes(batch)).containsOnly(Map.entry("posted", 3L));
        JsonNode posted = ellery.batch(batch).get("dispatches").get(0);
        assertThat(posted.get("state").asString()).isEqualTo("Posted");
        assertThat(posted.get("ledgerRef").asString()).startsWith("E-");
    }

    @Test
    void whoTheLedgerCreatedIsKnownFromThenOn() {
        long batch = ellery.export(1);
        String party = ellery.batch(batch).get("dispatches").get(0).get("party").asString();
        String accepted = ellery.imported(ellery.file(batch));
        ellery.settled(batch, accepted);
        String number = accepted.lines().skip(1).findFirst().orElseThrow().split(";")[6];
        assertThat(world.jdbc()
                        .sql("select name from ledger_party where code = :code")
                        .param("code", number)
                        .query(String.class)
                        .list())
                .as("as the ledger's list has it, or as it was created")
                .isNotEmpty();
        assertThat(ellery.preview(ellery.choice(50)).get("parties").findValuesAsString("name"))
                .doesNotContain(party);
    }

    @Test
    void aFileOfAnotherBatchSettlesNothing() {
        long one = ellery.export(1);
        long other = ellery.export(1);
        String answer = ellery.imported(ellery.file(other));
        Api.Response no = ellery.answer(one, answer);
        assertThat(no.status()).isEqualTo(422);
        assertThat(no.json().get("sentence").asString()).contains("It is about B" + other + ".1");
        assertThat(outcomes(one)).containsOnly(Map.entry("unconfirmed", 1L));
        assertThat(ellery.answer(one, "x".repeat(Answers.LARGEST + 1))
                        .json()
                        .get("sentence")
                        .asString())
                .contains("at most 20 MB");
        assertThat(ellery.answer(one, " ".repeat(Answers.LARGEST))
                        .json()
                        .get("sentence")
                        .asString())
                .doesNotContain("at most 20 MB");
        assertThat(ellery.answer(one, "Boat;Length\nDrake;9\n").status()).isEqualTo(422);
        assertThat(ellery.answer(one, "").json().get("sentence").asString()).contains("There is nothing in the file");
        ellery.settled(other, answer);
        assertThat(withdraw(one).get("documents").asInt()).isOne();
    }

    @Test
    void aFileThatWasCutOffTellsNothingOfWhatItDoesNotName() {
        long batch = ellery.export(2);
        String whole = ellery.imported(ellery.file(batch));
        String cut = whole.lines().limit(2).collect(Collectors.joining("\n"));
        JsonNode answer = ellery.settled(batch, cut);
        assertThat(answer.get("telling").asString()).isEqualTo("PART");
        assertThat(outcomes(batch)).containsOnly(Map.entry("posted", 1L), Map.entry("unconfirmed", 1L));
        ellery.settled(batch, whole);
        ellery.settled(batch, whole);
        assertThat(outcomes(batch)).as("the same file twice is no news").containsOnly(Map.entry("posted", 2L));
    }

    @Test
    void aFileImportedTwiceIsFoundOut() {
        long batch = ellery.export(1);
        String file = ellery.file(batch);
        ellery.settled(batch, ellery.imported(file));
        JsonNode again = ellery.settled(batch, ellery.imported(file));
        assertThat(again.get("accepted").asInt()).isZero();
        assertThat(again.get("odd").get(0).get("sentence").asString()).contains("stands in Copperplate twice, as E-");
        JsonNode register = ellery.settled(batch, ellery.register());
        assertThat(register.get("telling").asString()).isEqualTo("REGISTER");
        assertThat(register.get("odd").get(0).get("sentence").asString()).contains("twice");
    }

    @Test
    void whatStandsThereWithAnotherAmountDiverges() {
        long batch = ellery.export(1);
        ellery.imported(ellery.file(batch));
        correctFirstRow(batch);
        JsonNode answer = ellery.settled(batch, ellery.register());
        assertThat(answer.get("differing").asInt()).isOne();
        JsonNode dispatch = ellery.batch(batch).get("dispatches").get(0);
        assertThat(dispatch.get("state").asString()).isEqualTo("Diverged");
        ellery.settled(batch, ellery.register());
        assertThat(ellery.batch(batch).get("dispatches").get(0).get("outcome").asString())
                .isEqualTo("posted");
        long document = dispatch.get("documentId").asLong();
        change(dispatch.get("number").asString());
        Map<String, Object> again = Map.of("route", Ellery.ROUTE, "ids", List.of(document));
        assertThat(ellery.preview(again).get("count").asInt())
                .as("what was given would be taken back, and another amount stands there")
                .isZero();
        assertThat(api.post("/api/batches/dry-run", again).json().get("left").toString())
                .contains("correct it there and take in its register");
        assertThat(api.post(
                                "/api/documents/" + document + "/settlement",
                                Map.of("winner", "SOURCE", "ledgerVersion", 1))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("ledger-of-files");
    }

    @Test
    void whatWasWithdrawnGoesAgainAndIsFoundWhenItWasImportedAllTheSame() {
        long batch = ellery.export(1);
        JsonNode document = ellery.batch(batch).get("dispatches").get(0);
        withdraw(batch);
        assertThat(ellery.batch(batch).get("dispatches").get(0).get("state").asString())
                .isEqualTo("Ready");
        String late = ellery.imported(ellery.file(batch));
        Map<String, Object> choice = Map.of(
                "route", Ellery.ROUTE, "ids", List.of(document.get("documentId").asLong()));
        long again =
                api.post("/api/batches", ellery.order(choice)).json().get("id").asLong();
        JsonNode answer = ellery.settled(batch, late);
        assertThat(answer.get("odd").get(0).get("sentence").asString())
                .contains("was taken for not accepted and went again with a later batch");
        assertThat(outcomes(again)).containsOnly(Map.entry("unconfirmed", 1L));
    }

    /// What stands there and changed on its source is taken back, and goes anew: both, or neither.
    @Test
    void aFurtherRevisionTakesBackWhatItReplaces() {
        long batch = ellery.export(1);
        JsonNode before = ellery.batch(batch).get("dispatches").get(0);
        ellery.settled(batch, ellery.imported(ellery.file(batch)));
        change(before.get("number").asString());
        Map<String, Object> order = ellery.order(Map.of(
                "route", Ellery.ROUTE, "ids", List.of(before.get("documentId").asLong())));
        order.put("replaces", batch);
        long revision = api.post("/api/batches", order).json().get("id").asLong();
        JsonNode head = ellery.batch(revision).get("batch");
        assertThat(head.get("firstId").asLong()).isEqualTo(batch);
        assertThat(head.get("revision").asInt()).isEqualTo(2);
        String file = ellery.file(revision);
        assertThat(file).contains(";credit note;" + before.get("number").asString() + "-R;");
        String answer = ellery.imported(file);
        String half = answer.lines().limit(2).collect(Collectors.joining("\n"));
        ellery.settled(revision, half);
        assertThat(outcomes(revision)).as("one of the two is not known yet").containsOnly(Map.entry("unconfirmed", 1L));
        ellery.settled(revision, answer);
        JsonNode after = ellery.batch(revision).get("dispatches").get(0);
        assertThat(after.get("state").asString()).isEqualTo("Posted");
        assertThat(after.get("gross").asString())
                .isNotEqualTo(before.get("gross").asString());
        assertThat(ellery.settled(batch, ellery.register()).get("odd").isEmpty())
                .as("the former one knows that it was followed")
                .isFalse();
        assertThat(registered(before.get("number").asString()))
                .as("what the customer owes there")
                .isEqualByComparingTo(after.get("gross").asString());
    }

    @Test
    void aRevisionWaitsUntilTheFormerOneIsSettled() {
        long batch = ellery.export(1);
        Map<String, Object> order = ellery.order(ellery.choice(1));
        order.put("replaces", batch);
        assertThat(api.post("/api/batches", order).json().get("code").asString())
                .isEqualTo("revision-open");
        order.put("replaces", 99_999);
        assertThat(api.post("/api/batches", order).status()).isEqualTo(404);
        withdraw(batch);
    }

    /// Somebody corrects what stands there of the first document of a batch.
    private static void correctFirstRow(long batch) {
        String entry = ellery.register()
                .lines()
                .filter(line -> line.contains(";B" + batch + ".1;"))
                .findFirst()
                .orElseThrow()
                .split(";")[0];
        ellery.atDesk("register/" + entry + "/correct", "amount=1.00");
    }

    private static void change(String number) {
        world.standIns().editOnHullwork("/hullwork/documents/d-" + number.substring("HP-".length()), "99.00");
        api.post("/api/pull?route=ellery", Map.of());
    }

    /// Invoices less credit notes that stand there for a document.
    private static java.math.BigDecimal registered(String number) {
        return ellery.register()
                .lines()
                .skip(1)
                .map(line -> line.split(";"))
                .filter(cells -> cells[2].startsWith(number))
                .map(cells -> new java.math.BigDecimal(cells[1].equals("invoice") ? cells[9] : "-" + cells[9]))
                .reduce(java.math.BigDecimal.ZERO, java.math.BigDecimal::add);
    }

    /// Payments go as journals, once their document is there; the ledger answers with the sum of one side.
    @Test
    void aPaymentGoesAsAJournalOnceItsDocumentIsThere() {
        long batch = ellery.export(1);
        String number =
                ellery.batch(batch).get("dispatches").get(0).get("number").asString();
        world.standIns()
                .desk(
                        "/hullwork/documents/d-" + number.substring("HP-".length()) + "/payments",
                        "amount=2.50&date=" + LocalDate.now() + "&means=48&reference=slip7");
        api.post("/api/pull?route=ellery", Map.of());
        Map<String, Object> payments = Map.of("route", Ellery.ROUTE, "payments", true);
        assertThat(ellery.preview(payments).get("count").asInt())
                .as("it waits for its document")
                .isZero();
        ellery.settled(batch, ellery.imported(ellery.file(batch)));
        Map<String, Object> byLines = ellery.order(payments);
        byLines.put("layout", keepLayoutOfLines());
        assertThat(api.post("/api/batches", byLines).json().get("code").asString())
                .as("a payment has no lines")
                .isEqualTo("layout-leaves-out");
        byLines.put("layout", "Journals");
        long money = api.post("/api/batches", byLines).json().get("id").asLong();
        String file = ellery.file(money);
        assertThat(file).startsWith("Delivery;Reference;Number;Date;Party;Party name;Currency;Rate;Account;");
        assertThat(file.lines()
                        .skip(1)
                        .map(line -> line.split(";", -1))
                        .map(cells -> cells[8] + " " + cells[10] + " " + cells[11] + " " + cells[12]))
                .containsExactly("1010 2.50  ", "1200  2.50 " + number);
        assertThat(ellery.settled(money, ellery.imported(file)).get("accepted").asInt())
                .isOne();
        assertThat(outcomes(money)).containsOnly(Map.entry("posted", 1L));
        assertThat(world.jdbc()
                        .sql("select paid from record where number = :number")
                        .param("number", number)
                        .query(Long.class)
                        .single())
                .as("the document says so too")
                .isEqualTo(250);
        correctFirstRow(batch);
        ellery.settled(batch, ellery.register());
        assertThat(world.jdbc()
                        .sql("select paid from record where number = :number")
                        .param("number", number)
                        .query(Long.class)
                        .single())
                .as("whatever else is said of it later")
                .isEqualTo(250);
    }

    /// What is taken to the bank goes as a journal too, and is taken back by its opposite.
    @Test
    void aBankingGoesAsAJournalAndIsTakenBackByItsOpposite() {
        for (String kind : List.of("ROLE RECEIPTS_AWAITING_BANKING", "MEANS 20 CAD")) {
            int space = kind.indexOf(' ');
            Map<String, Object> row =
                    Yard.row(Ellery.ROUTE, kind.substring(0, space), kind.substring(space + 1), "", "1020", 0);
            assertThat(api.put("/api/map/row", row).status()).isEqualTo(200);
        }
        long batch = ellery.export(1);
        String number =
                ellery.batch(batch).get("dispatches").get(0).get("number").asString();
        ellery.settled(batch, ellery.imported(ellery.file(batch)));
        world.standIns()
                .desk(
                        "/hullwork/documents/d-" + number.substring("HP-".length()) + "/payments",
                        "amount=3.00&date=" + LocalDate.now() + "&means=20&reference=000417");
        api.post("/api/pull?route=ellery", Map.of());
        Map<String, Object> payments = ellery.order(Map.of("route", Ellery.ROUTE, "payments", true));
        payments.put("layout", "Journals");
        long money = api.post("/api/batches", payments).json().get("id").asLong();
        ellery.settled(money, ellery.imported(ellery.file(money)));

        JsonNode sheet = api.get("/api/bankings/sheet?route=ellery").json();
        Map<String, Object> order = new HashMap<>(Map.of(
                "route",
                Ellery.ROUTE,
                "account",
                "1010",
                "day",
                LocalDate.now().toString(),
                "slip",
                "7",
                "stated",
                "3.00",
                "difference",
                "NONE",
                "why",
                "",
                "version",
                0));
        order.put("receipts", List.of(sheet.get("receipts").get(0).get("id").asLong()));
        JsonNode made = api.post("/api/bankings", order).json().get("banking");
        assertThat(made.get("state").asString()).as(made.toString()).isEqualTo("Ready");
        assertThat(sent(made)).containsExactly("1010 3.00 ", "1020  3.00");

        JsonNode posted = api.get("/api/bankings/sheet?route=ellery").json().get("banking");
        assertThat(posted.get("state").asString()).isEqualTo("Posted");
        assertThat(api.post(
                                "/api/bankings/" + made.get("id").asLong() + "/withdrawal",
                                Map.of(
                                        "why",
                                        "never went",
                                        "version",
                                        posted.get("version").asInt()))
                        .status())
                .isEqualTo(200);
        assertThat(sent(made)).containsExactly("1010  3.00", "1020 3.00 ");
        assertThat(api.get("/api/bankings/sheet?route=ellery")
                        .json()
                        .get("banking")
                        .get("state")
                        .asString())
                .isEqualTo("Voided");
    }

    /// What the file of a banking books, which the ledger then accepts.
    private static List<String> sent(JsonNode banking) {
        Map<String, Object> order = ellery.order(
                Map.of("route", Ellery.ROUTE, "ids", List.of(banking.get("id").asLong())));
        order.put("layout", "Journals");
        Api.Response answer = api.post("/api/batches", order);
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        long batch = answer.json().get("id").asLong();
        String file = ellery.file(batch);
        ellery.settled(batch, ellery.imported(file));
        assertThat(outcomes(batch)).as(file).containsOnly(Map.entry("posted", 1L));
        return file.lines()
                .skip(1)
                .map(line -> line.split(";", -1))
                .map(cells -> cells[8] + " " + cells[10] + " " + cells[11])
                .toList();
    }

    /// A row of it stands for a line of a document.
    private static String keepLayoutOfLines() {
        ObjectNode layout = (ObjectNode) api.get("/api/layouts?route=ellery")
                .json()
                .get("layouts")
                .get(0)
                .get("layout");
        layout.put("name", "Lines").put("carries", "SETTLEMENTS");
        assertThat(api.put("/api/layouts", Map.of("route", Ellery.ROUTE, "expectedVersion", 0, "layout", layout))
                        .status())
                .isEqualTo(200);
        return "Lines";
    }

    @Test
    void whatNoFileSettlesAPersonDoes() {
        long batch = ellery.export(2);
        List<Long> ids = ellery.batch(batch)
                .get("dispatches")
                .valueStream()
                .map(each -> each.get("documentId").asLong())
                .toList();
        assertThat(settle(batch, List.of(ids.get(0)), "accepted", "", "").status())
                .isEqualTo(422);
        assertThat(settle(batch, ids, "accepted", "E-77777", "").status()).isEqualTo(422);
        assertThat(settle(batch, List.of(ids.get(0)), "accepted", "E-77777", "").status())
                .isEqualTo(200);
        assertThat(settle(batch, List.of(ids.get(1)), "accepted", "E-77777", "").status())
                .as("the number of the other one")
                .isEqualTo(409);
        assertThat(settle(batch, List.of(ids.get(1)), "refused", "", "").status())
                .isEqualTo(422);
        assertThat(settle(batch, List.of(ids.get(1)), "refused", "", "no such tax")
                        .status())
                .isEqualTo(200);
        assertThat(settle(batch, ids, "lost", "", "x").status()).isEqualTo(422);
        assertThat(outcomes(batch)).containsOnly(Map.entry("posted", 1L), Map.entry("refused", 1L));
    }

    private static Api.Response settle(long batch, List<Long> records, String outcome, String number, String reason) {
        Map<String, Object> said = new HashMap<>(Map.of("records", records, "outcome", outcome));
        said.put("number", number);
        said.put("reason", reason);
        return api.post("/api/batches/" + batch + "/settle", said);
    }

    private static JsonNode withdraw(long batch) {
        return settle(batch, List.of(), "withdrawn", "", "the file was never imported")
                .json();
    }

    private static JsonNode files(long batch) {
        return api.get("/api/batches/" + batch + "/files").json();
    }

    private static Map<String, Long> outcomes(long batch) {
        return ellery.batch(batch)
                .get("dispatches")
                .valueStream()
                .collect(Collectors.groupingBy(each -> each.get("outcome").asString(), Collectors.counting()));
    }
}
