package alcabala.formats.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.formats.print.Report.Cell;
import alcabala.formats.print.Report.Column;
import alcabala.formats.print.Report.Fact;
import alcabala.formats.print.Report.Table;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.junit.jupiter.api.Test;
import org.openpdf.text.pdf.PdfReader;
import org.openpdf.text.pdf.parser.PdfTextExtractor;

/// What is printed is read again by other means than it was written with.
class ReportTest {
    private static final Form FORM = new Form() {
        @Override
        public String figure(BigDecimal amount) {
            return amount.toPlainString().replace('.', ',');
        }

        @Override
        public String day(LocalDate day) {
            return "on " + day;
        }
    };

    private static Table table(String title, int columns, int rows) {
        List<Column> heads = new ArrayList<>(Collections.nCopies(columns - 1, Column.text("Said", 1)));
        heads.add(Column.figure("Gross", 2));
        List<List<Cell>> cells = new ArrayList<>();
        for (int i = 0; i < rows; i++) {
            List<Cell> row = new ArrayList<>(Collections.nCopies(columns - 1, Cell.of("row " + i)));
            row.add(Cell.of(new BigDecimal("-1.50")));
            cells.add(row);
        }
        List<Cell> total = new ArrayList<>(Collections.nCopies(columns - 1, Cell.NOTHING));
        total.add(Cell.of(new BigDecimal("-1.50").multiply(BigDecimal.valueOf(rows))));
        return new Table(title, heads, cells, total);
    }

    private static Report report(Table... tables) {
        return new Report(
                "Batch 7",
                "Hullwork to Inkwell",
                List.of(new Fact("Reason", "=cmd|' /C'!A0"), new Fact("Made", "today"), new Fact("By", "M. Ferro")),
                List.of(tables),
                "Printed today");
    }

    private static List<String> pages(byte[] pdf) throws IOException {
        PdfReader reader = new PdfReader(pdf);
        List<String> pages = new ArrayList<>();
        for (int page = 1; page <= reader.getNumberOfPages(); page++) {
            pages.add(new PdfTextExtractor(reader).getTextFromPage(page));
        }
        return pages;
    }

    @Test
    void eachPageSaysWhatItIsOfAndRepeatsTheHeadsOfItsTable() throws IOException {
        List<String> pages = pages(PdfPages.of(report(table("Records", 4, 150)), FORM));
        assertThat(pages).hasSizeBetween(3, 6);
        for (int i = 0; i < pages.size(); i++) {
            assertThat(pages.get(i))
                    .contains("Gross")
                    .contains("Batch 7, Hullwork to Inkwell")
                    .contains("Page " + (i + 1) + " of")
                    .contains(String.valueOf(pages.size()));
        }
        assertThat(pages.getFirst()).contains("M. Ferro").contains("Records").contains("row 0");
        assertThat(pages.getLast()).contains("row 149").contains("-225,00");
    }

    @Test
    void aFactThatHasNoneBesideItIsPrintedToo() throws IOException {
        assertThat(String.join("", pages(PdfPages.of(report(table("Records", 2, 1)), FORM))))
                .contains("M. Ferro");
    }

    @Test
    void whatIsWideStandsAcrossAndOtherLettersStayWhatTheyAre() throws IOException {
        assertThat(new PdfReader(PdfPages.of(report(table("Records", 7, 1)), FORM))
                        .getPageSizeWithRotation(1)
                        .getWidth())
                .isLessThan(600);
        Table wide = new Table(
                "Names",
                Collections.nCopies(8, Column.text("Name", 1)),
                List.of(List.of(
                        Cell.of("Žďár"),
                        Cell.of("Αθήνα"),
                        Cell.of("Москва"),
                        Cell.of(LocalDate.of(2026, 11, 28)),
                        Cell.of(12),
                        Cell.NOTHING,
                        Cell.NOTHING,
                        Cell.NOTHING)),
                List.of());
        byte[] pdf = PdfPages.of(report(wide), FORM);
        assertThat(new PdfReader(pdf).getPageSizeWithRotation(1).getWidth()).isGreaterThan(800);
        assertThat(pages(pdf).getFirst()).contains("Žďár", "Αθήνα", "Москва", "on 2026-11-28", "12");
    }

    @Test
    void aTableWithoutRowsIsLeftOut() throws IOException {
        Table empty = new Table("Nothing here", List.of(Column.text("Name", 1)), List.of(), List.of());
        assertThat(pages(PdfPages.of(report(empty, table("Records", 2, 1)), FORM))
                        .getFirst())
                .doesNotContain("Nothing here");
        assertThatThrownBy(() -> new Table("Off", List.of(), List.of(List.of(Cell.NOTHING)), List.of()))
                .hasMessageContaining("Off");
    }

    @Test
    void inAWorkbookFiguresAreFiguresAndTextIsNoFormula() throws IOException {
        byte[] book = Sheets.xlsx(report(
                table("records", 2, 1),
                table("A title that is longer than a sheet may be called", 2, 1),
                table("A title that is longer than a sheet's name is", 2, 1),
                table("Records", 2, 2)));
        try (ReadableWorkbook workbook = new ReadableWorkbook(new ByteArrayInputStream(book))) {
            List<Sheet> sheets = workbook.getSheets().toList();
            assertThat(sheets)
                    .extracting(Sheet::getName)
                    .containsExactly(
                            "About",
                            "records",
                            "A title that is longer than a s",
                            "A title that is longer than a 2",
                            "Records 2");
            assertThat(sheets.getFirst().read().get(2).getCell(1).getFormula()).isNull();
            List<Row> rows = sheets.getLast().read();
            assertThat(rows.getLast().getCell(1).asNumber()).isEqualByComparingTo("-3.00");
        }
    }

    @Test
    void inCsvSoItIsAndWhatIsNegativeStaysAFigure() {
        String csv = new String(Sheets.csv(report(table("Records", 2, 1))), StandardCharsets.UTF_8);
        assertThat(csv.lines())
                .contains("\uFEFFBatch 7,Hullwork to Inkwell", "Reason,'=cmd|' /C'!A0", "Records", "Said,Gross")
                .contains("row 0,-1.50");
    }
}
