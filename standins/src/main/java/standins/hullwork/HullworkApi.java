package standins.hullwork;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import standins.hullwork.HullworkRecords.Change;

@RestController
@RequestMapping("/hullwork/api")
class HullworkApi {
    private final HullworkRecords records;
    private final HullworkDocuments documents;

    /// @param next the cursor to ask with the next time
    record Feed(List<Change> changes, long next, boolean more) {}

    HullworkApi(HullworkRecords records, HullworkDocuments documents) {
        this.records = records;
        this.documents = documents;
    }

    /// Every record changed since the cursor, as it is now: customer, item, category, vat-code, document.
    @GetMapping("/changes")
    Feed changes(@RequestParam(defaultValue = "0") long after, @RequestParam(defaultValue = "200") int limit) {
        List<Change> changes = records.changes(after, Math.clamp(limit, 1, 1000));
        long next = changes.isEmpty() ? after : changes.getLast().cursor();
        return new Feed(changes, next, changes.size() == Math.clamp(limit, 1, 1000));
    }

    @GetMapping("/documents/{id}")
    HullworkDocument document(@PathVariable String id) {
        return documents.get(id);
    }

    @PostMapping("/documents/{id}/approval")
    HullworkDocument approve(@PathVariable String id) {
        return documents.approve(id);
    }
}
