package alcabala.accounting.crosswalk;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import java.util.List;

/// Answers questions about lines: walks from the most specific rule to the least and stops at the first that answers
/// (domain, section 3).
public final class Resolver {
    private static final Rule OVERRIDE = new Rule(Step.LINE_OVERRIDE, RowKind.LINE, Resolver::overridden);
    private static final Rule ITEM =
            new Rule(Step.ITEM, RowKind.ITEM, asked -> asked.line().item());
    private static final Rule CATEGORY =
            new Rule(Step.CATEGORY, RowKind.CATEGORY, asked -> asked.line().category());
    private static final Rule PROJECT =
            new Rule(Step.PROJECT, RowKind.PROJECT, asked -> asked.line().project());
    private static final Rule CUSTOMER = new Rule(
            Step.PARTY, RowKind.PARTY, asked -> asked.document().buyer().code());
    private static final Rule SUPPLIER = new Rule(
            Step.PARTY, RowKind.SUPPLIER, asked -> asked.document().seller().code());
    private static final Rule SITE =
            new Rule(Step.SITE, RowKind.SITE, asked -> asked.document().site());
    private static final Rule KIND = new Rule(
            Step.LINE_KIND, RowKind.LINE_KIND, asked -> asked.line().kind().name());
    private static final Rule ROLE_OF_SALE = new Rule(
            Step.ROLE,
            RowKind.ROLE,
            asked -> AccountRole.ofIncome(asked.line().kind()).name());
    private static final Rule ROLE_OF_PURCHASE = new Rule(
            Step.ROLE,
            RowKind.ROLE,
            asked -> AccountRole.ofPurchase(asked.line().kind()).name());

    private static final List<Rule> SALES = List.of(OVERRIDE, ITEM, CATEGORY, PROJECT, CUSTOMER, KIND, ROLE_OF_SALE);
    /// The items of a bill are its seller's, whose codes mean nothing here; who sold them says what they are for.
    private static final List<Rule> PURCHASES = List.of(OVERRIDE, PROJECT, SUPPLIER, KIND, ROLE_OF_PURCHASE);
    /// What was sold or bought says nothing of an advance for it.
    private static final List<Rule> ADVANCES_IN = List.of(OVERRIDE, PROJECT, CUSTOMER, ROLE_OF_SALE);
    private static final List<Rule> ADVANCES_OUT = List.of(OVERRIDE, PROJECT, SUPPLIER, ROLE_OF_PURCHASE);
    /// Where goods lie, or went out from, says more of their accounts than what kind of thing they are.
    private static final List<Rule> COST =
            List.of(OVERRIDE, ITEM, CATEGORY, PROJECT, CUSTOMER, SITE, KIND, role(AccountRole.COST_OF_SALES));

    private static final List<Rule> STOCK =
            List.of(OVERRIDE, ITEM, CATEGORY, PROJECT, CUSTOMER, SITE, KIND, role(AccountRole.INVENTORY));
    /// Where something was done says more of a dimension than what kind of thing it was.
    private static final List<Rule> DIMENSIONS_OF_SALES =
            List.of(OVERRIDE, ITEM, CATEGORY, PROJECT, CUSTOMER, SITE, KIND);
    private static final List<Rule> DIMENSIONS_OF_PURCHASES = List.of(OVERRIDE, PROJECT, SUPPLIER, SITE, KIND);

    private static Rule role(AccountRole role) {
        return new Rule(Step.ROLE, RowKind.ROLE, asked -> role.name());
    }

    private final Crosswalk crosswalk;
    private final Document document;
    private final String key;

    /// @param key what names the document for good, by which its lines are overridden; empty for one without overrides
    public Resolver(Crosswalk crosswalk, Document document, String key) {
        this.crosswalk = crosswalk;
        this.document = document;
        this.key = key;
    }

    /// The account of a line, of income or of what was bought, and the rules that can be asked why.
    public Walk account(DocumentLine line) {
        return Walk.over(accountRules(line.kind()), crosswalk, Question.account(document, key, line));
    }

    /// The account of what a line sold cost.
    public Walk cost(DocumentLine line) {
        return Walk.over(COST, crosswalk, Question.goods(document, key, line, Purpose.COST));
    }

    /// The account that what a line sold lies in stock on.
    public Walk stock(DocumentLine line) {
        return Walk.over(STOCK, crosswalk, Question.goods(document, key, line, Purpose.STOCK));
    }

    /// The value of one of the ledger's dimensions for a line; it may go without.
    ///
    /// @param dimension the ledger's code of it
    public Walk dimension(DocumentLine line, String dimension) {
        List<Rule> rules = document.kind().isSale() ? DIMENSIONS_OF_SALES : DIMENSIONS_OF_PURCHASES;
        return Walk.over(rules, crosswalk, Question.dimension(document, key, line, dimension));
    }

    private List<Rule> accountRules(LineKind kind) {
        boolean sale = document.kind().isSale();
        if (kind == LineKind.ADVANCE) {
            return sale ? ADVANCES_IN : ADVANCES_OUT;
        }
        return sale ? SALES : PURCHASES;
    }

    private static String overridden(Question asked) {
        return asked.key().isEmpty()
                ? ""
                : Crosswalk.lineCode(asked.key(), asked.line().id());
    }
}
