package alcabala.connectors.http;

import alcabala.accounting.record.Family;
import alcabala.accounting.sync.LastChange;
import alcabala.accounting.sync.LastChanges;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.Kept;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/// Who touched what and when, of a system that tells it as a list of touches: each with a code, a field (none for the
/// whole), a time, a name, and whether it was we.
public final class Touched {
    private final String system;
    private final Http http;

    public Touched(String system, Http http) {
        this.system = system;
        this.http = http;
    }

    /// What nobody asked about, and fields that are none of ours, are passed over.
    ///
    /// @param fields our codes by what the system calls them
    public Map<String, LastChanges> of(String path, Collection<String> codes, Map<String, String> fields) {
        Answer<JsonNode> answer = http.post(path, Http.JSON.writeValueAsString(codes), null, node -> node);
        if (!(answer instanceof Answer.Accepted<JsonNode> accepted)) {
            throw new UnreachableException(system, "did not say who changed what", null);
        }
        Set<String> asked = Set.copyOf(codes);
        Map<String, Map<String, LastChange>> byCode = new HashMap<>();
        for (JsonNode touch : Understood.list(system, "changes", accepted.record())) {
            String code = Json.text(touch, "code");
            String said = Json.text(touch, "field");
            String field = said.isEmpty() ? said : fields.get(said);
            if (asked.contains(code) && field != null) {
                byCode.computeIfAbsent(code, each -> new HashMap<>()).put(field, change(code, touch));
            }
        }
        Map<String, LastChanges> told = new HashMap<>();
        byCode.forEach((code, changes) -> {
            LastChange whole = changes.remove("");
            told.put(code, new LastChanges(whole, changes));
        });
        return told;
    }

    /// A document or payment as a whole; nothing is told of what is neither.
    public Optional<LastChange> of(Family family, String ref) {
        if (family == Family.TRANSFER) {
            return Optional.empty();
        }
        String path = family == Family.DOCUMENT ? "/documents/touched" : "/payments/touched";
        return Optional.ofNullable(of(path, List.of(ref), Map.of()).get(ref)).map(LastChanges::whole);
    }

    /// @throws AnswerUnusableException when its time is none
    private LastChange change(String code, JsonNode touch) {
        return Understood.read(
                system,
                "when " + Kept.quoted(code) + " was changed",
                () -> new LastChange(
                        Instant.parse(Json.text(touch, "at")),
                        Kept.quoted(Json.text(touch, "by")),
                        touch.path("self").asBoolean(false)));
    }
}
