package alcabala.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.HarbourFiles;
import alcabala.server.World;
import alcabala.server.Yard;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// What comes in and is not as it should be: strangers' documents, corrections, bad records, approvals asked for twice.
class DoorTest {
    private static World world;
    private static Api ferro;
    private static HarbourFiles files;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
        files = new HarbourFiles(world, ferro);
        Yard.decide(world.api("admin"), "harbour", "BILLS", "to-ledger");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    private static String stranger(String number, String seller) {
        return HarbourFiles.invoice(number)
                .replace("Corvane Boatyards", seller)
                .replace("IE6388047V", "IE77" + number.replaceAll("\\D", "") + "S");
    }

    @Test
    void aStrangersInvoiceBlocksUntilSomebodySaysForThatPartyThatItIsTheBusiness() {
        files.take(stranger("CB-901", "Corvane Yard Ltd"));
        assertThat(files.cause("CB-901")).isEqualTo("not-a-party:IE77901S");
        assertThat(files.state("CB-901")).isEqualTo("Blocked");

        assertThat(say("IE77901S", true).json().get("documents").asInt()).isEqualTo(1);
        assertThat(files.state("CB-901")).as("a sale of ours").isEqualTo("Ready");
        files.take(stranger("CB-901", "Corvane Yard Ltd").replace("CB-901", "CB-9011"));
        assertThat(files.state("CB-9011")).as("the next one of that party").isEqualTo("Ready");

        assertThat(say("IE77901S", false).json().get("documents").asInt()).isEqualTo(2);
        assertThat(files.state("CB-901")).isEqualTo("Blocked");
        assertThat(say("IE77901S", false).status()).isEqualTo(409);
        assertThat(say("nobody-of-this-name", true).status()).isEqualTo(409);
    }

    @Test
    void whoIsFoundToBeTheBuyerGotABill() {
        files.take(stranger("CB-902", "Tarpaulin Works"));
        assertThat(say("IE2018830C", true).status()).isEqualTo(200);
        assertThat(world.jdbc()
                        .sql(
                                "select kind || ' ' || party_name || ' ' || source_ref from record where number = 'CB-902'")
                        .query(String.class)
                        .single())
                .isEqualTo("bill Tarpaulin Works bill:IE77902S:CB-902");
        say("IE2018830C", false);
        assertThat(files.cause("CB-902")).isEqualTo("not-a-party:IE77902S");
    }

    private static Api.Response say(String party, boolean is) {
        return ferro.post("/api/strangers", Map.of("route", "harbour", "party", party, "isBusiness", is));
    }

    @Test
    void aCorrectionTakesThePlaceOfWhatItNamesWhicheverComesFirst() {
        files.take(HarbourFiles.invoice("CB-911"));
        long id = files.id("CB-911");
        files.take(HarbourFiles.correcting(HarbourFiles.invoice("CB-912"), "CB-911"));
        assertThat(files.id("CB-912")).as("the same document").isEqualTo(id);
        assertThat(files.documents("CB-91_")).isEqualTo(1);
        assertThat(files.state("CB-912")).isEqualTo("Ready");

        files.take(HarbourFiles.correcting(HarbourFiles.invoice("CB-922"), "CB-921"));
        assertThat(files.cause("CB-922")).isEqualTo("corrects-unknown:CB-921");
        files.take(HarbourFiles.invoice("CB-921"));
        assertThat(files.documents("CB-92_")).as("the former is superseded").isEqualTo(1);
        assertThat(files.state("CB-922")).isEqualTo("Ready");
        JsonNode again = ferro.xml(
                        "/api/intake?route=harbour",
                        HarbourFiles.invoice("CB-921").getBytes(StandardCharsets.UTF_8))
                .json();
        assertThat(again.get("problems").get(0).get("code").asString()).isEqualTo("same-file");
    }

    @Test
    void aCorrectionOfWhatIsPostedChangesItInPlace() {
        files.take(HarbourFiles.invoice("CB-931"));
        Yard yard = new Yard(ferro);
        send(yard, "CB-931");
        String ledgerRef = ledgerRef("CB-931");
        files.take(HarbourFiles.correcting(HarbourFiles.invoice("CB-932"), "CB-931"));
        assertThat(files.state("CB-932")).isEqualTo("Diverged");
        send(yard, "CB-932");
        assertThat(files.state("CB-932")).isEqualTo("Posted");
        assertThat(ledgerRef("CB-932")).isEqualTo(ledgerRef);
        assertThat(world.standIns().versionOnDesk(ledgerRef)).isEqualTo(2);
    }

    private static void send(Yard yard, String number) {
        Api.Response sent = Yard.trySend(ferro, Map.of("route", "harbour", "ids", List.of(files.id(number))));
        assertThat(sent.status()).as(sent.body()).isEqualTo(200);
        yard.awaitFinished(sent.json().get("id").asLong());
    }

    private static String ledgerRef(String number) {
        return world.jdbc()
                .sql("select ledger_ref from record where number = :number")
                .param("number", number)
                .query(String.class)
                .single();
    }

