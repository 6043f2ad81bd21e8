package alcabala.server.settings;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.ledger.TakesSettlements;
import alcabala.connectors.spi.Capability;
import alcabala.formats.layout.Layout.Carries;
import alcabala.server.connection.Kinds;
import alcabala.server.files.Layouts;
import alcabala.server.platform.SumJson;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// A row for each kind of record that can cross on a route: which sides have such a thing, and what of it waits.
@Component
class CrossingTable {
    private final JdbcClient jdbc;
    private final SettingStore store;
    private final Kinds kinds;
    private final Layouts layouts;

    /// @param of a kind of record, or `PARTIES`, or `ITEMS`
    /// @param told whether its source has told of any
    /// @param taken whether the ledger takes such
    /// @param becomes what one is on the ledger, as it is decided; why the ledger takes none where it does not
    /// @param waits how many have not crossed; of masters, how many are asked about
    /// @param sums of these; of masters, what they hold up
    /// @param blocked how many of these something has to be put right for
    /// @param leftBehind how many of these do not cross as it is decided
    /// @param crossed how many stand on the ledger
    record CrossingRow(
            String of,
            String title,
            boolean told,
            boolean taken,
            String becomes,
            int waits,
            List<SumJson> sums,
            int blocked,
            int leftBehind,
            int crossed) {}

    private record Sum(Carried of, String currency, String state, boolean leftBehind, int count, long gross) {
        boolean waits() {
            return state.equals("Ready")
                    || state.equals("Blocked")
                    || state.equals("Waiting")
                    || state.equals("Refused");
        }
    }

    private record Held(String master, String currency, int causes, long gross) {}

    CrossingTable(JdbcClient jdbc, SettingStore store, Kinds kinds, Layouts layouts) {
        this.jdbc = jdbc;
        this.store = store;
        this.kinds = kinds;
        this.layouts = layouts;
    }

    List<CrossingRow> of(RouteRow route) {
        RouteSettings decided = store.of(route.id());
        List<Held> held = held(route);
        List<CrossingRow> rows = new ArrayList<>();
        rows.add(master(Carried.PARTIES, CrossingSentences.parties(decided), held));
        rows.add(master(Carried.ITEMS, CrossingSentences.items(decided), held));
        List<Sum> sums = sums(route);
        Stream.of(Carried.values())
                .filter(Carried::hasRecords)
                .map(of -> row(
                        route,
                        decided,
                        of,
                        sums.stream().filter(each -> each.of() == of).toList()))
                .forEach(rows::add);
        return rows;
    }

    private CrossingRow row(RouteRow route, RouteSettings decided, Carried of, List<Sum> sums) {
        List<Sum> waiting = sums.stream().filter(Sum::waits).toList();
        boolean taken = isTaken(route, of);
        return new CrossingRow(
                of.name(),
                SettingSentences.kinds(of),
                !sums.isEmpty(),
                taken,
                taken ? CrossingSentences.of(route, decided, of) : CrossingSentences.takesNone(route),
                count(waiting),
                SumJson.of(gross(waiting)),
                count(waiting.stream()
                        .filter(each -> each.state().equals("Blocked") && !each.leftBehind())
                        .toList()),
                count(waiting.stream().filter(Sum::leftBehind).toList()),
                count(sums.stream()
                        .filter(each ->
                                each.state().equals("Posted") || each.state().equals("Diverged"))
                        .toList()));
    }

    private static int count(List<Sum> sums) {
        return sums.stream().mapToInt(Sum::count).sum();
    }

    private static Map<String, Long> gross(List<Sum> sums) {
        Map<String, Long> gross = new HashMap<>();
        sums.forEach(each -> gross.merge(each.currency(), each.gross(), Math::addExact));
        return gross;
    }

    private boolean isTaken(RouteRow route, Carried of) {
        RecordKind kind = of.kinds().getFirst();
        if (!route.ledgerAnswers()) {
            return !layouts.of(route.ledgerId(), Carries.of(kind)).isEmpty();
        }
        Class<? extends Capability> needed = kind.isDocument() ? TakesDocuments.class : TakesSettlements.class;
        return kinds.can(system(route), needed);
    }

    private String system(RouteRow route) {
        return jdbc.sql("select system from ledger where id = :id")
                .param("id", route.ledgerId())
                .query(String.class)
                .single();
    }

    private List<Sum> sums(RouteRow route) {
        return jdbc.sql("""
                with left_behind as (
                    select distinct f.record_id from finding f join record d on d.id = f.record_id
                    where d.route_id = :route and f.cause ~ '^(does-not-cross|before-cut-off)')
                select d.kind, d.currency, d.state, l.record_id is not null as left_behind,
                    count(*) as count, sum(signed(d.kind, d.gross)) as gross
                from record d left join left_behind l on l.record_id = d.id
                where d.route_id = :route and not\s""" + Records.LEFT_ALONE + " group by 1, 2, 3, 4")
                .param("route", route.id())
                .query(CrossingTable::sum)
                .list();
    }

    private static Sum sum(ResultSet row, int n) throws SQLException {
        return new Sum(
                Carried.of(RecordKind.of(row.getString("kind"))),
                row.getString("currency"),
                row.getString("state"),
                row.getBoolean("left_behind"),
                row.getInt("count"),
                row.getLong("gross"));
    }

    private static CrossingRow master(Carried of, String becomes, List<Held> held) {
        List<Held> own =
                held.stream().filter(each -> each.master().equals(of.name())).toList();
        int causes = own.stream().mapToInt(Held::causes).max().orElse(0);
        Map<String, Long> gross = new HashMap<>();
        own.forEach(each -> gross.put(each.currency(), each.gross()));
        return new CrossingRow(
                of.name(), SettingSentences.kinds(of), true, true, becomes, causes, SumJson.of(gross), causes, 0, 0);
    }

    /// What parties and items that are asked about hold up, each record once.
    private List<Held> held(RouteRow route) {
        return jdbc.sql("""
                with held as (
                    select distinct case when f.cause ~ '^item-unmapped' then 'ITEMS' else 'PARTIES' end as master,
                        d.id, d.currency, signed(d.kind, d.gross) as gross
                    from finding f join record d on d.id = f.record_id
                    where d.route_id = :route and d.state in ('Blocked', 'Waiting') and f.severity = 'blocks'
                        and f.cause ~ '^(item|supplier)-unmapped|^party-(doubtful|missing)'),
                asked as (
                    select case when f.cause ~ '^item-unmapped' then 'ITEMS' else 'PARTIES' end as master,
                        count(distinct f.cause) as causes
                    from finding f join record d on d.id = f.record_id
                    where d.route_id = :route and d.state in ('Blocked', 'Waiting') and f.severity = 'blocks'
                        and f.cause ~ '^(item|supplier)-unmapped|^party-(doubtful|missing)' group by 1)
                select h.master, h.currency, max(a.causes)::int as causes, sum(h.gross)::bigint as gross
                from held h join asked a on a.master = h.master group by h.master, h.currency""").param("route", route.id()).query(Held.class).list();
    }
}
