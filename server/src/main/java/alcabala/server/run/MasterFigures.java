package alcabala.server.run;

import alcabala.server.run.RunFigures.Figure;
import alcabala.server.run.RunFigures.RunRecord;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What a run told either side of masters, with those behind each figure: read from the trail that it left.
@Component
class MasterFigures {
    private static final Set<String> KINDS = Set.of("party", "item");

    private static final String OF_RUN = """
            with found as (
                select split_part(t.action, '-', 1) as kind, coalesce(t.detail->>'party', t.detail->>'item') as code,
                    max(coalesce(t.detail->>'named', t.detail->>'name')) as name,
                    case when t.action like '%-not-%' then 'NOT_TAKEN_BY_'
                        when t.action like '%-created-there' then 'CREATED_IN_' else 'WRITTEN_TO_' end
                        || case t.detail->>'to' when s.name then 'SOURCE' else 'LEDGER' end as what
                from run r join trail t on t.id > r.trail_from and t.id <= coalesce(r.trail_to, 9223372036854775807)
                        and t.route_id = r.route_id
                    join route o on o.id = r.route_id join source s on s.id = o.source_id
                where r.id = :run
                    and t.action = any(:actions)
                group by 1, 2, 4)
            """;
    private final JdbcClient jdbc;

    /// What the trail calls them.
    private static final String[] ACTIONS = KINDS.stream()
            .flatMap(kind -> Stream.of("-written", "-not-written", "-created-there", "-not-created-there")
                    .map(what -> kind + what))
            .toArray(String[]::new);

    MasterFigures(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    boolean has(String kind) {
        return KINDS.contains(kind);
    }

    List<Figure> of(long run) {
        return jdbc.sql(OF_RUN + " select what, kind, count(*)::int as count from found group by 1, 2 order by 1, 2")
                .param("run", run)
                .param("actions", ACTIONS)
                .query(Figure.class)
                .list();
    }

    /// The first of them, by code; they have no date and no money.
    List<RunRecord> records(long run, String what, String kind, int most) {
        return jdbc.sql(OF_RUN + """
                        select 0::bigint as id, code as number, coalesce(name, '') as party, null::date as date,
                            '' as currency, 0::bigint as gross
                        from found where what = :what and kind = :kind order by code limit :most""")
                .param("run", run)
                .param("actions", ACTIONS)
                .param("what", what)
                .param("kind", kind)
                .param("most", most)
                .query(RunRecord.class)
                .list();
    }
}
