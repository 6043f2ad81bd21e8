package alcabala.server.clear;

import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.settlement.Banking;
import alcabala.formats.print.Report;
import alcabala.formats.print.Report.Cell;
import alcabala.formats.print.Report.Column;
import alcabala.formats.print.Report.Fact;
import alcabala.formats.print.Report.Table;
import alcabala.server.clear.BankingRows.Made;
import alcabala.server.clear.ToBank.Receipt;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.Postings;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Conventions;
import alcabala.server.platform.Sentences;
import alcabala.server.platform.Writing;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// What is printed of a banking, as it goes to the bank with the money, and of those of a year.
@Component
class BankingReports {
    private final BankingRows rows;
    private final BankingStore store;
    private final ToBank toBank;
    private final Compiling compiling;
    private final Postings postings;
    private final LedgerReference reference;
    private final Clock clock;

    BankingReports(
            BankingRows rows,
            BankingStore store,
            ToBank toBank,
            Compiling compiling,
            Postings postings,
            LedgerReference reference,
            Clock clock) {
        this.rows = rows;
        this.store = store;
        this.toBank = toBank;
        this.compiling = compiling;
        this.postings = postings;
        this.reference = reference;
        this.clock = clock;
    }

    Report ofOne(RouteRow route, BankingRow row, String who) {
        Made made = rows.of(row);
        Banking banking = made.banking();
        List<Receipt> taken = toBank.named(route, store.taken(row.recordId()));
        return new Report(
                "Taken to the bank on " + Writing.now().day(banking.date()),
                route.source() + " at " + route.site() + " to " + banking.account() + " " + banking.bank() + " of "
                        + route.ledger(),
                facts(made),
                List.of(receipts(taken, banking), means(taken, banking), journal(route, made)),
                printed(who));
    }

    private static List<Fact> facts(Made made) {
        Banking banking = made.banking();
        List<Fact> facts = new ArrayList<>();
        facts.add(new Fact("Number", banking.number()));
        facts.add(new Fact("Paying-in slip", banking.slip().isEmpty() ? "without a number" : banking.slip()));
        facts.add(new Fact("The bank gets", Amounts.shown(banking.amount())));
        facts.add(
                new Fact("The slip says", banking.stated() == null ? "was not said" : Amounts.shown(banking.stated())));
        if (!banking.difference().isZero()) {
            facts.add(new Fact("Cash differs by", Amounts.shown(banking.difference())));
        }
        if (!banking.why().isEmpty()) {
            facts.add(new Fact("Why", banking.why()));
        }
        if (!made.row().stands()) {
            facts.add(new Fact("Withdrawn", made.row().withdrawn()));
        }
        facts.add(new Fact("Made by", made.row().madeBy()));
        return facts;
    }

    private static Table receipts(List<Receipt> taken, Banking banking) {
        List<List<Cell>> cells = taken.stream()
                .map(each -> List.of(
                        Cell.of(each.settlement().date()),
                        Cell.of(each.settlement().party().name()),
                        Cell.of(Sentences.means(each.settlement().means())),
                        Cell.of(each.settlement().reference()),
                        Cell.of(ToBank.paidFor(each.settlement())),
                        Cell.of(each.signed().getAmount())))
                .toList();
        return new Table(
                "Received",
                List.of(
                        Column.text("Day", 1.4f),
                        Column.text("From", 3.4f),
                        Column.text("Paid by", 1.7f),
                        Column.text("Says", 1.7f),
                        Column.text("For", 2.2f),
                        Column.figure(banking.currency().getCode(), 1.6f)),
                cells,
                List.of(
                        Cell.of(taken.size() + " together"),
                        Cell.NOTHING,
                        Cell.NOTHING,
                        Cell.NOTHING,
                        Cell.NOTHING,
                        Cell.of(banking.received().getAmount())));
    }

    private static Table means(List<Receipt> taken, Banking banking) {
        Map<String, List<Money>> sums = new LinkedHashMap<>();
        taken.forEach(each -> sums.computeIfAbsent(each.settlement().means(), code -> new ArrayList<>())
                .add(each.signed()));
        Money none = Money.zero(banking.currency());
        List<List<Cell>> cells = new ArrayList<>();
        sums.forEach((code, amounts) -> cells.add(List.of(
                Cell.of(Sentences.means(code)),
                Cell.of(amounts.size()),
                Cell.of(amounts.stream().reduce(none, Money::plus).getAmount()))));
        if (!banking.difference().isZero()) {
            cells.add(List.of(
                    Cell.of("Cash counted otherwise"),
                    Cell.NOTHING,
                    Cell.of(banking.difference().getAmount())));
        }
        return new Table(
                "On the slip",
                List.of(
                        Column.text("By", 5),
                        Column.figure("Receipts", 1),
                        Column.figure(banking.currency().getCode(), 2)),
                cells,
                List.of(
                        Cell.of("The bank gets"),
                        Cell.of(taken.size()),
                        Cell.of(banking.amount().getAmount())));
    }

