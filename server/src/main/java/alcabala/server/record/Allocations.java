package alcabala.server.record;

import alcabala.accounting.document.Document;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import alcabala.server.platform.Copy;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Which settlement settles how much of which document, as its source says it now.
@Component
public class Allocations {
    private final JdbcClient jdbc;
    private final DataSource dataSource;

    /// One settlement of a document.
    ///
    /// @param settled minor units; negative where it came back
    public record Of(long recordId, String number, String kind, String state, long settled, String currency) {}

    Allocations(JdbcClient jdbc, DataSource dataSource) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
    }

    /// In the place of what was said of these records before.
    public void write(Map<Long, Record> records) {
        Map<Long, Record> settling = records.entrySet().stream()
                .filter(each -> !each.getValue().kind().isDocument())
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        if (settling.isEmpty()) {
            return;
        }
        jdbc.sql("delete from allocation where record_id = any(:ids)")
                .param("ids", settling.keySet().toArray(Long[]::new))
                .update();
        Copy copy = new Copy();
        settling.forEach((id, record) -> {
            switch (record) {
                case Settlement settlement -> put(copy, id, settlement);
                case Banking banking -> put(copy, id, banking);
                case Document document -> {}
            }
        });
        copy.send(dataSource, "allocation (record_id, ordinal, kind, number, money, settled, retained)");
    }

    private static void put(Copy copy, long id, Settlement settlement) {
        int sign = settlement.kind().isReturn() ? -1 : 1;
        int ordinal = 0;
        for (Allocation each : settlement.allocations()) {
            copy.value(id)
                    .value(++ordinal)
                    .value(each.kind().word())
                    .value(each.number())
                    .value(each.money().getAmountMinorLong())
                    .value(sign * each.settled().getAmountMinorLong())
                    .value(sign * each.retained().getAmountMinorLong())
                    .endRow();
        }
    }

    /// What a receipt is taken to the bank with.
    private static void put(Copy copy, long id, Banking banking) {
        int ordinal = 0;
        for (Banking.Receipt each : banking.receipts()) {
            copy.value(id)
                    .value(++ordinal)
                    .value(each.kind().word())
                    .value(each.number())
                    .value(each.signed().getAmountMinorLong())
                    .value(each.signed().getAmountMinorLong())
                    .value(0L)
                    .endRow();
        }
    }

    /// The settlements of a document, or the banking of one, oldest first.
    public List<Of> of(long documentId) {
        return jdbc.sql("""
                select s.id as record_id, s.number, s.kind, s.state, a.settled, d.currency
                from record d join allocation a on a.number = d.number and a.kind = d.kind
                    join record s on s.id = a.record_id and s.source_id = d.source_id
                where d.id = :id order by s.issue_date, s.id""").param("id", documentId).query(Of.class).list();
    }
}
