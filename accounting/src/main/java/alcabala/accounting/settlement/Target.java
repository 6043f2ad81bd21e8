package alcabala.accounting.settlement;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.tax.TaxBreakdown;
import java.util.List;
import org.joda.money.Money;

/// What is known of a document that a settlement names.
///
/// @param party the customer or supplier of the document
/// @param open what is still to be settled there, by all that is known
/// @param retained what of it is kept back until later, and not released yet
/// @param rate at which it was booked there
/// @param baseOpen what is still to be settled of it in the ledger's base currency
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
        List<TaxBreakdown> taxes,
        String ledgerRef,
        String ledgerNumber) {
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
