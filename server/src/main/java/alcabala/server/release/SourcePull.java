package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.Ownership;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceConnector;
import alcabala.connectors.source.SourceFeed;
import alcabala.connectors.source.SourceLookup;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.connect.Routing;
import alcabala.server.connect.SourceCatalogue;
import alcabala.server.connect.Sources;
import alcabala.server.map.Compilers;
import alcabala.server.release.DocumentWriter.Written;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Intake from an operational app: page by page, each with its cursor in one transaction, so that a crash repeats or
/// loses nothing.
@Component
public class SourcePull {
    private static final int PAGE = 500;
    private final Sources sources;
    private final Routes routes;
    private final Routing routing;
    private final JdbcClient jdbc;
    private final SourceCatalogue catalogue;
    private final Compilers compilers;
    private final DocumentWriter writer;
    private final TransactionTemplate transaction;

    /// What a pull brought.
    public record Pulled(int added, int changed) {}

    SourcePull(
            Sources sources,
            Routes routes,
            Routing routing,
            JdbcClient jdbc,
            SourceCatalogue catalogue,
            Compilers compilers,
            DocumentWriter writer,
            TransactionTemplate transaction) {
        this.sources = sources;
        this.routes = routes;
        this.routing = routing;
        this.jdbc = jdbc;
        this.catalogue = catalogue;
        this.compilers = compilers;
        this.writer = writer;
        this.transaction = transaction;
    }

    /// Parties, items and categories with the documents of all its sites.
    public Pulled pull(long sourceId, String who) {
        SourceConnector source = sources.of(sourceId);
        Written total = new Written(0, 0, 0);
        boolean more = true;
        while (more) {
            long cursor = routes.findCursor(sourceId);
            SourceFeed feed = source.changes(cursor, PAGE);
            total = total.plus(transaction.execute(status -> {
                routes.lockAllOf(sourceId);
                if (routes.findCursor(sourceId) != cursor) {
                    return new Written(0, 0, 0);
                }
                Written written = take(sourceId, feed.changes(), who);
                routes.setCursor(sourceId, feed.next());
                return written;
            }));
            more = feed.more();
        }
        return new Pulled(total.added(), total.changed());
    }

    /// Within a transaction that holds the routes of the source. What has crossed stays on the way it went; everything
    /// else takes the way of its site.
    public Written take(long sourceId, List<SourceChange> changes, String who) {
        catalogue.keep(sourceId, changes);
        SourceLookup lookup = catalogue.lookup(sourceId);
        Map<String, Incoming> incoming = new LinkedHashMap<>();
        for (SourceChange change : changes) {
            if (change instanceof SourceChange.DocumentChanged changed) {
                Document document = changed.document().apply(lookup).seenBy(Ownership.SELLER);
                incoming.put(
                        changed.id(),
                        new Incoming(
                                changed.id(),
                                document,
                                changed.raw().getBytes(StandardCharsets.UTF_8),
                                "application/json",
                                "",
                                changed.milestones(),
                                changed.voided()));
            }
        }
        Map<String, RouteRow> crossed = crossed(sourceId, incoming.keySet());
        Routing.Ways ways = routing.of(sourceId);
        Map<RouteRow, List<Incoming>> byRoute = incoming.values().stream()
                .collect(Collectors.groupingBy(
                        each -> crossed.containsKey(each.sourceRef())
                                ? crossed.get(each.sourceRef())
                                : ways.to(each.document().site()),
                        LinkedHashMap::new,
                        Collectors.toList()));
        Written written = new Written(0, 0, 0);
        for (Map.Entry<RouteRow, List<Incoming>> entry : byRoute.entrySet()) {
            written = written.plus(
                    writer.write(entry.getKey(), compilers.of(entry.getKey().id()), entry.getValue(), who));
        }
        return written;
    }

    private Map<String, RouteRow> crossed(long sourceId, Set<String> refs) {
        Map<String, RouteRow> crossed = new HashMap<>();
        jdbc.sql("""
                select source_ref, route_id from document where source_id = :source and source_ref = any(:refs)
                    and outcome in ('posted', 'queued', 'sending', 'unconfirmed')""")
                .param("source", sourceId)
                .param("refs", refs.toArray(String[]::new))
                .query((row, n) -> crossed.put(row.getString("source_ref"), routes.get(row.getLong("route_id"))))
                .list();
        return crossed;
    }
}
