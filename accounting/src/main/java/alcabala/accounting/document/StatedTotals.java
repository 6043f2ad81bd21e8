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
public record StatedTotals(Money lines, Money allowances, Money charges, Money net, Money tax, Money gross) {}
