package alcabala.server.crossing;

import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.connectors.Kept;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Affected;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Pauses;
import alcabala.server.platform.Telling;
import alcabala.server.trail.Trail;
import io.micrometer.core.instrument.MeterRegistry;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.util.RawValue;

/// The facts of a sending, each change of state in one transaction with the document's own facts and its trail.
@Component
class Dispatches {
    private static final String WHO = "Alcabala";
    private final JdbcClient jdbc;
    private final Queue queue;
    private final Outcomes outcomes;
    private final Landing landing;
    private final Replaced replaced;
    private final EditedThere edited;
    private final Settlements settlements;
    private final Trail trail;
    private final Affected affected;
    private final Pauses pauses;
    private final JsonMapper json;
    private final MeterRegistry meters;
    private final Telling telling;
    private final Clock clock;

    Dispatches(
            JdbcClient jdbc,
            Queue queue,
            Outcomes outcomes,
            Landing landing,
            Replaced replaced,
            EditedThere edited,
            Settlements settlements,
            Trail trail,
            Affected affected,
            Pauses pauses,
            JsonMapper json,
            MeterRegistry meters,
            Telling telling,
            Clock clock) {
        this.telling = telling;
        this.jdbc = jdbc;
        this.queue = queue;
        this.outcomes = outcomes;
        this.landing = landing;
        this.replaced = replaced;
        this.edited = edited;
        this.settlements = settlements;
        this.trail = trail;
        this.affected = affected;
        this.pauses = pauses;
        this.json = json;
        this.meters = meters;
        this.clock = clock;
    }

    /// Written before the request leaves, so that a crash afterwards is known to have left it open.
    @Transactional
    void sending(Dispatch dispatch, LedgerEntry entry, String request) {
        int rows = jdbc.sql("""
                update dispatch set outcome = 'sending', version = version + 1, attempts = attempts + 1,
                    request = cast(:request as jsonb), sent_at = :now, next_at = null
                where id = :id and version = :version""")
                .param("request", request)
                .param("now", now())
                .param("id", dispatch.id())
                .param("version", dispatch.version())
                .update();
        // Of the record it stays queued: whether it waits or is on the wire is no different state of it.
        moved(dispatch, "sending", rows);
        Map<String, Object> told = new LinkedHashMap<>();
        told.put("key", dispatch.idempotencyKey());
        Map<String, String> stood = replaced.by(dispatch, entry);
        if (!stood.isEmpty()) {
            told.put("replaced", stood);
        }
        told.put("request", new RawValue(request));
        trail(dispatch, actionOf(dispatch, entry), told);
    }

    /// What stands there is changed in its place, or taken back.
    private static String actionOf(Dispatch dispatch, LedgerEntry entry) {
        if (!dispatch.inPlace()) {
            return "sent";
        }
        return entry instanceof Cancellation ? "taken-back" : "sent-in-place";
    }

    /// The process that sent it ended before it knew the answer: the ledger is asked at once.
    @Transactional
    void cutOff(Dispatch dispatch) {
        unconfirmed(dispatch, 0, "the server stopped while the request was under way", "");
        jdbc.sql("update dispatch set next_at = null where id = :id")
                .param("id", dispatch.id())
                .update();
    }

    /// The ledger is asked after a pause.
    ///
    /// @param raw what came instead of an answer
    @Transactional
    void unconfirmed(Dispatch dispatch, int status, String reason, String raw) {
        move(dispatch, "unconfirmed");
        jdbc.sql("""
                update dispatch set sentence = :reason, answer_status = nullif(:status, 0), answer = nullif(:raw, ''),
                    next_at = :next where id = :id""")
                .param("reason", reason)
                .param("status", status)
                .param("raw", raw)
                .param("next", after(pauses.after(dispatch.attempts())))
                .param("id", dispatch.id())
                .update();
        trail(
                dispatch,
                "answer-lost",
                Map.of("key", dispatch.idempotencyKey(), "reason", reason, "status", status, "answer", raw));
    }

