package alcabala.server.settings;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Trigger;
import alcabala.accounting.whatif.Prospect;
import alcabala.server.compile.Compilers;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.EnteredHeld;
import alcabala.server.crossing.EnteredHeld.Coming;
import alcabala.server.crossing.HeldBack;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.SumJson;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.settings.ChangedFates.ChangedFate;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What becomes of all that wait of a kind under other decisions about it, month by month. Changes nothing.
@Component
class CrossingEffect {
    private static final int CHUNK = 2000;
    private static final String WAITING =
            " route_id = :route and kind = any(:kinds) and not voided and (outcome is null or outcome in ('refused', 'unreached'))";
    private final JdbcClient jdbc;
    private final SettingStore store;
    private final Compilers compilers;
    private final Compiling compiling;
    private final EnteredHeld entered;
    private final ChangedFates changedFates;

    record ProspectSum(Prospect prospect, int count, List<SumJson> sums) {}

    /// @param month its first day
    record ProspectMonth(LocalDate month, List<ProspectSum> prospects) {}

    /// @param waiting how many have not crossed
    /// @param now what becomes of them as it is decided
    /// @param would what would become of them
    /// @param months of what would, by the months of their own dates
    /// @param stranded payments that have not crossed, for documents that would be left behind and are not now
    /// @param strandedSums what these are of
    /// @param coming documents that the ledger alone has, and that would be brought to the source
    /// @param comingSums what these are of
    /// @param changedThere what would become of those that were changed on the ledger
    record CrossingPreview(
            int waiting,
            List<ProspectSum> now,
            List<ProspectSum> would,
            List<ProspectMonth> months,
            int stranded,
            List<SumJson> strandedSums,
            int coming,
            List<SumJson> comingSums,
            List<ChangedFate> changedThere) {}

    private record Waiting(long id, Origin origin, Set<Milestone> reached, boolean heldBack, Record record) {}

    /// Counts and minor units by currency.
    private static final class Gathered {
        private final Map<Prospect, Map<String, Long>> sums = new EnumMap<>(Prospect.class);
        private final Map<Prospect, Integer> counts = new EnumMap<>(Prospect.class);

        void add(Prospect prospect, Record record) {
            counts.merge(prospect, 1, Integer::sum);
            sums.computeIfAbsent(prospect, each -> new HashMap<>())
                    .merge(
                            record.currency().getCode(),
                            record.kind().sign() * record.gross().getAmountMinorLong(),
                            Math::addExact);
        }

        List<ProspectSum> said() {
            return Stream.of(Prospect.values())
                    .filter(counts::containsKey)
                    .map(each -> new ProspectSum(each, counts.get(each), SumJson.of(sums.get(each))))
                    .toList();
        }
    }

    private final class Gathering {
        private final RouteRow route;
        private final RouteSettings before;
        private final RouteSettings after;
        private final Gathered now = new Gathered();
        private final Gathered would = new Gathered();
        private final Map<LocalDate, Gathered> months = new TreeMap<>();
        private final List<Record> newlyLeft = new ArrayList<>();

        Gathering(RouteRow route, RouteSettings before, RouteSettings after) {
            this.route = route;
            this.before = before;
            this.after = after;
        }

        private boolean goesOtherwise(RecordKind kind) {
            return before.trigger(kind) != after.trigger(kind) || before.crosses(kind) != after.crosses(kind);
        }

        void add(List<Waiting> chunk, Compiler was, Compiler becomes) {
            Map<Long, Record> records = chunk.stream().collect(Collectors.toMap(Waiting::id, Waiting::record));
            LongFunction<Compilation> old = compiling.with(route, was, records);
            LongFunction<Compilation> other = compiling.with(route, becomes, records);
            for (Waiting each : chunk) {
                Prospect prospect = held(each, prospect(each, old.apply(each.id()), before));
                Prospect another = prospect(each, other.apply(each.id()), after);
                another = goesOtherwise(each.record().kind()) ? another : held(each, another);
                now.add(prospect, each.record());
                would.add(another, each.record());
                months.computeIfAbsent(each.record().date().withDayOfMonth(1), month -> new Gathered())
                        .add(another, each.record());
                if (another == Prospect.LEFT_BEHIND && prospect != Prospect.LEFT_BEHIND) {
                    newlyLeft.add(each.record());
                }
            }
        }
    }

    /// What was there before its kind went by itself waits, until that is decided anew.
    private static Prospect held(Waiting each, Prospect prospect) {
        return prospect == Prospect.GOES && each.heldBack() ? Prospect.HELD : prospect;
    }

    CrossingEffect(
            JdbcClient jdbc,
            SettingStore store,
            Compilers compilers,
            Compiling compiling,
            EnteredHeld entered,
            ChangedFates changedFates) {
        this.changedFates = changedFates;
        this.entered = entered;
        this.jdbc = jdbc;
        this.store = store;
        this.compilers = compilers;
        this.compiling = compiling;
    }

