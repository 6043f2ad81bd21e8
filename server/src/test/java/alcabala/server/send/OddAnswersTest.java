package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.World;
import alcabala.server.Yard;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/// A ledger that answers, but not what it was asked: it is not asked without pause or end, what came is shown, and in
/// the end each document is there once.
class OddAnswersTest {
    private static final int TRIES = 8;
    private static World world;
    private static Yard yard;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        yard = new Yard(world.api("ferro"));
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "SERVER_ERROR | answered 500",
                "HTML_PAGE    | answered what cannot be read",
                "REDIRECT     | answered",
                "EMPTY_ANSWER | answered",
                "HUGE_ANSWER  | answered more than",
            })
    void whatIsNoAnswerIsTriedSomeTimesAndThenLeft(String fault, String said) {
        List<Long> ids = ready(2);
        int before = world.standIns().postedReferences().size();
        world.standIns().fault("inkwell", fault, 0);
        long batch = yard.send(ids);
        yard.awaitFinished(batch);
        world.standIns().fault("inkwell", "NONE", 0);

        assertThat(dispatches(batch)).allSatisfy(each -> {
            assertThat(each.get("outcome").asString()).isIn("unreached", "unconfirmed");
            assertThat(each.get("attempts").asInt()).isBetween(0, TRIES);
            assertThat(each.get("sentence").asString()).contains(said);
        });
        assertThat(yard.api()
                        .post("/api/batches/" + batch + "/retry", Map.of())
                        .json()
                        .get("documents")
                        .asInt())
                .isEqualTo(2);
        yard.awaitFinished(batch);
        assertThat(dispatches(batch))
                .extracting(each -> each.get("outcome").asString())
                .containsOnly("posted");
        assertThat(world.standIns().postedReferences()).hasSize(before + 2).doesNotHaveDuplicates();
    }

    @Test
    void oneThatFailsDoesNotHoldUpTheOthers() {
        List<Long> ids = ready(4);
        world.standIns().fault("inkwell", "SERVER_ERROR", 1);
        long batch = yard.send(ids);
        yard.awaitFinished(batch);
        assertThat(dispatches(batch).stream()
                        .collect(Collectors.groupingBy(
                                each -> each.get("outcome").asString(), Collectors.counting())))
                .containsExactly(Map.entry("posted", 4L));
    }

    /// Somebody who looks must be able to tell what came back.
    @Test
    void whatCameInsteadOfAnAnswerStandsOnTheTrail() {
        List<Long> ids = ready(1);
        world.standIns().fault("inkwell", "UNREADABLE_ANSWER", 0);
        long batch = yard.send(ids);
        yard.awaitFinished(batch);
        world.standIns().fault("inkwell", "NONE", 0);
        assertThat(yard.api().get("/api/documents/" + ids.getFirst() + "/trail").body())
                .contains("{\\\"id\\\":\\\"IN-");
    }

    private static List<JsonNode> dispatches(long batch) {
        return yard.batch(batch).get("dispatches").valueStream().toList();
    }

    /// Parties and items of these are there, so that each needs one request.
    private static List<Long> ready(int count) {
        return yard.documents("Ready").stream()
                .filter(row -> !row.get("number").asString().matches("HW-20301|HW-20388"))
                .limit(count)
                .map(row -> row.get("id").asLong())
                .toList();
    }
}
