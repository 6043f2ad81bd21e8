package alcabala.connectors.adapters.copperplate;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.batch.Answering.Telling;
import alcabala.connectors.ledger.FileAnswer;
import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CopperplateAnswersTest {
    private static final String ACCEPTANCE =
            "File;Import;Delivery;Reference;Outcome;Entry;Party;Party created;Currency;Gross;Reason\n";
    private static final String ONE = "s.csv;1;B1.1;yard:1;accepted;E-1;P-1;no;CAD;10.00;\n";
    private static final String TWO = "s.csv;1;B1.1;yard:2;refused;;;no;;;closed\n";

    private static FileAnswer read(String text) {
        return CopperplateAnswers.read(text.getBytes(StandardCharsets.UTF_8));
    }

    /// The last row counts those before it, and adds them up.
    @ParameterizedTest
    @CsvSource({"2, 10.00, WHOLE", "3, 10.00, PART", "1, 10.00, PART", "2, 10.01, PART"})
    void aFileIsWholeWhenItsEndSaysSo(String count, String sum, Telling telling) {
        FileAnswer.Read read =
                (FileAnswer.Read) read(ACCEPTANCE + ONE + TWO + "s.csv;1;;" + count + ";end;;;;;" + sum + ";\n");
        assertThat(read.telling()).isEqualTo(telling);
        assertThat(read.lines()).hasSize(2);
        assertThat(read.lines().get(1).reason()).isEqualTo("closed");
    }

    @Test
    void whatFollowsAnEndWasPutThereByHand() {
        FileAnswer.Read read = (FileAnswer.Read) read(ACCEPTANCE + ONE + "s.csv;1;;1;end;;;;;10.00;\n" + TWO);
        assertThat(read.telling()).isEqualTo(Telling.PART);
    }

    @Test
    void theRegisterTellsWhatIsStruckOut() {
        FileAnswer.Read read = (FileAnswer.Read)
                read("Entry;Type;Number;Date;Party;Name;Currency;Net;Tax;Gross;Delivery;Reference;Import;Struck out\n"
                        + "E-1;invoice;HP-1;31/12/2026;P-1;x;CAD;9.00;1.00;10.00;B1.1;yard:1;1;yes\n"
                        + "E-2;journal;J;31/12/2026;;;CAD;5.00;0.00;5.00;;;0;no\n");
        assertThat(read.telling()).isEqualTo(Telling.REGISTER);
        assertThat(read.lines()).extracting(line -> line.struck()).containsExactly(true, false);
    }

    @ParameterizedTest
    @CsvSource({
        "yard:1;perhaps;E-1;P-1;no;CAD;10.00;, Outcome",
        "yard:1;accepted;;P-1;no;CAD;10.00;, Entry",
        "yard:1;accepted;E-1;P-1;no;CAD;ten;, Gross",
        "yard:1;accepted;E-1;P-1;no;CAD;;, Gross",
        ";accepted;E-1;P-1;no;CAD;10.00;, Reference",
    })
    void aCellThatCannotStandThereIsNamed(String row, String column) {
        FileAnswer.Unusable no = (FileAnswer.Unusable) read(ACCEPTANCE + "s.csv;1;B1.1;" + row + "\n");
        assertThat(no.problems())
                .extracting(problem -> problem.line() + " " + problem.place())
                .containsExactly("2 " + column);
    }

    @Test
    void anythingElseIsNoAnswer() {
        for (String text : new String[] {"", "Boat;Length\nDrake;9\n", ACCEPTANCE + "a;b\n", ACCEPTANCE + "\"a;b\n"}) {
            assertThat(read(text)).as(text).isInstanceOf(FileAnswer.Unusable.class);
        }
        byte[] wide = (ACCEPTANCE + ONE).getBytes(StandardCharsets.UTF_16);
        assertThat(CopperplateAnswers.read(wide)).isInstanceOf(FileAnswer.Unusable.class);
        FileAnswer.Unusable nul = (FileAnswer.Unusable) read(ACCEPTANCE + ONE.replace("E-1", "E-\u00001"));
        assertThat(nul.problems()).extracting(problem -> problem.place()).containsExactly("Entry");
        String much = "x".repeat(2000);
        FileAnswer.Read cut = (FileAnswer.Read) read(ACCEPTANCE + "s;1;B1.1;yard:1;refused;;;no;;;" + much + "\n");
        assertThat(cut.lines().stream().map(line -> line.reason()).collect(Collectors.joining()))
                .hasSize(500);
    }
}
