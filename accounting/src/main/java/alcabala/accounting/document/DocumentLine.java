package alcabala.accounting.document;

import java.math.BigDecimal;
import org.joda.money.Money;

/// One line. Text that is not known is empty.
///
/// @param item the seller's identifier of the item (EN 16931 BT-155), empty for a line without one
/// @param itemName the item's own name (BT-153) when it is not the description
/// @param note about this line (BT-127), such as the worker's
/// @param category the source's category of the item, empty when it has none
/// @param project the project or job that it is for (EN 16931 BT-11), empty when there is none
/// @param price for `baseQuantity` units (BT-146, BT-149), without tax or with it as the document's price mode says
/// @param adjustment charges less allowances of this line (BT-141 less BT-136)
/// @param amount the line's amount as the document states it (BT-131)
public record DocumentLine(
        String id,
        LineKind kind,
        String item,
        String description,
        String itemName,
        String note,
        String category,
        String project,
        BigDecimal quantity,
        String unit,
        BigDecimal price,
        BigDecimal baseQuantity,
        Money adjustment,
        Money amount,
        TaxCombination tax) {
    /// The same line at another amount, as when a share of a document's allowance is taken off it.
    public DocumentLine withAmount(Money other) {
        return new DocumentLine(
                id,
                kind,
                item,
                description,
                itemName,
                note,
                category,
                project,
                quantity,
                unit,
                price,
                baseQuantity,
                adjustment,
                other,
                tax);
    }
}
