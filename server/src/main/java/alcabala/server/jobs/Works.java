package alcabala.server.jobs;

import alcabala.server.platform.Conventions;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Problem;
import alcabala.server.platform.Problems;
import alcabala.server.platform.Telling;
import alcabala.server.platform.UntilKept;
import alcabala.server.platform.Writing;
import io.micrometer.core.instrument.MeterRegistry;
import jakarta.annotation.PreDestroy;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/// Does what waits for outside systems apart from the request that asked for it: a row says how far it is, on
/// whichever server one asks, and survives a reload. The same work asked for twice at a time is done once. What a
/// server was doing when it ended is said to be cut off; nothing of such work is lost by that, since each can be
/// asked for again.
@Component
public class Works {
    private static final Logger LOG = LoggerFactory.getLogger(Works.class);
    private static final Duration STALE = Duration.ofSeconds(30);
    private static final long SOON_MILLIS = 250;
    private static final long SIGN_OF_LIFE_MILLIS = 5_000;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final MeterRegistry meters;
    private final TransactionTemplate apart;
    private final Telling telling;
    private final Clock clock;
    private final Set<Long> here = ConcurrentHashMap.newKeySet();
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();

    /// What is done behind requests.
    public enum Kind {
        PULL(false),
        APPROVAL(false),
        READINESS(false),
        COUNTS(false),
        NUMBERS(false),
        COMPILING(false),
        SUPPOSING(false),
        REWRITING(false),
        CUT_OVER(false),
        MATCHING(false),
        ANSWERING(false),
        LINKING(false),
        TEST(true),
        CONSENT(true),
        CONNECTION(true);

        private final boolean isPrivate;

        Kind(boolean isPrivate) {
            this.isPrivate = isPrivate;
        }

        /// Whether only administrators see it.
        boolean isPrivate() {
            return isPrivate;
        }
    }

    /// What is to be done.
    public interface Task<T> {
        T run(Progress progress);
    }

    /// What is going on.
    ///
    /// @param subject what it is about, such as a route
    /// @param done how much of it is done; 0 of 0 when that is not known
    record Running(long id, Kind kind, String subject, String who, int done, int of) {}

    /// Says how far work has come.
    public interface Progress {
        void at(int done, int of);
    }

    Works(
            JdbcClient jdbc,
            JsonMapper json,
            MeterRegistry meters,
            PlatformTransactionManager transactions,
            Telling telling,
            Clock clock) {
        this.telling = telling;
        apart = new TransactionTemplate(transactions);
        apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.jdbc = jdbc;
        this.json = json;
        this.meters = meters;
        this.clock = clock;
    }

    /// Begins it, or joins the same that is under way.
    ///
    /// @param subject what it is about, such as a route; the same kind and subject is not done twice at a time
    public <T> Work<T> start(Kind kind, String subject, String who, Class<T> type, Task<T> task) {
        return begin(kind, subject, who, type, task)
                .orElseGet(() -> get(running(kind, subject), kind.isPrivate(), "", type));
    }

    /// Begins it, unless the same is under way.
    ///
    /// @return empty when it is
    public <T> Optional<Work<T>> begin(Kind kind, String subject, String who, Class<T> type, Task<T> task) {
        giveUpStale();
        Optional<Long> begun = jdbc.sql("""
                insert into work (kind, subject, who, state, started_at, seen_at) values (:kind, :subject, :who, 'running', :now, :now)
                on conflict do nothing returning id""")
                .param("kind", kind.name())
                .param("subject", subject)
                .param("who", who)
                .param("now", now())
                .query(Long.class)
                .optional();
        begun.ifPresent(id -> {
            here.add(id);
            telling.tell(Topic.WORK, null, null, id);
            // What it does stands on the trail under whoever asked for it.
            CountDownLatch soon = new CountDownLatch(1);
            Conventions hers = Writing.now();
            threads.execute(new DelegatingSecurityContextRunnable(() -> {
                try (Writing.Scope _ = Writing.as(hers)) {
                    run(id, kind, task);
                }
                soon.countDown();
            }));
            await(soon);
        });
        return begun.map(id -> get(id, kind.isPrivate(), "", type));
    }

