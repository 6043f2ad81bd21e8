package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.AccountUnusable.Reason;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerProfile;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;

/// The accounts that play roles on a route, each held against the chart of the ledger.
final class RoleAccounts {
    private final Crosswalk crosswalk;
    private final LedgerProfile ledger;
    private final Consumer<Finding> findings;

    RoleAccounts(Crosswalk crosswalk, LedgerProfile ledger, Consumer<Finding> findings) {
        this.crosswalk = crosswalk;
        this.ledger = ledger;
        this.findings = findings;
    }

    /// The account that plays a role, or empty with a finding.
    String of(AccountRole role) {
        String account = find(role);
        if (account.isEmpty()) {
            findings.accept(new Finding.RoleUnset(role));
        } else {
            check(account, role);
        }
        return account;
    }

    /// The account that plays a role, or empty.
    String find(AccountRole role) {
        return crosswalk.account(role);
    }

    /// Where the ledger posts the tax of a code: its own account, else that of the role output or input tax; a finding
    /// when nothing says.
    String ofTax(Side side, String code) {
        String own = side.accountOf(ledger.taxCodes().get(code));
        return own.isEmpty() ? of(side.tax()) : own;
    }

    void check(String code, AccountRole role) {
        check(code, role, role::takes, Reason.WRONG_TYPE);
    }

    void check(String code, AccountRole role, Predicate<AccountType> takes, Reason otherwise) {
        Optional<LedgerAccount> account = ledger.findAccount(code);
        if (account.isEmpty()) {
            findings.accept(new Finding.AccountUnusable(code, Reason.MISSING, role));
        } else if (!account.get().active()) {
            findings.accept(new Finding.AccountUnusable(code, Reason.INACTIVE, role));
        } else if (!takes.test(account.get().type())) {
            findings.accept(new Finding.AccountUnusable(code, otherwise, role));
        }
    }
}
