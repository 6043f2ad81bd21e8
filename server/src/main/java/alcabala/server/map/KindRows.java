package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.party.Party;
import alcabala.server.map.MapView.Blocked;
import alcabala.server.map.MapView.Loaded;
import alcabala.server.map.MapView.Row;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.Sentences;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;

/// Makes the rows of one kind.
final class KindRows {
    private static final String IF_WANTED =
            " and (cardinality(cast(:only as text[])) = 0 or %s = any(cast(:only as text[]))) ";
    private final JdbcClient jdbc;
    private final SourceCatalogue catalogue;
    private final SettingStore settings;
    private final RouteRow route;
    private final Collection<String> only;
    private final Map<RowKind, Map<String, CrosswalkRow>> rows;
    private final Map<String, Blocked> blocked;
    private final Suggestions suggestions;
    private final boolean asksFirst;

    /// @param only the codes of those that are wanted, where they can be looked up by themselves; none for all
    KindRows(
            JdbcClient jdbc,
            SourceCatalogue catalogue,
            SettingStore settings,
            RouteRow route,
            Collection<String> only,
            Loaded loaded,
            Suggestions suggestions) {
        this.jdbc = jdbc;
        this.catalogue = catalogue;
        this.settings = settings;
        this.route = route;
        this.only = only;
        this.rows = loaded.rows();
        this.blocked = loaded.blocked();
        this.suggestions = suggestions;
        this.asksFirst = loaded.asksFirst();
    }

    List<Row> parties() {
        List<Row> view = new ArrayList<>();
        String otherwise = asksFirst ? "asked about on its first document" : "created on its first document";
        List<Party> parties =
                only.isEmpty() ? catalogue.parties(route.sourceId()) : catalogue.parties(route.sourceId(), only);
        Map<String, Suggestion> likeliest = suggestions.forParties(parties.stream()
                .filter(party -> find(RowKind.PARTY, party.code()).isEmpty())
                .toList());
        for (Party party : parties) {
            Suggestion suggestion = likeliest.get(party.code());
            String cause = blocked.containsKey("party-missing:" + party.code()) ? "party-missing:" : "party-doubtful:";
            // Once a document asks, it is open.
            String covered = suggestion == null && !blocked.containsKey(cause + party.code()) ? otherwise : "";
            view.add(row(RowKind.PARTY, party.code(), party.name(), party.taxIdentifier(), covered, cause, suggestion));
        }
        return view;
    }

    List<Row> items() {
        return jdbc.sql("select code, name, category, kind, item_kind from source_item where source_id = :id"
                        + IF_WANTED.formatted("code") + "order by code")
                .param("id", route.sourceId())
                .param("only", only.toArray(String[]::new))
                .query((row, n) -> {
                    String code = row.getString("code");
                    String name = row.getString("name");
                    String category = row.getString("category");
                    String covered = covered(category, LineKind.valueOf(row.getString("kind")));
                    // To find a name like it among very many takes a while: for those that need it, and for the one
                    // that is looked at.
                    Optional<Suggestion> suggestion = covered.isEmpty() || only.size() == 1
                            ? suggestions.forItem(code, name)
                            : suggestions.forItem(code);
                    return row(
                            RowKind.ITEM,
                            code,
                            name,
                            note(row.getString("item_kind"), category),
                            covered,
                            "item-unmapped:",
                            suggestion.orElse(null));
                })
                .list();
    }

    /// That it is a kit or a service is not seen from the lines it is sold on.
    private static String note(String itemKind, String category) {
        ItemKind kind = ItemKind.valueOf(itemKind);
        boolean plain = ItemKind.of(kind.lineKind()) == kind;
        return plain ? category : Sentences.word(kind) + ", " + category;
    }

    String covered(String category, LineKind kind) {
        String byCategory = target(RowKind.CATEGORY, category, Purpose.INCOME);
        if (!byCategory.isEmpty()) {
            return "category " + category + ": " + byCategory;
        }
        String byKind = target(RowKind.LINE_KIND, kind.name(), Purpose.INCOME);
        return byKind.isEmpty()
                ? byRole(AccountRole.ofIncome(kind))
                : "kind of line " + Sentences.word(kind) + ": " + byKind;
    }

    /// What the role says when nothing more particular does, or empty.
    String byRole(AccountRole role) {
        String account = target(RowKind.ROLE, role.name(), Purpose.ACCOUNT);
        return account.isEmpty() ? "" : "role " + Sentences.word(role) + ": " + account;
    }

    String target(RowKind kind, String code, Purpose purpose) {
        return find(kind, code).map(row -> row.target(purpose)).orElse("");
    }

    List<Row> categories() {
        return jdbc.sql("""
                select c.code, c.name, coalesce(i.kind, 'GOODS') as kind, coalesce(i.items, 0) as items, array(
                    select name from source_item o where o.source_id = c.source_id and o.category = c.code
                        and not exists (select 1 from crosswalk_row r where r.route_id = :route and r.kind = 'CATEGORY'
                            and r.code = c.code and r.ended_at is null)
                    limit 200) as named
                from source_category c left join (
                    select category, min(kind) as kind, count(*) as items from source_item where source_id = :id
                    group by category) i on i.category = c.code
                where c.source_id = :id""" + IF_WANTED.formatted("c.code") + "order by c.code")
                .param("id", route.sourceId())
                .param("route", route.id())
                .param("only", only.toArray(String[]::new))
                .query((row, n) -> row(
                        RowKind.CATEGORY,
                        row.getString("code"),
                        row.getString("name"),
                        row.getInt("items") == 1 ? "1 item" : row.getInt("items") + " items",
                        covered("", LineKind.valueOf(row.getString("kind"))),
                        "category-unmapped:",
                        suggestions
                                .forCategory(
                                        row.getString("name"),
                                        LineKind.valueOf(row.getString("kind")),
                                        List.of((String[]) row.getArray("named").getArray()))
                                .orElse(null)))
                .list();
    }

