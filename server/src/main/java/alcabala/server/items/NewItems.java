package alcabala.server.items;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.matching.ItemNames.Collision;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.platform.CommittedCache;
import alcabala.server.reference.ItemsThere;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Whether all items that a route may create there get names that the ledger takes, before the first of them is
/// created (domain, section 4).
@Component
public class NewItems {
    private final JdbcClient jdbc;
    private final ItemNaming naming;
    private final CrosswalkStore store;
    private final SettingStore settings;
    private final ItemsThere itemsThere;
    private final CommittedCache<Long, Checked> checked = new CommittedCache<>();

    /// @param fresh the items to be created, by code, with the names that they would have were there no rules
    /// @param there the names of items that the ledger has and some of them collide with, by code
    /// @param proposals a name for each that collides, by code
    record Checked(
            NameRules rules,
            Map<String, String> fresh,
            Map<String, String> there,
            List<Collision> collisions,
            Map<String, String> proposals) {}

    NewItems(JdbcClient jdbc, ItemNaming naming, CrosswalkStore store, SettingStore settings, ItemsThere itemsThere) {
        this.jdbc = jdbc;
        this.naming = naming;
        this.store = store;
        this.settings = settings;
        this.itemsThere = itemsThere;
    }

    /// None of them is created as long as there is any.
    public List<Collision> collisions(RouteRow route) {
        return check(route).collisions();
    }

    /// All of them by their codes, with the names that they would have were there no rules.
    public Map<String, String> fresh(RouteRow route) {
        return check(route).fresh();
    }

    Checked check(RouteRow route) {
        String version =
                jdbc.sql("""
                select concat_ws(' ', s.catalogue_version, r.crosswalk_version, l.id, l.version, l.name_limit, l.name_forbids,
                    (select count(*) from ledger_item i where i.ledger_id = l.id and not i.gone)) from route r
                    join source s on s.id = r.source_id join ledger l on l.id = r.ledger_id where r.id = :route""").param("route", route.id()).query(String.class).single();
        boolean created = namesItems(settings.of(route.id()));
        return checked.get(route.id(), version + created, () -> check(route, created));
    }

    private static boolean namesItems(RouteSettings decided) {
        return Stream.of(RecordKind.INVOICE, RecordKind.CREDIT_NOTE)
                .anyMatch(kind -> decided.is(Topic.LINE_KIND, kind, "items"));
    }

    private Checked check(RouteRow route, boolean created) {
        NameRules rules = naming.rules(route);
        if (!created) {
            return new Checked(rules, Map.of(), Map.of(), List.of(), Map.of());
        }
        Map<String, CrosswalkRow> rows = store.rows(route.id(), List.of(RowKind.ITEM)).stream()
                .collect(Collectors.toMap(CrosswalkRow::code, Function.identity()));
        Map<String, String> known = itemsThere.all(route.ledgerId()).stream()
                .collect(Collectors.toMap(LedgerItem::code, LedgerItem::name, (one, other) -> one, LinkedHashMap::new));
        Map<String, String> fresh = naming.all(route, rows);
        fresh.keySet().removeAll(known.keySet());
        rows.values().stream().filter(row -> !row.counterpart().isEmpty()).forEach(row -> fresh.remove(row.code()));
        List<Collision> collisions = ItemNames.collisions(fresh, known, rules);
        Map<String, String> proposals = ItemNames.proposals(collisions, fresh, known, rules);
        Set<String> concerned =
                collisions.stream().flatMap(each -> each.items().stream()).collect(Collectors.toSet());
        known.keySet().retainAll(concerned);
        return new Checked(rules, fresh, known, collisions, proposals);
    }
}
