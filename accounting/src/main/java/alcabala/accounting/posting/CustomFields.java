package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.custom.FieldFormat;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.Document;
import alcabala.accounting.finding.Finding;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

/// What goes into the ledger's fields with a document. Checks everything and reports each finding once: what somebody
/// wished to have there is not left out silently.
public final class CustomFields {
    private static final int SHOWN = 60;
    private final Crosswalk crosswalk;
    private final Map<String, CustomField> ledger;
    private final Consumer<Finding> findings;

    /// @param ledger its custom fields by their codes
    public CustomFields(Crosswalk crosswalk, Map<String, CustomField> ledger, Consumer<Finding> findings) {
        this.crosswalk = crosswalk;
        this.ledger = ledger;
        this.findings = findings;
    }

    /// Values by the ledger's fields, as [FieldType] tells; empty for one of its custom fields that the document says
    /// nothing for, so that what was taken away goes there too.
    public Map<String, String> of(Document document) {
        if (!crosswalk.has(RowKind.FIELD)) {
            return Map.of();
        }
        Map<String, FieldValue> said = StandardFields.of(document);
        Map<String, String> values = new TreeMap<>();
        crosswalk.rows(RowKind.FIELD).stream()
                .filter(row -> direction(row) == Direction.TO_LEDGER)
                .forEach(row -> add(row, said.get(row.code()), values));
        return Collections.unmodifiableMap(values);
    }

    private void add(CrosswalkRow row, FieldValue said, Map<String, String> values) {
        CustomField there = StandardFields.findOfLedger(row.counterpart()).orElse(ledger.get(row.counterpart()));
        if (there == null || !there.active()) {
            findings.accept(new Finding.FieldUnusable(row.code(), row.counterpart()));
        } else if (said != null) {
            convert(row, said, there, values);
        } else if (ledger.containsKey(there.code())) {
            values.put(there.code(), "");
        }
    }

    private void convert(CrosswalkRow row, FieldValue said, CustomField there, Map<String, String> values) {
        switch (conversion(row, said.type(), there).convert(said.value())) {
            case Conversion.Result.Converted converted -> values.put(there.code(), converted.value());
            case Conversion.Result.NotInTable none ->
                findings.accept(new Finding.ChoiceUnmapped(row.code(), shown(said.value())));
            case Conversion.Result.Impossible impossible ->
                findings.accept(new Finding.FieldUnconvertible(
                        row.code(), there.name(), shown(said.value()), impossible.reason()));
        }
    }

    /// How a row has values converted.
    public Conversion conversion(CrosswalkRow row, FieldType from, CustomField there) {
        FieldFormat format = Conversion.formatted(from, there.type())
                .flatMap(type -> FieldFormat.find(type, row.target(Purpose.FORMAT)))
                .orElse(null);
        return new Conversion(
                from,
                there,
                format,
                value -> crosswalk.counterpart(RowKind.CHOICE, Crosswalk.choiceCode(row.code(), value)));
    }

    /// What a value there becomes in the source's field that a row stands for; of several choices that one there stands
    /// for, the first.
    public static Conversion.Result back(
            Crosswalk crosswalk, CrosswalkRow row, CustomField there, CustomField here, String value) {
        FieldFormat format = Conversion.formatted(there.type(), here.type())
                .flatMap(type -> FieldFormat.find(type, row.target(Purpose.FORMAT)))
                .orElse(null);
        String field = Crosswalk.choiceCode(row.code(), "");
        UnaryOperator<String> table = asked -> crosswalk.rows(RowKind.CHOICE).stream()
                .filter(each ->
                        each.code().startsWith(field) && each.counterpart().equals(asked))
                .map(each -> each.code().substring(field.length()))
                .findFirst()
                .orElse("");
        return new Conversion(there.type(), here, format, table).convert(value);
    }

    /// What of a document can make a difference there: of its own fields only those that go.
    static Document crossing(Document document, Crosswalk crosswalk) {
        return document.fields().isEmpty()
                ? document
                : document.withFields(document.fields().stream()
                        .filter(each -> crosswalk
                                .find(RowKind.FIELD, each.field())
                                .filter(row -> direction(row) == Direction.TO_LEDGER)
                                .isPresent())
                        .toList());
    }

    /// Which way a row says that values go; where it says nothing of it to the ledger, but for what only that tells.
    public static Direction direction(CrosswalkRow row) {
        if (StandardFields.findTold(row.counterpart()).isPresent()) {
            return Direction.TO_SOURCE;
        }
        return Direction.find(row.target(Purpose.DIRECTION)).orElse(Direction.TO_LEDGER);
    }

    private static String shown(String value) {
        return value.length() > SHOWN ? value.substring(0, SHOWN) + "…" : value;
    }
}
