package alcabala.connectors.adapters.inkwell;

import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.record.RecordKind;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.LedgerRecord;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;

/// Inkwell's journal entries in our words, and ours in Inkwell's. What kind of entry it is, Inkwell keeps as its
/// category.
final class InkwellJournals {
    private InkwellJournals() {}

    static Map<String, Object> draft(LedgerJournal journal, String reference) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("category", journal.kind().word());
        body.put("number", journal.number());
        body.put("date", journal.date().toString());
        body.put("slip", journal.reference());
        body.put("note", journal.note());
        body.put("externalReference", reference);
        body.put(
                "entries",
                journal.entries().stream().map(InkwellJournals::entry).toList());
        return body;
    }

    private static Map<String, Object> entry(LedgerJournal.Entry entry) {
        Map<String, Object> body = new LinkedHashMap<>();
        BigDecimal amount = entry.amount().getAmount();
        body.put("account", entry.account());
        body.put("debit", amount.max(BigDecimal.ZERO));
        body.put("credit", amount.negate().max(BigDecimal.ZERO));
        body.put("text", entry.text());
        body.put("dimensions", entry.dimensions());
        return body;
    }

    /// Whether it is of a kind that crosses; all else people enter there for themselves.
    static boolean isOurs(JsonNode node) {
        return text(node, "category").equals(RecordKind.BANKING.word());
    }

    static LedgerRecord record(JsonNode node) {
        List<LedgerRecord.Line> lines = new ArrayList<>();
        List<LedgerRecord.JournalEntry> booked = new ArrayList<>();
        for (JsonNode entry : node.path("entries")) {
            lines.add(line(lines.size() + 1, entry));
            booked.add(new LedgerRecord.JournalEntry(
                    text(entry, "account"), decimal(entry, "debit"), decimal(entry, "credit")));
        }
        BigDecimal total = total(lines);
        return new LedgerRecord(
                        text(node, "id"),
                        node.path("version").asInt(),
                        text(node, "number"),
                        text(node, "category"),
                        "",
                        LocalDate.parse(text(node, "date")),
                        null,
                        false,
                        text(node, "externalReference"),
                        total,
                        BigDecimal.ZERO,
                        total,
                        BigDecimal.ZERO,
                        null,
                        null,
                        lines,
                        booked,
                        null,
                        null,
                        null,
                        text(node, "status").equals("void") ? Boolean.TRUE : null,
                        null,
                        null,
                        null)
                .complete();
    }

    /// What is booked on the account of its first line.
    private static BigDecimal total(List<LedgerRecord.Line> lines) {
        return lines.stream()
                .filter(line -> line.account().equals(lines.getFirst().account()))
                .map(LedgerRecord.Line::amount)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private static LedgerRecord.Line line(int no, JsonNode entry) {
        BigDecimal amount = decimal(entry, "debit").subtract(decimal(entry, "credit"));
        return new LedgerRecord.Line(
                no,
                null,
                text(entry, "account"),
                text(entry, "text"),
                BigDecimal.ONE,
                amount,
                BigDecimal.ZERO,
                amount,
                null,
                null,
                dimensions(entry.path("dimensions")));
    }

    private static Map<String, String> dimensions(JsonNode node) {
        Map<String, String> dimensions = new TreeMap<>();
        node.propertyStream()
                .forEach(each -> dimensions.put(each.getKey(), each.getValue().asString()));
        return dimensions;
    }

    private static BigDecimal decimal(JsonNode node, String name) {
        return Understood.within(name, node.path(name).asDecimal());
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }
}
