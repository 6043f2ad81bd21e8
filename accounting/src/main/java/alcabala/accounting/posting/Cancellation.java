package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Takes back what stands there, as if it had never been: what it settled is open again.
///
/// @param cancelled what was sent
public record Cancellation(LedgerSettlement cancelled) implements LedgerEntry {
    @Override
    public RecordKind kind() {
        return cancelled.kind();
    }

    @Override
    public String number() {
        return cancelled.number();
    }

    @Override
    public LocalDate date() {
        return cancelled.date();
    }

    @Override
    public CurrencyUnit currency() {
        return cancelled.currency();
    }

    @Override
    public ExchangeRate rate() {
        return cancelled.rate();
    }

    @Override
    public String party() {
        return cancelled.party();
    }

    @Override
    public String partyCounterpart() {
        return cancelled.partyCounterpart();
    }

    @Override
    public String controlAccount() {
        return cancelled.controlAccount();
    }

    @Override
    public Money net() {
        return gross();
    }

    @Override
    public Money tax() {
        return cancelled.tax();
    }

    /// What is taken back, so negative.
    @Override
    public Money gross() {
        return cancelled.gross().negated();
    }

    /// It stands on the day of what it takes back.
    @Override
    public Cancellation onDay(LocalDate day) {
        return this;
    }
}
