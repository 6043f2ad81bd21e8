package alcabala.server.masters;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Yard;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/// Parties that stand on both sides, changed at the desks of the yard and of its ledger. Each test has its own.
class PartiesBothWaysTest extends PartiesOnBothDesks {
    private static Yard yard;

    @BeforeAll
    static void start() {
        yard = new Yard(ferro);
        decide("PARTIES_OWNER_OF_SHIP_TO", "source");
        assertThat(run())
                .as("who never agreed and nobody changed is left apart")
                .doesNotContain("part");
    }

    @Test
    void whatEitherSideChangesGoesToTheOtherOnceAndIsNoNewsThere() {
        atYard("C-1002", "email", "ledger@pell.example");
        assertThat(run()).contains("1 party changed in Inkwell");
        assertThat(there("IC-1002", "email")).isEqualTo("ledger@pell.example");
        int version = version("IC-1002");

        onLedger("IC-1002", "name", "Pell Estuary Trust CLG");
        assertThat(run()).contains("1 party changed in Hullwork");
        assertThat(here("C-1002", "name")).isEqualTo("Pell Estuary Trust CLG");
        assertThat(run()).isEqualTo("Nothing new on either side");
        assertThat(version("IC-1002")).isEqualTo(version + 1);
        awaitTheChecksThatNewsAskedFor();
        int asked = world.standIns().asked("hullwork") + world.standIns().asked("inkwell");
        run();
        assertThat(world.standIns().asked("hullwork") + world.standIns().asked("inkwell") - asked)
                .isEqualTo(2);
        assertThat(asked("C-1002")).isEmpty();
        assertThat(log("&parties=true&text=c-1002"))
                .as("what each was told, the newest first")
                .startsWith("TO_SOURCE posted", "TO_LEDGER posted");
        assertThat(log("&kind=INVOICE&text=c-1002")).isEmpty();
        assertThat(trail("party-written", "C-1002"))
                .contains("office@pell.estuary.trust.example", "ledger@pell.example");
    }

    @ParameterizedTest(name = "{0}: {1} at the yard and {2} on the ledger")
    @CsvSource({
        "SOURCE, yard@q.example, yard@q.example",
        "LEDGER, books@q.example, books@q.example",
        "TYPED, both@q.example, both@q.example",
        "AS_AGREED, agreed@q.example, agreed@q.example"
    })
    void whatBothSidesChangedIsAskedAndAnswered(String answer, String yards, String ledgers) {
        atYard("C-1003", "email", "agreed@q.example");
        onLedger("IC-1003", "email", "agreed@q.example");
        run();
        atYard("C-1003", "email", "yard@q.example");
        onLedger("IC-1003", "email", "books@q.example");
        assertThat(run()).contains("1 party to be asked about");
        JsonNode cause = cause("party:conflict:e-mail");
        JsonNode held = cause.get("masters").get(0);
        assertThat(held.get("offered").toString()).isEqualTo("[\"SOURCE\",\"LEDGER\",\"AS_AGREED\",\"TYPED\"]");
        JsonNode mail = field(held, "e-mail");
        assertThat(List.of("source", "ledger", "sourceAgreed"))
                .extracting(side -> mail.get(side).asString())
                .containsExactly("yard@q.example", "books@q.example", "agreed@q.example");
        assertThat(road()).isEqualTo(1);
        assertThatItIsReadWhileNobodyLetsUsIn(cause);

        assertThat(answer("e-mail", answer, "both@q.example", "C-1003", "something else")
                        .get("left")
                        .asInt())
                .as("it is otherwise than it was looked at")
                .isOne();
        assertThat(answer("e-mail", answer, "both@q.example", held)
                        .get("answered")
                        .asInt())
                .isOne();
        assertThat(here("C-1003", "email")).isEqualTo(yards);
        assertThat(there("IC-1003", "email")).isEqualTo(ledgers);
        assertThat(asked("C-1003")).isEmpty();
        assertThat(run()).doesNotContain("part");
        assertThat(trail("party-answered", "C-1003")).contains(answer.toLowerCase(Locale.ROOT));
    }

