package alcabala.server.practise;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.Consents;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tools.jackson.databind.JsonNode;

/// Each fault happens for real, is named on Resolve under its cause, and is gone once it is put right.
class PractiseTest {
    private static final String BOOKS = "/inkwell/books/saltmere";
    private static final Duration A_WHILE = Duration.ofSeconds(10);
    /// The ledger's tax codes by the yard's, with the rates they have when nobody plays with them.
    private static final Map<String, Map.Entry<String, String>> TAXES = Map.of(
            "V23", Map.entry("S23", "23"),
            "V13", Map.entry("R13", "13.5"),
            "V0", Map.entry("Z0", "0"),
            "VEU", Map.entry("RC0", "0"));
    private static World world;
    private static Api admin;
    private static Api ferro;
    private static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        admin = world.api("admin");
        ferro = world.api("ferro");
        yard = new Yard(ferro);
        yard.mapEverything();
        yard.awaitFinished(yard.send(ready(12)));
        fetch();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static List<Long> ready(int count) {
        return yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .filter(row -> !row.get("number").asString().matches("HW-20388|HW-20301"))
                .limit(count)
                .map(row -> row.get("id").asLong())
                .toList();
    }

    private static void fetch() {
        ferro.post("/api/pull?route=yard", Map.of());
        Await.until(
                "checks are judged",
                () -> world.jdbc()
                                .sql("select count(*) from scheduled_tasks where task_name = 'readiness'")
                                .query(Integer.class)
                                .single()
                        == 0);
    }

    /// A run may have failed for a reason of its own, such as a machine that stood still: it is tried again after a
    /// while,
    /// as people do.
    private static void fetchUntil(String what, String told) {
        Instant[] next = {Instant.now().plus(A_WHILE)};
        Await.until(what, () -> {
            if (!latest().has(told) && Instant.now().isAfter(next[0])) {
                fetch();
                next[0] = Instant.now().plus(A_WHILE);
            }
            return latest().has(told);
        });
    }

    private static Api.Response begin(Fault fault) {
        return admin.post("/api/practise", Map.of("route", "yard", "fault", fault));
    }

    private static JsonNode latest() {
        return admin.get("/api/practise?route=yard").json().get("practices").get(0);
    }

    /// What it befell: the number or the id of a record, or a code.
    private static List<String> subjects() {
        return List.of(world.jdbc()
                .sql("select subject from practice order by id desc limit 1")
                .query(String.class)
                .single()
                .split(" "));
    }