    List<Row> taxes() {
        // What has no name of its own is a combination, and is called after its taxes.
        return jdbc.sql("""
                select t.code, t.rate, t.category, coalesce(nullif(t.name, ''), (
                    select string_agg(case when one.name = '' then one.code else one.name end, ' and ' order by part.place)
                    from regexp_split_to_table(t.code, '[+>]') with ordinality as part(code, place)
                        join source_tax one on one.source_id = t.source_id and one.code = part.code), '') as name
                from source_tax t where t.source_id = :id""" + IF_WANTED.formatted("t.code") + "order by t.code")
                .param("id", route.sourceId())
                .param("only", only.toArray(String[]::new))
                .query((row, n) -> row(
                        RowKind.TAX,
                        row.getString("code"),
                        row.getString("name"),
                        row.getBigDecimal("rate").stripTrailingZeros().toPlainString() + " %, "
                                + row.getString("category"),
                        "",
                        "tax-unmapped:",
                        suggestions
                                .forTax(row.getBigDecimal("rate"), TaxCategory.valueOf(row.getString("category")))
                                .orElse(null)))
                .list();
    }

    /// Whoever something was bought from.
    List<Row> suppliers() {
        return jdbc.sql("""
                select p.code, p.name, coalesce(p.body->>'taxIdentifier', '') as note, array(
                    select distinct coalesce(nullif(l->>'description', ''), l->>'itemName', '') from record d
                        join record_revision v on v.id = d.revision_id cross join json_array_elements(v.content->'lines') l
                    where d.source_id = p.source_id and d.party_code = p.code and d.kind in ('bill', 'supplier-credit')
                    limit 200) as bought
                from source_party p
                where p.source_id = :source and exists (
                    select 1 from record d where d.source_id = p.source_id and d.party_code = p.code
                        and d.kind in ('bill', 'supplier-credit'))
                """ + IF_WANTED.formatted("p.code") + "order by p.code")
                .param("source", route.sourceId())
                .param("only", only.toArray(String[]::new))
                .query((row, n) -> row(
                        RowKind.SUPPLIER,
                        row.getString("code"),
                        row.getString("name"),
                        row.getString("note"),
                        byRole(AccountRole.PURCHASES),
                        "supplier-unmapped:",
                        suggestions
                                .forSupplier(there(row.getString("code")), List.of((String[])
                                        row.getArray("bought").getArray()))
                                .orElse(null)))
                .list();
    }

    /// The party of the ledger that stands for one of the source, or empty.
    private String there(String party) {
        return jdbc.sql("""
                select target from crosswalk_row where route_id = :route and kind = 'PARTY' and purpose = 'COUNTERPART'
                    and code = :party and ended_at is null""")
                .param("route", route.id())
                .param("party", party)
                .query(String.class)
                .optional()
                .orElse("");
    }

    List<Row> roles() {
        List<Row> view = new ArrayList<>();
        Set<RecordType> carried = settings.of(route.id()).carries();
        for (AccountRole role : AccountRole.values()) {
            Row row = row(
                    RowKind.ROLE,
                    role.name(),
                    Sentences.word(role),
                    takes(role),
                    role.isRequired(carried) ? "" : role.serves(carried) ? "optional" : notNeeded(role),
                    "role-unset:",
                    role.serves(carried) ? suggestions.forRole(role).orElse(null) : null);
            view.add(role.serves(carried) ? row : row.notNeeded());
        }
        return view;
    }

    /// It can be set all the same, as for records that are to cross later.
    private static String notNeeded(AccountRole role) {
        return "not needed: no "
                + role.carries().stream().map(Sentences::word).sorted().collect(Collectors.joining(" or "))
                + " cross here";
    }

    private static String takes(AccountRole role) {
        return role.types().stream()
                .map(type -> type.name().toLowerCase(Locale.ROOT))
                .sorted()
                .collect(Collectors.joining(" or "));
    }

    List<Row> lines() {
        return rows.getOrDefault(RowKind.LINE, Map.of()).values().stream()
                .map(each -> new Row(each.code(), "", "", each, "", true, 0, 0, null))
                .toList();
    }

    Row row(RowKind kind, String code, String name, String note, String covered, String cause, Suggestion suggestion) {
        CrosswalkRow row = find(kind, code).orElse(null);
        boolean decided = row != null && row.decides();
        Blocked by = blocked.getOrDefault(cause + code, Blocked.NOTHING);
        return new Row(
                code,
                name,
                note,
                row,
                decided ? "" : covered,
                true,
                by.documents(),
                by.amount(),
                decided ? null : suggestion);
    }

    Suggestions suggestions() {
        return suggestions;
    }

    /// Those of a kind that were made.
    Collection<CrosswalkRow> all(RowKind kind) {
        return rows.getOrDefault(kind, Map.of()).values();
    }

    /// Codes of a kind that rows were made for.
    Set<String> codes(RowKind kind) {
        return rows.getOrDefault(kind, Map.of()).keySet();
    }

    private Optional<CrosswalkRow> find(RowKind kind, String code) {
        return Optional.ofNullable(rows.getOrDefault(kind, Map.of()).get(code));
    }
}
