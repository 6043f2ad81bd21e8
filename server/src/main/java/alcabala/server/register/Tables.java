package alcabala.server.register;

import alcabala.accounting.batch.BatchSummary;
import alcabala.accounting.batch.BatchSummary.Sum;
import alcabala.formats.print.Report.Cell;
import alcabala.formats.print.Report.Column;
import alcabala.formats.print.Report.Table;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentences;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// The tables of a report, each with what it adds up to.
final class Tables {
    private static final Map<String, String> OUTCOMES = Map.of(
            "queued", "on its way",
            "sending", "on its way",
            "unconfirmed", "not confirmed",
            "posted", "posted",
            "refused", "refused",
            "unreached", "did not get through");

    private Tables() {}

    /// @param withBatch whether each row says in which batch it went
    static Table detail(List<Crossed> crossed, CurrencyUnit currency, boolean withBatch) {
        List<Column> columns = new ArrayList<>(List.of(
                Column.text("Number", 2),
                Column.text("Date", 1.6f),
                Column.text("Party", 4),
                Column.text("Kind", 1.8f),
                Column.figure("Net, " + currency.getCode(), 1.8f),
                Column.figure("Tax", 1.5f),
                Column.figure("Gross", 1.8f),
                Column.text("Outcome", 1.9f),
                Column.text("There", 1.9f)));
        if (withBatch) {
            columns.add(Column.figure("Batch", 1));
        }
        Money net = Money.zero(currency);
        Money tax = net;
        Money gross = net;
        List<List<Cell>> rows = new ArrayList<>(crossed.size());
        for (Crossed each : crossed) {
            rows.add(row(each, withBatch));
            if (each.counts()) {
                net = net.plus(each.change(Crossed::net));
                tax = tax.plus(each.change(Crossed::tax));
                gross = gross.plus(each.change(Crossed::gross));
            }
        }
        List<Cell> total = new ArrayList<>(List.of(
                Cell.of(crossed.stream().filter(Crossed::counts).count()),
                Cell.NOTHING,
                Cell.of(came(crossed)),
                Cell.NOTHING,
                Cell.of(net.getAmount()),
                Cell.of(tax.getAmount()),
                Cell.of(gross.getAmount()),
                Cell.NOTHING,
                Cell.NOTHING));
        if (withBatch) {
            total.add(Cell.NOTHING);
        }
        return new Table("Records", columns, rows, total);
    }

    private static String came(List<Crossed> crossed) {
        long back = crossed.stream().filter(each -> !each.counts()).count();
        long changed = crossed.stream()
                .filter(each -> each.counts() && each.replaced() != null)
                .count();
        return "records"
                + (back == 0 ? "" : "; " + back + " came back and are not added up")
                + (changed == 0 ? "" : "; of " + changed + " that stood there, the difference");
    }

    private static List<Cell> row(Crossed each, boolean withBatch) {
        List<Cell> row = new ArrayList<>(List.of(
                Cell.of(each.number()),
                Cell.of(each.entry().date()),
                Cell.of(each.party()),
                Cell.of(each.entry().kind().word().replace('-', ' ')),
                Cell.of(each.net().getAmount()),
                Cell.of(each.tax().getAmount()),
                Cell.of(each.gross().getAmount()),
                Cell.of(outcome(each)),
                Cell.of(each.there())));
        if (withBatch) {
            row.add(Cell.of(each.batch()));
        }
        return row;
    }

    private static String outcome(Crossed each) {
        return each.isTakenBack() && each.outcome().equals("posted")
                ? "taken back"
                : OUTCOMES.getOrDefault(each.outcome(), each.outcome());
    }

    /// @param names of categories by their codes; what has none is called by its code
    static Table categories(BatchSummary summary, Map<String, String> names) {
        List<Sum> sums = summary.categories();
        List<List<Cell>> rows = new ArrayList<>();
        Money total = summary.beside();
        int lines = 0;
        for (Sum sum : sums) {
            String name = sum.code().isEmpty() ? "Without a category" : names.getOrDefault(sum.code(), sum.code());
            rows.add(List.of(
                    Cell.of(name), Cell.of(sum.count()), Cell.of(sum.amount().getAmount())));
            total = total.plus(sum.amount());
            lines += sum.count();
        }
        if (!summary.beside().isZero()) {
            rows.add(List.of(
                    Cell.of("Allowances, charges, and tax inside prices"),
                    Cell.NOTHING,
                    Cell.of(summary.beside().getAmount())));
        }
        return new Table(
                "By category",
                List.of(Column.text("Category", 5), Column.figure("Lines", 1), Column.figure("Net", 2)),
                sums.isEmpty() ? List.of() : rows,
                List.of(Cell.of("All together"), Cell.of(lines), Cell.of(total.getAmount())));
    }

    static Table means(BatchSummary summary, CurrencyUnit currency) {
        Money total = Money.zero(currency);
        int payments = 0;
        List<List<Cell>> rows = new ArrayList<>();
        for (Sum sum : summary.means()) {
            rows.add(List.of(
                    Cell.of(Sentences.means(sum.code())),
                    Cell.of(sum.count()),
                    Cell.of(sum.amount().getAmount())));
            total = total.plus(sum.amount());
            payments += sum.count();
        }
        return new Table(
                "By means of payment",
                List.of(Column.text("Means", 5), Column.figure("Payments", 1), Column.figure("Money", 2)),
                rows,
                List.of(Cell.of("All together"), Cell.of(payments), Cell.of(total.getAmount())));
    }

    /// @param base the currency of the books
    /// @param names of accounts by their codes
    static Table journal(List<CrossedRows.Booked> booked, String base, Map<String, String> names) {
        List<List<Cell>> rows = new ArrayList<>();
        long debit = 0;
        long credit = 0;
        for (CrossedRows.Booked each : booked) {
            Cell amount = Cell.of(Amounts.money(base, Math.abs(each.amount())).getAmount());
            boolean debited = each.amount() > 0;
            debit += debited ? each.amount() : 0;
            credit -= debited ? 0 : each.amount();
            rows.add(List.of(
                    Cell.of(each.account()),
                    Cell.of(names.getOrDefault(each.account(), "")),
                    debited ? amount : Cell.NOTHING,
                    debited ? Cell.NOTHING : amount));
        }
        return new Table(
                "The journal that it makes, by account",
                List.of(
                        Column.text("Account", 1.2f),
                        Column.text("Name", 4),
                        Column.figure("Debit, " + base, 2),
                        Column.figure("Credit, " + base, 2)),
                rows,
                List.of(
                        Cell.of(debit == credit ? "Balanced" : "Out of balance"),
                        Cell.NOTHING,
                        Cell.of(Amounts.money(base, debit).getAmount()),
                        Cell.of(Amounts.money(base, credit).getAmount())));
    }
}
