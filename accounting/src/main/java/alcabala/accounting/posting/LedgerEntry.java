package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What a record becomes where it goes: exactly what is sent.
public sealed interface LedgerEntry permits LedgerDocument, LedgerSettlement, LedgerJournal, Cancellation {
    RecordKind kind();

    /// Its number there; empty when it gets one there.
    String number();

    LocalDate date();

    CurrencyUnit currency();

    /// At which it is booked in the ledger's base currency.
    ExchangeRate rate();

    /// The source's party code.
    String party();

    /// The party there; empty when it is to be created on first use.
    String partyCounterpart();

    /// Whether its party is created on first use.
    default boolean bringsParty() {
        return kind().hasParty() && partyCounterpart().isEmpty();
    }

    /// The account that gets exactly what the party owes or is owed.
    String controlAccount();

    Money net();

    Money tax();

    Money gross();

    /// The lines that name items; none of what has no lines.
    default List<LedgerLine> lines() {
        return List.of();
    }

    /// The same with the date of its batch.
    LedgerEntry onDay(LocalDate day);

    /// Whether net, tax and gross are those of another.
    default boolean hasSumsOf(LedgerEntry other) {
        return net().equals(other.net()) && tax().equals(other.tax()) && gross().equals(other.gross());
    }
}
