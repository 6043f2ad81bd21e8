package alcabala.connectors.ledger;

import java.math.BigDecimal;
import java.time.LocalDate;

/// What one unit of a currency is worth in the ledger's own, from a day until the next.
public record LedgerRate(String currency, LocalDate day, BigDecimal rate) {
    /// `USD 2026-11-20`.
    public String code() {
        return currency + " " + day;
    }
}
