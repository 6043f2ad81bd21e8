package alcabala.server.cutover;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.cutover.Balance;
import alcabala.accounting.cutover.CutOver;
import alcabala.connectors.Unusable;
import alcabala.connectors.ledger.TellsBalances;
import alcabala.connectors.ledger.TellsBalances.OpenDocument;
import alcabala.connectors.ledger.TellsBalancesInFile;
import alcabala.connectors.ledger.TellsBalancesInFile.Stood;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.Ledgers;
import alcabala.server.cutover.CutOverStore.Asked;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.FileSentences;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.ReferencePull;
import alcabala.server.route.RouteRow;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// Both sides on the day on which a route begins: what the ledger says of it is asked for once and kept, what the
/// source had is looked up each time.
@Component
class CutOverSheet {
    /// More is no cut-over.
    static final int MOST = 200_000;
    private static final int YEARS = 20;

    private final Ledgers ledgers;
    private final CutOverStore store;
    private final OpenOnSource source;
    private final CrosswalkStore crosswalk;
    private final ReferencePull pull;
    private final Clock clock;

    /// @param balances of control accounts that have an account on the ledger
    /// @param advances the same of advances, of which documents are not compared
    record Sheet(
            Asked asked, CutOver documents, Map<AccountRole, Sided> balances, Map<AccountRole, TwoSums> advances) {}

    record Sided(String account, Balance balance) {}

    record TwoSums(String account, Money here, Money there) {}

    CutOverSheet(
            Ledgers ledgers,
            CutOverStore store,
            OpenOnSource source,
            CrosswalkStore crosswalk,
            ReferencePull pull,
            Clock clock) {
        this.ledgers = ledgers;
        this.store = store;
        this.source = source;
        this.crosswalk = crosswalk;
        this.pull = pull;
        this.clock = clock;
    }

    /// @throws NotPossibleException when the ledger does not tell
    void ask(RouteRow route, LocalDate day, String who, Progress at) {
        TellsBalances ledger = tells(route);
        // Whoever was made there by hand has a name.
        pull.pull(route.ledgerId(), who);
        List<OpenDocument> open = new ArrayList<>();
        List<Unusable> setAside = new ArrayList<>();
        ledger.openDocuments(day, page -> {
            open.addAll(page.documents());
            setAside.addAll(page.setAside());
            if (open.size() > MOST) {
                throw tooMany(route);
            }
            at.at(open.size(), 0);
        });
        store.keep(route, day, once(route, ledger.balances(day)), once(open), setAside, who);
    }

