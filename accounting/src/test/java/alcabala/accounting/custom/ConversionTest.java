package alcabala.accounting.custom;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.custom.Conversion.Reason;
import alcabala.accounting.custom.Conversion.Result;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ConversionTest {
    private static final Map<String, String> PIERS = Map.of("1", "North", "2", "South");

    @ParameterizedTest(name = "{2} as {0} becomes {1} in {3}: {4}")
    @CsvSource(
            delimiter = '|',
            value = {
                "TEXT   | TEXT   | CB-1400     |              | CB-1400",
                "TEXT   | TEXT   | 123456789012|              | 123456789012",
                "TEXT   | TEXT   | 1234567890123 |            | TOO_LONG",
                "NUMBER | NUMBER | 1204.5      |              | 1204.5",
                "NUMBER | TEXT   | 1204.5      |              | 1204.5",
                "NUMBER | TEXT   | 1204.5      | COMMA        | 1204,5",
                "DATE   | DATE   | 2027-06-14  |              | 2027-06-14",
                "DATE   | TEXT   | 2027-06-14  |              | 2027-06-14",
                "DATE   | TEXT   | 2027-06-14  | DAY_DOTS     | 14.06.2027",
                "DATE   | TEXT   | 2027-06-04  | DAY_IN_WORDS | 4 Jun 2027",
                "TEXT   | DATE   | 14/06/2027  | DAY_SLASHES  | 2027-06-14",
                "TEXT   | DATE   | 06/14/2027  | DAY_SLASHES  | NOT_IN_FORMAT",
                "TEXT   | DATE   | 06/14/2027  | MONTH_FIRST  | 2027-06-14",
                "TEXT   | DATE   | 29.02.2027  | DAY_DOTS     | NOT_IN_FORMAT",
                "TEXT   | DATE   | soon        |              | NOT_IN_FORMAT",
                "TEXT   | NUMBER | 1,204.50    | POINT        | 1204.50",
                "TEXT   | NUMBER | 1.204,50    | COMMA        | 1204.50",
                "TEXT   | NUMBER | 1.204,50    | POINT        | NOT_IN_FORMAT",
                "TEXT   | NUMBER | 12,04       | POINT        | NOT_IN_FORMAT",
                "TEXT   | NUMBER | -1 204      | COMMA        | -1204",
                "TEXT   | NUMBER | 1204 h      | POINT        | NOT_IN_FORMAT",
                "CHOICE | CHOICE | N           |              | 1",
                "CHOICE | CHOICE | Y           |              | NOT_IN_TABLE",
                "CHOICE | CHOICE | G           |              | CHOICE_GONE",
                "TEXT   | CHOICE | N           |              | 1",
                "CHOICE | TEXT   | N           |              | N",
            })
    void converts(FieldType from, FieldType to, String value, FieldFormat format, String expected) {
        CustomField into = new CustomField("X", "X", to, to == FieldType.TEXT ? 12 : 0, PIERS, true);
        Map<String, String> table = Map.of("N", "1", "G", "7");
        Conversion conversion = new Conversion(from, into, format, asked -> table.getOrDefault(asked, ""));
        assertThat(said(conversion.convert(value))).isEqualTo(expected);
    }

    private static String said(Result result) {
        return switch (result) {
            case Result.Converted it -> it.value();
            case Result.NotInTable _ -> "NOT_IN_TABLE";
            case Result.Impossible it -> it.reason().name();
        };
    }

    /// Letters that take two units of a string are one character.
    @Test
    void aLengthIsInCharacters() {
        CustomField three = new CustomField("X", "X", FieldType.TEXT, 3, Map.of(), true);
        Conversion conversion = new Conversion(FieldType.TEXT, three, null, asked -> "");
        assertThat(conversion.convert("a\uD83D\uDEA2b")).isEqualTo(new Result.Converted("a\uD83D\uDEA2b"));
        assertThat(conversion.convert("a\uD83D\uDEA2bc")).isEqualTo(new Result.Impossible(Reason.TOO_LONG));
    }

    @Test
    void aNumberHasAtMostThirtySigns() {
        assertThat(FieldFormat.POINT.read("9".repeat(30))).contains("9".repeat(30));
        assertThat(FieldFormat.POINT.read("9".repeat(31))).isEmpty();
    }

    @Test
    void aTextIsAChoiceAsLongAsItCanBeNamedInARow() {
        CustomField pier = new CustomField("X", "X", FieldType.CHOICE, 0, PIERS, true);
        Conversion conversion = new Conversion(FieldType.TEXT, pier, null, asked -> "1");
        assertThat(conversion.convert("n".repeat(60))).isEqualTo(new Result.Converted("1"));
        assertThat(conversion.convert("n".repeat(61))).isEqualTo(new Result.Impossible(Reason.TOO_LONG));
        assertThat(new FieldValue("X", FieldType.TEXT, "n".repeat(60)).mayBeChosen())
                .isTrue();
        assertThat(new FieldValue("X", FieldType.TEXT, "n".repeat(61)).mayBeChosen())
                .isFalse();
        assertThat(new FieldValue("X", FieldType.DATE, "2026-11-28").mayBeChosen())
                .isFalse();
    }

    /// A day is no number, and neither follows from a choice.
    @ParameterizedTest
    @CsvSource({
        "TEXT, 1111",
        "NUMBER, 1100",
        "DATE, 1010",
        "CHOICE, 1001",
    })
    void someTypesNeverBecomeOthers(FieldType from, String possible) {
        StringBuilder found = new StringBuilder();
        for (FieldType to : FieldType.values()) {
            found.append(Conversion.isPossible(from, to) ? '1' : '0');
        }
        assertThat(found.toString()).isEqualTo(possible);
    }

    @Test
    void aFormatIsOneOfItsType() {
        assertThat(FieldFormat.find(FieldType.DATE, "day-dots")).contains(FieldFormat.DAY_DOTS);
        assertThat(FieldFormat.find(FieldType.NUMBER, "day-dots")).isEmpty();
        assertThat(FieldFormat.of(FieldType.TEXT)).isEmpty();
    }
}
