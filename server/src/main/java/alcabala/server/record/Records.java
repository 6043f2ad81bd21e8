package alcabala.server.record;

import alcabala.accounting.record.Record;
import alcabala.server.access.RouteScope;
import alcabala.server.access.Sight;
import alcabala.server.platform.KeptFindings;
import alcabala.server.platform.Like;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Sentence;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Reads documents: one, a page by key, sums by state, causes.
@Component
public class Records {
    private final JdbcClient jdbc;

    /// One document without its content. Amounts are minor units.
    public record Row(
            long id,
            long routeId,
            String sourceRef,
            String number,
            String kind,
            String origin,
            String partyCode,
            String partyName,
            LocalDate issueDate,
            LocalDate dueDate,
            String currency,
            long net,
            long tax,
            long gross,
            String state,
            int revision,
            String cause,
            String landsIn,
            String taxCodes,
            long rounding,
            String refusal,
            String ledgerRef,
            String ledgerNumber,
            int ledgerVersion,
            Long ledgerGross,
            LocalDate ledgerDue,
            long paid,
            Instant crossedAt,
            int findings,
            Sentence said,
            boolean leftAlone) {}

    /// What a list can be ordered by, with the column behind each.
    public enum Order {
        DATE("issue_date", "date"),
        NUMBER("number", "text"),
        PARTY("party_name", "text"),
        GROSS("gross", "bigint");

        private final String column;
        private final String type;

        Order(String column, String type) {
            this.column = column;
            this.type = type;
        }
    }

    /// @param after the last row of the page before: its value in the order's column, a space, its id; null for the
    /// first
    /// @param skip how many rows are passed over
    public record Page(RecordFilter filter, Order order, boolean descending, String after, int skip, int limit) {
        public Page with(int otherLimit) {
            return new Page(filter, order, descending, after, skip, otherLimit);
        }
    }

    /// What nobody is asked about any more: a state to whoever looks for records, and a condition on `record d`.
    public static final String LEFT = "Left alone";

    public static final String LEFT_ALONE = "exists (select 1 from left_alone x where x.record_id = d.id)";

    /// What was sent and does not stand as it should; a condition on `record d`.
    public static final String HELD = """
            (d.state in ('Refused', 'Unconfirmed', 'Diverged')
                or d.state in ('Ready', 'Blocked', 'Waiting') and d.outcome = 'unreached') and not\s""" + LEFT_ALONE;

    /// @param gross minor units by currency
    public record Sum(String state, int count, Map<String, Long> gross) {}

    /// Documents blocked or refused by one cause.
    ///
    /// @param first how many of them are listed under it, since it is their first cause
    /// @param amounts minor units by currency
    public record Cause(String cause, Sentence said, int documents, Map<String, Long> amounts, int first) {}

    private record SumRow(String state, String currency, int count, long gross) {}

    private record CauseRow(
            String cause,
            String kind,
            String facts,
            String sentence,
            String currency,
            int documents,
            long amount,
            int first) {
        Sentence said() {
            return kind.isEmpty() ? Sentence.plain(sentence) : KeptFindings.sentence(kind, facts);
        }
    }

    /// @param kind `PARTY`, `ITEM` or `ACCOUNT`
    public record Code(String kind, String code, String name, String route) {}

    Records(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    public Row get(long id) {
        return find(id).orElseThrow(() -> NotPossibleException.missing("document " + id));
    }

    /// What somebody may not look at is not there for her.
    public Row get(long id, Sight sight) {
        return find(id, sight).orElseThrow(() -> NotPossibleException.missing("document " + id));
    }

    public Optional<Row> find(long id) {
        return find(id, Sight.ALL);
    }

    private Optional<Row> find(long id, Sight sight) {
        return jdbc.sql(SELECT + " where d.id = :id" + sight.ofDocuments()
                        + " and (:scope = '' or d.route_id in (select id from route where code = :scope))")
                .param("id", id)
                .param("scope", RouteScope.find().orElse(""))
                .param("viewer", sight.onlyOf())
                .query(Records::row)
                .optional();
    }

    /// The number that a posted invoice of the route has on the ledger, by its number on the source.
    public Optional<String> findLedgerNumber(long routeId, String number) {
        return number.isEmpty()
                ? Optional.empty()
                : jdbc.sql("""
                        select ledger_number from record
                        where route_id = :route and number = :number and kind = 'invoice' and outcome = 'posted'
                            and ledger_number is not null order by id desc limit 1""")
                        .param("route", routeId)
                        .param("number", number)
                        .query(String.class)
                        .optional();
    }

    /// As its source states it now.
    ///
    /// @throws NotPossibleException when there is none
    public Record record(long id) {
        return jdbc.sql("select " + Stored.COLUMN + " from record d" + Stored.JOIN + "where d.id = :id")
                .param("id", id)
                .query((row, n) -> Stored.record(row.getString("content")))
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("record " + id));
    }

