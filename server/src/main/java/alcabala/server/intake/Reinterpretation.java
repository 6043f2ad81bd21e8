package alcabala.server.intake;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.settlement.Targets;
import alcabala.server.compile.Compiled;
import alcabala.server.compile.CompiledFacts;
import alcabala.server.record.Incoming;
import alcabala.server.record.Records;
import alcabala.server.record.Revisions;
import alcabala.server.record.SourceFacts;
import alcabala.server.route.RouteRow;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/// Takes a document that has not crossed for something else than before, though its source said nothing new: a bill
/// instead of a sale, a document in the place of another. Its revision stays; its bytes are read anew.
@Component
public class Reinterpretation {
    private final Records records;
    private final Revisions revisions;
    private final SourceFacts facts;
    private final CompiledFacts compiledFacts;
    private final Clock clock;

    Reinterpretation(
            Records records, Revisions revisions, SourceFacts facts, CompiledFacts compiledFacts, Clock clock) {
        this.records = records;
        this.revisions = revisions;
        this.facts = facts;
        this.compiledFacts = compiledFacts;
        this.clock = clock;
    }

    /// Within a transaction that holds the route.
    ///
    /// @param sourceRef what identifies it from now on
    /// @return what compiling it gave
    public Compiled write(RouteRow route, Compiler compiler, long id, String sourceRef, Document document) {
        Incoming.Raw raw = revisions.raw(id);
        long reading = add(
                route,
                id,
                new Incoming(sourceRef, document, raw.bytes(), raw.mediaType(), raw.fileName(), Set.of(), false));
        facts.reinterpret(id, sourceRef, document, reading);
        Compiled compiled = Compiled.of(compiler.compile(document, Long.toString(id), Targets.NONE));
        compiledFacts.update(Map.of(id, compiled));
        return compiled;
    }

    /// Keeps with a record what was said of it, without that becoming what counts.
    ///
    /// @return the revision's number
    long add(RouteRow route, long id, Incoming said) {
        long number = revisions.ids(1).getFirst();
        int revision = records.get(id).revision();
        revisions.write(route.sourceId(), List.of(new Revisions.Revision(number, id, revision, said)), clock.instant());
        return number;
    }
}
