package standins.copperplate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import standins.Refusal;
import standins.copperplate.ImportRow.RefusedException;

/// What Copperplate makes of a file, worked out by hand.
class EntryReaderTest {
    private static final String SALES =
            "Delivery;Reference;Type;Number;Date;Due;Party;Party name;Currency;Rate;Prices;Tax code;Corrects;Account;Description;Quantity;Amount;Taxed";
    private static final String JOURNALS =
            "Delivery;Reference;Number;Date;Party;Party name;Currency;Rate;Account;Description;Debit;Credit;Settles";

    private static Entry sale(String prices, String... lines) {
        StringBuilder text = new StringBuilder(SALES);
        for (String line : lines) {
            text.append("\r\nB1.1;r;invoice;HP-1;31/12/2026;;P-1;;CAD;;")
                    .append(prices)
                    .append(";BOTH;;4100;rope;1;")
                    .append(line);
        }
        return read(text.toString());
    }

    private static Entry read(String text) {
        ImportFile file = ImportFile.read(text.getBytes(StandardCharsets.UTF_8));
        List<ImportRow> rows = file.groups().values().iterator().next();
        return EntryReader.read(file.layout(), file.groups().keySet().iterator().next(), rows);
    }

    private static List<String> sums(Entry entry, String percent) {
        Entry.Sums sums = entry.sums(new BigDecimal(percent));
        return List.of(
                sums.net().toPlainString(),
                sums.tax().toPlainString(),
                sums.gross().toPlainString());
    }

    @Test
    void taxIsComputedOnceForTheDocumentHalvesAwayFromZero() {
        assertThat(sums(sale("net", "3.33;yes", "96.30;yes"), "12")).containsExactly("99.63", "11.96", "111.59");
        assertThat(sums(sale("net", "0.33;yes", "0.33;yes", "0.33;yes"), "12")).containsExactly("0.99", "0.12", "1.11");
        assertThat(sums(sale("net", "1.25;yes"), "2")).as("0.025").containsExactly("1.25", "0.03", "1.28");
        assertThat(sums(sale("net", "-1.25;yes"), "2")).containsExactly("-1.25", "-0.03", "-1.28");
        assertThat(sums(sale("net", "10.00;yes", "0.01;no"), "12")).containsExactly("10.01", "1.20", "11.21");
        assertThat(sums(sale("gross", "112.00;yes"), "12")).containsExactly("100.00", "12.00", "112.00");
    }

    @Test
    void aJournalIsAnsweredForWithTheSumOfOneSide() {
        String row = "\r\nB1.1;r;J-1;31/12/2026;;;CAD;1;";
        Entry entry = read(JOURNALS + row + "1010;;405.65;;" + row + "4900;;12.55;;" + row + "1200;;;418.20;HP-1");
        assertThat(sums(entry, "0")).containsExactly("418.20", "0", "418.20");
        assertThat(entry.rows().getLast().settles()).isEqualTo("HP-1");
        assertThatThrownBy(() -> read(JOURNALS + row + "1010;;405.65;;" + row + "1200;;;405.64;"))
                .isInstanceOf(RefusedException.class)
                .hasMessage("Debits and credits differ by 0.01");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "31/12/2026|31/11/2026|Date is no day such as 31/12/2026: 31/11/2026",
                "31/12/2026|2026-12-31|Date is no day such as 31/12/2026: 2026-12-31",
                ";3.33;|;3,33;|Amount is no amount such as 1234.50: 3,33",
                ";3.33;|;3.333;|Amount is no amount such as 1234.50: 3.333",
                ";invoice;|;bill;|Type is none that stands among sales: bill",
                ";net;|;both;|Prices is neither net nor gross: both",
                ";yes|;maybe|Taxed is neither yes nor no: maybe",
                ";HP-1;|;;|Number is empty",
                ";4100;|;;|Account is empty",
            })
    void whatHasNotItsTypeIsRefusedWithItsRow(String good, String bad, String sentence) {
        String row = "B1.1;r;invoice;HP-1;31/12/2026;;P-1;;CAD;1;net;BOTH;;4100;rope;1;3.33;yes";
        assertThat(row).contains(good);
        assertThatThrownBy(() -> read(SALES + "\r\n" + row.replace(good, bad)))
                .isInstanceOf(RefusedException.class)
                .hasMessage("Row 2: " + sentence);
    }

    @Test
    void aDocumentTakesOneTaxCode() {
        String row = "\r\nB1.1;r;invoice;HP-1;31/12/2026;;P-1;;CAD;1;net;BOTH;;4100;rope;1;3.33;yes";
        assertThatThrownBy(() -> read(SALES + row + row.replace("BOTH", "FED")))
                .isInstanceOf(RefusedException.class)
                .hasMessageContaining("A document takes one tax code, and this has");
    }

    @Test
    void aFileOfNoLayoutIsRefusedAsAWhole() {
        assertThatThrownBy(() -> read("Boat;Length\r\nDrake;9")).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> ImportFile.read(new byte[0])).isInstanceOf(Refusal.class);
        assertThat(read("\uFEFF" + SALES
                                + "\r\nB1.1;r;credit note;HP-1;31/12/2026;;P-1;;CAD;1;net;BOTH;;4100;rope;1;3.33;yes")
                        .kind())
                .as("a mark at the beginning is no part of the first heading")
                .isEqualTo("credit note");
    }
}
