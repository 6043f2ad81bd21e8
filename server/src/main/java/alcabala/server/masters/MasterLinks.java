package alcabala.server.masters;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.Use;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/// Which master of a ledger stands for which of a source, and what both last agreed on.
@Component
class MasterLinks {
    /// What both have and what is decided, as one text.
    private static final String NOW =
            "md5(concat_ws(chr(1), %3$s, %6$s, p.active and not p.gone, n.target, cast(:rules as text)))";

    private static final String PAIR = """
            select l.route_id, l.code, l.counterpart, l.version, l.source_half, l.ledger_half, l.unsettled,
                %2$s as source_body, %5$s as ledger_body, coalesce(n.target, '') as named,
                coalesce(p.active and not p.gone, false) as there, p.gone,\s""" + NOW + """
             as now
            from master_link l
                join %1$s s on s.source_id = :source and s.code = l.code
                join %4$s p on p.ledger_id = :ledger and p.code = l.counterpart
                left join crosswalk_row n on n.route_id = :route and n.kind = :row and n.code = l.code
                    and n.purpose = 'NAME' and n.ended_at is null
            where l.route_id = :route and l.kind = :kind
            """;

    /// Where several stand for one, the first that was linked leads: the others neither write it nor are written.
    private static final String LEADS = """
             and not exists (select 1 from master_link o join route q on q.id = o.route_id
                where o.kind = l.kind and o.counterpart = l.counterpart and q.ledger_id = :ledger
                    and (o.linked_at, o.route_id, o.code) < (l.linked_at, l.route_id, l.code))
            """;
    private static final String IN_USE = "in-use";
    private static final TypeReference<Map<String, String>> VALUES = new TypeReference<>() {};
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final JsonMapper json;
    private final Clock clock;

    MasterLinks(JdbcClient jdbc, NamedParameterJdbcTemplate template, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.template = template;
        this.json = json;
        this.clock = clock;
    }

    /// Links those that the crosswalk pairs, and those that stand for each other without it; what it pairs no more, or
    /// with another, begins anew.
    void link(RouteRow route, Master master) {
        Timestamp now = Timestamp.from(clock.instant());
        jdbc.sql("""
                delete from master_link l where l.route_id = :route and l.kind = :kind and exists (
                    select 1 from crosswalk_row c where c.route_id = l.route_id and c.kind = :row and c.code = l.code
                        and c.purpose = 'COUNTERPART' and (c.ended_at is null and c.target <> l.counterpart
                            or c.ended_at >= l.linked_at and c.target = l.counterpart and not exists (
                                select 1 from crosswalk_row n where n.route_id = c.route_id and n.kind = c.kind
                                    and n.code = c.code and n.purpose = c.purpose and n.ended_at is null)))""")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("row", master.row().name())
                .update();
        jdbc.sql("""
                insert into master_link (route_id, kind, code, counterpart, linked_at)
                select c.route_id, :kind, c.code, c.target, :now from crosswalk_row c
                where c.route_id = :route and c.kind = :row and c.purpose = 'COUNTERPART' and c.target <> ''
                    and c.ended_at is null
                on conflict do nothing""")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("row", master.row().name())
                .param("now", now)
                .update();
        master.linkOthers(route, now);
    }

    /// Of one that was created on the source: the two agree on what each has of it.
    void linkNew(RouteRow route, Master master, String code, String counterpart, Both<Half> halves) {
        jdbc.sql("""
                insert into master_link (route_id, kind, code, counterpart, linked_at, source_half, ledger_half, unsettled)
                values (:route, :kind, :code, :counterpart, :now, cast(:source as jsonb), cast(:ledger as jsonb), '{}')
                on conflict do nothing""")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("code", code)
                .param("counterpart", counterpart)
                .param("now", Timestamp.from(clock.instant()))
                .param("source", json.writeValueAsString(halves.source().values()))
                .param("ledger", json.writeValueAsString(halves.ledger().values()))
                .update();
    }

    /// Pairs that are not as they were when they were last merged, by code; none whose writing is under way.
    ///
    /// @param rules what is decided, as one text
    /// @param after the code of the last one before
    List<MasterPair> due(RouteRow route, Master master, String rules, String after, int most) {
        return pairs(route, master, rules, " and l.code > :after and l.merged_as <> " + NOW + """
                         and not exists (select 1 from master_write w where w.route_id = l.route_id and w.kind = l.kind
                            and w.code = l.code)
                        order by l.code limit :most""")
                .param("after", after)
                .param("most", most)
                .query((row, n) -> pair(master, row))
                .list();
    }

