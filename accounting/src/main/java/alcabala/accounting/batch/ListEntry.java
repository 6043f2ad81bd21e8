package alcabala.accounting.batch;

import org.joda.money.Money;

/// One document on somebody's own list.
///
/// @param row of her file, 1-based
/// @param number as it stands there
public record ListEntry(int row, String number, Money amount) {}
