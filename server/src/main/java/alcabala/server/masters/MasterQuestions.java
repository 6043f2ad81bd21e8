package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Case;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Fields of masters that a person is asked about: what stays where it is, and what both sides changed.
@Component
class MasterQuestions {
    private static final String SELECT =
            "select kind, code, field, verdict, decided_by, sides, why, reason, since, told from master_question where route_id = :route";
    private static final TypeReference<Both<LastChanges>> TOLD = new TypeReference<>() {};
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    /// @param field its code
    /// @param reason what a side said that would not take it; empty where none said anything
    /// @param told when each side says that it was changed there
    record Asked(
            Carried kind,
            String code,
            String field,
            Verdict verdict,
            String reason,
            Instant since,
            Both<LastChanges> told) {}

    MasterQuestions(JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    /// All of these masters but those that are asked about still, which wait since they were first asked about.
    ///
    /// @param still codes of fields by codes of masters
    void forgetBut(long routeId, Master master, Map<String, Set<String>> still) {
        String[] kept = still.entrySet().stream()
                .flatMap(each -> each.getValue().stream().map(field -> each.getKey() + " " + field))
                .toArray(String[]::new);
        jdbc.sql("""
                delete from master_question where route_id = :route and kind = :kind and code = any(:codes)
                    and code || ' ' || field <> all(:kept)""")
                .param("route", routeId)
                .param("kind", master.carried().name())
                .param("codes", still.keySet().toArray(String[]::new))
                .param("kept", kept)
                .update();
    }

    void keep(MasterPair pair, String field, Verdict verdict, String reason, Both<LastChanges> told) {
        Set<Side> sides = verdict instanceof Verdict.Drift drift ? drift.of() : Set.of(Side.values());
        String why = verdict instanceof Verdict.Drift drift ? drift.why().name() : "";
        jdbc.sql("""
                insert into master_question (route_id, kind, code, field, verdict, decided_by, sides, why, reason, since, told)
                values (:route, :kind, :code, :field, :verdict, :by, :sides, :why, :reason, :now, cast(:told as jsonb))
                on conflict (route_id, kind, code, field) do update set verdict = excluded.verdict,
                    decided_by = excluded.decided_by, sides = excluded.sides, why = excluded.why, reason = excluded.reason,
                    told = excluded.told""")
                .param("route", pair.routeId())
                .param("kind", pair.master().carried().name())
                .param("code", pair.code())
                .param("field", field)
                .param("verdict", verdict instanceof Verdict.Drift ? "drift" : "conflict")
                .param("by", verdict.by().name())
                .param("sides", sides.stream().map(Side::name).sorted().toArray(String[]::new))
                .param("why", why)
                .param("reason", reason)
                .param("now", Timestamp.from(clock.instant()))
                .param("told", json.writeValueAsString(told))
                .update();
    }

    /// Longest waiting first.
    List<Asked> of(RouteRow route) {
        return jdbc.sql(SELECT + " order by since, kind, code, field")
                .param("route", route.id())
                .query(this::asked)
                .list();
    }

    Optional<Asked> find(RouteRow route, Master master, String code, String field) {
        return jdbc.sql(SELECT + " and kind = :kind and code = :code and field = :field")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("code", code)
                .param("field", field)
                .query(this::asked)
                .optional();
    }

    /// When each side says that those that are asked about were changed there, by code.
    Map<String, Both<LastChanges>> told(RouteRow route, Master master) {
        Map<String, Both<LastChanges>> told = new HashMap<>();
        jdbc.sql("select distinct on (code) code, told from master_question"
                        + " where route_id = :route and kind = :kind order by code")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .query(row -> {
                    told.put(row.getString("code"), json.readValue(row.getString("told"), TOLD));
                });
        return told;
    }

    void answered(RouteRow route, Master master, String code, String field) {
        jdbc.sql(
                        "delete from master_question where route_id = :route and kind = :kind and code = :code and field = :field")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("code", code)
                .param("field", field)
                .update();
    }

    private Asked asked(ResultSet row, int n) throws SQLException {
        Case by = Case.valueOf(row.getString("decided_by"));
        Set<Side> sides = Stream.of((String[]) row.getArray("sides").getArray())
                .map(Side::valueOf)
                .collect(Collectors.toSet());
        return new Asked(
                Carried.valueOf(row.getString("kind")),
                row.getString("code"),
                row.getString("field"),
                row.getString("verdict").equals("drift")
                        ? new Verdict.Drift(by, sides, Verdict.Why.valueOf(row.getString("why")))
                        : new Verdict.Conflict(by),
                row.getString("reason"),
                row.getTimestamp("since").toInstant(),
                json.readValue(row.getString("told"), TOLD));
    }
}
