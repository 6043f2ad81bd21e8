package alcabala.formats.layout;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.Locale;

/// How days, numbers and text are put down.
///
/// @param days a pattern of `DateTimeFormatter`, such as `dd/MM/uuuu`
/// @param decimalSign a point or a comma
/// @param grouping between thousands; empty for nothing
/// @param marked whether a mark at its beginning says that it is UTF-8
/// @param crlf whether lines end as they do on Windows
public record TextForm(
        Encoding encoding,
        boolean marked,
        char separator,
        boolean crlf,
        String days,
        char decimalSign,
        String grouping) {
    /// What text can be written in.
    public enum Encoding {
        UTF_8(StandardCharsets.UTF_8),
        WINDOWS_1252(Charset.forName("windows-1252")),
        ISO_8859_15(Charset.forName("ISO-8859-15")),
        UTF_16(StandardCharsets.UTF_16LE);

        private final Charset charset;

        Encoding(Charset charset) {
            this.charset = charset;
        }

        Charset charset() {
            return charset;
        }
    }

    /// Semicolons, points and days as they are written in ISO 8601.
    public static final TextForm PLAIN = new TextForm(Encoding.UTF_8, false, ';', true, "uuuu-MM-dd", '.', "");

    public TextForm {
        if (decimalSign != '.' && decimalSign != ',') {
            throw new IllegalArgumentException("a decimal sign is a point or a comma");
        }
        if (grouping.length() > 1 || grouping.equals(String.valueOf(decimalSign))) {
            throw new IllegalArgumentException("thousands are grouped by one sign, another than the decimal one");
        }
        if (";,\t|".indexOf(separator) < 0) {
            throw new IllegalArgumentException("columns are separated by semicolon, comma, tab or bar");
        }
        LocalDate some = LocalDate.of(2026, 12, 31);
        DateTimeFormatter pattern = formatter(days);
        if (!LocalDate.parse(pattern.format(some), pattern).equals(some)) {
            throw new IllegalArgumentException("a day is written with its year, month and day");
        }
    }

    private static DateTimeFormatter formatter(String days) {
        return DateTimeFormatter.ofPattern(days, Locale.ENGLISH).withResolverStyle(ResolverStyle.STRICT);
    }

    DateTimeFormatter day() {
        return formatter(days);
    }
}
