package alcabala.server.masters;

import alcabala.accounting.party.Party;
import alcabala.accounting.sync.Side;
import alcabala.connectors.ledger.RewritesParties.PartyThere;
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

/// What sides are to be told of parties, kept before they are asked and until they have answered.
@Component
class PartyWrites {
    /// Longer than any answer is waited for.
    private static final Duration CLAIM = Duration.ofMinutes(1);

    private static final TypeReference<Map<String, OtherHalf>> FIELDS = new TypeReference<>() {};
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
    /// @param fields what is written, by codes of fields
    /// @param tries how often it was asked without an answer
    record Write(
            String code,
            Side side,
            String key,
            PartyThere standing,
            Party wanted,
            Map<String, OtherHalf> fields,
            String who,
            int tries) {}

    PartyWrites(JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    void keep(long routeId, Write write) {
        jdbc.sql("""
                insert into party_write (route_id, code, side, key, standing, version, wanted, fields, who, asked_at, next_at)
                values (:route, :code, :side, :key, cast(:standing as jsonb), :version, cast(:wanted as jsonb),
                    cast(:fields as jsonb), :who, :now, :now)""")
                .param("route", routeId)
                .param("code", write.code())
                .param("side", write.side().name())
                .param("key", UUID.fromString(write.key()))
                .param("standing", json.writeValueAsString(write.standing().party()))
                .param("version", write.standing().version())
                .param("wanted", json.writeValueAsString(write.wanted()))
                .param("fields", json.writeValueAsString(write.fields()))
                .param("who", write.who())
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    boolean isUnderWay(RouteRow route, String code) {
        return jdbc.sql("select exists (select 1 from party_write where route_id = :route and code = :code)")
                .param("route", route.id())
                .param("code", code)
                .query(Boolean.class)
                .single();
    }

    List<Write> due(RouteRow route) {
        return jdbc.sql("""
                select code, side, key, standing, version, wanted, fields, who, tries from party_write
                where route_id = :route and next_at <= :now order by asked_at, code, side""")
                .param("route", route.id())
                .param("now", Timestamp.from(clock.instant()))
                .query(this::write)
                .list();
    }

    /// Whoever has it asks; one that ended on the way is followed by another when its time is over.
    boolean claim(RouteRow route, Write write) {
        Instant now = clock.instant();
        return jdbc.sql("""
                update party_write set next_at = :until
                where route_id = :route and code = :code and side = :side and key = :key and next_at <= :now""")
                        .param("until", Timestamp.from(now.plus(CLAIM)))
                        .param("route", route.id())
                        .param("code", write.code())
                        .param("side", write.side().name())
                        .param("key", UUID.fromString(write.key()))
                        .param("now", Timestamp.from(now))
                        .update()
                > 0;
    }

    void later(RouteRow route, Write write, Duration pause) {
        jdbc.sql("""
                update party_write set tries = tries + 1, next_at = :next where route_id = :route and code = :code and side = :side""")
                .param("next", Timestamp.from(clock.instant().plus(pause)))
                .param("route", route.id())
                .param("code", write.code())
                .param("side", write.side().name())
                .update();
    }

    void end(RouteRow route, Write write) {
        jdbc.sql("delete from party_write where route_id = :route and code = :code and side = :side")
                .param("route", route.id())
                .param("code", write.code())
                .param("side", write.side().name())
                .update();
    }

    private Write write(ResultSet row, int n) throws SQLException {
        return new Write(
                row.getString("code"),
                Side.valueOf(row.getString("side")),
                row.getString("key"),
                new PartyThere(json.readValue(row.getString("standing"), Party.class), row.getString("version")),
                json.readValue(row.getString("wanted"), Party.class),
                json.readValue(row.getString("fields"), FIELDS),
                row.getString("who"),
                row.getInt("tries"));
    }
}
