package alcabala.accounting.crosswalk;

import alcabala.accounting.crosswalk.WalkStep.Verdict;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import java.util.ArrayList;
import java.util.List;

/// Walks from the most specific account rule to the least and stops at the first that answers (domain, section 3).
public final class AccountResolver {
    private static final List<AccountRule> RULES = List.of(
            new AccountRule(Step.LINE_OVERRIDE, RowKind.LINE, (d, l) -> Crosswalk.lineCode(d.number(), l.id())),
            new AccountRule(Step.ITEM, RowKind.ITEM, (d, l) -> l.item()),
            new AccountRule(Step.CATEGORY, RowKind.CATEGORY, (d, l) -> l.category()),
            new AccountRule(
                    Step.ROLE,
                    RowKind.ROLE,
                    (d, l) -> AccountRole.ofIncome(l.kind()).name()));

    private final Crosswalk crosswalk;

    public AccountResolver(Crosswalk crosswalk) {
        this.crosswalk = crosswalk;
    }

    /// The income account of a line, with every rule that was asked.
    public Walk incomeAccount(Document document, DocumentLine line) {
        List<WalkStep> steps = new ArrayList<>(RULES.size());
        boolean answered = false;
        for (AccountRule rule : RULES) {
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
