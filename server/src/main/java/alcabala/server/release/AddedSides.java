package alcabala.server.release;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.Document;
import alcabala.accounting.posting.StandardFields;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.reference.SourceAdded;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/// Which fields that the business added are looked at on both sides of a document.
@Component
class AddedSides {
    private final CrosswalkStore store;
    private final SourceAdded source;

    /// @param said by the document; empty for nothing
    /// @param there the ledger's field; empty for one that stays
    record Pair(String name, String said, String there) {}

    AddedSides(CrosswalkStore store, SourceAdded source) {
        this.store = store;
        this.source = source;
    }

    /// Those that go or come back, and those that the document says something in.
    List<Pair> of(RouteRow route, Document document) {
        Map<String, FieldValue> said = StandardFields.of(document);
        Map<String, String> names = new LinkedHashMap<>();
        source.fields(route.sourceId()).forEach(field -> names.put(field.code(), field.name()));
        StandardFields.all().forEach((CustomField field) -> names.put(field.code(), field.name()));
        Map<String, String> there = new LinkedHashMap<>();
        store.rows(route.id(), List.of(RowKind.FIELD)).stream()
                .filter(row -> !StandardFields.isStandard(row.counterpart()))
                .forEach((CrosswalkRow row) -> there.put(row.code(), row.counterpart()));
        List<Pair> pairs = new ArrayList<>();
        names.forEach((code, name) -> {
            String value = said.containsKey(code) ? said.get(code).value() : "";
            boolean own = !StandardFields.isStandard(code) && !value.isEmpty();
            if (own || there.containsKey(code)) {
                pairs.add(new Pair(name, value, there.getOrDefault(code, "")));
            }
        });
        return pairs;
    }
}
