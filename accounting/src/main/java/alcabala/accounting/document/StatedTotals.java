package alcabala.accounting.document;

import org.joda.money.Money;

/// The totals the document itself states.
///
/// @param lines sum of line amounts (EN 16931 BT-106); in the document's price mode
/// @param allowances BT-107
/// @param charges BT-108
/// @param net without tax (BT-109)
/// @param tax BT-110
/// @param gross with tax (BT-112)
/// @param prepaid what was paid before (BT-113)
/// @param rounding what the document adds so that a round amount is payable (BT-114)
/// @param payable BT-115
public record StatedTotals(
        Money lines,
        Money allowances,
        Money charges,
        Money net,
        Money tax,
        Money gross,
        Money prepaid,
        Money rounding,
        Money payable) {
    /// Nothing prepaid, nothing rounded.
    public StatedTotals(Money lines, Money allowances, Money charges, Money net, Money tax, Money gross) {
        this(
                lines,
                allowances,
                charges,
                net,
                tax,
                gross,
                Money.zero(gross.getCurrencyUnit()),
                Money.zero(gross.getCurrencyUnit()),
                gross);
    }

    /// What the other party owes by the document, whatever was paid before: with tax, and with what the document
    /// rounds.
    public Money owed() {
        return gross.plus(rounding);
    }
}
