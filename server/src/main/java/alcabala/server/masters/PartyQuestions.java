package alcabala.server.masters;

import alcabala.accounting.party.PartyField;
import alcabala.accounting.sync.Case;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Fields of parties that a person is asked about: what stays where it is, and what both sides changed.
@Component
class PartyQuestions {
    private static final String SELECT =
            "select code, field, verdict, decided_by, sides, why, reason, since from party_question where route_id = :route";
    private final JdbcClient jdbc;
    private final Clock clock;

    /// @param reason what a side said that would not take it; empty where none said anything
    record Asked(String code, PartyField field, Verdict verdict, String reason, Instant since) {}

    PartyQuestions(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// All of these parties but those that are asked about still, which wait since they were first asked about.
    ///
    /// @param still codes of fields by codes of parties
    void forgetBut(long routeId, Map<String, List<String>> still) {
        String[] kept = still.entrySet().stream()
                .flatMap(each -> each.getValue().stream().map(field -> each.getKey() + " " + field))
                .toArray(String[]::new);
        jdbc.sql("""
                delete from party_question where route_id = :route and code = any(:codes)
                    and code || ' ' || field <> all(:kept)""")
                .param("route", routeId)
                .param("codes", still.keySet().toArray(String[]::new))
                .param("kept", kept)
                .update();
    }

    void keep(PartyPair pair, String field, Verdict verdict, String reason) {
        Set<Side> sides = verdict instanceof Verdict.Drift drift ? drift.of() : Set.of(Side.values());
        String why = verdict instanceof Verdict.Drift drift ? drift.why().name() : "";
        jdbc.sql("""
                insert into party_question (route_id, code, field, verdict, decided_by, sides, why, reason, since)
                values (:route, :code, :field, :verdict, :by, :sides, :why, :reason, :now)
                on conflict (route_id, code, field) do update set verdict = excluded.verdict,
                    decided_by = excluded.decided_by, sides = excluded.sides, why = excluded.why, reason = excluded.reason""")
                .param("route", pair.routeId())
                .param("code", pair.code())
                .param("field", field)
                .param("verdict", verdict instanceof Verdict.Drift ? "drift" : "conflict")
                .param("by", verdict.by().name())
                .param("sides", sides.stream().map(Side::name).sorted().toArray(String[]::new))
                .param("why", why)
                .param("reason", reason)
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    /// Longest waiting first.
    List<Asked> of(RouteRow route) {
        return jdbc.sql(SELECT + " order by since, code, field")
                .param("route", route.id())
                .query(PartyQuestions::asked)
                .list();
    }

    Optional<Asked> find(RouteRow route, String code, PartyField field) {
        return jdbc.sql(SELECT + " and code = :code and field = :field")
                .param("route", route.id())
                .param("code", code)
                .param("field", field.code())
                .query(PartyQuestions::asked)
                .optional();
    }

    void answered(RouteRow route, String code, PartyField field) {
        jdbc.sql("delete from party_question where route_id = :route and code = :code and field = :field")
                .param("route", route.id())
                .param("code", code)
                .param("field", field.code())
                .update();
    }

    private static Asked asked(ResultSet row, int n) throws SQLException {
        Case by = Case.valueOf(row.getString("decided_by"));
        Set<Side> sides = Stream.of((String[]) row.getArray("sides").getArray())
                .map(Side::valueOf)
                .collect(Collectors.toSet());
        return new Asked(
                row.getString("code"),
                PartyField.find(row.getString("field")).orElseThrow(),
                row.getString("verdict").equals("drift")
                        ? new Verdict.Drift(by, sides, Verdict.Why.valueOf(row.getString("why")))
                        : new Verdict.Conflict(by),
                row.getString("reason"),
                row.getTimestamp("since").toInstant());
    }
}
