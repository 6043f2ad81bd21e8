package alcabala.connectors.adapters.refitline;

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

/// Refitline: yards, companies, cost codes and phases. It tells of no documents yet.
final class RefitlineSource implements TellsChanges {
    private static final String SYSTEM = "Refitline";
    private static final Address NOWHERE = new Address("", "", "", "");
    private final Http http;

    public RefitlineSource(Place place, Access access) {
        http = new Http(SYSTEM, place, "/api", access);
    }

    @Override
    public SourceFeed changes(long after, int limit) {
        JsonNode registry = http.get("/registry?since={after}&most={limit}", JsonNode.class, after, limit);
        return Understood.feed(
                SYSTEM,
                after,
                new Understood.Cursor(
                        registry.path("last"), registry.path("more").asBoolean()),
                registry.path("entries"),
                entry -> new Understood.Label(text(entry, "type"), text(entry, "key"), text(entry, "key")),
                entry -> change(text(entry, "type"), text(entry, "key"), entry.path("entry")));
    }

    private static Optional<SourceChange> change(String type, String key, JsonNode entry) {
        return switch (type) {
            case "yard" -> Optional.of(new SourceChange.SiteChanged(text(entry, "name")));
            case "company" ->
                Optional.of(new SourceChange.PartyChanged(
                        new Party(key, text(entry, "name"), text(entry, "taxId"), "", "", NOWHERE, NOWHERE, true)));
            case "phase" -> Optional.of(new SourceChange.CategoryChanged(key, text(entry, "name")));
            case "cost-code" ->
                Optional.of(new SourceChange.ItemChanged(
                        key, text(entry, "name"), text(entry, "phase"), kind(text(entry, "nature")), ""));
            default -> Optional.empty();
        };
    }

    private static ItemKind kind(String nature) {
        return switch (nature) {
            case "hours" -> ItemKind.LABOUR;
            case "cost" -> ItemKind.EXPENSE;
            default -> ItemKind.GOODS;
        };
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }
}
