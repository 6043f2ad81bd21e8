package alcabala.server.crossing;

import alcabala.accounting.field.Half;
import alcabala.accounting.field.SourceHalf;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.LineMatch;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.DocumentJson;
import alcabala.server.record.Revisions;
import alcabala.server.record.Stored;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/// The permanent pairs of a record and the ledger's, each with its baseline: by field, a half for each side in its own
/// codes, as that side answered it (synchronisation, "the merge of one field").
@Component
public class Links {
    private final JdbcClient jdbc;
    private final Revisions revisions;
    private final JsonMapper json;

    Links(JdbcClient jdbc, Revisions revisions, JsonMapper json) {
        this.jdbc = jdbc;
        this.revisions = revisions;
        this.json = json;
    }

    /// What the ledger was last seen to have of a record.
    public Optional<LedgerRecord> findSeen(long recordId) {
        return jdbc.sql("select ledger_now from link where record_id = :id")
                .param("id", recordId)
                .query(String.class)
                .optional()
                .map(this::record);
    }

    /// A linked record as both sides last agreed on it, and as the ledger was last seen to have it.
    public record Pair(Both<Half> halves, LedgerRecord now) {}

    public Optional<Pair> find(long recordId) {
        return jdbc.sql("select source_half, ledger_half, ledger_now from link where record_id = :id")
                .param("id", recordId)
                .query((row, n) -> pair(row))
                .optional();
    }

    /// By the numbers of the records; those that are not linked are not among them.
    public Map<Long, Pair> findAll(Collection<Long> recordIds) {
        Map<Long, Pair> found = new HashMap<>();
        jdbc.sql("select record_id, source_half, ledger_half, ledger_now from link where record_id = any(:ids)")
                .param("ids", recordIds.toArray(Long[]::new))
                .query(row -> {
                    found.put(row.getLong("record_id"), pair(row));
                });
        return found;
    }

    private Pair pair(ResultSet row) throws SQLException {
        return new Pair(
                new Both<>(read(row.getString("source_half")), read(row.getString("ledger_half"))),
                record(row.getString("ledger_now")));
    }

    /// What is known of a pair when the answer comes.
    ///
    /// @param sourceHalf of the revision that went
    /// @param halves as they were before
    /// @param asks fields about which a person is asked still
    record Before(Optional<LedgerRecord> seen, String sourceHalf, Both<Half> halves, List<String> asks) {
        /// What is agreed on with an answer: of what is asked about, what was agreed on before.
        Half agreed(Half answered) {
            Map<String, String> values = new HashMap<>(answered.values());
            Map<Integer, Integer> places = LineMatch.places(halves.source(), read(sourceHalf));
            for (String field : asks) {
                Optional<String> now = Half.isLine(field)
                        ? Optional.ofNullable(places.get(Half.position(field))).map(Half::line)
                        : Optional.of(field);
                String before = halves.ledger().values().get(field);
                now.ifPresent(name -> values.compute(name, (same, answer) -> before));
            }
            return new Half(values);
        }
    }

    Before before(Dispatch dispatch) {
        return jdbc.sql("""
                select (select ledger_now from link where record_id = :id) as seen,
                    (select source_half from posting where id = :posting) as half,
                    l.source_half, l.ledger_half,
                    (select asks from dispatch where id = :dispatch) as asks
                from (values (1)) one left join link l on l.record_id = :id""")
                .param("dispatch", dispatch.id())
                .param("id", dispatch.recordId())
                .param("posting", dispatch.postingId(), Types.BIGINT)
                .query((row, n) -> new Before(
                        Optional.ofNullable(row.getString("seen")).map(this::record),
                        Optional.ofNullable(row.getString("half"))
                                .orElseGet(() -> write(sourceHalf(dispatch.recordId()))),
                        new Both<>(orNone(row.getString("source_half")), orNone(row.getString("ledger_half"))),
                        List.of((String[]) row.getArray("asks").getArray())))
                .single();
    }

    private static Half orNone(String kept) {
        return read(Objects.requireNonNullElse(kept, "{}"));
    }

    private LedgerRecord record(String kept) {
        return json.readValue(kept, LedgerRecord.class);
    }

