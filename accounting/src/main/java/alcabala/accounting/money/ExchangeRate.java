package alcabala.accounting.money;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// What one unit of a currency is worth in another.
///
/// @param rate units of `to` for one of `from`, more than nothing
/// @param day from which it holds; that of the record for a currency to itself
/// @param origin where it came from
public record ExchangeRate(CurrencyUnit from, CurrencyUnit to, BigDecimal rate, LocalDate day, Origin origin) {
    /// Who says so.
    public enum Origin {
        /// There is nothing to convert.
        SAME,
        SOURCE,
        LEDGER,
        /// The invoice that a credit note belongs to.
        INVOICE
    }

    public ExchangeRate {
        rate = rate.stripTrailingZeros();
        if (rate.signum() <= 0) {
            throw new IllegalArgumentException("a rate of " + rate + " from " + from + " to " + to);
        }
    }

    /// Of a currency to itself.
    public static ExchangeRate same(CurrencyUnit currency, LocalDate day) {
        return new ExchangeRate(currency, currency, BigDecimal.ONE, day, Origin.SAME);
    }

    /// The same, as somebody else has it from there.
    public ExchangeRate by(Origin other) {
        return isSame() ? this : new ExchangeRate(from, to, rate, day, other);
    }

    public boolean isSame() {
        return origin == Origin.SAME;
    }

    /// Rounded to the minor unit, halves away from zero.
    public Money convert(Money amount) {
        return isSame() ? amount : Money.of(to, exact(amount), RoundingMode.HALF_UP);
    }

    /// Not rounded.
    public BigDecimal exact(Money amount) {
        return amount.getAmount().multiply(rate);
    }
}
