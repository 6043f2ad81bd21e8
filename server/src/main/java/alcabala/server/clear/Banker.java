package alcabala.server.clear;

import alcabala.accounting.document.Limits;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.settlement.Banking;
import alcabala.server.clear.ToBank.Receipt;
import alcabala.server.compile.Compilers;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.Undone;
import alcabala.server.intake.Intake;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Writing;
import alcabala.server.record.Incoming;
import alcabala.server.record.Records;
import alcabala.server.record.Stored;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Makes bankings, corrects them and withdraws them. Each is taken in as a record like any other, so that it is
/// compiled, sent, answered and taken back as they are.
@Component
class Banker {
    private static final DateTimeFormatter COMPACT = DateTimeFormatter.ofPattern("yyMMdd");
    private final Routes routes;
    private final BankingStore store;
    private final ToBank toBank;
    private final Records records;
    private final Compilers compilers;
    private final Compiling compiling;
    private final Intake intake;
    private final LedgerReference reference;
    private final Undone undone;
    private final JdbcClient jdbc;
    private final Clock clock;

    /// What to do where the slip says something else than was ticked.
    enum Difference {
        /// It may not.
        NONE,
        /// Cash was miscounted: the bank gets what the slip says.
        CASH,
        /// The slip is wrong, or not asked: the bank gets what was ticked.
        KEPT
    }

    /// @param stated what the slip or the adding machine says; null where nobody said
    /// @param version that was seen; 0 for one that is not made yet
    record Order(
            String account,
            LocalDate day,
            String slip,
            Money stated,
            Difference difference,
            String why,
            List<Long> receipts,
            int version) {}

