package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.PostingKey;
import alcabala.server.platform.Copy;
import alcabala.server.platform.DocumentJson;
import alcabala.server.route.RouteRow;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

    /// What takes back what stands on the ledger of a record, as it went there last, on its own day. Empty
    /// where nothing of it stands there that went from here.
    public Optional<Posting> findCancelling(long recordId) {
        return findLast(recordId).map(id -> takingBack(id, null));
    }

    /// The same for a ledger on which nothing is changed in its place: a document is taken back by its opposite.
    public Optional<Posting> findReversing(long recordId) {
        return findCancelling(recordId).map(Posting::asEntry);
    }

    /// The last posting of a record that stands there.
    private Optional<Long> findLast(long recordId) {
        return jdbc.sql("""
                select posting_id from dispatch
                where record_id = :record and outcome = 'posted' and posting_id is not null and undoes is null and id > coalesce(
                    (select max(u.id) from dispatch u where u.record_id = :record and u.undoes is not null and u.outcome = 'posted'), 0)
                order by id desc limit 1""")
                .param("record", recordId)
                .query(Long.class)
                .optional()
                .filter(id -> !(find(id).orElseThrow().entry() instanceof Cancellation));
    }

    private Posting takingBack(long id, LocalDate on) {
        return takingBack(Map.of(id, Optional.ofNullable(on))).get(id);
    }

    /// What takes postings back, with their journals turned round.
    ///
    /// @param days by the numbers of postings that take nothing back themselves; empty for their own
    public Map<Long, Posting> takingBack(Map<Long, Optional<LocalDate>> days) {
        Map<Long, Frozen> sent = findAll(days.keySet());
        Map<Long, Half> sources = sources(days.keySet());
        Map<Long, List<Booked>> lines = booked(days.keySet());
        Map<Long, String> parties = parties(days.keySet());
        Map<Long, Posting> taking = new HashMap<>();
        sent.forEach((id, frozen) -> {
            LedgerEntry entry = named(frozen.entry(), parties.getOrDefault(id, ""));
            taking.put(
                    id,
                    new Posting(
                            new Cancellation(entry, days.get(id).orElse(null)),
                            journal(lines.getOrDefault(id, List.of()), entry, -1),
                            sources.getOrDefault(id, Half.builder().build()),
                            frozen.partyName(),
                            ""));
        });
        return taking;
    }

    /// What stands on the ledger of a record, as it was sent.
    ///
    /// @param frozenAt when it was compiled for that
    public record Sent(Instant frozenAt, LedgerEntry entry, Journal journal) {}

    /// Empty for what was not sent from here.
    public Optional<Sent> findSent(long recordId) {
        return findLast(recordId)
                .flatMap(id -> findFrozenAt(id).map(frozenAt -> {
                    LedgerEntry entry = find(id).orElseThrow().entry();
                    return new Sent(frozenAt, entry, journal(booked(Set.of(id)).getOrDefault(id, List.of()), entry, 1));
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

    /// Whoever was created there on first use is known by now.
    private static LedgerEntry named(LedgerEntry entry, String party) {
        return entry instanceof LedgerDocument document
                        && document.partyCounterpart().isEmpty()
                ? document.madeOutTo(party)
                : entry;
    }

    /// The ledger's parties of what stands there, by the numbers of its postings.
    private Map<Long, String> parties(Set<Long> ids) {
        Map<Long, String> parties = new HashMap<>();
        jdbc.sql("""
                select p.posting_id, l.ledger_now->>'party' as party from dispatch p join link l on l.record_id = p.record_id
                where p.posting_id = any(:ids)""").param("ids", ids.toArray(Long[]::new)).query(row -> {
            parties.put(row.getLong("posting_id"), row.getString("party"));
        });
        return parties;
    }

    private Optional<Instant> findFrozenAt(long id) {
        return jdbc.sql("select queued_at from posting where id = :id and not reconstructed")
                .param("id", id)
                .query(Timestamp.class)
                .optional()
                .map(Timestamp::toInstant);
    }

    /// @param amount minor units of the entry, and base those of the books; credits negative
    private record Booked(PostingKey key, long amount, long base) {}

    private Map<Long, List<Booked>> booked(Set<Long> ids) {
        Map<Long, List<Booked>> booked = new HashMap<>();
        jdbc.sql("""
                select posting_id, account, tax_code, dimensions, amount, base_amount from posting_line
                where posting_id = any(:ids) order by posting_id, ordinal""").param("ids", ids.toArray(Long[]::new)).query(row -> {
            PostingKey key = new PostingKey(
                    row.getString("account"), row.getString("tax_code"), DocumentJson.map(row.getString("dimensions")));
            booked.computeIfAbsent(row.getLong("posting_id"), id -> new ArrayList<>())
                    .add(new Booked(key, row.getLong("amount"), row.getLong("base_amount")));
        });
        return booked;
    }

    /// @param sign -1 for the journal turned round
    private static Journal journal(List<Booked> booked, LedgerEntry entry, int sign) {
        Money zero = Money.zero(entry.currency());
        List<JournalLine> lines = booked.stream()
                .map(each -> {
                    Money amount = Money.ofMinor(entry.currency(), sign * each.amount());
                    return new JournalLine(
                            each.key(),
                            amount.isPositive() ? amount : zero,
                            amount.isNegative() ? amount.negated() : zero,
                            Money.ofMinor(entry.rate().to(), sign * each.base()));
                })
                .toList();
        return Journal.of(lines, entry.currency(), entry.rate().to());
    }

    private Map<Long, Half> sources(Set<Long> ids) {
        Map<Long, Half> sources = new HashMap<>();
        jdbc.sql("select id, source_half from posting where id = any(:ids) and source_half is not null")
                .param("ids", ids.toArray(Long[]::new))
                .query(row -> {
                    sources.put(row.getLong("id"), Links.read(row.getString("source_half")));
                });
        return sources;
    }

    /// Empty for a dispatch that only asks.
    Optional<Frozen> find(Dispatch dispatch) {
        return Optional.ofNullable(dispatch.postingId()).flatMap(this::find);
    }

    public Optional<Frozen> find(long id) {
        return Optional.ofNullable(findAll(List.of(id)).get(id));
    }

    /// By their numbers.
    public Map<Long, Frozen> findAll(Collection<Long> ids) {
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
