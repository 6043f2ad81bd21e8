package alcabala.server.map;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.accounting.setting.Topic;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.PartyMatchers;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.CommittedCache;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The crosswalk as it is looked at: every code of the source with what stands for it, the unmapped first by what they
/// block.
@Component
class MapView {
    private static final Set<String> ALL = Set.of();
    private static final String IF_WANTED =
            " and (cardinality(cast(:only as text[])) = 0 or %s = any(cast(:only as text[]))) ";
    /// What may answer for an item that has no row of its own.
    private static final Set<RowKind> SMALL = EnumSet.complementOf(EnumSet.of(RowKind.PARTY, RowKind.ITEM));
    private static final Set<RowKind> MORE_GENERAL = Set.of(RowKind.CATEGORY, RowKind.LINE_KIND, RowKind.ROLE);
    private final JdbcClient jdbc;
    private final CrosswalkStore store;
    private final LedgerReference reference;
    private final SourceCatalogue catalogue;
    private final PartyMatchers matchers;
    private final SettingStore settings;
    private final MoneyRows money;
    private final PlaceRows places;
    private final CommittedCache<Long, KnownItems> itemsOf = new CommittedCache<>();

    /// @param covered by a rule less specific than a row of its own, such as `category Chandlery`, or why none is
    /// needed; empty when by none
    /// @param needed whether anything that crosses could ask for it
    /// @param blockedAmount minor units
    record Row(
            String code,
            String name,
            String note,
            CrosswalkRow row,
            String covered,
            boolean needed,
            int blockedDocuments,
            long blockedAmount,
            Suggestion suggestion) {
        boolean isOpen() {
            return row == null && covered.isEmpty();
        }

        Row notNeeded() {
            return new Row(code, name, note, row, covered, false, blockedDocuments, blockedAmount, suggestion);
        }
    }

    /// @param amount minor units
    record Blocked(int documents, long amount) {
        static final Blocked NOTHING = new Blocked(0, 0);
    }

    MapView(
            JdbcClient jdbc,
            CrosswalkStore store,
            LedgerReference reference,
            SourceCatalogue catalogue,
            PartyMatchers matchers,
            SettingStore settings,
            MoneyRows money,
            PlaceRows places) {
        this.money = money;
        this.places = places;
        this.settings = settings;
        this.jdbc = jdbc;
        this.store = store;
        this.reference = reference;
        this.catalogue = catalogue;
        this.matchers = matchers;
    }

    List<Row> rows(RouteRow route, RowKind kind) {
        return rows(route, kind, ALL);
    }

    /// What probably stands for one code, the likeliest first.
    List<Suggestion> suggestions(RouteRow route, RowKind kind, String code) {
        if (kind == RowKind.PARTY) {
            return suggestionsOf(route, kind).allForParty(catalogue.party(route.sourceId(), code));
        }
        return rows(route, kind, Set.of(code)).stream()
                .filter(row -> row.code().equals(code))
                .flatMap(row -> Stream.ofNullable(row.suggestion()))
                .toList();
    }

    private Suggestions suggestionsOf(RouteRow route, RowKind kind) {
        return new Suggestions(
                reference.accounts(route.ledgerId()),
                kind == RowKind.ITEM ? items(route.ledgerId()) : KnownItems.NONE,
                reference.taxCodes(route.ledgerId()),
                kind == RowKind.PARTY ? matchers.of(route.ledgerId()) : new PartyMatcher(List.of()));
    }

    /// Made anew only when a ledger has other items: to find the likest of a hundred thousand names takes an index.
    private KnownItems items(long ledgerId) {
        String stamp =
                jdbc.sql("""
                select count(*) || '/' || coalesce(max(xmin::text::bigint), 0) from ledger_item where ledger_id = :ledger""").param("ledger", ledgerId).query(String.class).single();
        return itemsOf.get(ledgerId, stamp, () -> new KnownItems(reference.items(ledgerId)));
    }

    /// Categories, and after "kind" kinds of line, for which an account answers where an item has none.
    Set<String> answersForItems(RouteRow route) {
        Source source = new Source(
                route,
                ALL,
                byKind(store.rows(route.id(), MORE_GENERAL)),
                Map.of(),
                suggestionsOf(route, RowKind.ROLE),
                false);
        return Stream.concat(
                        source.codes(RowKind.CATEGORY).stream()
                                .filter(category -> !source.target(RowKind.CATEGORY, category, Purpose.INCOME)
                                        .isEmpty()),
                        Arrays.stream(LineKind.values())
                                .filter(kind -> !source.covered("", kind).isEmpty())
                                .map(kind -> "kind " + kind.name()))
                .collect(Collectors.toUnmodifiableSet());
    }

    private static Map<RowKind, Map<String, CrosswalkRow>> byKind(List<CrosswalkRow> rows) {
        return rows.stream()
                .collect(Collectors.groupingBy(
                        CrosswalkRow::kind, Collectors.toMap(CrosswalkRow::code, Function.identity())));
    }

