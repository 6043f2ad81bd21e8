package alcabala.accounting.posting;

import org.joda.money.Money;

/// One side of a journal: exactly one of debit and credit is positive, the other zero.
public record JournalLine(String account, Money debit, Money credit) {}
