package alcabala.server.send;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.trail.Trail;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/// The facts of a sending, each change of state in one transaction with the document's own facts and its trail.
@Component
class Dispatches {
    private static final String WHO = "Alcabala";
    private final JdbcClient jdbc;
    private final Trail trail;
    private final JsonMapper json;
    private final Clock clock;

    /// One document on its way.
    ///
    /// @param readVersion the ledger's version that it replaces; null for one that is not there yet
    record Dispatch(
            long id,
            long batchId,
            long documentId,
            long routeId,
            UUID idempotencyKey,
            String outcome,
            int attempts,
            Integer readVersion,
            int version) {
        /// Whether it goes in the place of what stands on the ledger.
        boolean inPlace() {
            return readVersion != null;
        }

        Dispatch sending() {
            return new Dispatch(
                    id, batchId, documentId, routeId, idempotencyKey, "sending", attempts, readVersion, version + 1);
        }
    }

    Dispatches(JdbcClient jdbc, Trail trail, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.trail = trail;
        this.json = json;
        this.clock = clock;
    }

    /// The day of the batch in which a document went for the first time, where the business is.
    LocalDate dayOf(Dispatch dispatch) {
        Instant made = jdbc.sql("""
                select b.created_at from dispatch p join batch b on b.id = p.batch_id
                where p.document_id = :document and (p.ledger_ref is not null or p.id = :id) order by p.id limit 1""")
                .param("document", dispatch.documentId())
                .param("id", dispatch.id())
                .query(Timestamp.class)
                .single()
                .toInstant();
        return LocalDate.ofInstant(made, clock.getZone());
    }

    /// The next one of a batch that is not settled; what was on the wire when a process died comes first.
    Optional<Dispatch> findNext(long batchId) {
        return jdbc.sql("""
                select p.id, p.batch_id, p.document_id, b.route_id, p.idempotency_key, p.outcome, p.attempts, p.read_version,
                    p.version
                from dispatch p join batch b on b.id = p.batch_id
                where p.batch_id = :batch and p.outcome in ('sending', 'unconfirmed', 'queued')
                order by case p.outcome when 'sending' then 0 when 'unconfirmed' then 1 else 2 end, p.id
                limit 1""").param("batch", batchId).query(Dispatch.class).optional();
    }

    /// Written before the request leaves, so that a crash afterwards is known to have left it open.
    @Transactional
    void sending(Dispatch dispatch, int revision, String request) {
        move(dispatch, "sending");
        jdbc.sql("""
                update dispatch set attempts = attempts + 1, revision = :revision, request = cast(:request as jsonb),
                    sent_at = :now where id = :id""")
                .param("revision", revision)
                .param("request", request)
                .param("now", Timestamp.from(clock.instant()))
                .param("id", dispatch.id())
                .update();
        if (!dispatch.inPlace()) {
            jdbc.sql("update document set outcome_revision = :revision where id = :id")
                    .param("revision", revision)
                    .param("id", dispatch.documentId())
                    .update();
        }
        trail(
                dispatch,
                dispatch.inPlace() ? "sent-in-place" : "sent",
                Map.of("key", dispatch.idempotencyKey(), "request", json.readTree(request)));
    }

    @Transactional
    void unconfirmed(Dispatch dispatch, String reason) {
        move(dispatch, "unconfirmed");
        trail(dispatch, "answer-lost", Map.of("key", dispatch.idempotencyKey(), "reason", reason));
    }

    /// The ledger did not even answer the question: it stays unconfirmed, and the next pause is longer.
    @Transactional
    void askedInVain(Dispatch dispatch) {
        move(dispatch, "unconfirmed");
        jdbc.sql("update dispatch set attempts = attempts + 1 where id = :id")
                .param("id", dispatch.id())
                .update();
    }

    /// The ledger was asked and never did it: it goes again, under the same key.
    @Transactional
    void notThere(Dispatch dispatch) {
        move(dispatch, "queued");
        trail(dispatch, "asked", Map.of("key", dispatch.idempotencyKey(), "answer", "the ledger does not have it"));
    }

    /// Nothing was done; it stays queued for the next try, which counts once, whether the request left or not.
    @Transactional
    void later(Dispatch dispatch, String reason) {
        move(dispatch, "queued");
        jdbc.sql("update dispatch set attempts = :attempts, sentence = :reason where id = :id")
                .param("attempts", dispatch.attempts() + 1)
                .param("reason", reason)
                .param("id", dispatch.id())
                .update();
    }

    /// Given up for now: a failure on the way, which a person may retry.
    @Transactional
    void unreached(Dispatch dispatch, String sentence) {
        move(dispatch, "unreached");
        jdbc.sql("update dispatch set sentence = :sentence where id = :id")
                .param("sentence", sentence)
                .param("id", dispatch.id())
                .update();
        if (dispatch.inPlace()) {
            refuse(dispatch, "unreached");
        }
        trail(dispatch, "given-up", Map.of("reason", sentence));
    }

