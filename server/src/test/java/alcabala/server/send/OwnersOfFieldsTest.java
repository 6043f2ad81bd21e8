package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Await;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/// Single fields of documents are one side's, whoever wins otherwise: here a person is asked.
class OwnersOfFieldsTest extends OnBothSides {
    @BeforeEach
    void theLedgerKeepsTheDueDatesAndTheYardTheLines() {
        decide("INVOICES_OWNER_OF_DUE_DATE", "ledger");
        decide("INVOICES_OWNER_OF_LINES", "source");
    }

    @AfterEach
    void nobodyOwnsThem() {
        Await.until("all has arrived", () -> onTheirWay() == 0);
        decide("INVOICES_TRIGGER", "batch");
        decide("INVOICES_OWNER_OF_DUE_DATE", "nobody");
        decide("INVOICES_OWNER_OF_LINES", "nobody");
    }

    @Test
    void whatWasChangedThereStandsOrGoesBackByWhoseItIs() {
        Posted due = post();
        Posted line = post();
        Posted both = post();
        LocalDate later = extendThere(due);
        String account = bookElsewhere(line);
        LocalDate other = extendThere(both);
        String own = bookElsewhere(both);
        int sent = timesSent(due);
        fetch();
        awaitSettled(line);
        awaitSettled(both);
        assertThat(state(due)).isEqualTo("Posted");
        assertThat(due(due)).isEqualTo(later);
        assertThat(timesSent(due)).as("what stands is not sent").isEqualTo(sent);
        assertThat(trail(due)).containsOnlyOnce("ledger-stands");
        assertThat(account(line)).isEqualTo(account);
        assertThat(account(both)).isEqualTo(own);
        assertThat(due(both)).as("and it keeps what is its own").isEqualTo(other);
        int again = timesSent(both);
        fetch();
        assertThat(timesSent(both)).as("a further run writes nothing").isEqualTo(again);
        assertStandsOnce(both);
    }

    /// Row 9 of the merge of a field; what only its source changed goes beside it.
    @Test
    void ofWhatBothChangedItsOwnersStands() {
        Posted posted = post();
        LocalDate day = day(posted);
        LocalDate theirs = extendThere(posted);
        world.standIns().extendOnHullwork(desk(posted), theirs.plusDays(20));
        redate(posted, day.minusDays(1));
        fetch();
        awaitSettled(posted);
        assertThat(due(posted)).isEqualTo(theirs);
        assertThat(day(posted)).isEqualTo(day.minusDays(1));

        world.standIns().extendOnHullwork(desk(posted), theirs.plusDays(30));
        redate(posted, day.minusDays(2));
        fetch();
        yard.awaitFinished(yard.send(List.of(posted.id())));
        assertThat(due(posted)).as("row 6: it does not travel").isEqualTo(theirs);
        assertThat(day(posted)).isEqualTo(day.minusDays(2));
        assertThat(state(posted)).isEqualTo("Posted");
    }

    /// Row 6 for what a document comes to: its source's lines cannot go, and what it comes to follows from them.
    @Test
    void whatTheSourceChangesInLinesOfTheLedgerIsAskedAbout() {
        decide("INVOICES_OWNER_OF_LINES", "ledger");
        Posted posted = post();
        String gross = onLedger(posted).get("gross").asString();
        editOnSource(posted, "12.30");
        decide("INVOICES_TRIGGER", "paid");
        fetch();
        fetch();
        assertThat(onLedger(posted).get("gross").asString()).isEqualTo(gross);
        assertThat(trail(posted)).containsOnlyOnce("not-put-together");
        assertThat(since(posted, "notTogether").asString())
                .isEqualTo("Line 1 was changed in Hullwork, and Inkwell decides it.");
        Await.until("what is paid has arrived", () -> onTheirWay() == 0);
        settle(posted, "SOURCE");
        assertThat(onLedger(posted).get("gross").asDecimal())
                .as("a person may go against it")
                .isEqualByComparingTo(grossOnSource(posted));
    }

    @Test
    void itIsSaidBeforeWhatStandsAndWhatGoes() {
        decide("INVOICES_OWNER_OF_DUE_DATE", "nobody");
        decide("INVOICES_OWNER_OF_LINES", "nobody");
        Posted due = post();
        Posted line = post();
        extendThere(due);
        bookElsewhere(line);
        fetch();
        assertThat(fates("INVOICES_OWNER_OF_DUE_DATE nobody")).containsExactly("ASKED 2");
        assertThat(fates("INVOICES_OWNER_OF_DUE_DATE ledger")).containsExactly("LEDGERS 1", "ASKED 1");
        assertThat(fates("INVOICES_WINNER ledger&change=INVOICES_OWNER_OF_LINES source"))
                .containsExactly("LEDGERS 1", "SOURCES 1");
        assertThat(admin.get("/api/settings/preview?route=yard&setting=INVOICES_OWNER_OF_LINES&value=source")
                        .json()
                        .get("sentence")
                        .asString())
                .isEqualTo(
                        "Of those changed in Inkwell at present, 1 would go again, with what is the ledger’s kept, 1 would be asked about.");
        settle(due, "LEDGER");
        settle(line, "LEDGER");
    }

    private static List<String> fates(String change) {
        return admin.get("/api/settings/crossing/effect?route=yard&change=" + change.replace(" ", "%20"))
                .json()
                .get("changedThere")
                .valueStream()
                .map(each ->
                        each.get("stands").asString() + " " + each.get("count").asInt())
                .toList();
    }

    private static String desk(Posted posted) {
        return "/hullwork/documents/" + posted.number().replace("HW-", "d-");
    }

    private static LocalDate due(Posted posted) {
        return LocalDate.parse(onLedger(posted).get("due").asString());
    }

    private static LocalDate extendThere(Posted posted) {
        LocalDate later = due(posted).plusDays(9);
        world.standIns().editOnInkwell(posted.ledgerRef(), later.toString(), null);
        return later;
    }

    private static String account(Posted posted) {
        return onLedger(posted).get("lines").get(0).get("account").asString();
    }

    /// Where its first line stood.
    private static String bookElsewhere(Posted posted) {
        String account = account(posted);
        world.standIns().bookOnInkwell(posted.ledgerRef(), account.equals("4020") ? "4010" : "4020");
        return account;
    }

    private static List<String> trail(Posted posted) {
        return admin.get("/api/documents/" + posted.id() + "/trail").json().findValuesAsString("action");
    }
}
