package alcabala.server.files;

import alcabala.formats.layout.Exported;
import alcabala.formats.layout.InvoiceFacts;
import alcabala.formats.layout.Layout;
import alcabala.formats.layout.LayoutWriter;
import alcabala.formats.layout.Written;
import alcabala.formats.zip.ZipFile;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Hashes;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The files of batches: written once, with their hashes, and never changed.
@Component
public class BatchFiles {
    private final JdbcClient jdbc;
    private final Clock clock;

    public record WrittenFile(
            int ordinal, String name, int bytes, String sha256, Instant writtenAt, String writtenBy) {}

    public record Content(String name, byte[] bytes) {}

    BatchFiles(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// By which the ledger's answer says which file it is about: the batch, and its revision.
    public String delivery(long batch) {
        return jdbc.sql("select 'B' || coalesce(first_id, id) || '.' || revision from batch where id = :id")
                .param("id", batch)
                .query(String.class)
                .single();
    }

    /// Within the transaction that makes the batch.
    public Written write(long batch, Layout layout, List<Exported> records, InvoiceFacts facts, String who) {
        Written written = written(layout, records, facts, delivery(batch));
        requireAllIn(layout, written);
        int ordinal = 0;
        for (Written.File file : written.files()) {
            jdbc.sql("""
                    insert into batch_file (batch_id, ordinal, name, sha256, content, written_at, written_by)
                    values (:batch, :ordinal, :name, :hash, :content, :now, :who)""")
                    .param("batch", batch)
                    .param("ordinal", ++ordinal)
                    .param("name", file.name())
                    .param("hash", Hashes.sha256(file.content()))
                    .param("content", file.content())
                    .param("now", Timestamp.from(clock.instant()))
                    .param("who", who)
                    .update();
        }
        jdbc.sql("""
                insert into batch_layout (batch_id, layout, formulas, gaps)
                values (:batch, cast(:layout as jsonb), cast(:formulas as jsonb), cast(:gaps as jsonb))""")
                .param("batch", batch)
                .param("layout", DocumentJson.write(layout))
                .param("formulas", DocumentJson.write(written.formulas()))
                .param("gaps", DocumentJson.write(written.gaps()))
                .update();
        return written;
    }

    /// What leaves no row in the file has not left.
    private static void requireAllIn(Layout layout, Written written) {
        written.places().stream()
                .filter(place -> place.last() < place.first())
                .findFirst()
                .ifPresent(place -> {
                    throw NotPossibleException.invalid(
                            "layout-leaves-out",
                            "The layout “%s” writes no row for “%s”, since it has none of what a row stands for there. Choose another layout; nothing was written."
                                    .formatted(layout.name(), place.reference()));
                });
    }

    /// As it would be written; nothing is kept.
    ///
    /// @throws NotPossibleException when the encoding of the layout has no signs for what is to be written
    public static Written written(Layout layout, List<Exported> records, InvoiceFacts facts, String delivery) {
        try {
            return new LayoutWriter(layout, facts).write(records, delivery);
        } catch (LayoutWriter.CannotWriteException e) {
            throw NotPossibleException.invalid(
                    "encoding-too-small",
                    "The layout “%s” is written in %s, which has no signs for “%s”. Choose UTF-8 for it if the ledger takes that, or change the text."
                            .formatted(
                                    layout.name(),
                                    layout.form()
                                            .encoding()
                                            .name()
                                            .toLowerCase(java.util.Locale.ROOT)
                                            .replace('_', '-'),
                                    e.text().length() <= 100
                                            ? e.text()
                                            : e.text().substring(0, 100) + "…"));
        }
    }

    List<WrittenFile> list(long batch) {
        return jdbc.sql("""
                select ordinal, name, length(content) as bytes, encode(sha256, 'hex') as sha256, written_at, written_by
                from batch_file where batch_id = :batch order by ordinal""")
                .param("batch", batch)
                .query((row, n) -> new WrittenFile(
                        row.getInt("ordinal"),
                        row.getString("name"),
                        row.getInt("bytes"),
                        row.getString("sha256"),
                        row.getTimestamp("written_at").toInstant(),
                        row.getString("written_by")))
                .list();
    }

    List<Written.Formula> formulas(long batch) {
        return List.of(said(batch, "formulas", Written.Formula[].class, new Written.Formula[0]));
    }

    List<Written.Gap> gaps(long batch) {
        return List.of(said(batch, "gaps", Written.Gap[].class, new Written.Gap[0]));
    }

    private <T> T said(long batch, String column, Class<T> type, T none) {
        return jdbc.sql("select " + column + " from batch_layout where batch_id = :batch")
                .param("batch", batch)
                .query(String.class)
                .optional()
                .map(text -> DocumentJson.read(text, type))
                .orElse(none);
    }

    /// One file as it is, several as a ZIP.
    Content download(long batch) {
        List<Content> all = contents(batch);
        if (all.isEmpty()) {
            throw NotPossibleException.missing("file of batch " + batch);
        }
        return all.size() == 1 ? all.getFirst() : new Content("batch-" + delivery(batch) + ".zip", zip(all));
    }

    /// None of a batch that went through a connection.
    public List<Content> contents(long batch) {
        return jdbc.sql("select name, content as bytes from batch_file where batch_id = :batch order by ordinal")
                .param("batch", batch)
                .query((row, n) -> new Content(row.getString("name"), row.getBytes("bytes")))
                .list();
    }

    public List<String> names(long batch) {
        return jdbc.sql("select name from batch_file where batch_id = :batch order by ordinal")
                .param("batch", batch)
                .query(String.class)
                .list();
    }

    static byte[] zip(List<Content> files) {
        ZipFile zip = new ZipFile();
        files.forEach(file -> zip.add(file.name(), file.bytes()));
        return zip.bytes();
    }
}
