package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.sync.Fate.Match;
import alcabala.accounting.sync.Fate.Standing;
import alcabala.accounting.sync.Swaps.Renaming;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FateTest {
    /// `there`: who has it; `is`: what else is known of it.
    @ParameterizedTest(name = "{0} {1} {2} {3}: {4}")
    @CsvSource({
        "s,  '',               NONE,     TO_LEDGER,   CREATED",
        "s,  '',               CERTAIN,  TO_LEDGER,   LINKED",
        "s,  '',               DOUBTFUL, TO_LEDGER,   ASKED",
        "s,  '',               NONE,     FROM_LEDGER, STAYS",
        "s,  '',               CERTAIN,  NONE,        STAYS",
        "l,  '',               NONE,     BOTH,        CREATED",
        "l,  '',               NONE,     TO_LEDGER,   STAYS",
        "s,  before,           NONE,     BOTH,        BEFORE_CUT_OFF",
        "sl, linked before,    NONE,     BOTH,        MERGED",
        "sl, linked,           NONE,     NONE,        MERGED",
        "s,  linked,           NONE,     BOTH,        GONE",
        "l,  linked,           NONE,     BOTH,        GONE",
        "'', linked,           NONE,     BOTH,        ENDED",
        "s,  left-alone,       CERTAIN,  BOTH,        LEFT_ALONE",
        "sl, linked led,       NONE,     BOTH,        LED",
    })
    void aRecordBecomesWhatTheRulesSay(String there, String is, Match match, Direction direction, Fate fate) {
        Standing standing = new Standing(
                new Both<>(there.contains("s"), there.contains("l")),
                is.contains("linked"),
                !is.contains("led"),
                is.contains("left-alone"),
                is.contains("before"),
                match);
        assertThat(Fate.of(standing, direction)).isEqualTo(fate);
    }

    @Test
    void ofSwappedValuesNoHalfIsWritten() {
        Renaming one = new Renaming("P-1", "Pell", "Wren");
        Renaming two = new Renaming("P-2", "Wren", "Pell");
        Renaming ringed = new Renaming("P-3", "Tarn", "Holm");
        Renaming chained = new Renaming("P-4", "Skerry", "Pell");
        Renaming same = new Renaming("P-5", "Gull", "Gull");
        assertThat(Swaps.of(List.of(one, ringed, two, chained, same))).containsExactly(List.of(one, two));
        Renaming a = new Renaming("1", "A", "B");
        Renaming b = new Renaming("2", "B", "C");
        Renaming c = new Renaming("3", "C", "A");
        assertThat(Swaps.of(List.of(c, a, b)).getFirst()).containsExactlyInAnyOrder(a, b, c);
        assertThat(Swaps.of(List.of(a, b))).as("no ring").isEmpty();
        assertThat(Swaps.of(List.of(chained, one, two)))
                .as("one that leads into a ring")
                .hasSize(1);
    }
}
