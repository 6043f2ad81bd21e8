package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.Resolver;
import alcabala.accounting.crosswalk.Step;
import alcabala.accounting.crosswalk.Walk;
import alcabala.accounting.crosswalk.WalkStep;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.AccountUnusable.Reason;
import alcabala.accounting.ledger.AccountType;
import java.util.Optional;
import java.util.function.Consumer;

/// The accounts of the lines of one document, each held against the chart of the ledger.
final class Accounts {
    private final Document document;
    private final RoleAccounts roles;
    private final Side side;
    private final Resolver resolver;
    private final Consumer<Finding> findings;

    /// @param key what names the document for good
    Accounts(Document document, String key, Crosswalk crosswalk, RoleAccounts roles, Consumer<Finding> findings) {
        this.document = document;
        this.roles = roles;
        this.findings = findings;
        side = Side.of(document.kind());
        resolver = new Resolver(crosswalk, document, key);
    }

    /// The walk for a line; a finding when it leads nowhere, or to an account that cannot be used.
    Walk ofLine(DocumentLine line) {
        Walk walk = resolver.account(line);
        Optional<WalkStep> answer = walk.findAnswered();
        if (answer.isEmpty()) {
            findings.accept(unanswered(line, walk));
        } else {
            check(answer.get(), side.roleOf(line.kind()));
        }
        return walk;
    }

    /// Types bind roles; what somebody decided for one line may be any account but a control account or a bank.
    private void check(WalkStep answer, AccountRole role) {
        String account = answer.answer();
        if (answer.step() == Step.LINE_OVERRIDE) {
            roles.check(account, role, AccountType::takesLines, Reason.CONTROL_OR_BANK);
        } else {
            roles.check(account, role);
        }
    }

    /// Names the place where one row settles the most: the supplier of a bill; the category when the item has one, else
    /// the item, else the role.
    private Finding unanswered(DocumentLine line, Walk walk) {
        for (WalkStep step : walk.steps().reversed()) {
            if (step.step() == Step.PARTY
                    && side == Side.PURCHASE
                    && !step.subject().isEmpty()) {
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
