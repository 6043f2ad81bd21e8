package alcabala.server.send;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.server.connect.Routes;
import alcabala.server.jobs.Jobs;
import alcabala.server.map.Compilers;
import alcabala.server.platform.DocumentJson;
import alcabala.server.trail.Trail;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Tries again what failed on its way.
@Component
class Retries {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final BatchHeads heads;
    private final Compilers compilers;
    private final Trail trail;
    private final Jobs jobs;

    Retries(JdbcClient jdbc, Routes routes, BatchHeads heads, Compilers compilers, Trail trail, Jobs jobs) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.heads = heads;
        this.compilers = compilers;
        this.trail = trail;
        this.jobs = jobs;
    }

    private record Failed(
            long id, long documentId, String outcome, boolean inPlace, String posting, int revision, String content) {}

    /// Sends again only what failed on its way, as it compiles now; nothing that the ledger has or has refused, and
    /// nothing whose sums have changed since the batch was shown. What rests is asked about again.
    @Transactional
    int retry(long batch, String who) {
        long routeId = heads.routeOf(batch);
        routes.lock(routeId);
        Compiler compiler = compilers.of(routeId);
        int rows = 0;
        for (Failed each : failed(batch)) {
            rows += each.outcome().equals("unconfirmed") ? askAgain(each) : queueAgain(each, compiler);
        }
        if (rows > 0) {
            jdbc.sql("update batch set finished_at = null, failures = 0 where id = :id")
                    .param("id", batch)
                    .update();
            trail.write(null, null, who, "batch-retried", Map.of("batch", batch, "documents", rows));
            SendTask.schedule(jobs, batch);
        }
        return rows;
    }

    private List<Failed> failed(long batch) {
        return jdbc.sql("""
                select p.id, p.document_id, p.outcome, p.read_version is not null as in_place, p.posting, d.revision, d.content
                from dispatch p join document d on d.id = p.document_id
                where p.batch_id = :batch and p.id = (select max(l.id) from dispatch l where l.document_id = d.id)
                    and ((p.outcome = 'unconfirmed' and p.rests) or (p.outcome = 'unreached'
                        and ((d.outcome = 'unreached' and d.state = 'Ready')
                            or (p.read_version is not null and d.outcome = 'posted' and d.state = 'Diverged'))))
                order by p.id""").param("batch", batch).query(Failed.class).list();
    }

    private int askAgain(Failed failed) {
        return jdbc.sql("""
                update dispatch set rests = false, attempts = 0, next_at = null, version = version + 1 where id = :id""").param("id", failed.id()).update();
    }

    private int queueAgain(Failed failed, Compiler compiler) {
        Document document = DocumentJson.read(failed.content());
        Optional<LedgerDocument> now = compiler.compile(document).ledgerDocument();
        boolean same = now.isPresent()
                && (failed.posting() == null
                        || now.get().hasSumsOf(Posting.read(failed.posting()).document()));
        if (!same) {
            return 0;
        }
        Posting posting = new Posting(now.get(), document.counterparty().name(), document.precedingNumber());
        jdbc.sql("""
                update dispatch set outcome = 'queued', attempts = 0, sentence = '', next_at = null, revision = :revision,
                    posting = cast(:posting as jsonb), version = version + 1
                where id = :id""")
                .param("revision", failed.revision())
                .param("posting", posting.write())
                .param("id", failed.id())
                .update();
        return jdbc.sql("update document set outcome = 'queued', version = version + 1 where id = :id")
                .param("id", failed.documentId())
                .update();
    }
}
