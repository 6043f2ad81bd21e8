package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.Side;
import alcabala.server.masters.Master.There;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// What sides are to be told of masters, kept before they are asked and until they have answered.
@Component
class MasterWrites {
    /// Longer than any answer is waited for, and short enough that another server goes on within a minute.
    private static final Duration CLAIM = Duration.ofSeconds(30);

    private static final TypeReference<Map<String, OtherHalf>> FIELDS = new TypeReference<>() {};
    private final Masters masters;
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    /// What the other side's half of a field is once this side has taken it.
    ///
    /// @param changes false where it stays
    /// @param value null where there is none
    record OtherHalf(boolean changes, String value) {
        static final OtherHalf STAYS = new OtherHalf(false, null);
    }

    /// @param standing as it was read there
    /// @param wanted as it is to be, whole
    /// @param fields what is written, by codes of fields
    /// @param tries how often it was asked without an answer
    record Write(
            Master master,
            String code,
            Side side,
            String key,
            There standing,
            String wanted,
            Map<String, OtherHalf> fields,
            String who,
            int tries) {}

    MasterWrites(Masters masters, JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.masters = masters;
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    void keep(long routeId, Write write) {
        jdbc.sql("""
                insert into master_write (route_id, kind, code, side, key, standing, version, wanted, fields, who, asked_at, next_at)
                values (:route, :kind, :code, :side, :key, cast(:standing as jsonb), :version, cast(:wanted as jsonb),
                    cast(:fields as jsonb), :who, :now, :now)""")
                .param("route", routeId)
                .param("kind", write.master().carried().name())
                .param("code", write.code())
                .param("side", write.side().name())
                .param("key", UUID.fromString(write.key()))
                .param("standing", write.standing().body())
                .param("version", write.standing().version())
                .param("wanted", write.wanted())
                .param("fields", json.writeValueAsString(write.fields()))
                .param("who", write.who())
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    boolean isUnderWay(RouteRow route, Master master, String code) {
        return jdbc.sql(
                        "select exists (select 1 from master_write where route_id = :route and kind = :kind and code = :code)")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("code", code)
                .query(Boolean.class)
                .single();
    }

    List<Write> due(RouteRow route) {
        return jdbc.sql("""
                select kind, code, side, key, standing, standing->>'code' as there, version, wanted, fields, who, tries from master_write
                where route_id = :route and next_at <= :now order by asked_at, kind, code, side""")
                .param("route", route.id())
                .param("now", Timestamp.from(clock.instant()))
                .query(this::write)
                .list();
    }

    /// Whoever has it asks; one that ended on the way is followed by another when its time is over.
    boolean claim(RouteRow route, Write write) {
        Instant now = clock.instant();
        return jdbc.sql("""
                update master_write set next_at = :until
                where route_id = :route and kind = :kind and code = :code and side = :side and key = :key and next_at <= :now""")
                        .param("until", Timestamp.from(now.plus(CLAIM)))
                        .param("route", route.id())
                        .param("kind", write.master().carried().name())
                        .param("code", write.code())
                        .param("side", write.side().name())
                        .param("key", UUID.fromString(write.key()))
                        .param("now", Timestamp.from(now))
                        .update()
                > 0;
    }

    void later(RouteRow route, Write write, Duration pause) {
        jdbc.sql("""
                update master_write set tries = tries + 1, next_at = :next where route_id = :route and kind = :kind and code = :code and side = :side""")
                .param("next", Timestamp.from(clock.instant().plus(pause)))
                .param("route", route.id())
                .param("kind", write.master().carried().name())
                .param("code", write.code())
                .param("side", write.side().name())
                .update();
    }

    void end(RouteRow route, Write write) {
        jdbc.sql("delete from master_write where route_id = :route and kind = :kind and code = :code and side = :side")
                .param("route", route.id())
                .param("kind", write.master().carried().name())
                .param("code", write.code())
                .param("side", write.side().name())
                .update();
    }

    private Write write(ResultSet row, int n) throws SQLException {
        Master master = masters.of(Carried.valueOf(row.getString("kind")));
        Side side = Side.valueOf(row.getString("side"));
        String body = row.getString("standing");
        return new Write(
                master,
                row.getString("code"),
                side,
                row.getString("key"),
                new There(row.getString("there"), body, master.half(body), row.getString("version")),
                row.getString("wanted"),
                json.readValue(row.getString("fields"), FIELDS),
                row.getString("who"),
                row.getInt("tries"));
    }
}
