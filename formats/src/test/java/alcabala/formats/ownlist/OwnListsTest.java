package alcabala.formats.ownlist;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import alcabala.accounting.batch.ControlTotals.Member;
import alcabala.accounting.batch.ListEntry;
import alcabala.formats.csv.CsvProblem;
import alcabala.formats.grid.Grid;
import alcabala.formats.grid.GridFile;
import alcabala.formats.ownlist.OwnList.Problem;
import alcabala.formats.ownlist.OwnList.Said;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class OwnListsTest {
    private static final List<Member> KNOWN =
            List.of(known("HL-20417", "1234.50"), known("HL-20418", "99.00"), known("HL-20419", "-12.30"));

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Number,Gross\nHL-20417,1234.50\nHL-20418,99.00\nHL-20419,-12.30\n",
                "Nummer;Betrag\nHL-20417;1.234,50\nHL-20418;99,00\nHL-20419;-12,30\n",
                "sep=|\nNo|What|Sum\nHL-20417|keel|EUR 1 234,50\nHL-20418||€99,00\nHL-20419||12,30-\n",
                "Our list of November\n\n\"No.\"\t\"For\nwhom\"\t\"Total\"\nHL-20417\ta\t1'234.50\nHL-20418\tb\t99\nHL-20419\tc\t(12.30)\n",
                "Number;Gross\n=\"HL-20417\";'1234,50\n'HL-20418;99,-\nHL-20419;-12,30\n",
                "Tax,Number,Net,Gross\n1,HL-20417,1003.66,\"1,234.50\"\n2,HL-20418,80.49,99.00\n3,HL-20419,-10.00,\u221212.30\nTotal,,,1321.20\n",
                "HL-20417;1234,5\nHL-20418;99\nsubtotal;1333,5\nHL-20419;-12,3\nGrand total;1321,2\n",
                "Nr;Kunde;Betrag\nHL-20417;Total Marine;1234,5\nHL-20418;Sum & Sons;99\nZwischensumme;;1333,5\nHL-20419;x;-12,3\nGesamt;;1321,2\n"
            })
    void aListIsUnderstoodByWhatIsInIt(String text) {
        OwnList list = read(text.getBytes(StandardCharsets.UTF_8), Said.NOTHING);

        assertThat(list.problems()).isEmpty();
        assertThat(list.entries())
                .extracting(
                        ListEntry::number, entry -> entry.amount().getAmount().toPlainString())
                .containsExactly(tuple("HL-20417", "1234.50"), tuple("HL-20418", "99.00"), tuple("HL-20419", "-12.30"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16LE", "UTF-16BE", "windows-1252"})
    void whateverItIsEncodedIn(String encoding) {
        String text = "Número;Importe\nHL-20417;1.234,50 €\nHL-20418;99,00 €\n";
        OwnList list = read(text.getBytes(Charset.forName(encoding)), Said.NOTHING);

        assertThat(list.columns()).containsExactly("Número", "Importe");
        assertThat(list.entries()).hasSize(2);
    }

    @Test
    void rowsThatAreNotUnderstoodAreNamedWithTheirPlace() {
        OwnList list = read("""
                Number;Gross
                HL-20417;1.234,50
                HL-20418;
                ;7,00
                HL-20419;twelve
                HL-20420;USD 5,00
                HL-20421;5,001
                Total;9,99
                """.getBytes(StandardCharsets.UTF_8), new Said(null, null, DecimalSign.COMMA, true));

        assertThat(list.problems())
                .extracting(Problem::kind, Problem::row, Problem::column)
                .containsExactly(
                        tuple(Problem.Kind.AMOUNT_MISSING, 3, 1),
                        tuple(Problem.Kind.NUMBER_MISSING, 4, 0),
                        tuple(Problem.Kind.NOT_AN_AMOUNT, 5, 1),
                        tuple(Problem.Kind.OTHER_CURRENCY, 6, 1),
                        tuple(Problem.Kind.TOO_FINE, 7, 1),
                        tuple(Problem.Kind.TOTAL_DIFFERS, 8, 1));
    }

    @Test
    void whereNothingTellsAPointFromACommaSomebodyIsAsked() {
        byte[] content = "Number;Gross\nZ-1;1.234\nZ-2;5.678\n".getBytes(StandardCharsets.UTF_8);

        assertThat(read(content, Said.NOTHING).problems())
                .extracting(Problem::kind, Problem::found)
                .containsExactly(tuple(Problem.Kind.AMBIGUOUS, "1.234"));
        OwnList said = read(content, new Said(0, 1, DecimalSign.COMMA, true));
        assertThat(said.problems()).isEmpty();
        assertThat(said.entries().getFirst().amount()).isEqualTo(eur("1234"));
        OwnList agrees = understand(content, List.of(known("Z-1", "1234.00")), Said.NOTHING);
        assertThat(agrees.sign()).as("what is known tells").isEqualTo(DecimalSign.COMMA);
    }

    @Test
    void aWorkbookIsReadAsOneSeesIt() {
        byte[] content = workbook(sheet -> {
            sheet.value(0, 0, "Cash book");
            sheet.range(0, 0, 0, 3).merge();
            row(sheet, 2, "Day", "Document", "For", "Paid");
            row(sheet, 3, 46000, "HL-20417", "keel", 1000);
            sheet.style(3, 0).format("dd.mm.yyyy").set();
            row(sheet, 4, "", "", "mast", 234.5);
            sheet.range(3, 1, 4, 1).merge();
            row(sheet, 5, "", 20418, "rope", 98.99999999999999);
            row(sheet, 6, "", "HL-20419", "back", -12.3);
            sheet.hideRow(6);
            row(sheet, 7, "", "Total", "", 1321.2);
        });

        OwnList all = read(content, Said.NOTHING);
        assertThat(all.problems()).isEmpty();
        assertThat(all.hiddenRows()).isOne();
        assertThat(all.entries())
                .extracting(
                        ListEntry::number, entry -> entry.amount().getAmount().toPlainString())
                .containsExactly(
                        tuple("HL-20417", "1000.00"),
                        tuple("HL-20417", "234.50"),
                        tuple("20418", "99.00"),
                        tuple("HL-20419", "-12.30"));
        assertThat(read(content, new Said(null, null, null, false)).entries()).hasSize(3);
        assertThat(grid(content).rows().get(2).cell(0).text()).isEqualTo("2025-12-09");
    }

    /// A column that counts the rows, and what is out of sight, are none of what was meant.
    @Test
    void aPrefixMayBeMissingAndWhatIsSeenComesFirst() {
        OwnList bare =
                read("20417;1234,50\n20418;99,00\n20419;-12,30\n".getBytes(StandardCharsets.UTF_8), Said.NOTHING);
        assertThat(bare.numbers()).isZero();
        assertThat(bare.amounts()).isOne();
        List<Member> few = List.of(known("HL-1", "10.00"), known("HL-2", "20.00"));
        OwnList counted =
                understand("1;HL-1;10,00\n2;HL-2;20,00\n".getBytes(StandardCharsets.UTF_8), few, Said.NOTHING);
        assertThat(counted.numbers()).isOne();

        OwnList seen = read(
                workbook(sheet -> {
                    row(sheet, 0, "Number", "Before", "Gross");
                    row(sheet, 1, "HL-20417", 1234.5, 1234.5);
                    row(sheet, 2, "HL-20418", 99, 98);
                    sheet.hideColumn(1);
                }),
                Said.NOTHING);
        assertThat(seen.amounts()).isEqualTo(2);
    }

    @Test
    void eachLimitHoldsOnBothItsSides() {
        String amount = "1,2345678901234567890123456789012345678";
        assertThat(amount).hasSize(39);
        assertThat(DecimalSign.COMMA.read(amount + "9")).isPresent();
        assertThat(DecimalSign.COMMA.read(amount + "90")).isEmpty();

        assertThat(cents(99.0000009)).containsExactly("99.00");
        assertThat(cents(99.0000011)).isEmpty();

        byte[] widest = (";".repeat(199) + "x\n").getBytes(StandardCharsets.UTF_8);
        assertThat(grid(widest).columns()).isEqualTo(200);
        assertThat(problem((";".repeat(200) + "x\n").getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(CsvProblem.Code.TOO_LARGE);
        assertThat(grid("a;b\n".repeat(100_000).getBytes(StandardCharsets.UTF_8))
                        .rows())
                .hasSize(100_000);
        assertThat(grid(("x".repeat(32_767) + ";y\n").getBytes(StandardCharsets.UTF_8))
                        .rows())
                .hasSize(1);
        assertThat(problem(("x".repeat(32_768) + ";y\n").getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(CsvProblem.Code.VALUE);

        String wrong = "Number;Gross\nHL-20417;1234,50\n" + "HL-1;x\n".repeat(100);
        assertThat(read(wrong.getBytes(StandardCharsets.UTF_8), Said.NOTHING).problems())
                .hasSize(100);
        assertThat(read((wrong + "HL-1;x\n").getBytes(StandardCharsets.UTF_8), Said.NOTHING)
                        .problems())
                .as("more are not told")
                .hasSize(100);
    }

    private static List<String> cents(double amount) {
        byte[] book = workbook(sheet -> {
            row(sheet, 0, "HL-20417", 1234.5);
            row(sheet, 1, "HL-20418", amount);
        });
        return read(book, Said.NOTHING).entries().stream()
                .filter(entry -> entry.number().equals("HL-20418"))
                .map(entry -> entry.amount().getAmount().toPlainString())
                .toList();
    }

    @Test
    void debitsAndCreditsMayStandApartAndATotalMayTakeCreditsOff() {
        OwnList apart = read(
                "No;Debit;Credit\nHL-20417;1234,50;\nHL-20418;99,00;\nHL-20419;;12,30\nTotal;1333,50;12,30\n"
                        .getBytes(StandardCharsets.UTF_8),
                Said.NOTHING);
        assertThat(apart.problems()).isEmpty();
        assertThat(apart.less()).isEqualTo(2);
        assertThat(apart.entries().getLast().amount()).isEqualTo(eur("-12.30"));

        for (String total : List.of("1321,20", "1345,80")) {
            OwnList without = read(
                    ("No;Sum\nHL-20417;1234,50\nHL-20418;99,00\nHL-20419;12,30\nTotal;" + total + "\n")
                            .getBytes(StandardCharsets.UTF_8),
                    Said.NOTHING);
            assertThat(without.problems()).as(total).isEmpty();
            assertThat(without.totals()).hasSize(1);
        }
    }

    @Test
    void theSheetWithMostOfTheDocumentsIsMeant() {
        Grid cover = new Grid("Cover", List.of(row("Made by", "HL-1"), row("HL-20417", "see below")));
        Grid list = new Grid("List", List.of(row("HL-20417", "1234.50"), row("HL-20418", "99.00")));
        assertThat(OwnLists.likeliest(List.of(cover, list), KNOWN)).isSameAs(list);
        assertThat(OwnLists.likeliest(List.of(cover, list), List.of())).isSameAs(cover);
    }

    private static Grid.Row row(String... cells) {
        return new Grid.Row(
                1,
                false,
                Stream.of(cells)
                        .map(text -> new Grid.Cell(text, null, false, false))
                        .toList());
    }

    @ParameterizedTest
    @CsvSource({"'1,234.50', POINT", "'1.234,50', COMMA", "'1 234,50', COMMA", "'.5', POINT", "'-  5,5', COMMA"})
    void anAmountIsWrittenInManyWays(String text, DecimalSign sign) {
        assertThat(sign.read(text)).isPresent();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "1,23.4", "1,2345.00", "--5", "(-5)", "12 dr", "5.5.5", "1e5", "12/3", ".", "-"})
    void whatIsNoneIsNotTakenForOne(String text) {
        assertThat(DecimalSign.POINT.read(text)).isEmpty();
    }

    @Test
    void filesThatAreNoListsAreRefusedAndNeverThrow() {
        assertThat(problem(new byte[0])).isEqualTo(CsvProblem.Code.EMPTY);
        assertThat(problem("PK\u0003\u0004 broken".getBytes(StandardCharsets.ISO_8859_1)))
                .isEqualTo(CsvProblem.Code.SHEET);
        assertThat(problem(new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0}))
                .isEqualTo(CsvProblem.Code.SHEET);
        assertThat(problem(("\"" + "x".repeat(40)).getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(CsvProblem.Code.QUOTES);
        assertThat(problem("a;b\n".repeat(100_001).getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(CsvProblem.Code.TOO_LARGE);
        assertThat(((GridFile.Outcome.Unreadable) GridFile.read("a;b\nc;\"d\n".getBytes(StandardCharsets.UTF_8)))
                        .problem()
                        .line())
                .as("where it is open")
                .isEqualTo(2);
        assertThat(grid("sep=\"\na;b\n".getBytes(StandardCharsets.UTF_8)).columns())
                .as("what cannot divide cells is not taken for what does")
                .isEqualTo(2);
        OwnList none = read("just words\nand more\n".getBytes(StandardCharsets.UTF_8), Said.NOTHING);
        assertThat(none.problems()).extracting(Problem::kind).containsExactly(Problem.Kind.NO_NUMBERS);
    }

    private static void row(Worksheet sheet, int row, Object... cells) {
        for (int column = 0; column < cells.length; column++) {
            switch (cells[column]) {
                case Number number -> sheet.value(row, column, number);
                case String text when !text.isEmpty() -> sheet.value(row, column, text);
                default -> {}
            }
        }
    }

    private static byte[] workbook(Consumer<Worksheet> fill) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Test", "1.0")) {
            fill.accept(book.newWorksheet("November"));
        } catch (IOException e) {
            throw new AssertionError(e);
        }
        return bytes.toByteArray();
    }

    private static OwnList read(byte[] content, Said said) {
        return understand(content, KNOWN, said);
    }

    private static OwnList understand(byte[] content, List<Member> known, Said said) {
        return OwnLists.understand(grid(content), CurrencyUnit.EUR, known, said);
    }

    private static Grid grid(byte[] content) {
        return ((GridFile.Outcome.Read) GridFile.read(content)).file().sheets().getFirst();
    }

    private static CsvProblem.Code problem(byte[] content) {
        return ((GridFile.Outcome.Unreadable) GridFile.read(content)).problem().code();
    }

    private static Member known(String number, String gross) {
        Money signed = eur(gross);
        return new Member(number, signed.isNegative(), eur("0"), eur("0"), signed.abs());
    }

    private static Money eur(String amount) {
        return Money.of(CurrencyUnit.EUR, new BigDecimal(amount));
    }
}