    /// As it was booked, where it stands there; else as it would be now, which is nothing while something holds it up.
    private Table journal(RouteRow route, Made made) {
        long id = made.row().recordId();
        List<JournalLine> lines = postings.findSent(id)
                .filter(sent -> made.state().equals("Posted"))
                .map(Postings.Sent::journal)
                .or(() -> compiling.compile(route.id(), id, made.banking()).journal())
                .map(Journal::lines)
                .orElse(List.of());
        Map<String, String> names = reference.accountNames(route.ledgerId());
        List<List<Cell>> cells = new ArrayList<>();
        Money debit = Money.zero(made.banking().currency());
        Money credit = debit;
        for (JournalLine line : lines) {
            debit = debit.plus(line.debit());
            credit = credit.plus(line.credit());
            cells.add(List.of(
                    Cell.of(line.account()),
                    Cell.of(names.getOrDefault(line.account(), "")),
                    Cell.of(String.join(", ", line.key().dimensions().values())),
                    figure(line.debit()),
                    figure(line.credit())));
        }
        return new Table(
                "The journal that it makes, by account and dimension",
                List.of(
                        Column.text("Account", 1.2f),
                        Column.text("Name", 4),
                        Column.text("Dimension", 1.6f),
                        Column.figure("Debit", 1.8f),
                        Column.figure("Credit", 1.8f)),
                cells,
                List.of(
                        Cell.of(debit.equals(credit) ? "Balanced" : "Out of balance"),
                        Cell.NOTHING,
                        Cell.NOTHING,
                        Cell.of(debit.getAmount()),
                        Cell.of(credit.getAmount())));
    }

    private static Cell figure(Money money) {
        return money.isZero() ? Cell.NOTHING : Cell.of(money.getAmount());
    }

    Report ofYear(RouteRow route, int year, String who) {
        List<Made> made = rows.ofYear(route, year);
        List<Made> standing = made.stream().filter(each -> each.row().stands()).toList();
        Money none = Money.zero(CurrencyUnit.of(route.currency()));
        Money total = standing.stream().map(each -> each.banking().amount()).reduce(none, Money::plus);
        Money differs =
                standing.stream().map(each -> each.banking().difference()).reduce(none, Money::plus);
        Conventions writing = Writing.now();
        return new Report(
                "Taken to the bank in " + year,
                route.source() + " at " + route.site() + " to " + route.ledger(),
                List.of(
                        new Fact("Bankings", String.valueOf(standing.size())),
                        new Fact("Withdrawn", String.valueOf(made.size() - standing.size())),
                        new Fact("Together, " + route.currency(), writing.figure(total.getAmount()))),
                List.of(new Table(
                        "Bankings",
                        List.of(
                                Column.text("Day", 1.5f),
                                Column.text("Number", 2.6f),
                                Column.text("To", 3.2f),
                                Column.text("Slip", 1.4f),
                                Column.figure("Receipts", 1.2f),
                                Column.figure(route.currency(), 1.8f),
                                Column.figure("Cash differs", 1.5f),
                                Column.text("Standing", 1.6f)),
                        made.stream().map(BankingReports::line).toList(),
                        List.of(
                                Cell.of("Those that stand"),
                                Cell.NOTHING,
                                Cell.NOTHING,
                                Cell.NOTHING,
                                Cell.of(standing.stream()
                                        .mapToLong(each ->
                                                each.banking().receipts().size())
                                        .sum()),
                                Cell.of(total.getAmount()),
                                Cell.of(differs.getAmount()),
                                Cell.NOTHING))),
                printed(who));
    }

    private static List<Cell> line(Made made) {
        Banking banking = made.banking();
        return List.of(
                Cell.of(banking.date()),
                Cell.of(banking.number()),
                Cell.of(banking.account() + " " + banking.bank()),
                Cell.of(banking.slip()),
                Cell.of(banking.receipts().size()),
                Cell.of(banking.amount().getAmount()),
                banking.difference().isZero()
                        ? Cell.NOTHING
                        : Cell.of(banking.difference().getAmount()),
                Cell.of(made.row().stands() ? made.state().toLowerCase(Locale.ROOT) : "withdrawn"));
    }

    private String printed(String who) {
        return "Printed on " + Writing.now().moment(clock.instant()) + " by " + who;
    }
}
