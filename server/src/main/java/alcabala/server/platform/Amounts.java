package alcabala.server.platform;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Amounts between minor units in the database, decimal strings in the API and words on screen.
public final class Amounts {
    private Amounts() {}

    public static Money money(String currency, long minor) {
        return Money.ofMinor(CurrencyUnit.of(currency), minor);
    }

    /// @throws ArithmeticException when the amount is finer than the currency allows
    public static long minor(String currency, BigDecimal amount) {
        return Money.of(CurrencyUnit.of(currency), amount.stripTrailingZeros()).getAmountMinorLong();
    }

    /// In the currency's own decimals, such as `133.05`.
    public static String decimal(String currency, long minor) {
        return decimal(money(currency, minor));
    }

    public static String decimal(Money money) {
        return money.getAmount().toPlainString();
    }

    /// `€6,120.40`, or as whoever reads it writes figures.
    public static String shown(Money money) {
        String sign = money.getCurrencyUnit().toCurrency().getSymbol(Locale.UK);
        String between = sign.equals(money.getCurrencyUnit().getCode()) ? "\u00a0" : "";
        String figure = Writing.now().figure(money.getAmount().abs());
        return (money.isNegative() ? "-" : "") + sign + between + figure;
    }

    /// `€6,120.40 and $75.00`.
    ///
    /// @param minor minor units by currency
    public static String shown(Map<String, Long> minor) {
        return new TreeMap<>(minor)
                .entrySet().stream()
                        .map(each -> shown(money(each.getKey(), each.getValue())))
                        .collect(Collectors.joining(" and "));
    }

    /// What somebody typed, as she writes figures; empty when it is no amount of that currency.
    public static Optional<Money> typed(String currency, String text) {
        try {
            return Writing.now().typed(text).map(figure -> Money.of(CurrencyUnit.of(currency), figure));
        } catch (ArithmeticException e) {
            return Optional.empty();
        }
    }
}
