package alcabala.connectors.ledger;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/// A document as it stands on the ledger.
public record LedgerRecord(
        String id,
        int version,
        String number,
        String kind,
        String party,
        LocalDate date,
        LocalDate due,
        boolean pricesIncludeTax,
        String externalReference,
        BigDecimal net,
        BigDecimal tax,
        BigDecimal gross,
        BigDecimal paid,
        List<Line> lines,
        List<JournalEntry> journal) {

    public record Line(
            int no,
            String item,
            String account,
            String text,
            BigDecimal quantity,
            BigDecimal unitPrice,
            BigDecimal amount,
            String taxCode) {}

    public record JournalEntry(String account, BigDecimal debit, BigDecimal credit) {}
}
