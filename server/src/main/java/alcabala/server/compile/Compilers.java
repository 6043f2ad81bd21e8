package alcabala.server.compile;

import alcabala.accounting.batch.BatchOptions;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.Route;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.platform.CommittedCache;
import alcabala.server.record.Refs;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The compiler of a route at the present state of its crosswalk and ledger.
@Component
public class Compilers {
    /// What a record says that it uses, of kinds of which there may be very many.
    private static final Pattern OF_MANY = Pattern.compile("(item|party|supplier):");
    private final JdbcClient jdbc;
    private final Routes routes;
    private final CrosswalkStore store;
    private final LedgerReference reference;
    private final PartyMatchers matchers;
    private final SettingStore settings;
    private final CommittedCache<Long, Compiler> cache = new CommittedCache<>();

    Compilers(
            JdbcClient jdbc,
            Routes routes,
            CrosswalkStore store,
            LedgerReference reference,
            PartyMatchers matchers,
            SettingStore settings) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.store = store;
        this.reference = reference;
        this.matchers = matchers;
        this.settings = settings;
    }

    /// The versions are read every time, so a change made by another server process is never missed.
    public Compiler of(long routeId) {
        return cache.get(routeId, version(routeId), () -> build(routes.get(routeId)));
    }

    private String version(long routeId) {
        return jdbc.sql("""
                select r.crosswalk_version || '/' || coalesce(r.ledger_id, 0) || '/' || coalesce(l.version, 0) || '/'
                    || coalesce(l.kept_version, 0)
                from route r left join ledger l on l.id = r.ledger_id where r.id = :id""").param("id", routeId).query(String.class).single();
    }

    private Compiler build(RouteRow route) {
        return with(route, settings.of(route.id()));
    }

    /// The compiler as it would be if one row said something else.
    ///
    /// @param meaning empty for no row
    public Compiler with(RouteRow route, RowKind kind, String code, Optional<Meaning> meaning) {
        return with(
                route,
                settings.of(route.id()),
                rowsWith(route, kind, code, meaning),
                reference.profile(route.ledgerId()));
    }

    /// The same for what was booked already: an account that is not in use any more was then.
    public Compiler ofPosted(RouteRow route, RowKind kind, String code, Optional<Meaning> meaning) {
        return with(
                route,
                settings.of(route.id()),
                rowsWith(route, kind, code, meaning),
                reference.profile(route.ledgerId()).withAllInUse());
    }

    private List<CrosswalkRow> rowsWith(RouteRow route, RowKind kind, String code, Optional<Meaning> meaning) {
        List<CrosswalkRow> rows = new ArrayList<>(store.rows(route.id()));
        rows.removeIf(row -> row.kind() == kind && row.code().equals(code));
        meaning.ifPresent(said -> rows.add(new CrosswalkRow(kind, code, said, 0, "", Instant.EPOCH)));
        return rows;
    }

    /// The compiler of one record with the crosswalk as it stood at a moment. A party that was created by what
    /// was sent then is known by now, and is not asked about again.
    public Compiler at(RouteRow route, Instant moment, long id, Record record) {
        Set<String> codes = Refs.of(record).stream()
                .filter(ref -> OF_MANY.matcher(ref).lookingAt())
                .map(ref -> ref.substring(ref.indexOf(':') + 1))
                .collect(Collectors.toSet());
        List<CrosswalkRow> rows = new ArrayList<>(store.rowsAt(route.id(), moment, id, codes));
        Set<String> parties = rows.stream()
                .filter(row -> row.kind() == RowKind.PARTY)
                .map(CrosswalkRow::code)
                .collect(Collectors.toSet());
        store.rows(route.id(), RowKind.PARTY, codes).stream()
                .filter(row -> !parties.contains(row.code()) && row.saysCounterpart())
                .map(row -> new CrosswalkRow(
                        row.kind(),
                        row.code(),
                        Meaning.of(RowKind.PARTY, row.counterpart(), ""),
                        row.version(),
                        row.setBy(),
                        row.setAt()))
                .forEach(rows::add);
        return with(
                route,
                settings.of(route.id()),
                rows,
                reference.profile(route.ledgerId()).withAllInUse());
    }

    /// As the route stands now, with what a batch decides on top of it.
    public Compiler of(RouteRow route, BatchOptions options) {
        return options.isEmpty() ? of(route.id()) : with(route, options.on(settings.of(route.id())));
    }

    /// The compiler as it would be with other settings.
    public Compiler with(RouteRow route, RouteSettings settings) {
        if (route.leadsNowhere()) {
            return Compiler.unrouted(compiled(route, settings));
        }
        return with(route, settings, store.rows(route.id()), reference.profile(route.ledgerId()));
    }

    private Compiler with(RouteRow route, RouteSettings settings, List<CrosswalkRow> rows, LedgerProfile ledger) {
        return new Compiler(Crosswalk.of(rows, matchers.of(route.ledgerId())), compiled(route, settings), ledger);
    }

    private static Route compiled(RouteRow route, RouteSettings settings) {
        return new Route(route.code(), route.source(), route.ledger(), settings);
    }
}
