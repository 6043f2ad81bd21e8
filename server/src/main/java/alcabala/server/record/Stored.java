package alcabala.server.record;

import alcabala.accounting.document.Document;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import alcabala.server.platform.DocumentJson;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// Content as it is kept, with the shape it was kept in. Older shapes are brought up to date when they are read, step
/// by step; a new shape adds its step here, and nothing else needs to know that there ever was another.
public final class Stored {
    /// The shape that is written now.
    public static final int SHAPE = 4;
    /// Content with its shape and kind before it, of a revision `v` of a record `d`.
    public static final String COLUMN = "v.shape || ' ' || d.kind || ' ' || v.content as content";
    /// Joins the revision that counts to `record d`.
    public static final String JOIN = " join record_revision v on v.id = d.revision_id ";

    /// @param from the shape that it brings one further
    private record Step(int from, String name, Consumer<ObjectNode> change) {}

    private static final List<Step> STEPS = List.of(
            new Step(1, "types, sites, notes and what is payable are always there", Stored::fillIn),
            new Step(2, "lines say for which project they are", Stored::addProjects),
            new Step(3, "allocations say what their money is worth to the document", Stored::addWorth));

    private Stored() {}

    public static String write(Record record) {
        return DocumentJson.write(record);
    }

    /// @param kept what [#COLUMN] gives
    public static Record record(String kept) {
        String[] parts = kept.split(" ", 3);
        int shape = Integer.parseInt(parts[0]);
        Family family = RecordKind.of(parts[1]).family();
        return read(family, shape == SHAPE ? parts[2] : upToDate(shape, parts[2]));
    }

    /// Whether what is kept says what a record says: numbers by their value, whatever zeros end them.
    ///
    /// @param kept what [#COLUMN] gives
    public static boolean says(String kept, Record record) {
        return tree(record(kept)).equals(BY_VALUE, tree(record));
    }

    private static final Comparator<JsonNode> BY_VALUE = (one, other) -> one.isNumber() && other.isNumber()
            ? one.decimalValue().compareTo(other.decimalValue())
            : one.equals(other) ? 0 : 1;

    private static JsonNode tree(Record record) {
        return DocumentJson.read(write(record), JsonNode.class);
    }

    /// The same of many, whose content need not become letters on the way.
    ///
    /// @param content of a revision, in UTF-8
    public static Record record(int shape, RecordKind kind, byte[] content) {
        return shape == SHAPE
                ? DocumentJson.read(content, type(kind.family()))
                : read(kind.family(), upToDate(shape, new String(content, StandardCharsets.UTF_8)));
    }

    /// The same of what is known to be a document.
    public static Document document(String kept) {
        return (Document) record(kept);
    }

    private static Record read(Family family, String content) {
        return DocumentJson.read(content, type(family));
    }

    private static Class<? extends Record> type(Family family) {
        return switch (family) {
            case DOCUMENT -> Document.class;
            case SETTLEMENT -> Settlement.class;
            case TRANSFER -> Banking.class;
        };
    }

    private static String upToDate(int shape, String content) {
        ObjectNode node = DocumentJson.read(content, ObjectNode.class);
        STEPS.stream()
                .filter(step -> step.from() >= shape)
                .forEach(step -> step.change().accept(node));
        return node.toString();
    }

    private static void fillIn(ObjectNode document) {
        boolean credit = document.path("kind").asString().contains("CREDIT");
        setIfMissing(document, "typeCode", credit ? "381" : "380");
        List.of("replaces", "site", "note").forEach(name -> setIfMissing(document, name, ""));
        document.path("lines").forEach(line -> {
            setIfMissing((ObjectNode) line, "itemName", "");
            setIfMissing((ObjectNode) line, "note", "");
        });
        ObjectNode totals = (ObjectNode) document.path("totals");
        String gross = totals.path("gross").asString();
        String zero = gross.substring(0, 4) + "0";
        boolean complete = totals.hasNonNull("payable");
        setIfMissing(totals, "prepaid", zero);
        setIfMissing(totals, "rounding", zero);
        if (!complete) {
            setIfMissing(totals, "payable", gross);
        }
    }

    private static void addProjects(ObjectNode record) {
        record.path("lines").forEach(line -> setIfMissing((ObjectNode) line, "project", ""));
    }

    private static void addWorth(ObjectNode record) {
        record.path("allocations")
                .forEach(each -> setIfMissing(
                        (ObjectNode) each, "worth", each.path("money").asString()));
    }

    private static void setIfMissing(ObjectNode node, String name, String value) {
        if (!node.hasNonNull(name)) {
            node.put(name, value);
        }
    }
}