    /// The ledger did not even answer the question: it stays unconfirmed, and the next pause is longer, until it rests.
    @Transactional
    void askedInVain(Dispatch dispatch, String reason) {
        move(dispatch, "unconfirmed");
        int attempts = dispatch.attempts() + 1;
        boolean rests = attempts >= Pauses.TRIES;
        jdbc.sql("""
                update dispatch set attempts = :attempts, next_at = :next, rests = :rests, sentence = :reason where id = :id""")
                .param("attempts", attempts)
                .param("next", after(pauses.after(attempts)))
                .param("rests", rests)
                .param("reason", Kept.text(reason))
                .param("id", dispatch.id())
                .update();
        if (rests) {
            trail(dispatch, "asking-given-up", Map.of("reason", reason));
        }
    }

    /// The ledger was asked and never did it: it goes again, under the same key, unless that was tried often enough.
    @Transactional
    void notThere(Dispatch dispatch) {
        trail(dispatch, "asked", Map.of("key", dispatch.idempotencyKey(), "answer", "the ledger does not have it"));
        if (dispatch.attempts() >= Pauses.TRIES) {
            unreached(dispatch, "It could not be sent: " + dispatch.sentence() + ".");
            return;
        }
        move(dispatch, "queued");
        jdbc.sql("update dispatch set next_at = null where id = :id")
                .param("id", dispatch.id())
                .update();
    }

    /// Nothing was done; it stays queued for the next try.
    ///
    /// @param attempts how often it was tried by now
    @Transactional
    void later(Dispatch dispatch, int attempts, Duration pause, String reason) {
        move(dispatch, "queued");
        jdbc.sql("update dispatch set attempts = :attempts, sentence = :reason, next_at = :next where id = :id")
                .param("attempts", attempts)
                .param("reason", Kept.text(reason))
                .param("next", after(pauses.after(Math.max(attempts, 1), pause)))
                .param("id", dispatch.id())
                .update();
    }

    /// Given up for now: a failure on the way, which a person may retry.
    @Transactional
    void unreached(Dispatch dispatch, String sentence) {
        move(dispatch, "unreached");
        jdbc.sql("update dispatch set sentence = :sentence, next_at = null where id = :id")
                .param("sentence", Kept.text(sentence))
                .param("id", dispatch.id())
                .update();
        if (dispatch.inPlace()) {
            outcomes.refuse(dispatch.recordId(), "unreached");
            if (!dispatch.back()) {
                edited.heed(dispatch, WHO);
            }
        }
        trail(dispatch, "given-up", Map.of("reason", sentence));
        compileAgain(dispatch);
    }

    /// It was ready, and is not any more: what came up meanwhile is its cause now.
    @Transactional
    void heldBack(Dispatch dispatch, String sentence) {
        unreached(dispatch, "It stays here: " + sentence);
    }

    /// Alcabala itself stumbled over it. What may have left is asked about; the rest waits for a person.
    @Transactional
    void broke(long dispatchId, RuntimeException e) {
        Dispatch dispatch = queue.get(dispatchId);
        String what = "Alcabala itself failed on it (" + e.getClass().getSimpleName() + "); the log says where.";
        switch (dispatch.outcome()) {
            case "sending" -> unconfirmed(dispatch, 0, what, "");
            case "unconfirmed" -> askedInVain(dispatch, what);
            default -> unreached(dispatch, what);
        }
    }

    @Transactional
    void refused(Dispatch dispatch, int status, String code, String sentence, String raw) {
        move(dispatch, "refused");
        jdbc.sql("""
                update dispatch set refusal_code = :code, sentence = :sentence, answer_status = :status,
                    answer = :raw, answered_at = :now, next_at = null where id = :id""")
                .param("code", code)
                .param("sentence", sentence)
                .param("status", status)
                .param("raw", raw)
                .param("now", now())
                .param("id", dispatch.id())
                .update();
        if (dispatch.inPlace() && !dispatch.back()) {
            outcomes.refused(dispatch, code);
            edited.heed(dispatch, WHO);
        } else {
            outcomes.refuse(dispatch.recordId(), code);
        }
        if (!dispatch.inPlace()) {
            outcomes.isOf(dispatch.recordId(), dispatch.id());
        }
        trail(
                dispatch,
                "refused",
                Map.of("status", status, "code", code, "sentence", sentence, "answer", raw, "side", side(dispatch)));
        compileAgain(dispatch);
    }

