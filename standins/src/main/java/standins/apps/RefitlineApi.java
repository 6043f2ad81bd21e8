package standins.apps;

import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The project office: yards, clients and suppliers, cost codes and phases.
@RestController
@RequestMapping("/refitline/api")
class RefitlineApi {
    private final AppRecords records;

    /// @param last what to ask with the next time
    record Registry(List<Map<String, Object>> entries, long last, boolean more) {}

    RefitlineApi(AppRecords records) {
        this.records = records;
    }

    @GetMapping("/registry")
    Registry registry(@RequestParam(defaultValue = "0") long since, @RequestParam(defaultValue = "200") int most) {
        int at = Math.clamp(most, 1, 1000);
        List<AppRecords.Entry> entries = records.since("refitline", since, at);
        return new Registry(
                entries.stream()
                        .map(e -> Map.<String, Object>of("type", e.type(), "key", e.id(), "entry", e.body()))
                        .toList(),
                entries.isEmpty() ? since : entries.getLast().seq(),
                entries.size() == at);
    }
}
