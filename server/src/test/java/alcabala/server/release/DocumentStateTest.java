package alcabala.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.World;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The state follows from the facts, for every combination that matters.
class DocumentStateTest {
    private static World world;

    @BeforeAll
    static void start() {
        world = World.inProcess();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @ParameterizedTest(
            name = "{0} when approved {1}, voided {2}, blocking {3}, outcome {4} of revision {5}, now {6}, differs {7}")
    @CsvSource(
            nullValues = "-",
            value = {
                "Waiting,     false, false, 0, -,           -, 1, false",
                "Waiting,     false, false, 2, -,           -, 1, false",
                "Blocked,     true,  false, 1, -,           -, 1, false",
                "Ready,       true,  false, 0, -,           -, 1, false",
                "Ready,       true,  false, 0, unreached,   1, 1, false",
                "Voided,      true,  true,  0, -,           -, 1, false",
                "Voided,      false, true,  3, refused,     1, 1, false",
                "Queued,      true,  false, 0, queued,      -, 1, false",
                "Queued,      true,  true,  0, sending,     1, 1, false",
                "Unconfirmed, true,  false, 0, unconfirmed, 1, 1, false",
                "Refused,     true,  false, 0, refused,     1, 1, false",
                "Ready,       true,  false, 0, refused,     1, 2, false",
                "Blocked,     true,  false, 1, refused,     1, 2, false",
                "Posted,      true,  false, 0, posted,      1, 1, false",
                "Posted,      true,  false, 5, posted,      1, 1, false",
                "Diverged,    true,  false, 0, posted,      1, 2, false",
                "Diverged,    true,  false, 0, posted,      1, 1, true",
                "Diverged,    true,  true,  0, posted,      1, 1, false"
            })
    void followsFromTheFacts(
            String state,
            boolean approved,
            boolean voided,
            int blocking,
            String outcome,
            Integer outcomeRevision,
            int revision,
            boolean differs) {
        String found = world.jdbc()
                .sql("""
                update record set approved = :approved, voided = :voided, blocking = :blocking, outcome = :outcome,
                    outcome_revision = :outcomeRevision, revision = :revision, ledger_differs = :differs
                where number = 'HW-20310' returning state""")
                .param("approved", approved)
                .param("voided", voided)
                .param("blocking", blocking)
                .param("outcome", outcome)
                .param("outcomeRevision", outcomeRevision, java.sql.Types.INTEGER)
                .param("revision", revision)
                .param("differs", differs)
                .query(String.class)
                .single();
        assertThat(found).isEqualTo(state);
    }

    @Test
    void nobodyCanTypeAStateIn() {
        org.assertj.core.api.Assertions.assertThatThrownBy(() ->
                        world.jdbc().sql("update record set state = 'Posted'").update())
                .hasStackTraceContaining("can only be updated to DEFAULT");
    }
}
