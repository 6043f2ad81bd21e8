package alcabala.connectors.ledger;

import java.math.BigDecimal;

/// How much of everything the ledger has. Sums are of sales in its own currency, credit notes count negative.
public record LedgerCounts(
        long parties, long items, long documents, BigDecimal gross, BigDecimal paid, BigDecimal open) {}
