package standins.desk;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/// Parties as forms give them: the parts of an address one by one, such as `billTo.street`.
final class AddressForm {
    private static final List<String> ADDRESSES = List.of("billTo", "shipTo");
    private static final List<String> PARTS = List.of("street", "city", "postalZone", "country");

    private AddressForm() {}

    /// A party with each field that the form has, empty where it says nothing.
    static Map<String, Object> row(Map<String, Object> party) {
        Map<String, Object> row = new HashMap<>(party);
        List.of("name", "taxIdentifier", "email", "phone", "terms")
                .forEach(name -> row.merge(name, "", (told, none) -> told));
        ADDRESSES.forEach(name -> row.put(name, address(row.get(name))));
        row.putIfAbsent("retired", false);
        return row;
    }

    private static Map<String, String> address(Object told) {
        Map<String, String> address = new HashMap<>();
        PARTS.forEach(part -> address.put(
                part,
                told instanceof Map<?, ?> parts && parts.get(part) != null ? String.valueOf(parts.get(part)) : ""));
        return address;
    }

    static Map<String, Object> fields(Map<String, String> given) {
        Map<String, Object> fields = new HashMap<>();
        given.forEach((name, value) -> {
            if (!name.contains(".")) {
                fields.put(name, value);
            }
        });
        for (String address : ADDRESSES) {
            if (PARTS.stream().allMatch(part -> given.containsKey(address + "." + part))) {
                Map<String, String> parts = new HashMap<>();
                PARTS.forEach(
                        part -> parts.put(part, given.get(address + "." + part).strip()));
                fields.put(address, parts);
            }
        }
        return fields;
    }
}
