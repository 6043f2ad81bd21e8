package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compiler;
import alcabala.server.platform.DocumentJson;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Takes a document that has not crossed for something else than before, though its source said nothing new: a bill
/// instead of a sale, a document in the place of another. Its revision stays.
@Component
class Reinterpretation {
    private final JdbcClient jdbc;
    private final DocumentWriter writer;

    Reinterpretation(JdbcClient jdbc, DocumentWriter writer) {
        this.jdbc = jdbc;
        this.writer = writer;
    }

    /// Within a transaction that holds the route.
    ///
    /// @param sourceRef what identifies it from now on
    /// @return what compiling it gave
    Compiled write(Compiler compiler, long id, String sourceRef, Document document) {
        jdbc.sql("""
                update document set source_ref = :ref, kind = :kind, party_code = :partyCode, party_name = :partyName,
                    content = cast(:content as jsonb), refs = :refs, version = version + 1
                where id = :id""")
                .param("ref", sourceRef)
                .param("kind", document.kind().word())
                .param("partyCode", document.counterparty().code())
                .param("partyName", document.counterparty().name())
                .param("content", DocumentJson.write(document))
                .param("refs", Compiled.refs(document).toArray(String[]::new))
                .param("id", id)
                .update();
        Compiled compiled = Compiled.of(compiler.compile(document));
        writer.rewrite(List.of(id), List.of(compiled));
        return compiled;
    }
}
