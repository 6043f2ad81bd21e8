package standins.copperplate;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.time.format.ResolverStyle;
import java.util.Map;

/// One row of a file, each cell by what its column takes.
record ImportRow(long line, Map<String, String> cells) {
    static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("dd/MM/uuuu").withResolverStyle(ResolverStyle.STRICT);

    /// What is wrong with a row or a document; the desk's sentence.
    static final class RefusedException extends RuntimeException {
        RefusedException(String sentence) {
            super(sentence);
        }
    }

    String text(String column) {
        return cells.getOrDefault(column, "").strip();
    }

    String needed(String column) {
        String text = text(column);
        if (text.isEmpty()) {
            throw wrong(column, "is empty");
        }
        return text;
    }

    LocalDate day(String column) {
        try {
            return LocalDate.parse(needed(column), DAY);
        } catch (DateTimeParseException e) {
            throw wrong(column, "is no day such as 31/12/2026: " + text(column));
        }
    }

    /// Zero where nothing stands.
    BigDecimal amount(String column) {
        return number(column, "-?\\d{1,11}(\\.\\d{1,2})?", "is no amount such as 1234.50: ");
    }

    BigDecimal rate(String column) {
        BigDecimal rate = number(column, "\\d{1,8}(\\.\\d{1,8})?", "is no rate: ");
        return rate.signum() == 0 ? BigDecimal.ONE : rate;
    }

    BigDecimal quantity(String column) {
        return number(column, "-?\\d{1,9}(\\.\\d{1,4})?", "is no quantity: ");
    }

    private BigDecimal number(String column, String shape, String says) {
        String text = text(column);
        if (text.isEmpty()) {
            return BigDecimal.ZERO;
        }
        if (!text.matches(shape)) {
            throw wrong(column, says + text);
        }
        return new BigDecimal(text);
    }

    RefusedException wrong(String column, String says) {
        return new RefusedException("Row " + line + ": " + column + " " + says);
    }
}