    /// @param only the codes of those that are wanted, where they can be looked up by themselves; none for all
    List<Row> rows(RouteRow route, RowKind kind, Collection<String> only) {
        return rows(route, kind, only, only.isEmpty() ? load(route, kind) : load(route, kind, only));
    }

    /// What the rows of several kinds are made from, asked for once.
    record Loaded(Map<RowKind, Map<String, CrosswalkRow>> rows, Map<String, Blocked> blocked, boolean asksFirst) {}

    /// For all kinds of which there are not very many.
    Loaded loadSmall(RouteRow route) {
        return loaded(route, store.rows(route.id(), SMALL), blocked(route, List.of()));
    }

    private Loaded load(RouteRow route, RowKind kind) {
        Set<RowKind> kinds = EnumSet.copyOf(SMALL);
        kinds.add(kind);
        return loaded(route, store.rows(route.id(), kinds), blocked(route, List.of()));
    }

    private Loaded load(RouteRow route, RowKind kind, Collection<String> only) {
        Stream<CrosswalkRow> general =
                store.rows(route.id(), MORE_GENERAL).stream().filter(row -> row.kind() != kind);
        List<CrosswalkRow> rows = Stream.concat(general, store.rows(route.id(), kind, only).stream())
                .toList();
        return loaded(
                route, rows, LargeKinds.has(kind) ? blocked(route, causes(kind, only)) : blocked(route, List.of()));
    }

    private Loaded loaded(RouteRow route, List<CrosswalkRow> rows, Map<String, Blocked> blocked) {
        return new Loaded(byKind(rows), blocked, settings.of(route.id()).is(Topic.NEW_PARTIES, "ask"));
    }

    private static List<String> causes(RowKind kind, Collection<String> codes) {
        List<String> kinds =
                kind == RowKind.PARTY ? List.of("party-missing:", "party-doubtful:") : List.of("item-unmapped:");
        return codes.stream()
                .flatMap(code -> kinds.stream().map(cause -> cause + code))
                .toList();
    }

    List<Row> rows(RouteRow route, RowKind kind, Loaded loaded) {
        return rows(route, kind, ALL, loaded);
    }

    private List<Row> rows(RouteRow route, RowKind kind, Collection<String> only, Loaded loaded) {
        Source source = new Source(
                route, only, loaded.rows(), loaded.blocked(), suggestionsOf(route, kind), loaded.asksFirst());
        List<Row> view = switch (kind) {
            case PARTY -> source.parties();
            case ITEM -> source.items();
            case CATEGORY -> source.categories();
            case TAX -> source.taxes();
            case SUPPLIER -> source.suppliers();
            case ROLE -> source.roles();
            case LINE -> source.lines();
            case MEANS -> money.means(source, route);
            case PAYER -> money.payers(source, route);
            case PROJECT -> places.projects(source, route);
            case SITE -> places.sites(source, route);
            case LINE_KIND -> places.lineKinds(source);
        };
        return view.stream()
                .sorted(Comparator.comparing((Row row) -> row.row() == null && !row.needed())
                        .thenComparing((Row row) -> !row.isOpen())
                        .thenComparing(Comparator.comparingLong((Row row) -> row.blockedAmount())
                                .reversed())
                        .thenComparing(Row::code))
                .toList();
    }

    /// What waits until it is said who a party is.
    Blocked blockedBy(RouteRow route, Party party) {
        Map<String, Blocked> blocked = blocked(route, causes(RowKind.PARTY, List.of(party.code())));
        return blocked.getOrDefault(
                "party-doubtful:" + party.code(),
                blocked.getOrDefault("party-missing:" + party.code(), Blocked.NOTHING));
    }

    /// What is in another currency than the ledger's is held up by that before all else, and not counted in.
    ///
    /// @param causes that are wanted; none for all
    private Map<String, Blocked> blocked(RouteRow route, List<String> causes) {
        Map<String, Blocked> blocked = new HashMap<>();
        jdbc.sql("""
                select f.cause, count(*) as documents, coalesce(
                    sum(signed(d.kind, d.gross)) filter (where d.currency = :currency and is_document(d.kind)),
                    sum(signed(d.kind, d.gross)) filter (where d.currency = :currency), 0) as amount
                from finding f join record d on d.id = f.record_id
                where d.route_id = :route and f.severity = 'blocks' and d.state in ('Blocked', 'Waiting')
                """ + (causes.isEmpty() ? "" : " and f.cause = any(:causes) ") + "group by f.cause")
                .param("causes", causes.toArray(String[]::new))
                .param("route", route.id())
                .param("currency", route.currency())
                .query((row, n) -> blocked.put(
                        row.getString("cause"), new Blocked(row.getInt("documents"), row.getLong("amount"))))
                .list();
        return blocked;
    }

    /// Makes the rows of one kind.
    final class Source {
        private final RouteRow route;
        private final Collection<String> only;
        private final Map<RowKind, Map<String, CrosswalkRow>> rows;
        private final Map<String, Blocked> blocked;
        private final Suggestions suggestions;
        private final boolean asksFirst;

