package alcabala.accounting.posting;

import org.joda.money.Money;

/// One side of a journal: of debit and credit one is positive and the other zero, in the record's currency. Both are
/// zero where only the base currency is concerned, as with a difference in exchange.
///
/// @param base in the ledger's base currency, positive is debit; not always of the sign that the amount has
public record JournalLine(PostingKey key, Money debit, Money credit, Money base) {
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