    /// @param agreed as the ledger answered it
    /// @param half what of it both sides agree on
    /// @param latest what it is known to have by now
    void agree(Dispatch dispatch, Before before, LedgerRecord agreed, Half half, LedgerRecord latest, Instant now) {
        jdbc.sql("""
                insert into link (record_id, ledger_id, ledger_ref, source_half, ledger_half, ledger_now, seen_at)
                select :id, ledger_id, :ref, cast(:source as jsonb), cast(:ledger as jsonb), cast(:latest as jsonb), :now
                from route where id = :route
                on conflict (record_id) do update set ledger_id = excluded.ledger_id, ledger_ref = excluded.ledger_ref,
                    source_half = excluded.source_half, ledger_half = excluded.ledger_half,
                    ledger_now = excluded.ledger_now, seen_at = excluded.seen_at, reconstructed = false""")
                .param("id", dispatch.recordId())
                .param("route", dispatch.routeId())
                .param("ref", agreed.id())
                .param("source", before.sourceHalf())
                .param("ledger", write(half))
                .param("latest", json.writeValueAsString(latest))
                .param("now", Timestamp.from(now))
                .update();
    }

    /// What was entered on the ledger is paired from the start; its source's half is what it was told, until it
    /// answers. What was changed there since begins anew.
    public void entered(long recordId, long ledgerId, LedgerRecord there, Half source, Instant now) {
        release(recordId);
        pair(recordId, ledgerId, there, source, now, false);
    }

    /// @return false when it was not paired by having been taken over
    boolean takeApart(long recordId) {
        return jdbc.sql("delete from link where record_id = :id and taken_over")
                        .param("id", recordId)
                        .update()
                > 0;
    }

    /// What stood there is not there any more, and somebody said that it is void.
    void takenThere(long recordId) {
        jdbc.sql("update link set ledger_now = jsonb_set(ledger_now, '{taken}', 'true') where record_id = :id")
                .param("id", recordId)
                .update();
    }

    /// What it stood for is free to be paired with another record of ours.
    void release(long recordId) {
        jdbc.sql("delete from link where record_id = :id").param("id", recordId).update();
    }

    /// What each has is what is agreed on; what was entered there waits no more to be brought to its source, unless it
    /// was changed there in this moment.
    ///
    /// @param takenOver whether both sides had it before anything crossed
    void pair(long recordId, long ledgerId, LedgerRecord there, Half source, Instant now, boolean takenOver) {
        jdbc.sql("""
                insert into link (record_id, ledger_id, ledger_ref, source_half, ledger_half, ledger_now, seen_at, taken_over)
                values (:id, :ledger, :ref, cast(:source as jsonb), cast(:half as jsonb), cast(:now as jsonb), :at, :over)""")
                .param("id", recordId)
                .param("ledger", ledgerId)
                .param("ref", there.id())
                .param("source", write(source))
                .param("half", write(there.half()))
                .param("now", json.writeValueAsString(there))
                .param("at", Timestamp.from(now))
                .param("over", takenOver)
                .update();
        jdbc.sql("""
                delete from entered_there
                where ledger_id = :ledger and ledger_ref = :ref and body->>'version' = :version""")
                .param("ledger", ledgerId)
                .param("ref", there.id())
                .param("version", String.valueOf(there.version()))
                .update();
    }

    /// The source answered what it has; of a document, that is what it was told.
    void arrived(long recordId, LedgerRecord there) {
        Half source = there.recordKind().isDocument() ? sourceHalf(recordId) : there.half();
        jdbc.sql("update link set source_half = cast(:source as jsonb) where record_id = :id")
                .param("source", write(source))
                .param("id", recordId)
                .update();
    }

    private Half sourceHalf(long recordId) {
        return SourceHalf.of(Stored.record(revisions.contents(List.of(recordId)).get(recordId)));
    }

    void seen(long recordId, LedgerRecord record, Instant now) {
        jdbc.sql("update link set ledger_now = cast(:body as jsonb), seen_at = :now where record_id = :id")
                .param("body", json.writeValueAsString(record))
                .param("now", Timestamp.from(now))
                .param("id", recordId)
                .update();
    }

    /// Both halves become what each side has; lines stay linked as they are.
    public void settle(long recordId) {
        Pair pair = find(recordId).orElseThrow();
        Both<Half> has = new Both<>(sourceHalf(recordId), pair.now().half());
        Both<Half> settled = LineMatch.linked(pair.halves(), has);
        jdbc.sql("""
                update link set source_half = cast(:source as jsonb), ledger_half = cast(:ledger as jsonb), reconstructed = false
                where record_id = :id""")
                .param("source", write(settled.source()))
                .param("ledger", write(settled.ledger()))
                .param("id", recordId)
                .update();
    }

    private static String write(Half half) {
        return DocumentJson.write(half.values());
    }

    /// @param kept as it stands in the table
    static Half read(String kept) {
        Half.Builder half = Half.builder();
        DocumentJson.read(kept, ObjectNode.class)
                .properties()
                .forEach(field -> half.text(field.getKey(), field.getValue().asString()));
        return half.build();
    }
}