        Source(
                RouteRow route,
                Collection<String> only,
                Map<RowKind, Map<String, CrosswalkRow>> rows,
                Map<String, Blocked> blocked,
                Suggestions suggestions,
                boolean asksFirst) {
            this.route = route;
            this.only = only;
            this.rows = rows;
            this.blocked = blocked;
            this.suggestions = suggestions;
            this.asksFirst = asksFirst;
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
                String cause =
                        blocked.containsKey("party-missing:" + party.code()) ? "party-missing:" : "party-doubtful:";
                // Once a document asks, it is open.
                String covered = suggestion == null && !blocked.containsKey(cause + party.code()) ? otherwise : "";
                view.add(row(
                        RowKind.PARTY, party.code(), party.name(), party.taxIdentifier(), covered, cause, suggestion));
            }
            return view;
        }

        List<Row> items() {
            return jdbc.sql("select code, name, category, kind from source_item where source_id = :id"
                            + IF_WANTED.formatted("code") + "order by code")
                    .param("id", route.sourceId())
                    .param("only", only.toArray(String[]::new))
                    .query((row, n) -> {
                        String category = row.getString("category");
                        return row(
                                RowKind.ITEM,
                                row.getString("code"),
                                row.getString("name"),
                                category,
                                covered(category, LineKind.valueOf(row.getString("kind"))),
                                "item-unmapped:",
                                suggestions
                                        .forItem(row.getString("code"), row.getString("name"))
                                        .orElse(null));
                    })
                    .list();
        }

        String covered(String category, LineKind kind) {
            String byCategory = target(RowKind.CATEGORY, category, Purpose.INCOME);
            if (!byCategory.isEmpty()) {
                return "category " + category + ": " + byCategory;
            }
            String byKind = target(RowKind.LINE_KIND, kind.name(), Purpose.INCOME);
            return byKind.isEmpty() ? byRole(AccountRole.ofIncome(kind)) : "kind of line " + word(kind) + ": " + byKind;
        }

        /// What the role says when nothing more particular does, or empty.
        String byRole(AccountRole role) {
            String account = target(RowKind.ROLE, role.name(), Purpose.ACCOUNT);
            return account.isEmpty() ? "" : "role " + word(role) + ": " + account;
        }

        String target(RowKind kind, String code, Purpose purpose) {
            return find(kind, code).map(row -> row.target(purpose)).orElse("");
        }

        List<Row> categories() {
            return jdbc.sql("""
                    select c.code, c.name, coalesce(min(i.kind), 'GOODS') as kind, count(i.code) as items
                    from source_category c left join source_item i on i.source_id = c.source_id and i.category = c.code
                    where c.source_id = :id""" + IF_WANTED.formatted("c.code") + "group by c.code, c.name order by c.code")
                    .param("id", route.sourceId())
                    .param("only", only.toArray(String[]::new))
                    .query((row, n) -> row(
                            RowKind.CATEGORY,
                            row.getString("code"),
                            row.getString("name"),
                            row.getInt("items") == 1 ? "1 item" : row.getInt("items") + " items",
                            covered("", LineKind.valueOf(row.getString("kind"))),
                            "category-unmapped:",
                            suggestions
                                    .forCategory(row.getString("name"), LineKind.valueOf(row.getString("kind")))
                                    .orElse(null)))
                    .list();
        }

        List<Row> taxes() {
            return jdbc.sql("select code, name, rate, category from source_tax where source_id = :id"
                            + IF_WANTED.formatted("code") + "order by code")
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
                                    .forSupplier(List.of(
                                            (String[]) row.getArray("bought").getArray()))
                                    .orElse(null)))
                    .list();
        }

        List<Row> roles() {
            List<Row> view = new ArrayList<>();
            Set<RecordType> carried = settings.of(route.id()).carries();
            for (AccountRole role : AccountRole.values()) {
                Row row = row(
                        RowKind.ROLE,
                        role.name(),
                        word(role),
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
                    + role.carries().stream().map(Source::word).sorted().collect(Collectors.joining(" or "))
                    + " cross here";
        }

        static String word(Enum<?> name) {
            return name.name().toLowerCase(Locale.ROOT).replace('_', ' ');
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

        Row row(
                RowKind kind,
                String code,
                String name,
                String note,
                String covered,
                String cause,
                Suggestion suggestion) {
            CrosswalkRow row = find(kind, code).orElse(null);
            Blocked by = blocked.getOrDefault(cause + code, Blocked.NOTHING);
            return new Row(
                    code,
                    name,
                    note,
                    row,
                    row == null ? covered : "",
                    true,
                    by.documents(),
                    by.amount(),
                    row == null ? suggestion : null);
        }

        Suggestions suggestions() {
            return suggestions;
        }

        /// Codes of a kind that rows were made for.
        Set<String> codes(RowKind kind) {
            return rows.getOrDefault(kind, Map.of()).keySet();
        }

        private Optional<CrosswalkRow> find(RowKind kind, String code) {
            return Optional.ofNullable(rows.getOrDefault(kind, Map.of()).get(code));
        }
    }
}
