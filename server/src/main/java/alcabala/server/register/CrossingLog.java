package alcabala.server.register;

import alcabala.accounting.record.RecordKind;
import alcabala.server.platform.Like;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Everything that crossed on a route, either way, the newest first: what was sent in batches, what news came of on the
/// ledger, and what either side was told of parties and items.
@Component
class CrossingLog {
    private final JdbcClient jdbc;

    /// Which way something went.
    enum Way {
        TO_LEDGER,
        TO_SOURCE,
        FROM_LEDGER
    }

    /// What is looked for; null or empty leaves it open.
    ///
    /// @param kinds of record; with parties alone where these are asked for and no kind is
    /// @param parties null for those too where no kind is named
    /// @param outcome as a dispatch has it, or `told` for news
    /// @param text part of a number on either side, or of the party's name
    /// @param until before this moment
    record Narrowed(
            Way way,
            List<RecordKind> kinds,
            Boolean parties,
            String outcome,
            String text,
            Instant from,
            Instant until) {
        boolean hasParties() {
            return parties == null ? named().isEmpty() : parties;
        }

        String[] words() {
            boolean all = named().isEmpty() && parties == null;
            return RecordKind.words(kind -> all || named().contains(kind));
        }

        private List<RecordKind> named() {
            return kinds == null ? List.of() : kinds;
        }
    }

    /// Where a page goes on: after the entry of this moment and name.
    record After(Instant at, String name) {}

    /// One crossing.
    ///
    /// @param name of its own, among all entries
    /// @param recordId null for a party
    /// @param kind of record, or `party`
    /// @param number of a party its code
    /// @param date null for a party
    /// @param currency empty for a party
    /// @param action `created`, `changed`, `taken-back`, or what was told
    /// @param outcome as a dispatch has it, or `told`
    /// @param why what was said against it; empty where nothing was
    /// @param batch null for news
    /// @param there the ledger's number of it, or its name there
    record Entry(
            String name,
            Instant at,
            Way way,
            Long recordId,
            String kind,
            String number,
            String party,
            LocalDate date,
            String currency,
            long gross,
            String action,
            String outcome,
            String why,
            Long batch,
            String who,
            String there) {}

    CrossingLog(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// @param after null for the first page
    List<Entry> page(long routeId, Narrowed narrowed, After after, int limit) {
        boolean some = narrowed.text() != null && !narrowed.text().isBlank();
        return jdbc.sql(ENTRIES
                        + (some
                                ? " and (e.record_id in (select f.record_id from record_find f where f.text like lower(:text))"
                                        + " or e.record_id is null and lower(e.code || ' ' || e.named) like lower(:text))"
                                : "")
                        + " order by e.at desc, e.name desc limit :limit")
                .param("route", routeId)
                .param("way", narrowed.way() == null ? null : narrowed.way().name(), Types.VARCHAR)
                .param("kinds", narrowed.words())
                .param("parties", narrowed.hasParties())
                .param("outcome", narrowed.outcome(), Types.VARCHAR)
                .param("from", moment(narrowed.from()), Types.TIMESTAMP)
                .param("until", moment(narrowed.until()), Types.TIMESTAMP)
                .param("text", some ? Like.anywhere(narrowed.text()) : "", Types.VARCHAR)
                .param("afterAt", moment(after == null ? null : after.at()), Types.TIMESTAMP)
                .param("afterName", after == null ? "" : after.name())
                .param("limit", limit)
                .query(CrossingLog::entry)
                .list();
    }

    private static Timestamp moment(Instant instant) {
        return instant == null ? null : Timestamp.from(instant);
    }

    private static Entry entry(ResultSet row, int n) throws SQLException {
        return new Entry(
                row.getString("name"),
                row.getTimestamp("at").toInstant(),
                Way.valueOf(row.getString("way")),
                row.getObject("record_id", Long.class),
                row.getString("kind"),
                row.getString("number"),
                row.getString("party_name"),
                row.getObject("issue_date", LocalDate.class),
                row.getString("currency"),
                row.getLong("gross"),
                row.getString("action"),
                row.getString("outcome"),
                row.getString("why"),
                row.getObject("batch", Long.class),
                row.getString("who"),
                row.getString("there"));
    }

    /// A dispatch that has no answer yet stands where it was made.
    private static final String ENTRIES = """
            select e.*, coalesce(d.kind, e.master) as kind, coalesce(d.number, e.code) as number, coalesce(d.party_name, e.named) as party_name,
                d.issue_date, coalesce(d.currency, '') as currency, coalesce(signed(d.kind, d.gross), 0) as gross,
                coalesce(nullif(d.ledger_number, ''), d.ledger_ref, '') as there
            from (
                select 'd' || lpad(p.id::text, 18, '0') as name, coalesce(p.answered_at, b.created_at) as at,
                    case b.origin when 'ledger' then 'TO_SOURCE' else 'TO_LEDGER' end as way, p.record_id,
                    case when q.kind = 'cancellation' or p.undoes is not null then 'taken-back'
                        when p.read_version is not null then 'changed' else 'created' end as action,
                    p.outcome, coalesce(p.sentence, '') as why, b.id as batch, b.created_by as who, '' as code, '' as named, '' as master
                from batch b join dispatch p on p.batch_id = b.id left join posting q on q.id = p.posting_id
                where b.route_id = :route
                union all
                select 't' || lpad(t.id::text, 18, '0'), t.at, 'FROM_LEDGER', t.record_id, t.action, 'told',
                    coalesce(t.detail->>'reason', ''), null, t.who, '', '', ''
                from trail t
                where t.route_id = :route and t.record_id is not null and t.action in
                    ('payment-brought-back', 'edited-on-ledger', 'agrees-again', 'field-brought-back', 'field-not-brought-back')
                union all
                select 'p' || lpad(t.id::text, 18, '0'), t.at,
                    case t.detail->>'to' when s.name then 'TO_SOURCE' else 'TO_LEDGER' end, null,
                    case when t.action like '%-created-there' then 'created' else 'changed' end,
                    case when t.action like '%-not-%' then 'refused' else 'posted' end,
                    coalesce(t.detail->>'reason', ''), null, t.who, coalesce(t.detail->>'party', t.detail->>'item'),
                    coalesce(t.detail->>'named', t.detail->>'name'), split_part(t.action, '-', 1)
                from trail t join route r on r.id = t.route_id join source s on s.id = r.source_id
                where :parties and t.route_id = :route and t.action in
                    ('party-written', 'party-not-written', 'item-written', 'item-not-written', 'party-created-there',
                     'party-not-created-there', 'item-created-there', 'item-not-created-there')
            ) e left join record d on d.id = e.record_id
            where (e.record_id is null or d.kind = any(:kinds)) and (cast(:way as text) is null or e.way = :way)
                and (cast(:outcome as text) is null or e.outcome = :outcome)
                and (cast(:from as timestamptz) is null or e.at >= :from)
                and (cast(:until as timestamptz) is null or e.at < :until)
                and (cast(:afterAt as timestamptz) is null or (e.at, e.name) < (:afterAt, :afterName))""";
}
