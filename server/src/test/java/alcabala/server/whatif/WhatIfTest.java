package alcabala.server.whatif;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.server.Api;
import alcabala.server.World;
import alcabala.server.Yard;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What a row would change is said before it is saved, and what was booked before is put right by journals.
class WhatIfTest {
    private World world;
    private Api ferro;
    private Yard yard;
    private long posted;

    @BeforeEach
    void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        yard = new Yard(ferro);
        posted = readyOn("4010").getFirst();
        yard.awaitFinished(yard.send(List.of(posted)));
        assertThat(yard.counts()).containsEntry("Posted", 1);
    }

    @AfterEach
    void stop() {
        world.close();
    }

    @Test
    void whatWaitsMovesByItselfAndWhatIsPostedByAJournal() {
        int waiting = readyOn("4010").size();
        int version = version("chandlery");
        JsonNode would = whatIf("chandlery", "4015");
        assertThat(would.get("before").findValuesAsString("code")).containsExactly("4010");
        assertThat(would.get("after").findValuesAsString("code")).containsExactly("4015");
        assertThat(would.get("version").asInt()).isEqualTo(version);
        assertThat(would.at("/waiting/kinds/BOOKS").asInt()).isGreaterThanOrEqualTo(waiting);
        assertThat(would.at("/waiting/months")
                        .valueStream()
                        .mapToInt(each -> each.get("documents").asInt())
                        .sum())
                .isEqualTo(would.at("/waiting/kinds")
                        .valueStream()
                        .mapToInt(JsonNode::asInt)
                        .sum());
        BigDecimal there = onTheBooks("4010");
        assertThat(would.at("/posted/moved").asInt()).isOne();
        assertThat(would.at("/posted/months/0/records/0/id").asLong()).isEqualTo(posted);
        JsonNode journal = would.at("/posted/journals/0");
        assertThat(decimal(journal.get("total"))).isEqualByComparingTo(there);
        assertThat(journal.get("lines").valueStream().map(WhatIfTest::booked))
                .containsExactly("4010 debit " + there, "4015 credit " + there);
        assertThat(version("chandlery")).as("nothing was changed by asking").isEqualTo(version);
        assertThat(corrections()).isEmpty();
        aLockedMonthIsPutRightInTheFirstOpenOne();
        whatTheLedgerBookedIsAdvice(version);
    }

    /// Its feed tells of the lines, and the category that has lost its row is advised by what its items were
    /// booked to.
    private void whatTheLedgerBookedIsAdvice(int version) {
        assertThat(ferro.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
        assertThat(ferro.put("/api/map/row", supposed("chandlery", null, version))
                        .status())
                .isEqualTo(200);
        JsonNode row =
                ferro.get("/api/map/category?route=yard&text=chandlery").json().at("/rows/0");
        assertThat(row.at("/suggestion/code").asString()).isEqualTo("4010");
        assertThat(row.at("/suggestion/reason").asString())
                .matches("its items were booked there (once|\\d+ times), last on .*");
    }

    @Test
    void theDraftGoesWithTheRowAndIsSettledByHand() {
        JsonNode saved = ferro.post("/api/map/corrections", supposed("chandlery", "4015", version("chandlery")))
                .json();
        long id = saved.get("correction").asLong();
        assertThat(saved.at("/before/targets/INCOME").asString()).isEqualTo("4010");
        assertThat(saved.get("version").asInt()).isEqualTo(version("chandlery"));
        assertThat(readyOn("4015")).isNotEmpty();
        JsonNode why = ferro.get("/api/documents/" + posted + "/why").json();
        assertThat(why.has("postedUnder")).isTrue();
        assertThat(why.get("findings")).isEmpty();
        assertThat(why.get("lines")
                        .valueStream()
                        .filter(line -> line.get("category").asString().equals("chandlery"))
                        .map(line -> line.get("account").asString()))
                .as("what is posted is explained by the crosswalk that it was posted under")
                .isNotEmpty()
                .containsOnly("4010");
        assertThat(why.at("/journal/lines")
                        .valueStream()
                        .filter(line -> line.get("account").asString().equals("4010"))
                        .map(line -> line.get("credit").asString()))
                .as("the journal is the one that was sent")
                .containsExactly(onTheBooks("4010").toPlainString());
        assertThat(correction(id).get("state").asString()).isEqualTo("DRAFT");
        Api.Response file = ferro.get("/api/map/corrections/" + id + "/file");
        assertThat(file.header("Content-Disposition")).contains("correction-" + id + ".csv");
        assertThat(file.body().lines().skip(1))
                .containsExactly(
                        "%d-1,%s,4010,Chandlery sales,%s,,EUR,\"Correction %d, category chandlery\""
                                .formatted(id, today(), onTheBooks("4010"), id),
                        "%d-1,%s,4015,%s,,%s,EUR,\"Correction %d, category chandlery\""
                                .formatted(id, today(), name("4015"), onTheBooks("4010"), id));

        assertThat(settle(id, "DRAFT", "ENTERED", "GJ-77").status()).isEqualTo(200);
        assertThat(correction(id).get("ledgerNumber").asString()).isEqualTo("GJ-77");
        assertThat(settle(id, "DRAFT", "DROPPED", "").json().get("code").asString())
                .isEqualTo("changed-meanwhile");
        assertThat(settle(id, "ENTERED", "DRAFT", "").status()).isEqualTo(200);
        assertThat(correction(id).get("ledgerNumber").asString()).isEmpty();
        somebodyElseWasFaster();
    }

    /// What a draft moves is moved on from where the draft puts it.
    @Test
    void whatIsPutRightOnceIsNotMovedTwice() {
        long first = correct("chandlery", "4015");
        JsonNode again = whatIf("chandlery", "4020").at("/posted/journals/0/lines");
        assertThat(again.findValuesAsString("account")).containsExactly("4015", "4020");
        assertThat(whatIf("chandlery", "4010").at("/posted/journals/0/lines").findValuesAsString("account"))
                .as("back to where it was")
                .containsExactly("4015", "4010");
        long second = correct("chandlery", "4020");
        assertThat(settle(first, "DRAFT", "DROPPED", "").json().get("code").asString())
                .isEqualTo("correction-built-on");
        assertThat(settle(second, "DRAFT", "DROPPED", "").status()).isEqualTo(200);
        assertThat(settle(first, "DRAFT", "DROPPED", "").status()).isEqualTo(200);
        assertThat(whatIf("chandlery", "4010").at("/posted/moved").asInt())
                .as("it stands where it was sent to, and would belong there")
                .isZero();
        assertThat(whatIf("chandlery", "4015").at("/posted/journals/0/lines").findValuesAsString("account"))
                .containsExactly("4010", "4015");
        set("chandlery", "4010");
        aClosedAccountIsLeft();
    }

    private void aLockedMonthIsPutRightInTheFirstOpenOne() {
        LocalDate booked = world.jdbc()
                .sql("select max(day) from posting_line")
                .query(LocalDate.class)
                .single();
        LocalDate end = booked.withDayOfMonth(booked.lengthOfMonth());
        world.jdbc()
                .sql("update ledger set locked_through = :end")
                .param("end", end)
                .update();
        JsonNode posted = whatIf("chandlery", "4015").get("posted");
        assertThat(posted.at("/months/0/locked").asBoolean()).isTrue();
        assertThat(LocalDate.parse(posted.at("/months/0/correctOn").asString())).isAfter(end);
        assertThat(posted.at("/journals/0/late").asInt()).isOne();
        assertThat(posted.at("/journals/0/day")).isEqualTo(posted.at("/months/0/correctOn"));
        world.jdbc().sql("update ledger set locked_through = null").update();
    }

    /// An account is closed, so the row is changed: what was booked to it while it was open is moved all the same.
    private void aClosedAccountIsLeft() {
        world.jdbc().sql("""
                update ledger_account set active = false where code = '4010';
                update ledger set version = nextval('state_version')""").update();
        JsonNode would = whatIf("chandlery", "4015");
        assertThat(would.at("/posted/moved").asInt()).isOne();
        assertThat(would.at("/waiting/kinds/RELEASES").asInt()).isPositive();
        assertThat(ferro.get("/api/documents/" + posted + "/why").json().get("findings"))
                .as("what is posted is not blocked by it")
                .isEmpty();
        world.jdbc().sql("""
                update ledger_account set gone = true where code = '4010';
                update ledger set version = nextval('state_version')""").update();
        assertThat(reason(whatIf("chandlery", "4015"))).isEqualTo("HELD_UP");
    }

    @Test
    void whatNoJournalPutsRightIsSaidToBeSo() {
        world.jdbc().sql("""
                insert into posting_line (posting_id, ordinal, account, tax_code, day, currency, amount, base_amount)
                select max(posting_id), 90 + n, v.account, max(tax_code) filter (where posting_line.account = '4010'), current_date, 'EUR', v.amount, v.amount
                from posting_line, (values (1, '4010', 500), (2, '4020', -500)) as v(n, account, amount)
                group by n, v.account, v.amount""").update();
        assertThat(reason(whatIf("chandlery", "4015"))).isEqualTo("OTHERWISE");
        world.jdbc()
                .sql("update record set ledger_differs = true where id = :id")
                .param("id", posted)
                .update();
        assertThat(reason(whatIf("chandlery", "4015"))).isEqualTo("CHANGED_THERE");
        world.jdbc()
                .sql("update record set ledger_differs = false where id = :id; update dispatch set posting_id = null")
                .param("id", posted)
                .update();
        assertThat(reason(whatIf("chandlery", "4015"))).isEqualTo("LINKED");
        assertThat(whatIf("chandlery", "4015").at("/posted/journals")).isEmpty();
        assertThat(reason(whatIf("chandlery", null))).as("without the row").isEqualTo("LINKED");
    }

    private void somebodyElseWasFaster() {
        int drafts = corrections().size();
        Map<String, Object> stale = supposed("chandlery", "4015", version("chandlery"));
        set("chandlery", "4020");
        Api.Response refused = ferro.post("/api/map/corrections", stale);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().get("code").asString()).isEqualTo("changed-meanwhile");
        assertThat(corrections()).as("and no draft is left behind").hasSize(drafts);
        assertThat(ferro.post("/api/map/what-if", supposed("chandlery", "1100", 0))
                        .json()
                        .get("code")
                        .asString())
                .as("what a row may not say is refused before it is looked at")
                .isEqualTo(ferro.put("/api/map/row", supposed("chandlery", "1100", version("chandlery")))
                        .json()
                        .get("code")
                        .asString());
    }

    private void set(String category, String account) {
        assertThat(ferro.put("/api/map/row", supposed(category, account, version(category)))
                        .status())
                .isEqualTo(200);
    }

    private JsonNode whatIf(String category, String account) {
        Api.Response answer = ferro.post("/api/map/what-if", supposed(category, account, 0));
        assertThat(answer.status()).as(answer.body()).isEqualTo(200);
        return answer.json();
    }

    private long correct(String category, String account) {
        return ferro.post("/api/map/corrections", supposed(category, account, version(category)))
                .json()
                .get("correction")
                .asLong();
    }

    /// @param account null to take the row away
    private static Map<String, Object> supposed(String category, String account, int version) {
        Meaning meaning = account == null ? Meaning.NONE : Meaning.NONE.with(Purpose.INCOME, account);
        Map<String, Object> row = new HashMap<>(Yard.row("yard", "CATEGORY", category, meaning, version));
        row.put("remove", account == null);
        return row;
    }

    private int version(String category) {
        return ferro.get("/api/map/row?route=yard&kind=CATEGORY&code=" + category)
                .json()
                .get("version")
                .asInt();
    }

    private List<JsonNode> corrections() {
        return ferro.get("/api/map/corrections?route=yard").json().valueStream().toList();
    }

    private JsonNode correction(long id) {
        return corrections().stream()
                .filter(each -> each.get("id").asLong() == id)
                .findFirst()
                .orElseThrow();
    }

    private Api.Response settle(long id, String expected, String state, String number) {
        return ferro.put(
                "/api/map/corrections/" + id, Map.of("expected", expected, "state", state, "ledgerNumber", number));
    }

    private List<Long> readyOn(String account) {
        return yard.documents("Ready").stream()
                .filter(each -> each.get("kind").asString().equals("invoice"))
                .filter(each -> each.get("landsIn").asString().contains(account))
                .map(each -> each.get("id").asLong())
                .toList();
    }

    private BigDecimal onTheBooks(String account) {
        return BigDecimal.valueOf(
                -world.jdbc()
                        .sql("select sum(base_amount) from posting_line where account = :account")
                        .param("account", account)
                        .query(Long.class)
                        .single(),
                2);
    }

    private String today() {
        return world.jdbc()
                .sql("select max(day) from correction_journal")
                .query(String.class)
                .single();
    }

    private String name(String account) {
        return world.jdbc()
                .sql("select name from ledger_account where code = :code limit 1")
                .param("code", account)
                .query(String.class)
                .single();
    }

    private static String reason(JsonNode would) {
        assertThat(would.at("/posted/unclearCount").asInt()).isOne();
        return would.at("/posted/unclear/0/reason").asString();
    }

    private static BigDecimal decimal(JsonNode amount) {
        return new BigDecimal(amount.asString());
    }

    private static String booked(JsonNode line) {
        return line.get("debit").asString().isEmpty()
                ? line.get("account").asString() + " credit "
                        + line.get("credit").asString()
                : line.get("account").asString() + " debit " + line.get("debit").asString();
    }
}
