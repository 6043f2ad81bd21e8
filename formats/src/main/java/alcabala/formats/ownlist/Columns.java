package alcabala.formats.ownlist;

import alcabala.formats.grid.Grid;
import alcabala.formats.grid.Grid.Cell;
import alcabala.formats.ownlist.OwnList.Known;
import alcabala.formats.ownlist.OwnList.Said;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.IntToLongFunction;
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

    static Columns of(Grid whole, List<Known> known, Said said) {
        Grid grid =
                new Grid(whole.name(), whole.rows().stream().limit(LOOKED_AT).toList());
        Map<String, List<BigDecimal>> amounts = new HashMap<>();
        known.forEach(each -> amounts.computeIfAbsent(key(each.number()), key -> new ArrayList<>())
                .add(each.gross().getAmount().abs()));
        int numbers = said.numbers() != null ? said.numbers() : numbers(grid, amounts);
        int column = said.amounts() != null ? said.amounts() : amounts(grid, numbers, amounts);
        int first = first(grid, numbers, column, amounts.keySet());
        int less = said.amounts() != null ? -1 : less(grid, numbers, column, amounts);
        return new Columns(numbers, column, less, first, heads(grid, first));
    }

    /// In how many rows the numbers of known documents stand, in the column that has the most.
    static long matching(Grid whole, List<Known> known) {
        Set<String> numbers = known.stream().map(each -> key(each.number())).collect(Collectors.toSet());
        List<Grid.Row> rows = whole.rows().stream().limit(LOOKED_AT).toList();
        return IntStream.range(0, whole.columns())
                .mapToLong(column -> rows.stream()
                        .filter(row -> numbers.contains(key(row.cell(column).text())))
                        .count())
                .max()
                .orElse(0);
    }

    /// As numbers are compared when columns are recognised: without blanks, signs and the zeros at the beginning.
    static String key(String number) {
        return number.toUpperCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{Nd}]+", " ")
                .replaceAll("(?<!\\d)0+(?=\\d)", "")
                .replace(" ", "");
    }

    private static int numbers(Grid grid, Map<String, List<BigDecimal>> known) {
        int found = best(
                grid,
                column -> grid.rows().stream()
                        .filter(row -> known.containsKey(key(row.cell(column).text())))
                        .count());
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

    private static int amounts(Grid grid, int numbers, Map<String, List<BigDecimal>> known) {
        if (numbers < 0) {
            return -1;
        }
        int found = best(
                grid,
                column -> column == numbers
                        ? 0
                        : grid.rows().stream()
                                .filter(row -> isOneOf(
                                        row.cell(column),
                                        known.getOrDefault(key(row.cell(numbers).text()), List.of())))
                                .count());
        IntPredicate hasAmounts = column -> column != numbers && share(grid, numbers, column) > 0.5;
        if (found >= 0) {
            return found;
        }
        int named = named(grid, AMOUNT_WORDS, column -> column != numbers && share(grid, numbers, column) > 0);
        // What a row comes to stands at its end.
        return named >= 0
                ? named
                : IntStream.range(0, grid.columns()).filter(hasAmounts).max().orElse(-1);
    }

    /// Debits and credits may stand in columns of their own.
    private static int less(Grid grid, int numbers, int amounts, Map<String, List<BigDecimal>> known) {
        if (numbers < 0 || amounts < 0) {
            return -1;
        }
        return best(
                grid,
                column -> column == numbers || column == amounts
                        ? 0
                        : grid.rows().stream()
                                .filter(row -> row.cell(amounts).isEmpty()
                                        && isOneOf(
                                                row.cell(column),
                                                known.getOrDefault(
                                                        key(row.cell(numbers).text()), List.of())))
                                .count());
    }

    private static boolean isOneOf(Cell cell, List<BigDecimal> amounts) {
        return amounts.stream()
                .anyMatch(
                        amount -> Signs.values(cell).anyMatch(each -> each.abs().compareTo(amount) == 0));
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

    /// The first of those with the most, none at all excepted.
    private static int best(Grid grid, IntToLongFunction count) {
        int best = -1;
        long most = 0;
        for (int column = 0; column < grid.columns(); column++) {
            long counted = count.applyAsLong(column);
            if (counted > most) {
                most = counted;
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
    private static int first(Grid grid, int numbers, int amounts, Set<String> known) {
        for (int place = 0; place < grid.rows().size() && numbers >= 0 && amounts >= 0; place++) {
            Grid.Row row = grid.rows().get(place);
            boolean both = !row.cell(numbers).isEmpty()
                    && Signs.values(row.cell(amounts)).findAny().isPresent();
            if (both || known.contains(key(row.cell(numbers).text()))) {
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
