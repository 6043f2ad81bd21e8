package standins.practice;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import standins.Refusal;
import standins.hullwork.HullworkDocument;
import standins.hullwork.HullworkDocuments;
import standins.hullwork.HullworkMasters;
import standins.hullwork.HullworkMasters.Type;
import standins.hullwork.HullworkRecords;
import tools.jackson.databind.node.ObjectNode;

/// What the yard office does.
@Component
class YardDeeds {
    private static final int FIRST = 9001;
    private final HullworkMasters masters;
    private final HullworkDocuments documents;
    private final HullworkRecords records;

    YardDeeds(HullworkMasters masters, HullworkDocuments documents, HullworkRecords records) {
        this.masters = masters;
        this.documents = documents;
        this.records = records;
    }

    void rename(String customer) {
        masters.change(Type.CUSTOMER, customer, Map.of("name", nameOf(customer) + " & Partners"));
    }

    private String nameOf(String customer) {
        return String.valueOf(masters.get(Type.CUSTOMER, customer).record().get("name"));
    }

    /// One more of each of the first line.
    void edit(String id) {
        HullworkDocument document = documents.get(id);
        List<BigDecimal> quantities =
                document.lines().stream().map(HullworkDocument.Line::quantity).toList();
        List<BigDecimal> more = new ArrayList<>(quantities);
        more.set(0, more.getFirst().add(BigDecimal.ONE));
        documents.edit(
                id,
                document.number(),
                document.date(),
                document.due(),
                more,
                document.lines().stream().map(HullworkDocument.Line::unitPrice).toList());
    }

    /// By somebody who did not look whether the customer is there.
    void enterAgain(String customer, String document, String code) {
        Map<String, Object> twin =
                new TreeMap<>(masters.get(Type.CUSTOMER, customer).record());
        int next = FIRST + records.all("document", HullworkDocument.class).size();
        twin.put("code", code);
        twin.put("taxIdentifier", "");
        twin.put("email", "");
        twin.put("phone", "");
        twin.remove("contacts");
        ObjectNode again =
                records.find("document", document, ObjectNode.class).orElseThrow(() -> Refusal.notFound("document"));
        again.put("id", "d-" + next)
                .put("number", "HW-" + next)
                .put("customer", code)
                .put("status", "APPROVED")
                .putNull("sentOn")
                .putNull("paidOn");
        records.put("customer", code, twin);
        records.put("document", "d-" + next, again);
    }
}
