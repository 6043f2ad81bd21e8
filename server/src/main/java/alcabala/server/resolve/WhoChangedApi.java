package alcabala.server.resolve;

import alcabala.accounting.record.RecordKind;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.connectors.spi.Connection;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.platform.ChangedJson;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.util.function.Supplier;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Asks both sides who last changed a record there, and when. What we wrote ourselves is nobody's change.
@RestController
@RequestMapping("/api/documents/{id}/who-changed")
class WhoChangedApi {
    private final Records records;
    private final Routes routes;
    private final Sources sources;
    private final Ledgers ledgers;

    /// Of either side, as far as it tells, answers and has it.
    record WhoChangedJson(ChangedJson source, ChangedJson ledger) {}

    WhoChangedApi(Records records, Routes routes, Sources sources, Ledgers ledgers) {
        this.records = records;
        this.routes = routes;
        this.sources = sources;
        this.ledgers = ledgers;
    }

    /// A POST, since it goes out to both.
    @PostMapping
    WhoChangedJson ask(@PathVariable long id) {
        Records.Row record = records.get(id);
        RouteRow route = routes.get(record.routeId());
        boolean told = !route.fromFiles() && record.origin().equals("source");
        return new WhoChangedJson(
                told ? changed(() -> sources.of(route.sourceId()), record, record.sourceRef()) : null,
                route.ledgerAnswers() ? changed(() -> ledgers.of(route.ledgerId()), record, record.ledgerRef()) : null);
    }

    private static ChangedJson changed(Supplier<Connection> side, Records.Row record, String ref) {
        if (ref == null || ref.isEmpty()) {
            return null;
        }
        try {
            return side.get()
                    .find(TellsWhoChanged.class)
                    .flatMap(tells ->
                            tells.recordChanged(RecordKind.of(record.kind()).family(), ref))
                    .filter(change -> !change.own())
                    .map(ChangedJson::of)
                    .orElse(null);
        } catch (UnreachableException e) {
            return null;
        }
    }
}
