package alcabala.connectors.adapters.inkwell;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.document.ItemKind;
import alcabala.accounting.document.Limits;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.tax.TaxRounding;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.Kept;
import alcabala.connectors.http.Extras;
import alcabala.connectors.http.Http;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.LedgerDimensionValue;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerRate;
import alcabala.connectors.ledger.LedgerRecord;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/// Inkwell's records in our words, and ours in Inkwell's.
final class InkwellMapping {
    private static final String SYSTEM = "Inkwell";
    private static final int MOST_FORBIDDEN = 100;
    private static final int LONGEST_VERSION = 100;
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private InkwellMapping() {}

    static LedgerCompany company(JsonNode company) {
        Set<String> features = new HashSet<>();
        company.path("plan").forEach(feature -> features.add(feature.asString()));
        return new LedgerCompany(
                text(company, "id"),
                text(company, "booksId"),
                text(company, "name"),
                text(company, "currency"),
                text(company, "taxRounding").equals("per-line") ? TaxRounding.PER_LINE : TaxRounding.PER_DOCUMENT,
                nameLimit(company),
                forbidden(company),
                LocalDate.parse(text(company, "lockedThrough")),
                company.path("appliesCredits").asBoolean(),
                company.path("tracksQuantities").asBoolean(),
                features,
                zone(text(company, "timeZone")),
                Instant.parse(text(company, "clock")),
                referenceVersion(company));
    }

    /// What is no version of a sensible length is none: everything is read again then.
    static String referenceVersion(JsonNode answer) {
        String version = answer.path("referenceVersion").asString("");
        return version.length() <= LONGEST_VERSION && version.codePoints().noneMatch(Kept::isUnfit) ? version : "";
    }

