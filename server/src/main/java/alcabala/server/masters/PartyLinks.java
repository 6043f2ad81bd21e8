package alcabala.server.masters;

import alcabala.accounting.field.Half;
import alcabala.accounting.party.Party;
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

/// Which party of a ledger stands for which of a source, and what both last agreed on.
@Component
class PartyLinks {
    private static final String PAIR = """
            select l.route_id, l.code, l.counterpart, l.version, l.source_half, l.ledger_half, l.unsettled,
                s.body as source_body, p.body as ledger_body,
                coalesce(p.active and not p.gone, false) as there,
                md5(concat_ws(chr(1), s.body, p.body, p.active and not p.gone, cast(:rules as text))) as now
            from party_link l join route r on r.id = l.route_id
                join source_party s on s.source_id = r.source_id and s.code = l.code
                join ledger_party p on p.ledger_id = r.ledger_id and p.code = l.counterpart
            where l.route_id = :route
            """;

    /// Where several stand for one, the first that was linked leads: the others neither write it nor are written.
    private static final String LEADS = """
             and not exists (select 1 from party_link o join route q on q.id = o.route_id
                where o.counterpart = l.counterpart and q.ledger_id = r.ledger_id
                    and (o.linked_at, o.route_id, o.code) < (l.linked_at, l.route_id, l.code))
            """;
    private static final TypeReference<Map<String, String>> VALUES = new TypeReference<>() {};
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final JsonMapper json;
    private final Clock clock;

    PartyLinks(JdbcClient jdbc, NamedParameterJdbcTemplate template, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.template = template;
        this.json = json;
        this.clock = clock;
    }

    /// Links whom the crosswalk pairs, and whom documents were posted to without it; whom it pairs no more, or with
    /// somebody else, begins anew.
    void link(RouteRow route) {
        Timestamp now = Timestamp.from(clock.instant());
        jdbc.sql("""
                delete from party_link l where l.route_id = :route and exists (
                    select 1 from crosswalk_row c where c.route_id = l.route_id and c.kind = 'PARTY' and c.code = l.code
                        and c.purpose = 'COUNTERPART' and (c.ended_at is null and c.target <> l.counterpart
                            or c.ended_at >= l.linked_at and c.target = l.counterpart and not exists (
                                select 1 from crosswalk_row n where n.route_id = c.route_id and n.kind = c.kind
                                    and n.code = c.code and n.purpose = c.purpose and n.ended_at is null)))""").param("route", route.id()).update();
        jdbc.sql("""
                insert into party_link (route_id, code, counterpart, linked_at)
                select c.route_id, c.code, c.target, :now from crosswalk_row c
                where c.route_id = :route and c.kind = 'PARTY' and c.purpose = 'COUNTERPART' and c.target <> ''
                    and c.ended_at is null
                on conflict do nothing""").param("route", route.id()).param("now", now).update();
        jdbc.sql("""
                insert into party_link (route_id, code, counterpart, linked_at)
                select distinct on (d.party_code) d.route_id, d.party_code, p.entry->>'partyCounterpart', cast(:now as timestamptz)
                from record d join dispatch t on t.record_id = d.id and t.outcome = 'posted'
                    join posting p on p.id = t.posting_id
                where d.route_id = :route and d.crossed_at is not null and d.crossed_at >= coalesce(
                        (select max(linked_at) from party_link where route_id = :route), '-infinity')
                    and coalesce(p.entry->>'partyCounterpart', '') <> ''
                    and not exists (select 1 from crosswalk_row c where c.route_id = d.route_id and c.kind = 'PARTY'
                        and c.code = d.party_code and c.purpose = 'COUNTERPART')
                order by d.party_code, t.id desc
                on conflict do nothing""").param("route", route.id()).param("now", now).update();
    }

