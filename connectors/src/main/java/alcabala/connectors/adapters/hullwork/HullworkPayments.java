package alcabala.connectors.adapters.hullwork;

import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.source.SourceLookup;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tools.jackson.databind.JsonNode;

/// Hullwork's payments in our words, and what was entered on a ledger in Hullwork's.
final class HullworkPayments {
    private HullworkPayments() {}

    /// What identifies it for good: our own name for what we recorded there.
    static String ref(JsonNode record) {
        return isFromElsewhere(record) ? text(record, "externalRef") : text(record, "id");
    }

    private static boolean isFromElsewhere(JsonNode record) {
        return !text(record, "externalRef").isEmpty();
    }

    private static RecordKind kind(String type) {
        return switch (type) {
            case "PAYMENT" -> RecordKind.PAYMENT_IN;
            case "REFUND" -> RecordKind.REFUND;
            case "RETURN" -> RecordKind.RETURNED_IN;
            case "SUPPLIER_PAYMENT" -> RecordKind.PAYMENT_OUT;
            case "SUPPLIER_REFUND" -> RecordKind.SUPPLIER_REFUND;
            case "SUPPLIER_RETURN" -> RecordKind.RETURNED_OUT;
            default -> throw new IllegalArgumentException("of an unknown type");
        };
    }

    static String type(RecordKind kind) {
        return switch (kind) {
            case PAYMENT_IN -> "PAYMENT";
            case REFUND -> "REFUND";
            case RETURNED_IN -> "RETURN";
            case PAYMENT_OUT -> "SUPPLIER_PAYMENT";
            case SUPPLIER_REFUND -> "SUPPLIER_REFUND";
            case RETURNED_OUT -> "SUPPLIER_RETURN";
            case INVOICE, CREDIT_NOTE, BILL, SUPPLIER_CREDIT, BANKING ->
                throw new IllegalArgumentException(kind.word() + " is no payment");
        };
    }

    /// The kind of document that a kind of payment settles.
    private static RecordKind settles(RecordKind kind) {
        for (RecordKind document : RecordKind.values()) {
            if (kind.settles(document)) {
                return document;
            }
        }
        throw new IllegalArgumentException(kind.word() + " settles nothing");
    }

    static Settlement settlement(JsonNode record, SourceLookup lookup) {
        CurrencyUnit currency = CurrencyUnit.of(text(record, "currency"));
        RecordKind kind = kind(text(record, "type"));
        List<Allocation> allocations = new ArrayList<>();
        for (JsonNode share : record.path("allocations")) {
            allocations.add(allocation(settles(kind), share, currency));
        }
        return new Settlement(
                kind,
                text(record, "number"),
                isFromElsewhere(record) ? Origin.LEDGER : Origin.SOURCE,
                LocalDate.parse(text(record, "date")),
                text(record, "site"),
                text(record, "note"),
                lookup.party(text(record, "customer")),
                HullworkMapping.money(record, "amount", currency),
                HullworkMapping.rate(record),
                HullworkMapping.money(record, "charges", currency),
                text(record, "means"),
                text(record, "reference"),
                text(record, "returns"),
                allocations);
    }

    /// Where the document is in another currency, its share says what of it is settled.
    private static Allocation allocation(RecordKind kind, JsonNode share, CurrencyUnit currency) {
        Money money = HullworkMapping.money(share, "money", currency);
        JsonNode stated = share.path("worth");
        Money worth = stated.isObject()
                ? HullworkMapping.money(stated, "amount", CurrencyUnit.of(text(stated, "currency")))
                : money;
        return new Allocation(kind, text(share, "document"), money, worth, deductions(share, worth.getCurrencyUnit()));
    }

    private static List<Deduction> deductions(JsonNode share, CurrencyUnit currency) {
        List<Deduction> deductions = new ArrayList<>();
        for (JsonNode less : share.path("deductions")) {
            deductions.add(new Deduction(
                    Deduction.Kind.valueOf(text(less, "kind")), HullworkMapping.money(less, "amount", currency)));
        }
        return deductions;
    }

    static Map<String, Object> draft(LedgerSettlement settlement, String partyId, String reference) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("type", type(settlement.kind()));
        body.put("date", settlement.date().toString());
        body.put("customer", partyId);
        body.put("currency", settlement.currency().getCode());
        body.put("amount", settlement.gross().getAmount());
        body.put("means", settlement.means());
        body.put("reference", settlement.reference());
        body.put("note", settlement.number());
        body.put("externalRef", reference);
        body.put(
                "allocations",
                settlement.parts().stream().map(HullworkPayments::share).toList());
        return body;
    }

    private static Map<String, Object> share(LedgerSettlement.Part part) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("document", part.number());
        body.put("money", part.money().getAmount());
        if (part.isExchanged()) {
            body.put(
                    "worth",
                    Map.of(
                            "currency", part.worth().getCurrencyUnit().getCode(),
                            "amount", part.worth().getAmount()));
        }
        body.put(
                "deductions",
                part.deductions().stream()
                        .map(each -> Map.of(
                                "kind", each.text(), "amount", each.amount().getAmount()))
                        .toList());
        return body;
    }

    /// What stands there by now, as whoever sent it is told.
    static LedgerRecord record(JsonNode node) {
        BigDecimal amount = HullworkMapping.decimal(node, "amount");
        List<LedgerRecord.Line> lines = new ArrayList<>();
        BigDecimal settled = BigDecimal.ZERO;
        RecordKind kind = kind(text(node, "type"));
        for (JsonNode share : node.path("allocations")) {
            BigDecimal money = HullworkMapping.decimal(share, "money");
            settled = settled.add(money);
            String number = text(share, "document");
            lines.add(new LedgerRecord.Line(
                    lines.size() + 1,
                    number,
                    settles(kind).word(),
                    number,
                    BigDecimal.ONE,
                    money,
                    BigDecimal.ZERO,
                    money,
                    null,
                    null,
                    null));
        }
        return new LedgerRecord(
                        text(node, "id"),
                        1,
                        text(node, "number"),
                        kind.word(),
                        text(node, "customer"),
                        LocalDate.parse(text(node, "date")),
                        null,
                        false,
                        text(node, "externalRef"),
                        amount,
                        BigDecimal.ZERO,
                        amount,
                        settled,
                        null,
                        null,
                        lines,
                        List.of(),
                        null,
                        null,
                        new LedgerRecord.Moved(
                                text(node, "means"),
                                text(node, "reference"),
                                "",
                                text(node, "currency"),
                                text(node, "status").equals("VOID")),
                        null,
                        null,
                        null,
                        null)
                .complete();
    }

    private static String text(JsonNode node, String name) {
        return HullworkMapping.text(node, name);
    }
}