    @Test
    void bothInOneUploadAndSixtyFilesAtOnce() {
        Map<String, byte[]> upload = new LinkedHashMap<>();
        upload.put("first.xml", HarbourFiles.invoice("CB-941").getBytes(StandardCharsets.UTF_8));
        upload.put(
                "second.xml",
                HarbourFiles.correcting(HarbourFiles.invoice("CB-942"), "CB-941")
                        .getBytes(StandardCharsets.UTF_8));
        IntStream.range(0, 60)
                .forEach(i ->
                        upload.put(i + ".xml", HarbourFiles.invoice("CB-60" + i).getBytes(StandardCharsets.UTF_8)));
        Api.Response taken = ferro.multipart("/api/intake?route=harbour", upload);
        assertThat(taken.status()).as(taken.body()).isEqualTo(200);
        assertThat(taken.json().get("problems").isEmpty()).isTrue();
        assertThat(files.documents("CB-94_")).isEqualTo(1);
        assertThat(files.documents("CB-60%")).isEqualTo(60);
    }

    @Test
    void whereNothingCouldBeTakenInTheAnswerSaysSoWithItsProblems() {
        Api.Response no = ferro.xml("/api/intake?route=harbour", "<Invoice/>".getBytes(StandardCharsets.UTF_8));
        assertThat(no.status()).isEqualTo(422);
        assertThat(no.json().get("code").asString()).isEqualTo("nothing-taken-in");
        assertThat(no.json().get("problems").get(0).get("code").asString()).isEqualTo("not-ubl");
    }

    @Test
    void badRecordsAreSetAsideByThemselvesAndTheFeedGoesOn() {
        world.standIns().fault("hullwork", "BAD_RECORDS", 0);
        assertThat(ferro.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
        assertThat(ferro.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
        world.standIns().fault("hullwork", "NONE", 0);
        List<JsonNode> aside = ferro.get("/api/set-aside").json().valueStream().toList();
        assertThat(aside).hasSize(4).allSatisfy(each -> {
            assertThat(each.get("system").asString()).isEqualTo("Hullwork");
            assertThat(each.get("times").asInt()).isEqualTo(2);
            assertThat(each.get("raw").asString()).isNotEmpty();
        });
        assertThat(aside.stream().map(each -> each.get("reason").asString()))
                .contains(
                        "document HW-BAD-1 cannot be understood",
                        "document HW-BAD-2: quantity is beyond what is taken in",
                        "document HW-\uFFFD: it holds a character that is none");
        assertThat(ferro.delete("/api/set-aside/" + aside.getFirst().get("id").asLong())
                        .status())
                .isEqualTo(200);
        assertThat(ferro.get("/api/set-aside").json().size()).isEqualTo(3);
    }

    @Test
    void approvingTwiceAtTheSameMomentApprovesOnceAndSaysSo() {
        Yard yard = new Yard(ferro);
        List<Long> waiting = yard.documents("Waiting").stream()
                .limit(3)
                .map(row -> row.get("id").asLong())
                .toList();
        Map<String, Object> asked = Map.of("route", "yard", "ids", waiting);
        List<CompletableFuture<Api.Response>> both = Stream.of(world.api("ferro"), world.api("admin"))
                .map(api -> CompletableFuture.supplyAsync(() -> api.post("/api/documents/approval", asked)))
                .toList();
        List<Api.Response> answers = both.stream().map(CompletableFuture::join).toList();
        assertThat(answers).extracting(Api.Response::status).contains(200).containsAnyOf(200, 409);
        assertThat(world.jdbc()
                        .sql("select count(*) from trail where action = 'approved' and record_id = any(:ids)")
                        .param("ids", waiting.toArray(Long[]::new))
                        .query(Integer.class)
                        .single())
                .isEqualTo(3);
    }

    @Test
    void whoeverComesSecondIsToldWhoIsApproving() {
        long id = new Yard(ferro).documents("Waiting").get(1).get("id").asLong();
        claim(id, "now()");
        Map<String, Object> asked = Map.of("route", "yard", "ids", List.of(id));
        Api.Response no = ferro.post("/api/documents/approval", asked);
        assertThat(no.status()).isEqualTo(409);
        assertThat(no.json().get("sentence").asString())
                .isEqualTo("A. Quill is approving them at this very moment; they are approved once.");
        claim(id, "now() - interval '3 minutes'");
        assertThat(ferro.post("/api/documents/approval", asked).status())
                .as("a claim of a server that ended")
                .isEqualTo(200);
    }

    private static void claim(long id, String at) {
        world.jdbc()
                .sql("insert into approval_claim (record_id, who, at) values (:id, 'A. Quill', " + at
                        + ") on conflict (record_id) do update set at = excluded.at")
                .param("id", id)
                .update();
    }

    @Test
    void aRefusedApprovalSaysWhatTheAppSaid() {
        Yard yard = new Yard(ferro);
        JsonNode waiting = yard.documents("Waiting").getLast();
        long id = waiting.get("id").asLong();
        String desk = ferro.get("/api/documents/" + id)
                .json()
                .get("sides")
                .get("sourceDesk")
                .asString();
        world.standIns().desk(desk.substring(desk.indexOf("/hullwork")) + "/void", "");
        Api.Response no = ferro.post("/api/documents/approval", Map.of("route", "yard", "ids", List.of(id)));
        assertThat(no.status()).isEqualTo(409);
        assertThat(no.json().get("sentence").asString())
                .contains("Hullwork said of " + waiting.get("number").asString(), "is void");
    }
}
