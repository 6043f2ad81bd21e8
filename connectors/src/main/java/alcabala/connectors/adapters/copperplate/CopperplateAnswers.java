package alcabala.connectors.adapters.copperplate;

import alcabala.accounting.batch.AnswerLine;
import alcabala.accounting.batch.Answering.Telling;
import alcabala.connectors.Kept;
import alcabala.connectors.ledger.FileAnswer;
import alcabala.formats.csv.CsvProblem;
import alcabala.formats.csv.CsvTable;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/// What Copperplate writes about an import, which ends with a row that counts the others, and its register.
final class CopperplateAnswers {
    private static final List<String> ACCEPTANCE =
            List.of("Import", "Delivery", "Reference", "Outcome", "Entry", "Party", "Currency", "Gross", "Reason");
    private static final List<String> REGISTER =
            List.of("Entry", "Party", "Currency", "Gross", "Delivery", "Reference", "Import", "Struck out");
    private static final int LONGEST = 500;

    private final CsvTable table;
    private final boolean register;
    private final Map<String, Integer> places = new HashMap<>();
    private final List<CsvProblem> problems = new ArrayList<>();
    private final List<AnswerLine> lines = new ArrayList<>();
    private boolean ended;

    private CopperplateAnswers(CsvTable table, boolean register) {
        this.table = table;
        this.register = register;
        for (int i = 0; i < table.columns().size(); i++) {
            places.put(table.columns().get(i), i);
        }
    }

    static FileAnswer read(byte[] content) {
        return switch (CsvTable.read(content)) {
            case CsvTable.Outcome.Unreadable no -> new FileAnswer.Unusable(List.of(no.problem()));
            case CsvTable.Outcome.Read yes -> read(yes.table());
        };
    }

    private static FileAnswer read(CsvTable table) {
        boolean acceptance = table.columns().containsAll(ACCEPTANCE);
        if (!acceptance && !table.columns().containsAll(REGISTER)) {
            return new FileAnswer.Unusable(
                    List.of(new CsvProblem(CsvProblem.Code.COLUMNS, 1, "", String.join(", ", table.columns()))));
        }
        return new CopperplateAnswers(table, !acceptance).answer();
    }

    private FileAnswer answer() {
        table.rows().forEach(this::take);
        Telling telling = register ? Telling.REGISTER : ended ? Telling.WHOLE : Telling.PART;
        return problems.isEmpty()
                ? new FileAnswer.Read(telling, List.copyOf(lines))
                : new FileAnswer.Unusable(List.copyOf(problems));
    }

    private void take(CsvTable.Row row) {
        for (int i = 0; i < row.cells().size(); i++) {
            if (row.cells().get(i).codePoints().anyMatch(Kept::isUnfit)) {
                wrong(row, table.columns().get(i));
                return;
            }
        }
        if (register) {
            lines.add(line(row, true, struck(row)));
            return;
        }
        switch (cell(row, "Outcome")) {
            case "accepted" -> lines.add(line(row, true, false));
            case "refused" -> lines.add(line(row, false, false));
            case "end" -> end(row);
            default -> wrong(row, "Outcome");
        }
    }

    private boolean struck(CsvTable.Row row) {
        String struck = cell(row, "Struck out");
        if (!struck.equals("yes") && !struck.equals("no")) {
            wrong(row, "Struck out");
        }
        return struck.equals("yes");
    }

    /// It counts the rows before it; if it does not, some were lost, or the file was put together of two.
    private void end(CsvTable.Row row) {
        BigDecimal sum = lines.stream()
                .map(line -> line.gross() == null ? BigDecimal.ZERO : line.gross())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal stated = amount(row);
        ended = cell(row, "Reference").equals(String.valueOf(lines.size()))
                && stated != null
                && stated.compareTo(sum) == 0
                && row == table.rows().getLast();
    }

    private AnswerLine line(CsvTable.Row row, boolean accepted, boolean struck) {
        if (cell(row, "Reference").isEmpty() && !register) {
            wrong(row, "Reference");
        }
        if (accepted && cell(row, "Entry").isEmpty()) {
            wrong(row, "Entry");
        }
        return new AnswerLine(
                row.line(),
                cell(row, "Import"),
                cell(row, "Delivery"),
                cell(row, "Reference"),
                accepted,
                accepted ? cell(row, "Entry") : "",
                cell(row, "Party"),
                cell(row, "Currency"),
                accepted ? amount(row) : null,
                register ? "" : cell(row, "Reason"),
                struck);
    }

    private BigDecimal amount(CsvTable.Row row) {
        String amount = cell(row, "Gross");
        if (amount.matches("-?\\d{1,12}(\\.\\d{1,4})?")) {
            return new BigDecimal(amount);
        }
        wrong(row, "Gross");
        return null;
    }

    private String cell(CsvTable.Row row, String column) {
        String cell = row.cells().get(places.get(column));
        return cell.length() <= LONGEST ? cell : cell.substring(0, LONGEST);
    }

    private void wrong(CsvTable.Row row, String column) {
        problems.add(new CsvProblem(CsvProblem.Code.VALUE, row.line(), column, Kept.quoted(cell(row, column))));
    }
}
