package alcabala.server.send;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.record.Origin;
import alcabala.server.crossing.Posting;
import alcabala.server.send.Preview.Prepared;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class NeededFirstTest {
    /// @param text `CN-1 needs HW-2`, or a number alone
    private static Prepared document(String text) {
        String[] parts = text.split(" needs ");
        String needs = parts.length == 2 ? parts[1] : "";
        return new Prepared(
                0,
                "",
                1,
                parts[0],
                false,
                Origin.SOURCE,
                null,
                new Posting(null, null, null, "", needs),
                null,
                null,
                false,
                Set.of());
    }

    private static List<String> order(String... documents) {
        return NeededFirst.order(
                        Stream.of(documents).map(NeededFirstTest::document).toList())
                .stream()
                .map(Prepared::number)
                .toList();
    }

    @Test
    void whatAnotherNeedsGoesBeforeItAndTheRestStays() {
        assertThat(order("HW-1", "HW-2", "HW-3")).containsExactly("HW-1", "HW-2", "HW-3");
        assertThat(order("CN-1 needs HW-3", "HW-2", "HW-3")).containsExactly("HW-3", "CN-1", "HW-2");
        assertThat(order("A needs B", "B needs C", "C")).containsExactly("C", "B", "A");
        assertThat(order("CN-1 needs HW-9", "HW-2")).as("not of this batch").containsExactly("CN-1", "HW-2");
    }

    @Test
    void twoThatNeedEachOtherBothGo() {
        assertThat(order("A needs B", "B needs A")).containsExactly("B", "A");
        assertThat(order("A needs A")).containsExactly("A");
    }
}
