package alcabala.server.crossing;

import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Function;
import java.util.function.IntFunction;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What became of many records at once, since the ledger says so of all of them in one file.
@Component
class FileOutcomes {
    private final JdbcClient jdbc;
    private final Undone undone;

    /// What stands there of one.
    ///
    /// @param half what both sides agree on, and `latest` what stands there, both as JSON
    /// @param gross minor units, as is paid
    record Stands(
            long dispatchId,
            String ref,
            String number,
            LocalDate due,
            long gross,
            long paid,
            boolean differs,
            boolean voided,
            String half,
            String latest,
            String answer) {}

    FileOutcomes(JdbcClient jdbc, Undone undone) {
        this.undone = undone;
        this.jdbc = jdbc;
    }

    /// Compare-and-set: those that are still as they were shown and may go are on their way now.
    ///
    /// @param canGo a condition on `record d`
    /// @return how many
    int leave(List<FileDispatches.Leaving> all, String canGo) {
        return jdbc.sql("""
                update record d set outcome = 'unconfirmed', version = d.version + 1
                from unnest(:ids, :revisions) as s (id, as_shown)
                where d.id = s.id and d.revision = s.as_shown and\s""" + canGo)
                .param("ids", array(all, FileDispatches.Leaving::recordId, Long[]::new))
                .param("revisions", array(all, FileDispatches.Leaving::revision, Integer[]::new))
                .update();
    }

    void insert(long batch, List<FileDispatches.Leaving> all, Instant now) {
        jdbc.sql("""
                insert into dispatch (batch_id, record_id, idempotency_key, outcome, revision, posting_id, attempts, request, sent_at, read_version,
                    undoes)
                select :batch, s.id, gen_random_uuid(), 'unconfirmed', s.revision, s.posting, 1, cast(s.request as jsonb), :now,
                    case when d.ledger_ref is not null then d.ledger_version end, s.undoes
                from unnest(:ids, :revisions, :postings, :requests, :undoes) with ordinality
                        as s (id, revision, posting, request, undoes, n)
                    join record d on d.id = s.id order by s.n""")
                .param("batch", batch)
                .param("ids", array(all, FileDispatches.Leaving::recordId, Long[]::new))
                .param("revisions", array(all, FileDispatches.Leaving::revision, Integer[]::new))
                .param("postings", array(all, FileDispatches.Leaving::postingId, Long[]::new))
                .param("requests", array(all, FileDispatches.Leaving::request, String[]::new))
                .param("undoes", array(all, FileDispatches.Leaving::undoes, Long[]::new))
                .param("now", Timestamp.from(now))
                .update();
    }

