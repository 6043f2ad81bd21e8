package alcabala.accounting.posting;

import java.math.BigDecimal;
import java.util.Map;
import org.joda.money.Money;

/// One line of the document as it goes to the ledger. Quantity by price, in the minor unit with halves away from
/// zero, and the adjustment give the amount.
///
/// @param item the source's item code; empty for a line without one
/// @param counterpart the ledger's item; empty when it is to be created on first use, or the line has none
/// @param price for one unit, in the document's price mode
/// @param adjustment charges less allowances of the line, less its share of the document's, and what the source rounded
/// @param amount in the document's price mode, after its share of the document's allowances
/// @param taxCode the ledger's code; empty on the rounding line
/// @param dimensions the ledger's values by the ledger's dimensions, as far as any are known
public record LedgerLine(
        String item,
        String counterpart,
        String description,
        BigDecimal quantity,
        BigDecimal price,
        Money adjustment,
        Money amount,
        String account,
        String taxCode,
        Map<String, String> dimensions) {
    /// One unit at its amount, which names no item.
    static LedgerLine of(String description, Money amount, PostingKey key) {
        return at(amount, "", "", description, BigDecimal.ONE, amount.getAmount(), key);
    }

    /// The same, for the item of the source that another names if the ledger names one, and taxed as that is told to
    /// be.
    LedgerLine as(LedgerLine other) {
        return new LedgerLine(
                counterpart.isEmpty() ? "" : other.item,
                counterpart,
                description,
                quantity,
                price,
                adjustment,
                amount,
                account,
                other.taxCode,
                dimensions);
    }

    /// With the adjustment that the other figures leave.
    public static LedgerLine at(
            Money amount,
            String item,
            String counterpart,
            String description,
            BigDecimal quantity,
            BigDecimal price,
            PostingKey key) {
        int decimals = amount.getCurrencyUnit().getDecimalPlaces();
        Money adjustment = amount.minus(UnitPrice.product(price, quantity, decimals));
        return new LedgerLine(
                item,
                counterpart,
                description,
                quantity,
                price,
                adjustment,
                amount,
                key.account(),
                key.taxCode(),
                key.dimensions());
    }
}
