package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A posted document that both sides changed, and each keeps what it changed.
class PutTogetherTest extends OnBothSides {
    @Test
    void eachSideKeepsWhatItChangedAndThatLastsThroughTheNextChange() {
        Posted posted = post();
        LocalDate day = day(posted);
        String account = bookElsewhere(posted);
        redate(posted, day.minusDays(1));
        fetch();
        assertThat(since(posted)).isEqualTo("true true");
        assertThat(since(posted, "notTogether").asString()).isEmpty();
        settle(posted, "BOTH");
        assertStandsTogether(posted, day.minusDays(1), account);
        assertThat(booked(posted)).as("what was sent is what stands there").contains(account);

        fetch();
        assertThat(state(posted)).as("and it is no news any more").isEqualTo("Posted");
        redate(posted, day.minusDays(2));
        fetch();
        assertThat(since(posted)).isEqualTo("true false");
        yard.awaitFinished(yard.send(List.of(posted.id())));
        assertStandsTogether(posted, day.minusDays(2), account);

        redate(posted, day.minusDays(3));
        fetch();
        settle(posted, "SOURCE");
        assertThat(onLedger(posted).get("lines").get(0).get("account").asString())
                .as("as its source has it, if somebody says so")
                .isNotEqualTo(account);
        assertStandsOnce(posted);
    }

    /// A line stays the one that it was, wherever its source puts it.
    @Test
    void aLineBookedElsewhereStaysSoWhenAnotherComesBeforeItAndWhenThatGoesAgain() {
        Posted posted = post();
        String desk = "/hullwork/documents/" + posted.number().replace("HW-", "d-");
        int had = onLedger(posted).get("lines").size();
        String amount = onLedger(posted).get("lines").get(0).get("amount").asString();
        String account = bookElsewhere(posted);
        world.standIns().desk(desk + "/copy-line", "line=1&quantity=1&unitPrice=3.70");
        decide("INVOICES_TRIGGER", "paid");
        fetch();
        Await.until("all has arrived", () -> onTheirWay() == 0);
        decide("INVOICES_TRIGGER", "batch");
        JsonNode lines = onLedger(posted).get("lines");
        assertThat(lines).hasSize(had + 1);
        assertThat(lines.get(0).get("account").asString()).as("the new one").isNotEqualTo(account);
        assertThat(lines.get(1).get("account").asString()).isEqualTo(account);
        assertThat(lines.get(1).get("amount").asDecimal()).isEqualByComparingTo(amount);
        assertThat(since(posted)).as("what is asked about still").isEqualTo("false true");
        assertThat(admin.get("/api/documents/" + posted.id())
                        .json()
                        .get("sides")
                        .get("changes")
                        .findValuesAsString("field"))
                .as("by where it stands in what both have by now")
                .containsExactly("line 2");

        settle(posted, "LEDGER");
        world.standIns().desk(desk + "/strike-line", "line=1");
        fetch();
        assertThat(since(posted)).isEqualTo("true false");
        yard.awaitFinished(yard.send(List.of(posted.id())));
        assertThat(onLedger(posted).get("lines")).hasSize(had);
        assertThat(onLedger(posted).get("lines").get(0).get("account").asString())
                .isEqualTo(account);
        assertThat(onLedger(posted).get("gross").asDecimal()).isEqualByComparingTo(grossOnSource(posted));
        assertThat(state(posted)).isEqualTo("Posted");
        assertStandsOnce(posted);
    }

    @Test
    void whatCannotBePutTogetherIsSaidAndWaitsForAPerson() {
        Posted both = post();
        Posted stands = post();
        bookElsewhere(both);
        editOnSource(both, "12.30");
        fetch();
        assertThat(settlement(both, "BOTH").json().get("sentence").asString())
                .isEqualTo(both.number() + " cannot be put together: Both sides changed line 1: say whose stands.");
        assertThat(keeping(both, "line 1").json().get("sentence").asString())
                .contains("keeps line 1 as it is there, and then it would not come to what Hullwork says");
        decide("INVOICES_TRIGGER", "paid");
        fetch();
        fetch();
        assertThat(admin.get("/api/documents/" + both.id() + "/trail").json().findValuesAsString("action"))
                .as("compiled for it once, and left to a person")
                .containsOnlyOnce("not-put-together");
        decide("INVOICES_WINNER", "source");
        fetch();
        awaitSettled(both);
        decide("INVOICES_WINNER", "ask");

        editOnLedger(stands, "640.00");
        fetch();
        settle(stands, "LEDGER");
        redate(stands, day(stands).minusDays(1));
        fetch();
        fetch();
        assertThat(admin.get("/api/documents/" + stands.id() + "/trail").json().findValuesAsString("action"))
                .as("said once, and nothing sent")
                .containsOnlyOnce("not-put-together")
                .doesNotContain("sent-in-place");
        assertThat(onLedger(stands).get("lines").get(0).get("amount").asDecimal())
                .isEqualByComparingTo("640.00");
        assertThat(since(stands, "notTogether").asString())
                .isEqualTo("Inkwell keeps its sum as it is there, and then it would not come to what Hullwork says.");
        assertThat(admin.get("/api/resolve?route=yard").json().toString()).contains("\"not-together\"");
        Await.until("what is paid has arrived", () -> onTheirWay() == 0);
        decide("INVOICES_TRIGGER", "batch");
        Map<String, Object> all = Map.of("route", "yard", "ids", List.of(stands.id()));
        assertThat(admin.post("/api/batches/preview", all).json().get("count").asInt())
                .as("nothing that it keeps is replaced unasked")
                .isZero();
        Map<String, Object> replacing = Map.of("route", "yard", "ids", List.of(stands.id()), "keeps", false);
        assertThat(admin.post("/api/batches/preview", replacing)
                        .json()
                        .get("count")
                        .asInt())
                .as("as its source has it, for all of a cause")
                .isOne();
        settle(stands, "LEDGER");
        assertThat(state(stands)).isEqualTo("Posted");
    }

