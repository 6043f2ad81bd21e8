package alcabala.connectors.adapters.hullwork;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.record.RecordKind;
import alcabala.connectors.ledger.LedgerRecord;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/// Documents that were entered on a ledger, in Hullwork's words.
final class HullworkEntered {
    private HullworkEntered() {}

    static Map<String, Object> draft(LedgerDocument document, String partyId, String reference) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("type", document.kind().isCredit() ? "CREDIT_NOTE" : "INVOICE");
        body.put("number", document.number());
        body.put("date", document.issueDate().toString());
        body.put("due", document.dueDate() == null ? null : document.dueDate().toString());
        body.put("currency", document.currency().getCode());
        body.put("pricesIncludeVat", document.priceMode() == PriceMode.TAX_INCLUSIVE);
        body.put("customer", partyId);
        body.put("corrects", document.precedingNumber());
        body.put("workDone", document.note());
        body.put("terms", document.terms());
        body.put("externalRef", reference);
        body.put("net", document.net().getAmount());
        body.put("vat", document.tax().getAmount());
        body.put("gross", document.gross().getAmount());
        List<Map<String, Object>> lines = new ArrayList<>();
        document.lines().forEach(line -> lines.add(line(lines.size() + 1, line)));
        body.put("lines", lines);
        return body;
    }

    /// Hullwork knows no adjustment of a line: one with it is one unit at its amount.
    private static Map<String, Object> line(int no, LedgerLine line) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("no", no);
        body.put("item", line.counterpart());
        body.put("text", line.description());
        boolean plain = line.adjustment().isZero();
        body.put("quantity", plain ? line.quantity() : BigDecimal.ONE);
        body.put("unitPrice", plain ? line.price() : line.amount().getAmount());
        body.put("amount", line.amount().getAmount());
        body.put("vatCode", line.taxCode());
        return body;
    }

    /// What stands there by now, as whoever sent it is told.
    static LedgerRecord record(JsonNode node) {
        List<LedgerRecord.Line> lines = new ArrayList<>();
        for (JsonNode line : node.path("lines")) {
            String item = text(line, "item");
            lines.add(new LedgerRecord.Line(
                    lines.size() + 1,
                    item,
                    item.isEmpty() ? "-" : item,
                    text(line, "text"),
                    HullworkMapping.decimal(line, "quantity"),
                    HullworkMapping.decimal(line, "unitPrice"),
                    BigDecimal.ZERO,
                    HullworkMapping.decimal(line, "amount"),
                    text(line, "vatCode"),
                    null,
                    null));
        }
        RecordKind kind = text(node, "type").equals("CREDIT_NOTE") ? RecordKind.CREDIT_NOTE : RecordKind.INVOICE;
        return new LedgerRecord(
                        text(node, "id"),
                        1,
                        text(node, "number"),
                        kind.word(),
                        text(node, "customer"),
                        LocalDate.parse(text(node, "date")),
                        LocalDate.parse(text(node, "due")),
                        node.path("pricesIncludeVat").asBoolean(),
                        text(node, "externalRef"),
                        HullworkMapping.decimal(node, "net"),
                        HullworkMapping.decimal(node, "vat"),
                        HullworkMapping.decimal(node, "gross"),
                        BigDecimal.ZERO,
                        null,
                        null,
                        lines,
                        List.of(),
                        null,
                        null,
                        null,
                        text(node, "status").equals("VOID") ? Boolean.TRUE : null,
                        null,
                        text(node, "currency"),
                        null)
                .complete();
    }

    private static String text(JsonNode node, String name) {
        return HullworkMapping.text(node, name);
    }
}