    Banker(
            Routes routes,
            BankingStore store,
            ToBank toBank,
            Records records,
            Compilers compilers,
            Compiling compiling,
            Intake intake,
            LedgerReference reference,
            Undone undone,
            JdbcClient jdbc,
            Clock clock) {
        this.undone = undone;
        this.routes = routes;
        this.store = store;
        this.toBank = toBank;
        this.records = records;
        this.compilers = compilers;
        this.compiling = compiling;
        this.intake = intake;
        this.reference = reference;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// What it would be, without making it.
    Compilation preview(RouteRow route, Order order) {
        Banking banking = banking(route, order, toBank.named(route, order.receipts()));
        long id = store.find(route, order.account(), order.day())
                .map(BankingRow::recordId)
                .orElse(0L);
        return compiling
                .with(route, compilers.of(route.id()), Map.of(id, banking))
                .apply(id);
    }

    /// A new one, or another revision of the one of that day and account.
    ///
    /// @return its number as a record
    @Transactional
    public long bank(RouteRow route, Order order, String who) {
        routes.lock(route.id());
        Optional<BankingRow> before = store.find(route, order.account(), order.day());
        List<Receipt> receipts = toBank.named(route, order.receipts());
        if (receipts.size() != Set.copyOf(order.receipts()).size()) {
            throw NotPossibleException.invalid(
                    "receipt-unknown", "Something of what is ticked was not received on this route.");
        }
        long known = before.map(BankingRow::recordId).orElse(0L);
        requireFree(known, order.receipts(), receipts);
        Banking banking = banking(route, order, receipts);
        requireAgreed(order, banking, receipts);
        before.ifPresentOrElse(row -> store.change(row, order.version(), ""), () -> {
            if (order.version() != 0) {
                throw NotPossibleException.conflict(
                        "banking-changed", "There is no such banking any more; look again.");
            }
        });
        long id = take(route, banking, false, who);
        if (before.isEmpty()) {
            store.add(id, route, order.account(), order.day(), who, clock.instant());
        }
        store.take(id, Set.copyOf(order.receipts()));
        if (records.get(id).state().equals("Voided")) {
            // It was withdrawn and taken back there; made anew, it goes anew.
            undone.keep(List.of(id));
        }
        return id;
    }

    /// What stands on the ledger is taken back when it is sent; what it took to the bank waits again once it is gone
    /// there.
    @Transactional
    public void withdraw(RouteRow route, BankingRow row, int version, String why, String who) {
        routes.lock(route.id());
        if (!row.stands()) {
            throw NotPossibleException.conflict("banking-withdrawn", "It is withdrawn already.");
        }
        store.change(row, version, why);
        take(route, (Banking) records.record(row.recordId()), true, who);
    }

    private long take(RouteRow route, Banking banking, boolean voided, String who) {
        Compiler compiler = compilers.of(route.id());
        String ref = "banking:%d:%s:%s".formatted(route.id(), banking.account(), banking.date());
        byte[] content = Stored.write(banking).getBytes(StandardCharsets.UTF_8);
        Incoming incoming =
                new Incoming(ref, banking, content, "application/json", "", EnumSet.allOf(Milestone.class), voided);
        intake.write(route, compiler, List.of(incoming), who);
        return jdbc.sql("select id from record where source_id = :source and source_ref = :ref")
                .param("source", route.sourceId())
                .param("ref", ref)
                .query(Long.class)
                .single();
    }

    private void requireFree(long known, List<Long> ids, List<Receipt> receipts) {
        Map<Long, String> taken = store.takenElsewhere(known, ids);
        receipts.stream()
                .filter(each -> taken.containsKey(each.id()))
                .findFirst()
                .ifPresent(each -> {
                    throw NotPossibleException.conflict(
                            "banked-already",
                            each.number() + " is taken to the bank with " + taken.get(each.id()) + " already.");
                });
    }

    private Banking banking(RouteRow route, Order order, List<Receipt> receipts) {
        LedgerAccount bank = reference
                .findAccount(route.ledgerId(), order.account())
                .filter(account -> account.type() == AccountType.BANK)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "bank-unknown", "Account " + order.account() + " is no bank account of the ledger."));
        CurrencyUnit currency = CurrencyUnit.of(route.currency());
        Money received = receipts.stream().map(Receipt::signed).reduce(Money.zero(currency), Money::plus);
        boolean asStated = order.difference() == Difference.CASH && order.stated() != null;
        Banking banking = new Banking(
                RecordKind.BANKING,
                "B" + order.account() + "-" + COMPACT.format(order.day()),
                order.day(),
                route.site(),
                order.account(),
                bank.name(),
                order.slip(),
                asStated ? order.stated() : received,
                order.stated(),
                order.why(),
                receipts.stream().map(Receipt::asBanked).toList());
        LocalDate locked = reference.lockedThrough(route.ledgerId());
        if (locked != null && !order.day().isAfter(locked)) {
            throw NotPossibleException.invalid(
                    "period-locked",
                    "%s is locked through %s; bank it on a later day, or open the period there."
                            .formatted(route.ledger(), Writing.now().day(locked)));
        }
        if (!receipts.isEmpty() && !banking.amount().isPositive()) {
            throw NotPossibleException.invalid("nothing-to-bank", "What is ticked comes to nothing that a bank takes.");
        }
        Limits.findExceeded(banking).ifPresent(beyond -> {
            throw NotPossibleException.invalid("beyond-limits", "It cannot be banked: " + beyond + ".");
        });
        return banking;
    }

    private static void requireAgreed(Order order, Banking banking, List<Receipt> receipts) {
        if (receipts.isEmpty()) {
            throw NotPossibleException.invalid("nothing-ticked", "Nothing is ticked.");
        }
        boolean agree = order.stated() == null || order.stated().equals(banking.received());
        if (agree) {
            return;
        }
        if (order.difference() == Difference.NONE || order.why().isBlank()) {
            throw NotPossibleException.invalid(
                    "totals-differ",
                    "The slip and what is ticked are not the same: tick what fits, or say why it goes all the same.");
        }
        boolean cash = receipts.stream().anyMatch(each -> ToBank.isCash(each.settlement()));
        if (order.difference() == Difference.CASH && !cash) {
            throw NotPossibleException.invalid("no-cash", "There is no cash in it that could have been miscounted.");
        }
    }
}
