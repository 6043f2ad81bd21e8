package alcabala.accounting.posting;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// What every document has, as fields that can go into a custom field of the other side. Their codes begin with a
/// full stop, so that none is ever that of a custom field.
public final class StandardFields {
    public static final String NOTE = ".note";
    public static final String DUE_DATE = ".due-date";
    public static final String NUMBER_THERE = ".number-there";
    public static final String STANDING_THERE = ".standing-there";
    public static final String PAY_LINK = ".pay-link";
    public static final String TERMS_THERE = ".terms-there";
    public static final String DUE_DATE_THERE = ".due-date-there";
    private static final List<CustomField> ALL = List.of(
            field(".number", "Number", FieldType.TEXT),
            field(".delivery-date", "Delivered on", FieldType.DATE),
            field(".site", "Site", FieldType.TEXT),
            field(".project", "Project", FieldType.TEXT),
            field(NOTE, "What was done", FieldType.TEXT));

    private static final List<CustomField> OF_LEDGER =
            List.of(field(DUE_DATE, "Due date", FieldType.DATE), field(NOTE, "Note at the end", FieldType.TEXT));

    private static final List<CustomField> TOLD = List.of(
            field(NUMBER_THERE, "Number there", FieldType.TEXT),
            new CustomField(STANDING_THERE, "Standing there", FieldType.CHOICE, 0, Standing.names(), true),
            field(PAY_LINK, "Link to pay", FieldType.TEXT),
            field(TERMS_THERE, "Terms there", FieldType.TEXT),
            field(DUE_DATE_THERE, "Due date there", FieldType.DATE));

    /// How a document stands on its ledger.
    public enum Standing {
        OPEN,
        PART_PAID,
        PAID,
        VOIDED;

        /// As it is told; also what it is called.
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }

        private static Map<String, String> names() {
            return Stream.of(values()).collect(Collectors.toUnmodifiableMap(Standing::word, Standing::word));
        }
    }

    private StandardFields() {}

    /// All that a document of a source has.
    public static List<CustomField> all() {
        return ALL;
    }

    /// What a document there has, into which a custom field of the source can go instead of what is there otherwise.
    public static List<CustomField> ofLedger() {
        return OF_LEDGER;
    }

    /// What a ledger makes of each document, which can be told to a field of the source, and nothing goes into.
    public static List<CustomField> told() {
        return TOLD;
    }

    public static Optional<CustomField> findTold(String code) {
        return TOLD.stream().filter(field -> field.code().equals(code)).findFirst();
    }

    /// Empty for a code that is none of them.
    public static Optional<CustomField> findOfLedger(String code) {
        return OF_LEDGER.stream().filter(field -> field.code().equals(code)).findFirst();
    }

    /// Whether a code is that of a field that every record has.
    public static boolean isStandard(String code) {
        return code.startsWith(".");
    }

    private static CustomField field(String code, String name, FieldType type) {
        return new CustomField(code, name, type, 0, Map.of(), true);
    }

    /// All that a document says, its own custom fields among them; the project is that of its first line.
    public static Map<String, FieldValue> of(Document document) {
        Map<String, FieldValue> values = new LinkedHashMap<>();
        document.fields().forEach(each -> values.put(each.field(), each));
        ALL.forEach(field -> {
            String value = value(document, field.code());
            if (!value.isEmpty()) {
                values.put(field.code(), new FieldValue(field.code(), field.type(), value));
            }
        });
        return values;
    }

    private static String value(Document document, String code) {
        return switch (code) {
            case ".number" -> document.number();
            case ".delivery-date" ->
                document.deliveryDate() == null ? "" : document.deliveryDate().toString();
            case ".site" -> document.site();
            case ".project" ->
                document.lines().stream()
                        .map(DocumentLine::project)
                        .filter(project -> !project.isEmpty())
                        .findFirst()
                        .orElse("");
            case NOTE -> document.note();
            default -> "";
        };
    }
}
