package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.field.Half;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// A line is a word for its item or account, one for its tax, and an amount; those of a side are parted by commas.
class LineMatchTest {
    private static Half lines(String said) {
        Map<Integer, String> lines = new HashMap<>();
        for (String line : said == null ? new String[0] : said.split(", *")) {
            lines.put(lines.size() + 1, line);
        }
        return Half.builder().text(Half.NUMBER, "HW-1").build().withLines(lines);
    }

    private static Both<Half> both(String source, String ledger) {
        return new Both<>(lines(source), lines(ledger));
    }

    /// `1:rope a 5=4010 A 5`, in the order of the lines.
    private static String said(Both<Half> named) {
        SortedSet<Integer> numbers = new TreeSet<>(named.source().lines().keySet());
        numbers.addAll(named.ledger().lines().keySet());
        return numbers.stream()
                .map(number -> number + ":" + line(named.source(), number) + "=" + line(named.ledger(), number))
                .collect(Collectors.joining(", "));
    }

    private static String line(Half half, int number) {
        return half.lines().getOrDefault(number, "-");
    }

    /// Both last agreed on `rope a 5, paint a 7` as `4010 A 5, 4020 A 7`.
    @ParameterizedTest(name = "{0}: {1} | {2}")
    @CsvSource(delimiter = '|', textBlock = """
            nothing changed                  | rope a 5, paint a 7           | 4010 A 5, 4020 A 7           | 1:rope a 5=4010 A 5, 2:paint a 7=4020 A 7
            a line before the others         | sail a 3, rope a 5, paint a 7 | 4010 A 5, 4020 A 7           | 1:rope a 5=4010 A 5, 2:paint a 7=4020 A 7, 3:sail a 3=-
            another order                    | paint a 7, rope a 5           | 4010 A 5, 4020 A 7           | 1:rope a 5=4010 A 5, 2:paint a 7=4020 A 7
            another amount, another place    | sail a 3, paint a 7, rope a 6 | 4010 A 5, 4020 A 7           | 1:rope a 6=4010 A 5, 2:paint a 7=4020 A 7, 3:sail a 3=-
            another tax and amount           | paint a 7, rope b 6           | 4010 A 5, 4020 A 7           | 1:rope b 6=4010 A 5, 2:paint a 7=4020 A 7
            booked elsewhere there           | rope a 5, paint a 7           | 4030 A 5, 4020 A 7           | 1:rope a 5=4030 A 5, 2:paint a 7=4020 A 7
            both booked elsewhere there      | rope a 5, paint a 7           | 4040 A 7, 4030 A 5           | 1:rope a 5=4030 A 5, 2:paint a 7=4040 A 7
            to the account of the other      | rope a 5, paint a 7           | 4020 A 5, 4020 A 7           | 1:rope a 5=4020 A 5, 2:paint a 7=4020 A 7
            deleted here, changed there      | paint a 7                     | 4010 A 9, 4020 A 7           | 1:-=4010 A 9, 2:paint a 7=4020 A 7
            changed here, deleted there      | rope a 9, paint a 7           | 4020 A 7                     | 1:rope a 9=-, 2:paint a 7=4020 A 7
            all of it another                | rope a 5, sail b 9            | 4010 A 5, 4020 A 7           | 1:rope a 5=4010 A 5, 2:sail b 9=4020 A 7
            new on one side each, not alike  | rope a 5, paint a 7, sail a 3 | 4010 A 5, 4020 A 7, 4099 A 4 | 1:rope a 5=4010 A 5, 2:paint a 7=4020 A 7, 3:sail a 3=-, 4:-=4099 A 4
            new on both, of one account      | rope a 5, paint a 7, sail a 3 | 4010 A 5, 4020 A 7, 4030 A 4 | 1:rope a 5=4010 A 5, 2:paint a 7=4020 A 7, 3:sail a 3=4030 A 4
            nothing left of it there         | rope a 5, paint a 7           |                              | 1:rope a 5=-, 2:paint a 7=-
            """)
    void eachLineStaysTheOneThatItWas(String what, String source, String ledger, String named) {
        Both<Half> was = both("rope a 5, paint a 7", "4010 A 5, 4020 A 7");
        Map<String, String> accounts = Map.of("rope", "4010", "paint", "4020", "sail", "4030");
        String sent = Stream.of(source.split(", *"))
                .map(line -> accounts.get(line.split(" ")[0])
                        + line.substring(line.indexOf(' ')).toUpperCase(java.util.Locale.ROOT))
                .collect(Collectors.joining(","));
        LineMatch.Matched matched = LineMatch.match(was, both(source, ledger), Optional.of(lines(sent)), false);
        assertThat(said(matched.now())).isEqualTo(named);
        assertThat(matched.was()).isEqualTo(was);
        matched.now()
                .source()
                .lines()
                .forEach((number, line) -> assertThat(
                                matched.sent().orElseThrow().lines().get(number))
                        .as("what the ledger would have of %s", line)
                        .startsWith(accounts.get(line.split(" ")[0])));
    }

