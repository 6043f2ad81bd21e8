package alcabala.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.Wire;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// The database breaks off or freezes: pages say so within three seconds, files are served, and it goes on by itself.
class DatabaseGoneTest {
    /// Twice what is promised, since journeys keep the machine busy beside this.
    private static final Duration LIMIT = Duration.ofSeconds(6);

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void everybodyIsToldWithinSecondsAndItGoesOnByItself(boolean frozen) throws Exception {
        try (Wire wire = new Wire(World.databasePort());
                World world = World.inProcess(wire)) {
            Api ferro = world.api("ferro");
            Yard yard = new Yard(ferro);
            long batch = yard.send(yard.documents("Ready").stream()
                    .limit(5)
                    .map(document -> document.get("id").asLong())
                    .toList());
            if (frozen) {
                wire.freeze();
            } else {
                wire.cut();
            }
            assertAllAreTold(ferro);
            assertAtOnce(ferro, "/actuator/health/readiness", 503);
            assertAtOnce(ferro, "/actuator/health/liveness", 200);
            assertAtOnce(ferro, "/send", 200);
            if (frozen) {
                wire.thaw();
            } else {
                wire.mend();
            }
            Await.until("it goes on", () -> ferro.get("/api/routes").status() == 200);
            assertThat(new Api(world.address())
                            .get("/actuator/health/readiness")
                            .status())
                    .isEqualTo(200);
            Await.until("news are told again", () -> {
                try (Api.Heard heard = ferro.listen()) {
                    return heard.status() == 200;
                }
            });
            yard.awaitFinished(batch);
            Await.until(
                    "all five are there",
                    () -> Integer.valueOf(5).equals(yard.counts().get("Posted")));
        }
    }

    private static void assertAtOnce(Api api, String path, int status) {
        Instant before = Instant.now();
        assertThat(api.get(path).status()).as(path).isEqualTo(status);
        assertThat(Duration.between(before, Instant.now())).as(path).isLessThan(LIMIT);
    }

    /// Twenty ask at the very moment, before anybody can know, and go on asking.
    private static void assertAllAreTold(Api ferro) throws Exception {
        List<Future<Duration>> answers = new ArrayList<>();
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < 20; i++) {
                answers.add(threads.submit(() -> {
                    Instant before = Instant.now();
                    Api.Response answer = ferro.get("/api/documents?route=yard");
                    assertThat(answer.status()).as(answer.body()).isEqualTo(503);
                    assertThat(answer.json().get("code").asString()).isEqualTo("database");
                    return Duration.between(before, Instant.now());
                }));
            }
        }
        for (Future<Duration> answer : answers) {
            assertThat(answer.get()).isLessThan(LIMIT);
        }
        Await.until("readiness is down", () -> !ferro.isUp());
        assertAtOnce(ferro, "/api/summary?route=yard", 503);
    }

    @Test
    void whatIsMeasuredIsToldByPrometheusNames() {
        try (World world = World.inProcess()) {
            Yard yard = new Yard(world.api("ferro"));
            yard.awaitFinished(yard.send(
                    List.of(yard.documents("Ready").getFirst().get("id").asLong())));
            world.api("ferro").post("/api/pull?route=yard", Map.of());
            String told = world.api("voss").get("/actuator/prometheus").body();
            assertThat(told)
                    .contains(
                            "alcabala_queued_oldest_age_seconds{",
                            "alcabala_unconfirmed_oldest_age_seconds{",
                            "alcabala_dispatch_outcomes_total{application=\"alcabala\",outcome=\"posted\"} 1.0",
                            "alcabala_work_total{application=\"alcabala\",kind=\"pull\",result=\"done\"}",
                            "alcabala_jobs_late_seconds{",
                            "alcabala_database_answers{application=\"alcabala\"} 1.0",
                            "alcabala_trail_whole{application=\"alcabala\"} 1.0",
                            "hikaricp_connections_active{",
                            "http_server_requests_seconds_count{");
        }
    }
}