    /// The same from a file that the ledger wrote.
    ///
    /// @throws NotPossibleException when it cannot be read, or the ledger can be asked
    void take(RouteRow route, byte[] file, String who) {
        TellsBalancesInFile ledger = ledgers.of(route.ledgerId())
                .find(TellsBalancesInFile.class)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "ledger-tells-itself", route.ledger() + " is asked what was open there; no file is needed."));
        switch (ledger.read(file)) {
            case Stood.Read read -> {
                if (read.documents().size() > MOST) {
                    throw tooMany(route);
                }
                store.keep(
                        route,
                        likely(read.day()),
                        once(route, read.balances()),
                        once(read.documents()),
                        read.setAside(),
                        who);
            }
            case Stood.Unreadable no ->
                throw NotPossibleException.invalid(
                        "file-unreadable",
                        no.problems().stream().limit(3).map(FileSentences::of).collect(Collectors.joining(" ")));
        }
    }

    /// @throws NotPossibleException when it is none on which a route begins
    LocalDate likely(LocalDate day) {
        LocalDate today = LocalDate.now(clock);
        if (day.isAfter(today) || day.isBefore(today.minusYears(YEARS))) {
            throw NotPossibleException.invalid("day-unlikely", "The day is from " + YEARS + " years ago to today.");
        }
        return day;
    }

    private static NotPossibleException tooMany(RouteRow route) {
        return NotPossibleException.invalid(
                "too-many-open", "%s has more than %,d open documents.".formatted(route.ledger(), MOST));
    }

    /// An account that stands there twice would be counted twice.
    ///
    /// @throws NotPossibleException when it says two things of one
    private static List<TellsBalances.Balance> once(RouteRow route, List<TellsBalances.Balance> balances) {
        Map<String, TellsBalances.Balance> byAccount = new LinkedHashMap<>();
        for (TellsBalances.Balance each : balances) {
            TellsBalances.Balance before = byAccount.putIfAbsent(each.account(), each);
            if (before != null && before.amount().compareTo(each.amount()) != 0) {
                throw NotPossibleException.invalid(
                        "balance-twice",
                        "%s says of account %s that it stood at %s, and at %s."
                                .formatted(route.ledger(), each.account(), before.amount(), each.amount()));
            }
        }
        return List.copyOf(byAccount.values());
    }

    /// Repeated in two pages, one is enough.
    private static List<OpenDocument> once(List<OpenDocument> open) {
        Map<String, OpenDocument> byId = new LinkedHashMap<>();
        open.forEach(each -> byId.put(each.record().id(), each));
        return List.copyOf(byId.values());
    }

    private TellsBalances tells(RouteRow route) {
        if (!route.ledgerAnswers()) {
            throw NotPossibleException.invalid(
                    "ledger-tells-nothing",
                    "%s cannot be asked what was open there; take in the file that it writes of the day."
                            .formatted(route.ledger()));
        }
        return ledgers.of(route.ledgerId())
                .find(TellsBalances.class)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "ledger-tells-nothing", route.ledger() + " does not tell what was open on a day."));
    }

    Sheet of(RouteRow route, Asked asked) {
        CurrencyUnit base = CurrencyUnit.of(route.currency());
        CutOver documents = CutOver.of(source.documents(route, asked.day()), store.there(asked.id(), base));
        Map<AccountRole, String> accounts = accounts(route);
        Map<AccountRole, Sided> balances = new EnumMap<>(AccountRole.class);
        Map<AccountRole, TwoSums> advances = new EnumMap<>(AccountRole.class);
        for (boolean sales : new boolean[] {true, false}) {
            AccountRole control = sales ? AccountRole.RECEIVABLES_CONTROL : AccountRole.PAYABLES_CONTROL;
            AccountRole advance = sales ? AccountRole.CUSTOMER_ADVANCES : AccountRole.SUPPLIER_ADVANCES;
            if (accounts.containsKey(control)) {
                Money there = booked(asked, accounts.get(control), base, sales);
                Money onAccount = source.onAccount(route, asked.day(), sales);
                balances.put(control, new Sided(accounts.get(control), Balance.of(documents, sales, onAccount, there)));
            }
            if (accounts.containsKey(advance)) {
                Money there = booked(asked, accounts.get(advance), base, !sales);
                advances.put(
                        advance, new TwoSums(accounts.get(advance), source.advances(route, asked.day(), sales), there));
            }
        }
        return new Sheet(asked, documents, balances, advances);
    }

    private Map<AccountRole, String> accounts(RouteRow route) {
        Map<AccountRole, String> accounts = new EnumMap<>(AccountRole.class);
        for (CrosswalkRow row : crosswalk.rows(route.id(), List.of(RowKind.ROLE))) {
            if (!row.target(Purpose.ACCOUNT).isEmpty()) {
                accounts.put(AccountRole.valueOf(row.code()), row.target(Purpose.ACCOUNT));
            }
        }
        return accounts;
    }

    /// @param debit whether debits are positive
    private static Money booked(Asked asked, String account, CurrencyUnit base, boolean debit) {
        return asked.balances().stream()
                .filter(each -> each.account().equals(account))
                .map(each -> CutOverStore.money(base, each.amount()))
                .map(amount -> debit ? amount : amount.negated())
                .reduce(Money.zero(base), Money::plus);
    }
}