    /// Of two on one account, each stays the one that it was when what it says is edited, or its amount.
    @Test
    void whatALineSaysTellsItApart() {
        Both<Half> was = both("rope a 5 “new”, rope a 7 “old”", "4010 A 5 “new”, 4010 A 7 “old”");
        Both<Half> now = both("rope a 7 “older”, rope a 5 “newer”", "4010 A 9 “old”, 4010 A 8 “new”");
        Half sent = lines("4010 A 7 “older”, 4010 A 5 “newer”");
        assertThat(said(LineMatch.match(was, now, Optional.of(sent), false).now()))
                .isEqualTo("1:rope a 5 “newer”=4010 A 8 “new”, 2:rope a 7 “older”=4010 A 9 “old”");
    }

    @Test
    void aLineIsFoundWhereItStandsByNow() {
        LineMatch.Places places = LineMatch.match(
                        both("rope a 5, paint a 7", "4010 A 5, 4020 A 7"),
                        both("sail a 3, paint a 7, rope a 5", "4020 A 7"),
                        Optional.empty(),
                        false)
                .places();
        assertThat(places.find("line 2")).contains(new Both<>(2, 1));
        assertThat(List.of(places.find("line 1"), places.find("line 3"), places.find("line 9")))
                .as("not on the ledger, new, and nowhere")
                .containsOnly(Optional.empty());
    }

    /// What was left as each has it keeps its numbers; the next of that record are counted on.
    @Test
    void whatIsLeftApartStaysLinkedAsItWas() {
        Both<Half> was = both("rope a 5, paint a 7", "4010 A 5, 4020 A 7");
        Both<Half> left = LineMatch.linked(was, both("rope a 5, paint a 7", "4020 A 7"));
        assertThat(said(left)).isEqualTo("1:rope a 5=-, 2:paint a 7=4020 A 7");
        Both<Half> later = LineMatch.linked(left, both("rope a 5, paint a 7", "4020 A 8, 4099 A 1"));
        assertThat(said(later)).isEqualTo("1:rope a 5=-, 2:paint a 7=4020 A 8, 3:-=4099 A 1");
    }

    /// Only what both come to is compared; a change of such a line is the ledger's alone.
    @Test
    void aLineThatStandsForSeveralIsAFieldOfItsOwn() {
        Both<Half> was = both("rope a 5, paint a 7", "4010 A 12");
        LineMatch.Matched matched =
                LineMatch.match(was, both("rope a 6, paint a 7", "4020 A 12"), Optional.of(lines("4010 A 13")), true);
        assertThat(matched.now().ledger().values()).containsEntry("summed line 1", "4020 A 12");
        assertThat(matched.was().ledger().values()).containsEntry("summed line 1", "4010 A 12");
        assertThat(matched.now().source().values()).containsKeys("line 1", "line 2");
        assertThat(matched.places().find("summed line 1")).isEmpty();
        assertThat(matched.places().find("line 1"))
                .as("the first of each is not one")
                .isEmpty();
    }

    @ParameterizedTest(name = "{0} → {1}: {2}")
    @CsvSource(delimiter = '|', textBlock = """
            rope a 5, paint a 7 | paint a 7, rope a 5           | {}
            rope a 5, paint a 7 | paint a 7, rope a 6           | {line 1=rope a 6}
            rope a 5, paint a 7 | rope a 5                      | {line 2=}
            rope a 5, paint a 7 | sail a 3, rope a 5, paint a 7 | {line 3=sail a 3}
            rope a 5            | rope a 5                      | {}
            """)
    void whereALineStandsIsNoChange(String was, String now, String changes) {
        assertThat(LineMatch.changes(lines(was), lines(now))).hasToString(changes);
        assertThat(LineMatch.differs(lines(was), lines(now))).isEqualTo(!changes.equals("{}"));
    }
}
