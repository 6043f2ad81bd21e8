package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// The exact journal entry to be sent, of a record that concerns accounts alone and no party.
///
/// @param reference what it says on the slip, or empty
/// @param gross what is booked on the account of its first line
/// @param entries add up to nothing
public record LedgerJournal(
        RecordKind kind,
        String number,
        LocalDate date,
        CurrencyUnit currency,
        ExchangeRate rate,
        String reference,
        String note,
        Money gross,
        List<Entry> entries)
        implements LedgerEntry {
    public LedgerJournal {
        entries = List.copyOf(entries);
    }

    /// @param amount positive is debit
    public record Entry(String account, Map<String, String> dimensions, String text, Money amount) {
        public Entry {
            dimensions = Map.copyOf(dimensions);
        }
    }

    @Override
    public String party() {
        return "";
    }

    @Override
    public String partyCounterpart() {
        return "";
    }

    /// None of it is owed by anybody.
    @Override
    public String controlAccount() {
        return "";
    }

    @Override
    public Money net() {
        return gross;
    }

    @Override
    public Money tax() {
        return Money.zero(currency);
    }

    @Override
    public LedgerJournal onDay(LocalDate day) {
        return new LedgerJournal(kind, number, day, currency, rate, reference, note, gross, entries);
    }
}
