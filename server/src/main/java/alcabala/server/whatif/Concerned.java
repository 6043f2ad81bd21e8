package alcabala.server.whatif;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.posting.PostingKey;
import alcabala.accounting.record.Record;
import alcabala.accounting.whatif.Books;
import alcabala.server.map.RowChecks;
import alcabala.server.platform.DocumentJson;
import alcabala.server.record.Refs;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The records that one row of the crosswalk can make a difference to, some thousand at a time.
@Component
class Concerned {
    private static final int CHUNK = 2000;
    private static final String NOT_CROSSED =
            " and not d.voided and (d.outcome is null or d.outcome in ('refused', 'unreached'))";
    private static final String CROSSED = " and not d.voided and d.outcome = 'posted'";
    private static final String NEXT = " order by d.id limit " + CHUNK;
    private final JdbcClient jdbc;

    /// One record of the source.
    ///
    /// @param day that its source dates it on
    /// @param state as lists say it
    record One(long id, String number, String party, LocalDate day, String state, Record record) {}

    /// One that stands on the ledger.
    ///
    /// @param booked the day that it was booked on there
    /// @param queuedAt when what stands there was compiled; null where it was not sent from here
    /// @param books what was sent, with what was put right since
    /// @param differsThere whether somebody changed it on the ledger
    record Standing(One one, LocalDate booked, Instant queuedAt, Books books, boolean differsThere) {}

    private record Sent(One one, Long posting, Instant queuedAt, boolean differsThere) {}

    Concerned(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    int count(RouteRow route, RowKind kind, String code) {
        return asked(route, kind, code, 0, "select count(*) from record d where ", "")
                .query(Integer.class)
                .single();
    }

    /// How many are being sent at this moment.
    int onTheWay(RouteRow route, RowKind kind, String code) {
        return asked(
                        route,
                        kind,
                        code,
                        0,
                        "select count(*) from record d where ",
                        " and d.outcome in ('queued', 'sending', 'unconfirmed')")
                .query(Integer.class)
                .single();
    }

    /// Those that have not crossed.
    List<One> waiting(RouteRow route, RowKind kind, String code, long after) {
        return asked(
                        route,
                        kind,
                        code,
                        after,
                        "select " + Stored.COLUMN + """
                        , d.id, d.number, d.party_name, d.issue_date, d.state from record d""" + Stored.JOIN + "where ",
                        NOT_CROSSED + NEXT)
                .query((row, n) -> new One(
                        row.getLong("id"),
                        row.getString("number"),
                        row.getString("party_name"),
                        row.getObject("issue_date", LocalDate.class),
                        row.getString("state"),
                        Stored.record(row.getString("content"))))
                .list();
    }

    /// Those that stand on the ledger, each in the revision that went there last. What was told again since, and says
    /// nothing else that counts there, is of the same revision: the latest of these.
    List<Standing> standing(RouteRow route, RowKind kind, String code, long after) {
        List<Sent> sent = asked(route, kind, code, after, "select " + Stored.COLUMN + """
                        , d.id, d.number, d.party_name, d.issue_date, d.state, d.ledger_differs, p.id as posting, p.queued_at
                        from record d
                        left join lateral (
                            select p.id, p.queued_at, pr.revision from dispatch x join posting p on p.id = x.posting_id
                                join posting_record pr on pr.posting_id = p.id and pr.record_id = d.id
                            where x.record_id = d.id and x.outcome = 'posted' order by x.id desc limit 1) p on true
                        join lateral (
                            select v.shape, v.content from record_revision v
                            where v.record_id = d.id and v.revision = coalesce(p.revision, d.revision)
                            order by v.id desc limit 1) v on true
                        where\s""", CROSSED + NEXT)
                .query((row, n) -> new Sent(
                        new One(
                                row.getLong("id"),
                                row.getString("number"),
                                row.getString("party_name"),
                                row.getObject("issue_date", LocalDate.class),
                                row.getString("state"),
                                Stored.record(row.getString("content"))),
                        row.getObject("posting", Long.class),
                        row.getTimestamp("queued_at") == null
                                ? null
                                : row.getTimestamp("queued_at").toInstant(),
                        row.getBoolean("ledger_differs")))
                .list();
        Map<Long, Booking> booked = booked(sent);
        Map<Long, Books> corrected = corrected(sent);
        return sent.stream()
                .map(each -> {
                    Booking booking = booked.get(each.posting());
                    long id = each.one().id();
                    return new Standing(
                            each.one(),
                            booking == null ? each.one().day() : booking.day(),
                            booking == null ? null : each.queuedAt(),
                            (booking == null ? Books.NONE : booking.books())
                                    .plus(corrected.getOrDefault(id, Books.NONE)),
                            each.differsThere());
                })
                .toList();
    }

    private record Booking(LocalDate day, Books books) {}

    private Map<Long, Booking> booked(List<Sent> sent) {
        Map<Long, Booking> booked = new HashMap<>();
        Map<Long, Map<PostingKey, Long>> amounts = new HashMap<>();
        Map<Long, LocalDate> days = new HashMap<>();
        jdbc.sql(
                        "select posting_id as id, account, tax_code, dimensions, base_amount as amount, day from posting_line where posting_id = any(:ids)")
                .param(
                        "ids",
                        sent.stream()
                                .map(Sent::posting)
                                .filter(id -> id != null)
                                .toArray(Long[]::new))
                .query(row -> {
                    days.put(row.getLong("id"), row.getObject("day", LocalDate.class));
                    add(amounts, row);
                });
        amounts.forEach((posting, lines) -> booked.put(posting, new Booking(days.get(posting), new Books(lines))));
        return booked;
    }

    /// What journals that nobody dropped move of each record.
    private Map<Long, Books> corrected(List<Sent> sent) {
        Map<Long, Map<PostingKey, Long>> amounts = new HashMap<>();
        jdbc.sql("""
                select m.record_id as id, m.account, m.tax_code, m.dimensions, m.amount from correction_record m
                    join correction c on c.id = m.correction_id and c.state <> 'DROPPED'
                where m.record_id = any(:ids)""")
                .param("ids", sent.stream().map(each -> each.one().id()).toArray(Long[]::new))
                .query(row -> {
                    add(amounts, row);
                });
        Map<Long, Books> corrected = new HashMap<>();
        amounts.forEach((id, lines) -> corrected.put(id, new Books(lines)));
        return corrected;
    }

    private static void add(Map<Long, Map<PostingKey, Long>> amounts, ResultSet row) throws SQLException {
        PostingKey key = new PostingKey(
                row.getString("account"), row.getString("tax_code"), DocumentJson.map(row.getString("dimensions")));
        amounts.computeIfAbsent(row.getLong("id"), id -> new LinkedHashMap<>())
                .merge(key, row.getLong("amount"), Math::addExact);
    }

    /// Each kind of row is looked for in its own way, so that an index can be used for it.
    private JdbcClient.StatementSpec asked(
            RouteRow route, RowKind kind, String code, long after, String select, String rest) {
        String uses = kind == RowKind.LINE
                ? "d.id = :use"
                : kind.concernsAll() ? "true" : "d.refs @> array[cast(:use as text)]";
        JdbcClient.StatementSpec asked = jdbc.sql(select + "d.route_id = :route and d.id > :after and " + uses + rest)
                .param("route", route.id())
                .param("after", after);
        if (kind.concernsAll()) {
            return asked;
        }
        return kind == RowKind.LINE
                ? asked.param("use", RowChecks.recordOf(code))
                : asked.param("use", Refs.of(kind, code));
    }
}
