package alcabala.accounting.custom;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/// How a date or a number is written where one side keeps it as text.
public enum FieldFormat {
    DAY_ISO(FieldType.DATE, "2026-12-31", "uuuu-MM-dd"),
    DAY_DOTS(FieldType.DATE, "31.12.2026", "dd.MM.uuuu"),
    DAY_SLASHES(FieldType.DATE, "31/12/2026", "dd/MM/uuuu"),
    MONTH_FIRST(FieldType.DATE, "12/31/2026", "MM/dd/uuuu"),
    DAY_IN_WORDS(FieldType.DATE, "31 Dec 2026", "d MMM uuuu"),
    POINT(FieldType.NUMBER, "1,234.50", "."),
    COMMA(FieldType.NUMBER, "1.234,50", ",");

    private static final int MOST_DIGITS = 30;
    private final FieldType type;
    private final String sample;
    private final DateTimeFormatter days;
    private final char separator;
    private final Pattern number;

    FieldFormat(FieldType type, String sample, String pattern) {
        this.type = type;
        this.sample = sample;
        days = type == FieldType.DATE
                ? DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH).withResolverStyle(ResolverStyle.STRICT)
                : null;
        separator = pattern.charAt(0);
        number = type == FieldType.NUMBER ? numbers(separator == '.' ? "," : ".", separator) : null;
    }

    /// Thousands may be set apart, all of them or none.
    private static Pattern numbers(String group, char separator) {
        return Pattern.compile(
                "[-+]?(\\d+|\\d{1,3}([" + group + " \u00a0']\\d{3})+)(" + Pattern.quote("" + separator) + "\\d+)?");
    }

    /// Such as `31.12.2026`.
    public String sample() {
        return sample;
    }

    /// Those in which values of a type can be written; none for a type that needs none.
    public static List<FieldFormat> of(FieldType type) {
        return Arrays.stream(values()).filter(each -> each.type == type).toList();
    }

    /// By its name in a row, `day-dots`; empty for one that there is none of, or that writes another type.
    public static Optional<FieldFormat> find(FieldType type, String word) {
        return of(type).stream().filter(each -> each.word().equals(word)).findFirst();
    }

    /// How a row names it.
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// A value as text; numbers without separators between thousands, with the decimals that they have.
    String write(String value) {
        return type == FieldType.DATE
                ? days.format(LocalDate.parse(value))
                : new BigDecimal(value).toPlainString().replace('.', separator);
    }

    /// The value that a text says, or empty when it says none in this format.
    Optional<String> read(String text) {
        return type == FieldType.DATE ? day(text) : number(text);
    }

    private Optional<String> day(String text) {
        try {
            return Optional.of(LocalDate.parse(text.strip(), days).toString());
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private Optional<String> number(String text) {
        String stripped = text.strip();
        if (stripped.length() > MOST_DIGITS || !number.matcher(stripped).matches()) {
            return Optional.empty();
        }
        String digits = stripped.replaceAll("[^-\\d" + separator + "]", "").replace(separator, '.');
        return Optional.of(new BigDecimal(digits).toPlainString());
    }
}
