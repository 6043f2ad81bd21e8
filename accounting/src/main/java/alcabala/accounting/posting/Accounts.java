package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountResolver;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Step;
import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.crosswalk.WalkStep;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.AccountUnusable.Reason;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerProfile;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;

/// The accounts of one document, each held against the chart of the ledger.
final class Accounts {
    private final Document document;
    private final Crosswalk crosswalk;
    private final LedgerProfile ledger;
    private final Side side;
    private final AccountResolver resolver;
    private final Consumer<Finding> findings;

    Accounts(Document document, Crosswalk crosswalk, LedgerProfile ledger, Consumer<Finding> findings) {
        this.document = document;
        this.crosswalk = crosswalk;
        this.ledger = ledger;
        this.findings = findings;
        side = Side.of(document.kind());
        resolver = new AccountResolver(crosswalk);
    }

    /// The walk for a line; a finding when it leads nowhere, or to an account that cannot be used.
    Walk ofLine(DocumentLine line) {
        Walk walk = resolver.account(document, line);
        Optional<WalkStep> answer = walk.findAnswered();
        if (answer.isEmpty()) {
            findings.accept(unanswered(line, walk));
        } else {
            check(answer.get(), side.roleOf(line.kind()));
        }
        return walk;
    }

    /// The account that plays a role, or empty with a finding.
    String ofRole(AccountRole role) {
        String account = findRole(role);
        if (account.isEmpty()) {
            findings.accept(new Finding.RoleUnset(role));
        } else {
            check(account, role, role::takes, Reason.WRONG_TYPE);
        }
        return account;
    }

    /// The account that plays a role, or empty.
    String findRole(AccountRole role) {
        return crosswalk.find(role).map(CrosswalkRow::account).orElse("");
    }

    /// Types bind roles; what somebody decided for one line may be any account but a control account or a bank.
    private void check(WalkStep answer, AccountRole role) {
        String account = answer.row().account();
        if (answer.step() == Step.LINE_OVERRIDE) {
            check(account, role, AccountType::takesLines, Reason.CONTROL_OR_BANK);
        } else {
            check(account, role, role::takes, Reason.WRONG_TYPE);
        }
    }

    private void check(String code, AccountRole role, Predicate<AccountType> takes, Reason otherwise) {
        Optional<LedgerAccount> account = ledger.findAccount(code);
        if (account.isEmpty()) {
            findings.accept(new Finding.AccountUnusable(code, Reason.MISSING, role));
        } else if (!account.get().active()) {
            findings.accept(new Finding.AccountUnusable(code, Reason.INACTIVE, role));
        } else if (!takes.test(account.get().type())) {
            findings.accept(new Finding.AccountUnusable(code, otherwise, role));
        }
    }

    /// Names the place where one row settles the most: the supplier of a bill; the category when the item has one, else
    /// the item, else the role.
    private Finding unanswered(DocumentLine line, Walk walk) {
        for (WalkStep step : walk.steps().reversed()) {
            if (step.step() == Step.SUPPLIER && !step.subject().isEmpty()) {
                return new Finding.SupplierUnmapped(
                        step.subject(), document.seller().name());
            }
            if (step.step() == Step.CATEGORY && !step.subject().isEmpty()) {
                return new Finding.CategoryUnmapped(step.subject());
            }
            if (step.step() == Step.ITEM && !step.subject().isEmpty()) {
                return new Finding.ItemUnmapped(step.subject(), line.description());
            }
        }
        return new Finding.RoleUnset(side.roleOf(line.kind()));
    }
}