    private static void assertThatItIsReadWhileNobodyLetsUsIn(JsonNode cause) {
        String connected =
                "update source set connected = %s where id = (select source_id from route where code = 'yard')";
        world.jdbc().sql(connected.formatted("false")).update();
        assertThat(cause("party:conflict:e-mail")).isEqualTo(cause);
        assertThat(ferro.get("/api/settings/crossing/masters?route=yard&kind=PARTIES")
                        .status())
                .isEqualTo(200);
        world.jdbc().sql(connected.formatted("true")).update();
    }

    /// The yard owns where things are shipped to.
    @ParameterizedTest(name = "{0}: {1} at the yard and {2} on the ledger")
    @CsvSource({
        "RESTORE, 1 Quay | Saltmere | SM1 | IE, 1 Quay | Saltmere | SM1 | IE",
        "ACCEPT, 2 Books | Saltmere | SM1 | IE, 2 Books | Saltmere | SM1 | IE",
        "LEAVE, 1 Quay | Saltmere | SM1 | IE, 2 Books | Saltmere | SM1 | IE"
    })
    void whatAnotherOwnsDriftsAndIsRestoredAcceptedOrLeft(String answer, String yards, String ledgers) {
        atYard("C-1006", "shipTo", "1 Quay");
        onLedger("IC-1006", "shipTo", "1 Quay");
        run();
        onLedger("IC-1006", "shipTo", "2 Books");
        assertThat(run()).contains("1 party to be asked about");
        assertThat(there("IC-1006", "shipTo"))
                .as("nothing is put back by itself")
                .startsWith("2 Books");
        JsonNode cause = cause("party:drift:ship-to:LEDGER");
        JsonNode held = cause.get("masters").get(0);
        assertThat(held.get("sentence").asString()).isEqualTo("Changed in Inkwell, and it is Hullwork’s.");
        assertThat(answer("ship-to", "SOURCE", "", held).get("code").asString())
                .as("not an answer to a drift")
                .isEqualTo("answer-impossible");

        answer("ship-to", answer, "", held);
        assertThat(here("C-1006", "shipTo")).isEqualTo(yards);
        assertThat(there("IC-1006", "shipTo")).isEqualTo(ledgers);
        assertThat(run()).doesNotContain("part");
        assertThat(asked("C-1006")).isEmpty();
    }

    @Test
    void theOwnersWinsWhereBothChangedAndWhatItReplacedIsKept() {
        atYard("C-1006", "shipTo", "8 Pier");
        onLedger("IC-1006", "shipTo", "9 Replaced");
        assertThat(run()).contains("1 party changed in Inkwell");
        assertThat(there("IC-1006", "shipTo")).startsWith("8 Pier");
        assertThat(trail("party-written", "C-1006")).contains("9 Replaced");
    }

    /// Inkwell keeps the first twenty characters, and its answer does not arrive.
    @Test
    void anAnswerThatWasLostIsAskedForAgainAndWhatWasCutIsNoChange() {
        String phone = "+353 55 474711 ext. 4021";
        atYard("C-1011", "phone", phone);
        int version = version("IC-1011");
        loseTheNextAnswer();
        assertThat(run()).doesNotContain("changed in Inkwell");
        waitForPauses();
        assertThat(run()).contains("1 party changed in Inkwell");
        assertThat(there("IC-1011", "phone")).isEqualTo(phone.substring(0, 20));
        assertThat(version("IC-1011")).as("written once").isEqualTo(version + 1);
        assertThat(run()).doesNotContain("part");
        assertThat(trail("party-written", "C-1011")).contains(phone, phone.substring(0, 20));

        atYard("C-1011", "email", "after@beacon.example");
        run();
        assertThat(there("IC-1011", "phone"))
                .as("another field is told without touching this one")
                .isEqualTo(phone.substring(0, 20));
        assertThat(there("IC-1011", "email")).isEqualTo("after@beacon.example");
    }

