package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Await;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Documents that one side deletes: nothing is done to the other by itself, and a person is asked (synchronisation,
/// "Gone").
class GoneTest extends OnBothSides {
    @Test
    void whatTheLedgerDeletedIsAskedAboutAndGoesAgainWhenSomebodySaysSo() {
        Posted posted = post();
        LocalDate day = day(posted).minusDays(1);
        deleteOnLedger(posted);
        decideOnceAllArrived("INVOICES_TRIGGER", "paid");
        decideOnceAllArrived("INVOICES_WINNER", "source");
        redate(posted, day);
        fetch();
        fetch();
        assertThat(cause(posted)).as("whatever goes by itself").isEqualTo("gone-there");
        assertThat(state(posted)).isEqualTo("Diverged");
        decideOnceAllArrived("INVOICES_TRIGGER", "batch");
        decideOnceAllArrived("INVOICES_WINNER", "ask");
        assertThat(trail(posted)).containsOnlyOnce("gone");
        assertThat(settlement(posted, "LEDGER").json().get("code").asString()).isEqualTo("gone");
        assertThat(settlement(posted, "SOURCE").json().get("code").asString()).isEqualTo("gone");
        Map<String, Object> all = Map.of("route", "yard", "ids", List.of(posted.id()));
        assertThat(admin.post("/api/batches/preview", all).json().get("count").asInt())
                .isZero();

        assertThat(follow(posted)).as(yard.document(posted.number()).toString()).isEqualTo("1 0");
        Await.until("it stands there again", () -> state(posted).equals("Posted"));
        assertStandsOnce(posted);
        assertThat(onLedger(again(posted)).get("date").asString())
                .as("as its source has it by now")
                .isEqualTo(day.toString());
        assertThat(admin.post("/api/documents/gone", all).json().get("code").asString())
                .isEqualTo("nothing-gone");
        fetch();
        assertThat(state(posted)).isEqualTo("Posted");
    }

    @Test
    void whatItsSourceDeletedIsTakenBackOnTheLedgerWhenSomebodySaysSo() {
        Posted posted = post();
        decideOnceAllArrived("INVOICES_TRIGGER", "paid");
        deleteOnSource(posted);
        fetch();
        assertThat(cause(posted)).as("never by itself").isEqualTo("gone-here");
        assertThat(onLedger(posted).get("status").asString()).isEqualTo("final");
        decideOnceAllArrived("INVOICES_TRIGGER", "batch");
        assertThat(follow(posted)).isEqualTo("1 0");
        Await.until("it is void there", () -> state(posted).equals("Voided"));
        assertThat(onLedger(posted).get("status").asString()).isEqualTo("void");
        fetch();
        assertThat(state(posted)).isEqualTo("Voided");
    }

    @Test
    void whatIsGoneOnBothSidesOrVoidOnTheOtherHasEnded() {
        Posted both = post();
        Posted voided = post();
        deleteOnSource(both);
        deleteOnLedger(voided);
        fetch();
        deleteOnLedger(both);
        world.standIns().desk("/hullwork/documents/" + ref(voided) + "/void", "");
        fetch();
        assertThat(List.of(state(both), state(voided))).containsOnly("Voided");
        assertThat(trail(both)).contains("gone", "gone-on-both");
        assertThat(List.of(cause(both), cause(voided))).containsOnly("");
    }

    /// Voids travel as changes do; what the ledger does not take back is said, and not tried again by itself.
    @Test
    void whatItsSourceVoidedIsTakenBackByItselfUnlessTheLedgerRefuses() {
        Posted voided = post();
        Posted settled = post();
        LocalDate day = day(settled);
        world.standIns().desk(settled.desk() + "/pay", "amount=1.00&means=10&account=1210&date=" + day);
        fetch();
        decideOnceAllArrived("INVOICES_TRIGGER", "paid");
        for (Posted each : List.of(voided, settled)) {
            world.standIns().desk("/hullwork/documents/" + ref(each) + "/void", "");
        }
        fetch();
        Await.until("one is void there", () -> state(voided).equals("Voided"));
        Await.until("the other is refused", () -> said(settled).contains("is settled"));
        assertThat(onLedger(voided).get("status").asString()).isEqualTo("void");
        assertThat(state(settled)).isEqualTo("Diverged");
        assertThat(cause(settled)).isEqualTo("voided-here");
        assertThat(said(settled)).contains("is settled with 1.00; void what settles it first");
        int sent = timesSent(settled);
        fetch();
        assertThat(timesSent(settled)).as("a further run writes nothing").isEqualTo(sent);
        decideOnceAllArrived("INVOICES_TRIGGER", "batch");
    }

    /// A look at single ones finds it too, and what is told of again is no question any more.
    @Test
    void whatNeverCrossedGoesNoMoreUntilItsSourceTellsOfItAgain() {
        JsonNode row = yard.documents("Ready").stream()
                .filter(each -> each.get("kind").asString().equals("invoice"))
                .findFirst()
                .orElseThrow();
        Posted never = new Posted(row.get("id").asLong(), row.get("number").asString(), "");
        deleteOnSource(never);
        assertThat(look(never)).contains("1 is not in Hullwork any more");
        assertThat(state(never)).isEqualTo("Voided");
        assertThat(cause(never)).isEmpty();
        world.standIns().desk("/hullwork/documents/" + ref(never) + "/restore", "");
        fetch();
        assertThat(state(never)).isEqualTo("Ready");
        assertThat(trail(never)).containsOnlyOnce("gone").containsOnlyOnce("changed-on-source");
    }

    @Test
    void whatIsThereAgainIsNoQuestionAnyMore() {
        Posted here = post();
        Posted there = post();
        deleteOnSource(here);
        fetch();
        world.jdbc()
                .sql("update record set gone = 'ledger' where id = :id")
                .param("id", there.id())
                .update();
        assertThat(List.of(cause(here), cause(there))).containsExactly("gone-here", "gone-there");
        world.standIns().desk("/hullwork/documents/" + ref(here) + "/restore", "");
        fetch();
        look(there);
        assertThat(List.of(state(here), state(there))).containsOnly("Posted");
        fetch();
        assertThat(List.of(trail(here), trail(there)))
                .allSatisfy(each -> assertThat(each).containsOnlyOnce("there-again"));
    }

    /// Nothing is decided while something is on its way.
    private static void decideOnceAllArrived(String setting, String value) {
        Await.until("all has arrived", () -> onTheirWay() == 0);
        decide(setting, value);
    }

    private static void deleteOnLedger(Posted posted) {
        world.standIns().desk(posted.desk() + "/delete", "");
    }

    private static void deleteOnSource(Posted posted) {
        world.standIns().desk("/hullwork/documents/" + ref(posted) + "/delete", "");
    }

    private static String ref(Posted posted) {
        return posted.number().replace("HW-", "d-");
    }

    /// How many go and how many are left.
    private static String follow(Posted posted) {
        JsonNode answer = admin.post("/api/documents/gone", Map.of("route", "yard", "ids", List.of(posted.id())))
                .json();
        return answer.path("going").asString() + " " + answer.path("left").asString();
    }

    private static String cause(Posted posted) {
        for (JsonNode cause : admin.get("/api/resolve?route=yard").json().get("causes")) {
            for (JsonNode held : cause.get("records")) {
                if (held.get("id").asLong() == posted.id()) {
                    return cause.get("cause").asString();
                }
            }
        }
        return "";
    }

    private static List<String> trail(Posted posted) {
        return admin.get("/api/documents/" + posted.id() + "/trail").json().findValuesAsString("action");
    }

    private static Posted again(Posted posted) {
        return new Posted(
                posted.id(),
                posted.number(),
                yard.document(posted.number()).get("ledgerRef").asString());
    }

    private static String look(Posted posted) {
        return admin.post("/api/pull/records", Map.of("route", "yard", "records", List.of(posted.id())))
                .body();
    }
}
