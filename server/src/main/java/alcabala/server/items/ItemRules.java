package alcabala.server.items;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.document.ItemKind;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerItem.Purchase;
import java.util.function.Predicate;

/// What an item is to be on the ledger, as the same rules say that would book it (records, section 6).
///
/// @param inUse whether the ledger has such an account, and books on it
record ItemRules(Crosswalk crosswalk, Predicate<String> inUse) {
    /// What a source tells of an item.
    record Told(String category, ItemKind kind, String unit) {}

    /// The one that stands there, as it would be; what no rule says stays as it is there, as does its tax code, of
    /// which
    /// a source's items know nothing.
    LedgerItem anew(String code, String name, Told told, LedgerItem standing) {
        return new LedgerItem(
                standing.code(),
                name,
                told.kind(),
                told.unit().isEmpty() ? standing.unit() : told.unit(),
                account(Purpose.INCOME, code, told, standing.account()),
                purchase(code, told, standing.purchase()),
                standing.taxCode(),
                standing.active());
    }

    /// What is not stocked has neither a cost nor a stock.
    Purchase purchase(String code, Told told, Purchase otherwise) {
        boolean stocked = told.kind().isStocked();
        return new Purchase(
                account(Purpose.EXPENSE, code, told, otherwise.expense()),
                stocked ? account(Purpose.COST, code, told, otherwise.cost()) : "",
                stocked ? account(Purpose.STOCK, code, told, otherwise.stock()) : "");
    }

    /// An account that is gone keeps nothing from crossing.
    private String account(Purpose purpose, String code, Told told, String otherwise) {
        String account =
                crosswalk.accountOf(purpose, code, told.category(), told.kind().lineKind());
        return !account.isEmpty() && inUse.test(account) ? account : otherwise;
    }
}
