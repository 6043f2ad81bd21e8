package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.server.Api;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Items that stand on both sides, changed at the desks of the yard and of its ledger. Each test has its own.
class ItemsBothWaysTest extends OnBothDesks {
    private static final List<String> ITEMS = List.of(
            "FND-23", "SHK-10", "SHK-12", "CLT-200", "BLK-040", "RPE-10", "RPE-12", "RPE-16", "BAT-110", "CBL-25",
            "ANC-10", "FND-30");

    @BeforeAll
    static void start() {
        ITEMS.forEach(code -> world.standIns().itemOnInkwell(code, "4010"));
        assertThat(run()).doesNotContain("item");
        decide("ITEMS", "both");
        assertThat(run()).as("what never agreed is left apart").doesNotContain("item");
    }

    @Test
    void whatEitherSideChangesGoesToTheOtherOnceAndIsNoNewsThere() {
        atYard("FND-23", "text=Fender,+23+by+61");
        assertThat(run()).contains("1 item changed in Inkwell");
        assertThat(there("FND-23").get("name").asString()).isEqualTo("Fender, 23 by 61");
        String account = there("FND-23").get("account").asString();
        int version = there("FND-23").get("version").asInt();

        onLedger("FND-23", "unit=SET");
        assertThat(run()).contains("1 item changed in Hullwork");
        assertThat(here("FND-23").get("unit").asString()).isEqualTo("SET");
        assertThat(here("FND-23").get("category").asString()).isEqualTo("chandlery");
        assertThat(run()).isEqualTo("Nothing new on either side");
        assertThat(there("FND-23").get("version").asInt()).isEqualTo(version + 1);
        assertThat(there("FND-23").get("account").asString()).isEqualTo(account);
        assertThat(asked("FND-23")).isEmpty();
        assertThat(told()).contains("WRITTEN_TO_SOURCE item 1 FND-23", "WRITTEN_TO_LEDGER item 1 FND-23");
        assertThat(log("fnd-23"))
                .contains("item Fender, 23 by 61 TO_SOURCE posted", "item Fender, 23 by 61 TO_LEDGER posted");
    }

    /// A name that the ledger cuts is the same name; what is forbidden there is no change of anybody's.
    @Test
    void aNameThatTheLedgerCutsIsNoNews() {
        atYard("SHK-10", "text=Shackle:+10+mm,+galvanised,+in+boxes+of+twelve");
        assertThat(run()).contains("1 item changed in Inkwell");
        assertThat(there("SHK-10").get("name").asString())
                .isEqualTo("Shackle 10 mm, galvanised, in b")
                .hasSize(31);
        assertThat(run()).isEqualTo("Nothing new on either side");
        assertThat(here("SHK-10").get("text").asString()).endsWith("twelve");
    }

    /// What somebody decided is what the ledger calls it, and neither side's name goes to the other.
    @Test
    void aNameThatSomebodyDecidedStandsWhateverTheSourceCallsIt() {
        Meaning named = new Meaning(Map.of(Purpose.NAME, "Stainless shackle"), Map.of());
        Api.Response row = ferro.put("/api/map/row", Yard.row("yard", "ITEM", "SHK-12", named, 0));
        assertThat(row.status()).as(row.body()).isEqualTo(200);
        assertThat(run()).as("nobody changed the item itself").doesNotContain("item");
        atYard("SHK-12", "text=Shackle+12+mm,+stainless");
        assertThat(run()).contains("1 item changed in Inkwell");
        assertThat(there("SHK-12").get("name").asString()).isEqualTo("Stainless shackle");
        atYard("SHK-12", "text=Shackle+12+mm+A4");
        assertThat(run()).doesNotContain("item changed");
        onLedger("SHK-12", "name=A4+shackle");
        run();
        assertThat(here("SHK-12").get("text").asString()).isEqualTo("Shackle 12 mm A4");
        JsonNode held = asked("SHK-12").getFirst();
        assertThat(held.get("offered").toString()).contains("RESTORE").doesNotContain("TYPED");
        answer("name", "RESTORE", "", held);
        assertThat(there("SHK-12").get("name").asString()).isEqualTo("Stainless shackle");
        assertThat(asked("SHK-12")).isEmpty();
    }

