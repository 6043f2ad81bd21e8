package alcabala.accounting.posting;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// The exact document to be sent.
///
/// @param rate at which it is booked in the ledger's base currency
/// @param party the source's party code
/// @param partyCounterpart the ledger's party; empty when it is to be created on first use
/// @param controlAccount the account that gets exactly the gross
/// @param number empty when the ledger numbers it, from `series`
/// @param note at the end of the document, or empty
/// @param terms the ledger's code; empty for none
/// @param fields values by the ledger's custom fields, as `FieldType` tells; empty ones take away what is there
/// @param draft whether it arrives as a draft, which the ledger books only once somebody makes it final
/// @param net what the ledger will compute, rounding lines included
/// @param gross what the other party owes, with what the document itself rounds
public record LedgerDocument(
        RecordKind kind,
        String number,
        NumberSeries series,
        LocalDate issueDate,
        LocalDate dueDate,
        CurrencyUnit currency,
        ExchangeRate rate,
        PriceMode priceMode,
        String party,
        String partyCounterpart,
        String controlAccount,
        String precedingNumber,
        List<LedgerLine> lines,
        String note,
        String terms,
        Map<String, String> fields,
        boolean draft,
        boolean toBeEmailed,
        Money net,
        Money tax,
        Money gross)
        implements LedgerEntry {
    /// What was kept before there were terms and fields has none.
    public LedgerDocument {
        terms = terms == null ? "" : terms;
        fields = fields == null ? Map.of() : fields;
    }

    @Override
    public LocalDate date() {
        return issueDate;
    }

    @Override
    public LedgerDocument onDay(LocalDate day) {
        return copy(day, precedingNumber);
    }

    /// The same, told which number the invoice that it credits has on the ledger.
    public LedgerDocument crediting(String number) {
        return copy(issueDate, number);
    }

    /// Takes back what stands there, where nothing can be changed in its place: the same lines under the opposite kind.
    ///
    /// @param day on which it is booked
    public LedgerDocument reversed(LocalDate day) {
        return copy(kind.opposite(), number + "-R", day, dueDate, partyCounterpart, number, lines);
    }

    /// The same, made out to a party that the ledger has by now.
    public LedgerDocument madeOutTo(String counterpart) {
        return copy(kind, number, issueDate, dueDate, counterpart, precedingNumber, lines);
    }

    private LedgerDocument copy(LocalDate day, String preceding) {
        return copy(kind, number, day, dueDate, partyCounterpart, preceding, lines);
    }

    /// The same under another number.
    LedgerDocument numbered(String other) {
        return copy(kind, other, issueDate, dueDate, partyCounterpart, precedingNumber, lines);
    }

    /// @param due null for none
    LedgerDocument dueOn(LocalDate due) {
        return copy(kind, number, issueDate, due, partyCounterpart, precedingNumber, lines);
    }

    /// The same with other lines that come to the same.
    LedgerDocument lined(List<LedgerLine> others) {
        return copy(kind, number, issueDate, dueDate, partyCounterpart, precedingNumber, List.copyOf(others));
    }

    /// The same, saying something else.
    LedgerDocument saying(String note, String terms, Map<String, String> fields) {
        return copy(kind, number, issueDate, dueDate, partyCounterpart, precedingNumber, lines, note, terms, fields);
    }

    private LedgerDocument copy(
            RecordKind kind,
            String number,
            LocalDate day,
            LocalDate due,
            String partyCounterpart,
            String preceding,
            List<LedgerLine> lines) {
        return copy(kind, number, day, due, partyCounterpart, preceding, lines, note, terms, fields);
    }

    private LedgerDocument copy(
            RecordKind kind,
            String number,
            LocalDate day,
            LocalDate due,
            String partyCounterpart,
            String preceding,
            List<LedgerLine> lines,
            String note,
            String terms,
            Map<String, String> fields) {
        return new LedgerDocument(
                kind,
                number,
                series,
                day,
                due,
                currency,
                rate,
                priceMode,
                party,
                partyCounterpart,
                controlAccount,
                preceding,
                lines,
                note,
                terms,
                fields,
                draft,
                toBeEmailed,
                net,
                tax,
                gross);
    }
}