    static Map<String, Object> draft(LedgerDocument document, String partyId, String reference) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("number", document.number().isEmpty() ? null : document.number());
        if (document.number().isEmpty()) {
            body.put("numberPrefix", document.series().prefix());
            body.put("numberFrom", document.series().from());
        }
        body.put("status", document.draft() ? "draft" : "final");
        body.put("note", document.note());
        body.put("terms", document.terms().isEmpty() ? null : document.terms());
        body.put("fields", document.fields());
        body.put("toBeEmailed", document.toBeEmailed());
        body.put("kind", document.kind().word());
        body.put("party", partyId);
        body.put("date", document.issueDate().toString());
        body.put("due", document.dueDate() == null ? null : document.dueDate().toString());
        body.put("currency", document.currency().getCode());
        if (!document.rate().isSame()) {
            body.put("exchangeRate", document.rate().rate());
        }
        body.put("pricesIncludeTax", document.priceMode() == PriceMode.TAX_INCLUSIVE);
        body.put("controlAccount", document.controlAccount());
        body.put("externalReference", reference);
        body.put("creditsNumber", document.precedingNumber());
        body.put("lines", document.lines().stream().map(InkwellMapping::line).toList());
        return body;
    }

    private static int nameLimit(JsonNode company) {
        int limit = Integer.parseInt(text(company, "itemNameLimit"));
        if (limit < 1) {
            throw new AnswerUnusableException(SYSTEM, "the name of an item has at most " + limit + " characters");
        }
        return limit;
    }

    private static String forbidden(JsonNode company) {
        String forbidden = text(company, "itemNameForbids");
        if (forbidden.length() > MOST_FORBIDDEN) {
            throw new AnswerUnusableException(
                    SYSTEM, "more than " + MOST_FORBIDDEN + " characters are forbidden in the name of an item");
        }
        return forbidden;
    }

    private static ZoneId zone(String name) {
        try {
            return ZoneId.of(name);
        } catch (DateTimeException e) {
            throw new AnswerUnusableException(SYSTEM, "the company is in the unknown time zone “" + name + "”");
        }
    }

    private static Map<String, Object> line(LedgerLine line) {
        Map<String, Object> body = new LinkedHashMap<>();
        String item = line.counterpart().isEmpty() ? line.item() : line.counterpart();
        body.put("item", item.isEmpty() ? null : item);
        body.put("account", line.account());
        body.put("text", line.description());
        body.put("quantity", line.quantity());
        body.put("unitPrice", line.price());
        body.put("adjustment", line.adjustment().getAmount());
        body.put("amount", line.amount().getAmount());
        body.put("taxCode", isCode(line.taxCode()) ? line.taxCode() : null);
        if (LedgerTaxCode.isOfLedgerThatDecides(line.taxCode())) {
            body.put("taxable", line.taxCode().equals(LedgerTaxCode.TAXABLE));
        }
        if (!line.dimensions().isEmpty()) {
            body.put("dimensions", line.dimensions());
        }
        return body;
    }

    /// What stands in for a code where Inkwell decides tax is none that it knows.
    static boolean isCode(String taxCode) {
        return !taxCode.isEmpty() && !LedgerTaxCode.isOfLedgerThatDecides(taxCode);
    }

    static LedgerRecord record(JsonNode node) {
        if (node.has("entries")) {
            return InkwellJournals.record(node);
        }
        return node.has("allocations")
                ? InkwellPayments.record(node)
                : Http.JSON.treeToValue(standing(node), LedgerRecord.class).complete();
    }

    private static JsonNode standing(JsonNode document) {
        boolean taken = text(document, "status").equals("void") && document instanceof ObjectNode;
        return taken ? ((ObjectNode) document.deepCopy()).put("taken", true) : document;
    }

    /// Without what only creating it says.
    static Map<String, Object> draft(Party party, int version) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("name", party.name());
        body.put("taxIdentifier", party.taxIdentifier());
        body.put("email", party.email());
        body.put("phone", party.phone());
        body.put("billTo", Json.body(party.billTo()));
        body.put("shipTo", Json.body(party.shipTo()));
        body.put("terms", party.terms());
        body.put("active", party.active());
        body.put("version", version);
        return body;
    }

    static Party party(JsonNode node) {
        Party party = new Party(
                        text(node, "id"),
                        text(node, "name"),
                        text(node, "taxIdentifier"),
                        text(node, "email"),
                        text(node, "phone"),
                        Json.address(node.path("billTo")),
                        Json.address(node.path("shipTo")),
                        node.path("active").asBoolean())
                .withTerms(text(node, "terms"));
        return Understood.party(party);
    }

    static LedgerAccount account(JsonNode node) {
        return new LedgerAccount(
                text(node, "code"),
                text(node, "name"),
                known(AccountType.class, text(node, "type"), "account " + text(node, "code")),
                node.path("active").asBoolean());
    }

    static LedgerTaxCode taxCode(JsonNode node) {
        String code = text(node, "code");
        if (!node.path("rate").isNumber()) {
            throw new AnswerUnusableException(SYSTEM, "tax code " + code + " has no rate");
        }
        return new LedgerTaxCode(
                code,
                text(node, "name"),
                node.path("rate").asDecimal(),
                known(TaxCategory.class, text(node, "category"), "tax code " + code),
                node.path("bothSides").asBoolean(),
                node.path("deductible").isNumber() ? node.path("deductible").asDecimal() : HUNDRED,
                text(node, "account"),
                text(node, "inputAccount"),
                node.path("active").asBoolean());
    }

    private static <E extends Enum<E>> E known(Class<E> type, String word, String where) {
        try {
            return Enum.valueOf(type, word.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new AnswerUnusableException(
                    SYSTEM, where + (word.isEmpty() ? " has no type" : " is of the unknown type “" + word + "”"));
        }
    }

    static LedgerDimensionValue dimension(JsonNode node) {
        return new LedgerDimensionValue(
                text(node, "code"),
                text(node, "name"),
                text(node, "value"),
                text(node, "title"),
                node.path("active").asBoolean());
    }

    static CodedTerms terms(JsonNode node) {
        return new CodedTerms(
                text(node, "code"),
                text(node, "name"),
                Extras.terms(node),
                node.path("active").asBoolean());
    }

    static CustomField field(JsonNode node) {
        return Extras.field(node, "title", "values");
    }

    static LedgerRate rate(JsonNode node) {
        BigDecimal rate = node.path("rate").asDecimal();
        if (!Limits.isExchangeRate(rate)) {
            throw new AnswerUnusableException(
                    SYSTEM, "a rate of " + text(node, "currency") + " is " + rate.toPlainString());
        }
        return new LedgerRate(
                CurrencyUnit.of(text(node, "currency")).getCode(), LocalDate.parse(text(node, "day")), rate);
    }

    static Map<String, Object> draft(LedgerItem item, int version) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("code", item.code());
        body.put("name", item.name());
        // A kind that is not known here stays what it is there.
        if (item.kind() != null) {
            body.put("kind", item.kind().name().toLowerCase(Locale.ROOT));
        }
        body.put("unit", item.unit());
        body.put("account", item.account());
        body.put("purchaseAccount", orNull(item.purchase().expense()));
        body.put("costAccount", orNull(item.purchase().cost()));
        body.put("stockAccount", orNull(item.purchase().stock()));
        body.put("taxCode", isCode(item.taxCode()) ? item.taxCode() : null);
        body.put("active", item.active());
        body.put("version", version);
        return body;
    }

    static LedgerItem item(JsonNode node) {
        return new LedgerItem(
                text(node, "code"),
                text(node, "name"),
                kind(text(node, "kind")),
                text(node, "unit"),
                text(node, "account"),
                new LedgerItem.Purchase(
                        text(node, "purchaseAccount"), text(node, "costAccount"), text(node, "stockAccount")),
                text(node, "taxCode"),
                node.path("active").asBoolean());
    }

    /// Inkwell knows kinds that we do not, and some items have none.
    private static ItemKind kind(String word) {
        return Arrays.stream(ItemKind.values())
                .filter(each -> each.name().equalsIgnoreCase(word))
                .findFirst()
                .orElse(null);
    }

    private static String orNull(String code) {
        return code.isEmpty() ? null : code;
    }

    static String write(Object body) {
        return Http.JSON.writeValueAsString(body);
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }
}