    /// Whatever was mapped while it was on its way left it alone, and concerns it now.
    private void compileAgain(Dispatch dispatch) {
        affected.compileAgain(dispatch.routeId(), List.of(dispatch.recordId()), WHO, "it came back");
    }

    /// @param how `answered`, or `asked` when the answer had been lost
    @Transactional
    void posted(Dispatch dispatch, LedgerRecord record, int status, String how) {
        String body = json.writeValueAsString(record);
        Instant now = clock.instant();
        int rows = jdbc.sql("""
                update dispatch set outcome = 'posted', version = version + 1, ledger_ref = :ref, answer_status = :status,
                    answer = :body, answered_at = :now, sentence = '', next_at = null
                where id = :id and version = :version""")
                .param("ref", record.id())
                .param("status", status)
                .param("body", body)
                .param("now", Timestamp.from(now))
                .param("id", dispatch.id())
                .param("version", dispatch.version())
                .update();
        moved(dispatch, "posted", rows);
        landing.take(dispatch, record, now, WHO);
        trail(
                dispatch,
                dispatch.undoes() ? "undone" : how,
                Map.of("status", status, "answer", new RawValue(body), "side", side(dispatch)));
        settlements.became(dispatch);
    }

    /// The side that answered.
    private static String side(Dispatch dispatch) {
        return dispatch.back() ? "source" : "ledger";
    }

    /// The ledger is left alone until somebody says so: what may have arrived rests, what has not is given up.
    @Transactional
    void leaveAlone(long batchId, int failures, String reason) {
        String sentence =
                "The ledger was tried %d times in a row; the last time: %s. Nothing of this was sent; retry when it answers again."
                        .formatted(failures, reason);
        for (Dispatch each : queue.findOpen(batchId)) {
            if (each.outcome().equals("queued")) {
                unreached(each, sentence);
            } else {
                move(each, "unconfirmed");
                jdbc.sql("update dispatch set rests = true where id = :id")
                        .param("id", each.id())
                        .update();
                trail(each, "asking-given-up", Map.of("reason", reason));
            }
        }
        queue.reached(batchId);
    }

    /// Compare-and-set on the dispatch: another process that got here first wins, and this one stops.
    private void move(Dispatch dispatch, String outcome) {
        int rows = jdbc.sql("""
                update dispatch set outcome = :outcome, version = version + 1 where id = :id and version = :version""")
                .param("outcome", outcome)
                .param("id", dispatch.id())
                .param("version", dispatch.version())
                .update();
        moved(dispatch, outcome, rows);
        boolean stands = dispatch.inPlace() && (outcome.equals("refused") || outcome.equals("unreached"));
        outcomes.become(dispatch.recordId(), stands ? "posted" : outcome);
    }

    private void moved(Dispatch dispatch, String outcome, int rows) {
        if (rows != 1) {
            throw new MovedMeanwhileException(dispatch.id());
        }
        telling.tell(Topic.BATCHES, dispatch.routeId(), null, dispatch.batchId());
        meters.counter("alcabala.dispatch.outcomes", "outcome", outcome).increment();
    }

    private Timestamp now() {
        return Timestamp.from(clock.instant());
    }

    private Timestamp after(Duration pause) {
        return Timestamp.from(clock.instant().plus(pause));
    }

    private void trail(Dispatch dispatch, String action, Map<String, Object> detail) {
        Map<String, Object> with = new LinkedHashMap<>(detail);
        with.put("batch", dispatch.batchId());
        trail.write(dispatch.routeId(), dispatch.recordId(), WHO, action, with);
    }
}
