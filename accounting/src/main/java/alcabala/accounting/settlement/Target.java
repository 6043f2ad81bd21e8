package alcabala.accounting.settlement;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.tax.TaxBreakdown;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What is known of a document that a settlement names, or a credit note.
///
/// @param party the customer or supplier of the document
/// @param open what is still to be settled there, by all that is known
/// @param retained what of it is kept back until later, and not released yet
/// @param rate at which it was booked there
/// @param baseOpen what is still to be settled of it in the ledger's base currency
/// @param credited what credit notes that are booked or on their way credit of it
/// @param taxes of the document by the source's combinations of taxes; empty where lines keep their tax
/// @param ledgerRef the other side's own id of the document; empty when it is not there
/// @param ledgerNumber the number that it has there
public record Target(
        Standing standing,
        Party party,
        Money gross,
        Money open,
        Money retained,
        ExchangeRate rate,
        Money baseOpen,
        Credited credited,
        List<TaxBreakdown> taxes,
        String ledgerRef,
        String ledgerNumber) {
    /// In the currency of the document, and in the ledger's base currency.
    public record Credited(Money amount, Money base) {
        public static Credited nothing(CurrencyUnit document, CurrencyUnit base) {
            return new Credited(Money.zero(document), Money.zero(base));
        }

        public Credited plus(Credited other) {
            return new Credited(amount.plus(other.amount), base.plus(other.base));
        }
    }

    /// Whether it is known what it was booked at in these books.
    public boolean isBookedIn(CurrencyUnit base) {
        return rate.to().equals(base);
    }

    /// What a credit note of this amount is in the ledger's base currency: at the rate of the document, never more than
    /// is left of it, and what credits the rest of it takes the rest (records, section 3).
    public Money credit(Money amount) {
        Money after = credited.amount().plus(amount);
        Money left = rate.convert(gross).minus(credited.base());
        Money atItsRate = rate.convert(amount);
        boolean rest = after.equals(gross);
        boolean within = after.isLessThan(gross);
        return rest || within && atItsRate.isGreaterThan(left) ? left : atItsRate;
    }

    /// The same after something more of it is settled, released or credited.
    public Target after(Money settled, Money relieved, Money released, Credited more) {
        return new Target(
                standing,
                party,
                gross,
                open.minus(settled),
                retained.minus(released),
                rate,
                baseOpen.minus(relieved),
                credited.plus(more),
                taxes,
                ledgerRef,
                ledgerNumber);
    }

    /// How far it is.
    public enum Standing {
        /// It stands on the other side.
        CROSSED,
        /// It is still to cross.
        TO_CROSS,
        /// It never will on this route: its kind does not cross, or it is dated before the first day.
        STAYS,
        VOIDED
    }
}
