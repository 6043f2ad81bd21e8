package alcabala.server.crossing;

import alcabala.accounting.record.Family;
import alcabala.accounting.record.RecordKind;
import java.util.UUID;

/// One posting on its way, with what has to be known of its record.
///
/// @param readVersion the ledger's version that it replaces; null for one that is not there yet
/// @param postingId what goes; null for one that is only asked about
/// @param sentence what came instead of an answer the last time; empty when nothing did
/// @param back whether it goes back to the source, having been entered on the ledger
/// @param undoes whether it takes back what stands there, which is ready again then
/// @param asksFirst whether the ledger may have it from a time that was taken from us
record Dispatch(
        long id,
        long batchId,
        long recordId,
        long routeId,
        UUID idempotencyKey,
        String outcome,
        int attempts,
        Integer readVersion,
        Long postingId,
        String sentence,
        int version,
        int revision,
        String sourceRef,
        String currency,
        String ledgerRef,
        String ledgerNumber,
        boolean asksFirst,
        String kind,
        boolean back,
        boolean undoes) {
    /// Its row, to be narrowed by a condition on `p`.
    static final String SELECT = """
            select p.id, p.batch_id, p.record_id, b.route_id, p.idempotency_key, p.outcome, p.attempts, p.read_version,
                p.posting_id, p.sentence, p.version, coalesce(p.revision, 0) as revision, d.source_ref, d.currency, d.ledger_ref,
                d.ledger_number, coalesce(g.asks_first_until > now(), false) as asks_first, d.kind, d.origin = 'ledger' as back,
                p.undoes is not null as undoes
            from dispatch p join batch b on b.id = p.batch_id join record d on d.id = p.record_id
                join route t on t.id = b.route_id left join ledger g on g.id = t.ledger_id
            """;

    /// Whether it goes in the place of what stands on the ledger.
    boolean inPlace() {
        return readVersion != null;
    }

    Family family() {
        return RecordKind.of(kind).family();
    }

    Dispatch sending() {
        return new Dispatch(
                id,
                batchId,
                recordId,
                routeId,
                idempotencyKey,
                "sending",
                attempts + 1,
                readVersion,
                postingId,
                sentence,
                version + 1,
                revision,
                sourceRef,
                currency,
                ledgerRef,
                ledgerNumber,
                asksFirst,
                kind,
                back,
                undoes);
    }
}
