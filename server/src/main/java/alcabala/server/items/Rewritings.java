package alcabala.server.items;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.items.ItemRules.Told;
import alcabala.server.items.Rewriting.Row;
import alcabala.server.items.Rewriting.RowState;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// What would change if all items of a ledger that a source's items stand for were written anew from the source.
@Component
class Rewritings {
    private final JdbcClient jdbc;
    private final ItemNaming naming;
    private final CrosswalkStore store;
    private final LedgerReference reference;
    private final ItemsThere itemsThere;
    private final RewritingStore rewritings;

    private record SourceItem(String code, Told told) {}

    Rewritings(
            JdbcClient jdbc,
            ItemNaming naming,
            CrosswalkStore store,
            LedgerReference reference,
            ItemsThere itemsThere,
            RewritingStore rewritings) {
        this.jdbc = jdbc;
        this.naming = naming;
        this.store = store;
        this.reference = reference;
        this.itemsThere = itemsThere;
        this.rewritings = rewritings;
    }

    /// Lists it, and changes nothing.
    ///
    /// @return empty when nothing would change
    /// @throws NotPossibleException when names would be the same after it
    @Transactional
    public Optional<Rewriting> list(RouteRow route, String who) {
        if (!itemsThere.areWhole(route.ledgerId())) {
            throw NotPossibleException.conflict(
                    "items-not-whole",
                    "More is kept of each item of %s than when they were read last. Pull its reference data on Connect, then list again."
                            .formatted(route.ledger()));
        }
        List<Row> rows = rows(route);
        requireNoCollision(route, rows);
        return rows.isEmpty() ? Optional.empty() : Optional.of(rewritings.get(rewritings.add(route, rows, who)));
    }

    private List<Row> rows(RouteRow route) {
        List<CrosswalkRow> all = store.rows(route.id(), List.of(RowKind.values()));
        Map<String, CrosswalkRow> ofItems = all.stream()
                .filter(row -> row.kind() == RowKind.ITEM)
                .collect(Collectors.toMap(CrosswalkRow::code, Function.identity()));
        Crosswalk crosswalk = Crosswalk.of(all, new PartyMatcher(List.of()));
        Map<String, LedgerItem> there = itemsThere.all(route.ledgerId()).stream()
                .filter(LedgerItem::active)
                .collect(Collectors.toMap(LedgerItem::code, Function.identity()));
        Set<String> accounts = reference.accounts(route.ledgerId()).stream()
                .filter(LedgerAccount::active)
                .map(LedgerAccount::code)
                .collect(Collectors.toSet());
        Map<String, String> names = naming.all(route, ofItems);
        NameRules nameRules = naming.rules(route);
        Map<String, Row> rows = new LinkedHashMap<>();
        ItemRules rules = new ItemRules(crosswalk, accounts::contains);
        for (SourceItem item : told(route)) {
            String counterpart = crosswalk.counterpart(RowKind.ITEM, item.code());
            LedgerItem standing = there.get(counterpart.isEmpty() ? item.code() : counterpart);
            if (standing != null) {
                String name = nameRules.fit(names.get(item.code()));
                LedgerItem after = rules.anew(item.code(), name, item.told(), standing);
                // Of several items that one stands for, the first gives it its name.
                rows.putIfAbsent(standing.code(), new Row(item.code(), standing, after, RowState.OPEN, ""));
            }
        }
        rows.values().removeIf(row -> row.before().equals(row.after()));
        return List.copyOf(rows.values());
    }

    /// Those that are mapped one by one come before those that have the same code.
    private List<SourceItem> told(RouteRow route) {
        return jdbc.sql("""
                        select code, category, item_kind, unit from source_item where source_id = :id
                        order by code collate "C\"""")
                .param("id", route.sourceId())
                .query((row, n) -> new SourceItem(
                        row.getString("code"),
                        new Told(
                                row.getString("category"),
                                ItemKind.valueOf(row.getString("item_kind")),
                                row.getString("unit"))))
                .list();
    }

    /// As they would all be named once it is done.
    private void requireNoCollision(RouteRow route, List<Row> rows) {
        Map<String, String> after = new LinkedHashMap<>();
        rows.forEach(row -> after.put(row.there(), row.after().name()));
        Map<String, String> others = new LinkedHashMap<>();
        itemsThere.all(route.ledgerId()).stream()
                .filter(item -> !after.containsKey(item.code()))
                .forEach(item -> others.put(item.code(), item.name()));
        List<String> pairs = new ArrayList<>();
        ItemNames.collisions(after, others, naming.rules(route))
                .forEach(each -> pairs.add(each.inWords() + " (“" + each.name() + "”)"));
        if (!pairs.isEmpty()) {
            throw NotPossibleException.invalid(
                    "names-collide",
                    "After it these would have the same name on %s: %s. Give them names of their own first; nothing was changed."
                            .formatted(
                                    route.ledger(),
                                    pairs.size() > 5
                                            ? String.join(", ", pairs.subList(0, 5))
                                                    + " and %d more".formatted(pairs.size() - 5)
                                            : String.join(", ", pairs)));
        }
    }
}
