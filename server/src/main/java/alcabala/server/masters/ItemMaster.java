package alcabala.server.masters;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.field.Half;
import alcabala.accounting.field.MasterField;
import alcabala.accounting.field.Use;
import alcabala.accounting.item.ItemField;
import alcabala.accounting.ledger.NameRules;
import alcabala.accounting.matching.LikeItems;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.ItemSaying;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.Side;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.RewritesItems;
import alcabala.connectors.ledger.RewritesItems.ItemThere;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.spi.Connection;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// What is sold and bought. Their accounts are the crosswalk's, and no field that both sides have.
@Component
@Order(2)
class ItemMaster implements Master {
    private static final List<ItemField> FIELDS = List.of(ItemField.values());
    private static final Tables TABLES = new Tables(
            "source_item",
            "jsonb_build_object('name', s.name, 'unit', s.unit, 'kind', s.item_kind, 'in-use', 'yes')",
            "concat_ws(chr(2), s.name, s.unit, s.item_kind)",
            "ledger_item",
            "jsonb_build_object('name', p.name, 'unit', p.unit, 'kind', p.kind, 'in-use', case when p.active then 'yes' else 'no' end)",
            "concat_ws(chr(2), p.name, p.unit, p.kind)");
    private final JdbcClient jdbc;
    private final SourceCatalogue catalogue;
    private final ItemsThere itemsThere;
    private final JsonMapper json;

    ItemMaster(JdbcClient jdbc, SourceCatalogue catalogue, ItemsThere itemsThere, JsonMapper json) {
        this.jdbc = jdbc;
        this.catalogue = catalogue;
        this.itemsThere = itemsThere;
        this.json = json;
    }

    @Override
    public Carried carried() {
        return Carried.ITEMS;
    }

    @Override
    public RowKind row() {
        return RowKind.ITEM;
    }

    @Override
    public String word() {
        return "item";
    }

    @Override
    public boolean linksSameCodes() {
        return true;
    }

    @Override
    public List<? extends MasterField> fields() {
        return FIELDS;
    }

    @Override
    public Tables tables() {
        return TABLES;
    }

    @Override
    public Half half(String body) {
        JsonNode item = json.readTree(body);
        Half.Builder half = Half.builder();
        FIELDS.forEach(field ->
                half.text(field.code(), item.path(field.code()).asStringOpt().orElse("")));
        // As a side answers it.
        item.path("active").asBooleanOpt().ifPresent(active -> half.text(ItemField.IN_USE.code(), Use.of(active)));
        return half.build();
    }

    /// Those of the same code, as when they are sent.
    @Override
    public void linkOthers(RouteRow route, Timestamp now) {
        jdbc.sql("""
                insert into master_link (route_id, kind, code, counterpart, linked_at)
                select :route, 'ITEMS', s.code, s.code, :now
                from source_item s join ledger_item p on p.ledger_id = :ledger and p.code = s.code and not p.gone
                where s.source_id = :source
                    and not exists (select 1 from master_link l where l.route_id = :route and l.kind = 'ITEMS' and l.code = s.code)
                    and not exists (select 1 from crosswalk_row c where c.route_id = :route and c.kind = 'ITEM'
                        and c.code = s.code and c.purpose = 'COUNTERPART' and c.target <> '' and c.ended_at is null)
                on conflict do nothing""")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .param("source", route.sourceId())
                .param("now", now)
                .update();
    }

    @Override
    public Sayings sayings(RouteRow route) {
        NameRules rules = itemsThere.nameRules(route.ledgerId());
        return new Sayings(rules.toString(), (code, named) -> new ItemSaying(code, named, rules));
    }

    @Override
    public Set<String> takes(Connection there) {
        return there.find(RewritesItems.class).map(RewritesItems::itemFields).orElse(Set.of()).stream()
                .map(ItemField::code)
                .collect(Collectors.toSet());
    }

