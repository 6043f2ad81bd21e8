package alcabala.connectors.adapters.hullwork;

import alcabala.accounting.custom.FieldType;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.StatedTotals;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Contact;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.tax.TaxRounding;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.http.Extras;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceLookup;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import tools.jackson.databind.JsonNode;

/// Hullwork's records in our words.
public final class HullworkMapping {
    /// Approved, and not sent before it has its number in the books.
    private static final String ASKS_NUMBER = "NUMBER_ASKED";

    static final String SYSTEM = "Hullwork";

    private HullworkMapping() {}

    static Understood.Label label(String type, JsonNode record) {
        return switch (type) {
            case "document", "payment" -> new Understood.Label(type, text(record, "id"), text(record, "number"));
            case "site" -> new Understood.Label(type, text(record, "name"), text(record, "name"));
            default -> new Understood.Label(type, text(record, "code"), text(record, "code"));
        };
    }

    /// Empty for a type of record that Alcabala has no use for.
    public static Optional<SourceChange> change(String type, JsonNode record) {
        return switch (type) {
            case "site" -> Optional.of(new SourceChange.SiteChanged(text(record, "name")));
            case "customer" -> Optional.of(new SourceChange.PartyChanged(party(record)));
            case "item" -> Optional.of(itemChanged(record));
            case "category" ->
                Optional.of(new SourceChange.CategoryChanged(text(record, "code"), text(record, "name")));
            case "vat-code" ->
                Optional.of(new SourceChange.TaxChanged(
                        text(record, "code"),
                        text(record, "text"),
                        decimal(record, "rate"),
                        TaxCategory.valueOf(text(record, "category"))));
            case "terms" ->
                Optional.of(new SourceChange.TermsChanged(
                        new CodedTerms(text(record, "code"), text(record, "text"), Extras.terms(record), true)));
            case "field" -> Optional.of(new SourceChange.FieldChanged(Extras.field(record, "text", "options")));
            case "deleted" -> Optional.of(new SourceChange.RecordGone(HullworkPayments.ref(record)));
            case "document" ->
                Optional.of(new SourceChange.RecordChanged(
                        HullworkPayments.ref(record),
                        label(type, record).sentence(),
                        milestones(record),
                        text(record, "status").equals("VOID"),
                        record.toString(),
                        lookup -> Understood.record(
                                SYSTEM, label(type, record).sentence(), () -> document(record, lookup))));
            case "payment" ->
                Optional.of(new SourceChange.RecordChanged(
                        HullworkPayments.ref(record),
                        label(type, record).sentence(),
                        Set.of(Milestone.APPROVED),
                        text(record, "status").equals("VOID"),
                        record.toString(),
                        lookup -> Understood.record(
                                SYSTEM,
                                label(type, record).sentence(),
                                () -> HullworkPayments.settlement(record, lookup))));
            default -> Optional.empty();
        };
    }

    private static Set<Milestone> milestones(JsonNode record) {
        Set<Milestone> reached = EnumSet.noneOf(Milestone.class);
        String status = text(record, "status");
        if (status.equals("APPROVED") || status.equals(ASKS_NUMBER)) {
            reached.add(Milestone.APPROVED);
        }
        if (status.equals(ASKS_NUMBER)) {
            reached.add(Milestone.NUMBER_ASKED);
        }
        if (day(record, "finishedOn") != null) {
            reached.add(Milestone.FINISHED);
        }
        if (day(record, "sentOn") != null) {
            reached.add(Milestone.SENT);
        }
        if (day(record, "paidOn") != null) {
            reached.add(Milestone.PAID);
        }
        return reached;
    }

    /// One code, or several on one line, as where a federal and a provincial tax come together.
    private static TaxCombination taxes(JsonNode line, SourceLookup lookup) {
        if (line.path("taxes").isEmpty()) {
            return TaxCombination.of(tax(text(line, "vatCode"), decimal(line, "vatRate"), lookup));
        }
        return TaxCombination.of(line.path("taxes")
                .valueStream()
                .map(tax -> tax(text(tax, "code"), decimal(tax, "rate"), lookup))
                .toList());
    }

    private static Tax tax(String code, BigDecimal rate, SourceLookup lookup) {
        return new Tax(code, rate, lookup.taxCategory(code, rate.signum() != 0), false);
    }

    /// As Hullwork takes one that is to be changed.
    static Map<String, Object> draft(Party party) {
        return Map.of(
                "name", party.name(),
                "email", party.email(),
                "phone", party.phone(),
                "billTo", Json.body(party.billTo()),
                "shipTo", Json.body(party.shipTo()),
                "terms", party.terms(),
                "retired", !party.active());
    }

    /// As Hullwork takes one that it does not have.
    static Map<String, Object> whole(Party party) {
        Map<String, Object> whole = new HashMap<>(draft(party));
        whole.put("taxIdentifier", party.taxIdentifier());
        return whole;
    }

    /// As above; of a kind where it is known.
    static Map<String, Object> whole(LedgerItem item) {
        Map<String, Object> whole = new HashMap<>(draft(item));
        whole.put("code", item.code());
        whole.put("kind", item.kind() == null ? "" : item.kind().name());
        return whole;
    }

    private static SourceChange.ItemChanged itemChanged(JsonNode record) {
        return new SourceChange.ItemChanged(
                text(record, "code"),
                text(record, "text"),
                text(record, "category"),
                ItemKind.valueOf(text(record, "kind")),
                text(record, "unit"));
    }

