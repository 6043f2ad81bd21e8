package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.ReceiptUnfit.Because;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Banking.Receipt;
import alcabala.accounting.settlement.Received;
import alcabala.accounting.settlement.Targets;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;

/// The compiling of one banking: what was received leaves the account that it waits on, under the dimensions that it
/// has there, and arrives at the bank; a difference in cash goes on its own account (records, section 3).
final class BankingCompilation {
    private final Banking banking;
    private final LedgerProfile ledger;
    private final RouteSettings settings;
    private final Crosswalk crosswalk;
    private final Targets targets;
    private final Set<Finding> findings = new LinkedHashSet<>();
    private final RoleAccounts roles;

    BankingCompilation(
            Banking banking, Crosswalk crosswalk, RouteSettings settings, LedgerProfile ledger, Targets targets) {
        this.banking = banking;
        this.ledger = ledger;
        this.settings = settings;
        this.crosswalk = crosswalk;
        this.targets = targets;
        roles = new RoleAccounts(crosswalk, ledger, findings::add);
    }

    Compilation run() {
        new HeaderCheck(banking, crosswalk, settings, findings::add).cutOff(banking.date());
        if (!banking.currency().equals(ledger.baseCurrency())) {
            findings.add(new Finding.CurrencyUnavailable(
                    banking.currency().getCode(), ledger.baseCurrency().getCode()));
        }
        roles.check(banking.account(), AccountRole.BANK);
        String waiting = roles.of(AccountRole.RECEIPTS_AWAITING_BANKING);
        Map<Map<String, String>, Money> received = received(waiting);
        String difference = banking.difference().isZero() ? "" : roles.of(AccountRole.CASH_DIFFERENCE);
        if (findings.stream().anyMatch(finding -> finding.severity() == Severity.BLOCKS)) {
            return new Compilation(
                    List.copyOf(findings), List.of(), Optional.empty(), Optional.empty(), Optional.empty());
        }
        Journal journal = journal(received, waiting, difference);
        return new Compilation(
                List.copyOf(findings), List.of(), Optional.empty(), Optional.of(entry(journal)), Optional.of(journal));
    }

    /// What of it waits under which dimensions.
    private Map<Map<String, String>, Money> received(String waiting) {
        Map<Map<String, String>, Money> received = new LinkedHashMap<>();
        for (Receipt receipt : banking.receipts()) {
            find(receipt, waiting)
                    .ifPresent(found -> received.merge(found.dimensions(), receipt.signed(), Money::plus));
        }
        return received;
    }

    private Optional<Received> find(Receipt receipt, String waiting) {
        Optional<Received> found = targets.findReceived(receipt);
        if (found.isEmpty()) {
            findings.add(new Finding.WaitsFor(receipt.kind(), receipt.number()));
            return Optional.empty();
        }
        Received known = found.get();
        return switch (known.standing()) {
            case TO_CROSS -> {
                findings.add(new Finding.WaitsFor(receipt.kind(), receipt.number()));
                yield Optional.empty();
            }
            case STAYS -> unfit(receipt, Because.NOT_ON_LEDGER);
            case VOIDED -> unfit(receipt, Because.VOIDED);
            case CROSSED -> {
                if (!known.amount().equals(receipt.amount())) {
                    yield unfit(receipt, Because.AMOUNT_DIFFERS);
                }
                yield known.account().equals(waiting) ? found : unfit(receipt, Because.ELSEWHERE);
            }
        };
    }

    private Optional<Received> unfit(Receipt receipt, Because because) {
        findings.add(new Finding.ReceiptUnfit(receipt.names(), because));
        return Optional.empty();
    }

    private Journal journal(Map<Map<String, String>, Money> received, String waiting, String difference) {
        Journal.Builder journal = new Journal.Builder(banking.currency(), false);
        // The bank comes first, whatever arrives there under no dimension.
        journal.debit(PostingKey.of(banking.account()), banking.difference());
        received.forEach((dimensions, money) -> journal.debit(key(banking.account(), dimensions), money));
        received.forEach((dimensions, money) -> journal.credit(key(waiting, dimensions), money));
        if (!difference.isEmpty()) {
            journal.credit(PostingKey.of(difference), banking.difference());
        }
        return journal.build();
    }

    private static PostingKey key(String account, Map<String, String> dimensions) {
        return new PostingKey(account, "", dimensions);
    }

    private LedgerJournal entry(Journal journal) {
        return new LedgerJournal(
                banking.kind(),
                banking.number(),
                banking.date(),
                banking.currency(),
                ExchangeRate.same(banking.currency(), banking.date()),
                banking.slip(),
                banking.why(),
                banking.amount(),
                journal.lines().stream()
                        .map(line -> new LedgerJournal.Entry(
                                line.account(), line.key().dimensions(), "", line.amount()))
                        .toList());
    }
}