    /// Pairs that are not as they were when they were last merged, by code; none whose writing is under way.
    ///
    /// @param rules what is decided, as one text
    /// @param after the code of the last one before
    List<PartyPair> due(RouteRow route, String rules, String after, int most) {
        return jdbc.sql(PAIR + LEADS + """
                     and l.code > :after and l.merged_as <> md5(concat_ws(chr(1), s.body, p.body, p.active and not p.gone,
                        cast(:rules as text)))
                    and not exists (select 1 from party_write w where w.route_id = l.route_id and w.code = l.code)
                order by l.code limit :most""")
                .param("route", route.id())
                .param("rules", rules)
                .param("after", after)
                .param("most", most)
                .query(this::pair)
                .list();
    }

    /// The next of those that lead, whether anything changed or not, by code.
    List<PartyPair> page(RouteRow route, String after, int most) {
        return jdbc.sql(PAIR + LEADS + " and l.code > :after order by l.code limit :most")
                .param("route", route.id())
                .param("rules", "")
                .param("after", after)
                .param("most", most)
                .query(this::pair)
                .list();
    }

    Optional<PartyPair> find(RouteRow route, String code) {
        return of(route, List.of(code)).stream().findFirst();
    }

    /// Those of these codes that lead.
    List<PartyPair> of(RouteRow route, Collection<String> codes) {
        return jdbc.sql(PAIR + LEADS + " and l.code = any(:codes)")
                .param("route", route.id())
                .param("rules", "")
                .param("codes", codes.toArray(String[]::new))
                .query(this::pair)
                .list();
    }

    /// Held until the transaction around it ends; nobody else changes it meanwhile.
    Optional<PartyPair> lock(RouteRow route, String code) {
        jdbc.sql("select 1 from party_link where route_id = :route and code = :code for update")
                .param("route", route.id())
                .param("code", code)
                .query(Integer.class)
                .optional();
        return find(route, code);
    }

    /// What both agree on from now on.
    ///
    /// @param mergedAs empty to have it merged again
    void agree(PartyPair pair, Baseline baseline, String mergedAs) {
        agreeAll(List.of(new Agreed(pair, baseline, mergedAs)));
    }

    record Agreed(PartyPair pair, Baseline baseline, String mergedAs) {}

    /// Compare-and-set: a pair that somebody else changed since it was read stays as it is.
    ///
    /// @return of each whether it was as it had been read
    boolean[] agreeAll(List<Agreed> all) {
        int[] counts =
                template.batchUpdate("""
                update party_link set source_half = cast(:source as jsonb), ledger_half = cast(:ledger as jsonb),
                    unsettled = :unsettled, merged_as = :as, version = version + 1
                where route_id = :route and code = :code and version = :version""", all.stream().map(this::parameters).toArray(MapSqlParameterSource[]::new));
        boolean[] agreed = new boolean[counts.length];
        for (int i = 0; i < counts.length; i++) {
            agreed[i] = counts[i] > 0;
        }
        return agreed;
    }

    private MapSqlParameterSource parameters(Agreed agreed) {
        Baseline baseline = agreed.baseline();
        return new MapSqlParameterSource("route", agreed.pair().routeId())
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

    private PartyPair pair(ResultSet row, int n) throws SQLException {
        String[] unsettled = row.getArray("unsettled") == null
                ? null
                : (String[]) row.getArray("unsettled").getArray();
        return new PartyPair(
                row.getLong("route_id"),
                row.getString("code"),
                row.getString("counterpart"),
                row.getInt("version"),
                new Both<>(party(row.getString("source_body")), party(row.getString("ledger_body"))),
                new Both<>(half(row.getString("source_half")), half(row.getString("ledger_half"))),
                unsettled == null ? null : Set.of(unsettled),
                row.getBoolean("there"),
                row.getString("now"));
    }

    private Party party(String body) {
        return json.readValue(body, Party.class);
    }

    private Half half(String kept) {
        return new Half(json.readValue(kept, VALUES));
    }
}
