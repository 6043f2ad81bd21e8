package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// A ledger that is slow, away, forgetful or strict: the books are as on a good day.
class BadDaysTest {
    private World world;
    private Yard yard;

    @BeforeEach
    void start() {
        world = World.inProcess();
        yard = new Yard(world.api("ferro"));
    }

    @AfterEach
    void stop() {
        world.close();
    }

    @Test
    void everyAnswerIsLostAndStillEachDocumentIsThereOnce() {
        List<Long> ids = ready(8);
        world.standIns().fault("inkwell", "ANSWER_LOST", 0);
        yard.awaitFinished(yard.send(ids));
        world.standIns().fault("inkwell", "NONE", 0);
        assertPostedOnce(8);
        assertThat(actions(ids)).contains("answer-lost", "asked");
    }

    @Test
    void aLedgerThatIsAwayIsGivenUpAfterSomeTriesAndOnlyThatIsRetried() {
        List<Long> ids = ready(3);
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        long batch = yard.send(ids);
        Await.until(
                "a few tries",
                () -> yard.batch(batch).get("dispatches").get(0).get("attempts").asInt() >= 2);
        assertThat(yard.counts()).containsEntry("Queued", 3);
        giveUpSoon(batch);
        world.standIns().fault("inkwell", "UNAVAILABLE", 0);
        Await.until(
                "given up",
                () -> yard.batch(batch).get("batch").get("unreached").asInt() > 0);
        world.standIns().fault("inkwell", "NONE", 0);
        yard.awaitFinished(batch);
        int unreached = yard.batch(batch).get("batch").get("unreached").asInt();
        assertThat(yard.api()
                        .post("/api/batches/" + batch + "/retry", Map.of())
                        .json()
                        .get("documents")
                        .asInt())
                .isEqualTo(unreached);
        yard.awaitFinished(batch);
        assertPostedOnce(3);
    }

    /// Six lanes that fail at the same moment are one failure of the ledger: it is given up after eight moments, not
    /// after two.
    @Test
    void howeverManyLanesALedgerFailsInItFailedOnce() {
        List<Long> ids = ready(12);
        world.standIns().fault("inkwell", "UNAVAILABLE", 24);
        long batch = yard.send(ids);
        yard.awaitFinished(batch);
        assertPostedOnce(12);
        assertThat(actions(ids)).doesNotContain("given-up");
    }

    @Test
    void aRequestLimitIsWaitedFor() {
        List<Long> ids = ready(6);
        world.standIns().fault("inkwell", "REQUEST_LIMIT", 0);
        long batch = yard.send(ids);
        yard.awaitFinished(batch);
        world.standIns().fault("inkwell", "NONE", 0);
        assertPostedOnce(6);
    }

    @Test
    void aDocumentIsInOneBatchAtATimeAndAnApprovalTakenBackHoldsItUp() {
        List<Long> ids = ready(2);
        world.standIns().fault("inkwell", "SLOW", 0);
        long batch = yard.send(ids);
        assertThat(Yard.trySend(yard.api(), Map.of("route", "yard", "ids", ids)).status())
                .isEqualTo(422);
        world.standIns().fault("inkwell", "NONE", 0);
        yard.awaitFinished(batch);
        assertPostedOnce(2);
    }

    @Test
    void itemsWhoseCutNamesCollideStopTheBatchBeforeItsFirstDocument() {
        world.jdbc().sql("update ledger set name_limit = 9").update();
        Api.Response no = Yard.trySend(yard.api(), Map.of("route", "yard"));
        assertThat(no.status()).isEqualTo(422);
        assertThat(no.json().get("code").asString()).isEqualTo("names-collide");
        assertThat(world.standIns().postedReferences()).isEmpty();
    }

    @Test
    void anUnreachableSourceIsSaidPlainlyAndLosesNothing() {
        world.standIns().fault("hullwork", "UNAVAILABLE", 0);
        Api.Response no = yard.api().post("/api/pull?route=yard", Map.of());
        world.standIns().fault("hullwork", "NONE", 0);
        assertThat(no.status()).isEqualTo(502);
        assertThat(no.json().get("sentence").asString()).startsWith("Hullwork did not answer");
        assertThat(yard.api().post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
    }

    /// Instead of waiting through all the growing pauses.
    private void giveUpSoon(long batch) {
        world.jdbc()
                .sql("update dispatch set attempts = 8 where batch_id = :batch")
                .param("batch", batch)
                .update();
        world.jdbc()
                .sql("update scheduled_tasks set execution_time = now() where picked = false")
                .update();
    }

    private List<Long> ready(int count) {
        return yard.documents("Ready").stream()
                .limit(count)
                .map(row -> row.get("id").asLong())
                .toList();
    }

    private void assertPostedOnce(int count) {
        assertThat(world.standIns().postedReferences()).hasSize(count).doesNotHaveDuplicates();
        assertThat(yard.counts()).containsEntry("Posted", count).doesNotContainKeys("Queued", "Unconfirmed");
    }

    private List<String> actions(List<Long> ids) {
        return ids.stream()
                .flatMap(id ->
                        yard.api().get("/api/documents/" + id + "/trail").json().valueStream())
                .map((JsonNode entry) -> entry.get("action").asString())
                .toList();
    }
}
