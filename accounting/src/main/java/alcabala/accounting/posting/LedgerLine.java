package alcabala.accounting.posting;

import java.math.BigDecimal;
import org.joda.money.Money;

/// One line of the document as it goes to the ledger.
///
/// @param item the source's item code; empty for a line without one
/// @param counterpart the ledger's item; empty when it is to be created on first use, or the line has none
/// @param amount in the document's price mode, after its share of the document's allowances
/// @param taxCode the ledger's code; empty on the rounding line
public record LedgerLine(
        String item,
        String counterpart,
        String description,
        BigDecimal quantity,
        BigDecimal price,
        Money amount,
        String account,
        String taxCode) {}