    @Test
    void whatBothSidesChangedIsAskedAndOneIsTaken() {
        atYard("CLT-200", "text=Cleat,+cast,+with+four+holes,+polished");
        onLedger("CLT-200", "name=Cleat,+forged");
        assertThat(run()).contains("1 item to be asked about");
        JsonNode held = asked("CLT-200").getFirst();
        assertThat(held.get("sentence").asString()).isEqualTo("Both sides changed it, and nothing says whose it is.");
        assertThat(held.get("fields").get(0).get("there").asString()).isEqualTo("Cleat, cast, with four holes, p");
        assertThat(answer("kind", "TYPED", "NOTHING", held).get("code").asString())
                .isEqualTo("value-impossible");
        assertThat(answer("name", "TYPED", " ", held).get("code").asString()).isEqualTo("value-impossible");
        answer("name", "TYPED", "Cleat: forged from one piece of bronze", held);
        assertThat(here("CLT-200").get("text").asString()).isEqualTo("Cleat: forged from one piece of bronze");
        assertThat(there("CLT-200").get("name").asString()).isEqualTo("Cleat forged from one piece of");
        assertThat(run()).isEqualTo("Nothing new on either side");
    }

    /// What only the office says of an item cannot be told to it.
    @Test
    void aKindThatTheLedgerChangesStaysThereAndIsSaid() {
        onLedger("BLK-040", "kind=service");
        run();
        JsonNode held = asked("BLK-040").getFirst();
        assertThat(held.get("sentence").asString())
                .isEqualTo("Changed in Inkwell, and Hullwork does not take it from elsewhere.");
        answer("kind", "RESTORE", "", held);
        assertThat(there("BLK-040").get("kind").asString()).isEqualToIgnoringCase("goods");
    }

    /// What an item of the yard is not: out of use.
    @Test
    void anItemThatIsPutOutOfUseOnTheLedgerIsTakenIntoUseAgain() {
        onLedger("FND-30", "active=false");
        run();
        JsonNode held = asked("FND-30").getFirst();
        assertThat(held.get("offered").toString()).contains("RESTORE", "ACCEPT", "LEAVE");
        answer("in-use", "RESTORE", "", held);
        assertThat(there("FND-30").get("active").asBoolean()).isTrue();
        assertThat(run()).isEqualTo("Nothing new on either side");
        assertThat(asked("FND-30")).isEmpty();
    }

    /// A kind that only the ledger knows is nobody's change, and stays when something else is written.
    @Test
    void aKindThatIsNotKnownHereStaysThere() {
        onLedger("ANC-10", "kind=consignment");
        assertThat(run()).doesNotContain("item");
        atYard("ANC-10", "text=Anchor,+10+kg");
        assertThat(run()).contains("1 item changed in Inkwell");
        assertThat(there("ANC-10").get("name").asString()).isEqualTo("Anchor, 10 kg");
        assertThat(there("ANC-10").get("kind").asString()).isEqualTo("consignment");
        assertThat(asked("ANC-10")).isEmpty();
    }

    /// Another item has the name: the ledger says so, and nothing is half written.
    @Test
    void aNameThatTheLedgerRefusesIsAQuestionWithItsWords() {
        atYard("RPE-10", "text=Braided+rope+12+mm");
        run();
        JsonNode held = asked("RPE-10").getFirst();
        assertThat(held.get("sentence").asString()).contains("There is an item named Braided rope 12 mm already.");
        assertThat(there("RPE-10").get("name").asString()).isEqualTo("Braided rope 10 mm");
        atYard("RPE-10", "text=Braided+rope,+10+mm");
        run();
        assertThat(there("RPE-10").get("name").asString()).isEqualTo("Braided rope, 10 mm");
        assertThat(asked("RPE-10")).isEmpty();
    }

