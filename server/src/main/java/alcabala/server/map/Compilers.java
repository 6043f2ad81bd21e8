package alcabala.server.map;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.matching.Candidate;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.Route;
import alcabala.server.connect.LedgerReference;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.connect.SourceCatalogue;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The compiler of a route at the present state of its crosswalk and ledger.
@Component
public class Compilers {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final CrosswalkStore store;
    private final LedgerReference reference;
    private final SourceCatalogue catalogue;
    private final Map<Long, Versioned> cache = new ConcurrentHashMap<>();

    private record Versioned(String version, Compiler compiler) {}

    Compilers(
            JdbcClient jdbc,
            Routes routes,
            CrosswalkStore store,
            LedgerReference reference,
            SourceCatalogue catalogue) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.store = store;
        this.reference = reference;
        this.catalogue = catalogue;
    }

    /// The versions are read every time, so a change made by another server process is never missed.
    public Compiler of(long routeId) {
        String version = jdbc.sql("""
                select r.crosswalk_version || '/' || l.version || '/' ||
                    (select count(*) from source_party p where p.source_id = r.source_id)
                from route r join ledger l on l.id = r.ledger_id where r.id = :id""").param("id", routeId).query(String.class).single();
        Versioned cached = cache.get(routeId);
        if (cached != null && cached.version().equals(version)) {
            return cached.compiler();
        }
        Compiler compiler = build(routes.get(routeId));
        cache.put(routeId, new Versioned(version, compiler));
        return compiler;
    }

    private Compiler build(RouteRow route) {
        List<CrosswalkRow> rows = store.rows(route.id());
        return new Compiler(
                Crosswalk.of(rows, doubts(route, rows)),
                new Route(route.code(), route.source(), route.ledger()),
                reference.profile(route.ledgerId()));
    }

    private Map<String, Candidate> doubts(RouteRow route, List<CrosswalkRow> rows) {
        Set<String> known = rows.stream()
                .filter(row -> row.kind() == RowKind.PARTY)
                .map(CrosswalkRow::code)
                .collect(Collectors.toSet());
        PartyMatcher matcher = new PartyMatcher(reference.parties(route.ledgerId()));
        Map<String, Candidate> doubts = new HashMap<>();
        for (Party party : catalogue.parties(route.sourceId())) {
            if (!known.contains(party.code())) {
                matcher.rank(party).stream().findFirst().ifPresent(best -> doubts.put(party.code(), best));
            }
        }
        return doubts;
    }
}
