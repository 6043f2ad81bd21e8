package alcabala.server.intake;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compiler;
import alcabala.server.compile.Compiled;
import alcabala.server.record.Incoming;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
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

    /// A document whose place another takes.
    ///
    /// @param sourceRef what identifies it for good
    record Place(String sourceRef, String number) {}

    private record Waiting(long id, String content) {}

    Corrections(JdbcClient jdbc, Reinterpretation reinterpretation, Trail trail) {
        this.jdbc = jdbc;
        this.reinterpretation = reinterpretation;
        this.trail = trail;
    }

    /// The document that a corrected one names; empty when it is not known, or names none.
    Optional<Place> findPlace(RouteRow route, Document corrected) {
        if (corrected.precedingNumber().isEmpty()) {
            return Optional.empty();
        }
        return jdbc.sql("""
                select source_ref, :number as number from record
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
            Optional<Waiting> correction =
                    each.record() instanceof Document document ? findCorrection(route, document) : Optional.empty();
            correction.ifPresentOrElse(
                    waiting -> supersede(route, compiler, each, waiting, who), () -> fresh.add(each));
        }
        return fresh;
    }

    private Optional<Waiting> findCorrection(RouteRow route, Document document) {
        return jdbc.sql("""
                select d.id,\s""" + Stored.COLUMN + " from record d" + Stored.JOIN + """
                where d.source_id = :source and d.corrects = :number and d.kind = :kind
                    and (:sale or d.party_code = :party) and d.number <> :number and d.outcome is null
                order by d.id limit 1""")
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
                Stored.document(waiting.content()).replacing(former.record().number());
        long received = reinterpretation.add(route, waiting.id(), former);
        Compiled compiled = reinterpretation.write(route, compiler, waiting.id(), former.sourceRef(), takes);
        trail.write(
                route.id(),
                waiting.id(),
                who,
                "former-taken-in",
                Map.of("received", received, "file", former.fileName(), "number", takes.replaces()));
        trail.write(route.id(), waiting.id(), who, "compiled", compiled.told());
    }
}
