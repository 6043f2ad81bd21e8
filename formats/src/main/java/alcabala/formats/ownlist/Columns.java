package alcabala.formats.ownlist;

import alcabala.formats.grid.Grid;
import alcabala.formats.ownlist.OwnList.Said;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/// Which column is which.
///
/// @param less a second column of amounts, which count negative where the first has none; -1 for none
/// @param first the first row, by its place, below the heads
record Columns(int numbers, int amounts, int less, int first, List<String> heads) {
    private static final Set<String> NUMBER_WORDS =
            Set.of("number", "no", "nr", "document", "invoice", "voucher", "reference", "ref");
    private static final Set<String> AMOUNT_WORDS = Set.of("gross", "total", "payable", "amount", "sum", "value");

    /// So many rows tell which column is which, however long the list.
    private static final int LOOKED_AT = 5_000;
    private static final double HALF = 0.5;

    static Columns of(Grid whole, Numbers known, Said said) {
        Grid grid =
                new Grid(whole.name(), whole.rows().stream().limit(LOOKED_AT).toList());
        int numbers = said.numbers() != null ? said.numbers() : numbers(grid, known);
        int amounts = said.amounts() != null ? said.amounts() : amounts(grid, numbers, known);
        int less = said.amounts() != null ? -1 : less(grid, numbers, amounts, known);
        int first = first(grid, numbers, amounts, known);
        return new Columns(numbers, amounts, less, first, heads(grid, first));
    }

    /// In how many rows the numbers of known documents stand, in the column that has the most.
    static long matching(Grid whole, Numbers known) {
        List<Grid.Row> rows = whole.rows().stream().limit(LOOKED_AT).toList();
        return IntStream.range(0, whole.columns())
                .mapToLong(column -> rows.stream()
                        .filter(row -> known.isKnown(row.cell(column).text()))
                        .count())
                .max()
                .orElse(0);
    }

    private static int numbers(Grid grid, Numbers known) {
        int whole = best(grid, (row, column) -> known.isWhole(row.cell(column).text()));
        int found = whole >= 0
                ? whole
                : best(grid, (row, column) -> known.isKnown(row.cell(column).text()));
        return found >= 0
                ? found
                : named(
                        grid,
                        NUMBER_WORDS,
                        column -> grid.rows().stream()
                                        .filter(row -> !row.cell(column).isEmpty())
                                        .count()
                                > 1);
    }

    private static int amounts(Grid grid, int numbers, Numbers known) {
        if (numbers < 0) {
            return -1;
        }
        int found = best(grid, (row, column) -> column != numbers && agrees(row, numbers, column, known));
        if (found >= 0) {
            return found;
        }
        int named = named(grid, AMOUNT_WORDS, column -> column != numbers && share(grid, numbers, column) > 0);
        // What a row comes to stands at its end.
        return named >= 0
                ? named
                : IntStream.range(0, grid.columns())
                        .filter(column -> column != numbers && share(grid, numbers, column) > HALF)
                        .max()
                        .orElse(-1);
    }

    /// Debits and credits may stand in columns of their own.
    private static int less(Grid grid, int numbers, int amounts, Numbers known) {
        return numbers < 0 || amounts < 0
                ? -1
                : best(
                        grid,
                        (row, column) -> column != numbers
                                && row.cell(amounts).isEmpty()
                                && agrees(row, numbers, column, known));
    }

    private static boolean agrees(Grid.Row row, int numbers, int column, Numbers known) {
        return known.agrees(row.cell(numbers).text(), Signs.values(row.cell(column)));
    }

    /// How many of the rows with something in the column of the numbers have an amount here.
    private static double share(Grid grid, int numbers, int column) {
        List<Grid.Row> rows =
                grid.rows().stream().filter(row -> !row.cell(numbers).isEmpty()).toList();
        long amounts = rows.stream()
                .filter(row -> Signs.values(row.cell(column)).findAny().isPresent())
                .count();
        return (double) amounts / Math.max(1, rows.size());
    }

    private interface Fit {
        boolean fits(Grid.Row row, int column);
    }

    /// The first of those with the most fitting rows, none at all excepted; one out of sight only where none is seen.
    private static int best(Grid grid, Fit fit) {
        int seen = best(grid, fit, false);
        return seen >= 0 ? seen : best(grid, fit, true);
    }

    private static int best(Grid grid, Fit fit, boolean hidden) {
        int best = -1;
        long most = 0;
        for (int place = 0; place < grid.columns(); place++) {
            int column = place;
            long fitting = grid.hides(column) == hidden
                    ? grid.rows().stream().filter(row -> fit.fits(row, column)).count()
                    : 0;
            if (fitting > most) {
                most = fitting;
                best = column;
            }
        }
        return best;
    }

    private static int named(Grid grid, Set<String> words, IntPredicate fits) {
        return grid.rows().stream()
                .limit(20)
                .flatMapToInt(row -> IntStream.range(0, row.cells().size())
                        .filter(column -> isNamed(row.cell(column).text(), words) && fits.test(column)))
                .findFirst()
                .orElse(-1);
    }

    private static boolean isNamed(String text, Set<String> words) {
        return text.length() < 40
                && Arrays.stream(text.toLowerCase(Locale.ROOT).split("[^\\p{L}]+"))
                        .anyMatch(words::contains);
    }

    /// The first row with the number of a document that is known, or with any number and an amount.
    private static int first(Grid grid, int numbers, int amounts, Numbers known) {
        for (int place = 0; place < grid.rows().size() && numbers >= 0 && amounts >= 0; place++) {
            Grid.Row row = grid.rows().get(place);
            boolean both = !row.cell(numbers).isEmpty()
                    && Signs.values(row.cell(amounts)).findAny().isPresent();
            if (both || known.isKnown(row.cell(numbers).text())) {
                return place;
            }
        }
        return Math.min(1, grid.rows().size());
    }

    private static List<String> heads(Grid grid, int first) {
        return IntStream.range(0, grid.columns())
                .mapToObj(column -> first == 0
                        ? ""
                        : grid.rows().get(first - 1).cell(column).text())
                .collect(Collectors.toList());
    }
}
