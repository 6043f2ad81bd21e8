package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compiler;
import alcabala.server.connect.RouteRow;
import alcabala.server.platform.DocumentJson;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// A corrected invoice (UNCL1001 384) takes the place of the document that it names, whichever of the two comes first.
@Component
class Corrections {
    private final JdbcClient jdbc;
    private final Reinterpretation reinterpretation;
    private final Trail trail;
    private final Clock clock;

    /// A document whose place another takes.
    ///
    /// @param sourceRef what identifies it for good
    record Place(String sourceRef, String number) {}

    private record Waiting(long id, String content) {}

    Corrections(JdbcClient jdbc, Reinterpretation reinterpretation, Trail trail, Clock clock) {
        this.jdbc = jdbc;
        this.reinterpretation = reinterpretation;
        this.trail = trail;
        this.clock = clock;
    }

    /// The document that a corrected one names; empty when it is not known, or names none.
    Optional<Place> findPlace(RouteRow route, Document corrected) {
        if (corrected.precedingNumber().isEmpty()) {
            return Optional.empty();
        }
        return jdbc.sql("""
                select source_ref, :number as number from document
                where source_id = :source and kind = :kind and (number = :number or source_ref = :ref)
                    and (:sale or party_code = :party) and number <> :own
                order by number = :number desc, id limit 1""")
                .param("number", corrected.precedingNumber())
                .param("source", route.sourceId())
                .param("kind", corrected.kind().word())
                .param("ref", refOf(corrected))
                .param("sale", corrected.kind().isSale())
                .param("party", corrected.counterparty().code())
                .param("own", corrected.number())
                .query(Place.class)
                .optional();
    }

    private static String refOf(Document corrected) {
        String owner = corrected.kind().isSale() ? "" : corrected.seller().code() + ":";
        return corrected.kind().word() + ":" + owner + corrected.precedingNumber();
    }

    /// Leaves out those whose correction came before them and waits: that takes their place, and they are kept as they
    /// came.
    List<Incoming> withoutSuperseded(RouteRow route, Compiler compiler, List<Incoming> incoming, String who) {
        List<Incoming> fresh = new ArrayList<>();
        for (Incoming each : incoming) {
            Optional<Waiting> correction = findCorrection(route, each.document());
            correction.ifPresentOrElse(
                    waiting -> supersede(route, compiler, each, waiting, who), () -> fresh.add(each));
        }
        return fresh;
    }

    private Optional<Waiting> findCorrection(RouteRow route, Document document) {
        return jdbc.sql("""
                select id, content from document
                where source_id = :source and content->>'typeCode' = '384' and content->>'precedingNumber' = :number
                    and content->>'replaces' = '' and kind = :kind and (:sale or party_code = :party)
                    and number <> :number and outcome is null
                order by id limit 1""")
                .param("source", route.sourceId())
                .param("number", document.number())
                .param("kind", document.kind().word())
                .param("sale", document.kind().isSale())
                .param("party", document.counterparty().code())
                .query(Waiting.class)
                .optional();
    }

    private void supersede(RouteRow route, Compiler compiler, Incoming former, Waiting waiting, String who) {
        Document takes =
                DocumentJson.read(waiting.content()).replacing(former.document().number());
        long received = jdbc.sql("""
                insert into received (source_id, sha256, media_type, file_name, content, received_at)
                values (:source, :hash, :media, :file, :content, :now) returning id""")
                .param("source", route.sourceId())
                .param("hash", Hashes.sha256(former.raw()))
                .param("media", former.mediaType())
                .param("file", former.fileName())
                .param("content", former.raw())
                .param("now", Timestamp.from(clock.instant()))
                .query(Long.class)
                .single();
        Compiled compiled = reinterpretation.write(compiler, waiting.id(), former.sourceRef(), takes);
        trail.write(
                route.id(),
                waiting.id(),
                who,
                "former-taken-in",
                Map.of("received", received, "file", former.fileName(), "number", takes.replaces()));
        trail.write(route.id(), waiting.id(), who, "compiled", DocumentWriter.trailOf(compiled));
    }
}
