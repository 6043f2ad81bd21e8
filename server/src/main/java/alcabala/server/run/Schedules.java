package alcabala.server.run;

import alcabala.accounting.schedule.QuietWindow;
import alcabala.accounting.schedule.RunSchedule;
import alcabala.server.platform.BusinessZone;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// When routes run by themselves, and when their systems want to be left alone.
@Component
class Schedules {
    static final String WHO = "the schedule";
    private static final int MOST_MISSED = 999;
    private static final int MOST_WINDOWS = 20;
    private final JdbcClient jdbc;
    private final Routes routes;
    private final RunStore runs;
    private final Trail trail;
    private final BusinessZone zone;
    private final Clock clock;

    /// @param plannedAt the next planned run; null where there is none any more
    /// @param nextAt when it takes place, which may be later: where it was postponed, or quiet hours hold it;
    /// null also where these leave no time
    record Scheduled(
            RunSchedule schedule, Instant plannedAt, Instant nextAt, int version, String setBy, Instant setAt) {
        boolean isDue(Instant now) {
            return nextAt != null && !nextAt.isAfter(now);
        }
    }

    /// @param side `SOURCE` or `LEDGER`
    record Window(long id, String side, Set<DayOfWeek> days, LocalTime from, LocalTime until) {
        QuietWindow quiet() {
            return new QuietWindow(days, from, until);
        }
    }

    Schedules(JdbcClient jdbc, Routes routes, RunStore runs, Trail trail, BusinessZone zone, Clock clock) {
        this.zone = zone;
        this.jdbc = jdbc;
        this.routes = routes;
        this.runs = runs;
        this.trail = trail;
        this.clock = clock;
    }

    /// Where the business is.
    ZoneId zone() {
        return zone.get();
    }

    /// Quiet hours are looked at whenever somebody asks, and so hold for whatever was planned, postponed or missed
    /// before.
    Optional<Scheduled> find(RouteRow route) {
        ZoneId zone = zone();
        Instant now = clock.instant();
        List<QuietWindow> quiet = quiet(route);
        return jdbc.sql("""
                select first_at, every_minutes, days, planned_at, next_at, version, set_by, set_at
                from run_schedule where route_id = :route""")
                .param("route", route.id())
                .query((row, n) -> scheduled(row, zone, quiet, now))
                .optional();
    }

    private static Scheduled scheduled(ResultSet row, ZoneId zone, List<QuietWindow> quiet, Instant now)
            throws SQLException {
        RunSchedule schedule = new RunSchedule(
                row.getObject("first_at", LocalDateTime.class),
                Duration.ofMinutes(row.getInt("every_minutes")),
                days(row),
                zone);
        Timestamp planned = row.getTimestamp("planned_at");
        Timestamp next = row.getTimestamp("next_at");
        return new Scheduled(
                schedule,
                planned == null ? null : planned.toInstant(),
                next == null ? null : held(schedule, next.toInstant(), quiet, now),
                row.getInt("version"),
                row.getString("set_by"),
                row.getTimestamp("set_at").toInstant());
    }

    /// What is overdue would take place now.
    private static Instant held(RunSchedule schedule, Instant next, List<QuietWindow> quiet, Instant now) {
        Instant at = next.isBefore(now)
                        && schedule.held(now, quiet).filter(now::equals).isEmpty()
                ? now
                : next;
        return schedule.held(at, quiet).orElse(null);
    }

