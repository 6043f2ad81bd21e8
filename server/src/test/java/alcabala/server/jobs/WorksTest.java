package alcabala.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// Work whose server has ended, or could not say how it ended, is not waited for without end.
class WorksTest {
    @Test
    void workWithoutASignOfLifeForHalfAMinuteIsGivenUpAndCanBeAskedForAgain() {
        try (World world = World.inProcess()) {
            Api ferro = world.api("ferro");
            long silent = running(world, "route yard", 31);
            long alive = running(world, "another", 15);
            Await.until("it is given up", () -> state(ferro, silent).equals("failed"));
            assertThat(ferro.get("/api/work/" + silent)
                            .json()
                            .get("problem")
                            .get("code")
                            .asString())
                    .isEqualTo("cut-off");
            assertThat(state(ferro, alive)).isEqualTo("running");
            assertThat(ferro.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(200);
        }
    }

    private static String state(Api api, long id) {
        return api.get("/api/work/" + id).json().get("state").asString();
    }

    private static long running(World world, String subject, int silentSeconds) {
        return world.jdbc()
                .sql("""
                        insert into work (kind, subject, who, state, started_at, seen_at)
                        values ('PULL', :subject, 'M. Ferro', 'running', now(), now() - make_interval(secs => :silent))
                        returning id""")
                .param("subject", subject)
                .param("silent", silentSeconds)
                .query(Long.class)
                .single();
    }
}
