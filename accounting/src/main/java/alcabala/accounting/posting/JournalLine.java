package alcabala.accounting.posting;

import org.joda.money.Money;

/// One side of a journal: exactly one of debit and credit is positive, the other zero.
public record JournalLine(PostingKey key, Money debit, Money credit) {
    public String account() {
        return key.account();
    }

    public String taxCode() {
        return key.taxCode();
    }

    /// Positive is debit.
    public Money amount() {
        return debit.minus(credit);
    }
}
