package alcabala.server.readiness;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.readiness.Facts;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.ledger.DescribesCompany;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.Ledgers;
import alcabala.server.items.NewItems;
import alcabala.server.readiness.Numbering.NumbersOfKind;
import alcabala.server.reference.ItemsThere;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.TrailSeal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Gathers what readiness is judged by: the ledger's settings as they are at this moment, the rest as last pulled.
@Component
class FactGatherer {
    private static final String WAITING =
            " d.route_id = :route and d.state not in ('Posted', 'Diverged', 'Voided') and d.kind = any(:kinds)"
                    + " and d.origin = 'source'";
    private final JdbcClient jdbc;
    private final Ledgers ledgers;
    private final LedgerReference reference;
    private final ItemsThere itemsThere;
    private final CrosswalkStore store;
    private final NewItems newItems;
    private final Numbering numbering;
    private final SettingStore decisions;
    private final TrailSeal seal;
    private final Clock clock;

    FactGatherer(
            JdbcClient jdbc,
            Ledgers ledgers,
            LedgerReference reference,
            ItemsThere itemsThere,
            CrosswalkStore store,
            NewItems newItems,
            Numbering numbering,
            SettingStore decisions,
            TrailSeal seal,
            Clock clock) {
        this.jdbc = jdbc;
        this.ledgers = ledgers;
        this.reference = reference;
        this.itemsThere = itemsThere;
        this.store = store;
        this.newItems = newItems;
        this.numbering = numbering;
        this.decisions = decisions;
        this.seal = seal;
        this.clock = clock;
    }

    /// @throws alcabala.connectors.UnreachableException when the ledger does not answer; a lost consent is a fact
    Facts gather(RouteRow route) {
        Map<RowKind, Map<String, CrosswalkRow>> rows = store.rows(route.id()).stream()
                .collect(Collectors.groupingBy(
                        CrosswalkRow::kind, Collectors.toMap(CrosswalkRow::code, row -> row, (a, b) -> a)));
        // Those that were created since this was settled for all are there, and no new ones.
        Map<String, String> fresh = new HashMap<>(newItems.fresh(route));
        Map<String, String> items = itemNames(route.ledgerId());
        fresh.keySet().removeAll(items.keySet());
        Optional<Facts.Settings> settings;
        List<NumbersOfKind> numbers = List.of();
        try {
            settings = route.ledgerAnswers()
                    ? Optional.of(settings(
                            route,
                            ledgers.of(route.ledgerId())
                                    .get(DescribesCompany.class)
                                    .company()))
                    : Optional.empty();
            numbers = numbering.of(route);
        } catch (AccessLostException e) {
            settings = Optional.of(lastKnown(route));
        }
        RouteSettings decided = decisions.of(route.id());
        String prefix = decided.get(Topic.NUMBER_PREFIX);
        return new Facts(
                decided.carries(),
                reference.profile(route.ledgerId()),
                settings,
                decided.taxIsOff(),
                roles(rows.getOrDefault(RowKind.ROLE, Map.of())),
                taxes(
                        route,
                        RecordKind.words(kind -> decided.crosses(kind) && !decided.hasTaxInLines(kind)),
                        rows.getOrDefault(RowKind.TAX, Map.of())),
                documents(route, RecordKind.words(decided::crosses)),
                documents(route, RecordKind.words(kind -> !kind.isSale())),
                unrouted(route),
                fresh,
                items,
                numbers.stream()
                        .flatMap(each -> each.taken().stream())
                        .map(number -> number.substring(prefix.length()))
                        .collect(Collectors.toSet()),
                numbers.stream().mapToLong(NumbersOfKind::safeNext).max().orElse(0),
                otherRoutes(route),
                seal.findLastCheck()
                        .filter(last -> !last.ok())
                        .map(TrailSeal.LastCheck::says)
                        .orElse(""));
    }

    private Facts.Settings settings(RouteRow route, LedgerCompany company) {
        Instant now = clock.instant();
        Optional<Duration> left = ledgers.consentEndsAt(route.ledgerId()).map(end -> Duration.between(now, end));
        return new Facts.Settings(
                hasOtherBooks(route, company),
                company.lockedThrough(),
                company.appliesCredits(),
                company.tracksQuantities(),
                company.features(),
                left,
                clock.getZone(),
                company.timeZone(),
                Duration.between(company.clock(), now).abs());
    }

    /// The same name may come to stand for other books, as when somebody begins them anew.
    private boolean hasOtherBooks(RouteRow route, LedgerCompany company) {
        String connected = jdbc.sql("select books_id from ledger where id = :id")
                .param("id", route.ledgerId())
                .query(String.class)
                .single();
        return !connected.isEmpty() && !connected.equals(company.booksId());
    }

    private List<Facts.Unrouted> unrouted(RouteRow route) {
        return jdbc.sql("""
                select d.site, d.currency, count(*) as documents,
                    coalesce(sum(signed(d.kind, d.gross)) filter (where is_document(d.kind)),
                        sum(signed(d.kind, d.gross))) as gross
                from record d join route r on r.id = d.route_id
                where r.source_id = :source and r.ledger_id is null and not d.voided
                group by d.site, d.currency order by d.site, d.currency""")
                .param("source", route.sourceId())
                .query((row, n) -> new Facts.Unrouted(
                        row.getString("site"),
                        row.getInt("documents"),
                        Money.ofMinor(CurrencyUnit.of(row.getString("currency")), row.getLong("gross"))))
                .list();
    }