    /// What takes no time is answered at once, and need not be asked for again.
    private static void await(CountDownLatch soon) {
        try {
            soon.await(SOON_MILLIS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /// Also what ended while the database could not be told.
    private void giveUpStale() {
        jdbc.sql("""
                update work set state = 'failed', finished_at = :now, problem = cast(:problem as jsonb)
                where state = 'running' and seen_at < :stale""")
                .param("now", now())
                .param("problem", json.writeValueAsString(cutOff()))
                .param("stale", Timestamp.from(clock.instant().minus(STALE)))
                .update();
    }

    private long running(Kind kind, String subject) {
        return jdbc.sql("select max(id) from work where kind = :kind and subject = :subject")
                .param("kind", kind.name())
                .param("subject", subject)
                .query(Long.class)
                .single();
    }

    List<Running> running(boolean administrator, String onlyOf) {
        return jdbc.sql("select id, kind, subject, who, done, of from work where state = 'running' and" + SEEN
                        + " order by id")
                .params(seenBy(administrator, onlyOf))
                .query(Running.class)
                .list();
    }

    private static final String SEEN = " (:administrator or kind <> all(:private)) and (:onlyOf = '' or who = :onlyOf)";

    private static Map<String, Object> seenBy(boolean administrator, String onlyOf) {
        String[] hidden =
                Stream.of(Kind.values()).filter(Kind::isPrivate).map(Kind::name).toArray(String[]::new);
        return Map.of("administrator", administrator, "private", hidden, "onlyOf", onlyOf);
    }

    /// @param administrator whether whoever asks may see what administrators do
    /// @param onlyOf whose work is looked at; empty for everybody's
    Work<Object> get(long id, boolean administrator, String onlyOf) {
        return get(id, administrator, onlyOf, Object.class);
    }

    private <T> Work<T> get(long id, boolean administrator, String onlyOf, Class<T> type) {
        return jdbc.sql("select id, state, who, started_at, done, of, result, problem from work where id = :id and"
                        + SEEN)
                .param("id", id)
                .params(seenBy(administrator, onlyOf))
                .query((row, n) -> work(row, type))
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("work " + id));
    }

    /// What work came to that has ended well.
    public <T> T result(long id, Kind kind, String subject, Class<T> type) {
        return jdbc.sql("""
                select result from work where id = :id and kind = :kind and subject = :subject and state = 'done'""")
                .param("id", id)
                .param("kind", kind.name())
                .param("subject", subject)
                .query(String.class)
                .optional()
                .map(result -> json.readValue(result, type))
                .orElseThrow(() -> NotPossibleException.missing("work " + id));
    }

    private <T> Work<T> work(ResultSet row, Class<T> type) throws SQLException {
        String result = row.getString("result");
        String problem = row.getString("problem");
        return new Work<>(
                row.getLong("id"),
                row.getString("state"),
                row.getString("who"),
                row.getTimestamp("started_at").toInstant(),
                row.getInt("done"),
                row.getInt("of"),
                result == null ? null : json.readValue(result, type),
                problem == null ? null : json.readValue(problem, Problem.class));
    }

    private void run(long id, Kind kind, Task<?> task) {
        try {
            Object result = task.run((done, of) -> progress(id, done, of));
            count(kind, "done");
            finish(id, "done", json.writeValueAsString(result), null);
        } catch (RuntimeException e) {
            count(kind, "failed");
            finish(id, "failed", null, json.writeValueAsString(Problems.of(e)));
        } finally {
            here.remove(id);
        }
    }

    private void count(Kind kind, String result) {
        meters.counter("alcabala.work", "kind", kind.name().toLowerCase(Locale.ROOT), "result", result)
                .increment();
    }

    /// Seen at once, whatever transaction the work itself is in.
    private void progress(long id, int done, int of) {
        apart.executeWithoutResult(status -> progressNow(id, done, of));
    }

    private void progressNow(long id, int done, int of) {
        jdbc.sql("update work set done = :done, of = :of, seen_at = :now where id = :id")
                .param("done", done)
                .param("of", of)
                .param("now", now())
                .param("id", id)
                .update();
        telling.tell(Topic.WORK, null, null, id);
    }

    private void finish(long id, String state, String result, String problem) {
        UntilKept.keep("how work " + id + " ended", () -> keepEnd(id, state, result, problem));
    }

    private void keepEnd(long id, String state, String result, String problem) {
        jdbc.sql("""
                update work set state = :state, result = cast(:result as jsonb), problem = cast(:problem as jsonb),
                    finished_at = :now where id = :id""")
                .param("state", state)
                .param("result", result)
                .param("problem", problem)
                .param("now", now())
                .param("id", id)
                .update();
        telling.tell(Topic.WORK, null, null, id);
    }

    @Scheduled(fixedRate = SIGN_OF_LIFE_MILLIS)
    void signOfLife() {
        if (!here.isEmpty()) {
            jdbc.sql("update work set seen_at = :now where id = any(:ids)")
                    .param("now", now())
                    .param("ids", here.toArray(Long[]::new))
                    .update();
        }
        giveUpStale();
    }

    /// What ended long ago is of no interest to anybody.
    @Scheduled(fixedRate = 3_600_000)
    void forget() {
        jdbc.sql("delete from work where finished_at < :then")
                .param("then", Timestamp.from(clock.instant().minus(Duration.ofDays(7))))
                .update();
    }

    private static Problem cutOff() {
        return Problem.of(
                HttpStatus.SERVICE_UNAVAILABLE, "cut-off", "It was cut off, as when a server ends. Ask for it again.");
    }

    @PreDestroy
    void end() {
        threads.shutdownNow();
    }

    private Timestamp now() {
        return Timestamp.from(clock.instant());
    }
}
