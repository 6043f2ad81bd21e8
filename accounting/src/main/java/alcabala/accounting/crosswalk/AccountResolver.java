package alcabala.accounting.crosswalk;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import java.util.List;

/// Walks from the most specific account rule to the least and stops at the first that answers (domain, section 3).
public final class AccountResolver {
    private static final AccountRule OVERRIDE =
            new AccountRule(Step.LINE_OVERRIDE, RowKind.LINE, (d, l) -> Crosswalk.lineCode(d, l.id()));
    private static final AccountRule ROLE_OF_SALE = new AccountRule(
            Step.ROLE, RowKind.ROLE, (d, l) -> AccountRole.ofIncome(l.kind()).name());
    private static final AccountRule ROLE_OF_PURCHASE = new AccountRule(
            Step.ROLE, RowKind.ROLE, (d, l) -> AccountRole.ofPurchase(l.kind()).name());
    private static final List<AccountRule> SALES = List.of(
            OVERRIDE,
            new AccountRule(Step.ITEM, RowKind.ITEM, (d, l) -> l.item()),
            new AccountRule(Step.CATEGORY, RowKind.CATEGORY, (d, l) -> l.category()),
            ROLE_OF_SALE);
    /// The items of a bill are its seller's, whose codes mean nothing here; who sold them says what they are for.
    private static final List<AccountRule> PURCHASES = List.of(
            OVERRIDE,
            new AccountRule(
                    Step.SUPPLIER, RowKind.SUPPLIER, (d, l) -> d.seller().code()),
            ROLE_OF_PURCHASE);
    /// What was sold or bought says nothing of an advance for it.
    private static final List<AccountRule> ADVANCES_IN = List.of(OVERRIDE, ROLE_OF_SALE);
    private static final List<AccountRule> ADVANCES_OUT = List.of(OVERRIDE, ROLE_OF_PURCHASE);

    private final Crosswalk crosswalk;

    public AccountResolver(Crosswalk crosswalk) {
        this.crosswalk = crosswalk;
    }

    /// The account of a line, of income or of what was bought, and the rules that can be asked why.
    public Walk account(Document document, DocumentLine line) {
        return Walk.over(rules(document, line), crosswalk, document, line);
    }

    private static List<AccountRule> rules(Document document, DocumentLine line) {
        boolean sale = document.kind().isSale();
        if (line.kind() == LineKind.ADVANCE) {
            return sale ? ADVANCES_IN : ADVANCES_OUT;
        }
        return sale ? SALES : PURCHASES;
    }
}
