package alcabala.server.connect;

import alcabala.connectors.ledger.Counts;
import alcabala.connectors.ledger.LedgerCounts;
import alcabala.connectors.ledger.WritesLists;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.FormField;
import alcabala.server.connection.Kinds;
import alcabala.server.connection.Ledgers;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Settings;
import alcabala.server.platform.SumJson;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What is connected to what, and in what condition.
@Component
class ConnectView {
    private static final Duration SOON = Duration.ofDays(14);
    private final JdbcClient jdbc;
    private final Routes routes;
    private final Ledgers ledgers;
    private final Kinds kinds;
    private final Settings settings;
    private final Clock clock;

    /// @param state `connected`, `consent-ends-soon`, `consent-lost`, `disconnected`, or `files` for one that is not
    /// asked
    /// @param expiresAt of the present access token, which is renewed by itself
    /// @param accounts how many the last pull read; so are the other counts
    record LedgerJson(
            long id,
            String name,
            String system,
            String company,
            String companyName,
            String currency,
            String desk,
            String state,
            String sentence,
            List<String> scopes,
            Instant expiresAt,
            Instant consentEndsAt,
            Instant pulledAt,
            String connectedBy,
            int accounts,
            int taxCodes,
            int parties,
            int items,
            int terms) {}

    /// @param state `connected`, `disconnected`, or `files` for a source that needs no connection
    record SourceJson(
            long id,
            String name,
            String system,
            String address,
            String desk,
            String state,
            int documents,
            int parties,
            int items,
            List<String> sites) {}

    /// @param ledgerId 0 for documents whose site has no route
    /// @param waiting gross of what has not crossed, in each currency
    record ConnectedRoute(
            long id,
            String code,
            long sourceId,
            String source,
            String site,
            long ledgerId,
            String ledger,
            boolean ended,
            int documents,
            List<SumJson> waiting,
            String currency) {}

    record Connected(
            List<LedgerJson> ledgers, List<SourceJson> sources, List<ConnectedRoute> routes, List<KindJson> kinds) {}

    /// A field of the form by which a connection is set up.
    record FieldJson(String name, String label, boolean secret, String usual) {}

    /// A kind of system that can be connected.
    ///
    /// @param side `source` or `ledger`
    /// @param entry `key`, `consent` or `files`
    record KindJson(String code, String name, String side, String entry, List<FieldJson> form) {}

    /// One figure of both sides; empty where a side has none.
    record BothCounts(String name, String source, String ledger) {}

