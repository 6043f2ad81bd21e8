package alcabala.connectors.adapters.copperplate;

import alcabala.accounting.document.Limits;
import alcabala.connectors.Kept;
import alcabala.connectors.Unusable;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.TellsBalances.Balance;
import alcabala.connectors.ledger.TellsBalances.OpenDocument;
import alcabala.connectors.ledger.TellsBalancesInFile.Stood;
import alcabala.formats.csv.CsvProblem;
import alcabala.formats.csv.CsvProblem.Code;
import alcabala.formats.csv.CsvTable;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;

/// What Copperplate writes of a day: a row for each account, one for each open entry, and one that counts them, without
/// which some were lost. A row of an account that cannot be read makes the whole file useless, since a sum would be
/// wrong; an entry that cannot be is set aside.
final class CopperplateStood {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("dd/MM/uuuu").withResolverStyle(ResolverStyle.STRICT);
    private static final List<String> COLUMNS = List.of(
            "Day",
            "Account",
            "Balance",
            "Entry",
            "Type",
            "Number",
            "Date",
            "Due",
            "Party",
            "Currency",
            "Net",
            "Tax",
            "Gross",
            "Open",
            "Open in books",
            "Reference");
    private static final Map<String, String> KINDS = Map.of(
            "invoice", "invoice",
            "credit note", "credit-note",
            "bill", "bill",
            "supplier credit", "supplier-credit");
    private static final String END = "end";

    private final CsvTable table;
    private final Map<String, Integer> places = new HashMap<>();
    private final List<Balance> balances = new ArrayList<>();
    private final List<OpenDocument> documents = new ArrayList<>();
    private final List<Unusable> setAside = new ArrayList<>();
    private final List<CsvProblem> problems = new ArrayList<>();

    private CopperplateStood(CsvTable table) {
        this.table = table;
        for (int i = 0; i < table.columns().size(); i++) {
            places.put(table.columns().get(i), i);
        }
    }

    static Stood read(byte[] content) {
        return switch (CsvTable.read(content)) {
            case CsvTable.Outcome.Unreadable no -> new Stood.Unreadable(List.of(no.problem()));
            case CsvTable.Outcome.Read yes
            when !yes.table().columns().containsAll(COLUMNS) ->
                new Stood.Unreadable(List.of(new CsvProblem(
                        Code.COLUMNS, 1, "", String.join(", ", yes.table().columns()))));
            case CsvTable.Outcome.Read yes -> new CopperplateStood(yes.table()).stood();
        };
    }

    private Stood stood() {
        List<CsvTable.Row> rows = table.rows();
        CsvTable.Row last = rows.isEmpty() ? null : rows.getLast();
        boolean whole = last != null
                && cell(last, "Account").equals(END)
                && cell(last, "Balance").equals(String.valueOf(rows.size() - 1));
        if (!whole) {
            int line = last == null ? 1 : last.line();
            return new Stood.Unreadable(List.of(new CsvProblem(Code.VALUE, line, "Account", "no row that ends it")));
        }
        String day = cell(last, "Day");
        rows.subList(0, rows.size() - 1).forEach(row -> take(row, day));
        LocalDate of = day(day);
        if (of == null) {
            problems.add(problem(last, "Day"));
        }
        return problems.isEmpty()
                ? new Stood.Read(of, List.copyOf(balances), List.copyOf(documents), List.copyOf(setAside))
                : new Stood.Unreadable(List.copyOf(problems));
    }

    private void take(CsvTable.Row row, String day) {
        if (!cell(row, "Day").equals(day)) {
            problems.add(problem(row, "Day"));
        } else if (!cell(row, "Account").isEmpty()) {
            BigDecimal balance = amount(row, "Balance");
            if (balance == null) {
                problems.add(problem(row, "Balance"));
            } else {
                balances.add(new Balance(Kept.text(cell(row, "Account")), balance));
            }
        } else {
            entry(row);
        }
    }

    private void entry(CsvTable.Row row) {
        String wrong = wrongIn(row);
        if (!wrong.isEmpty()) {
            String number = Kept.quoted(cell(row, "Number"));
            setAside.add(new Unusable(
                    "document",
                    Kept.quoted(cell(row, "Entry")),
                    "entry " + number,
                    "its column " + wrong + " cannot be read",
                    Kept.quoted(String.join(";", row.cells()))));
            return;
        }
        BigDecimal gross = amount(row, "Gross");
        BigDecimal open = amount(row, "Open");
        LedgerRecord record = new LedgerRecord(
                cell(row, "Entry"),
                1,
                cell(row, "Number"),
                KINDS.get(cell(row, "Type")),
                cell(row, "Party"),
                day(cell(row, "Date")),
                day(cell(row, "Due")),
                false,
                cell(row, "Reference"),
                amount(row, "Net"),
                amount(row, "Tax"),
                gross,
                gross.subtract(open),
                null,
                null,
                List.of(),
                List.of(),
                "",
                null,
                null,
                null,
                null,
                null,
                null);
        documents.add(
                new OpenDocument(record, CurrencyUnit.of(cell(row, "Currency")), open, amount(row, "Open in books")));
    }

    /// @return the first column that cannot be read, or empty
    private String wrongIn(CsvTable.Row row) {
        Map<String, Boolean> fit = new LinkedHashMap<>();
        Stream.of("Entry", "Number", "Party").forEach(each -> fit.put(each, isName(cell(row, each))));
        fit.put("Type", KINDS.containsKey(cell(row, "Type")));
        fit.put("Date", day(cell(row, "Date")) != null);
        fit.put("Due", cell(row, "Due").isEmpty() || day(cell(row, "Due")) != null);
        fit.put("Currency", Limits.isCurrency(cell(row, "Currency")));
        Stream.of("Net", "Tax", "Gross", "Open", "Open in books")
                .forEach(each -> fit.put(each, amount(row, each) != null));
        fit.put("Reference", cell(row, "Reference").codePoints().noneMatch(Kept::isUnfit));
        return fit.entrySet().stream()
                .filter(each -> !each.getValue())
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse("");
    }

    private static boolean isName(String cell) {
        return !cell.isBlank()
                && cell.length() <= Limits.NAME
                && cell.codePoints().noneMatch(Kept::isUnfit);
    }

    private static LocalDate day(String cell) {
        try {
            return LocalDate.parse(cell, DAY);
        } catch (DateTimeException e) {
            return null;
        }
    }

    private BigDecimal amount(CsvTable.Row row, String column) {
        String amount = cell(row, column);
        BigDecimal read = amount.matches("-?\\d{1,20}(\\.\\d{1,4})?") ? new BigDecimal(amount) : null;
        return read == null || Limits.isBeyond(read) ? null : read;
    }

    private CsvProblem problem(CsvTable.Row row, String column) {
        return new CsvProblem(Code.VALUE, row.line(), column, Kept.quoted(cell(row, column)));
    }

    private String cell(CsvTable.Row row, String column) {
        return row.cells().get(places.get(column));
    }
}
