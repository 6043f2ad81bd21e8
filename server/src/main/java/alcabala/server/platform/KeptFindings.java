package alcabala.server.platform;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.FindingKinds;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.node.ObjectNode;

/// Findings as they are kept, by their facts, and the sentence that is made of them where they are shown.
public final class KeptFindings {
    private KeptFindings() {}

    public static String facts(Finding finding) {
        return DocumentJson.write(finding);
    }

    /// @param kind such as `item-unmapped`
    /// @param facts as [#facts] wrote them, or what was told before facts were kept
    public static Sentence sentence(String kind, String facts) {
        ObjectNode node = DocumentJson.read(facts, ObjectNode.class);
        if (node.hasNonNull("told")) {
            return Sentence.plain(node.path("told").asString());
        }
        try {
            return FindingKinds.find(kind)
                    .map(type -> Sentences.of(DocumentJson.read(facts, type)))
                    .orElse(Sentence.plain(kind.replace('-', ' ')));
        } catch (JacksonException e) {
            // Facts of a former version, until the record is compiled again.
            return Sentence.plain(kind.replace('-', ' '));
        }
    }
}
