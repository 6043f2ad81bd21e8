package alcabala.formats.layout;

import java.math.BigDecimal;
import java.time.LocalDate;

/// What a cell says, before it is written in one way or another.
public sealed interface Value {
    Value NOTHING = new Text("");

    record Text(String text) implements Value {
        public Text {
            text = text == null ? "" : text;
        }
    }

    record Day(LocalDate day) implements Value {}

    /// @param decimals that are written at least, such as those of a currency
    record Number(BigDecimal number, int decimals) implements Value {
        /// As it is written: with its own decimals, and at least those that are asked for.
        BigDecimal scaled() {
            BigDecimal bare = number.stripTrailingZeros();
            return bare.setScale(Math.max(Math.max(bare.scale(), 0), decimals));
        }
    }

    static Value text(String text) {
        return text == null || text.isEmpty() ? NOTHING : new Text(text);
    }

    static Value day(LocalDate day) {
        return day == null ? NOTHING : new Day(day);
    }

    static Value number(BigDecimal number) {
        return new Number(number, 0);
    }

    static Value amount(org.joda.money.Money money) {
        return new Number(money.getAmount(), money.getCurrencyUnit().getDecimalPlaces());
    }
}
