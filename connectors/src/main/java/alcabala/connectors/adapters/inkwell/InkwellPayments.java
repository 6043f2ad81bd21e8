package alcabala.connectors.adapters.inkwell;

import alcabala.accounting.posting.LedgerSettlement;
import alcabala.connectors.http.Http;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.LedgerRecord;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/// Inkwell's payments in our words, and ours in Inkwell's.
final class InkwellPayments {
    private InkwellPayments() {}

    static Map<String, Object> draft(LedgerSettlement settlement, String partyId, String reference) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("kind", settlement.kind().word());
        body.put("number", settlement.number());
        body.put("party", partyId);
        body.put("date", settlement.date().toString());
        body.put("controlAccount", settlement.controlAccount());
        body.put("account", settlement.account());
        body.put("means", settlement.means());
        body.put("reference", settlement.reference());
        body.put("note", settlement.note());
        body.put("externalReference", reference);
        body.put("amount", settlement.gross().getAmount());
        if (!settlement.rate().isSame()) {
            body.put("currency", settlement.currency().getCode());
            body.put("exchangeRate", settlement.rate().rate());
        }
        if (!settlement.exchangeAccount().isEmpty()) {
            body.put("exchangeAccount", settlement.exchangeAccount());
        }
        if (!settlement.charges().isZero()) {
            body.put("charges", settlement.charges().getAmount());
            body.put("chargesAccount", settlement.chargesAccount());
        }
        body.put(
                "allocations",
                settlement.parts().stream().map(InkwellPayments::part).toList());
        return body;
    }

    private static Map<String, Object> part(LedgerSettlement.Part part) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("document", part.document());
        body.put("money", part.money().getAmount());
        if (part.isExchanged()) {
            body.put("worth", part.worth().getAmount());
        }
        body.put(
                "deductions",
                part.deductions().stream().map(InkwellPayments::deducted).toList());
        return body;
    }

    private static Map<String, Object> deducted(LedgerSettlement.Deducted deducted) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("account", deducted.account());
        body.put("text", deducted.text());
        body.put("taxCode", InkwellMapping.isCode(deducted.taxCode()) ? deducted.taxCode() : null);
        body.put("amount", deducted.amount().getAmount());
        return body;
    }

    static LedgerRecord record(JsonNode node) {
        BigDecimal amount = decimal(node, "amount");
        List<LedgerRecord.Line> lines = new ArrayList<>();
        for (JsonNode part : node.path("allocations")) {
            lines.add(line(lines.size() + 1, part));
        }
        return new LedgerRecord(
                        text(node, "id"),
                        node.path("version").asInt(),
                        text(node, "number"),
                        text(node, "kind"),
                        text(node, "party"),
                        LocalDate.parse(text(node, "date")),
                        null,
                        false,
                        text(node, "externalReference"),
                        amount,
                        BigDecimal.ZERO,
                        amount,
                        amount.subtract(decimal(node, "open")),
                        null,
                        null,
                        lines,
                        List.of(Http.JSON.treeToValue(node.path("journal"), LedgerRecord.JournalEntry[].class)),
                        null,
                        null,
                        new LedgerRecord.Moved(
                                text(node, "means"),
                                text(node, "reference"),
                                text(node, "account"),
                                text(node, "currency"),
                                text(node, "status").equals("void")),
                        null,
                        null,
                        null,
                        null)
                .complete();
    }

    /// A document that it settles, by its id; the adjustment is what is settled without money.
    private static LedgerRecord.Line line(int no, JsonNode part) {
        BigDecimal money = decimal(part, "money");
        BigDecimal deducted = BigDecimal.ZERO;
        for (JsonNode each : part.path("deductions")) {
            deducted = deducted.add(decimal(each, "amount"));
        }
        return new LedgerRecord.Line(
                no,
                text(part, "document"),
                text(part, "kind"),
                text(part, "number"),
                BigDecimal.ONE,
                money,
                deducted,
                (part.path("worth").isNumber() ? decimal(part, "worth") : money).add(deducted),
                null,
                null,
                null);
    }

    private static BigDecimal decimal(JsonNode node, String name) {
        return Understood.within(name, node.path(name).asDecimal());
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }
}
