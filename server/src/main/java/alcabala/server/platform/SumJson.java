package alcabala.server.platform;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/// A sum in one currency, as it crosses the API. What is in several currencies has several, and is never added up.
public record SumJson(String currency, String amount) {
    /// @param minor minor units by currency
    public static List<SumJson> of(Map<String, Long> minor) {
        return new TreeMap<>(minor)
                .entrySet().stream()
                        .map(each -> new SumJson(each.getKey(), Amounts.decimal(each.getKey(), each.getValue())))
                        .toList();
    }
}
