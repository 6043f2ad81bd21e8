package alcabala.formats.ownlist;

import alcabala.accounting.batch.ControlTotals.Member;
import alcabala.formats.grid.Grid;
import alcabala.formats.ownlist.OwnList.Problem;
import alcabala.formats.ownlist.OwnList.Said;
import java.util.List;
import org.joda.money.CurrencyUnit;

/// Understands a list by what is in it: the column of the numbers is the one in which the most numbers of known
/// documents stand, that of the amounts the one that has the most of their amounts beside them.
public final class OwnLists {
    private OwnLists() {}

    /// The sheet that has the most of the documents; the first, where none has any.
    public static Grid likeliest(List<Grid> sheets, List<Member> documents) {
        Numbers known = new Numbers(documents);
        Grid likeliest = sheets.getFirst();
        long most = 0;
        for (Grid sheet : sheets) {
            long matching = Columns.matching(sheet, known);
            likeliest = matching > most ? sheet : likeliest;
            most = Math.max(most, matching);
        }
        return likeliest;
    }

    /// @param documents that may be on it
    public static OwnList understand(Grid grid, CurrencyUnit currency, List<Member> documents, Said said) {
        Numbers known = new Numbers(documents);
        Columns columns = Columns.of(grid, known, said);
        if (columns.numbers() < 0 || columns.amounts() < 0) {
            Problem.Kind kind = columns.numbers() < 0 ? Problem.Kind.NO_NUMBERS : Problem.Kind.NO_AMOUNTS;
            return new OwnList(
                    columns.numbers(),
                    columns.amounts(),
                    -1,
                    columns.heads(),
                    DecimalSign.POINT,
                    hidden(grid),
                    List.of(),
                    List.of(),
                    List.of(new Problem(kind, 0, -1, "")));
        }
        Signs signs = Signs.of(grid, columns, known, said);
        Rows rows = new Rows(grid, currency, columns, signs, known, said.hidden()).read();
        return new OwnList(
                columns.numbers(),
                columns.amounts(),
                columns.less(),
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
