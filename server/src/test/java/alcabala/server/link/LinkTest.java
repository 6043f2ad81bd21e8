package alcabala.server.link;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import alcabala.server.send.YardMoney;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What a single record stands for, said by hand, and single records looked at on both sides.
class LinkTest {
    private static World world;
    private static Api ferro;
    private static Yard yard;
    private static final Queue<JsonNode> POSTED = new ArrayDeque<>();

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(ferro);
        List<Long> ids = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> !row.get("number").asString().matches("HW-20388|HW-20301"))
                .limit(8)
                .map(row -> row.get("id").asLong())
                .toList();
        yard.awaitFinished(yard.send(ids));
        ids.forEach(id -> POSTED.add(detail(id).get("document")));
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static JsonNode detail(long id) {
        return ferro.get("/api/documents/" + id).json();
    }

    private static String state(JsonNode document) {
        return detail(id(document)).get("document").get("state").asString();
    }

    private static long id(JsonNode document) {
        return document.get("id").asLong();
    }

    private static String ref(JsonNode document) {
        return document.get("ledgerRef").asString();
    }

    private static String onHullwork(JsonNode document) {
        return "/hullwork/documents/" + document.get("number").asString().replace("HW-", "d-");
    }

    private static JsonNode choice(JsonNode document, String what) {
        return ferro.get("/api/documents/" + id(document) + "/choices")
                .json()
                .valueStream()
                .filter(each -> each.get("what").asString().equals(what))
                .findFirst()
                .orElseThrow();
    }

    private static String reason(JsonNode document, String what) {
        return choice(document, what).get("reason").asString();
    }

    private static Api.Response unlink(JsonNode document) {
        return ferro.delete("/api/documents/" + id(document) + "/link");
    }

    private static Api.Response lookAfter(JsonNode document) {
        return ferro.delete("/api/documents/" + id(document) + "/left-alone");
    }

    private static JsonNode numbered(JsonNode document, String number) {
        return ferro.post("/api/documents/" + id(document) + "/link/there", Map.of("number", number))
                .json()
                .get("there");
    }

    private static Api.Response link(JsonNode document, String ref, int version) {
        return ferro.put("/api/documents/" + id(document) + "/link", Map.of("ref", ref, "version", version));
    }

    private static String fetch() {
        return ferro.post("/api/pull?route=yard", Map.of())
                .json()
                .get("sentence")
                .asString();
    }

    private static Api.Response look(JsonNode... documents) {
        return ferro.post(
                "/api/pull/records",
                Map.of(
                        "route",
                        "yard",
                        "records",
                        List.of(documents).stream().map(LinkTest::id).toList()));
    }

    private static void editThere(JsonNode document, String amount) {
        world.standIns()
                .editOnInkwell(
                        ref(document),
                        world.standIns()
                                .inkwell("/documents/" + ref(document))
                                .get("due")
                                .asString(),
                        amount);
    }

    @Test
    void whatIsUnlinkedIsNeitherMatchedNorSentUntilItGoesTogetherAgain() {
        JsonNode document = POSTED.remove();
        String number = document.get("number").asString();
        assertThat(choice(document, "UNLINK").get("sentence").asString())
                .contains(
                        number + " parts from " + number + " of Inkwell",
                        document.get("gross").asString().substring(0, 1));
        for (String what : List.of("LOOK", "UNLINK", "LINK")) {
            assertThat(reason(document, what)).as(what).isEmpty();
        }
        assertThat(unlink(document).status()).isEqualTo(200);
        assertThat(unlink(document).json().get("code").asString()).isEqualTo("not-linked");
        assertThat(detail(id(document)).has("leftAlone")).isTrue();
        assertThat(reason(document, "UNLINK")).contains("stands for nothing");

        editThere(document, "345.67");
        fetch();
        fetch();
        assertThat(state(document)).as("found there by its name, and let be").isEqualTo("Ready");
        assertThat(Yard.trySend(ferro, Map.of("route", "yard", "ids", List.of(id(document))))
                        .status())
                .as("nor sent by name")
                .isBetween(400, 499);

        assertThat(choice(document, "LOOK_AFTER").get("sentence").asString()).contains("together again", number);
        assertThat(lookAfter(document).status()).isEqualTo(204);
        assertThat(lookAfter(document).json().get("code").asString()).isEqualTo("looked-after");
        assertThat(state(document)).as("as it was").isEqualTo("Posted");
        world.standIns().editOnHullwork(onHullwork(document), "44.40");
        look(document);
        JsonNode since = detail(id(document)).get("sides").get("since");
        assertThat(since.get("changedOnLedger").asBoolean())
                .as("what changed there while the two were apart")
                .isTrue();
        assertThat(since.get("changedOnSource").asBoolean()).isTrue();
        assertThat(ferro.get("/api/documents/" + id(document) + "/trail").json().findValuesAsString("action"))
                .contains("unlinked", "linked-again");
    }

    @Test
    void oneComesToStandForSomethingElseThatIsThere() {
        JsonNode document = POSTED.remove();
        JsonNode other = POSTED.remove();
        String number = document.get("number").asString();
        String copy = world.standIns().copyOnInkwell(ref(document), "INK-771");
        JsonNode own = numbered(document, number).get(0);
        assertThat(own.get("reason").asString()).isEqualTo("It stands for it already.");
        assertThat(numbered(other, number).get(0).get("reason").asString()).isEqualTo(number + " stands for it.");
        JsonNode found = numbered(document, " INK-771 ").get(0);
        assertThat(found.get("ref").asString()).isEqualTo(copy);
        assertThat(found.get("reason").asString()).isEmpty();
        assertThat(numbered(document, "INK-772")).isEmpty();

        int version = found.get("version").asInt();
        assertThat(link(document, copy, version + 1).json().get("code").asString())
                .as("changed there since it was found")
                .isEqualTo("changed-meanwhile");
        assertThat(link(document, copy, version).json().get("sentence").asString())
                .isEqualTo(number + " stands for INK-771 of Inkwell");
        assertThat(detail(id(document)).get("document").get("ledgerNumber").asString())
                .isEqualTo("INK-771");
        assertThat(link(other, copy, version).json().get("code").asString()).isEqualTo("paired-already");

        world.standIns()
                .desk("/inkwell/books/saltmere/documents/" + copy + "/pay", "amount=10.00&date=" + LocalDate.now());
        fetch();
        assertThat(detail(id(document)).get("document").get("payment").asString())
                .as("what is paid of it is heard of")
                .isNotEmpty();
        assertThat(state(document)).isEqualTo("Posted");
        assertThat(ref(detail(id(document)).get("document")))
                .as("what it stood for before is let be")
                .isEqualTo(copy);
    }

    @Test
    void whatIsNotOfItsKindOrVoidCannotStandForIt() {
        JsonNode document = POSTED.remove();
        String copy = world.standIns().copyOnInkwell(ref(document), "INK-990");
        world.standIns().desk("/inkwell/books/saltmere/documents/" + copy + "/void", "");
        JsonNode found = numbered(document, "INK-990").get(0);
        assertThat(found.get("reason").asString()).isEqualTo("It is void there.");
        assertThat(link(document, copy, found.get("version").asInt())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("void-there");
        assertThat(link(document, "n".repeat(200), 1).json().get("code").asString())
                .isEqualTo("changed-meanwhile");
        assertThat(link(document, "n".repeat(201), 1).status()).isEqualTo(400);
        assertThat(state(document)).isEqualTo("Posted");
        assertThat(ferro.post("/api/documents/" + id(document) + "/link/there", Map.of("number", " "))
                        .status())
                .isEqualTo(400);
        assertThat(ferro.post("/api/documents/" + id(document) + "/link/there", Map.of("number", "9".repeat(100)))
                        .status())
                .isEqualTo(200);
        assertThat(ferro.post("/api/documents/" + id(document) + "/link/there", Map.of("number", "9".repeat(101)))
                        .status())
                .isEqualTo(400);
        assertThat(reason(document, "LEAVE_ALONE")).contains("in order");
        assertThat(reason(document, "BRING_BACK")).contains("No field");
        assertThat(ferro.post("/api/documents/" + id(document) + "/fields-back", Map.of())
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("nothing-to-bring-back");
        JsonNode waiting = yard.documents("Ready").getFirst();
        assertThat(unlink(waiting).json().get("code").asString()).isEqualTo("not-linked");
    }

    @Test
    void aPaymentOnTopOfItHoldsItAndOneEnteredThereIsNotBroughtTwice() {
        YardMoney money = new YardMoney(world, yard);
        yard.mapUnlessMapped("MEANS", "30 EUR", "", "1000");
        Yard.decide(world.api("admin"), "yard", "PAYMENTS", "both");
        JsonNode document = POSTED.remove();
        world.standIns()
                .desk(
                        "/inkwell/books/saltmere/documents/" + ref(document) + "/pay",
                        "amount=20.00&date=" + LocalDate.now() + "&reference=unlinked");
        money.fetch();
        money.awaitBack();
        long payment = money.entered("unlinked").getFirst();
        assertThat(reason(document, "UNLINK")).contains("stands there on top of it");
        assertThat(unlink(document).json().get("code").asString()).isEqualTo("still-linked");

        assertThat(ferro.delete("/api/documents/" + payment + "/link").status()).isEqualTo(200);
        fetch();
        fetch();
        assertThat(money.entered("unlinked"))
                .as("it is not brought a second time")
                .containsExactly(payment);
        assertThat(unlink(document).status())
                .as("nothing of ours is on top of it any more")
                .isEqualTo(200);
    }

    @Test
    void singleRecordsAreLookedAtWithoutTheRest() {
        JsonNode document = POSTED.remove();
        JsonNode waiting = yard.documents("Ready").getFirst();
        editThere(document, "123.45");
        world.standIns().editOnHullwork(onHullwork(waiting), "71.70");
        JsonNode looked = look(document).json();
        assertThat(looked.get("sentence").asString()).isEqualTo("1 edit on Inkwell");
        assertThat(state(document)).isEqualTo("Diverged");
        assertThat(detail(id(waiting)).get("document").get("gross").asString())
                .as("the other is not looked at")
                .isEqualTo(waiting.get("gross").asString());
        assertThat(look(waiting, document).json().get("sentence").asString()).isEqualTo("1 changed document");

        JsonNode run = ferro.get("/api/runs?route=yard").json().get("runs").get(0);
        assertThat(run.get("records").asInt()).isEqualTo(2);
        assertThat(run.get("origin").asString()).isEqualTo("hand");
        assertThat(ferro.get("/api/runs/" + run.get("id") + "?route=yard")
                        .json()
                        .has("before"))
                .as("compared with none")
                .isFalse();

        aRunUnderWayIsSaid(document);
        whatNobodyCanUseHoldsUpNoOther(document, waiting);
        whatStandsThereWithoutOurKnowingIsFound(document);
        world.jdbc()
                .sql("update record set source_ref = 'd-gone' where id = :id")
                .param("id", id(waiting))
                .update();
        assertThat(look(waiting).json().get("sentence").asString()).isEqualTo("1 is not in Hullwork any more");
        assertThat(ferro.post("/api/pull/records", Map.of("route", "yard", "records", List.of()))
                        .status())
                .isEqualTo(400);
        assertThat(ferro.post(
                                "/api/pull/records",
                                Map.of("route", "yard", "records", java.util.Collections.nCopies(500, id(document))))
                        .status())
                .isEqualTo(200);
        assertThat(ferro.post(
                                "/api/pull/records",
                                Map.of("route", "yard", "records", java.util.Collections.nCopies(501, id(document))))
                        .status())
                .isEqualTo(400);
    }

    /// As another server would be doing it.
    private static void aRunUnderWayIsSaid(JsonNode document) {
        world.jdbc().sql("""
                insert into work (kind, subject, who, state, started_at, seen_at)
                    values ('PULL', 'route yard', 'A. Quill', 'running', now(), now());
                insert into run (route_id, origin, who, started_at, trail_from, carried)
                    select id, 'hand', 'A. Quill', now(), 0, 'PARTIES' from route where code = 'yard'""").update();
        for (Api.Response no : List.of(look(document), ferro.post("/api/pull?route=yard", Map.of()))) {
            assertThat(no.status()).isEqualTo(409);
            assertThat(no.json().get("sentence").asString()).contains("A. Quill began one of this route");
        }
        world.jdbc()
                .sql("update run set carried = null where state = 'running'")
                .update();
        assertThat(look(document).status())
                .as("nor beside one of the whole route")
                .isEqualTo(409);
        world.jdbc()
                .sql("delete from run where state = 'running'; delete from work where state = 'running'")
                .update();
    }

    private static void whatNobodyCanUseHoldsUpNoOther(JsonNode document, JsonNode waiting) {
        world.standIns().editOnHullwork(onHullwork(waiting), "72.80");
        String numbered = "update inkwell_saltmere.inkwell_document set number = '%s' where id = '%s'";
        world.standIns().write(numbered.formatted("", ref(document)));
        assertThat(look(document, waiting).json().get("sentence").asString()).contains("1 changed document");
        assertThat(ferro.get("/api/set-aside").body())
                .contains(document.get("number").asString());
        world.standIns().write(numbered.formatted(document.get("number").asString(), ref(document)));
        look(document);
        assertThat(ferro.get("/api/set-aside").body())
                .as("it could be read by now")
                .doesNotContain(document.get("number").asString());
    }

    /// As after an older state was put back.
    private static void whatStandsThereWithoutOurKnowingIsFound(JsonNode document) {
        world.jdbc().sql("""
                delete from link where record_id = %1$d;
                update record set outcome = null, outcome_revision = null, ledger_ref = null where id = %1$d""".formatted(id(document))).update();
        assertThat(state(document)).isEqualTo("Ready");
        look(document);
        alcabala.server.Await.until(
                "it is asked about, and found", () -> !state(document).matches("Ready|Unconfirmed"));
        assertThat(ref(detail(id(document)).get("document"))).isEqualTo(ref(document));

        world.jdbc()
                .sql("update link set ledger_ref = 'gone' where record_id = :id")
                .param("id", id(document))
                .update();
        assertThat(look(document).json().get("sentence").asString()).contains("1 is not in Inkwell any more");
    }

    @Test
    void ofTwoThatLinkTheSameAtOnceOneIsTold() {
        List<JsonNode> both = List.of(POSTED.remove(), POSTED.remove());
        String copy = world.standIns().copyOnInkwell(ref(both.getFirst()), "INK-555");
        int version = numbered(both.getFirst(), "INK-555").get(0).get("version").asInt();
        List<Integer> answers = both.parallelStream()
                .map(each -> link(each, copy, version).status())
                .sorted()
                .toList();
        assertThat(answers).containsExactly(200, 409);
    }
}
