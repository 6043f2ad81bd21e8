package alcabala.connectors.http;

import alcabala.connectors.Access;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceConnector;
import alcabala.connectors.source.SourceFeed;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/// Hullwork: a changes feed with a cursor, and approval.
public final class HullworkSource implements SourceConnector {
    private final Http http;

    public HullworkSource(String address, Access access, Duration patience) {
        http = new Http("Hullwork", address + "/hullwork/api", access, patience);
    }

    @Override
    public SourceFeed changes(long after, int limit) {
        JsonNode feed = http.get("/changes?after={after}&limit={limit}", JsonNode.class, after, limit);
        List<SourceChange> changes = new ArrayList<>();
        for (JsonNode change : feed.get("changes")) {
            HullworkMapping.change(change.get("type").asString(), change.get("record"))
                    .ifPresent(changes::add);
        }
        return new SourceFeed(
                changes, feed.get("next").asLong(), feed.get("more").asBoolean());
    }

    @Override
    public void approve(String documentId) {
        Answer<String> answer = http.post(
                "/documents/" + documentId + "/approval",
                "{}",
                null,
                node -> node.get("status").asString());
        switch (answer) {
            case Answer.Accepted<String> accepted -> {}
            case Answer.Refused<String> refused -> throw new UnreachableException("Hullwork", refused.sentence(), null);
            case Answer.Later<String> later -> throw new UnreachableException("Hullwork", later.reason(), null);
            case Answer.Lost<String> lost -> throw new UnreachableException("Hullwork", lost.reason(), null);
        }
    }
}