    /// Either half alone would be refused, or stand for the other: both are named, and neither is written.
    @Test
    void namesThatWereExchangedGoNowhere() {
        String battery = there("BAT-110").get("name").asString();
        String cable = there("CBL-25").get("name").asString();
        atYard("BAT-110", "text=" + cable.replace(" ", "+"));
        atYard("CBL-25", "text=" + battery.replace(" ", "+"));
        assertThat(run()).contains("2 items to be asked about").doesNotContain("item changed");
        for (String code : List.of("BAT-110", "CBL-25")) {
            assertThat(asked(code).getFirst().get("sentence").asString())
                    .startsWith("It did not go to Inkwell: The names of BAT-110 and CBL-25 were exchanged");
        }
        assertThat(there("BAT-110").get("name").asString()).isEqualTo(battery);
        assertThat(there("CBL-25").get("name").asString()).isEqualTo(cable);
        atYard("BAT-110", "text=Battery,+110+Ah");
        run();
        run();
        assertThat(there("BAT-110").get("name").asString()).isEqualTo("Battery, 110 Ah");
        assertThat(there("CBL-25").get("name").asString()).isEqualTo(cable);
        answer("name", "ACCEPT", "", asked("CBL-25").getFirst());
        assertThat(there("CBL-25").get("name").asString()).as("free by now").isEqualTo(battery);
        assertThat(asked("CBL-25")).isEmpty();
    }

    @Test
    void aLostAnswerIsAskedForAndNothingIsWrittenTwice() {
        atYard("RPE-16", "text=Mooring+rope,+16+mm");
        world.standIns().fault("inkwell", "ANSWER_LOST", 1);
        run();
        world.standIns().fault("inkwell", "NONE", 0);
        int version = there("RPE-16").get("version").asInt();
        world.jdbc()
                .sql("update master_write set next_at = now() - interval '1 second'")
                .update();
        run();
        assertThat(there("RPE-16").get("name").asString()).isEqualTo("Mooring rope, 16 mm");
        assertThat(there("RPE-16").get("version").asInt()).as("once").isEqualTo(version);
        assertThat(asked("RPE-16")).isEmpty();
    }

    @Test
    void whatAnotherDecisionWouldDoIsSaidFirst() {
        JsonNode now = ferro.get("/api/settings/crossing/masters?route=yard&kind=ITEMS")
                .json();
        assertThat(now.get("linked").asInt()).isGreaterThanOrEqualTo(ITEMS.size());
        assertThat(ferro.get("/api/settings/crossing/masters?route=yard&kind=INVOICES")
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("kind-unknown");
    }

    private static void atYard(String code, String form) {
        world.standIns().desk("/hullwork/items/" + code, form.replace(":", "%3A"));
    }

    private static void onLedger(String code, String form) {
        world.standIns().desk("/inkwell/books/saltmere/items/" + code, form);
    }

    private static JsonNode here(String code) {
        return world.standIns().hullwork("/items/" + code).get("item");
    }

    private static JsonNode there(String code) {
        return world.standIns().inkwell("/items/" + code);
    }

    private static List<JsonNode> asked(String code) {
        return ferro.get("/api/resolve/masters?route=yard")
                .json()
                .valueStream()
                .filter(cause -> cause.get("kind").asString().equals("ITEMS"))
                .flatMap(cause -> cause.get("masters").valueStream())
                .filter(held -> held.get("code").asString().equals(code))
                .toList();
    }

    private static JsonNode answer(String field, String answer, String typed, JsonNode held) {
        return answer(said(
                "ITEMS",
                field,
                answer,
                typed,
                held.get("code").asString(),
                held.get("seen").asString()));
    }

    /// What the latest runs told of items, with the first behind each figure.
    private static List<String> told() {
        return ferro.get("/api/runs?route=yard&limit=4")
                .json()
                .get("runs")
                .valueStream()
                .map(run -> "/api/runs/" + run.get("id").asLong())
                .flatMap(run -> ferro.get(run + "?route=yard")
                        .json()
                        .get("figures")
                        .valueStream()
                        .filter(each -> each.get("kind").asString().equals("item"))
                        .filter(each -> each.get("count").asInt() > 0)
                        .map(each -> each.get("what").asString() + " item "
                                + each.get("count").asInt() + " "
                                + firstBehind(run, each.get("what").asString())))
                .toList();
    }

    private static String firstBehind(String run, String what) {
        return ferro.get(run + "/records?route=yard&kind=item&what=" + what)
                .json()
                .get(0)
                .get("number")
                .asString();
    }

    private static List<String> log(String text) {
        return ferro.get("/api/log?route=yard&parties=true&text=" + text)
                .json()
                .get("entries")
                .valueStream()
                .map(each ->
                        each.get("kind").asString() + " " + each.get("party").asString() + " "
                                + each.get("way").asString() + " "
                                + each.get("outcome").asString())
                .toList();
    }
}
