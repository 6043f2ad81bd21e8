package alcabala.server.items;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.NameRules;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/// How items are named on the ledger: as somebody decided, or else as their source calls them, made fit for it.
@Component
public class ItemNaming {
    private final CrosswalkStore store;
    private final SourceCatalogue catalogue;
    private final ItemsThere itemsThere;

    ItemNaming(CrosswalkStore store, SourceCatalogue catalogue, ItemsThere itemsThere) {
        this.store = store;
        this.catalogue = catalogue;
        this.itemsThere = itemsThere;
    }

    NameRules rules(RouteRow route) {
        return itemsThere.nameRules(route.ledgerId());
    }

    /// Of some items, as the ledger takes them, by their codes.
    ///
    /// @param otherwise what they are called where their source has told of no name
    public Map<String, String> names(RouteRow route, Map<String, String> otherwise) {
        NameRules rules = rules(route);
        Map<String, String> told = catalogue.itemNames(route.sourceId(), otherwise.keySet());
        Map<String, String> names = new LinkedHashMap<>(otherwise);
        names.replaceAll((code, name) -> told.getOrDefault(code, "").isBlank() ? name : told.get(code));
        store.rows(route.id(), RowKind.ITEM, otherwise.keySet()).stream()
                .filter(row -> !row.target(Purpose.NAME).isEmpty())
                .forEach(row -> names.put(row.code(), row.target(Purpose.NAME)));
        names.replaceAll((code, name) -> rules.fit(orCode(name, code, rules)));
        return names;
    }

    /// Of all items of the source by their codes, before they are made fit.
    ///
    /// @param rows of the items
    Map<String, String> all(RouteRow route, Map<String, CrosswalkRow> rows) {
        Map<String, String> names = new LinkedHashMap<>(catalogue.itemNames(route.sourceId()));
        NameRules rules = rules(route);
        names.replaceAll((code, name) -> orCode(name, code, rules));
        rows.forEach((code, row) -> {
            if (!row.target(Purpose.NAME).isEmpty()) {
                names.replace(code, row.target(Purpose.NAME));
            }
        });
        return names;
    }

    /// A name of which nothing is left is none.
    private static String orCode(String name, String code, NameRules rules) {
        return rules.fit(name).isEmpty() ? code : name;
    }
}