    /// A change of the source does not wait for an answer about something else (rows 5 and 8 of the merge of a field).
    @Test
    void whatTheSourceChangedGoesBesideWhatIsAskedAbout() {
        Posted posted = post();
        LocalDate day = day(posted);
        String account = bookElsewhere(posted);
        redate(posted, day.minusDays(1));
        decide("INVOICES_TRIGGER", "paid");
        fetch();
        Await.until("all has arrived", () -> onTheirWay() == 0);
        JsonNode there = onLedger(posted);
        assertThat(there.get("date").asString()).isEqualTo(day.minusDays(1).toString());
        assertThat(there.get("lines").get(0).get("account").asString()).isEqualTo(account);
        assertThat(state(posted)).isEqualTo("Diverged");
        assertThat(since(posted)).as("what is asked about still").isEqualTo("false true");
        JsonNode changes =
                admin.get("/api/documents/" + posted.id()).json().get("sides").get("changes");
        assertThat(changes.findValuesAsString("field")).containsExactly("line 1");
        int sent = timesSent(posted);
        fetch();
        assertThat(timesSent(posted)).as("a further run writes nothing").isEqualTo(sent);
        assertThat(since(posted)).isEqualTo("false true");
        decide("INVOICES_TRIGGER", "batch");
        settle(posted, "LEDGER");
        assertThat(state(posted)).isEqualTo("Posted");
        assertStandsOnce(posted);
    }

    /// Field by field: one of what both changed goes as its source has it, the other stays as the ledger has it.
    @Test
    void whoseStandsIsSaidOfEachFieldThatBothChanged() {
        Posted posted = post();
        LocalDate day = day(posted);
        bookElsewhere(posted);
        LocalDate due = LocalDate.parse(onLedger(posted).get("due").asString());
        world.standIns().editOnInkwell(posted.ledgerRef(), due.plusDays(9).toString(), null);
        world.standIns()
                .extendOnHullwork("/hullwork/documents/" + posted.number().replace("HW-", "d-"), due.plusDays(20));
        editOnSource(posted, "41.00");
        redate(posted, day.minusDays(1));
        fetch();
        assertThat(since(posted, "notTogether").asString()).isEmpty();
        assertThat(settlement(posted, "BOTH").json().get("code").asString()).isEqualTo("not-together");

        Api.Response answer = keeping(posted, "due-date");
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        yard.awaitFinished(answer.json().get("batch").asLong());
        JsonNode there = onLedger(posted);
        assertThat(there.get("due").asString()).isEqualTo(due.plusDays(9).toString());
        assertThat(there.get("date").asString()).isEqualTo(day.minusDays(1).toString());
        assertThat(there.get("gross").asDecimal()).isEqualByComparingTo(grossOnSource(posted));
        assertThat(state(posted)).isEqualTo("Posted");
        assertStandsOnce(posted);
    }

    private static Api.Response keeping(Posted posted, String... ledgers) {
        return admin.post(
                "/api/documents/" + posted.id() + "/settlement",
                Map.of(
                        "winner",
                        "BOTH",
                        "ledgerVersion",
                        since(posted, "ledgerVersion").asInt(),
                        "ledgers",
                        List.of(ledgers)));
    }

    /// What was sent and failed on its way goes again as it was to be put together.
    @Test
    void whatFailedOnItsWayIsPutTogetherAgain() {
        Posted posted = post();
        LocalDate day = day(posted);
        String account = bookElsewhere(posted);
        redate(posted, day.minusDays(1));
        fetch();
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        long batch = settlement(posted, "BOTH").json().get("batch").asLong();
        // Given up, or resting: an answer that was lost on the way is asked for, and neither is told.
        yard.awaitFinished(batch);
        world.standIns().fault("inkwell", "NONE", 0);
        assertThat(onLedger(posted).get("date").asString()).isEqualTo(day.toString());
        admin.post("/api/batches/" + batch + "/retry", Map.of());
        yard.awaitFinished(batch);
        assertStandsTogether(posted, day.minusDays(1), account);
        assertStandsOnce(posted);
    }

    private static void assertStandsTogether(Posted posted, LocalDate day, String account) {
        JsonNode there = onLedger(posted);
        assertThat(there.get("date").asString()).isEqualTo(day.toString());
        assertThat(there.get("lines").get(0).get("account").asString()).isEqualTo(account);
        assertThat(state(posted)).isEqualTo("Posted");
    }

    /// On which account of the ledger its first line stands from then on.
    private static String bookElsewhere(Posted posted) {
        String account = onLedger(posted).get("lines").get(0).get("account").asString();
        String other = account.equals("4020") ? "4010" : "4020";
        world.standIns().bookOnInkwell(posted.ledgerRef(), other);
        return other;
    }

    /// The accounts of the last posting.
    private static List<String> booked(Posted posted) {
        return world.jdbc()
                .sql("""
                        select account from posting_line where posting_id =
                            (select posting_id from dispatch where record_id = :id order by id desc limit 1)""")
                .param("id", posted.id())
                .query(String.class)
                .list();
    }
}
