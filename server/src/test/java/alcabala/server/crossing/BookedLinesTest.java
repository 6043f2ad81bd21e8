package alcabala.server.crossing;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.World;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// What a ledger says in its lines is kept, whatever it says.
class BookedLinesTest {
    private static World world;

    @BeforeAll
    static void start() {
        world = World.inProcess();
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void oddTextsAreKeptAsTheyCanBe() {
        keep(
                "invoice",
                "A\u0000B",
                null,
                "\uD83D",
                "\u26F5".repeat(300),
                "\u26F5".repeat(301),
                "  two  ",
                "tab\tand\\n");
        assertThat(texts())
                .containsExactly(
                        "A\uFFFDB", "", "\uFFFD", "\u26F5".repeat(300), "\u26F5".repeat(300), "two", "tab\tand\\n");
        keep("invoice", "told again");
        assertThat(texts()).as("the same document replaces what it said before").containsExactly("told again");
        keep("payment-in", "HW-1");
        assertThat(texts()).as("money has no such lines").containsExactly("told again");
    }

    @Test
    void whatComesToNothingIsNoAdvice() {
        keep(record("invoice", List.of(line("nothing", "0.00"), line("something", "0.01"))));
        assertThat(texts()).containsExactly("something");
    }

    private static void keep(String kind, String... texts) {
        List<LedgerRecord.Line> lines = new ArrayList<>();
        for (String text : texts) {
            lines.add(line(text, "10.00"));
        }
        keep(record(kind, lines));
    }

    private static void keep(LedgerRecord record) {
        long ledger =
                world.jdbc().sql("select min(id) from ledger").query(Long.class).single();
        world.bean(BookedLines.class).keep(ledger, List.of(record));
    }

    private static LedgerRecord.Line line(String text, String amount) {
        BigDecimal money = new BigDecimal(amount);
        return new LedgerRecord.Line(1, "", "4010", text, BigDecimal.ONE, money, null, money, "S23", null, Map.of());
    }

    private static LedgerRecord record(String kind, List<LedgerRecord.Line> lines) {
        return new LedgerRecord(
                "odd-1",
                1,
                "INV-1",
                kind,
                "IC-1001",
                LocalDate.of(2026, 11, 20),
                null,
                false,
                null,
                BigDecimal.TEN,
                BigDecimal.ZERO,
                BigDecimal.TEN,
                BigDecimal.ZERO,
                null,
                null,
                lines,
                List.of(),
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static List<String> texts() {
        return world.jdbc()
                .sql("select text from ledger_booked where ledger_ref = 'odd-1' order by ordinal")
                .query(String.class)
                .list();
    }
}
