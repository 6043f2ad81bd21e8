package alcabala.formats.ownlist;

import alcabala.accounting.batch.ListEntry;
import alcabala.formats.grid.Grid;
import alcabala.formats.grid.Grid.Cell;
import alcabala.formats.ownlist.OwnList.Problem;
import alcabala.formats.ownlist.OwnList.TotalRow;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Reads the rows of a list, one by one.
final class Rows {
    /// A spreadsheet's own arithmetic is off by this much at most.
    private static final BigDecimal NOISE = new BigDecimal("0.000001");
    private static final int MOST_PROBLEMS = 100;
    private static final Pattern TOTAL =
            Pattern.compile("(?iu).*\\b(sub-?total|total|sum|carried|brought|balance)s?\\b.*");
    private final Grid grid;
    private final CurrencyUnit currency;
    private final Columns columns;
    private final Signs signs;
    private final Numbers numbers;
    private final boolean withHidden;
    private final List<ListEntry> entries = new ArrayList<>();
    private final List<TotalRow> totals = new ArrayList<>();
    private final List<Problem> problems = new ArrayList<>();
    private final Sums all = new Sums();
    private Sums sinceTotal = new Sums();
    private String lastNumber = "";

    Rows(Grid grid, CurrencyUnit currency, Columns columns, Signs signs, Numbers numbers, boolean withHidden) {
        this.grid = grid;
        this.currency = currency;
        this.columns = columns;
        this.signs = signs;
        this.numbers = numbers;
        this.withHidden = withHidden;
    }

    Rows read() {
        if (signs.ambiguous()) {
            problems.add(new Problem(Problem.Kind.AMBIGUOUS, 0, columns.amounts(), example()));
            return this;
        }
        grid.rows().subList(columns.first(), grid.rows().size()).stream()
                .filter(row -> withHidden || !row.hidden())
                .forEach(this::read);
        return this;
    }

    List<ListEntry> entries() {
        return List.copyOf(entries);
    }

    List<TotalRow> totals() {
        return List.copyOf(totals);
    }

    List<Problem> problems() {
        return List.copyOf(problems);
    }

    private String example() {
        return grid.rows().subList(columns.first(), grid.rows().size()).stream()
                .map(row -> row.cell(columns.amounts()))
                .filter(cell -> cell.number() == null && !cell.isEmpty())
                .map(Cell::text)
                .filter(text -> !DecimalSign.POINT.read(text).equals(DecimalSign.COMMA.read(text)))
                .findFirst()
                .orElse("");
    }

    private void read(Grid.Row row) {
        Cell numberCell = row.cell(columns.numbers());
        boolean less = row.cell(columns.amounts()).isEmpty()
                && columns.less() >= 0
                && !row.cell(columns.less()).isEmpty();
        Cell amountCell = row.cell(less ? columns.less() : columns.amounts());
        String number = numberCell.covered() ? lastNumber : numberCell.text();
        if (saysNothing(row, number, amountCell)) {
            return;
        }
        if (amountCell.isEmpty()) {
            wrong(Problem.Kind.AMOUNT_MISSING, row, columns.amounts(), number);
            return;
        }
        Optional<BigDecimal> written = amount(row, amountCell);
        if (written.isEmpty()) {
            return;
        }
        BigDecimal amount = less ? written.get().negate() : written.get();
        // Somebody may well be named Total; what a document is called has a digit in it, or is known.
        boolean noNumber = number.chars().noneMatch(Character::isDigit) && !numbers.isKnown(number);
        boolean called = noNumber
                && row.cells().stream()
                        .anyMatch(cell -> cell.number() == null
                                && TOTAL.matcher(cell.text()).matches());
        if (number.isEmpty() || called || noNumber && addsUp(amount)) {
            total(row, amount, called);
            return;
        }
        lastNumber = number;
        entries.add(new ListEntry(row.line(), number, Money.of(currency, amount)));
        all.add(amount, less, numbers.isCredit(number));
        sinceTotal.add(amount, less, numbers.isCredit(number));
    }

    /// What was merged is said once; a word by itself is a heading, and the heads of a page may come again.
    private boolean saysNothing(Grid.Row row, String number, Cell amount) {
        boolean alone = row.cells().stream().filter(cell -> !cell.isEmpty()).count() < 2 && !numbers.isKnown(number);
        boolean nothingThere = amount.isEmpty() && (amount.covered() || alone || number.isEmpty());
        return nothingThere
                || !number.isEmpty() && number.equals(columns.heads().get(columns.numbers()));
    }

    private void total(Grid.Row row, BigDecimal amount, boolean called) {
        if (addsUp(amount)) {
            totals.add(new TotalRow(row.line(), amount));
            sinceTotal = new Sums();
        } else {
            wrong(
                    called ? Problem.Kind.TOTAL_DIFFERS : Problem.Kind.NUMBER_MISSING,
                    row,
                    called ? columns.amounts() : columns.numbers(),
                    amount.toPlainString());
        }
    }

    /// Whether it is what those before it come to, all of them or those since the last total. In whatever language a
    /// total is called so, it does.
    private boolean addsUp(BigDecimal amount) {
        return !entries.isEmpty() && (sinceTotal.comeTo(amount) || all.comeTo(amount));
    }

    private Optional<BigDecimal> amount(Grid.Row row, Cell cell) {
        BigDecimal amount = cell.number();
        if (amount == null) {
            Optional<DecimalSign.Written> written = signs.sign().read(cell.text());
            if (written.isEmpty()) {
                wrong(Problem.Kind.NOT_AN_AMOUNT, row, columns.amounts(), cell.text());
                return Optional.empty();
            }
            String said = written.get().currency();
            if (!said.isEmpty() && !said.equals(currency.getCode())) {
                wrong(Problem.Kind.OTHER_CURRENCY, row, columns.amounts(), cell.text());
                return Optional.empty();
            }
            amount = written.get().amount();
        }
        BigDecimal minor = amount.setScale(currency.getDecimalPlaces(), RoundingMode.HALF_UP);
        if (minor.subtract(amount).abs().compareTo(NOISE) > 0) {
            wrong(Problem.Kind.TOO_FINE, row, columns.amounts(), cell.text());
            return Optional.empty();
        }
        return Optional.of(minor);
    }

    private void wrong(Problem.Kind kind, Grid.Row row, int column, String found) {
        if (problems.size() < MOST_PROBLEMS) {
            problems.add(new Problem(kind, row.line(), column, found));
        }
    }
}