    /// The same, where it is on this route.
    ///
    /// @throws NotPossibleException when there is none
    public Record record(long routeId, long id) {
        if (find(id).filter(row -> row.routeId() == routeId).isEmpty()) {
            throw NotPossibleException.missing("record " + id + " on this route");
        }
        return record(id);
    }

    public List<Row> page(long routeId, Page page) {
        String direction = page.descending() ? "desc" : "asc";
        Map<String, Object> parameters = new HashMap<>(page.filter().parameters());
        parameters.put("route", routeId);
        parameters.put("limit", page.limit());
        parameters.put("skip", page.skip());
        String beyond = "";
        if (page.after() != null && !page.after().isBlank()) {
            int space = page.after().lastIndexOf(' ');
            parameters.put("value", page.after().substring(0, space));
            parameters.put("id", Long.parseLong(page.after().substring(space + 1)));
            beyond = " and (d.%s, d.id) %s (cast(:value as %s), :id)"
                    .formatted(page.order().column, page.descending() ? "<" : ">", page.order().type);
        }
        String meant = " where d.route_id = :route" + page.filter().sql() + beyond;
        String order = " order by d.%s %s, d.id %s".formatted(page.order().column, direction, direction);
        return jdbc.sql(SELECT
                        + (page.skip() == 0
                                ? meant + order + " limit :limit"
                                // What is passed over is counted, and nothing else of it is looked up.
                                : " where d.id = any(array(select d.id from record d" + meant + order
                                        + " limit :limit offset :skip))" + order))
                .params(parameters)
                .query(Records::row)
                .list();
    }

    /// The key of a row in an order, to go on from.
    public static String key(Row row, Order order) {
        String value = switch (order) {
            case DATE -> row.issueDate().toString();
            case NUMBER -> row.number();
            case PARTY -> row.partyName();
            case GROSS -> String.valueOf(row.gross());
        };
        return value + " " + row.id();
    }

    public List<Sum> sums(long routeId, RecordFilter filter) {
        Map<String, Sum> byState = new LinkedHashMap<>();
        jdbc.sql("""
                select case when\s""" + LEFT_ALONE + " then '" + LEFT + "' else d.state end as state, d.currency, count(*) as count,"
                        + """
                    coalesce(sum(signed(d.kind, d.gross)) filter (where is_document(d.kind)),
                        sum(signed(d.kind, d.gross)), 0) as gross
                from record d where d.route_id = :route""" + filter.sql() + " group by 1, d.currency order by 1, d.currency")
                .params(filter.parameters())
                .param("route", routeId)
                .query(SumRow.class)
                .list()
                .forEach(row -> byState.merge(
                        row.state(),
                        new Sum(row.state(), row.count(), Map.of(row.currency(), row.gross())),
                        (one, other) -> new Sum(
                                one.state(), one.count() + other.count(), together(one.gross(), other.gross()))));
        return List.copyOf(byState.values());
    }

    /// Those that hold up most first.
    public List<Cause> causes(long routeId, RecordFilter filter) {
        Map<String, Cause> byCause = new LinkedHashMap<>();
        jdbc.sql("""
                select f.cause, min(f.kind) as kind, min(f.facts::text) as facts, '' as sentence, d.currency, count(*) as documents,
                    coalesce(sum(signed(d.kind, d.gross)) filter (where is_document(d.kind)),
                        sum(signed(d.kind, d.gross)), 0) as amount,
                    count(*) filter (where d.cause = f.cause) as first
                from record d join finding f on f.record_id = d.id
                where d.route_id = :route and d.state = 'Blocked' and f.severity = 'blocks' and not\s""" + LEFT_ALONE + filter.sql() + """
                 group by f.cause, d.currency
                union all
                select 'refused:' || d.refusal, '', '{}', min(p.sentence), d.currency, count(*),
                    coalesce(sum(signed(d.kind, d.gross)) filter (where is_document(d.kind)),
                        sum(signed(d.kind, d.gross)), 0), count(*)
                from record d cross join lateral (
                    select p.sentence from dispatch p where p.record_id = d.id order by p.id desc limit 1) p
                where d.route_id = :route and d.state = 'Refused' and not\s""" + LEFT_ALONE + filter.sql() + """
                 group by d.refusal, d.currency
                order by amount desc, cause""")
                .params(filter.parameters())
                .param("route", routeId)
                .query(CauseRow.class)
                .list()
                .forEach(row -> byCause.merge(
                        row.cause(),
                        new Cause(
                                row.cause(),
                                row.said(),
                                row.documents(),
                                Map.of(row.currency(), row.amount()),
                                row.first()),
                        (one, other) -> new Cause(
                                one.cause(),
                                one.said(),
                                one.documents() + other.documents(),
                                together(one.amounts(), other.amounts()),
                                one.first() + other.first())));
        return List.copyOf(byCause.values());
    }

