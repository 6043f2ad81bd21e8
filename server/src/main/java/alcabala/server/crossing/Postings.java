package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.posting.PostingKey;
import alcabala.server.platform.Copy;
import alcabala.server.platform.DocumentJson;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sql.DataSource;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What was compiled, frozen when it is queued: the entry, its journal, and the versions it was made under. Added to,
/// and never changed.
@Component
public class Postings {
    private static final int SHAPE = 1;
    private final JdbcClient jdbc;
    private final DataSource dataSource;

    /// A record's posting, of the revision that it was made of.
    public record Made(long recordId, int revision, Posting posting) {}

    private record Versions(Long crosswalk, Long ledger) {}

    Postings(JdbcClient jdbc, DataSource dataSource) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
    }

    /// Within the transaction that queues them, which holds the route.
    ///
    /// @return their numbers, in the same order
    public List<Long> freeze(RouteRow route, List<Made> made, Instant now) {
        if (made.isEmpty()) {
            return List.of();
        }
        List<Long> ids = jdbc.sql(
                        "select nextval(pg_get_serial_sequence('posting', 'id')) from generate_series(1, :count)")
                .param("count", made.size())
                .query(Long.class)
                .list();
        Versions versions = versions(route);
        Copy postings = new Copy();
        Copy records = new Copy();
        Copy lines = new Copy();
        for (int i = 0; i < made.size(); i++) {
            Made each = made.get(i);
            put(postings, ids.get(i), route, versions, each.posting(), now);
            records.value(ids.get(i))
                    .value(each.recordId())
                    .value(each.revision())
                    .endRow();
            put(lines, ids.get(i), each.posting());
        }
        postings.send(
                dataSource,
                "posting (id, route_id, ledger_id, kind, shape, entry, party_name, needs, crosswalk_version, ledger_version,"
                        + " rules, queued_at, source_half)");
        records.send(dataSource, "posting_record (posting_id, record_id, revision)");
        lines.send(
                dataSource,
                "posting_line (posting_id, ordinal, account, tax_code, dimensions, party, day, currency, amount, base_amount)");
        return ids;
    }

    private static void put(Copy copy, long id, RouteRow route, Versions versions, Posting posting, Instant now) {
        copy.value(id)
                .value(route.id())
                .value(route.ledgerId())
                .value(StoredEntry.kind(posting.entry()))
                .value(StoredEntry.SHAPE)
                .value(StoredEntry.write(posting.entry()))
                .value(posting.partyName())
                .value(posting.needs())
                .value(versions.crosswalk())
                .value(versions.ledger())
                .value(Compiler.RULES)
                .value(now)
                .value(DocumentJson.write(posting.source().values()))
                .endRow();
    }

    private static void put(Copy copy, long id, Posting posting) {
        LedgerEntry entry = posting.entry();
        int ordinal = 0;
        for (JournalLine line : posting.journal().lines()) {
            long amount = line.debit().minus(line.credit()).getAmountMinorLong();
            copy.value(id)
                    .value(++ordinal)
                    .value(line.account())
                    .value(line.taxCode())
                    .value(DocumentJson.write(line.key().dimensions()))
                    .value(line.account().equals(entry.controlAccount()) ? entry.party() : "")
                    .value(entry.date())
                    .value(entry.currency().getCode())
                    .value(amount)
                    .value(line.base().getAmountMinorLong())
                    .endRow();
        }
    }

    private Versions versions(RouteRow route) {
        return jdbc.sql("""
                select r.crosswalk_version as crosswalk, l.version as ledger from route r left join ledger l on l.id = r.ledger_id
                where r.id = :route""").param("route", route.id()).query(Versions.class).single();
    }

    /// What stands on the ledger of a record, as it went there last, with its journal turned round.
    public Optional<Posting> findCancelling(long recordId) {
        return jdbc.sql("""
                select posting_id from dispatch where record_id = :record and outcome = 'posted' and posting_id is not null
                order by id desc limit 1""")
                .param("record", recordId)
                .query(Long.class)
                .optional()
                .flatMap(posting -> find(posting).flatMap(frozen -> cancelling(posting, frozen)));
    }

    /// The same for a ledger on which nothing is changed in its place: a document is taken back by its opposite.
    public Optional<Posting> findReversing(long recordId) {
        return jdbc.sql("""
                select posting_id from dispatch where record_id = :record and outcome = 'posted' and posting_id is not null
                order by id desc limit 1""")
                .param("record", recordId)
                .query(Long.class)
                .optional()
                .flatMap(posting -> find(posting)
                        .flatMap(frozen -> frozen.entry() instanceof LedgerDocument document
                                ? Optional.of(new Posting(
                                        document.reversed(document.date()),
                                        journal(posting, document, -1),
                                        source(posting),
                                        frozen.partyName(),
                                        ""))
                                : cancelling(posting, frozen)));
    }

    /// What stands on the ledger of a record, as it was sent.
    ///
    /// @param frozenAt when it was compiled for that
    public record Sent(Instant frozenAt, LedgerEntry entry, Journal journal) {}

    /// Empty for what was not sent from here.
    public Optional<Sent> findSent(long recordId) {
        record Last(long id, Instant frozenAt) {}
        return jdbc.sql("""
                select p.id, p.queued_at from dispatch d join posting p on p.id = d.posting_id
                where d.record_id = :record and d.outcome = 'posted' and not p.reconstructed order by d.id desc limit 1""")
                .param("record", recordId)
                .query((row, n) -> new Last(
                        row.getLong("id"), row.getTimestamp("queued_at").toInstant()))
                .optional()
                .flatMap(last -> find(last.id()).map(frozen -> {
                    LedgerEntry entry = frozen.entry();
                    return new Sent(last.frozenAt(), entry, journal(last.id(), entry, 1));
                }));
    }

    /// What stood on the ledger of a record until a dispatch put another in its place.
    Optional<LedgerEntry> findReplaced(Dispatch by) {
        return jdbc.sql("""
                select posting_id from dispatch
                where record_id = :record and outcome = 'posted' and posting_id is not null and id < :id
                order by id desc limit 1""")
                .param("record", by.recordId())
                .param("id", by.id())
                .query(Long.class)
                .optional()
                .filter(posting -> by.inPlace())
                .flatMap(this::find)
                .map(Frozen::entry);
    }

    private Optional<Posting> cancelling(long id, Frozen frozen) {
        if (!(frozen.entry() instanceof LedgerSettlement sent)) {
            return Optional.empty();
        }
        Cancellation entry = new Cancellation(sent);
        return Optional.of(new Posting(entry, journal(id, sent, -1), source(id), frozen.partyName(), ""));
    }

    /// @param sign -1 for the journal turned round
    private Journal journal(long id, LedgerEntry entry, int sign) {
        Money zero = Money.zero(entry.currency());
        List<JournalLine> lines = jdbc.sql(
                        "select account, tax_code, dimensions, amount, base_amount from posting_line where posting_id = :id order by ordinal")
                .param("id", id)
                .query((row, n) -> {
                    Money amount = Money.ofMinor(entry.currency(), sign * row.getLong("amount"));
                    return new JournalLine(
                            new PostingKey(
                                    row.getString("account"),
                                    row.getString("tax_code"),
                                    DocumentJson.map(row.getString("dimensions"))),
                            amount.isPositive() ? amount : zero,
                            amount.isNegative() ? amount.negated() : zero,
                            Money.ofMinor(entry.rate().to(), sign * row.getLong("base_amount")));
                })
                .list();
        return Journal.of(lines, entry.currency(), entry.rate().to());
    }

    private Half source(long id) {
        return jdbc.sql("select source_half from posting where id = :id")
                .param("id", id)
                .query(String.class)
                .optional()
                .map(Links::read)
                .orElseGet(() -> Half.builder().build());
    }

    /// Empty for a dispatch that only asks.
    Optional<Frozen> find(Dispatch dispatch) {
        return Optional.ofNullable(dispatch.postingId()).flatMap(this::find);
    }

    public Optional<Frozen> find(long id) {
        return Optional.ofNullable(findAll(List.of(id)).get(id));
    }

    /// By their numbers.
    Map<Long, Frozen> findAll(Collection<Long> ids) {
        Map<Long, Frozen> found = new HashMap<>();
        jdbc.sql("select id, kind, shape, entry, party_name, needs from posting where id = any(:ids)")
                .param("ids", ids.toArray(Long[]::new))
                .query(row -> {
                    found.put(row.getLong("id"), frozen(row));
                });
        return found;
    }

    private static Frozen frozen(ResultSet row) throws SQLException {
        return new Frozen(
                StoredEntry.read(row.getString("kind"), row.getInt("shape"), row.getString("entry")),
                row.getString("party_name"),
                row.getString("needs"));
    }
}
