package alcabala.accounting.posting;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.Money;

/// A document or payment as it stands on the ledger, as far as it can be kept there.
///
/// @param party the ledger's
/// @param due null for none
/// @param gross what the other party owes by it there
/// @param lines in their order there; of items only the ledger's are known
/// @param means of a payment; empty otherwise
/// @param reference of a payment; empty otherwise
public record StandsAs(
        String number,
        String party,
        LocalDate date,
        LocalDate due,
        Money gross,
        List<LedgerLine> lines,
        String means,
        String reference) {
    public StandsAs {
        lines = List.copyOf(lines);
    }

    /// Of a document.
    public StandsAs(String number, String party, LocalDate date, LocalDate due, Money gross, List<LedgerLine> lines) {
        this(number, party, date, due, gross, lines, "", "");
    }
}