    private static Set<DayOfWeek> days(ResultSet row) throws SQLException {
        return Arrays.stream((String[]) row.getArray("days").getArray())
                .map(DayOfWeek::valueOf)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /// @param expected the version that was seen, 0 for none
    @Transactional
    public void set(RouteRow route, RunSchedule schedule, int expected, String who) {
        routes.lock(route.id());
        if (find(route).map(Scheduled::version).orElse(0) != expected) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "Somebody else changed when this route runs; look at it again.");
        }
        Instant now = clock.instant();
        Optional<Instant> planned = schedule.planned(now);
        if (schedule.next(now, quiet(route)).isEmpty()) {
            throw NotPossibleException.invalid(
                    "never-runs",
                    "It would never run: its days and its interval never meet, or quiet hours leave no time.");
        }
        jdbc.sql("""
                insert into run_schedule (route_id, first_at, every_minutes, days, planned_at, next_at, version, set_by, set_at)
                values (:route, :first, :every, :days, :planned, :planned, 1, :who, :now)
                on conflict (route_id) do update set first_at = excluded.first_at, every_minutes = excluded.every_minutes,
                    days = excluded.days, planned_at = excluded.planned_at, next_at = excluded.next_at,
                    version = run_schedule.version + 1, set_by = excluded.set_by, set_at = excluded.set_at""")
                .param("route", route.id())
                .param("first", schedule.first())
                .param("every", schedule.every().toMinutes())
                .param("days", names(schedule.days()))
                .param("planned", Timestamp.from(planned.orElseThrow()))
                .param("who", who)
                .param("now", Timestamp.from(now))
                .update();
        trail.write(
                route.id(),
                null,
                who,
                "schedule-set",
                Map.of(
                        "route", route.code(),
                        "first", schedule.first().toString(),
                        "minutes", schedule.every().toMinutes(),
                        "days", String.join(" ", names(schedule.days()))));
    }

    private static String[] names(Set<DayOfWeek> days) {
        return new TreeSet<>(days).stream().map(DayOfWeek::name).toArray(String[]::new);
    }

    @Transactional
    public void remove(RouteRow route, String who) {
        int rows = jdbc.sql("delete from run_schedule where route_id = :route")
                .param("route", route.id())
                .update();
        if (rows == 0) {
            throw NotPossibleException.missing("schedule of route " + route.code());
        }
        trail.write(route.id(), null, who, "schedule-removed", Map.of("route", route.code()));
    }

    /// The next run takes place then, and those after it as planned.
    ///
    /// @param seen when it was to take place, as it was seen
    @Transactional
    public void postpone(RouteRow route, Instant seen, Instant until, String who) {
        if (!until.isAfter(seen) || until.isAfter(clock.instant().plus(RunSchedule.LONGEST))) {
            throw NotPossibleException.invalid(
                    "moment-unfit", "A run is postponed to a later moment, within four weeks.");
        }
        routes.lock(route.id());
        if (find(route).filter(each -> seen.equals(each.nextAt())).isEmpty()) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "That run took place meanwhile, or was changed; look at it again.");
        }
        jdbc.sql("update run_schedule set next_at = :until, version = version + 1 where route_id = :route")
                .param("route", route.id())
                .param("until", Timestamp.from(until))
                .update();
        trail.write(
                route.id(),
                null,
                who,
                "run-postponed",
                Map.of("route", route.code(), "from", seen.toString(), "until", until.toString()));
    }

    List<Window> windows(RouteRow route) {
        return jdbc.sql("""
                select id, case when ledger_id is null then 'SOURCE' else 'LEDGER' end as side, days, from_time, until
                from quiet_window where ledger_id = :ledger or source_id = :source order by id""")
                .param("ledger", route.ledgerId())
                .param("source", route.sourceId())
                .query((row, n) -> new Window(
                        row.getLong("id"),
                        row.getString("side"),
                        days(row),
                        row.getObject("from_time", LocalTime.class),
                        row.getObject("until", LocalTime.class)))
                .list();
    }

    List<QuietWindow> quiet(RouteRow route) {
        return windows(route).stream().map(Window::quiet).toList();
    }

    /// Hours of a system hold for all its routes.
    @Transactional
    public void add(RouteRow route, boolean ledger, QuietWindow window, String who) {
        routes.lock(route.id());
        if (windows(route).size() >= MOST_WINDOWS) {
            throw NotPossibleException.invalid("too-many", "More than " + MOST_WINDOWS + " quiet hours are not kept.");
        }
        jdbc.sql("""
                insert into quiet_window (ledger_id, source_id, days, from_time, until)
                values (:ledger, :source, :days, :from, :until)""")
                .param("ledger", ledger ? route.ledgerId() : null, Types.BIGINT)
                .param("source", ledger ? null : route.sourceId(), Types.BIGINT)
                .param("days", names(window.days()))
                .param("from", window.from())
                .param("until", window.until())
                .update();
        trail.write(
                route.id(),
                null,
                who,
                "quiet-hours-added",
                Map.of(
                        "system", ledger ? route.ledger() : route.source(),
                        "days", String.join(" ", names(window.days())),
                        "from", window.from().toString(),
                        "until", window.until().toString()));
    }

    @Transactional
    public void removeWindow(RouteRow route, long window, String who) {
        int rows = jdbc.sql("delete from quiet_window where id = :id and (ledger_id = :ledger or source_id = :source)")
                .param("id", window)
                .param("ledger", route.ledgerId())
                .param("source", route.sourceId())
                .update();
        if (rows == 0) {
            throw NotPossibleException.missing("quiet hours " + window);
        }
        trail.write(route.id(), null, who, "quiet-hours-removed", Map.of("route", route.code()));
    }

    private void plan(RouteRow route, RunSchedule schedule, Instant after) {
        jdbc.sql("update run_schedule set planned_at = :planned, next_at = :planned where route_id = :route")
                .param("planned", stamp(schedule.planned(after)), Types.TIMESTAMP)
                .param("route", route.id())
                .update();
    }

    private static Timestamp stamp(Optional<Instant> moment) {
        return moment.map(Timestamp::from).orElse(null);
    }

    /// Routes whose next run is due.
    List<RouteRow> due() {
        Instant now = clock.instant();
        return jdbc.sql("""
                select s.route_id from run_schedule s join route r on r.id = s.route_id
                where s.next_at <= :now and r.ended_at is null order by s.next_at""").param("now", Timestamp.from(now)).query(Long.class).list().stream()
                .map(routes::get)
                .filter(route -> find(route).filter(each -> each.isDue(now)).isPresent())
                .toList();
    }

    /// Begins the run that is due, and plans the next one; what was planned meanwhile and did not take place is
    /// counted.
    /// Empty when somebody else has begun it.
    @Transactional
    public OptionalLong begin(RouteRow route) {
        routes.lock(route.id());
        Instant now = clock.instant();
        Optional<Scheduled> found = find(route).filter(each -> each.isDue(now));
        if (found.isEmpty()) {
            return OptionalLong.empty();
        }
        Scheduled due = found.get();
        int missed = due.schedule().plannedBetween(due.plannedAt(), now, MOST_MISSED);
        plan(route, due.schedule(), now);
        return OptionalLong.of(runs.planned(route.id(), WHO, due.plannedAt(), missed));
    }
}