    private static Map<String, Long> together(Map<String, Long> one, Map<String, Long> other) {
        Map<String, Long> both = new HashMap<>(one);
        other.forEach((currency, minor) -> both.merge(currency, minor, Long::sum));
        return both;
    }

    /// By any of its numbers on either side, or by its party.
    public List<Row> find(String text, int limit) {
        RecordFilter filter = new RecordFilter(null, List.of(), null, null, null, null, text, Sight.ALL);
        return jdbc.sql(SELECT + " where d.route_id > 0" + filter.sql()
                        + " order by d.issue_date desc, d.id desc limit :limit")
                .params(filter.parameters())
                .param("limit", limit)
                .query(Records::row)
                .list();
    }

    /// Parties and items of the sources and accounts of the ledgers, by part of their code or name, each with a route
    /// to look at it on.
    public List<Code> findCodes(String text, int limit) {
        return jdbc.sql("""
                select 'PARTY' as kind, p.code, p.name, r.code as route from source_party p
                    join lateral (select code from route where source_id = p.source_id and leads
                        order by id limit 1) r on true where p.code ilike :text or p.name ilike :text
                union all
                select 'ITEM', i.code, i.name, r.code from source_item i
                    join lateral (select code from route where source_id = i.source_id and leads
                        order by id limit 1) r on true where i.code ilike :text or i.name ilike :text
                union all
                select 'ACCOUNT', a.code, a.name, r.code from ledger_account a
                    join lateral (select code from route where ledger_id = a.ledger_id and leads order by id limit 1) r on true
                    where a.code ilike :text or a.name ilike :text
                order by kind, code limit :limit""")
                .param("text", Like.anywhere(text))
                .param("limit", limit)
                .query(Code.class)
                .list();
    }

    private static Row row(ResultSet row, int n) throws SQLException {
        return new Row(
                row.getLong("id"),
                row.getLong("route_id"),
                row.getString("source_ref"),
                row.getString("number"),
                row.getString("kind"),
                row.getString("origin"),
                row.getString("party_code"),
                row.getString("party_name"),
                row.getObject("issue_date", LocalDate.class),
                row.getObject("due_date", LocalDate.class),
                row.getString("currency"),
                row.getLong("net"),
                row.getLong("tax"),
                row.getLong("gross"),
                row.getString("state"),
                row.getInt("revision"),
                row.getString("cause"),
                row.getString("lands_in"),
                row.getString("tax_codes"),
                row.getLong("rounding"),
                row.getString("refusal"),
                row.getString("ledger_ref"),
                row.getString("ledger_number"),
                row.getInt("ledger_version"),
                row.getObject("ledger_gross", Long.class),
                row.getObject("ledger_due", LocalDate.class),
                row.getLong("paid"),
                row.getTimestamp("crossed_at") == null
                        ? null
                        : row.getTimestamp("crossed_at").toInstant(),
                row.getInt("findings"),
                sentence(row),
                row.getBoolean("left_alone"));
    }

    private static Sentence sentence(ResultSet row) throws SQLException {
        String kind = row.getString("finding_kind");
        String said = row.getString("sentence");
        if (said != null || kind == null) {
            return said == null ? Sentence.NOTHING : Sentence.plain(said);
        }
        return KeptFindings.sentence(kind, row.getString("finding_facts"));
    }

    private static final String SELECT = """
            select d.id, d.route_id, d.source_ref, d.number, d.kind, d.origin, d.party_code, d.party_name, d.issue_date, d.due_date,
                d.currency, d.net, d.tax, d.gross, d.state, d.revision, d.cause, d.lands_in, d.tax_codes, d.rounding, d.refusal,
                d.ledger_ref, d.ledger_number, d.ledger_version, d.ledger_gross, d.ledger_due, d.paid, d.crossed_at,
                (select count(*) from finding f where f.record_id = d.id) as findings,
                case when d.state = 'Refused' or (d.state = 'Diverged' and d.refusal <> '')
                    then (select p.sentence from dispatch p where p.record_id = d.id order by p.id desc limit 1)
                end as sentence,
                f.kind as finding_kind, f.facts as finding_facts,\s""" + LEFT_ALONE + """
             as left_alone
            from record d left join lateral (
                select f.kind, f.facts from finding f where f.record_id = d.id order by f.severity, f.ordinal limit 1) f on true""";
}
