package alcabala.server.crossing;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/// Invoices and credit notes that people enter in the books, and the yard that is to have them too.
class EnteredDocumentsTest {
    private static final String BOOKS = "/inkwell/books/saltmere/documents";
    private static final String PARTY = "IC-1001";
    private static final String TODAY = LocalDate.now().toString();
    /// Numbers of the yard's that are in the books too, the first of them from the start.
    private static final Set<String> USED = new HashSet<>(Set.of("HW-20388"));

    private static final AtomicInteger NUMBERS = new AtomicInteger(7000);
    private static World world;
    private static Api ferro;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        new Yard(ferro).mapEverything();
        String before = enter("invoice", PARTY, "Before it was decided", "80.00", "S23", TODAY);
        run();
        assertThat(find(before)).isEmpty();
        Yard.decide(world.api("admin"), "yard", "INVOICES", "both");
        Yard.decide(world.api("admin"), "yard", "CREDIT_NOTES", "from-ledger");
        Yard.decide(world.api("admin"), "yard", "PAYMENTS", "both");
        run();
        awaitAtYard(before);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @AfterEach
    void noFaults() {
        world.standIns().allWell();
    }

    private static String run() {
        return ferro.post("/api/pull?route=yard", Map.of())
                .json()
                .get("sentence")
                .asString();
    }

    /// @return its number
    private static String enter(String kind, String party, String text, String amount, String tax, String day) {
        String number = "BK-" + NUMBERS.incrementAndGet();
        world.standIns()
                .desk(
                        BOOKS,
                        "kind=%s&number=%s&party=%s&date=%s&text=%s&amount=%s&taxCode=%s"
                                .formatted(kind, number, party, day, text.replace(' ', '+'), amount, tax));
        return number;
    }

    private static String ref(String number) {
        return world.standIns()
                .inkwell("/documents/numbered?number=" + number)
                .get(0)
                .get("id")
                .asString();
    }

