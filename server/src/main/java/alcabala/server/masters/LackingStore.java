package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.server.masters.Lacking.State;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What was found of masters that a source lacks, and what is to become of each.
@Component
class LackingStore {
    /// Longer than any answer is waited for, and short enough that another server goes on within a minute.
    private static final Duration CLAIM = Duration.ofSeconds(30);

    private static final String SEEN = "md5(concat_ws(chr(1), o.state, o.resembles, o.reason, o.body))";
    private static final String ONE = " where o.route_id = :route and o.kind = :kind and o.counterpart = :counterpart";

    /// Nothing of any route stands for it, or did until somebody took the two apart.
    private static final String STANDS_ALONE = """
             p.ledger_id = :ledger and p.active and not p.gone and not p.hidden
                and not exists (select 1 from master_link l join route q on q.id = l.route_id
                    where q.ledger_id = :ledger and l.kind = :kind and l.counterpart = p.code)
                and not exists (select 1 from crosswalk_row c join route q on q.id = c.route_id
                    where q.ledger_id = :ledger and c.kind = :row and c.purpose = 'COUNTERPART' and c.target = p.code)""";

    private final Masters masters;
    private final JdbcClient jdbc;
    private final NamedParameterJdbcTemplate template;
    private final Clock clock;

    LackingStore(Masters masters, JdbcClient jdbc, NamedParameterJdbcTemplate template, Clock clock) {
        this.masters = masters;
        this.jdbc = jdbc;
        this.template = template;
        this.clock = clock;
    }

    /// Whether something stands for it by now.
    boolean isLinked(RouteRow route, Lacking lacking) {
        return one(route, lacking, """
                select exists (select 1 from master_link where route_id = :route and kind = :kind and counterpart = :counterpart)
                    or exists (select 1 from crosswalk_row where route_id = :route and kind = :row
                        and purpose = 'COUNTERPART' and target = :counterpart and ended_at is null)""")
                .param("row", lacking.master().row().name())
                .query(Boolean.class)
                .single();
    }

    /// Forgets those that are linked by now or are not in use any more, and looks anew at those that changed since.
    void forgetOthers(RouteRow route, Master master) {
        of(route, master, """
                delete from master_lacking o where o.route_id = :route and o.kind = :kind and o.tries = 0
                    and not exists (select 1 from %s p where p.code = o.counterpart and %s
                        and (o.state in ('left', 'due') or o.body = %s))""".formatted(master.tables().ledger(), STANDS_ALONE, asJson(master)))
                .update();
    }

    /// Where it is not decided any more that they are created, nobody is asked about them.
    void forgetAsked(RouteRow route, Master master) {
        jdbc.sql("""
                delete from master_lacking where route_id = :route and kind = :kind and state <> 'left' and tries = 0""")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .update();
    }

    /// Bodies of those that nobody has looked at, by code.
    ///
    /// @param after the code of the last one before
    Map<String, String> fresh(RouteRow route, Master master, String after, int most) {
        Map<String, String> fresh = new LinkedHashMap<>();
        of(route, master, """
                select p.code, %s as body from %s p where p.code > :after and %s and not exists (select 1 from master_lacking o
                    where o.source_id = :source and o.ledger_id = :ledger and o.kind = :kind and o.counterpart = p.code)
                order by p.code limit :most""".formatted(asJson(master), master.tables().ledger(), STANDS_ALONE))
                .param("route", route.id())
                .param("source", route.sourceId())
                .param("after", after)
                .param("most", most)
                .query(row -> {
                    fresh.put(row.getString("code"), row.getString("body"));
                });
        return fresh;
    }

    /// How many there are of a kind in each state, of those that were looked at.
    Map<State, Integer> counts(RouteRow route, Master master) {
        Map<State, Integer> counts = new EnumMap<>(State.class);
        jdbc.sql(
                        "select state, count(*) as count from master_lacking where route_id = :route and kind = :kind group by state")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .query(row -> {
                    counts.put(state(row.getString("state")), row.getInt("count"));
                });
        return counts;
    }

    private static State state(String word) {
        return State.valueOf(word.toUpperCase(Locale.ROOT));
    }

    /// Those that were left where they are are looked at anew.
    ///
    /// @return how many they are
    int lookAgain(RouteRow route, Master master) {
        return jdbc.sql("""
                with left_there as (delete from master_lacking where route_id = :route and kind = :kind and state = 'left'
                    and tries = 0 returning 1),
                tried as (update master_lacking set state = 'refused' where route_id = :route and kind = :kind
                    and state = 'left' and tries > 0 returning 1)
                select (select count(*) from left_there) + (select count(*) from tried)""")
                .param("route", route.id())
                .param("kind", master.carried().name())
                .query(Integer.class)
                .single();
    }

    private static String asJson(Master master) {
        return "cast(" + master.tables().ledgerBody() + " as jsonb)";
    }