    CrossingPreview of(RouteRow route, List<RecordKind> kinds, RouteSettings after, Progress at) {
        RouteSettings before = store.of(route.id());
        Compiler was = compilers.with(route, before);
        Compiler becomes = compilers.with(route, after);
        int all = count(route, kinds);
        Gathering gathering = new Gathering(route, before, after);
        int done = 0;
        long last = 0;
        for (List<Waiting> chunk = chunk(route, kinds, last); !chunk.isEmpty(); chunk = chunk(route, kinds, last)) {
            gathering.add(chunk, was, becomes);
            last = chunk.getLast().id();
            done += chunk.size();
            at.at(done, Math.max(all, done));
        }
        Map<String, Long> stranded = new HashMap<>();
        int payments = stranded(route, gathering.newlyLeft, stranded);
        List<Coming> coming = coming(route, kinds, after);
        return new CrossingPreview(
                done,
                gathering.now.said(),
                gathering.would.said(),
                gathering.months.entrySet().stream()
                        .map(each ->
                                new ProspectMonth(each.getKey(), each.getValue().said()))
                        .toList(),
                payments,
                SumJson.of(stranded),
                coming.stream().mapToInt(Coming::count).sum(),
                SumJson.of(coming.stream()
                        .collect(Collectors.toMap(
                                Coming::currency,
                                each -> Amounts.minor(each.currency(), each.gross()),
                                Math::addExact))),
                changedFates.of(route, kinds, after));
    }

    private List<Coming> coming(RouteRow route, List<RecordKind> kinds, RouteSettings after) {
        return kinds.stream()
                .filter(kind -> kind.isDocument() && after.comesBack(kind) && entered.isTaken(route))
                .flatMap(kind ->
                        entered.coming(route, kind, after.findCutOff(kind).orElse(null)).stream())
                .toList();
    }

    /// What was entered on the ledger goes back as soon as it is known, whatever triggers the others.
    private static Prospect prospect(Waiting each, Compilation compiled, RouteSettings decided) {
        return each.origin() == Origin.LEDGER
                ? Prospect.of(compiled, Trigger.APPROVED, Set.of(Milestone.APPROVED))
                : Prospect.of(compiled, decided.trigger(each.record().kind()), each.reached());
    }

    private int count(RouteRow route, List<RecordKind> kinds) {
        return jdbc.sql("select count(*) from record where" + WAITING)
                .param("route", route.id())
                .param("kinds", words(kinds))
                .query(Integer.class)
                .single();
    }

    private List<Waiting> chunk(RouteRow route, List<RecordKind> kinds, long after) {
        return jdbc.sql("select d.id, d.origin, d.milestones," + HeldBack.HELD_BACK + "as held_back, " + Stored.COLUMN
                        + " from record d" + Stored.JOIN
                        + "where d.id in (select id from record where" + WAITING
                        + " and id > :after order by id limit :most) order by d.id")
                .param("route", route.id())
                .param("kinds", words(kinds))
                .param("after", after)
                .param("most", CHUNK)
                .query(CrossingEffect::waiting)
                .list();
    }

    private static Waiting waiting(ResultSet row, int n) throws SQLException {
        return new Waiting(
                row.getLong("id"),
                row.getString("origin").equals("ledger") ? Origin.LEDGER : Origin.SOURCE,
                Stream.of((String[]) row.getArray("milestones").getArray())
                        .map(Milestone::valueOf)
                        .collect(Collectors.toSet()),
                row.getBoolean("held_back"),
                Stored.record(row.getString("content")));
    }

    private static String[] words(List<RecordKind> kinds) {
        return kinds.stream().map(RecordKind::word).toArray(String[]::new);
    }

    /// Money for what stays behind would wait for ever.
    private int stranded(RouteRow route, List<Record> left, Map<String, Long> sums) {
        record Sum(String currency, int count, long gross) {}
        List<Sum> found = jdbc.sql("""
                select s.currency, count(*)::int as count, sum(signed(s.kind, s.gross))::bigint as gross from record s
                where s.route_id = :route and not s.voided and s.outcome is null and exists (
                    select 1 from allocation a join unnest(cast(:kinds as text[]), cast(:numbers as text[])) as x (kind, number)
                        on x.kind = a.kind and x.number = a.number where a.record_id = s.id)
                group by s.currency""")
                .param("route", route.id())
                .param("kinds", left.stream().map(each -> each.kind().word()).toArray(String[]::new))
                .param("numbers", left.stream().map(Record::number).toArray(String[]::new))
                .query(Sum.class)
                .list();
        found.forEach(each -> sums.put(each.currency(), each.gross()));
        return found.stream().mapToInt(Sum::count).sum();
    }
}
