package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Parties and items that are entered on the ledger and that the yard lacks. Each test has its own.
class LackingTest extends OnBothDesks {
    private static final String BOOKS = "/inkwell/books/saltmere/";

    @BeforeAll
    static void start() {
        Yard yard = new Yard(ferro);
        yard.mapEverything();
        yard.map("TERMS", "N30", "30D", "");
        run();
        assertThat(preview("PARTIES").get("lacking").get("stay").asInt())
                .as("what the ledger of the demo has for itself")
                .isPositive();
        decide("PARTIES", "both");
        decide("ITEMS", "both");
        enter("parties", "name=Left+before+the+decision");
        run();
        assertThat(customer("Left before the decision")).isNull();
        decide("PARTIES_SOURCE_LACKS", "create");
        decide("ITEMS_SOURCE_LACKS", "create");
        run();
        assertThat(customer("Left before the decision")).isNotNull();
        everything("LEAVE");
    }

    private static void enter(String what, String form) {
        world.standIns().desk(BOOKS + what, form);
    }

    private static JsonNode preview(String kind) {
        return ferro.get("/api/settings/crossing/masters?route=yard&kind=" + kind)
                .json();
    }

    private static List<JsonNode> customers(String name) {
        return world.standIns().onHullwork("customer").stream()
                .filter(each -> each.get("name").asString().equals(name))
                .toList();
    }

    private static JsonNode customer(String name) {
        List<JsonNode> all = customers(name);
        assertThat(all).as(name).hasSizeLessThanOrEqualTo(1);
        return all.isEmpty() ? null : all.getFirst();
    }

    private static List<JsonNode> causes() {
        return ferro.get("/api/resolve/lacking?route=yard").json().valueStream().toList();
    }