    /// The next of those that lead, whether anything changed or not, by code.
    List<MasterPair> page(RouteRow route, Master master, String after, int most) {
        return pairs(route, master, "", " and l.code > :after order by l.code limit :most")
                .param("after", after)
                .param("most", most)
                .query((row, n) -> pair(master, row))
                .list();
    }

    Optional<MasterPair> find(RouteRow route, Master master, String code) {
        return of(route, master, List.of(code)).stream().findFirst();
    }

    /// Those of these codes that lead.
    List<MasterPair> of(RouteRow route, Master master, Collection<String> codes) {
        return pairs(route, master, "", " and l.code = any(:codes)")
                .param("codes", codes.toArray(String[]::new))
                .query((row, n) -> pair(master, row))
                .list();
    }

    private JdbcClient.StatementSpec pairs(RouteRow route, Master master, String rules, String which) {
        Master.Tables tables = master.tables();
        String sql = (PAIR + LEADS + which)
                .formatted(
                        tables.source(),
                        tables.sourceBody(),
                        tables.sourceText(),
                        tables.ledger(),
                        tables.ledgerBody(),
                        tables.ledgerText());
        return jdbc.sql(sql)
                .param("route", route.id())
                .param("source", route.sourceId())
                .param("ledger", route.ledgerId())
                .param("kind", master.carried().name())
                .param("row", master.row().name())
                .param("rules", rules);
    }

    /// Held until the transaction around it ends; nobody else changes it meanwhile.
    Optional<MasterPair> lock(RouteRow route, Master master, String code) {
        jdbc.sql("select 1 from master_link where route_id = :route and kind = :kind and code = :code for update")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("code", code)
                .query(Integer.class)
                .optional();
        return find(route, master, code);
    }

    /// What both agree on from now on.
    ///
    /// @param mergedAs empty to have it merged again
    void agree(MasterPair pair, Baseline baseline, String mergedAs) {
        agreeAll(List.of(new Agreed(pair, baseline, mergedAs)));
    }

    record Agreed(MasterPair pair, Baseline baseline, String mergedAs) {}

    /// Compare-and-set: a pair that somebody else changed since it was read stays as it is.
    ///
    /// @return of each whether it was as it had been read
    boolean[] agreeAll(List<Agreed> all) {
        int[] counts =
                template.batchUpdate("""
                update master_link set source_half = cast(:source as jsonb), ledger_half = cast(:ledger as jsonb),
                    unsettled = :unsettled, merged_as = :as, version = version + 1
                where route_id = :route and kind = :kind and code = :code and version = :version""", all.stream().map(this::parameters).toArray(MapSqlParameterSource[]::new));
        boolean[] agreed = new boolean[counts.length];
        for (int i = 0; i < counts.length; i++) {
            agreed[i] = counts[i] > 0;
        }
        return agreed;
    }

    private MapSqlParameterSource parameters(Agreed agreed) {
        Baseline baseline = agreed.baseline();
        return new MapSqlParameterSource("route", agreed.pair().routeId())
                .addValue("kind", agreed.pair().master().carried().name())
                .addValue("code", agreed.pair().code())
                .addValue("version", agreed.pair().version())
                .addValue(
                        "source",
                        json.writeValueAsString(baseline.halves().source().values()))
                .addValue(
                        "ledger",
                        json.writeValueAsString(baseline.halves().ledger().values()))
                .addValue("unsettled", baseline.unsettled().toArray(String[]::new))
                .addValue("as", agreed.mergedAs());
    }

    private MasterPair pair(Master master, ResultSet row) throws SQLException {
        String[] unsettled = row.getArray("unsettled") == null
                ? null
                : (String[]) row.getArray("unsettled").getArray();
        return new MasterPair(
                master,
                row.getLong("route_id"),
                row.getString("code"),
                row.getString("counterpart"),
                row.getString("named"),
                row.getInt("version"),
                new Both<>(
                        master.half(row.getString("source_body")),
                        there(master.half(row.getString("ledger_body")), row.getBoolean("gone"))),
                new Both<>(half(row.getString("source_half")), half(row.getString("ledger_half"))),
                unsettled == null ? null : Set.of(unsettled),
                row.getBoolean("there"),
                row.getBoolean("gone"),
                row.getString("now"));
    }

    /// What is not told of any more is as it was last, and gone.
    private static Half there(Half half, boolean gone) {
        return gone ? half.with(IN_USE, Use.GONE) : half;
    }

    private Half half(String kept) {
        return new Half(json.readValue(kept, VALUES));
    }
}
