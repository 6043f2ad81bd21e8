package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Takes back what stands there: what it settled is open again.
///
/// @param cancelled what was sent; no cancellation itself
/// @param on the day of the opposite entry; null for its own, as if it had never been
public record Cancellation(LedgerEntry cancelled, LocalDate on) implements LedgerEntry {
    /// As if it had never been.
    public Cancellation(LedgerEntry cancelled) {
        this(cancelled, null);
    }

    /// What says so where nothing can be taken back in its place: of a document its opposite.
    public LedgerEntry asEntry() {
        return cancelled instanceof LedgerDocument document ? document.reversed(date()) : this;
    }

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
        return on == null ? cancelled.date() : on;
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
        return cancelled.net().negated();
    }

    @Override
    public Money tax() {
        return cancelled.tax().negated();
    }

    /// What is taken back, so negative.
    @Override
    public Money gross() {
        return cancelled.gross().negated();
    }

    /// Its day is decided by the period of what it takes back.
    @Override
    public Cancellation onDay(LocalDate day) {
        return this;
    }
}
