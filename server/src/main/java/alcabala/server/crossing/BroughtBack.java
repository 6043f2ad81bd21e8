package alcabala.server.crossing;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Tells a source once more what its ledger was last seen to say of a record in the fields that come back, whatever was
/// told before.
@Component
public class BroughtBack {
    private final FieldsBack fields;
    private final Links links;
    private final TransactionTemplate transaction;

    BroughtBack(FieldsBack fields, Links links, TransactionTemplate transaction) {
        this.fields = fields;
        this.links = links;
        this.transaction = transaction;
    }

    /// What there is to tell, by the source's fields; empty where none comes back, or none says anything.
    public Map<String, String> of(RouteRow route, long recordId) {
        Optional<LedgerRecord> there = links.findSeen(recordId);
        return there.isEmpty() ? Map.of() : said(there.get(), fields.rows(route.id()));
    }

    private static Map<String, String> said(LedgerRecord there, List<CrosswalkRow> rows) {
        return rows.stream()
                .filter(row -> !FieldsBack.said(there, row).isEmpty())
                .collect(Collectors.toMap(CrosswalkRow::code, row -> FieldsBack.said(there, row)));
    }

    /// What its app does not take now is told later, as with every run.
    public void again(RouteRow route, long recordId, String who) {
        links.findSeen(recordId).ifPresent(there -> {
            transaction.executeWithoutResult(
                    status -> fields.note(route.id(), recordId, fields.rows(route.id()), Optional.empty(), there, who));
            fields.tell(route.ledgerId(), who);
        });
    }
}