    private static String party(String name) {
        return world.standIns()
                .inkwell("/parties?limit=100000")
                .valueStream()
                .filter(each -> each.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    /// As the yard has it.
    private static Optional<JsonNode> find(String number) {
        List<JsonNode> found = world.standIns().onHullwork("document").stream()
                .filter(each -> each.get("number").asString().equals(number))
                .toList();
        assertThat(found).as(number).hasSizeLessThanOrEqualTo(1);
        return found.stream().findFirst();
    }

    private static JsonNode awaitAtYard(String number) {
        Await.until("it at the yard", () -> find(number).isPresent());
        Await.until("it posted", () -> row(number).get("state").asString().equals("Posted"));
        return find(number).orElseThrow();
    }

    private static JsonNode row(String number) {
        return ferro.get("/api/documents?route=yard&limit=500&text=" + number)
                .json()
                .get("rows")
                .valueStream()
                .filter(each -> each.get("origin").asString().equals("ledger"))
                .findFirst()
                .orElseThrow();
    }

    private static Optional<JsonNode> warning(String cause) {
        return ferro.get("/api/resolve/warnings?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("cause").asString().equals(cause))
                .findFirst();
    }

    @Test
    void anInvoiceThatWasEnteredInTheBooksIsAtTheYardOnceInItsOwnCodes() {
        String number = enter("invoice", PARTY, "Winter storage, agreed by phone", "100.00", "S23", TODAY);
        assertThat(run()).contains("1 record on its way by itself");
        JsonNode there = awaitAtYard(number);
        assertThat(there.get("customer").asString()).isEqualTo("C-1001");
        assertThat(there.get("externalRef").asString()).isEqualTo("inkwell:" + ref(number));
        assertThat(there.get("gross").asDecimal()).isEqualByComparingTo("123.00");
        assertThat(there.get("lines").get(0).get("vatCode").asString()).isEqualTo("V23");
        assertThat(row(number).get("origin").asString()).isEqualTo("ledger");
        assertThat(run()).as("what it was told is no news").isEqualTo("Nothing new on either side");
        assertThat(find(number)).isPresent();
    }

    @Test
    void aCreditNoteComesBackWhereOnlyTheyDoAndThoseOfTheYardStayThere() {
        String number = enter("credit-note", PARTY, "Goodwill", "10.00", "S23", TODAY);
        run();
        assertThat(awaitAtYard(number).get("type").asString()).isEqualTo("CREDIT_NOTE");
    }

    /// Whoever wins where a document of the yard was changed in the books.
    @ParameterizedTest
    @ValueSource(strings = {"ledger", "ask"})
    void whatIsChangedThereGoesInItsPlaceAndWhatIsTakenBackIsVoidAtTheYard(String winner) {
        Yard.decide(world.api("admin"), "yard", "INVOICES_WINNER", winner);
        String number = enter("invoice", PARTY, "Fuel", "50.00", "S23", TODAY);
        run();
        awaitAtYard(number);
        String id = ref(number);
        world.standIns().editOnInkwell(id, TODAY, "60.00");
        assertThat(run()).contains("on its way by itself");
        Await.until(
                "the change",
                () -> find(number).orElseThrow().get("gross").asDecimal().compareTo(new BigDecimal("73.80")) == 0);
        Await.until("it posted again", () -> row(number).get("state").asString().equals("Posted"));
        assertThat(run()).isEqualTo("Nothing new on either side");
        world.standIns().desk(BOOKS + "/" + id + "/void", "");
        run();
        Await.until(
                "it void at the yard",
                () -> find(number).orElseThrow().get("status").asString().equals("VOID"));
        Await.until("it void", () -> row(number).get("state").asString().equals("Voided"));
        assertThat(run()).isEqualTo("Nothing new on either side");
    }

    /// That it is void failed on its way, as when the yard was away for long: it goes again as that, and as no change.
    @Test
    void whatIsVoidThereIsVoidAtTheYardAlsoWhenItsBatchIsTriedAgain() {
        String number = enter("invoice", PARTY, "Ballast", "51.00", "S23", TODAY);
        run();
        awaitAtYard(number);
        world.standIns().editOnInkwell(ref(number), TODAY, "52.00");
        run();
        Await.until("it posted again", () -> row(number).get("state").asString().equals("Posted"));
        Yard.decide(world.api("admin"), "yard", "INVOICES", "to-ledger");
        world.standIns().desk(BOOKS + "/" + ref(number) + "/void", "");
        run();
        assertThat(find(number).orElseThrow().get("status").asString()).isNotEqualTo("VOID");
        Yard.decide(world.api("admin"), "yard", "INVOICES", "both");
        long batch =
                world.jdbc().sql("""
                        update dispatch set outcome = 'unreached', posting_id = null where id = (
                            select max(p.id) from dispatch p join record d on d.id = p.record_id where d.number = :number)
                        returning batch_id""").param("number", number).query(Long.class).single();
        assertThat(ferro.post("/api/batches/" + batch + "/retry", Map.of()).status())
                .isEqualTo(200);
        Await.until(
                "it void at the yard",
                () -> find(number).orElseThrow().get("status").asString().equals("VOID"));
        Await.until("it void", () -> row(number).get("state").asString().equals("Voided"));
    }

    @Test
    void whatWasPaidOfItInTheBooksIsPaidAtTheYardToo() {
        String number = enter("invoice", PARTY, "Mooring", "200.00", "S23", TODAY);
        world.standIns().desk(BOOKS + "/" + ref(number) + "/pay", "amount=46.00&date=" + TODAY);
        run();
        awaitAtYard(number);
        run();
        Await.until(
                "the payment",
                () -> world.standIns()
                        .page("/hullwork/documents/inkwell:" + ref(number))
                        .contains("<b id=\"settled\">46.00</b>"));
    }

    @Test
    void anAnswerOfTheYardThatIsLostIsAskedForAndItIsEnteredOnce() {
        String number = enter("invoice", PARTY, "Pontoon hire", "70.00", "S23", TODAY);
        world.standIns().fault("hullwork", "ANSWER_LOST", 1);
        run();
        Await.until("it entered", () -> find(number).isPresent());
        world.standIns().fault("hullwork", "NONE", 0);
        awaitAtYard(number);
    }

    @Test
    void whatCannotBeToldInTheCodesOfTheYardStaysWithItsReasonAndGoesOnceThatIsMended() {
        world.standIns().desk("/inkwell/books/saltmere/parties", "name=Nobody+at+the+yard");
        String nobody = party("Nobody at the yard");
        String number = enter("invoice", nobody, "Berth for a guest", "30.00", "S23", TODAY);
        run();
        JsonNode unknown = warning("entered-there:party-unknown").orElseThrow();
        assertThat(unknown.get("sentence").asString()).contains(number, "Nobody at the yard");
        assertThat(find(number)).isEmpty();
        String code = world.standIns().customerOnHullwork("Guests of the harbour", "harbour@guests.example");
        run();
        new Yard(ferro).map("PARTY", code, nobody, "");
        run();
        assertThat(awaitAtYard(number).get("customer").asString()).isEqualTo(code);
        assertThat(isNobodys(number)).isFalse();
        String taxed = enter("invoice", PARTY, "At a rate of nobody's", "30.00", "E0", TODAY);
        run();
        assertThat(warning("entered-there:tax-unknown:E0")
                        .orElseThrow()
                        .get("sentence")
                        .asString())
                .contains(taxed, "E0");
    }

    @Test
    void whatTheYardMayHaveAlreadyIsAskedAboutOnce() {
        String mine = ready().get("number").asString();
        enterAs(mine, "10.00");
        run();
        String asked = "entered-there:may-be-here:" + ref(mine);
        JsonNode held = warning(asked).orElseThrow();
        assertThat(held.get("sentence").asString()).contains(mine);
        assertThat(ferro.post("/api/resolve/warnings/entered", said(ref(mine), "LEAVE"))
                        .status())
                .isEqualTo(204);
        assertThat(warning(asked)).isEmpty();
        run();
        assertThat(warning(asked)).isEmpty();
        assertThat(world.api("voss")
                        .post("/api/resolve/warnings/entered", said(ref(mine), "BRING"))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void whatIsSaidToBeAnotherOneIsHeldForWhatElseKeepsItAndCanBeLeftAndAskedAboutAgain() {
        world.standIns().desk("/inkwell/books/saltmere/parties", "name=Somebody+else");
        String number = ready().get("number").asString();
        enterAs(number, party("Somebody else"), "16.00");
        run();
        assertThat(warning("entered-there:may-be-here:" + ref(number))).isPresent();
        assertThat(say(number, "BRING")).isEqualTo(204);
        assertThat(warning("entered-there:may-be-here:" + ref(number))).isEmpty();
        run();
        assertThat(isNobodys(number)).isTrue();
        assertThat(say(number, "LEAVE")).isEqualTo(204);
        assertThat(say(number, "LEAVE")).as("said already").isEqualTo(409);
        run();
        assertThat(isNobodys(number)).isFalse();
        assertThat(say(number, "ASK")).isEqualTo(204);
        assertThat(say(number, "LEAVE")).isEqualTo(204);
    }

    private static boolean isNobodys(String number) {
        return warning("entered-there:party-unknown")
                .filter(each -> each.get("sentence").asString().contains(number))
                .isPresent();
    }

    private static int say(String number, String answer) {
        return ferro.post("/api/resolve/warnings/entered", said(ref(number), answer))
                .status();
    }

    private static Map<String, Object> said(String ref, String answer) {
        return Map.of("route", "yard", "answer", answer, "refs", List.of(ref));
    }

    @Test
    void whatTheYardRefusesIsNamedWithItsReason() {
        String number = ready().get("number").asString();
        world.standIns().desk("/hullwork/documents/" + number.replace("HW-", "d-") + "/void", "");
        run();
        enterAs(number, "12.00");
        run();
        Await.until("it refused", () -> row(number).get("state").asString().equals("Refused"));
        assertThat(ferro.get("/api/resolve?route=yard").json().toString())
                .contains("back:refused:number-taken", "is empty or used by another document");
        world.standIns().renumberOnHullwork("/hullwork/documents/" + number.replace("HW-", "d-"), number + "-VOID");
        world.standIns().editOnInkwell(ref(number), TODAY, "15.00");
        run();
        awaitAtYard(number);
    }

    @Test
    void whatIsChangedThereBeforeItWentGoesAsItIsByThen() {
        String number = enter("invoice", PARTY, "Slip", "50.00", "S23", TODAY);
        world.standIns().fault("hullwork", "UNAVAILABLE", 0);
        ferro.post("/api/pull?route=yard", Map.of());
        assertThat(row(number).get("state").asString()).isEqualTo("Ready");
        world.standIns().fault("hullwork", "NONE", 0);
        world.standIns().editOnInkwell(ref(number), TODAY, "60.00");
        run();
        assertThat(awaitAtYard(number).get("gross").asDecimal()).isEqualByComparingTo("73.80");
    }

    @Test
    void whatIsTakenBackBeforeItWentDoesNotGo() {
        String number = ready().get("number").asString();
        world.standIns().desk("/hullwork/documents/" + number.replace("HW-", "d-") + "/void", "");
        run();
        enterAs(number, "13.00");
        run();
        Await.until("it refused", () -> row(number).get("state").asString().equals("Refused"));
        world.standIns().desk(BOOKS + "/" + ref(number) + "/void", "");
        run();
        assertThat(row(number).get("state").asString()).isEqualTo("Voided");
    }

    @Test
    void whatIsLinkedByHandWithOneOfTheYardWaitsNoMore() {
        JsonNode mine = ready();
        String number = mine.get("number").asString();
        enterAs(number, "14.00");
        run();
        String asked = "entered-there:may-be-here:" + ref(number);
        assertThat(warning(asked)).isPresent();
        assertThat(ferro.put(
                                "/api/documents/" + mine.get("id").asLong() + "/link",
                                Map.of("ref", ref(number), "version", 1))
                        .status())
                .isEqualTo(200);
        assertThat(warning(asked)).isEmpty();
        run();
        assertThat(find(number).orElseThrow().get("externalRef").asString()).isEmpty();
    }

    /// An invoice of the yard's that has not crossed; another one each time.
    private static JsonNode ready() {
        return new Yard(ferro)
                .documents("Ready").stream()
                        .filter(each -> each.get("kind").asString().equals("invoice"))
                        .filter(each -> each.get("currency").asString().equals("EUR"))
                        .filter(each -> USED.add(each.get("number").asString()))
                        .findFirst()
                        .orElseThrow();
    }

    private static void enterAs(String number, String amount) {
        enterAs(number, PARTY, amount);
    }

    private static void enterAs(String number, String party, String amount) {
        world.standIns()
                .desk(
                        BOOKS,
                        "kind=invoice&number=%s&party=%s&date=%s&text=The+same&amount=%s&taxCode=S23"
                                .formatted(number, party, TODAY, amount));
    }

    @Test
    void whatIsDatedBeforeTheFirstDayStaysWhereItIs() {
        Yard.decide(world.api("admin"), "yard", "INVOICES_CUT_OFF", TODAY);
        String before = enter(
                "invoice",
                PARTY,
                "Yesterday",
                "11.00",
                "S23",
                LocalDate.now().minusDays(1).toString());
        String on = enter("invoice", PARTY, "Today", "11.00", "S23", TODAY);
        run();
        awaitAtYard(on);
        assertThat(find(before)).isEmpty();
        Yard.decide(world.api("admin"), "yard", "INVOICES_CUT_OFF", "");
        run();
        awaitAtYard(before);
    }

    /// What waits is what stands there by now, not what stood there in between.
    @Test
    void whatIsChangedAndChangedBackWhileItIsOnItsWayWaitsForNothing() {
        String number = enter("invoice", PARTY, "Varnish", "60.00", "S23", TODAY);
        run();
        awaitAtYard(number);
        world.standIns().editOnInkwell(ref(number), TODAY, "60.00");
        run();
        awaitAtYard(number);
        become(number, "unconfirmed");
        world.standIns().editOnInkwell(ref(number), TODAY, "61.00");
        run();
        assertThat(waiting(number)).isOne();
        world.standIns().editOnInkwell(ref(number), TODAY, "60.00");
        run();
        assertThat(waiting(number)).isZero();
        become(number, "posted");
        run();
        assertThat(find(number).orElseThrow().get("net").asDecimal()).isEqualByComparingTo("60.00");
        assertThat(row(number).get("state").asString()).isEqualTo("Posted");
    }

    /// A change that waits to be brought is older than that it is void.
    @Test
    void whatIsVoidWhileAnEarlierChangeOfItWaitsIsVoidAtTheYard() {
        String number = enter("invoice", PARTY, "Rudder", "62.00", "S23", TODAY);
        run();
        awaitAtYard(number);
        world.standIns().editOnInkwell(ref(number), TODAY, "62.00");
        run();
        awaitAtYard(number);
        become(number, "unconfirmed");
        world.standIns().editOnInkwell(ref(number), TODAY, "63.00");
        run();
        assertThat(waiting(number)).isOne();
        world.standIns().desk(BOOKS + "/" + ref(number) + "/void", "");
        run();
        assertThat(waiting(number)).isZero();
        become(number, "posted");
        run();
        Await.until(
                "it void at the yard",
                () -> find(number).orElseThrow().get("status").asString().equals("VOID"));
        Await.until("it void", () -> row(number).get("state").asString().equals("Voided"));
    }

    /// Nothing of what was tried can be tried again: what it is by now goes as if it had never been tried.
    @Test
    void whatDidNotGetThroughAndIsChangedSinceGoesByItself() {
        String number = enter("invoice", PARTY, "Tiller", "64.00", "S23", TODAY);
        run();
        awaitAtYard(number);
        world.jdbc().sql("""
                with d as (update record set outcome = 'unreached', outcome_revision = null, crossed_at = null
                    where id = :id returning id)
                update dispatch p set outcome = 'unreached' from d where p.record_id = d.id""").param("id", row(number).get("id").asLong()).update();
        run();
        assertThat(row(number).get("state").asString())
                .as("what was tried waits for somebody who says so")
                .isEqualTo("Ready");
        world.standIns().editOnInkwell(ref(number), TODAY, "65.00");
        run();
        Await.until("it is taken", () -> row(number).get("state").asString().matches("Posted|Diverged"));
        // The yard had it, as what it was before.
        run();
        Await.until(
                "it as it is by now",
                () -> find(number).orElseThrow().get("net").asDecimal().doubleValue() == 65);
        awaitAtYard(number);
    }

    /// As while a change of it is on its way.
    private static void become(String number, String outcome) {
        world.jdbc()
                .sql("update record set outcome = :outcome where id = :id")
                .param("outcome", outcome)
                .param("id", row(number).get("id").asLong())
                .update();
    }

    private static int waiting(String number) {
        return world.jdbc()
                .sql("select count(*) from entered_there where ledger_ref = :ref")
                .param("ref", ref(number))
                .query(Integer.class)
                .single();
    }

    /// As after an answer that said no although it had been taken.
    @Test
    void whatTheSourceHadAlreadyIsToldWhatItIsByNow() {
        String number = enter("invoice", PARTY, "Rope", "45.00", "S23", TODAY);
        run();
        awaitAtYard(number);
        world.jdbc()
                .sql("update record set outcome = 'refused', crossed_at = null where id = :id")
                .param("id", row(number).get("id").asLong())
                .update();
        world.standIns().editOnInkwell(ref(number), TODAY, "46.00");
        run();
        Await.until("it is taken", () -> !row(number).get("state").asString().matches("Ready|Queued|Refused"));
        run();
        awaitAtYard(number);
        assertThat(find(number).orElseThrow().get("net").asDecimal()).isEqualByComparingTo("46.00");
        assertThat(run()).isEqualTo("Nothing new on either side");
    }

    /// The books made it: it goes again where its source lost it, and is void there where the books did.
    @Test
    void whatOneSideDeletesFollowsTheBooksOnceSomebodySaysSo() {
        String number = enter("invoice", PARTY, "Winter cover", "75.00", "S23", TODAY);
        run();
        String yard = awaitAtYard(number).get("id").asString();
        world.standIns().desk("/hullwork/documents/" + yard + "/delete", "");
        run();
        assertThat(causes()).contains("back:gone-there");
        assertThat(find(number)).as("not by itself").isEmpty();
        follow(number);
        String again = awaitAtYard(number).get("id").asString();
        assertThat(again).isNotEqualTo(yard);

        world.standIns().desk(BOOKS + "/" + ref(number) + "/delete", "");
        run();
        run();
        assertThat(causes()).contains("back:gone-here");
        assertThat(find(number).orElseThrow().get("status").asString())
                .as("not by itself")
                .isNotEqualTo("VOID");
        follow(number);
        Await.until(
                "it void at the yard",
                () -> find(number).orElseThrow().get("status").asString().equals("VOID"));
        Await.until("it void", () -> row(number).get("state").asString().equals("Voided"));
    }

    private static List<String> causes() {
        return ferro.get("/api/resolve?route=yard").json().findValuesAsString("cause");
    }

    private static void follow(String number) {
        Api.Response answer = ferro.post(
                "/api/documents/gone",
                Map.of("route", "yard", "ids", List.of(row(number).get("id").asLong())));
        assertThat(answer.json().path("going").asInt()).as(answer.body()).isOne();
    }
}
