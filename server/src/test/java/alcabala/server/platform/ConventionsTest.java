package alcabala.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.platform.Conventions.Days;
import alcabala.server.platform.Conventions.Figures;
import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// How people write dates and figures.
class ConventionsTest {
    private static Conventions of(Days days, Figures figures) {
        return new Conventions(days, figures, DayOfWeek.MONDAY, ZoneId.of("Europe/Dublin"));
    }

    @ParameterizedTest
    @CsvSource({
        "DAY_MONTH, '9 Nov 2026', '9 Nov 2026, 00:30'",
        "MONTH_DAY, 'Nov 9, 2026', 'Nov 9, 2026, 00:30'",
        "ISO, 2026-11-09, '2026-11-09, 00:30'"
    })
    void daysAndMomentsWhereTheBusinessIs(Days days, String day, String moment) {
        Conventions conventions = of(days, Figures.COMMA_POINT);
        assertThat(conventions.day(LocalDate.of(2026, 11, 9))).isEqualTo(day);
        assertThat(conventions.moment(Instant.parse("2026-11-09T00:30:00Z"))).isEqualTo(moment);
    }

    @ParameterizedTest
    @CsvSource({
        "COMMA_POINT, 1234567.50, '1,234,567.50'",
        "COMMA_POINT, 999, 999",
        "COMMA_POINT, 1000, '1,000'",
        "POINT_COMMA, -1234.5, '-1.234,5'",
        "SPACE_COMMA, 1234.5, '1\u00a0234,5'",
        "APOSTROPHE_POINT, 1234.5, 1’234.5"
    })
    void figures(Figures figures, BigDecimal figure, String written) {
        assertThat(of(Days.ISO, figures).figure(figure)).isEqualTo(written);
        assertThat(of(Days.ISO, figures).typed(written))
                .hasValueSatisfying(typed -> assertThat(typed).isEqualByComparingTo(figure));
    }

    @ParameterizedTest
    @CsvSource({
        "COMMA_POINT, 1234.5, 1234.5",
        "COMMA_POINT, ' 1 234.5 ', 1234.5",
        "COMMA_POINT, +3, 3",
        "POINT_COMMA, '1 234,5', 1234.5",
        "POINT_COMMA, '12,50', 12.5",
        "APOSTROPHE_POINT, 1'234.5, 1234.5"
    })
    void whatIsTypedAsOneWrites(Figures figures, String text, BigDecimal figure) {
        assertThat(of(Days.ISO, figures).typed(text))
                .hasValueSatisfying(typed -> assertThat(typed).isEqualByComparingTo(figure));
    }

    /// What is meant as cents by one and as thousands by another is taken for neither.
    @ParameterizedTest
    @CsvSource({
        "COMMA_POINT, '12,50'",
        "COMMA_POINT, '1.234,50'",
        "COMMA_POINT, '1,2345'",
        "COMMA_POINT, '12345,678'",
        "COMMA_POINT, ''",
        "COMMA_POINT, abc",
        "COMMA_POINT, '1,234.'",
        "COMMA_POINT, --1",
        "POINT_COMMA, '1,234.50'",
        "POINT_COMMA, '12.50'",
        "SPACE_COMMA, '1.5'"
    })
    void whatCouldBeMeantOtherwiseIsNoFigure(Figures figures, String text) {
        assertThat(of(Days.ISO, figures).typed(text)).isEmpty();
    }
}
