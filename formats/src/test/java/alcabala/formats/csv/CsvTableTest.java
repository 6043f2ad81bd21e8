package alcabala.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.formats.csv.CsvProblem.Code;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Files as people and programs write them, good and bad.
class CsvTableTest {
    @ParameterizedTest
    @ValueSource(strings = {";", ",", "\t"})
    void theSeparatorIsKnownByTheFirstLine(String separator) {
        String file =
                "Account|Title|Open\r\n4010|Parts \u0394\u03ad\u03bb\u03c4\u03b1|yes\r\n\r\n4020|\"Labour, \"\"yard\"\"\"|no\r\n";
        CsvTable table = table(file.replace("|", separator).replace("Labour, ", "Labour" + separator + " "));
        assertThat(table.columns()).containsExactly("Account", "Title", "Open");
        assertThat(table.rows()).hasSize(2);
        assertThat(table.rows().getLast())
                .as("an empty line is passed over and counted")
                .isEqualTo(new CsvTable.Row(4, java.util.List.of("4020", "Labour" + separator + " \"yard\"", "no")));
        assertThat(table.rows().getFirst().cells().get(1)).isEqualTo("Parts \u0394\u03ad\u03bb\u03c4\u03b1");
    }

    @Test
    void aMarkOfTheEncodingAtTheStartIsNoPartOfTheFirstColumn() {
        assertThat(table("\uFEFFTerms;Days\nN30;30").columns()).containsExactly("Terms", "Days");
    }

    @Test
    void anotherEncodingIsNamedWithItsPlace() {
        byte[] latin = "Party;Name\nP-1;Plain\nP-2;Caf\u00e9 \u00c9cluse\n".getBytes(Charset.forName("windows-1252"));
        assertThat(problem(latin)).isEqualTo(new CsvProblem(Code.ENCODING, 3, "", "windows-1252"));
        assertThat(problem("Party;Name\n".getBytes(StandardCharsets.UTF_16)).found())
                .isEqualTo("UTF-16");
        assertThat(problem("Party;Name\n".getBytes(StandardCharsets.UTF_16LE)).found())
                .isEqualTo("UTF-16");
    }

    @Test
    void everyOtherTroubleHasItsCodeAndPlace() {
        assertThat(problem("  \n ")).isEqualTo(new CsvProblem(Code.EMPTY, 0, "", ""));
        assertThat(problem("Account|Title\n1|2")).isEqualTo(new CsvProblem(Code.SEPARATOR, 1, "", "Account|Title"));
        assertThat(problem("A;B\n1;2\n1;2;3\n")).isEqualTo(new CsvProblem(Code.CELLS, 3, "", "3 of 2"));
        assertThat(problem("A;B\n1;2\n1\n").code()).isEqualTo(Code.CELLS);
        assertThat(problem(new byte[20 * 1024 * 1024 + 1]).code()).isEqualTo(Code.TOO_LARGE);
    }

    @Test
    void aTruncatedFileWithAnOpenQuotationMarkIsNotHalfRead() {
        CsvTable.Outcome outcome = CsvTable.read("A;B\n1;\"cut o".getBytes(StandardCharsets.UTF_8));
        assertThat(outcome).isInstanceOf(CsvTable.Outcome.Unreadable.class);
    }

    private static CsvTable table(String text) {
        CsvTable.Outcome outcome = CsvTable.read(text.getBytes(StandardCharsets.UTF_8));
        assertThat(outcome).isInstanceOf(CsvTable.Outcome.Read.class);
        return ((CsvTable.Outcome.Read) outcome).table();
    }

    private static CsvProblem problem(String text) {
        return problem(text.getBytes(StandardCharsets.UTF_8));
    }

    private static CsvProblem problem(byte[] content) {
        return ((CsvTable.Outcome.Unreadable) CsvTable.read(content)).problem();
    }
}
