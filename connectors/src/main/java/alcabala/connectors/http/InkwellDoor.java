package alcabala.connectors.http;

import alcabala.connectors.Access;
import alcabala.connectors.ledger.CompanyOffer;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/// What a consent on Inkwell leads to, before a company is chosen.
public final class InkwellDoor {
    private final Http http;

    /// @param endsAt when the consent itself ends; null when it does not say
    public record Consent(List<String> scopes, Instant endsAt) {}

    public InkwellDoor(String address, Access access, Duration patience) {
        http = new Http("Inkwell", address + "/inkwell/api", access, patience);
    }

    public List<CompanyOffer> companies() {
        List<CompanyOffer> offers = new ArrayList<>();
        http.get("/companies", JsonNode.class)
                .forEach(node ->
                        offers.add(new CompanyOffer(text(node, "id"), text(node, "name"), text(node, "currency"))));
        return offers;
    }

    public Consent consent() {
        JsonNode node = http.get("/consent", JsonNode.class);
        List<String> scopes = new ArrayList<>();
        node.path("scopes").forEach(scope -> scopes.add(scope.asString()));
        String end = text(node, "endsAt");
        return new Consent(scopes, end.isEmpty() ? null : Instant.parse(end));
    }

    private static String text(JsonNode node, String name) {
        return HullworkMapping.text(node, name);
    }
}
