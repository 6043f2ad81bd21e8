package alcabala.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.Await;
import alcabala.server.World;
import alcabala.server.Yard;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/// Runs by hand and by the clock, what is kept of them, and what becomes of those whose server has ended.
class RunsTest {
    private static final List<String> EVERY_DAY =
            List.of("MONDAY", "TUESDAY", "WEDNESDAY", "THURSDAY", "FRIDAY", "SATURDAY", "SUNDAY");
    private static World world;
    private static Api ferro;

    @BeforeAll
    static void start() {
        world = World.inProcess();
        ferro = world.api("ferro");
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @AfterEach
    void putBack() {
        world.standIns().fault("hullwork", "NONE", 0);
        world.jdbc().sql("delete from run_schedule").update();
        world.jdbc().sql("delete from quiet_window").update();
    }

    @ParameterizedTest(name = "begun by the {0}, {1} days and a minute ago, news: {2}, missed: {3}, kept: {4}")
    @CsvSource({
        "schedule, 30, false, 0, false",
        "schedule, 29, false, 0, true",
        "schedule, 30, true, 0, true",
        "schedule, 30, false, 1, true",
        "hand, 30, false, 0, true"
    })
    void aRunOfTheClockOfWhichNothingCameIsForgottenAfterAMonth(
            String origin, int days, boolean news, int missed, boolean kept) {
        long old = runOf(origin, days, news, missed);
        assertThat(isThere(old)).isTrue();
        world.bean(RunStore.class).forget();
        assertThat(isThere(old)).as("the newest of its route").isTrue();
        runOf("hand", 0, false, 0);
        world.bean(RunStore.class).forget();
        assertThat(isThere(old)).isEqualTo(kept);
        world.jdbc().sql("delete from run where who = 'Nobody'").update();
    }

    private static long runOf(String origin, int days, boolean news, int missed) {
        return world.jdbc()
                .sql("""
                insert into run (route_id, origin, who, started_at, finished_at, state, trail_from, trail_to, news, missed)
                select id, :origin, 'Nobody', now() - make_interval(days => :days, mins => 2),
                    now() - make_interval(days => :days, mins => 1), 'done', 0, 0, :news, :missed
                from route where code = 'harbour' returning id""")
                .param("origin", origin)
                .param("days", days)
                .param("news", news)
                .param("missed", missed)
                .query(Long.class)
                .single();
    }

    private static boolean isThere(long run) {
        return world.jdbc()
                .sql("select exists (select 1 from run where id = :id)")
                .param("id", run)
                .query(Boolean.class)
                .single();
    }

    private static JsonNode newest() {
        return ferro.get("/api/runs?route=yard").json().get("runs").get(0);
    }

    private static JsonNode awaitNewest(String state) {
        return Await.value("a run is " + state, () -> {
            JsonNode run = newest();
            return run != null && run.get("state").asString().equals(state) ? run : null;
        });
    }

    private static Map<String, Object> plan(int everyMinutes, int version) {
        return Map.of(
                "route",
                "yard",
                "firstAt",
                "2026-01-05T08:00:00",
                "everyMinutes",
                everyMinutes,
                "days",
                EVERY_DAY,
                "expectedVersion",
                version);
    }

    private static JsonNode schedule() {
        return ferro.get("/api/runs/schedule?route=yard").json();
    }

    private static Instant nextAt() {
        return Instant.parse(schedule().get("nextAt").asString());
    }

    @Test
    void aRunByHandIsKeptWithTheRecordsBehindEachFigure() {
        ferro.post("/api/pull?route=yard", Map.of());
        Yard yard = new Yard(ferro);
        JsonNode ready = yard.documents("Ready").stream()
                .filter(row -> row.get("kind").asString().equals("invoice"))
                .findFirst()
                .orElseThrow();
        yard.awaitFinished(yard.send(List.of(ready.get("id").asLong())));
        String there =
                yard.document(ready.get("number").asString()).get("ledgerRef").asString();
        JsonNode document = world.standIns().inkwell("/documents/" + there);
        world.standIns().editOnInkwell(there, document.get("due").asString(), "777.77");
        ferro.post("/api/pull?route=yard", Map.of());
        JsonNode run = newest();
        assertThat(run.get("origin").asString()).isEqualTo("hand");
        assertThat(run.get("state").asString()).isEqualTo("done");
        assertThat(run.get("sentence").asString()).contains("1 edit on Inkwell");
        JsonNode detail =
                ferro.get("/api/runs/" + run.get("id") + "?route=yard").json();
        assertThat(detail.get("figures").valueStream().map(RunsTest::figure))
                .containsExactly("CHANGED_ON_LEDGER invoice 1, before 0");
        JsonNode records = ferro.get(
                        "/api/runs/" + run.get("id") + "/records?route=yard&what=CHANGED_ON_LEDGER&kind=invoice")
                .json();
        assertThat(records.valueStream().map(each -> each.get("number").asString()))
                .containsExactly(ready.get("number").asString());
        ferro.post("/api/pull?route=yard", Map.of());
        JsonNode after =
                ferro.get("/api/runs/" + newest().get("id") + "?route=yard").json();
        assertThat(after.get("figures").valueStream().map(RunsTest::figure))
                .as("what the run before had and this one does not")
                .containsExactly("CHANGED_ON_LEDGER invoice 0, before 1");
        assertThat(after.get("before").asLong()).isEqualTo(run.get("id").asLong());
        assertThat(ferro.get("/api/runs/999999?route=yard").status()).isEqualTo(404);

        ferro.post("/api/pull?route=yard", Map.of());
        assertThat(ids("ALL").getFirst()).as("nothing came of the last").isNotIn(ids("NEWS"));
        assertThat(ids("NEWS")).contains(run.get("id").asLong());
        assertThat(ids("BY_HAND")).containsAll(ids("NEWS"));
        assertThat(ids("FAILED")).doesNotContain(run.get("id").asLong());
        assertThat(ids("BY_SCHEDULE")).doesNotContain(run.get("id").asLong());
        assertThat(ferro.get("/api/runs?route=yard&only=OTHERS").status()).isEqualTo(400);

        ferro.post("/api/pull?route=yard&carried=PAYMENTS", Map.of());
        assertThat(newest().get("carried").asString()).isEqualTo("PAYMENTS");
        assertThat(ferro.get("/api/runs/" + newest().get("id") + "?route=yard")
                        .json()
                        .has("before"))
                .as("there was none of payments alone before")
                .isFalse();
    }

    private static List<Long> ids(String only) {
        return ferro.get("/api/runs?route=yard&only=" + only)
                .json()
                .get("runs")
                .valueStream()
                .map(each -> each.get("id").asLong())
                .toList();
    }

    private static String figure(JsonNode each) {
        return "%s %s %d, before %d"
                .formatted(
                        each.get("what").asString(),
                        each.get("kind").asString(),
                        each.get("count").asInt(),
                        each.get("before").asInt());
    }

    @Test
    void aRunThatFailsSaysWhy() {
        ferro.post("/api/pull?route=yard", Map.of());
        world.standIns().fault("hullwork", "UNAVAILABLE", 0);
        assertThat(ferro.post("/api/pull?route=yard", Map.of()).status()).isEqualTo(502);
        JsonNode run = newest();
        assertThat(run.get("state").asString()).isEqualTo("failed");
        assertThat(run.get("problem").get("code").asString()).isEqualTo("unreachable");
        ferro.post("/api/pull?route=yard", Map.of());
        JsonNode failed = ferro.get("/api/resolve?route=yard").json().get("failedRuns");
        assertThat(failed.get("count").asInt()).isEqualTo(2);
        assertThat(failed.get("since").asString())
                .isEqualTo(run.get("startedAt").asString());
        assertThat(failed.get("sentence").asString()).startsWith("Hullwork did not answer");
        assertThat(runFailed()).isTrue();
        world.standIns().fault("hullwork", "NONE", 0);
        ferro.post("/api/pull?route=yard", Map.of());
        assertThat(ferro.get("/api/resolve?route=yard").json().has("failedRuns"))
                .isFalse();
        assertThat(runFailed()).isFalse();
    }

    private static boolean runFailed() {
        return ferro.get("/api/road?route=yard").json().get("runFailed").asBoolean();
    }

    @Test
    void whatIsDueRunsOnceAndWhatWasMissedIsCounted() {
        assertThat(ferro.put("/api/runs/schedule", plan(30, 0)).status()).isEqualTo(200);
        Instant next = nextAt();
        assertThat(next).isAfter(Instant.now()).isBefore(Instant.now().plus(Duration.ofMinutes(31)));
        assertThat(schedule().get("following")).hasSize(3);
        try (World.Beside other = world.beside()) {
            Await.until(
                    "the other server answers",
                    () -> other.api("ferro").get("/api/session").status() == 200);
            long before = newest() == null ? 0 : newest().get("id").asLong();
            world.jdbc()
                    .sql(
                            "update run_schedule set planned_at = planned_at - interval '2 hours', next_at = now() - interval '1 second'")
                    .update();
            JsonNode run = awaitNewest("done");
            Await.until(
                    "it is by the clock",
                    () -> newest().get("origin").asString().equals("schedule"));
            run = awaitNewest("done");
            assertThat(run.get("who").asString()).isEqualTo("the schedule");
            assertThat(run.get("missed").asInt())
                    .as("three of the last two hours")
                    .isEqualTo(3);
            assertThat(nextAt()).as("as planned").isEqualTo(next);
            assertThat(world.jdbc()
                            .sql("select count(*) from run where id > :before")
                            .param("before", before)
                            .query(Integer.class)
                            .single())
                    .as("two servers, one run")
                    .isOne();
        }
    }

    @Test
    void aRunIsPostponedToALaterMoment() {
        ferro.put("/api/runs/schedule", plan(60, 0));
        Instant next = nextAt();
        Instant later = next.plus(Duration.ofMinutes(20));
        Map<String, Object> postponed = Map.of("route", "yard", "seen", next, "until", later);
        assertThat(ferro.post("/api/runs/schedule/postponement", postponed).status())
                .isEqualTo(200);
        assertThat(nextAt()).isEqualTo(later);
        assertThat(schedule().get("postponed").asBoolean()).isTrue();
        assertThat(Instant.parse(schedule().get("following").get(0).asString()))
                .as("those after it as planned")
                .isEqualTo(next.plus(Duration.ofHours(1)));
        assertThat(ferro.post("/api/runs/schedule/postponement", postponed).status())
                .as("it is another one by now")
                .isEqualTo(409);
        assertThat(ferro.post("/api/runs/schedule/postponement", Map.of("route", "yard", "seen", later, "until", later))
                        .status())
                .isEqualTo(422);
        assertThat(ferro.put("/api/runs/schedule", plan(60, 1)).status())
                .as("postponing is a change that somebody else may not have seen")
                .isEqualTo(409);
        assertThat(ferro.delete("/api/runs/schedule?route=yard").status()).isEqualTo(200);
        assertThat(schedule().has("nextAt")).isFalse();
        assertThat(ferro.delete("/api/runs/schedule?route=yard").status()).isEqualTo(404);
    }

    @Test
    void quietHoursOfEitherSideAreWaitedFor() {
        ferro.put("/api/runs/schedule", plan(60, 0));
        LocalDateTime next = LocalDateTime.ofInstant(
                nextAt(), ZoneId.of(schedule().get("zone").asString()));
        Map<String, Object> quiet = new HashMap<>(Map.of(
                "route",
                "yard",
                "ledger",
                true,
                "days",
                EVERY_DAY,
                "from",
                next.toLocalTime().minusMinutes(5),
                "until",
                next.toLocalTime().plusMinutes(25)));
        JsonNode with = ferro.post("/api/runs/quiet-hours", quiet).json();
        Instant planned = nextAt();
        assertThat(LocalDateTime.ofInstant(planned, ZoneId.of(with.get("zone").asString())))
                .isEqualTo(next.plusMinutes(25));
        assertThat(with.get("postponed").asBoolean()).isTrue();
        quiet.put("ledger", false);
        quiet.put("from", next.toLocalTime().plusMinutes(20));
        quiet.put("until", next.toLocalTime().plusMinutes(40));
        ferro.post("/api/runs/quiet-hours", quiet);
        assertThat(nextAt()).isEqualTo(planned.plus(Duration.ofMinutes(15)));
        schedule()
                .get("quiet")
                .forEach(each -> ferro.delete("/api/runs/quiet-hours/" + each.get("id") + "?route=yard"));
        assertThat(nextAt()).isEqualTo(planned.minus(Duration.ofMinutes(25)));
        assertThat(ferro.delete("/api/runs/quiet-hours/1?route=yard").status()).isEqualTo(404);
    }

    /// Whatever time it is, it is in them.
    private static void addQuietHours(int fromMinutes, int untilMinutes) {
        LocalTime now = LocalTime.now(ZoneId.of(schedule().get("zone").asString()));
        assertThat(ferro.post(
                                "/api/runs/quiet-hours",
                                Map.of(
                                        "route",
                                        "yard",
                                        "ledger",
                                        true,
                                        "days",
                                        EVERY_DAY,
                                        "from",
                                        now.plusMinutes(fromMinutes),
                                        "until",
                                        now.plusMinutes(untilMinutes)))
                        .status())
                .isEqualTo(201);
    }

    @Test
    void whatWasMissedIsNotCaughtUpInQuietHours() {
        ferro.put("/api/runs/schedule", plan(60, 0));
        addQuietHours(-10, 10);
        long before = newest() == null ? 0 : newest().get("id").asLong();
        world.jdbc()
                .sql(
                        "update run_schedule set planned_at = now() - interval '1 hour', next_at = now() - interval '1 hour'")
                .update();
        assertThat(world.bean(Schedules.class).due())
                .as("it waits for their end")
                .isEmpty();
        assertThat(nextAt()).isAfter(Instant.now().plus(Duration.ofMinutes(8)));
        schedule()
                .get("quiet")
                .forEach(each -> ferro.delete("/api/runs/quiet-hours/" + each.get("id") + "?route=yard"));
        Await.until(
                "it is caught up once they are over",
                () -> newest() != null && newest().get("id").asLong() > before);
    }

    @Test
    void whatIsPostponedIntoQuietHoursWaitsForTheirEndAndStaysPostponed() {
        ferro.put("/api/runs/schedule", plan(60, 0));
        Instant next = nextAt();
        Instant until = Instant.now().plus(Duration.ofMinutes(90)).truncatedTo(ChronoUnit.SECONDS);
        ferro.post("/api/runs/schedule/postponement", Map.of("route", "yard", "seen", next, "until", until));
        addQuietHours(80, 120);
        Instant end = nextAt();
        assertThat(Duration.between(until, end)).isBetween(Duration.ofMinutes(28), Duration.ofMinutes(31));
        schedule()
                .get("quiet")
                .forEach(each -> ferro.delete("/api/runs/quiet-hours/" + each.get("id") + "?route=yard"));
        assertThat(nextAt()).as("as somebody said").isEqualTo(until);
    }

    @Test
    void whatNeverRunsIsNoSchedule() {
        Map<String, Object> never = new HashMap<>(plan(7 * 24 * 60, 0));
        DayOfWeek first = LocalDateTime.parse("2026-01-05T08:00:00").getDayOfWeek();
        never.put("days", List.of(first.plus(1)));
        assertThat(ferro.put("/api/runs/schedule", never).json().get("code").asString())
                .isEqualTo("never-runs");
        never.put("days", List.of());
        assertThat(ferro.put("/api/runs/schedule", never).status()).isEqualTo(400);
    }

    @ParameterizedTest(name = "every {0} minutes: {1}")
    @CsvSource({"4, 400", "5, 200", "40320, 200", "40321, 400"})
    void anIntervalIsWithinItsBounds(int minutes, int status) {
        assertThat(ferro.put("/api/runs/schedule", plan(minutes, 0)).status()).isEqualTo(status);
    }

    @Test
    void aRunWhoseServerHasEndedIsGoneOnWith() {
        long dead = world.jdbc().sql("""
                        insert into run (route_id, origin, who, started_at, trail_from)
                        select id, 'hand', 'M. Ferro', now() - interval '1 minute', (select max(id) from trail)
                        from route where code = 'yard' returning id""").query(Long.class).single();
        JsonNode run = Await.value("it is done", () -> {
            JsonNode now = ferro.get("/api/runs/" + dead + "?route=yard").json().get("run");
            return now.get("state").asString().equals("done") ? now : null;
        });
        assertThat(run.get("resumed").asInt()).isOne();
        assertThat(run.get("sentence").asString()).isNotEmpty();
    }
}