    ConnectView(JdbcClient jdbc, Routes routes, Ledgers ledgers, Kinds kinds, Settings settings, Clock clock) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.ledgers = ledgers;
        this.kinds = kinds;
        this.settings = settings;
        this.clock = clock;
    }

    Connected all() {
        return new Connected(
                ledgers(),
                sources(),
                routes(),
                kinds.all().stream().map(this::kind).toList());
    }

    private KindJson kind(ConnectionKind kind) {
        String entry = switch (kind.entry()) {
            case Entry.ByKey key -> "key";
            case Entry.ByConsent consent -> "consent";
            case Entry.ByFiles files -> "files";
        };
        return new KindJson(
                kind.code(),
                kind.name(),
                kind.side().name().toLowerCase(Locale.ROOT),
                entry,
                kind.form().stream()
                        .map(field -> new FieldJson(field.name(), field.label(), field.secret(), usual(kind, field)))
                        .toList());
    }

    private String usual(ConnectionKind kind, FormField field) {
        return field.name().equals(FormField.ADDRESS)
                ? settings.addresses().getOrDefault(kind.code(), field.usual())
                : field.usual();
    }

    private List<LedgerJson> ledgers() {
        return jdbc.sql("""
                select l.id, l.name, l.system, l.company, l.company_name, l.currency, l.desk, l.connected, l.pulled_at, l.connected_by,
                    c.scopes, c.expires_at, c.consent_ends_at, c.lost_at, c.id is not null as has_credential,
                    cast(p.read->>'ACCOUNT' as int) as accounts, cast(p.read->>'TAX_CODE' as int) as tax_codes,
                    cast(p.read->>'PARTY' as int) as parties, cast(p.read->>'ITEM' as int) as items,
                    cast(p.read->>'TERM' as int) as terms
                from ledger l left join credential c on c.ledger_id = l.id left join lateral (
                    select jsonb_object_agg(e.key, e.value order by r.id) as read
                    from reference_pull r cross join lateral jsonb_each(r.read) e
                    where r.ledger_id = l.id and r.state = 'done') p on true
                order by l.id""").query(this::ledger).list();
    }

    private LedgerJson ledger(ResultSet row, int n) throws SQLException {
        Instant ends = instant(row.getTimestamp("consent_ends_at"));
        String state = kinds.can(row.getString("system"), WritesLists.class) && row.getBoolean("connected")
                ? "files"
                : state(
                        row.getBoolean("connected"),
                        row.getBoolean("has_credential"),
                        instant(row.getTimestamp("lost_at")),
                        ends);
        String scopes = row.getString("scopes");
        return new LedgerJson(
                row.getLong("id"),
                row.getString("name"),
                row.getString("system"),
                row.getString("company"),
                row.getString("company_name"),
                row.getString("currency"),
                row.getString("desk"),
                state,
                sentence(state, row.getString("company_name")),
                scopes == null || scopes.isEmpty() ? List.of() : List.of(scopes.split(" ")),
                instant(row.getTimestamp("expires_at")),
                ends,
                instant(row.getTimestamp("pulled_at")),
                row.getString("connected_by"),
                row.getInt("accounts"),
                row.getInt("tax_codes"),
                row.getInt("parties"),
                row.getInt("items"),
                row.getInt("terms"));
    }

    private String state(boolean connected, boolean hasCredential, Instant lostAt, Instant ends) {
        if (!connected) {
            return "disconnected";
        }
        if (!hasCredential || lostAt != null || (ends != null && ends.isBefore(clock.instant()))) {
            return "consent-lost";
        }
        return ends != null && ends.isBefore(clock.instant().plus(SOON)) ? "consent-ends-soon" : "connected";
    }

    private static String sentence(String state, String company) {
        return switch (state) {
            case "files" -> "It takes files and is not asked; its lists come as files.";
            case "disconnected" -> "Nothing is sent or fetched; crosswalks and trail are kept.";
            case "consent-lost" -> company + " no longer lets Alcabala in. Connect it again; nothing is lost.";
            case "consent-ends-soon" -> "The consent ends soon. Connect it again before it does.";
            default -> "Access is renewed by itself until the consent ends.";
        };
    }

    private List<SourceJson> sources() {
        return jdbc.sql("""
                select s.id, s.name, s.system, s.address, s.desk,
                    case when s.system = 'files' then 'files' when s.connected then 'connected' else 'disconnected' end as state,
                    (select count(*) from record d join route r on r.id = d.route_id where r.source_id = s.id) as documents,
                    (select count(*) from source_party p where p.source_id = s.id) as parties,
                    (select count(*) from source_item i where i.source_id = s.id) as items,
                    array(select t.name from source_site t where t.source_id = s.id order by t.name) as sites
                from source s order by s.id""")
                .query((row, n) -> new SourceJson(
                        row.getLong("id"),
                        row.getString("name"),
                        row.getString("system"),
                        row.getString("address"),
                        row.getString("desk"),
                        row.getString("state"),
                        row.getInt("documents"),
                        row.getInt("parties"),
                        row.getInt("items"),
                        List.of((String[]) row.getArray("sites").getArray())))
                .list();
    }

    private List<ConnectedRoute> routes() {
        record Waiting(String currency, int documents, long gross) {}
        return routes.all().stream()
                .filter(route -> !route.leadsNowhere() || routes.hasDocuments(route))
                .map(route -> {
                    List<Waiting> waiting = jdbc.sql("""
                            select currency, count(*) as documents,
                                coalesce(sum(signed(kind, gross)) filter (
                                    where state not in ('Posted', 'Diverged', 'Voided') and is_document(kind)), 0) as gross
                            from record where route_id = :id group by currency""")
                            .param("id", route.id())
                            .query(Waiting.class)
                            .list();
                    return new ConnectedRoute(
                            route.id(),
                            route.code(),
                            route.sourceId(),
                            route.source(),
                            route.site(),
                            route.ledgerId(),
                            route.ledger(),
                            route.ended(),
                            waiting.stream().mapToInt(Waiting::documents).sum(),
                            SumJson.of(waiting.stream().collect(Collectors.toMap(Waiting::currency, Waiting::gross))),
                            route.currency());
                })
                .toList();
    }

    /// Both sides as they are at this moment, the ledger's as it says itself.
    List<BothCounts> counts(RouteRow route) {
        if (!route.ledgerAnswers()) {
            return counts(route, null);
        }
        return counts(
                route,
                ledgers.of(route.ledgerId())
                        .find(Counts.class)
                        .map(Counts::counts)
                        .orElse(null));
    }

    /// @param there null for a ledger that cannot be asked
    private List<BothCounts> counts(RouteRow route, LedgerCounts there) {
        record Here(long parties, long items, long documents, long posted, long gross, long paid, long open) {}
        Here here = jdbc.sql("""
                select (select count(*) from source_party where source_id = :source) as parties,
                    (select count(*) from source_item where source_id = :source) as items,
                    count(*) as documents, count(*) filter (where state in ('Posted', 'Diverged')) as posted,
                    coalesce(sum(s.sign * gross) filter (where state in ('Posted', 'Diverged') and currency = :currency), 0) as gross,
                    coalesce(sum(s.sign * paid) filter (where state in ('Posted', 'Diverged') and currency = :currency), 0) as paid,
                    coalesce(sum(s.sign * (gross - paid)) filter (where state in ('Posted', 'Diverged') and currency = :currency), 0) as open
                from record d cross join lateral (
                    select case d.kind when 'invoice' then 1 when 'credit-note' then -1 else 0 end as sign) s
                where d.route_id = :route and is_document(d.kind)""")
                .param("source", route.sourceId())
                .param("route", route.id())
                .param("currency", route.currency())
                .query(Here.class)
                .single();
        String currency = route.currency();
        List<BothCounts> rows = new ArrayList<>();
        rows.add(new BothCounts("Parties", String.valueOf(here.parties()), asked(there, LedgerCounts::parties)));
        rows.add(new BothCounts("Items", String.valueOf(here.items()), asked(there, LedgerCounts::items)));
        rows.add(new BothCounts("Documents", String.valueOf(here.documents()), ""));
        rows.addAll(notPosted(route));
        rows.add(new BothCounts(
                "Documents posted", String.valueOf(here.posted()), asked(there, LedgerCounts::documents)));
        rows.add(new BothCounts(
                "Sales posted in " + currency + ", gross",
                Amounts.decimal(currency, here.gross()),
                asked(there, LedgerCounts::gross)));
        rows.add(new BothCounts(
                "Paid in " + currency, Amounts.decimal(currency, here.paid()), asked(there, LedgerCounts::paid)));
        rows.add(new BothCounts(
                "Open in " + currency, Amounts.decimal(currency, here.open()), asked(there, LedgerCounts::open)));
        return rows;
    }

    /// By state, as far as there are any; the ledger does not know of these.
    private List<BothCounts> notPosted(RouteRow route) {
        return jdbc.sql("""
                select 'Documents ' || lower(state) as name, count(*)::text as source, '' as ledger from record
                where route_id = :route and state not in ('Posted', 'Diverged') and is_document(kind) group by state order by state""").param("route", route.id()).query(BothCounts.class).list();
    }

    private static String asked(LedgerCounts there, Function<LedgerCounts, Object> figure) {
        Object found = there == null ? "" : figure.apply(there);
        return found instanceof BigDecimal amount ? amount.toPlainString() : String.valueOf(found);
    }

    private static Instant instant(Timestamp at) {
        return at == null ? null : at.toInstant();
    }
}
