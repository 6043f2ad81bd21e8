package alcabala.formats.ownlist;

import alcabala.formats.grid.Grid;
import alcabala.formats.ownlist.OwnList.Known;
import alcabala.formats.ownlist.OwnList.Problem;
import alcabala.formats.ownlist.OwnList.Said;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;

/// Understands a list by what is in it: the column of the numbers is the one in which the most numbers of known
/// documents stand, that of the amounts the one that has the most of their amounts beside them.
public final class OwnLists {
    private OwnLists() {}

    /// @param known documents that may be on it
    public static OwnList understand(Grid grid, CurrencyUnit currency, List<Known> known, Said said) {
        Columns columns = Columns.of(grid, known, said);
        if (columns.numbers() < 0 || columns.amounts() < 0) {
            Problem.Kind kind = columns.numbers() < 0 ? Problem.Kind.NO_NUMBERS : Problem.Kind.NO_AMOUNTS;
            return new OwnList(
                    columns.numbers(),
                    columns.amounts(),
                    columns.heads(),
                    DecimalSign.POINT,
                    hidden(grid),
                    List.of(),
                    List.of(),
                    List.of(new Problem(kind, 0, -1, "")));
        }
        Set<String> numbers =
                known.stream().map(each -> Columns.key(each.number())).collect(Collectors.toSet());
        Signs signs = Signs.of(grid, columns, known, said);
        Rows rows = new Rows(
                        grid, currency, columns, signs, number -> numbers.contains(Columns.key(number)), said.hidden())
                .read();
        return new OwnList(
                columns.numbers(),
                columns.amounts(),
                columns.heads(),
                signs.sign(),
                hidden(grid),
                rows.entries(),
                rows.totals(),
                rows.problems());
    }

    private static int hidden(Grid grid) {
        return (int) grid.rows().stream().filter(Grid.Row::hidden).count();
    }
}
