package alcabala.server.route;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Topic;
import alcabala.server.platform.NotPossibleException;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The settings of routes and every value they ever had.
@Component
public class SettingStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    /// One decision.
    public record Decided(Setting setting, String value, int version, String setBy, Instant setAt) {}

    SettingStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public RouteSettings of(long routeId) {
        Map<Setting, String> values = new HashMap<>();
        decided(routeId).forEach(each -> values.put(each.setting(), each.value()));
        return RouteSettings.of(values);
    }

    /// What somebody decided; the rest holds its standard value.
    public List<Decided> decided(long routeId) {
        return jdbc.sql("""
                select topic, decided_for, value, version, set_by, set_at from route_setting where route_id = :route""")
                .param("route", routeId)
                .query(SettingStore::decided)
                .list();
    }

    /// The newest first.
    public List<Decided> history(long routeId, Setting setting) {
        return jdbc.sql("""
                select topic, decided_for, value, version, set_by, set_at from route_setting_history
                where route_id = :route and topic = :topic and decided_for = :of order by id desc""")
                .param("route", routeId)
                .param("topic", setting.topic().name())
                .param("of", setting.of().name())
                .query(SettingStore::decided)
                .list();
    }

    /// Compare-and-set: somebody else's decision in between is not overwritten.
    ///
    /// @param expected the version that was seen, 0 for the standard value
    public void set(long routeId, Setting setting, String value, int expected, String who) {
        int rows = jdbc.sql("""
                insert into route_setting as s (route_id, topic, decided_for, value, version, set_by, set_at)
                select :route, :topic, :of, :value, 1, :who, :now where :expected = 0
                on conflict (route_id, topic, decided_for) do nothing""")
                .params(values(routeId, setting, value, expected, who))
                .update();
        if (rows == 0) {
            rows = jdbc.sql("""
                    update route_setting set value = :value, version = version + 1, set_by = :who, set_at = :now
                    where route_id = :route and topic = :topic and decided_for = :of and version = :expected""")
                    .params(values(routeId, setting, value, expected, who))
                    .update();
        }
        if (rows == 0) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "Somebody else changed this setting meanwhile; look at it again.");
        }
        jdbc.sql("""
                insert into route_setting_history (route_id, topic, decided_for, value, version, set_by, set_at)
                values (:route, :topic, :of, :value, :expected + 1, :who, :now)""").params(values(routeId, setting, value, expected, who)).update();
        jdbc.sql("update route set crosswalk_version = nextval('state_version') where id = :route")
                .param("route", routeId)
                .update();
    }

    private Map<String, Object> values(long routeId, Setting setting, String value, int expected, String who) {
        return Map.of(
                "route", routeId,
                "topic", setting.topic().name(),
                "of", setting.of().name(),
                "value", value,
                "expected", expected,
                "who", who,
                "now", Timestamp.from(clock.instant()));
    }

    private static Decided decided(ResultSet row, int n) throws SQLException {
        return new Decided(
                new Setting(Topic.valueOf(row.getString("topic")), Carried.valueOf(row.getString("decided_for"))),
                row.getString("value"),
                row.getInt("version"),
                row.getString("set_by"),
                row.getTimestamp("set_at").toInstant());
    }
}
