package alcabala.server.crossing;

import alcabala.connectors.Kept;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.Copy;
import java.util.Collection;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Keeps what each line of a ledger's documents says and where it was booked, whoever entered it.
@Component
class BookedLines {
    private static final int LONGEST_TEXT = 300;
    private final JdbcClient jdbc;
    private final DataSource dataSource;

    BookedLines(JdbcClient jdbc, DataSource dataSource) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
    }

    /// As they stand there now; settlements have no such lines. Within the transaction that moves the feed's
    /// cursor.
    void keep(long ledgerId, Collection<LedgerRecord> records) {
        List<LedgerRecord> documents = records.stream()
                .filter(record -> record.recordKind().isDocument())
                .toList();
        if (documents.isEmpty()) {
            return;
        }
        jdbc.sql("delete from ledger_booked where ledger_id = :ledger and ledger_ref = any(:refs)")
                .param("ledger", ledgerId)
                .param("refs", documents.stream().map(LedgerRecord::id).toArray(String[]::new))
                .update();
        Copy rows = new Copy();
        documents.stream().filter(document -> !document.isVoided()).forEach(document -> put(rows, ledgerId, document));
        rows.send(dataSource, "ledger_booked (ledger_id, ledger_ref, ordinal, kind, party, day, text, account)");
    }

    private static void put(Copy rows, long ledgerId, LedgerRecord document) {
        int ordinal = 0;
        for (LedgerRecord.Line line : document.lines()) {
            if (line.amount().signum() == 0) {
                continue;
            }
            rows.value(ledgerId)
                    .value(document.id())
                    .value(++ordinal)
                    .value(document.kind())
                    .value(document.party())
                    .value(document.date())
                    .value(text(line.text()))
                    .value(line.account())
                    .endRow();
        }
    }

    /// Nobody checked it so far: it may hold what no text column takes.
    private static String text(String said) {
        String text = said == null ? "" : Kept.text(said).strip();
        int end = text.offsetByCodePoints(0, Math.min(text.codePointCount(0, text.length()), LONGEST_TEXT));
        return text.substring(0, end);
    }
}
