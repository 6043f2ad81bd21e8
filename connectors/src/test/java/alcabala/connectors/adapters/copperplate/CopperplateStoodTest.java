package alcabala.connectors.adapters.copperplate;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.record.RecordKind;
import alcabala.connectors.ledger.TellsBalances.OpenDocument;
import alcabala.connectors.ledger.TellsBalancesInFile.Stood;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CopperplateStoodTest {
    private static final String COLUMNS =
            "Day;Account;Balance;Entry;Type;Number;Date;Due;Party;Name;Currency;Net;Tax;Gross;Open;Open in books;Reference\n";
    private static final String ACCOUNT = "30/11/2026;1200;-41.05;;;;;;;;;;;;;;\n";
    private static final String ENTRY =
            "30/11/2026;;;E-1;credit note;HP-1;01/11/2026;;P-1;Pell;CAD;10.00;1.20;11.20;4.20;4.20;\n";

    private static Stood read(String rows, int counted) {
        String end = "30/11/2026;end;" + counted + ";;;;;;;;;;;;;;\n";
        return CopperplateStood.read((COLUMNS + rows + end).getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void whatStoodIsReadAsItIs() {
        Stood.Read read = (Stood.Read) read(ACCOUNT + ENTRY, 2);
        assertThat(read.day()).isEqualTo(LocalDate.of(2026, 11, 30));
        assertThat(read.balances().getFirst().amount()).isEqualByComparingTo("-41.05");
        OpenDocument open = read.documents().getFirst();
        assertThat(open.record().complete().recordKind()).isEqualTo(RecordKind.CREDIT_NOTE);
        assertThat(open.record().number()).isEqualTo("HP-1");
        assertThat(open.record().paid()).isEqualByComparingTo("7.00");
        assertThat(open.open()).isEqualByComparingTo("4.20");
        assertThat(read.setAside()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "credit note, perhaps, Type",
        "HP-1, '', Number",
        "01/11/2026, 31/11/2026, Date",
        "01/11/2026;, 01/11/2026;soon, Due",
        "CAD, CAX, Currency",
        ";4.20;4.20, ;;4.20, Open",
        "11.20, 100000000000.00, Gross"
    })
    void anEntryThatCannotBeReadIsSetAsideWithItsColumn(String is, String becomes, String column) {
        Stood.Read read = (Stood.Read) read(ACCOUNT + ENTRY.replace(is, becomes) + ENTRY.replace("E-1", "E-2"), 3);
        assertThat(read.documents()).as("the other goes on").hasSize(1);
        assertThat(read.setAside().getFirst().reason()).isEqualTo("its column " + column + " cannot be read");
    }

    @Test
    void anAmountMayBeAsLargeAsAnyOther() {
        Stood.Read read = (Stood.Read) read(ENTRY.replace("11.20", "99999999999.99"), 1);
        assertThat(read.documents()).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({"1200;-41.05, 1200;much, Balance", "30/11/2026;1200, 29/11/2026;1200, Day"})
    void anAccountThatCannotBeReadMakesItUseless(String is, String becomes, String column) {
        Stood.Unreadable no = (Stood.Unreadable) read(ACCOUNT.replace(is, becomes) + ENTRY, 2);
        assertThat(no.problems().getFirst().place()).isEqualTo(column);
        assertThat(no.problems().getFirst().line()).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource({"1", "3"})
    void aFileThatLacksRowsIsNotRead(int counted) {
        assertThat(read(ACCOUNT + ENTRY, counted)).isInstanceOf(Stood.Unreadable.class);
        assertThat(CopperplateStood.read((COLUMNS + ENTRY).getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(Stood.Unreadable.class);
        assertThat(CopperplateStood.read(ENTRY.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(Stood.Unreadable.class);
    }
}