    void stand(List<Stands> all, Instant now) {
        Long[] ids = array(all, Stands::dispatchId, Long[]::new);
        jdbc.sql("""
                update dispatch p set outcome = 'posted', version = p.version + 1, ledger_ref = s.ref, answer = s.answer,
                    answered_at = :now, sentence = '', refusal_code = '', next_at = null, rests = false
                from unnest(:ids, :refs, :answers) as s (id, ref, answer) where p.id = s.id""")
                .param("ids", ids)
                .param("refs", array(all, Stands::ref, String[]::new))
                .param("answers", array(all, Stands::answer, String[]::new))
                .param("now", Timestamp.from(now))
                .update();
        jdbc.sql("""
                update record d set outcome = case when s.voided then 'cancelled' else 'posted' end,
                    version = d.version + 1, ledger_ref = s.ref, ledger_number = s.number,
                    ledger_version = 1, ledger_gross = s.gross, ledger_due = s.due, paid = case when d.ledger_ref is null then s.paid else d.paid end, crossed_at = :now, refusal = '',
                    ledger_differs = s.differs, outcome_revision = p.revision
                from unnest(:ids, :refs, :numbers, :grosses, cast(:dues as date[]), :paids, :differs, :voided)
                        as s (id, ref, number, gross, due, paid, differs, voided)
                    join dispatch p on p.id = s.id and p.undoes is null
                where d.id = p.record_id""")
                .param("ids", ids)
                .param("refs", array(all, Stands::ref, String[]::new))
                .param("numbers", array(all, Stands::number, String[]::new))
                .param("grosses", array(all, Stands::gross, Long[]::new))
                .param(
                        "dues",
                        array(
                                all,
                                each -> each.due() == null ? null : each.due().toString(),
                                String[]::new))
                .param("paids", array(all, Stands::paid, Long[]::new))
                .param("differs", array(all, Stands::differs, Boolean[]::new))
                .param("voided", array(all, Stands::voided, Boolean[]::new))
                .param("now", Timestamp.from(now))
                .update();
        jdbc.sql("""
                insert into link (record_id, ledger_id, ledger_ref, source_half, ledger_half, ledger_now, seen_at)
                select p.record_id, r.ledger_id, s.ref, g.source_half, cast(s.half as jsonb), cast(s.latest as jsonb), :now
                from unnest(:ids, :refs, :halves, :latest) as s (id, ref, half, latest) join dispatch p on p.id = s.id and p.undoes is null
                    join batch b on b.id = p.batch_id join route r on r.id = b.route_id join posting g on g.id = p.posting_id
                on conflict (record_id) do update set ledger_id = excluded.ledger_id, ledger_ref = excluded.ledger_ref,
                    source_half = excluded.source_half, ledger_half = excluded.ledger_half,
                    ledger_now = excluded.ledger_now, seen_at = excluded.seen_at, reconstructed = false""")
                .param("ids", ids)
                .param("refs", array(all, Stands::ref, String[]::new))
                .param("halves", array(all, Stands::half, String[]::new))
                .param("latest", array(all, Stands::latest, String[]::new))
                .param("now", Timestamp.from(now))
                .update();
        undone.keep(jdbc.sql("select record_id from dispatch where id = any(:ids) and undoes is not null")
                .param("ids", ids)
                .query(Long.class)
                .list());
    }

    /// What came back without standing there; where it was to take the place of another, that one still stands.
    ///
    /// @param outcome `refused` or `unreached`
    void comeBack(List<Long> dispatches, String outcome, String code, List<String> sentences, Instant now) {
        jdbc.sql("""
                update dispatch p set outcome = :outcome, version = p.version + 1, refusal_code = :code, sentence = s.sentence,
                    answered_at = :now, next_at = null, rests = false
                from unnest(:ids, :sentences) as s (id, sentence) where p.id = s.id""")
                .param("outcome", outcome)
                .param("code", code)
                .param("ids", dispatches.toArray(Long[]::new))
                .param("sentences", sentences.toArray(String[]::new))
                .param("now", Timestamp.from(now))
                .update();
        jdbc.sql("""
                update record d set version = d.version + 1,
                    outcome = case when p.read_version is null then :outcome else 'posted' end,
                    refusal = case when p.read_version is null then :refusal else :outcome end,
                    outcome_revision = case when p.read_version is null then p.revision else d.outcome_revision end
                from dispatch p where d.id = p.record_id and p.id = any(:ids)""")
                .param("outcome", outcome)
                .param("refusal", outcome.equals("refused") ? code : "")
                .param("ids", dispatches.toArray(Long[]::new))
                .update();
    }

    /// Which of them others name, or settle: few, as a rule.
    List<Long> named(List<Long> dispatches) {
        return jdbc.sql("""
                select p.id from dispatch p join record d on d.id = p.record_id
                where p.id = any(:ids) and exists (select 1 from allocation a
                    where a.record_id = d.id or (a.number = d.number and a.kind = d.kind)) order by p.id""")
                .param("ids", dispatches.toArray(Long[]::new))
                .query(Long.class)
                .list();
    }

    void finish(long batch, Instant now) {
        jdbc.sql("""
                update batch set finished_at = case when exists (
                        select 1 from dispatch where batch_id = :id and outcome in ('queued', 'sending', 'unconfirmed'))
                    then null else coalesce(finished_at, :now) end
                where id = :id""")
                .param("id", batch)
                .param("now", Timestamp.from(now), Types.TIMESTAMP)
                .update();
    }

    private static <T, V> V[] array(List<T> all, Function<T, V> of, IntFunction<V[]> into) {
        return all.stream().map(of).toArray(into);
    }
}
