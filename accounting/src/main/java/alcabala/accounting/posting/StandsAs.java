package alcabala.accounting.posting;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// A document or payment as it stands on the ledger, as far as it can be kept there.
///
/// @param party the ledger's
/// @param due null for none
/// @param gross what the other party owes by it there
/// @param lines in their order there; of items only the ledger's are known
/// @param note of a document; empty otherwise
/// @param terms the ledger's code, or empty
/// @param fields values by the ledger's fields of the business's own
/// @param means of a payment; empty otherwise
/// @param reference of a payment; empty otherwise
public record StandsAs(
        String number,
        String party,
        LocalDate date,
        LocalDate due,
        Money gross,
        List<LedgerLine> lines,
        String note,
        String terms,
        Map<String, String> fields,
        String means,
        String reference) {
    public StandsAs {
        lines = List.copyOf(lines);
        fields = Map.copyOf(fields);
    }

    /// Of a document.
    public StandsAs(String number, String party, LocalDate date, LocalDate due, Money gross, List<LedgerLine> lines) {
        this(number, party, date, due, gross, lines, "", "");
    }

    /// Of a payment.
    public StandsAs(
            String number,
            String party,
            LocalDate date,
            LocalDate due,
            Money gross,
            List<LedgerLine> lines,
            String means,
            String reference) {
        this(number, party, date, due, gross, lines, "", "", Map.of(), means, reference);
    }
}