    /// It is changed there between our asking and its taking it.
    @Test
    void whatWasChangedMeanwhileIsNotOverwritten() {
        atYard("C-1011", "name", "Beacon Yacht Club Ltd");
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        world.jdbc().sql("update ledger set reference_version = ''").update();
        assertThat(ferro.post("/api/pull?route=yard", Map.of()).status()).isNotEqualTo(200);
        world.standIns().fault("inkwell", "NONE", 0);
        onLedger("IC-1011", "name", "Beacon Sailing Club");
        assertThat(run()).contains("1 party to be asked about");
        assertThat(there("IC-1011", "name")).isEqualTo("Beacon Sailing Club");
        answer("name", "LEDGER", "", cause("party:conflict:name").get("masters").get(0));
        assertThat(here("C-1011", "name")).isEqualTo("Beacon Sailing Club");
    }

    @Test
    void aVersionThatIsStaleIsReadAndMergedAgain() {
        atYard("C-1011", "billTo", "1 Stale");
        loseTheNextAnswer();
        run();
        world.jdbc()
                .sql("update master_write set key = gen_random_uuid(), next_at = now() - interval '1 second'")
                .update();
        assertThat(run()).as("as if another had written it").doesNotContain("changed in Inkwell");
        assertThat(there("IC-1011", "billTo")).startsWith("1 Stale");
        run();
        assertThat(asked("C-1011")).isEmpty();
        assertThat(world.jdbc()
                        .sql("select count(*) from master_write")
                        .query(Integer.class)
                        .single())
                .isZero();
    }

    @Test
    void whatTheOtherSideRefusesIsAskedAboutWithItsReasonAndGoesOnceItIsPutRight() {
        String before = here("C-1001", "name");
        atYard("C-1001", "name", "Merrow Bay Council");
        assertThat(run()).doesNotContain("changed in Inkwell");
        JsonNode held = cause("party:drift:name:SOURCE").get("masters").get(0);
        assertThat(held.get("sentence").asString())
                .isEqualTo("It did not go to Inkwell: There is a party named Merrow Bay Council already.");
        assertThat(run()).as("it is not sent again by itself").doesNotContain("part");
        atYard("C-1001", "name", before);
        run();
        assertThat(asked("C-1001")).isEmpty();
    }

    /// Hullwork lets nobody else change a tax identifier.
    @Test
    void whatASideDoesNotTakeStaysAndOnlyWhatCanBeDoneIsOffered() {
        onLedger("IC-1001", "taxIdentifier", "IE9999999Z");
        run();
        JsonNode held =
                cause("party:drift:tax-identifier:LEDGER").get("masters").get(0);
        assertThat(held.get("sentence").asString())
                .isEqualTo("Changed in Inkwell, and Hullwork does not take it from elsewhere.");
        assertThat(held.get("offered").toString()).isEqualTo("[\"RESTORE\",\"ACCEPT\",\"LEAVE\"]");
        answer("tax-identifier", "ACCEPT", "", held);
        assertThat(run()).doesNotContain("part");
        assertThat(there("IC-1001", "taxIdentifier")).isEqualTo("IE9999999Z");
    }

    /// A name longer than any that is taken in.
    @Test
    void whatASideSaysOfOneThatNobodyCanUseHoldsUpNoOther() {
        String name = here("C-1003", "name");
        atYard("C-1003", "name", "x".repeat(5000));
        onLedger("IC-1003", "phone", "+353 55 1003");
        onLedger("IC-1006", "phone", "+353 55 1006");
        assertThat(run()).contains("1 party changed in Hullwork");
        assertThat(here("C-1006", "phone")).isEqualTo("+353 55 1006");
        assertThat(cause("party:drift:phone:LEDGER")
                        .get("masters")
                        .get(0)
                        .get("sentence")
                        .asString())
                .startsWith("It did not go to Hullwork: Hullwork answered what cannot be used");
        atYard("C-1003", "name", name);
        run();
        assertThat(here("C-1003", "phone")).isEqualTo("+353 55 1003");
        assertThat(asked("C-1003")).isEmpty();
    }

