package alcabala.server.mail;

import alcabala.server.mail.Subject.About;
import alcabala.server.record.Hashes;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Mail as it was asked for, and what became of it; and how each route words it.
@Component
class MailStore {
    private final JdbcClient jdbc;

    /// @param batchId null where it is about something else
    /// @param recordId of a banking; null where it is about something else
    /// @param name of what it is about
    /// @param outcome `queued`, `sent` or `failed`
    /// @param sentence why it was not sent, so far or for good
    record Mail(
            long id,
            long routeId,
            Long batchId,
            Long recordId,
            String name,
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

    Optional<Wording> findWording(long route, About about) {
        return jdbc.sql("select recipients, subject, body from mail_wording where route_id = :route and about = :about")
                .param("route", route)
                .param("about", about.name())
                .query((row, n) -> wording(row))
                .optional();
    }

    void keepWording(long route, About about, Wording wording, String who, Instant now) {
        jdbc.sql("""
                insert into mail_wording (route_id, about, recipients, subject, body, changed_at, changed_by)
                values (:route, :about, :recipients, :subject, :body, :now, :who)
                on conflict (route_id, about) do update set recipients = excluded.recipients, subject = excluded.subject,
                    body = excluded.body, changed_at = excluded.changed_at, changed_by = excluded.changed_by""")
                .param("route", route)
                .param("about", about.name())
                .param("recipients", wording.recipients().toArray(String[]::new))
                .param("subject", wording.subject())
                .param("body", wording.body())
                .param("now", Timestamp.from(now))
                .param("who", who)
                .update();
    }

    long insert(Subject subject, Wording filled, String messageId, List<MailFile> files, String who, Instant now) {
        long id = jdbc.sql("""
                insert into mail (route_id, batch_id, record_id, period_from, period_to, name, recipients, subject, body,
                    message_id, asked_at, asked_by)
                values (:route, :batch, :record, :from, :to, :name, :recipients, :subject, :body, :message, :now, :who)
                returning id""")
                .param("route", subject.route().id())
                .param("batch", subject.batch(), Types.BIGINT)
                .param("record", subject.record(), Types.BIGINT)
                .param("from", subject.from(), Types.DATE)
                .param("to", subject.to(), Types.DATE)
                .param("name", subject.name())
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
    List<Mail> of(Subject subject) {
        return jdbc.sql(SELECT + """
                where route_id = :route and batch_id is not distinct from :batch and record_id is not distinct from :record
                    and period_from is not distinct from :from and period_to is not distinct from :to
                order by id desc limit 100""")
                .param("route", subject.route().id())
                .param("batch", subject.batch(), Types.BIGINT)
                .param("record", subject.record(), Types.BIGINT)
                .param("from", subject.from(), Types.DATE)
                .param("to", subject.to(), Types.DATE)
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
                        .param("sent", sentAt == null ? null : Timestamp.from(sentAt), Types.TIMESTAMP)
                        .param("id", before.id())
                        .param("attempts", before.attempts())
                        .update()
                > 0;
    }

    private static Mail mail(ResultSet row, int n) throws SQLException {
        Timestamp sent = row.getTimestamp("sent_at");
        return new Mail(
                row.getLong("id"),
                row.getLong("route_id"),
                row.getObject("batch_id", Long.class),
                row.getObject("record_id", Long.class),
                row.getString("name"),
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
            select id, route_id, batch_id, record_id, name, recipients, subject, body, message_id, asked_at, asked_by, outcome, attempts, sentence, sent_at
            from mail\s""";
}
