package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Means;
import alcabala.accounting.settlement.Settlement;
import java.util.function.Consumer;

/// The account that the money of a settlement moves on: what somebody said of its means and currency; else, where the
/// money is at the bank by itself, the route's bank for receiving or for paying, or its only bank.
record MeansAccount(
        Settlement settlement,
        Crosswalk crosswalk,
        RouteSettings settings,
        RoleAccounts roles,
        Consumer<Finding> findings) {
    /// Empty with a finding.
    String find() {
        String currency = settlement.currency().getCode();
        String code = Crosswalk.meansCode(settlement.means(), currency);
        String mapped = crosswalk.account(RowKind.MEANS, code);
        String account = mapped.isEmpty() ? ofTheRoute() : mapped;
        if (account.isEmpty()) {
            findings.accept(new Finding.MeansUnmapped(settlement.means(), currency));
        } else {
            roles.check(account, AccountRole.BANK, AccountType::takesMoney, Finding.AccountUnusable.Reason.NO_MONEY);
        }
        return account;
    }

    private String ofTheRoute() {
        boolean atBank = Means.find(settlement.means()).filter(Means::isAtBank).isPresent();
        if (!atBank) {
            return "";
        }
        String bank = settings.get(arrives() ? Topic.RECEIVING_BANK : Topic.PAYING_BANK);
        return bank.isEmpty() ? roles.find(AccountRole.BANK) : bank;
    }

    /// What comes back comes back to, or leaves, the bank on which it moved before.
    private boolean arrives() {
        RecordKind kind = settlement.kind();
        return kind.isReturn() ? kind.isSale() : kind.isSale() != kind.isCredit();
    }
}
