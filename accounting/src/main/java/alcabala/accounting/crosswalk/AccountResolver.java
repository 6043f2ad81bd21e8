package alcabala.accounting.crosswalk;

import alcabala.accounting.crosswalk.WalkStep.Verdict;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import java.util.ArrayList;
import java.util.List;

/// Walks from the most specific account rule to the least and stops at the first that answers (domain, section 3).
public final class AccountResolver {
    private static final AccountRule OVERRIDE =
            new AccountRule(Step.LINE_OVERRIDE, RowKind.LINE, (d, l) -> Crosswalk.lineCode(d, l.id()));
    private static final List<AccountRule> SALES = List.of(
            OVERRIDE,
            new AccountRule(Step.ITEM, RowKind.ITEM, (d, l) -> l.item()),
            new AccountRule(Step.CATEGORY, RowKind.CATEGORY, (d, l) -> l.category()),
            new AccountRule(
                    Step.ROLE,
                    RowKind.ROLE,
                    (d, l) -> AccountRole.ofIncome(l.kind()).name()));
    /// The items of a bill are its seller's, whose codes mean nothing here; who sold them says what they are for.
    private static final List<AccountRule> PURCHASES = List.of(
            OVERRIDE,
            new AccountRule(
                    Step.SUPPLIER, RowKind.SUPPLIER, (d, l) -> d.seller().code()),
            new AccountRule(
                    Step.ROLE,
                    RowKind.ROLE,
                    (d, l) -> AccountRole.ofPurchase(l.kind()).name()));

    private final Crosswalk crosswalk;

    public AccountResolver(Crosswalk crosswalk) {
        this.crosswalk = crosswalk;
    }

    /// The account of a line, of income or of what was bought, with every rule that was asked.
    public Walk account(Document document, DocumentLine line) {
        List<AccountRule> rules = document.kind().isSale() ? SALES : PURCHASES;
        List<WalkStep> steps = new ArrayList<>(rules.size());
        boolean answered = false;
        for (AccountRule rule : rules) {
            String subject = rule.subject().of(document, line);
            WalkStep step = answered ? new WalkStep(rule.step(), Verdict.NOT_ASKED, subject, null) : ask(rule, subject);
            answered |= step.verdict() == Verdict.ANSWERED;
            steps.add(step);
        }
        return new Walk(steps);
    }

    private WalkStep ask(AccountRule rule, String subject) {
        CrosswalkRow row =
                subject.isEmpty() ? null : crosswalk.find(rule.kind(), subject).orElse(null);
        boolean answers = row != null && !row.account().isEmpty();
        return new WalkStep(rule.step(), answers ? Verdict.ANSWERED : Verdict.NO_ROW, subject, row);
    }
}