    private static List<JsonNode> warnings(String cause) {
        return ferro.get("/api/resolve/warnings?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("cause").asString().startsWith(cause))
                .toList();
    }

    @ParameterizedTest
    @EnumSource(Fault.class)
    void isNamedOnResolveAndPutRight(Fault fault) {
        Api.Response begun = begin(fault);
        assertThat(begun.status()).as(begun.body()).isEqualTo(200);
        assertThat(latest().get("title").asString()).as("nothing is given away").isEmpty();
        assertThat(latest().has("namedAfter")).isFalse();
        if (fault == Fault.ANSWER_LOST) {
            yard.send(ready(1));
        } else {
            fetch();
        }
        fetchUntil(fault + " is named", "namedAfter");
        assertThat(begin(fault).json().get("code").asString())
                .as("not twice at once")
                .isEqualTo("so-already");
        putRight(fault);
        fetchUntil(fault + " is put right", "rightedAfter");
        assertThat(latest().get("title").asString()).isEqualTo(fault.title());
        fetch();
        assertThat(latest().get("rightedAfter").asInt())
                .isGreaterThanOrEqualTo(latest().get("namedAfter").asInt());
    }

    private static void putRight(Fault fault) {
        switch (fault) {
            case PARTY_RENAMED_TWICE -> answerParty();
            case ACCOUNT_SWITCHED_OFF -> {
                String account = warnings("account-unusable")
                        .getFirst()
                        .get("cause")
                        .asString()
                        .split(":")[1];
                world.standIns().desk(BOOKS + "/accounts/" + account, "name=Sales&type=revenue&active=true");
                fetch();
            }
            case PERIOD_LOCKED -> {
                world.standIns().desk(BOOKS + "/lock", "through=2020-01-01");
                fetch();
            }
            case ANSWER_LOST -> askAgain();
            case NUMBER_TAKEN -> renumber();
            case PAYMENT_RECORDED_TWICE -> areOne();
            case LINE_EDITED, CHANGED_UNDER_US -> letStand();
            case DOCUMENT_DELETED -> {
                Map<String, Object> gone = Map.of(
                        "route", "yard", "ids", List.of(Long.valueOf(subjects().getFirst())));
                assertThat(ferro.post("/api/documents/gone", gone).status()).isEqualTo(200);
            }
            case CONSENT_REVOKED -> consentAgain();
            case CLOCK_AN_HOUR_OFF -> {
                world.standIns().desk(BOOKS + "/clock", "ahead=0");
                fetch();
            }
            case TAX_RATE_CHANGED -> {
                JsonNode fix =
                        warnings("tax-rate-differs").getFirst().get("fixes").get(0);
                assertThat(fix.get("kind").asString()).isEqualTo("TAX");
                String mapped = fix.get("code").asString();
                Map.Entry<String, String> tax = TAXES.get(mapped);
                world.standIns().desk(BOOKS + "/tax-codes/" + tax.getKey(), "rate=" + tax.getValue() + "&active=true");
                fetch();
            }
            case CUSTOMER_ENTERED_TWICE -> {
                String code = subjects().getFirst();
                JsonNode doubtful = warnings("party-doubtful:" + code).getFirst();
                assertThat(doubtful.get("fixes").get(0).get("code").asString()).isEqualTo(code);
                yard.map("PARTY", code, "IC-1002", "");
            }
            case FEED_BEGUN_AGAIN, RECORDS_UNUSABLE ->
                ferro.get("/api/set-aside").json().forEach(each -> {
                    String id = each.get("id").asString();
                    assertThat(ferro.delete("/api/set-aside/" + id).status()).isBetween(200, 204);
                });
            case SOURCE_ANSWERS_RUBBISH -> fetch();
        }
    }

    private static void answerParty() {
        JsonNode cause = ferro.get("/api/resolve/masters?route=yard")
                .json()
                .valueStream()
                .filter(each -> each.get("kind").asString().equals("PARTIES"))
                .filter(each -> each.get("field").asString().equals("name"))
                .findFirst()
                .orElseThrow();
        JsonNode party = cause.get("masters").get(0);
        Map<String, Object> answer = new HashMap<>();
        answer.put("route", "yard");
        answer.put("kind", "PARTIES");
        answer.put("field", "name");
        answer.put("answer", "LEAVE");
        answer.put("typed", "");
        answer.put(
                "masters",
                List.of(Map.of(
                        "code",
                        party.get("code").asString(),
                        "seen",
                        party.get("seen").asString())));
        Api.Response said = ferro.post("/api/resolve/masters", answer);
        assertThat(said.status()).as(said.body()).isBetween(200, 202);
    }

    /// In Hullwork, as the check proposes.
    private static void renumber() {
        String id = world.jdbc()
                .sql("select source_ref from record where number = any(:numbers)")
                .param("numbers", subjects().toArray(String[]::new))
                .query(String.class)
                .single();
        world.standIns().renumberOnHullwork("/hullwork/documents/" + id, "HW-77001");
        fetch();
        ferro.get("/api/readiness?route=yard");
    }

    /// For as long as Inkwell is down.
    private static void askAgain() {
        JsonNode held = ferro.get("/api/resolve?route=yard")
                .json()
                .get("causes")
                .valueStream()
                .filter(each -> each.get("cause").asString().equals("unconfirmed"))
                .findFirst()
                .orElseThrow()
                .get("records")
                .get(0);
        Await.until("Inkwell answers again", () -> {
            ferro.post("/api/batches/" + held.get("batch").asLong() + "/retry", Map.of());
            return latest().has("rightedAfter");
        });
        String number = held.get("number").asString();
        assertThat(world.standIns().postedReferences().stream().filter(each -> each.endsWith(sourceRef(number))))
                .as("once")
                .hasSize(1);
    }

    private static String sourceRef(String number) {
        return world.jdbc()
                .sql("select source_ref from record where number = :number")
                .param("number", number)
                .query(String.class)
                .single();
    }

    private static void areOne() {
        String[] both = warnings("payment-twice")
                .getFirst()
                .get("cause")
                .asString()
                .split(":")[1]
                .split("-");
        Map<String, Object> same = Map.of(
                "route", "yard", "ours", Long.parseLong(both[0]), "theirs", Long.parseLong(both[1]), "one", true);
        assertThat(ferro.post("/api/resolve/warnings/same-payment", same).status())
                .isEqualTo(204);
        assertThat(ferro.post("/api/resolve/warnings/same-payment", same)
                        .json()
                        .get("code")
                        .asString())
                .as("said twice")
                .isEqualTo("not-asked");
        assertThat(ferro.get("/api/documents/" + both[0])
                        .json()
                        .get("document")
                        .get("state")
                        .asString())
                .isEqualTo("Posted");
        fetch();
        assertThat(ferro.get("/api/documents/" + both[0])
                        .json()
                        .get("document")
                        .get("state")
                        .asString())
                .as("and stays so")
                .isEqualTo("Posted");
        assertThat(warnings("payment-twice")).isEmpty();
    }

    private static void letStand() {
        String id = subjects().getFirst();
        int version = ferro.get("/api/documents/" + id)
                .json()
                .get("sides")
                .get("since")
                .get("ledgerVersion")
                .asInt();
        Api.Response settled = ferro.post(
                "/api/documents/" + id + "/settlement", Map.of("winner", "LEDGER", "ledgerVersion", version));
        assertThat(settled.status()).as(settled.body()).isEqualTo(200);
    }

    private static void consentAgain() {
        Consents consents = Consents.of(world);
        long ledger = consents.inkwell().get("id").asLong();
        consents.use(consents.give(ledger), "saltmere");
        fetch();
    }

    @Test
    void whatIsStruckOutOnTheLedgerIsNotPractisedOn() {
        markStruckOut(true);
        assertThat(begin(Fault.LINE_EDITED).json().get("code").asString()).isEqualTo("nothing-to-befall");
        markStruckOut(false);
        assertThat(begin(Fault.LINE_EDITED).status()).isEqualTo(200);
        assertThat(admin.delete("/api/practise/" + latest().get("id").asLong()).status())
                .isEqualTo(204);
    }

    private static void markStruckOut(boolean yes) {
        world.jdbc()
                .sql("update link set ledger_now = jsonb_set(ledger_now, '{taken}', to_jsonb(cast(:yes as boolean)))")
                .param("yes", yes)
                .update();
    }

    @Test
    void onlyAdministratorsMakeThingsGoWrongAndWhatIsGivenUpSaysWhatItWas() {
        assertThat(ferro.get("/api/practise?route=yard").status()).isEqualTo(403);
        assertThat(ferro.post("/api/practise", Map.of("route", "yard")).status())
                .isEqualTo(403);
        assertThat(admin.post("/api/practise", Map.of("route", "harbour"))
                        .json()
                        .get("code")
                        .asString())
                .isEqualTo("not-practised");
        for (int i = 0; i < 4; i++) {
            world.jdbc().sql("""
                    insert into practice (route_id, fault, subject, by, begun_at)
                    select id, 'LINE_EDITED', '0', 'A. Quill', now() from route where code = 'yard'""").update();
        }
        assertThat(begin(Fault.CLOCK_AN_HOUR_OFF).status())
                .as("the fifth at once")
                .isEqualTo(200);
        assertThat(begin(Fault.DOCUMENT_DELETED).json().get("code").asString())
                .as("the sixth")
                .isEqualTo("enough-at-once");
        JsonNode open = latest();
        assertThat(admin.delete("/api/practise/" + open.get("id").asLong()).status())
                .isEqualTo(204);
        assertThat(admin.delete("/api/practise/" + open.get("id").asLong()).status())
                .as("once")
                .isEqualTo(404);
        assertThat(latest().get("title").asString()).isEqualTo("A clock an hour off");
        assertThat(latest().get("givenUp").asBoolean()).isTrue();
        world.jdbc().sql("delete from practice where subject = '0'").update();
        world.standIns().desk(BOOKS + "/clock", "ahead=0");
        fetch();
    }
}