    private JdbcClient.StatementSpec of(RouteRow route, Master master, String sql) {
        return jdbc.sql(sql)
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .param("kind", master.carried().name())
                .param("row", master.row().name());
    }

    /// @param resembling codes of the source, by code of the ledger
    void keep(RouteRow route, Master master, Map<String, String> bodies, Map<String, String> resembling, String who) {
        Timestamp now = Timestamp.from(clock.instant());
        MapSqlParameterSource[] all = bodies.entrySet().stream()
                .map(each -> new MapSqlParameterSource("route", route.id())
                        .addValue("source", route.sourceId())
                        .addValue("ledger", route.ledgerId())
                        .addValue("kind", master.carried().name())
                        .addValue("counterpart", each.getKey())
                        .addValue("state", (resembling.containsKey(each.getKey()) ? State.ASKED : State.DUE).word())
                        .addValue("resembles", resembling.getOrDefault(each.getKey(), ""))
                        .addValue("body", each.getValue())
                        .addValue("key", UUID.randomUUID())
                        .addValue("who", who)
                        .addValue("now", now))
                .toArray(MapSqlParameterSource[]::new);
        template.batchUpdate("""
                insert into master_lacking (route_id, source_id, ledger_id, kind, counterpart, state, resembles, body, key, who, since, next_at)
                values (:route, :source, :ledger, :kind, :counterpart, :state, :resembles, cast(:body as jsonb), :key, :who, :now, :now)
                on conflict do nothing""", all);
    }

    /// Longest waiting first.
    List<Lacking> of(RouteRow route, State state) {
        return jdbc.sql(select()
                        + " where o.route_id = :route and o.state = :state order by o.since, o.kind, o.counterpart")
                .param("route", route.id())
                .param("state", state.word())
                .query(this::lacking)
                .list();
    }

    List<Lacking> due(RouteRow route) {
        return jdbc.sql(
                        select()
                                + " where o.route_id = :route and o.state = 'due' and o.next_at <= :now order by o.since, o.kind, o.counterpart")
                .param("route", route.id())
                .param("now", Timestamp.from(clock.instant()))
                .query(this::lacking)
                .list();
    }

    /// Held until the transaction around it ends.
    Optional<Lacking> lock(RouteRow route, Master master, String counterpart) {
        return one(route, master, counterpart, select() + ONE + " for update")
                .query(this::lacking)
                .optional();
    }

    /// Whoever has it asks; one that ended on the way is followed by another when its time is over. It counts as tried
    /// from here on: whoever ends now may have asked already, and its key is not forgotten.
    boolean claim(RouteRow route, Lacking lacking) {
        Instant now = clock.instant();
        return one(
                                route,
                                lacking,
                                "update master_lacking o set tries = tries + 1, next_at = :until" + ONE
                                        + " and o.state = 'due' and o.key = :key and o.next_at <= :now")
                        .param("until", Timestamp.from(now.plus(CLAIM)))
                        .param("key", UUID.fromString(lacking.key()))
                        .param("now", Timestamp.from(now))
                        .update()
                > 0;
    }

    void later(RouteRow route, Lacking lacking, Duration pause) {
        one(route, lacking, "update master_lacking o set next_at = :next" + ONE)
                .param("next", Timestamp.from(clock.instant().plus(pause)))
                .update();
    }

    /// @param tries 0 where nothing of it can stand on the source: it may be looked at anew, under another key
    void become(RouteRow route, Lacking lacking, State state, String reason, String who, int tries) {
        one(route, lacking, """
                update master_lacking o set state = :state, reason = :reason, who = :who, tries = :tries, next_at = :now""" + ONE)
                .param("tries", tries)
                .param("state", state.word())
                .param("reason", reason)
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    void forget(RouteRow route, Lacking lacking) {
        one(route, lacking, "delete from master_lacking o" + ONE).update();
    }

    private JdbcClient.StatementSpec one(RouteRow route, Lacking lacking, String sql) {
        return one(route, lacking.master(), lacking.counterpart(), sql);
    }

    private JdbcClient.StatementSpec one(RouteRow route, Master master, String counterpart, String sql) {
        return jdbc.sql(sql)
                .param("route", route.id())
                .param("kind", master.carried().name())
                .param("counterpart", counterpart);
    }

    private static String select() {
        return "select o.*, " + SEEN + " as seen from master_lacking o";
    }

    private Lacking lacking(ResultSet row, int n) throws SQLException {
        return new Lacking(
                masters.of(Carried.valueOf(row.getString("kind"))),
                row.getString("counterpart"),
                row.getString("body"),
                state(row.getString("state")),
                row.getString("resembles"),
                row.getString("reason"),
                row.getString("key"),
                row.getString("who"),
                row.getTimestamp("since").toInstant(),
                row.getInt("tries"),
                row.getString("seen"));
    }
}
