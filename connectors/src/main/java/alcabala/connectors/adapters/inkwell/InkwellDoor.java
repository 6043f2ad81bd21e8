package alcabala.connectors.adapters.inkwell;

import alcabala.connectors.Access;
import alcabala.connectors.http.Http;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.CompanyOffer;
import alcabala.connectors.ledger.LedgerConsent;
import alcabala.connectors.ledger.OffersCompanies;
import alcabala.connectors.ledger.ShowsConsent;
import alcabala.connectors.spi.Place;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/// What a consent on Inkwell leads to, before a company is chosen.
final class InkwellDoor implements OffersCompanies, ShowsConsent {
    private static final String SYSTEM = "Inkwell";
    private final Http http;

    public InkwellDoor(Place place, Access access) {
        http = new Http(SYSTEM, place, "/api", access);
    }

    @Override
    public List<CompanyOffer> companies() {
        return Understood.list(SYSTEM, "companies", http.get("/companies", JsonNode.class))
                .valueStream()
                .map(node -> new CompanyOffer(text(node, "id"), text(node, "name"), text(node, "currency")))
                .toList();
    }

    @Override
    public LedgerConsent consent() {
        JsonNode node = http.get("/consent", JsonNode.class);
        List<String> scopes = new ArrayList<>();
        node.path("scopes").forEach(scope -> scopes.add(scope.asString()));
        String end = text(node, "endsAt");
        Instant endsAt = end.isEmpty()
                ? null
                : Understood.read(SYSTEM, "the end of the consent, “" + end + "”,", () -> Instant.parse(end));
        return new LedgerConsent(scopes, endsAt);
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }
}
