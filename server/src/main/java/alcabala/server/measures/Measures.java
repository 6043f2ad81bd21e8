package alcabala.server.measures;

import alcabala.server.database.DatabaseWatch;
import io.micrometer.core.instrument.Gauge;
import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.binder.MeterBinder;
import java.time.Duration;
import java.time.Instant;
import java.util.function.ToDoubleFunction;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/// How the work stands, for whoever watches over it. Asked of the database when somebody looks, once for all of them.
@Component
class Measures implements MeterBinder {
    private static final Duration FRESH = Duration.ofSeconds(2);
    private final JdbcClient jdbc;
    private final DatabaseWatch watch;
    private Standing standing;
    private Instant takenAt = Instant.MIN;

    /// Ages in seconds.
    record Standing(
            double queuedAge,
            double unconfirmedAge,
            long queued,
            long unconfirmed,
            long resting,
            long setAside,
            long beyond,
            long jobsRunning,
            double jobsLate,
            boolean trailWhole) {}

    Measures(JdbcClient jdbc, DatabaseWatch watch) {
        this.jdbc = jdbc;
        this.watch = watch;
    }

    @Override
    public void bindTo(MeterRegistry registry) {
        gauge(
                registry,
                "alcabala.queued.oldest.age",
                "seconds",
                "Since the oldest queued document was queued",
                Standing::queuedAge);
        gauge(
                registry,
                "alcabala.unconfirmed.oldest.age",
                "seconds",
                "Since the oldest document was sent of which no answer came",
                Standing::unconfirmedAge);
        gauge(registry, "alcabala.queued.documents", null, "Documents waiting to be sent", Standing::queued);
        gauge(
                registry,
                "alcabala.unconfirmed.documents",
                null,
                "Documents sent without an answer",
                Standing::unconfirmed);
        gauge(
                registry,
                "alcabala.resting.documents",
                null,
                "Unconfirmed documents that wait for a person",
                Standing::resting);
        gauge(registry, "alcabala.set.aside.records", null, "Records that could not be understood", Standing::setAside);
        gauge(registry, "alcabala.beyond.documents", null, "Documents that ledgers have beyond us", Standing::beyond);
        gauge(registry, "alcabala.jobs.running", null, "Jobs being done", Standing::jobsRunning);
        gauge(registry, "alcabala.jobs.late", "seconds", "How late the longest waiting job is", Standing::jobsLate);
        gauge(
                registry,
                "alcabala.trail.whole",
                null,
                "1 when the trail held at its last check",
                now -> now.trailWhole() ? 1 : 0);
        Gauge.builder("alcabala.database.answers", watch, each -> each.answers() ? 1 : 0)
                .description("1 when the database answers")
                .register(registry);
    }

    private void gauge(
            MeterRegistry registry, String name, String unit, String description, ToDoubleFunction<Standing> value) {
        Gauge.builder(name, this, each -> each.value(value))
                .baseUnit(unit)
                .description(description)
                .register(registry);
    }

    /// Not a number while the database does not answer.
    private double value(ToDoubleFunction<Standing> of) {
        Standing now = now();
        return now == null ? Double.NaN : of.applyAsDouble(now);
    }

    private synchronized Standing now() {
        Instant now = Instant.now();
        if (takenAt.plus(FRESH).isBefore(now)) {
            standing = watch.answers() ? read() : null;
            takenAt = now;
        }
        return standing;
    }

    private Standing read() {
        try {
            return jdbc.sql("""
                    select
                        coalesce((select extract(epoch from now() - min(b.created_at)) from dispatch p join batch b on b.id = p.batch_id
                            where p.outcome = 'queued'), 0) as queued_age,
                        coalesce((select extract(epoch from now() - min(sent_at)) from dispatch
                            where outcome in ('sending', 'unconfirmed') and not exists (
                                select 1 from batch_file f where f.batch_id = dispatch.batch_id)), 0) as unconfirmed_age,
                        (select count(*) from dispatch where outcome = 'queued') as queued,
                        (select count(*) from dispatch where outcome in ('sending', 'unconfirmed')) as unconfirmed,
                        (select count(*) from dispatch where outcome = 'unconfirmed' and rests) as resting,
                        (select count(*) from set_aside where settled_at is null) as set_aside,
                        (select count(*) from beyond) as beyond,
                        (select count(*) from scheduled_tasks where picked) as jobs_running,
                        coalesce((select extract(epoch from now() - min(execution_time)) from scheduled_tasks
                            where not picked and execution_time < now()), 0) as jobs_late,
                        coalesce((select ok from trail_checked order by at desc limit 1), true) as trail_whole""").query(Standing.class).single();
        } catch (DataAccessException | TransactionException e) {
            return null;
        }
    }
}