    /// What is put out of use on one side is asked about, and never put out of use on the other by itself.
    @ParameterizedTest(name = "{0}: {1} at the yard, {2} on the ledger")
    @CsvSource({"RESTORE, false, true", "ACCEPT, true, false", "LEAVE, false, false"})
    void oneThatIsPutOutOfUseIsAskedAbout(String answer, boolean retired, boolean active) {
        onLedger("IC-1011", "active", "false");
        assertThat(run()).contains("1 party to be asked about").doesNotContain("changed in");
        JsonNode held = cause("party:drift:in-use:LEDGER").get("masters").get(0);
        assertThat(held.get("sentence").asString())
                .isEqualTo("Whether it is in use changed in Inkwell. That goes to Hullwork only if somebody says so.");
        answer("in-use", answer, "", held);
        assertThat(world.standIns()
                        .hullwork("/customers/C-1011")
                        .at("/customer/retired")
                        .asBoolean())
                .isEqualTo(retired);
        assertThat(world.standIns().inkwell("/parties/IC-1011").get("active").asBoolean())
                .isEqualTo(active);
        assertThat(run()).isEqualTo("Nothing new on either side");
        assertThat(asked("C-1011")).isEmpty();
        takeUpAgain("1011");
    }

    private static void takeUpAgain(String number) {
        onLedger("IC-" + number, "active", "true");
        atYard("C-" + number, "retired", "false");
        run();
        asked("C-" + number).forEach(held -> answer("in-use", "LEAVE", "", held));
        run();
    }

    /// Nobody can take it into use again there: it can be put out of use here too, or left.
    @Test
    void oneThatIsGoneFromTheLedgerIsAskedAbout() {
        run();
        world.jdbc()
                .sql("update ledger_party set gone = true where code = 'IC-1006'")
                .update();
        run();
        JsonNode held = cause("party:drift:in-use:LEDGER").get("masters").get(0);
        assertThat(field(held, "in-use").get("ledger").asString()).isEqualTo("gone");
        assertThat(held.get("offered").toString()).contains("ACCEPT", "LEAVE").doesNotContain("RESTORE");
        answer("in-use", "ACCEPT", "", held);
        assertThat(world.standIns()
                        .hullwork("/customers/C-1006")
                        .at("/customer/retired")
                        .asBoolean())
                .isTrue();
        assertThat(asked("C-1006")).isEmpty();
        world.jdbc()
                .sql("update ledger_party set gone = false where code = 'IC-1006'")
                .update();
        takeUpAgain("1006");
    }

    /// Each side has codes of its own for the terms that are usual with a party.
    @Test
    void termsGoAcrossInTheCodesOfEitherSide() {
        yard.map("TERMS", "N30", "30D", "");
        yard.map("TERMS", "T14", "14D", "");
        run();
        atYard("C-1002", "terms", "N30");
        assertThat(run()).contains("1 party changed in Inkwell");
        assertThat(there("IC-1002", "terms")).isEqualTo("30D");
        assertThat(run()).as("what was written is no news").isEqualTo("Nothing new on either side");
        onLedger("IC-1002", "terms", "14D");
        assertThat(run()).contains("1 party changed in Hullwork");
        assertThat(here("C-1002", "terms")).isEqualTo("T14");

        onLedger("IC-1002", "terms", "EOM");
        assertThat(run()).as("nothing stands for it here").contains("1 party to be asked about");
        JsonNode held = cause("party:drift:terms:LEDGER").get("masters").get(0);
        assertThat(field(held, "terms").get("ledger").asString()).isEqualTo("EOM");
        yard.map("TERMS", "EOM", "EOM", "");
        assertThat(run()).as("it goes by itself once that is mapped").contains("1 party changed in Hullwork");
        assertThat(here("C-1002", "terms")).isEqualTo("EOM");
        assertThat(asked("C-1002")).isEmpty();
        assertThat(run()).isEqualTo("Nothing new on either side");
    }

    @Test
    void whereSeveralStandForOneTheFirstLeads() {
        yard.map("PARTY", "C-1009", "IC-1002", "");
        atYard("C-1009", "email", "second@pell.example");
        assertThat(run()).doesNotContain("part");
        assertThat(there("IC-1002", "email")).isNotEqualTo("second@pell.example");
    }

    @Test
    void aReviewerAnswersNothing() {
        assertThat(world.api("voss")
                        .post("/api/resolve/masters", said("name", "LEAVE", "", "C-1002", "x"))
                        .status())
                .isEqualTo(403);
        assertThat(ferro.post("/api/resolve/masters", said("name", "TYPED", " ", "C-1002", "x"))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("value-impossible");
    }
}
