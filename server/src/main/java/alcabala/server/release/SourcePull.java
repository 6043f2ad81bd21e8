package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.Ownership;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceConnector;
import alcabala.connectors.source.SourceFeed;
import alcabala.connectors.source.SourceLookup;
import alcabala.server.connect.RouteRow;
import alcabala.server.connect.Routes;
import alcabala.server.connect.SourceCatalogue;
import alcabala.server.connect.Sources;
import alcabala.server.map.Compilers;
import alcabala.server.release.DocumentWriter.Written;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Intake from an operational app: page by page, each with its cursor in one transaction, so that a crash repeats or
/// loses nothing.
@Component
public class SourcePull {
    private static final int PAGE = 500;
    private final Sources sources;
    private final Routes routes;
    private final SourceCatalogue catalogue;
    private final Compilers compilers;
    private final DocumentWriter writer;
    private final TransactionTemplate transaction;

    /// What a pull brought.
    public record Pulled(int added, int changed) {}

    SourcePull(
            Sources sources,
            Routes routes,
            SourceCatalogue catalogue,
            Compilers compilers,
            DocumentWriter writer,
            TransactionTemplate transaction) {
        this.sources = sources;
        this.routes = routes;
        this.catalogue = catalogue;
        this.compilers = compilers;
        this.writer = writer;
        this.transaction = transaction;
    }

    public Pulled pull(RouteRow route, String who) {
        SourceConnector source = sources.of(route.sourceId());
        Written total = new Written(0, 0, 0);
        boolean more = true;
        while (more) {
            long cursor = routes.findCursor(route.sourceId());
            SourceFeed feed = source.changes(cursor, PAGE);
            total = total.plus(transaction.execute(status -> {
                routes.lock(route.id());
                if (routes.findCursor(route.sourceId()) != cursor) {
                    return new Written(0, 0, 0);
                }
                Written written = take(route, feed.changes(), who);
                routes.setCursor(route.sourceId(), feed.next());
                return written;
            }));
            more = feed.more();
        }
        return new Pulled(total.added(), total.changed());
    }

    /// Within a transaction that holds the route.
    public Written take(RouteRow route, List<SourceChange> changes, String who) {
        catalogue.keep(route.sourceId(), changes);
        SourceLookup lookup = catalogue.lookup(route.sourceId());
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
                                changed.approved(),
                                changed.voided()));
            }
        }
        return writer.write(route, compilers.of(route.id()), List.copyOf(incoming.values()), who);
    }
}