    private static JsonNode held(String cause, String name) {
        return causes().stream()
                .filter(each -> each.get("cause").asString().equals(cause))
                .flatMap(each -> each.get("masters").valueStream())
                .filter(each -> each.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static void everything(String answer) {
        for (JsonNode cause : causes()) {
            cause.get("masters").forEach(each -> say(cause.get("kind").asString(), answer, each));
        }
        assertThat(causes()).isEmpty();
    }

    private static JsonNode say(String kind, String answer, JsonNode held) {
        return ferro.post(
                        "/api/resolve/lacking",
                        Map.of(
                                "route",
                                "yard",
                                "kind",
                                kind,
                                "answer",
                                answer,
                                "masters",
                                List.of(Map.of(
                                        "counterpart",
                                        held.get("counterpart").asString(),
                                        "seen",
                                        held.get("seen").asString()))))
                .json();
    }

    @Test
    void aPartyOfTheLedgerIsCreatedOnTheSourceOnceAndIsOneWithItFromThenOn() {
        enter(
                "parties",
                "name=Zennor+Gig+Club&taxIdentifier=IE9911223Z&email=oars@zennor.example&phone=%2B353+1&terms=30D");
        assertThat(run()).contains("1 party created in Hullwork");
        JsonNode made = customer("Zennor Gig Club");
        assertThat(made.get("email").asString()).isEqualTo("oars@zennor.example");
        assertThat(made.get("taxIdentifier").asString()).isEqualTo("IE9911223Z");
        String code = made.get("code").asString();
        assertThat(run())
                .as("each side has a code of its own for its terms: they go once both have it")
                .contains("1 party changed in Hullwork");
        assertThat(customer("Zennor Gig Club").get("terms").asString()).isEqualTo("N30");
        assertThat(run()).as("what was written is no news").isEqualTo("Nothing new on either side");
        world.standIns().desk("/hullwork/customers/" + code, "email=crew@zennor.example");
        assertThat(run()).contains("1 party changed in Inkwell");
        assertThat(customers("Zennor Gig Club")).hasSize(1);
        assertThat(ferro.get("/api/log?route=yard&search=zennor").body()).contains("created", code);
    }

    @Test
    void oneThatTheSourceMayHaveIsAskedAboutAndLinkedOrCreated() {
        int before = road();
        String code = world.standIns().customerOnHullwork("Trevose Lobster Company", "pots@trevose.example");
        enter("parties", "name=Trevose+Lobster+Co.&email=pots@trevose.example");
        enter("parties", "name=Trevose+Lobster+Company+Ltd&email=pots@trevose.example");
        assertThat(run()).contains("2 parties to be asked about").doesNotContain("created");
        assertThat(road()).isEqualTo(before + 2);
        JsonNode one = held("party:like", "Trevose Lobster Co.");
        assertThat(one.get("resembles").asString()).isEqualTo(code);
        assertThat(one.get("standsFor").asString()).isEmpty();
        JsonNode stale = held("party:like", "Trevose Lobster Company Ltd");
        assertThat(say("PARTIES", "SAME", one).get("answered").asInt()).isEqualTo(1);
        assertThat(say("PARTIES", "SAME", one).get("left").asInt())
                .as("said twice")
                .isEqualTo(1);
        run();
        JsonNode other = held("party:like", "Trevose Lobster Company Ltd");
        assertThat(other.get("standsFor").asString())
                .isEqualTo(one.get("counterpart").asString());
        assertThat(say("PARTIES", "SAME", other).get("code").asString()).isEqualTo("answer-impossible");
        assertThat(say("PARTIES", "CREATE", stale).get("answered").asInt()).isEqualTo(1);
        assertThat(customer("Trevose Lobster Company Ltd").get("code").asString())
                .isNotEqualTo(code);
        everything("LEAVE");
        assertThat(run()).doesNotContain("created");
        assertThat(customers("Trevose Lobster Co.")).isEmpty();
    }

    @Test
    void whatTheSourceDoesNotTakeIsToldWithItsReasonAndGoesOnceItIsPutRight() {
        enter("items", "code=ZEN-01&name=Rowlock,+bronze&account=4010");
        assertThat(run()).doesNotContain("created");
        JsonNode refused = held("item:not-taken", "Rowlock, bronze");
        assertThat(refused.get("reason").asString()).contains("kind of item");
        assertThat(run()).as("not tried again by itself").isEqualTo("Nothing new on either side");
        world.standIns().desk(BOOKS + "items/ZEN-01", "kind=goods");
        assertThat(run()).contains("1 item created in Hullwork");
        assertThat(world.standIns()
                        .hullwork("/items/ZEN-01")
                        .get("item")
                        .get("text")
                        .asString())
                .isEqualTo("Rowlock, bronze");
        assertThat(run()).isEqualTo("Nothing new on either side");
    }

    @Test
    void anItemOfTheSameNameIsAskedAbout() {
        String name = world.standIns()
                .hullwork("/items/RPE-10")
                .get("item")
                .get("text")
                .asString();
        enter(
                "items",
                "code=ROPE-TEN&kind=goods&account=4010&name="
                        + name.toUpperCase().replace(" ", "+"));
        assertThat(run()).contains("1 item to be asked about");
        JsonNode like = held("item:like", name.toUpperCase());
        assertThat(like.get("resembles").asString()).isEqualTo("RPE-10");
        assertThat(say("ITEMS", "LEAVE", like).get("answered").asInt()).isEqualTo(1);
        assertThat(run()).isEqualTo("Nothing new on either side");
        int left = preview("ITEMS").get("lacking").get("left").asInt();
        assertThat(left).isPositive();
        assertThat(ferro.post("/api/resolve/lacking/again", Map.of("route", "yard", "kind", "ITEMS"))
                        .json()
                        .get("count")
                        .asInt())
                .isEqualTo(left);
        assertThat(run()).contains("to be asked about");
        say("ITEMS", "SAME", held("item:like", name.toUpperCase()));
        run();
        assertThat(ferro.get("/api/map/ITEM?route=yard&text=RPE-10").body()).contains("ROPE-TEN");
        everything("LEAVE");
    }

    @Test
    void anAnswerThatIsLostMakesNoSecondOne() {
        enter("parties", "name=Porthcurno+Sailmakers");
        world.standIns().fault("hullwork", "ANSWER_LOST", 1);
        assertThat(run()).doesNotContain("created");
        assertThat(customers("Porthcurno Sailmakers"))
                .as("there, and nobody knows it")
                .hasSize(1);
        world.standIns().fault("hullwork", "NONE", 0);
        world.jdbc().sql("update master_lacking set next_at = now()").update();
        decide("PARTIES_SOURCE_LACKS", "leave");
        assertThat(run()).as("what was begun is ended").contains("1 party created in Hullwork");
        decide("PARTIES_SOURCE_LACKS", "create");
        assertThat(customers("Porthcurno Sailmakers")).hasSize(1);
        assertThat(run()).isEqualTo("Nothing new on either side");
    }

    /// The second is looked at once the first is there.
    @Test
    void ofTwoThatMayBeOneTheFirstIsCreatedAndTheSecondAskedAbout() {
        enter("parties", "name=Lamorna+Boat+Hire&email=hire@lamorna.example");
        enter("parties", "name=Lamorna+Boathire+Ltd&email=hire@lamorna.example");
        enter("items", "code=LAM-1&name=Oar,+ash&kind=goods&account=4010");
        enter("items", "code=LAM-2&name=OAR+(ash)&kind=goods&account=4010");
        assertThat(run()).contains("1 party created in Hullwork", "1 item created in Hullwork");
        assertThat(run()).contains("1 party to be asked about", "1 item to be asked about");
        assertThat(held("party:like", "Lamorna Boathire Ltd").get("standsFor").asString())
                .isNotEmpty();
        assertThat(held("item:like", "OAR (ash)").get("resembles").asString()).isEqualTo("LAM-1");
        everything("LEAVE");
    }

    @Test
    void whoMayNotAndWhatIsNothing() {
        assertThat(ferro.post(
                                "/api/resolve/lacking",
                                Map.of(
                                        "route",
                                        "yard",
                                        "kind",
                                        "INVOICES",
                                        "answer",
                                        "LEAVE",
                                        "masters",
                                        List.of(Map.of("counterpart", "X", "seen", "Y"))))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("kind-unknown");
        assertThat(world.api("voss")
                        .post("/api/resolve/lacking/again", Map.of("route", "yard", "kind", "ITEMS"))
                        .status())
                .isEqualTo(403);
    }
}
