package alcabala.formats.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.PostingKey;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import alcabala.formats.layout.Layout.Carries;
import alcabala.formats.layout.Layout.Medium;
import alcabala.formats.layout.LayoutField.Scope;
import alcabala.formats.ubl.writing.Missing;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LayoutTest {
    private static final List<String> ODD_NAMES =
            List.of("=SUM(A1)", "Pell; \"Estuary\"", "two\r\nlines", "+44 Boats", "Café Écluse", " blank ", "-", "");

    /// What was written is read back, whatever the layout and however it is written.
    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 2, 3, 5, 8, 13})
    void whatIsWrittenIsReadBack(long seed) {
        Random random = new Random(seed);
        List<Exported> records = records(seed, 40);
        for (int i = 0; i < 60; i++) {
            Layout layout = layout(random);
            Written written = new LayoutWriter(layout).write(records, "B7.1");
            byte[] first = written.files().getFirst().content();
            byte[] again = new LayoutWriter(layout)
                    .write(records, "B7.1")
                    .files()
                    .getFirst()
                    .content();
            assertThat(layout.medium() == Medium.XLSX || Arrays.equals(again, first))
                    .as("the same, to the byte, but for the hour that a workbook has")
                    .isTrue();
            for (int at = 0; at < layout.files().size(); at++) {
                LayoutFile file = layout.files().get(at);
                LayoutReader.Read read =
                        LayoutReader.read(layout, file, written.files().get(at).content());
                assertThat(read.problems()).as("%s", layout).isEmpty();
                assertThat(plain(read.rows())).as("%s", layout).isEqualTo(plain(rows(layout, file, records)));
            }
        }
    }

    private static List<Exported> records(long seed, int count) {
        RandomDocuments documents = new RandomDocuments(seed);
        List<Exported> records = new ArrayList<>();
        while (records.size() < count) {
            var document = documents.next(CurrencyUnit.EUR, 1 + records.size() % 5);
            Compilation compiled =
                    Samples.compiler(Samples.rows(), CurrencyUnit.EUR).compile(document);
            if (compiled.entry().isPresent()) {
                records.add(new Exported(
                        compiled.entry().get(),
                        compiled.journal().orElseThrow(),
                        "yard:" + document.number(),
                        ODD_NAMES.get(records.size() % ODD_NAMES.size())));
            }
        }
        return records;
    }

    private static Layout layout(Random random) {
        Medium medium = Medium.values()[random.nextInt(3)];
        Scope per = List.of(Scope.RECORD, Scope.LINE, Scope.BOOKING).get(random.nextInt(3));
        boolean split = per == Scope.RECORD && random.nextBoolean();
        List<LayoutColumn> columns = columns(random, per, split ? "H" : "");
        List<LayoutColumn> splits = split ? columns(random, Scope.LINE, "L") : List.of();
        boolean comma = random.nextBoolean();
        TextForm form = new TextForm(
                TextForm.Encoding.values()[random.nextInt(2) * 3],
                random.nextBoolean(),
                ";,\t|".charAt(random.nextInt(4)),
                random.nextBoolean(),
                List.of("dd/MM/uuuu", "uuuu-MM-dd", "d.M.uu", "MMM dd uuuu").get(random.nextInt(4)),
                comma ? ',' : '.',
                List.of("", comma ? "." : ",", "'").get(random.nextInt(3)));
        return new Layout(
                "any",
                Carries.SALES,
                medium,
                form,
                random.nextBoolean(),
                List.of(new LayoutFile("one", per, random.nextBoolean(), columns, splits)));
    }

    /// Under a fixed first column, so that no row is empty: what has nothing in it is no row of a file.
    private static List<LayoutColumn> columns(Random random, Scope per, String mark) {
        List<LayoutField> fields = Arrays.stream(LayoutField.values())
                .filter(field -> field.scope() == per || field.scope() == Scope.RECORD)
                .filter(field -> !field.takesArgument())
                .toList();
        List<LayoutColumn> columns = new ArrayList<>();
        columns.add(new LayoutColumn("Mark", LayoutField.FIXED, mark.isEmpty() ? "x" : mark, Map.of()));
        columns.add(new LayoutColumn("Row", LayoutField.RUNNING_NUMBER, "100", Map.of()));
        for (int i = 1 + random.nextInt(12); i > 0; i--) {
            LayoutField field = fields.get(random.nextInt(fields.size()));
            LayoutColumn column = LayoutColumn.of(field + " " + i, field);
            columns.add(field == LayoutField.KIND ? column.by(Map.of("credit-note", "C", "invoice", "I")) : column);
        }
        return columns;
    }

    private static List<LayoutRow> rows(Layout layout, LayoutFile file, List<Exported> records) {
        LayoutFile untold =
                new LayoutFile(file.name(), file.per(), file.headed(), untold(file.columns()), untold(file.splits()));
        FileRows rows = new FileRows(untold);
        records.forEach(each -> rows.add(Values.of(each, "B7.1", layout.creditsNegative())));
        return rows.rows();
    }

    private static List<LayoutColumn> untold(List<LayoutColumn> columns) {
        return columns.stream().map(column -> column.by(Map.of())).toList();
    }

    /// Numbers by what they are worth, whatever zeros stand at their end.
    private static List<List<Object>> plain(List<LayoutRow> rows) {
        return rows.stream()
                .map(row -> row.cells().stream()
                        .map(value -> value instanceof Value.Number number
                                ? (Object) number.number().stripTrailingZeros()
                                : value)
                        .toList())
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                ",|.|'1.234,50'|-1",
                ".|,|1,234.50|1",
                ",|''|'1234,50'|1",
            })
    void amountsAreWrittenAsOneSays(char decimal, String grouping, String expected, int unused) {
        TextForm form = new TextForm(TextForm.Encoding.UTF_8, false, ';', false, "dd/MM/uuuu", decimal, grouping);
        CsvContent content = new CsvContent(form);
        assertThat(content.cell(Value.amount(org.joda.money.Money.parse("EUR 1234.5"))))
                .isEqualTo(expected);
        assertThat(content.cell(Value.amount(org.joda.money.Money.parse("EUR -1234.5"))))
                .isEqualTo("-" + expected);
        assertThat(content.cell(Value.amount(org.joda.money.Money.parse("JPY 123"))))
                .isEqualTo("123");
        assertThat(content.cell(Value.amount(org.joda.money.Money.parse("EUR 0.05"))))
                .isEqualTo("0" + decimal + "05");
    }

    /// The importer reads what stands there; whoever opens it elsewhere is told.
    @Test
    void whatLooksLikeAFormulaStaysAsItIsAndIsNamed() {
        Layout layout = simple(TextForm.PLAIN, LayoutField.PARTY_NAME);
        Written written = new LayoutWriter(layout).write(records(1, 8), "B1.1");
        assertThat(new String(written.files().getFirst().content(), StandardCharsets.UTF_8))
                .contains("\r\n=SUM(A1)\r\n");
        assertThat(written.formulas())
                .extracting(Written.Formula::text)
                .containsExactlyInAnyOrder("=SUM(A1)", "+44 Boats", "-");
        assertThat(written.places().get(1))
                .isEqualTo(new Written.Place(written.places().get(1).reference(), "one-B1.1.csv", 3, 3));
    }

    @Test
    void whatTheEncodingCannotSayIsRefusedWithTheText() {
        TextForm form = new TextForm(TextForm.Encoding.ISO_8859_15, false, ';', true, "dd/MM/uuuu", '.', "");
        Exported greek = records(1, 1).getFirst();
        Exported named = new Exported(greek.entry(), greek.journal(), greek.reference(), "Ναυπηγείο");
        assertThatThrownBy(() -> new LayoutWriter(simple(form, LayoutField.PARTY_NAME)).write(List.of(named), "B1.1"))
                .isInstanceOfSatisfying(
                        LayoutWriter.CannotWriteException.class,
                        no -> assertThat(no.text()).isEqualTo("Ναυπηγείο"));
    }

    /// It has no party and no lines: what it books says everything, with its slip and why.
    @Test
    void aBankingIsWrittenByWhatItBooks() {
        Money seven = Money.parse("EUR 7.00");
        Money none = Money.zero(CurrencyUnit.EUR);
        LocalDate day = LocalDate.of(2026, 11, 28);
        Journal journal = Journal.of(
                List.of(
                        new JournalLine(new PostingKey("1000", "", Map.of()), seven, none, seven),
                        new JournalLine(new PostingKey("1210", "", Map.of()), none, seven, seven.negated())),
                CurrencyUnit.EUR,
                CurrencyUnit.EUR);
        LedgerJournal entry = new LedgerJournal(
                RecordKind.BANKING,
                "B1000-261128",
                day,
                CurrencyUnit.EUR,
                ExchangeRate.same(CurrencyUnit.EUR, day),
                "004 217",
                "a coin rolled away",
                seven,
                List.of(
                        new LedgerJournal.Entry("1000", Map.of(), "", seven),
                        new LedgerJournal.Entry("1210", Map.of(), "", seven.negated())));
        Layout layout = new Layout(
                "Journals",
                Carries.of(RecordKind.BANKING),
                Medium.CSV,
                TextForm.PLAIN,
                false,
                List.of(new LayoutFile(
                        "journals",
                        Scope.BOOKING,
                        true,
                        List.of(
                                LayoutColumn.of("Number", LayoutField.NUMBER),
                                LayoutColumn.of("Account", LayoutField.BOOKED_ACCOUNT),
                                LayoutColumn.of("Debit", LayoutField.DEBIT),
                                LayoutColumn.of("Credit", LayoutField.CREDIT),
                                LayoutColumn.of("Slip", LayoutField.REMITTANCE),
                                LayoutColumn.of("Note", LayoutField.NOTE),
                                LayoutColumn.of("Party", LayoutField.BOOKED_PARTY),
                                LayoutColumn.of("Into", LayoutField.MONEY_ACCOUNT)),
                        List.of())));
        assertThat(layout.carries()).isEqualTo(Carries.SETTLEMENTS);
        assertThat(new LayoutWriter(layout)
                        .shown(List.of(new Exported(entry, journal, "yard:banking", "")), "B1.1")
                        .getFirst())
                .containsExactly(
                        List.of("B1000-261128", "1000", "7.00", "", "004 217", "a coin rolled away", "", "1000"),
                        List.of("B1000-261128", "1210", "", "7.00", "004 217", "a coin rolled away", "", "1000"));
    }

    private static Layout simple(TextForm form, LayoutField field) {
        return new Layout(
                "simple",
                Carries.SALES,
                Medium.CSV,
                form,
                false,
                List.of(new LayoutFile("one", Scope.RECORD, true, List.of(LayoutColumn.of("A", field)), List.of())));
    }

    /// One is a file, several are in a ZIP, under names of which no two are the same.
    @Test
    void invoicesAreFilesOfTheirOwn() {
        Layout layout = new Layout(
                "any",
                Carries.SALES,
                Medium.UBL,
                TextForm.PLAIN,
                false,
                List.of(new LayoutFile("sales", Scope.RECORD, false, List.of(), List.of())));
        Exported one = records(4, 1).getFirst();
        InvoiceFacts facts = new InvoiceFacts(
                Map.of(),
                Samples.ledger(CurrencyUnit.EUR, TaxRounding.PER_DOCUMENT).taxCodes(),
                Map.of());
        Exported first = new Exported(one.entry(), one.journal(), "yard:7/B1.1", "Pell");
        Exported second = new Exported(one.entry(), one.journal(), "yard/7:B1.1", "Pell");
        Written alone = new LayoutWriter(layout, facts).write(List.of(first), "B1.1");
        assertThat(alone.files()).extracting(Written.File::name).containsExactly("sales-B1.1.xml");
        Written both = new LayoutWriter(layout, facts).write(List.of(first, second), "B1.1");
        assertThat(both.files()).extracting(Written.File::name).containsExactly("sales-B1.1.zip");
        assertThat(both.places())
                .extracting(Written.Place::file)
                .containsExactly("yard-7-B1.1.xml", "yard-7-B1.1-2.xml");
        assertThat(both.gaps()).extracting(Written.Gap::missing).contains(Missing.SELLER_NAME, Missing.BUYER_COUNTRY);
        assertThat(new LayoutWriter(layout, facts)
                        .write(List.of(first, second), "B1.1")
                        .files()
                        .getFirst()
                        .content())
                .isEqualTo(both.files().getFirst().content());
    }

    @Test
    void aLayoutThatCannotBeIsNone() {
        LayoutColumn line = LayoutColumn.of("Amount", LayoutField.AMOUNT);
        LayoutColumn number = LayoutColumn.of("Number", LayoutField.NUMBER);
        assertThatThrownBy(() -> new LayoutFile("a", Scope.RECORD, true, List.of(line), List.of()))
                .hasMessageContaining("said of a LINE");
        assertThatThrownBy(() -> new LayoutFile("a", Scope.RECORD, true, List.of(number), List.of(line)))
                .hasMessageContaining("fixed text");
        assertThatThrownBy(() -> new Layout(
                        "x",
                        Carries.SALES,
                        Medium.CSV,
                        TextForm.PLAIN,
                        false,
                        List.of(new LayoutFile("a", Scope.RECORD, true, List.of(), List.of()))))
                .hasMessageContaining("1 to 100 columns");
        new LayoutFile("a", Scope.RECORD, true, java.util.Collections.nCopies(100, number), List.of());
        assertThatThrownBy(() ->
                        new LayoutFile("a", Scope.RECORD, true, java.util.Collections.nCopies(101, number), List.of()))
                .hasMessageContaining("at most 100 columns");
        for (int files : new int[] {0, 1, Layout.MOST_FILES, Layout.MOST_FILES + 1}) {
            List<LayoutFile> all = java.util.stream.IntStream.range(0, files)
                    .mapToObj(i -> new LayoutFile("f" + i, Scope.RECORD, true, List.of(number), List.of()))
                    .toList();
            boolean can = files == 1 || files == 8;
            assertThat(org.assertj.core.api.Assertions.catchThrowable(
                                    () -> new Layout("x", Carries.SALES, Medium.CSV, TextForm.PLAIN, false, all))
                            == null)
                    .as("%d files", files)
                    .isEqualTo(can);
        }
        for (String days : List.of("dd/MM", "hello", "dd/MM/uuuu HH")) {
            assertThatThrownBy(() -> new TextForm(TextForm.Encoding.UTF_8, false, ';', true, days, '.', ""))
                    .as(days)
                    .isInstanceOf(RuntimeException.class);
        }
    }

    /// As others write them.
    @Test
    void aLayoutIsMadeAfterAFileOfTheLedgersOwn() {
        String example = """
                Doc Type;Invoice No.;Invoice Date;Due Date;Customer Code;Customer Name;GL Account;Details;Qty;Net Amount;VAT Code;Company
                INV;4711;28.11.2026;28.12.2026;C001;Café Écluse;4000;Rope;2,5;1.234,50;S;01
                INV;4711;28.11.2026;28.12.2026;C001;Café Écluse;4010;Paint;1;10,00;S;01
                CRN;4712;03.12.2026;;C002;Müller;4000;Rope;1;5,00;S;01
                """;
        Layout layout = LayoutExample.understand(
                        "Their sales",
                        Carries.SALES,
                        example.replace("\n", "\r\n").getBytes(Charset.forName("windows-1252")))
                .orElseThrow();
        assertThat(layout.form())
                .isEqualTo(new TextForm(TextForm.Encoding.WINDOWS_1252, false, ';', true, "dd.MM.uuuu", ',', ""));
        LayoutFile file = layout.files().getFirst();
        assertThat(file.per()).isEqualTo(Scope.LINE);
        assertThat(file.columns())
                .extracting(LayoutColumn::field)
                .containsExactly(
                        LayoutField.KIND,
                        LayoutField.NUMBER,
                        LayoutField.DATE,
                        LayoutField.DUE_DATE,
                        LayoutField.PARTY,
                        LayoutField.PARTY_NAME,
                        LayoutField.ACCOUNT,
                        LayoutField.DESCRIPTION,
                        LayoutField.QUANTITY,
                        LayoutField.AMOUNT,
                        LayoutField.RECORD_TAX_CODE,
                        LayoutField.FIXED);
        assertThat(file.columns().getFirst().table()).isEqualTo(Map.of("invoice", "INV", "credit-note", "CRN"));
        assertThat(file.columns().getLast().argument()).isEqualTo("01");
        assertThat(LayoutExample.understand("x", Carries.SALES, new byte[0])).isEmpty();
    }

    @Test
    void debitsAndCreditsMakeRowsOfBookings() {
        String example = "Date,Account,Memo,Debit,Credit\n11/28/2026,1000,x,5.00,\n11/28/2026,4000,x,,5.00\n";
        Layout layout = LayoutExample.understand("J", Carries.SALES, example.getBytes(StandardCharsets.UTF_8))
                .orElseThrow();
        assertThat(layout.form().days()).isEqualTo("MM/dd/uuuu");
        assertThat(layout.files().getFirst().per()).isEqualTo(Scope.BOOKING);
        assertThat(layout.files().getFirst().columns())
                .extracting(LayoutColumn::field)
                .containsExactly(
                        LayoutField.DATE,
                        LayoutField.BOOKED_ACCOUNT,
                        LayoutField.NOTE,
                        LayoutField.DEBIT,
                        LayoutField.CREDIT);
    }
}
