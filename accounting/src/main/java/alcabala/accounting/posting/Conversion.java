package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import java.util.Optional;
import org.joda.money.Money;

/// How a document comes into the books.
///
/// @param whole what all of it comes to in base currency, where that is not what its rate gives
record Conversion(ExchangeRate rate, Optional<Money> whole) {
    static Conversion at(ExchangeRate rate) {
        return new Conversion(rate, Optional.empty());
    }

    /// @param amount not negative
    Money of(Money amount) {
        return whole.orElseGet(() -> rate.convert(amount));
    }
}