    @Transactional
    void refused(Dispatch dispatch, int revision, int status, String code, String sentence, String raw) {
        move(dispatch, "refused");
        jdbc.sql("""
                update dispatch set refusal_code = :code, sentence = :sentence, answer_status = :status,
                    answer = cast(:raw as jsonb), answered_at = :now where id = :id""")
                .param("code", code)
                .param("sentence", sentence)
                .param("status", status)
                .param("raw", raw)
                .param("now", Timestamp.from(clock.instant()))
                .param("id", dispatch.id())
                .update();
        refuse(dispatch, code);
        if (!dispatch.inPlace()) {
            jdbc.sql("update document set outcome_revision = :revision where id = :id")
                    .param("revision", revision)
                    .param("id", dispatch.documentId())
                    .update();
        }
        trail(dispatch, "refused", Map.of("status", status, "code", code, "sentence", sentence));
    }

    private void refuse(Dispatch dispatch, String code) {
        jdbc.sql("update document set refusal = :code where id = :id")
                .param("code", code)
                .param("id", dispatch.documentId())
                .update();
    }

    /// @param how `answered`, or `asked` when the ledger was asked after a lost answer
    @Transactional
    void posted(Dispatch dispatch, LedgerRecord record, int status, String how) {
        move(dispatch, "posted");
        String body = json.writeValueAsString(record);
        // Somebody may have changed it there since; the news of that came before the answer.
        LedgerRecord latest = findSeen(dispatch)
                .filter(seen -> seen.version() > record.version())
                .orElse(record);
        Timestamp now = Timestamp.from(clock.instant());
        jdbc.sql("""
                update dispatch set ledger_ref = :ref, answer_status = :status, answer = cast(:body as jsonb),
                    answered_at = :now, sentence = '' where id = :id""")
                .param("ref", record.id())
                .param("status", status)
                .param("body", body)
                .param("now", now)
                .param("id", dispatch.id())
                .update();
        jdbc.sql("""
                update document set ledger_ref = :ref, ledger_number = :number, ledger_version = :version,
                    ledger_gross = :gross, ledger_due = :due, paid = :paid, crossed_at = :now, refusal = '',
                    ledger_differs = :differs,
                    outcome_revision = (select revision from dispatch where id = :dispatch)
                where id = :id""")
                .param("dispatch", dispatch.id())
                .param("ref", record.id())
                .param("number", latest.number())
                .param("version", latest.version())
                .param("gross", minor(latest.gross()))
                .param("due", latest.due(), java.sql.Types.DATE)
                .param("paid", minor(latest.paid()))
                .param("differs", Agreement.isBroken(record, latest))
                .param("now", now)
                .param("id", dispatch.documentId())
                .update();
        jdbc.sql("""
                insert into link (document_id, ledger_id, ledger_ref, baseline, ledger_now, seen_at)
                select :id, ledger_id, :ref, cast(:body as jsonb), cast(:latest as jsonb), :now from route where id = :route
                on conflict (document_id) do update set ledger_id = excluded.ledger_id, ledger_ref = excluded.ledger_ref,
                    baseline = excluded.baseline,
                    ledger_now = excluded.ledger_now, seen_at = excluded.seen_at""")
                .param("id", dispatch.documentId())
                .param("route", dispatch.routeId())
                .param("ref", record.id())
                .param("body", body)
                .param("latest", json.writeValueAsString(latest))
                .param("now", now)
                .update();
        trail(dispatch, how, Map.of("status", status, "answer", json.readTree(body)));
    }

    /// What the ledger was last seen to have of it.
    private Optional<LedgerRecord> findSeen(Dispatch dispatch) {
        return jdbc.sql("select ledger_now from link where document_id = :id")
                .param("id", dispatch.documentId())
                .query(String.class)
                .optional()
                .map(seen -> json.readValue(seen, LedgerRecord.class));
    }

    /// Finished when nothing of it is open; done once.
    @Transactional
    void finish(long batchId) {
        jdbc.sql("""
                update batch set finished_at = :now where id = :id and finished_at is null and not exists (
                    select 1 from dispatch where batch_id = :id and outcome in ('queued', 'sending', 'unconfirmed'))""")
                .param("now", Timestamp.from(clock.instant()))
                .param("id", batchId)
                .update();
    }

    static long minor(BigDecimal amount) {
        return amount.setScale(2).unscaledValue().longValueExact();
    }

    /// Compare-and-set on the dispatch: another process that got here first wins, and this one stops.
    private void move(Dispatch dispatch, String outcome) {
        int rows = jdbc.sql("""
                update dispatch set outcome = :outcome, version = version + 1 where id = :id and version = :version""")
                .param("outcome", outcome)
                .param("id", dispatch.id())
                .param("version", dispatch.version())
                .update();
        if (rows != 1) {
            throw new IllegalStateException("dispatch " + dispatch.id() + " was moved by another process");
        }
        boolean stands = dispatch.inPlace() && (outcome.equals("refused") || outcome.equals("unreached"));
        jdbc.sql("update document set outcome = :outcome, version = version + 1 where id = :id")
                .param("outcome", stands ? "posted" : outcome)
                .param("id", dispatch.documentId())
                .update();
    }

    private void trail(Dispatch dispatch, String action, Map<String, Object> detail) {
        Map<String, Object> with = new java.util.LinkedHashMap<>(detail);
        with.put("batch", dispatch.batchId());
        trail.write(dispatch.routeId(), dispatch.documentId(), WHO, action, with);
    }
}
