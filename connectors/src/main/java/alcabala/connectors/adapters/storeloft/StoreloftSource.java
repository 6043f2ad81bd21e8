package alcabala.connectors.adapters.storeloft;

import alcabala.accounting.document.ItemKind;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import alcabala.connectors.Access;
import alcabala.connectors.http.Http;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Understood;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceFeed;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.spi.Place;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/// Storeloft: branches, accounts, articles and their groups. It tells of no documents yet.
final class StoreloftSource implements TellsChanges {
    private static final String SYSTEM = "Storeloft";
    private static final Address NOWHERE = new Address("", "", "", "");
    private final Http http;

    public StoreloftSource(Place place, Access access) {
        http = new Http(SYSTEM, place, "/api", access);
    }

    @Override
    public SourceFeed changes(long after, int limit) {
        JsonNode feed = http.get("/changes?position={after}&size={limit}", JsonNode.class, after, limit);
        return Understood.feed(
                SYSTEM,
                after,
                new Understood.Cursor(
                        feed.path("position"), !feed.path("complete").asBoolean()),
                feed.path("changes"),
                change -> new Understood.Label(text(change, "what"), text(change, "code"), text(change, "code")),
                change -> change(text(change, "what"), text(change, "code"), change.path("data")));
    }

    private static Optional<SourceChange> change(String what, String code, JsonNode data) {
        return switch (what) {
            case "branch" -> Optional.of(new SourceChange.SiteChanged(text(data, "label")));
            case "account" ->
                Optional.of(new SourceChange.PartyChanged(new Party(
                        code,
                        text(data, "title"),
                        text(data, "vatNumber"),
                        text(data, "mail"),
                        "",
                        NOWHERE,
                        NOWHERE,
                        true)));
            case "group" -> Optional.of(new SourceChange.CategoryChanged(code, text(data, "label")));
            case "article" ->
                Optional.of(new SourceChange.ItemChanged(
                        code, text(data, "label"), text(data, "group"), ItemKind.GOODS, ""));
            default -> Optional.empty();
        };
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }
}
