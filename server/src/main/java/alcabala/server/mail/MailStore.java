package alcabala.server.mail;

import alcabala.server.record.Hashes;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Mail as it was asked for, and what became of it; and how each route words it.
@Component
class MailStore {
    private final JdbcClient jdbc;

    /// @param outcome `queued`, `sent` or `failed`
    /// @param sentence why it was not sent, so far or for good
    record Mail(
            long id,
            long batchId,
            Wording wording,
            String messageId,
            Instant askedAt,
            String askedBy,
            String outcome,
            int attempts,
            String sentence,
            Instant sentAt) {}

    record MailFile(String name, String mediaType, byte[] content) {}

    MailStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    Optional<Wording> findWording(long route) {
        return jdbc.sql("select recipients, subject, body from mail_wording where route_id = :route")
                .param("route", route)
                .query((row, n) -> wording(row))
                .optional();
    }

    void keepWording(long route, Wording wording, String who, Instant now) {
        jdbc.sql("""
                insert into mail_wording (route_id, recipients, subject, body, changed_at, changed_by)
                values (:route, :recipients, :subject, :body, :now, :who)
                on conflict (route_id) do update set recipients = excluded.recipients, subject = excluded.subject,
                    body = excluded.body, changed_at = excluded.changed_at, changed_by = excluded.changed_by""")
                .param("route", route)
                .param("recipients", wording.recipients().toArray(String[]::new))
                .param("subject", wording.subject())
                .param("body", wording.body())
                .param("now", Timestamp.from(now))
                .param("who", who)
                .update();
    }

    long insert(long batch, Wording filled, String messageId, List<MailFile> files, String who, Instant now) {
        long id = jdbc.sql("""
                insert into mail (batch_id, recipients, subject, body, message_id, asked_at, asked_by)
                values (:batch, :recipients, :subject, :body, :message, :now, :who) returning id""")
                .param("batch", batch)
                .param("recipients", filled.recipients().toArray(String[]::new))
                .param("subject", filled.subject())
                .param("body", filled.body())
                .param("message", messageId)
                .param("now", Timestamp.from(now))
                .param("who", who)
                .query(Long.class)
                .single();
        int ordinal = 0;
        for (MailFile file : files) {
            jdbc.sql("""
                    insert into mail_file (mail_id, ordinal, name, media_type, sha256, content)
                    values (:mail, :ordinal, :name, :type, :hash, :content)""")
                    .param("mail", id)
                    .param("ordinal", ++ordinal)
                    .param("name", file.name())
                    .param("type", file.mediaType())
                    .param("hash", Hashes.sha256(file.content()))
                    .param("content", file.content())
                    .update();
        }
        return id;
    }

    Optional<Mail> find(long id) {
        return jdbc.sql(SELECT + "where id = :id")
                .param("id", id)
                .query(MailStore::mail)
                .optional();
    }

    /// Newest first.
    List<Mail> ofBatch(long batch) {
        return jdbc.sql(SELECT + "where batch_id = :batch order by id desc limit 100")
                .param("batch", batch)
                .query(MailStore::mail)
                .list();
    }

    List<MailFile> files(long mail) {
        return jdbc.sql("select name, media_type, content from mail_file where mail_id = :mail order by ordinal")
                .param("mail", mail)
                .query(MailFile.class)
                .list();
    }

    List<String> fileNames(long mail) {
        return jdbc.sql("select name from mail_file where mail_id = :mail order by ordinal")
                .param("mail", mail)
                .query(String.class)
                .list();
    }

    /// Compare-and-set: what another server settled stays as it is.
    boolean become(Mail before, String outcome, String sentence, Instant sentAt) {
        return jdbc.sql("""
                        update mail set outcome = :outcome, attempts = attempts + 1, sentence = :sentence, sent_at = :sent
                        where id = :id and outcome = 'queued' and attempts = :attempts""")
                        .param("outcome", outcome)
                        .param("sentence", sentence)
                        .param("sent", sentAt == null ? null : Timestamp.from(sentAt), java.sql.Types.TIMESTAMP)
                        .param("id", before.id())
                        .param("attempts", before.attempts())
                        .update()
                > 0;
    }

    private static Mail mail(ResultSet row, int n) throws SQLException {
        Timestamp sent = row.getTimestamp("sent_at");
        return new Mail(
                row.getLong("id"),
                row.getLong("batch_id"),
                wording(row),
                row.getString("message_id"),
                row.getTimestamp("asked_at").toInstant(),
                row.getString("asked_by"),
                row.getString("outcome"),
                row.getInt("attempts"),
                row.getString("sentence"),
                sent == null ? null : sent.toInstant());
    }

    private static Wording wording(ResultSet row) throws SQLException {
        return new Wording(
                List.of((String[]) row.getArray("recipients").getArray()),
                row.getString("subject"),
                row.getString("body"));
    }

    private static final String SELECT = """
            select id, batch_id, recipients, subject, body, message_id, asked_at, asked_by, outcome, attempts, sentence, sent_at
            from mail\s""";
}
