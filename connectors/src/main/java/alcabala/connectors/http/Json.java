package alcabala.connectors.http;

import alcabala.accounting.party.Address;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/// Parts of an answer.
public final class Json {
    private Json() {}

    /// Empty where there is none.
    public static String text(JsonNode node, String name) {
        return node.path(name).asString("");
    }

    public static Address address(JsonNode node) {
        return new Address(text(node, "street"), text(node, "city"), text(node, "postalZone"), text(node, "country"));
    }

    /// As [#address] reads it.
    public static Map<String, String> body(Address address) {
        return Map.of(
                "street", address.street(),
                "city", address.city(),
                "postalZone", address.postalZone(),
                "country", address.country());
    }
}
