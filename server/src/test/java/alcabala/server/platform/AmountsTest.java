package alcabala.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import org.joda.money.Money;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Amounts on their way between the database, the API and people.
class AmountsTest {
    @ParameterizedTest
    @CsvSource({
        "EUR, 612040, 6120.40, '€6,120.40'",
        "EUR, -5, -0.05, '-€0.05'",
        "EUR, 0, 0.00, '€0.00'",
        "JPY, 1234, 1234, 'JP¥1,234'",
        "KWD, 1005, 1.005, 'KWD1.005'",
    })
    void theCurrencysOwnDecimalsAreKept(String currency, long minor, String decimal, String shown) {
        assertThat(Amounts.decimal(currency, minor)).isEqualTo(decimal);
        assertThat(Amounts.shown(Amounts.money(currency, minor)).replace("\u00a0", ""))
                .isEqualTo(shown);
    }

    @ParameterizedTest
    @CsvSource({
        "EUR, '1,234.50', EUR 1234.50",
        "EUR, ' 12 ', EUR 12.00",
        "EUR, '1 234.5', EUR 1234.50",
        "JPY, 1234, JPY 1234",
        "EUR, -3, EUR -3.00",
    })
    void whatIsTypedIsUnderstood(String currency, String text, String money) {
        assertThat(Amounts.typed(currency, text)).contains(Money.parse(money));
    }

    @ParameterizedTest
    @CsvSource({"EUR, abc", "EUR, ''", "EUR, 1.005", "JPY, 1.5", "EUR, '1.2.3'"})
    void whatIsNoAmountOfThatCurrencyIsSaid(String currency, String text) {
        assertThat(Amounts.typed(currency, text)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"JPY, 1234, 1234", "JPY, 1234.00, 1234", "KWD, 1.005, 1005", "EUR, 12.3, 1230", "EUR, -0.05, -5"})
    void minorUnitsFollowTheCurrency(String currency, BigDecimal amount, long minor) {
        assertThat(Amounts.minor(currency, amount)).isEqualTo(minor);
    }

    @ParameterizedTest
    @CsvSource({"JPY, 0.5", "EUR, 0.005", "KWD, 0.0005"})
    void whatIsFinerThanTheCurrencyAllowsIsNoAmountOfIt(String currency, BigDecimal amount) {
        assertThatThrownBy(() -> Amounts.minor(currency, amount)).isInstanceOf(ArithmeticException.class);
    }
}
