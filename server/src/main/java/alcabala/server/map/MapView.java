package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.StandardFields;
import alcabala.accounting.setting.Topic;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.PartyMatchers;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.CommittedCache;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
    /// What may answer for an item that has no row of its own.
    private static final Set<RowKind> SMALL = EnumSet.complementOf(EnumSet.of(RowKind.PARTY, RowKind.ITEM));
    /// What something was booked to before is advice for these.
    private static final Set<RowKind> ADVISED = Set.of(RowKind.ITEM, RowKind.CATEGORY, RowKind.SUPPLIER);
    /// So many different texts are kept in memory, the latest.
    private static final int MOST_BOOKED = 200_000;
    private static final Set<RowKind> MORE_GENERAL = Set.of(RowKind.CATEGORY, RowKind.LINE_KIND, RowKind.ROLE);
    private final JdbcClient jdbc;
    private final CrosswalkStore store;
    private final LedgerReference reference;
    private final ItemsThere itemsThere;
    private final SourceCatalogue catalogue;
    private final PartyMatchers matchers;
    private final SettingStore settings;
    private final MoneyRows money;
    private final PlaceRows places;
    private final AddedRows added;
    private final CommittedCache<Long, KnownItems> itemsOf = new CommittedCache<>();
    private final CommittedCache<Long, BookedBefore> bookedOn = new CommittedCache<>();

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
        /// Whether its own row says where it goes.
        boolean isMapped() {
            return row != null && row.decides();
        }

        boolean isOpen() {
            return !isMapped() && covered.isEmpty();
        }

        /// As seen together with all others.
        Row doubtful() {
            Suggestion doubtful = new Suggestion(
                    suggestion.counterpart(), suggestion.account(), suggestion.name(), suggestion.reason(), false);
            return new Row(code, name, note, row, covered, needed, blockedDocuments, blockedAmount, doubtful);
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
            ItemsThere itemsThere,
            SourceCatalogue catalogue,
            PartyMatchers matchers,
            SettingStore settings,
            MoneyRows money,
            PlaceRows places,
            AddedRows added) {
        this.added = added;
        this.money = money;
        this.places = places;
        this.settings = settings;
        this.jdbc = jdbc;
        this.store = store;
        this.reference = reference;
        this.itemsThere = itemsThere;
        this.catalogue = catalogue;
        this.matchers = matchers;
    }

    List<Row> rows(RouteRow route, RowKind kind) {
        return rows(route, kind, ALL);
    }

    /// What waits on the route for whatever reason, documents only where there are any; minor units.
    long waiting(RouteRow route) {
        return jdbc.sql("""
                select coalesce(sum(signed(kind, gross)) filter (where is_document(kind)), sum(signed(kind, gross)), 0)
                from record where route_id = :route and state in ('Ready', 'Blocked', 'Waiting') and currency = :currency""")
                .param("route", route.id())
                .param("currency", route.currency())
                .query(Long.class)
                .single();
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
                kind == RowKind.PARTY ? matchers.of(route.ledgerId()) : new PartyMatcher(List.of()),
                ADVISED.contains(kind) ? booked(route.ledgerId()) : BookedBefore.NONE);
    }

    /// Made anew only when a ledger has other items: to find the likest of a hundred thousand names takes an index.
    private KnownItems items(long ledgerId) {
        // Those that a batch creates there are no news of the ledger, and are counted.
        String version =
                jdbc.sql("""
                select l.version || '/' || (select count(*) from ledger_item i where i.ledger_id = l.id) from ledger l
                where l.id = :ledger""").param("ledger", ledgerId).query(String.class).single();
        return itemsOf.get(ledgerId, version, () -> new KnownItems(itemsThere.all(ledgerId)));
    }

    /// Made anew only when the ledger's feed has told of something.
    private BookedBefore booked(long ledgerId) {
        String cursor = jdbc.sql("select cursor from ledger where id = :ledger")
                .param("ledger", ledgerId)
                .query(String.class)
                .single();
        return bookedOn.get(
                ledgerId,
                cursor,
                () -> new BookedBefore(jdbc.sql("""
                        select kind in ('invoice', 'credit-note') as sale,
                            case when kind in ('invoice', 'credit-note') then '' else party end as party,
                            case when kind in ('invoice', 'credit-note') then text else '' end as text,
                            account, count(*) as times, max(day) as last
                        from ledger_booked where ledger_id = :ledger group by 1, 2, 3, 4
                        order by max(day) desc limit :most""")
                        .param("most", MOST_BOOKED)
                        .param("ledger", ledgerId)
                        .query(BookedBefore.Lines.class)
                        .list()));
    }

    /// Categories, and after "kind" kinds of line, for which an account answers where an item has none.
    Set<String> answersForItems(RouteRow route) {
        Loaded general = loaded(route, store.rows(route.id(), MORE_GENERAL), Map.of());
        KindRows source =
                new KindRows(jdbc, catalogue, settings, route, ALL, general, suggestionsOf(route, RowKind.ROLE));
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
        KindRows source = new KindRows(jdbc, catalogue, settings, route, only, loaded, suggestionsOf(route, kind));
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
            case TERMS -> added.terms(source, route);
            case FIELD -> added.fields(source, route);
            case CHOICE -> added.choices(source, route);
        };
        return view.stream()
                .sorted(Comparator.comparing((Row row) -> row.row() == null && !row.needed())
                        .thenComparing((Row row) -> !row.isOpen())
                        .thenComparing(Comparator.comparingLong((Row row) -> row.blockedAmount())
                                .reversed())
                        .thenComparing(row -> StandardFields.isStandard(row.code()))
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
}
