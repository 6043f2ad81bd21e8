package alcabala.accounting.posting;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.money.ExchangeRate.Origin;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.record.Record;
import java.time.LocalDate;
import java.util.Optional;
import java.util.function.Consumer;
import org.joda.money.CurrencyUnit;

/// The rate at which a record is booked: the source's if it states one, else the ledger's for that day (records,
/// section 1).
record Rates(LedgerProfile ledger, Consumer<Finding> findings) {
    /// A finding where the ledger keeps one currency only, or where nobody says the rate; then that of nothing to
    /// convert, so that all else can be checked.
    ///
    /// @param day under which it is booked
    ExchangeRate of(Record record, LocalDate day) {
        CurrencyUnit from = record.currency();
        CurrencyUnit to = ledger.baseCurrency();
        if (from.equals(to)) {
            return ExchangeRate.same(from, day);
        }
        if (!ledger.multiCurrency()) {
            findings.accept(new Finding.CurrencyUnavailable(from.getCode(), to.getCode()));
            return ExchangeRate.same(from, day);
        }
        return stated(record, to, day).or(() -> ofTheLedger(from, to, day)).orElseGet(() -> {
            findings.accept(new Finding.RateUnknown(from.getCode(), to.getCode(), day));
            return ExchangeRate.same(from, day);
        });
    }

    private static Optional<ExchangeRate> stated(Record record, CurrencyUnit to, LocalDate day) {
        StatedRate rate = record.rate();
        return rate == null || !rate.to().equals(to)
                ? Optional.empty()
                : Optional.of(new ExchangeRate(
                        record.currency(), to, rate.rate(), rate.day() == null ? day : rate.day(), Origin.SOURCE));
    }

    private Optional<ExchangeRate> ofTheLedger(CurrencyUnit from, CurrencyUnit to, LocalDate day) {
        return ledger.rates()
                .find(from, day)
                .map(rate -> new ExchangeRate(from, to, rate.getValue(), rate.getKey(), Origin.LEDGER));
    }
}
