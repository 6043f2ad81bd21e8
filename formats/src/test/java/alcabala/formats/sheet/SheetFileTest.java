package alcabala.formats.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.formats.csv.CsvProblem;
import alcabala.formats.csv.CsvProblem.Code;
import alcabala.formats.csv.CsvTable;
import alcabala.formats.csv.CsvTable.Outcome;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.dhatim.fastexcel.VisibilityState;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Tables that people edit are read as they stand, and what is written is read back the same.
class SheetFileTest {
    private static final List<String> COLUMNS = List.of("Code", "Name", "Account");
    private static final String[] CELLS = {
        "",
        "0042",
        "=1+1",
        "'=1+1",
        "''-3",
        "-3",
        "+44 20",
        "@home",
        "a,b;c\td",
        "said \"so\"",
        "two\nlines",
        "ünø Ω",
        "4010",
        "'",
        "1e5"
    };

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void whatIsWrittenIsReadBackTheSame(long seed) {
        Random random = new Random(seed);
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < 50; i++) {
            rows.add(List.of("C" + i, cell(random), cell(random)));
        }
        assertThat(table(SheetFile.csv(COLUMNS, rows)).rows())
                .extracting(CsvTable.Row::cells)
                .isEqualTo(rows);
        CsvTable sheet = table(SheetFile.xlsx("Items: all/[of] them", COLUMNS, rows));
        assertThat(sheet.columns()).isEqualTo(COLUMNS);
        assertThat(sheet.rows()).extracting(CsvTable.Row::cells).isEqualTo(rows);
        assertThat(sheet.rows().getLast().line())
                .as("counted as a spreadsheet counts")
                .isEqualTo(51);
    }

    private static String cell(Random random) {
        return CELLS[random.nextInt(CELLS.length)];
    }

    /// It looks for no formula, whatever the text is.
    @Test
    void csvIsSafeInASpreadsheet() {
        String csv = new String(SheetFile.csv(COLUMNS, List.of(List.of("=cmd", "@a", "-1"))), StandardCharsets.UTF_8);
        assertThat(csv.lines().skip(1)).containsExactly("'=cmd,'@a,'-1");
        assertThat(csv).startsWith("\uFEFF");
    }

    @Test
    void numbersAreReadAsTheyWouldBeTyped() throws IOException {
        byte[] book = workbook(sheet -> {
            sheet.value(0, 0, "Code");
            sheet.value(0, 1, "Rate");
            sheet.value(2, 0, 4010);
            sheet.value(2, 1, 13.50);
            sheet.value(3, 0, 12345678901234L);
            sheet.formula(4, 0, "1+1");
        });
        CsvTable table = table(book);
        assertThat(table.rows().getFirst())
                .as("rows without anything are passed over")
                .isEqualTo(new CsvTable.Row(3, List.of("4010", "13.5")));
        assertThat(table.rows().get(1).cells()).containsExactly("12345678901234", "");
    }

    @Test
    void whatIsHiddenIsNotRead() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Test", "1.0")) {
            Worksheet hidden = book.newWorksheet("Old");
            hidden.setVisibilityState(VisibilityState.HIDDEN);
            hidden.value(0, 0, "Wrong");
            book.newWorksheet("New").value(0, 0, "Right");
        }
        assertThat(table(bytes.toByteArray()).columns()).containsExactly("Right");
    }

    @Test
    void whatIsNoTableIsSaidToBeNone() throws IOException {
        assertThat(problem(new byte[0]).code()).isEqualTo(Code.EMPTY);
        assertThat(problem("PK is no workbook".getBytes(StandardCharsets.UTF_8)).code())
                .isEqualTo(Code.SHEET);
        byte[] whole = SheetFile.xlsx("Items", COLUMNS, List.of(List.of("a", "b", "c")));
        assertThat(problem(Arrays.copyOf(whole, whole.length / 2)).code()).isEqualTo(Code.SHEET);
        assertThat(problem(workbook(sheet -> {})).code()).isEqualTo(Code.EMPTY);
        assertThat(problem(new byte[20 * 1024 * 1024 + 1]).code()).isEqualTo(Code.TOO_LARGE);
        assertThat(problem(packedNothing(401)).code())
                .as("little that unpacks to very much")
                .isEqualTo(Code.TOO_LARGE);
        assertThat(problem(packedNothing(1)).code()).isEqualTo(Code.SHEET);
    }

    /// Nothing is looked up for it, and little does not become very much.
    @ParameterizedTest
    @ValueSource(
            strings = {
                "<!DOCTYPE worksheet [<!ENTITY e SYSTEM \"file:///etc/hostname\">]>",
                "<!DOCTYPE worksheet [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;\"><!ENTITY c \"&b;&b;&b;&b;&b;&b;&b;&b;&b;&b;\">"
                        + "<!ENTITY e \"&c;&c;&c;&c;&c;&c;&c;&c;&c;&c;\">]>"
            })
    void entitiesAreNotFollowed(String doctype) throws IOException {
        byte[] plain = SheetFile.xlsx("Items", COLUMNS, List.of(List.of("a", "MARK", "c")));
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipFile from = ZipFile.builder().setByteArray(plain).get();
                ZipOutputStream to = new ZipOutputStream(bytes)) {
            for (ZipArchiveEntry part : Collections.list(from.getEntries())) {
                String content = new String(from.getInputStream(part).readAllBytes(), StandardCharsets.UTF_8);
                boolean inIt = content.contains("MARK");
                String changed = inIt ? content.replace("MARK", "&e;").replaceFirst("\\?>", "?>" + doctype) : content;
                to.putNextEntry(new ZipEntry(part.getName()));
                to.write(changed.getBytes(StandardCharsets.UTF_8));
            }
        }
        Outcome outcome = SheetFile.read(bytes.toByteArray());
        String said = outcome.toString();
        assertThat(said).hasSizeLessThan(1_000);
        assertThat(said)
                .doesNotContain("aaaaaaaaaa")
                .doesNotContain(InetAddress.getLocalHost().getHostName());
    }

    @Test
    void isReadUpToItsLimits() throws IOException {
        assertThat(table(workbook(sheet -> fill(sheet, 200, 2))).columns()).hasSize(200);
        assertThat(problem(workbook(sheet -> fill(sheet, 201, 2))).code()).isEqualTo(Code.TOO_LARGE);
        assertThat(table(workbook(sheet -> fill(sheet, 1, 500_001))).rows()).hasSize(500_000);
        assertThat(problem(workbook(sheet -> fill(sheet, 1, 500_002))).code()).isEqualTo(Code.TOO_LARGE);
        assertThat(problem(parts(1_000)).code())
                .as("no workbook, but not too much of it")
                .isEqualTo(Code.SHEET);
        assertThat(problem(parts(1_001)).code()).isEqualTo(Code.TOO_LARGE);
    }

    private static void fill(Worksheet sheet, int columns, int rows) {
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                sheet.value(row, column, "a");
            }
        }
    }

    private static byte[] parts(int count) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (int i = 0; i < count; i++) {
                zip.putNextEntry(new ZipEntry("part" + i));
            }
        }
        return bytes.toByteArray();
    }

    private static byte[] packedNothing(int megabytes) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("xl/workbook.xml"));
            byte[] nothing = new byte[1024 * 1024];
            for (int i = 0; i < megabytes; i++) {
                zip.write(nothing);
            }
        }
        return bytes.toByteArray();
    }

    private interface Filled {
        void fill(Worksheet sheet);
    }

    private static byte[] workbook(Filled filled) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Test", "1.0")) {
            filled.fill(book.newWorksheet("Sheet"));
        }
        return bytes.toByteArray();
    }

    private static CsvTable table(byte[] content) {
        return ((Outcome.Read) SheetFile.read(content)).table();
    }

    private static CsvProblem problem(byte[] content) {
        return ((Outcome.Unreadable) SheetFile.read(content)).problem();
    }
}
