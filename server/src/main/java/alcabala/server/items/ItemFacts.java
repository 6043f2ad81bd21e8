package alcabala.server.items;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerItem.Purchase;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.items.ItemRules.Told;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What an item that is to be created carries beside its name: what it is, its unit, and its accounts, as the same
/// rules say that would book it (records, section 6).
@Component
public class ItemFacts {
    private static final List<RowKind> GENERAL = List.of(RowKind.CATEGORY, RowKind.LINE_KIND, RowKind.ROLE);
    private final JdbcClient jdbc;
    private final CrosswalkStore store;
    private final LedgerReference reference;

    ItemFacts(JdbcClient jdbc, CrosswalkStore store, LedgerReference reference) {
        this.jdbc = jdbc;
        this.store = store;
        this.reference = reference;
    }

    /// @param account of the line that it is created for
    /// @param taxCode of that line, which becomes what the ledger proposes for it
    public LedgerItem of(RouteRow route, String code, String name, String account, String taxCode) {
        Told told = jdbc.sql("""
                select category, item_kind as kind, unit from source_item where source_id = :source and code = :code""")
                .param("source", route.sourceId())
                .param("code", code)
                .query(Told.class)
                .optional()
                .orElse(new Told("", ItemKind.GOODS, ""));
        return new LedgerItem(
                code, name, told.kind(), told.unit(), account, purchase(route, code, told), taxCode, true);
    }

    private Purchase purchase(RouteRow route, String code, Told told) {
        List<CrosswalkRow> rows = new ArrayList<>(store.rows(route.id(), GENERAL));
        rows.addAll(store.rows(route.id(), RowKind.ITEM, List.of(code)));
        Predicate<String> inUse = account -> reference
                .findAccount(route.ledgerId(), account)
                .filter(LedgerAccount::active)
                .isPresent();
        return new ItemRules(Crosswalk.of(rows, new PartyMatcher(List.of())), inUse)
                .purchase(code, told, Purchase.NONE);
    }
}
