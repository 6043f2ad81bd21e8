package alcabala.server.masters;

import alcabala.accounting.field.Half;
import alcabala.accounting.setting.Carried;
import alcabala.server.masters.Lacking.State;
import alcabala.server.platform.Waited;
import alcabala.server.route.RouteRow;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What people are asked about masters that a source lacks: whether it has them under another code, and what becomes of
/// those that it did not take.
@Component
class LackingTrouble {
    /// Of each cause; the rest is counted.
    private static final int LISTED = 500;

    private final Masters masters;
    private final LackingStore store;
    private final JdbcClient jdbc;
    private final Clock clock;

    /// One field on both sides; empty where a side has nothing.
    ///
    /// @param source of the one that it may be
    record LackingValueJson(String field, String source, String ledger) {}

    /// @param seen to be given with an answer
    /// @param resembles the code of one of the source that it may be; empty for none
    /// @param standsFor what that stands for on the ledger already; empty where the two can be linked
    /// @param reason why the source did not take it; empty where it was not asked
    record LackingHeldJson(
            String counterpart,
            String name,
            Instant since,
            String seen,
            String resembles,
            String standsFor,
            String reason,
            List<LackingValueJson> fields) {}

    /// @param cause `party` or `item`, with `:like` where the source may have them, or `:not-taken`
    /// @param days how long the first of them has waited, begun ones counted
    /// @param masters the first 500, longest waiting first
    record LackingCauseJson(String cause, Carried kind, int count, int days, List<LackingHeldJson> masters) {}

    private record Known(String body, String standsFor) {
        static final Known NOTHING = new Known("", "");
    }

    LackingTrouble(Masters masters, LackingStore store, JdbcClient jdbc, Clock clock) {
        this.masters = masters;
        this.store = store;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    List<LackingCauseJson> of(RouteRow route) {
        return Stream.of(State.ASKED, State.REFUSED)
                .flatMap(state -> {
                    List<Lacking> all = store.of(route, state);
                    return masters.all().stream()
                            .map(master -> all.stream()
                                    .filter(each -> each.master() == master)
                                    .toList())
                            .filter(each -> !each.isEmpty())
                            .map(each -> cause(route, state, each));
                })
                .toList();
    }

    private LackingCauseJson cause(RouteRow route, State state, List<Lacking> all) {
        Master master = all.getFirst().master();
        List<Lacking> listed = all.stream().limit(LISTED).toList();
        Map<String, Known> known =
                known(route, master, listed.stream().map(Lacking::resembles).collect(Collectors.toSet()));
        return new LackingCauseJson(
                master.word() + (state == State.ASKED ? ":like" : ":not-taken"),
                master.carried(),
                all.size(),
                Waited.days(all.getFirst().since(), clock.instant()),
                listed.stream()
                        .map(each -> held(each, known.getOrDefault(each.resembles(), Known.NOTHING)))
                        .toList());
    }

    private static LackingHeldJson held(Lacking lacking, Known like) {
        Master master = lacking.master();
        Half there = master.half(lacking.body());
        Map<String, String> here =
                like.body().isEmpty() ? Map.of() : master.half(like.body()).values();
        return new LackingHeldJson(
                lacking.counterpart(),
                lacking.name(),
                lacking.since(),
                lacking.seen(),
                like.body().isEmpty() ? "" : lacking.resembles(),
                like.standsFor(),
                lacking.reason(),
                master.fields().stream()
                        .map(field -> new LackingValueJson(
                                field.code(),
                                here.getOrDefault(field.code(), ""),
                                there.values().getOrDefault(field.code(), "")))
                        .toList());
    }

    /// Those of the source, by code.
    private Map<String, Known> known(RouteRow route, Master master, Collection<String> codes) {
        Map<String, Known> known = new HashMap<>();
        jdbc.sql("""
                select s.code, %s as body, coalesce(l.counterpart, c.target, '') as stands_for from %s s
                    left join master_link l on l.route_id = :route and l.kind = :kind and l.code = s.code
                    left join crosswalk_row c on c.route_id = :route and c.kind = :row and c.code = s.code
                        and c.purpose = 'COUNTERPART' and c.ended_at is null
                where s.source_id = :source and s.code = any(:codes)""".formatted(master.tables().sourceBody(), master.tables().source()))
                .param("route", route.id())
                .param("source", route.sourceId())
                .param("kind", master.carried().name())
                .param("row", master.row().name())
                .param("codes", codes.toArray(String[]::new))
                .query(row -> {
                    known.put(row.getString("code"), new Known(row.getString("body"), row.getString("stands_for")));
                });
        return known;
    }

    /// Whether one of the source stands for nothing, so that something can be linked with it.
    boolean isFree(RouteRow route, Master master, String code) {
        Known found = known(route, master, Set.of(code)).getOrDefault(code, Known.NOTHING);
        return !found.body().isEmpty() && found.standsFor().isEmpty();
    }
}