    /// As Hullwork takes one that is to be changed.
    static Map<String, Object> draft(LedgerItem item) {
        return Map.of("text", item.name(), "unit", item.unit());
    }

    /// As it stands there; its accounts are nothing that Hullwork knows.
    static LedgerItem item(JsonNode record) {
        SourceChange.ItemChanged told = Understood.item(itemChanged(record));
        return new LedgerItem(
                told.code(), told.name(), told.kind(), told.unit(), "", LedgerItem.Purchase.NONE, "", true);
    }

    static Party party(JsonNode record) {
        return new Party(
                        text(record, "code"),
                        text(record, "name"),
                        text(record, "taxIdentifier"),
                        text(record, "email"),
                        text(record, "phone"),
                        Json.address(record.path("billTo")),
                        Json.address(record.path("shipTo")),
                        record.path("contacts")
                                .valueStream()
                                .map(each -> new Contact(
                                        text(each, "name"),
                                        text(each, "role"),
                                        text(each, "email"),
                                        text(each, "phone")))
                                .toList(),
                        !record.path("retired").asBoolean())
                .withTerms(text(record, "terms"));
    }

    private static Document document(JsonNode record, SourceLookup lookup) {
        CurrencyUnit currency = CurrencyUnit.of(text(record, "currency"));
        boolean inclusive = record.path("pricesIncludeVat").asBoolean();
        boolean credit = switch (text(record, "type")) {
            case "INVOICE" -> false;
            case "CREDIT_NOTE" -> true;
            default -> throw new IllegalArgumentException("of an unknown type");
        };
        List<DocumentLine> lines = new ArrayList<>();
        Money lineTotal = Money.zero(currency);
        for (JsonNode line : record.path("lines")) {
            DocumentLine mapped = line(line, text(record, "workOrder"), currency, lookup);
            lines.add(mapped);
            lineTotal = lineTotal.plus(mapped.amount());
        }
        Money discount = money(record, "discount", currency);
        List<AllowanceCharge> allowances = discount.isZero()
                ? List.of()
                : List.of(new AllowanceCharge(false, discount, "Discount", TaxCombination.NONE));
        StatedTotals totals = new StatedTotals(
                lineTotal,
                discount,
                Money.zero(currency),
                money(record, "net", currency),
                money(record, "vat", currency),
                money(record, "gross", currency));
        return new Document(
                credit ? RecordKind.CREDIT_NOTE : RecordKind.INVOICE,
                (credit ? TypeCode.CREDIT_NOTE : TypeCode.INVOICE).code(),
                "",
                text(record, "number"),
                LocalDate.parse(text(record, "date")),
                day(record, "due"),
                day(record, "finishedOn"),
                text(record, "site"),
                text(record, "workDone"),
                text(record, "terms"),
                fields(record),
                currency,
                rate(record),
                inclusive ? PriceMode.TAX_INCLUSIVE : PriceMode.NET,
                TaxRounding.PER_LINE,
                Ownership.SELLER,
                lookup.business(),
                lookup.party(text(record, "customer")).withoutContacts(),
                text(record, "corrects"),
                lines,
                allowances,
                List.of(),
                totals,
                text(record, "externalRef").isEmpty() ? Origin.SOURCE : Origin.LEDGER);
    }

    private static List<FieldValue> fields(JsonNode record) {
        List<FieldValue> fields = new ArrayList<>();
        for (JsonNode field : record.path("fields")) {
            String value = text(field, "value");
            if (!value.isEmpty()) {
                FieldType type = Extras.type(field);
                fields.add(new FieldValue(text(field, "code"), type, Extras.value(type, value)));
            }
        }
        return fields;
    }

    /// What one unit of its currency was worth when it was made out, if the yard says so.
    static StatedRate rate(JsonNode record) {
        BigDecimal rate = decimal(record, "rate");
        return rate.signum() == 0
                ? null
                : new StatedRate(CurrencyUnit.of(text(record, "rateTo")), rate, day(record, "rateOn"));
    }

    private static DocumentLine line(JsonNode line, String project, CurrencyUnit currency, SourceLookup lookup) {
        return new DocumentLine(
                text(line, "no"),
                kind(line),
                text(line, "item"),
                text(line, "text"),
                lookup.itemName(text(line, "item")),
                text(line, "note"),
                text(line, "category"),
                project,
                decimal(line, "quantity"),
                text(line, "unit"),
                decimal(line, "unitPrice"),
                BigDecimal.ONE,
                Money.zero(currency),
                money(line, "amount", currency),
                taxes(line, lookup));
    }

    private static LocalDate day(JsonNode node, String name) {
        return text(node, name).isEmpty() ? null : LocalDate.parse(text(node, name));
    }

    private static LineKind kind(JsonNode node) {
        return LineKind.valueOf(text(node, "kind"));
    }

    static Money money(JsonNode node, String name, CurrencyUnit currency) {
        return Money.of(currency, decimal(node, name), RoundingMode.UNNECESSARY);
    }

    static BigDecimal decimal(JsonNode node, String name) {
        return node.path(name).isMissingNode() || node.path(name).isNull()
                ? BigDecimal.ZERO
                : Understood.within(name, node.path(name).asDecimal());
    }

    static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }
}
