package alcabala.server.alerts;

import alcabala.accounting.alert.AlertRule;
import alcabala.server.platform.BusinessZone;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Of what each route tells whom, and which letters went.
@Component
class AlertRules {
    private static final TypeReference<List<Recipient>> RECIPIENTS = new TypeReference<>() {};
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Trail trail;
    private final BusinessZone zone;
    private final Clock clock;

    /// @param version 0 until somebody has said anything
    record Said(AlertRule rule, List<Recipient> recipients, int version, String setBy) {}

    AlertRules(JdbcClient jdbc, JsonMapper json, Trail trail, BusinessZone zone, Clock clock) {
        this.zone = zone;
        this.jdbc = jdbc;
        this.json = json;
        this.trail = trail;
        this.clock = clock;
    }

    Said of(RouteRow route) {
        return jdbc.sql("""
                select recipients, failed_runs, waiting_days, consent_days, digest_at, version, set_by from alert_rule
                where route_id = :route""")
                .param("route", route.id())
                .query(this::said)
                .optional()
                .orElseGet(() -> new Said(AlertRule.usual(zone.get()), List.of(), 0, ""));
    }

    private Said said(ResultSet row, int n) throws SQLException {
        return new Said(
                new AlertRule(
                        row.getBoolean("failed_runs"),
                        Optional.ofNullable(row.getObject("waiting_days", Integer.class)),
                        Optional.ofNullable(row.getObject("consent_days", Integer.class)),
                        row.getObject("digest_at", LocalTime.class),
                        zone.get()),
                json.readValue(row.getString("recipients"), RECIPIENTS),
                row.getInt("version"),
                row.getString("set_by"));
    }

    /// Compare-and-set: somebody else's decision in between is not overwritten.
    @Transactional
    void set(RouteRow route, AlertRule rule, List<Recipient> recipients, int expected, String who) {
        int rows = jdbc.sql("""
                insert into alert_rule (route_id, recipients, failed_runs, waiting_days, consent_days, digest_at, version, set_by, set_at)
                select :route, cast(:recipients as jsonb), :failed, :waiting, :consent, :at, 1, :who, :now where :expected = 0
                on conflict do nothing""")
                .params(parameters(route, rule, recipients, expected, who))
                .param("waiting", rule.waitingDays().orElse(null), Types.INTEGER)
                .param("consent", rule.consentDays().orElse(null), Types.INTEGER)
                .update();
        rows += jdbc.sql("""
                update alert_rule set recipients = cast(:recipients as jsonb), failed_runs = :failed, waiting_days = :waiting,
                    consent_days = :consent, digest_at = :at, version = version + 1, set_by = :who, set_at = :now
                where route_id = :route and version = :expected""")
                .params(parameters(route, rule, recipients, expected, who))
                .param("waiting", rule.waitingDays().orElse(null), Types.INTEGER)
                .param("consent", rule.consentDays().orElse(null), Types.INTEGER)
                .update();
        if (rows == 0) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "Somebody has changed who is told of what meanwhile. Look again.");
        }
        trail.write(
                route.id(),
                null,
                who,
                "alerts-set",
                Map.of(
                        "route",
                        route.code(),
                        "recipients",
                        recipients.stream().map(Recipient::address).toList()));
    }

    private Map<String, Object> parameters(
            RouteRow route, AlertRule rule, List<Recipient> recipients, int expected, String who) {
        return Map.of(
                "route", route.id(),
                "recipients", json.writeValueAsString(recipients),
                "failed", rule.failedRuns(),
                "at", rule.digestAt(),
                "expected", expected,
                "who", who,
                "now", Timestamp.from(clock.instant()));
    }

    /// The day of the last letter, or of the last look that found nothing to say.
    Optional<LocalDate> lastDigest(RouteRow route) {
        return jdbc.sql("select max(day) from alert_digest where route_id = :route")
                .param("route", route.id())
                .query((row, n) -> Optional.ofNullable(row.getObject(1, LocalDate.class)))
                .single();
    }

    /// Whoever has it makes the letter of that day.
    boolean claim(RouteRow route, LocalDate day) {
        return jdbc.sql("""
                        insert into alert_digest (route_id, day, told, made_at) values (:route, :day, 0, :now)
                        on conflict do nothing""")
                        .param("route", route.id())
                        .param("day", day)
                        .param("now", Timestamp.from(clock.instant()))
                        .update()
                > 0;
    }

    void told(RouteRow route, LocalDate day, int count) {
        jdbc.sql("update alert_digest set told = :count where route_id = :route and day = :day")
                .param("count", count)
                .param("route", route.id())
                .param("day", day)
                .update();
    }

    /// Routes about which somebody is written to.
    List<Long> withRecipients() {
        return jdbc.sql("select route_id from alert_rule where recipients <> '[]' order by route_id")
                .query(Long.class)
                .list();
    }
}
