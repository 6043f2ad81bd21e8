package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.sync.LineMatch.Line;
import alcabala.accounting.sync.LineMatch.Linked;
import alcabala.accounting.sync.LineMatch.Pair;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LineMatchTest {
    /// `rope 5, paint 7`, or `@2 rope 5` where the side numbers its lines.
    private static List<Line> lines(String said) {
        return said == null || said.isBlank()
                ? List.of()
                : Stream.of(said.split(","))
                        .map(String::strip)
                        .map(line -> line.split(" "))
                        .map(cells -> cells.length == 3
                                ? new Line(cells[0], cells[1], cells[2])
                                : new Line("", cells[0], cells[1]))
                        .toList();
    }

    private static List<Linked> linked(String source, String ledger) {
        List<Line> here = lines(source);
        List<Line> there = lines(ledger);
        List<Linked> linked = new ArrayList<>();
        for (int i = 0; i < here.size(); i++) {
            linked.add(new Linked(i + 1, new Both<>(Optional.of(here.get(i)), Optional.of(there.get(i)))));
        }
        return linked;
    }

    private static String said(Pair pair) {
        return pair.link() + ":" + pair.now().source().map(Line::value).orElse("-") + "/"
                + pair.now().ledger().map(Line::value).orElse("-");
    }

    @ParameterizedTest(name = "{0} | {1} | {2} | {3}")
    @CsvSource(delimiter = '|', textBlock = """
            rope 5, paint 7   | rope 5, paint 7       | rope 6, paint 7           | rope 5, paint 7           | 1:6/5 2:7/7
            rope 5, paint 7   | rope 5, paint 7       | paint 7, rope 5           | rope 5, paint 7           | 1:5/5 2:7/7
            rope 5, paint 7   | rope 5, paint 7       | paint 7                   | rope 9, paint 7           | 1:-/9 2:7/7
            rope 5, rope 6    | rope 5, rope 6        | rope 5, rope 8            | rope 5, rope 6            | 1:5/5 2:8/6
            @1 rope 5, @2 rope 6 | rope 5, rope 6     | @2 rope 6, @1 rope 5      | rope 5, rope 6            | 1:5/5 2:6/6
            @1 rope 5, @2 rope 6 | rope 5, rope 6     | @2 paint 6                | rope 5, rope 6            | 1:-/5 2:6/6
            rope 5            | rope 5                | rope 5, sail 3            | rope 5, sail 4            | 1:5/5 2:3/4
            rope 5            | rope 5                | rope 5, sail 3            | rope 5, tar 4             | 1:5/5 2:3/- 3:-/4
                              |                       | sail 3, sail 3            | sail 3                    | 1:3/3 2:3/-
            """)
    void linesAreTheSameAsTheyWereLinkedThenByItemAndOrder(
            String wasSource, String wasLedger, String source, String ledger, String pairs) {
        List<Pair> found = LineMatch.match(linked(wasSource, wasLedger), new Both<>(lines(source), lines(ledger)));
        assertThat(String.join(" ", found.stream().map(LineMatchTest::said).toList()))
                .isEqualTo(pairs);
    }
}
