package alcabala.server.platform;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/// How somebody writes dates and figures. Files and the API keep to ISO dates and decimal points.
///
/// @param weekBegins Monday, Saturday or Sunday
/// @param zone in which moments are told
public record Conventions(Days days, Figures figures, DayOfWeek weekBegins, ZoneId zone) {
    /// How a day is written.
    public enum Days {
        DAY_MONTH("d MMM yyyy"),
        MONTH_DAY("MMM d, yyyy"),
        ISO("yyyy-MM-dd");

        private final DateTimeFormatter format;

        Days(String pattern) {
            format = DateTimeFormatter.ofPattern(pattern, Locale.UK);
        }
    }

    /// What stands between thousands, and before decimals.
    public enum Figures {
        COMMA_POINT(",", "."),
        POINT_COMMA(".", ","),
        /// A space that does not break.
        SPACE_COMMA("\u00a0", ","),
        APOSTROPHE_POINT("’", ".");

        private final String group;
        private final String decimal;
        private final Pattern typed;

        Figures(String group, String decimal) {
            this.group = group;
            this.decimal = decimal;
            // Somebody who types may use a space or a plain apostrophe.
            String between = "[\\s\u00a0'" + Pattern.quote(group) + "]";
            typed = Pattern.compile(
                    "[-+]?(\\d+|\\d{1,3}(" + between + "\\d{3})+)(" + Pattern.quote(decimal) + "\\d+)?");
        }
    }

    /// As long as nobody said otherwise.
    public static Conventions usual(ZoneId zone) {
        return new Conventions(Days.DAY_MONTH, Figures.COMMA_POINT, DayOfWeek.MONDAY, zone);
    }

    /// `19 Nov 2026`.
    public String day(LocalDate day) {
        return days.format.format(day);
    }

    /// `19 Nov 2026, 14:05`, where the business is.
    public String moment(Instant moment) {
        return day(moment.atZone(zone).toLocalDate())
                + moment.atZone(zone).format(DateTimeFormatter.ofPattern(", HH:mm"));
    }

    /// `1,234.50`, with all decimals that it has.
    public String figure(BigDecimal figure) {
        String plain = figure.abs().toPlainString();
        int point = plain.indexOf('.');
        String whole = point < 0 ? plain : plain.substring(0, point);
        return (figure.signum() < 0 ? "-" : "")
                + whole.replaceAll("\\B(?=(\\d{3})+$)", figures.group)
                + (point < 0 ? "" : figures.decimal + plain.substring(point + 1));
    }

    /// What somebody typed, with or without what stands between thousands; empty when it is no figure. What could be
    /// meant either way, such as `12,50` where a comma stands between thousands, is none.
    public Optional<BigDecimal> typed(String text) {
        String trimmed = text.strip();
        if (!figures.typed.matcher(trimmed).matches()) {
            return Optional.empty();
        }
        String plain = trimmed.replaceAll("[^-\\d" + Pattern.quote(figures.decimal) + "]", "");
        return Optional.of(new BigDecimal(plain.replace(figures.decimal, ".")));
    }
}
