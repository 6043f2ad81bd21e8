package standins.apps;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/// The chandlery: branches, accounts, articles and their groups.
@RestController
@RequestMapping("/storeloft/api")
class StoreloftApi {
    private final AppRecords records;

    record Change(long position, String what, String code, JsonNode data) {}

    record Changes(List<Change> changes, long position, boolean complete) {}

    StoreloftApi(AppRecords records) {
        this.records = records;
    }

    /// @param position where the caller left off
    @GetMapping("/changes")
    Changes changes(@RequestParam(defaultValue = "0") long position, @RequestParam(defaultValue = "200") int size) {
        int at = Math.clamp(size, 1, 1000);
        List<AppRecords.Entry> entries = records.since("storeloft", position, at);
        return new Changes(
                entries.stream()
                        .map(e -> new Change(e.seq(), e.type(), e.id(), e.body()))
                        .toList(),
                entries.isEmpty() ? position : entries.getLast().seq(),
                entries.size() < at);
    }
}