    @Override
    public Optional<There> find(Connection there, String code) {
        return there.get(RewritesItems.class).findItem(code).map(this::there);
    }

    private There there(ItemThere found) {
        String body = written(found.item());
        return new There(found.item().code(), body, half(body), found.version());
    }

    @Override
    public String with(String body, SortedMap<String, Optional<String>> wanted) {
        LedgerItem item = item(body);
        String kind = value(
                wanted, ItemField.KIND, item.kind() == null ? "" : item.kind().name());
        return written(new LedgerItem(
                item.code(),
                value(wanted, ItemField.NAME, item.name()),
                kind.isEmpty() ? null : ItemKind.valueOf(kind),
                value(wanted, ItemField.UNIT, item.unit()),
                item.account(),
                item.purchase(),
                item.taxCode(),
                Use.isActive(value(wanted, ItemField.IN_USE, Use.of(item.active())))));
    }

    private static String value(SortedMap<String, Optional<String>> wanted, ItemField field, String standing) {
        return wanted.containsKey(field.code()) ? wanted.get(field.code()).orElse("") : standing;
    }

    @Override
    public Answer<String> change(Connection there, There standing, String wanted, String key) {
        ItemThere read = new ItemThere(item(standing.body()), standing.version());
        return there.get(RewritesItems.class).change(read, item(wanted), key).map(this::written);
    }

    @Override
    public String code(String body) {
        return item(body).code();
    }

    @Override
    public UnaryOperator<Map<String, String>> resembling(RouteRow route) {
        LikeItems items = new LikeItems(catalogue.itemNames(route.sourceId()));
        return bodies -> {
            Map<String, String> like = new HashMap<>();
            bodies.forEach((code, body) ->
                    items.find(code, said(body, ItemField.NAME)).ifPresent(other -> like.put(code, other)));
            return like;
        };
    }

    @Override
    public Set<String> repeated(Map<String, String> bodies) {
        Map<String, String> names = new HashMap<>();
        bodies.forEach((code, body) -> names.put(code, said(body, ItemField.NAME)));
        LikeItems items = new LikeItems(names);
        return names.keySet().stream()
                .filter(code -> items.findNamed(names.get(code))
                        .filter(first -> !first.equals(code))
                        .isPresent())
                .collect(Collectors.toSet());
    }

    @Override
    public Answer<String> create(CreatesMasters there, String code, String body, String reference, String key) {
        String kind = said(body, ItemField.KIND);
        LedgerItem item = new LedgerItem(
                code,
                said(body, ItemField.NAME),
                kind.isEmpty() ? null : ItemKind.valueOf(kind),
                said(body, ItemField.UNIT),
                "",
                LedgerItem.Purchase.NONE,
                "",
                true);
        return there.create(item, reference, key).map(this::written);
    }

    private String said(String body, ItemField field) {
        return half(body).values().getOrDefault(field.code(), "");
    }

    /// Its category is told of later.
    @Override
    public void knowNew(RouteRow route, String body) {
        LedgerItem item = item(body);
        ItemKind kind = Objects.requireNonNullElse(item.kind(), ItemKind.GOODS);
        catalogue.keep(
                route.sourceId(),
                List.of(new SourceChange.ItemChanged(item.code(), item.name(), "", kind, item.unit())));
    }

    @Override
    public Map<String, LastChanges> changed(TellsWhoChanged there, Collection<String> codes) {
        return there.itemsChanged(codes);
    }

    @Override
    public void know(RouteRow route, Side side, String body) {
        if (side == Side.SOURCE) {
            catalogue.rewritten(route.sourceId(), item(body));
        } else {
            itemsThere.keep(route.ledgerId(), item(body));
        }
    }

    private LedgerItem item(String body) {
        return json.readValue(body, LedgerItem.class);
    }

    private String written(LedgerItem item) {
        return json.writeValueAsString(item);
    }
}
