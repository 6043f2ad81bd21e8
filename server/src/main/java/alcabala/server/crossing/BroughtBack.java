package alcabala.server.crossing;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.record.RecordKind;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Tells a source once more what its ledger was last seen to say of a record in the fields that come back, whatever was
/// told before.
@Component
public class BroughtBack {
    private static final String WHO = "Alcabala";
    private static final String[] DOCUMENTS = Stream.of(RecordKind.values())
            .filter(RecordKind::isDocument)
            .map(RecordKind::word)
            .toArray(String[]::new);
    private final JdbcClient jdbc;
    private final FieldsBack fields;
    private final Links links;
    private final TransactionTemplate transaction;

    BroughtBack(JdbcClient jdbc, FieldsBack fields, Links links, TransactionTemplate transaction) {
        this.jdbc = jdbc;
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

    /// What the ledger made of those documents of a batch that stand there by now: told while the batch is
    /// open, so that a number is on its source before its customer gets it. Where nothing is told it costs one
    /// statement.
    void ofBatch(RouteRow route, long batchId) {
        List<CrosswalkRow> rows = fields.rows(route.id());
        if (rows.isEmpty()) {
            return;
        }
        transaction.executeWithoutResult(status -> noted(batchId)
                .forEach(record -> links.findSeen(record)
                        .ifPresent(there -> fields.note(route.id(), record, rows, Optional.empty(), there, WHO))));
        fields.tell(route.ledgerId(), WHO);
    }

    private List<Long> noted(long batchId) {
        return jdbc.sql("""
                update dispatch p set told_back = true from record d
                where p.batch_id = :batch and p.outcome = 'posted' and not p.told_back and p.undoes is null
                    and d.id = p.record_id and d.origin = 'source' and d.kind = any(:documents) returning d.id""")
                .param("batch", batchId)
                .param("documents", DOCUMENTS)
                .query(Long.class)
                .list();
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
