package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Await;
import java.time.LocalDate;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/// Documents that were changed on the ledger, where the later change wins (synchronisation, row 11).
class LaterDocumentsTest extends OnBothSides {
    private static final String ON_LEDGER = "inkwell_saltmere.inkwell_touched";
    private static final String ON_SOURCE = "hullwork_touched";

    @BeforeEach
    void theLaterWins() {
        Await.until("nothing is on its way", () -> onTheirWay() == 0);
        decide("INVOICES_WINNER", "latest");
    }

    @AfterEach
    void somebodyIsAsked() {
        Await.until("nothing is on its way", () -> onTheirWay() == 0);
        decide("INVOICES_WINNER", "ask");
    }

    private static LocalDate due(Posted posted) {
        return LocalDate.parse(onLedger(posted).get("due").asString());
    }

    private static String atYard(Posted posted) {
        return "/hullwork/documents/" + posted.number().replace("HW-", "d-");
    }

    /// Another due date on both sides.
    ///
    /// @return that of the ledger
    private static LocalDate extendOnBoth(Posted posted) {
        LocalDate due = due(posted);
        world.standIns().editOnInkwell(posted.ledgerRef(), due.plusDays(9).toString(), null);
        world.standIns().extendOnHullwork(atYard(posted), due.plusDays(20));
        return due.plusDays(9);
    }

    /// By how many seconds a side changed it earlier than it did.
    private static void earlier(String touched, String code, int seconds) {
        world.standIns()
                .write("update %s set at = at - interval '%d seconds' where code = '%s'"
                        .formatted(touched, seconds, code));
    }

    @Test
    void whatOnlyTheLedgerChangedIsTheLater() {
        Posted posted = post();
        world.standIns()
                .editOnInkwell(posted.ledgerRef(), due(posted).plusDays(3).toString(), null);
        fetch();
        assertThat(state(posted)).isEqualTo("Posted");
        assertThat(timesSent(posted)).as("nothing was sent for it").isOne();
    }

    @Test
    void ofWhatBothChangedTheLaterStandsWhereBothTellWhen() {
        Posted source = post();
        Posted ledger = post();
        Posted nobody = post();
        LocalDate overwritten = extendOnBoth(source);
        LocalDate later = extendOnBoth(ledger);
        extendOnBoth(nobody);
        earlier(ON_LEDGER, source.ledgerRef(), 90);
        earlier(ON_SOURCE, ledger.number().replace("HW-", "d-"), 90);
        earlier(ON_LEDGER, nobody.ledgerRef(), 50);
        assertThat(preview("latest").get("sentence").asString()).contains("the later change stands");
        fetch();
        awaitSettled(source);
        assertThat(due(source)).as("its source was the later").isEqualTo(later(source));
        assertThat(told(source, "sent-in-place", "replaced"))
                .as("the trail keeps what stood there")
                .containsExactly("{\"due-date\":\"" + overwritten + "\"}");
        assertThat(state(ledger)).isEqualTo("Posted");
        assertThat(due(ledger)).isEqualTo(later);
        assertThat(state(nobody)).as("less than a minute apart").isEqualTo("Diverged");
        int sent = timesSent(nobody);
        fetch();
        assertThat(timesSent(nobody)).as("left to a person, and looked at once").isEqualTo(sent);
        assertThat(admin.get("/api/documents/" + nobody.id() + "/trail").json().findValuesAsString("action"))
                .containsOnlyOnce("not-put-together");
        settle(nobody, "LEDGER");
    }

    private static LocalDate later(Posted posted) {
        return LocalDate.parse(yard.document(posted.number()).get("dueDate").asString());
    }

    /// A time of the whole says nothing of one field where more was changed: each keeps what only it changed, or a
    /// person is asked.
    @Test
    void whatMoreWasChangedIsPutTogetherOrAskedAbout() {
        Posted apart = post();
        LocalDate day = day(apart);
        LocalDate due = due(apart).plusDays(4);
        world.standIns().editOnInkwell(apart.ledgerRef(), due.toString(), null);
        redate(apart, day.minusDays(1));
        Posted both = post();
        extendOnBoth(both);
        redate(both, day(both).minusDays(1));
        earlier(ON_LEDGER, both.ledgerRef(), 90);
        fetch();
        awaitSettled(apart);
        assertThat(due(apart)).isEqualTo(due);
        assertThat(day(apart)).isEqualTo(day.minusDays(1));
        assertThat(state(both)).isEqualTo("Diverged");
        settle(both, "SOURCE");
    }

    @Test
    void aSideThatDoesNotAnswerDecidesNothingAndIsAskedAgain() {
        Posted posted = post();
        extendOnBoth(posted);
        earlier(ON_LEDGER, posted.ledgerRef(), 90);
        world.standIns().write("alter table hullwork_touched rename to hullwork_touched_before");
        fetch();
        world.standIns().write("alter table hullwork_touched_before rename to hullwork_touched");
        assertThat(state(posted)).isEqualTo("Diverged");
        fetch();
        awaitSettled(posted);
        assertThat(due(posted)).isEqualTo(later(posted));
        assertStandsOnce(posted);
    }
}
