package alcabala.server.crossing;

import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.RecordKind;
import alcabala.server.platform.DocumentJson;
import java.time.LocalDate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// An entry as it is kept with its posting, by the word of what it is.
final class StoredEntry {
    /// The shape that is written now; older ones are brought up to date here, step by step.
    static final int SHAPE = 4;
    private static final String CANCELLATION = "cancellation";

    private StoredEntry() {}

    /// `invoice`, `payment-in`, …; `cancellation` of whatever it takes back.
    static String kind(LedgerEntry entry) {
        return entry instanceof Cancellation ? CANCELLATION : entry.kind().word();
    }

    static String write(LedgerEntry entry) {
        return DocumentJson.write(entry);
    }

    static LedgerEntry read(String kind, int shape, String content) {
        return read(kind, upToDate(shape, content));
    }

    private static String upToDate(int shape, String content) {
        return switch (shape) {
            case 1 -> upToDate(2, withDimensions(content));
            case 2 -> upToDate(3, withRate(content));
            case 3 -> withWorth(content);
            case SHAPE -> content;
            default -> throw new IllegalStateException("an entry of the unknown shape " + shape);
        };
    }

    /// Lines had no dimensions before the second shape.
    private static String withDimensions(String content) {
        ObjectNode entry = DocumentJson.read(content, ObjectNode.class);
        entry.path("lines").forEach(line -> ((ObjectNode) line).putObject("dimensions"));
        return entry.toString();
    }

    /// There was one currency only before the third shape, so that there was nothing to convert.
    private static String withRate(String content) {
        ObjectNode entry = DocumentJson.read(content, ObjectNode.class);
        ObjectNode of = entry.has("cancelled") ? (ObjectNode) entry.path("cancelled") : entry;
        of.putObject("rate")
                .put("from", of.path("currency").asString())
                .put("to", of.path("currency").asString())
                .put("rate", 1)
                .put("day", of.path(of.has("issueDate") ? "issueDate" : "date").asString())
                .put("origin", "SAME");
        if (of.has("parts")) {
            of.put("exchangeAccount", "");
            of.path("parts").forEach(part -> {
                ((ObjectNode) part).set("base", part.path("money"));
                part.path("deductions").forEach(each -> ((ObjectNode) each).set("base", each.path("amount")));
            });
        }
        return entry.toString();
    }

    /// Money and document were of one currency before the fourth shape.
    private static String withWorth(String content) {
        ObjectNode entry = DocumentJson.read(content, ObjectNode.class);
        ObjectNode of = entry.has("cancelled") ? (ObjectNode) entry.path("cancelled") : entry;
        of.path("parts").forEach(part -> ((ObjectNode) part).set("worth", part.path("money")));
        return entry.toString();
    }

    private static LedgerEntry read(String kind, String content) {
        if (kind.equals(CANCELLATION)) {
            return cancellation(DocumentJson.read(content, ObjectNode.class));
        }
        return read(content, RecordKind.of(kind).family());
    }

    private static LedgerEntry read(String content, Family family) {
        return switch (family) {
            case DOCUMENT -> DocumentJson.read(content, LedgerDocument.class);
            case SETTLEMENT -> DocumentJson.read(content, LedgerSettlement.class);
            case TRANSFER -> DocumentJson.read(content, LedgerJournal.class);
        };
    }

    private static Family family(JsonNode entry) {
        if (entry.has("parts")) {
            return Family.SETTLEMENT;
        }
        return entry.has("entries") ? Family.TRANSFER : Family.DOCUMENT;
    }

    /// Only settlements were taken back at first, on their own day.
    private static Cancellation cancellation(ObjectNode kept) {
        JsonNode cancelled = kept.path("cancelled");
        return new Cancellation(
                read(cancelled.toString(), family(cancelled)),
                kept.hasNonNull("on") ? LocalDate.parse(kept.path("on").asString()) : null);
    }
}
