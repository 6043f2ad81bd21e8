package alcabala.server.crossing;

import java.util.UUID;

/// One posting on its way.
///
/// @param readVersion the ledger's version that it replaces; null for one that is not there yet
/// @param postingId what goes; null for one that is only asked about
/// @param sentence what came instead of an answer the last time; empty when nothing did
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
        int version) {
    /// Its row, to be narrowed by a condition on `p`.
    static final String SELECT = """
            select p.id, p.batch_id, p.record_id, b.route_id, p.idempotency_key, p.outcome, p.attempts, p.read_version,
                p.posting_id, p.sentence, p.version
            from dispatch p join batch b on b.id = p.batch_id
            """;

    /// Whether it goes in the place of what stands on the ledger.
    boolean inPlace() {
        return readVersion != null;
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
                version + 1);
    }
}