    /// When the ledger no longer lets us in.
    private Facts.Settings lastKnown(RouteRow route) {
        return jdbc.sql("""
                select coalesce(locked_through, '2000-01-01') as locked, applies_credits, tracks_quantities, features
                from ledger where id = :id""")
                .param("id", route.ledgerId())
                .query((row, n) -> new Facts.Settings(
                        false,
                        row.getObject("locked", LocalDate.class),
                        row.getBoolean("applies_credits"),
                        row.getBoolean("tracks_quantities"),
                        new HashSet<>(Arrays.asList(
                                (String[]) row.getArray("features").getArray())),
                        Optional.of(Duration.ZERO),
                        clock.getZone(),
                        clock.getZone(),
                        Duration.ZERO))
                .single();
    }

    private static Map<AccountRole, String> roles(Map<String, CrosswalkRow> rows) {
        Map<AccountRole, String> roles = new EnumMap<>(AccountRole.class);
        rows.forEach((code, row) -> roles.put(AccountRole.valueOf(code), row.target(Purpose.ACCOUNT)));
        return roles;
    }

    private List<Facts.TaxUse> taxes(RouteRow route, String[] kinds, Map<String, CrosswalkRow> rows) {
        return jdbc.sql("""
                select t.code, t.rate, t.category, count(*) as documents,
                    coalesce(sum(signed(d.kind, d.gross))
                        filter (where d.currency = :currency), 0) as gross
                from source_tax t join record d on d.refs @> array['tax:' || t.code] and""" + WAITING + """
                 where t.source_id = :source group by t.code, t.rate, t.category order by t.code""")
                .param("source", route.sourceId())
                .param("route", route.id())
                .param("currency", route.currency())
                .param("kinds", kinds)
                .query((row, n) -> new Facts.TaxUse(
                        row.getString("code"),
                        row.getBigDecimal("rate"),
                        row.getString("code").equals(TaxCombination.NONE.key())
                                ? null
                                : TaxCategory.valueOf(row.getString("category")),
                        Optional.ofNullable(rows.get(row.getString("code")))
                                .map(CrosswalkRow::counterpart)
                                .orElse(""),
                        row.getInt("documents"),
                        row.getLong("gross")))
                .list();
    }

    private List<Facts.Waiting> documents(RouteRow route, String[] kinds) {
        return jdbc.sql("""
                select d.number, d.issue_date, d.currency, d.kind,
                    s.sign * d.gross as gross, s.sign * d.tax as tax,
                    jsonb_path_exists(v.content::jsonb, '$.lines[*] ? (@.kind == "GOODS")') as goods,
                    (select string_agg(f.subject, ' ') from finding f
                     where f.record_id = d.id and f.kind = 'role-unset') as missing
                from record d join record_revision v on v.id = d.revision_id cross join lateral (
                    select signed(d.kind, 1) as sign) s
                where d.route_id = :route and d.state not in ('Posted', 'Diverged', 'Voided') and d.kind = any(:kinds)
                    and d.origin = 'source'
                order by d.issue_date, d.id""")
                .param("route", route.id())
                .param("kinds", kinds)
                .query((row, n) -> new Facts.Waiting(
                        kind(row.getString("kind")),
                        row.getString("number"),
                        row.getObject("issue_date", LocalDate.class),
                        CurrencyUnit.of(row.getString("currency")),
                        row.getLong("gross"),
                        row.getLong("tax"),
                        row.getBoolean("goods"),
                        roles(row.getString("missing"))))
                .list();
    }

    private static RecordKind kind(String word) {
        return RecordKind.valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    private static Set<AccountRole> roles(String names) {
        return names == null
                ? Set.of()
                : Arrays.stream(names.split(" ")).map(AccountRole::valueOf).collect(Collectors.toSet());
    }

    private Map<String, String> itemNames(long ledgerId) {
        Map<String, String> names = new HashMap<>();
        itemsThere.all(ledgerId).forEach(item -> names.put(item.code(), item.name()));
        return names;
    }

    private Map<String, Integer> otherRoutes(RouteRow route) {
        Map<String, Integer> others = new LinkedHashMap<>();
        jdbc.sql("""
                select s.name, (select count(*) from record a join record b on b.number = a.number and b.kind = a.kind
                    where a.route_id = r.id and b.route_id = :route and not a.voided and not b.voided
                        and (a.kind in ('invoice', 'credit-note') or a.party_name = b.party_name)) as shared
                from route r join source s on s.id = r.source_id
                where r.ledger_id = :ledger and r.leads and r.id <> :route order by s.name""")
                .param("route", route.id())
                .param("ledger", route.ledgerId())
                .query((row, n) -> others.put(row.getString("name"), row.getInt("shared")))
                .list();
        return others;
    }
}
