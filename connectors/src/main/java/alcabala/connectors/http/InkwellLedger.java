package alcabala.connectors.http;

import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.tax.TaxRounding;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.LedgerConnector;
import alcabala.connectors.ledger.LedgerFeed;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerRecord;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/// Inkwell over HTTP. It keeps the answer to every Idempotency-Key, so a lost answer can be asked for.
public final class InkwellLedger implements LedgerConnector {
    private final Http http;

    public InkwellLedger(String address, String key, Duration patience) {
        http = new Http("Inkwell", address + "/inkwell/api", key, patience);
    }

    @Override
    public LedgerCompany company() {
        JsonNode company = http.get("/company", JsonNode.class);
        return new LedgerCompany(
                text(company, "name"),
                text(company, "currency"),
                text(company, "taxRounding").equals("per-line") ? TaxRounding.PER_LINE : TaxRounding.PER_DOCUMENT,
                company.path("itemNameLimit").asInt(),
                LocalDate.parse(text(company, "lockedThrough")));
    }

    @Override
    public List<LedgerAccount> accounts() {
        return list(
                "/accounts",
                node -> new LedgerAccount(
                        text(node, "code"),
                        text(node, "name"),
                        AccountType.valueOf(text(node, "type").toUpperCase(Locale.ROOT)),
                        node.path("active").asBoolean()));
    }

    @Override
    public List<LedgerTaxCode> taxCodes() {
        return list(
                "/tax-codes",
                node -> new LedgerTaxCode(
                        text(node, "code"),
                        text(node, "name"),
                        node.path("rate").asDecimal(),
                        TaxCategory.valueOf(text(node, "category")),
                        text(node, "account"),
                        node.path("active").asBoolean()));
    }

    @Override
    public List<Party> parties() {
        return list("/customers", InkwellLedger::party);
    }

    @Override
    public List<LedgerItem> items() {
        return list("/items", InkwellLedger::item);
    }

    @Override
    public Answer<Party> create(Party party, String reference, String key) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("name", party.name());
        body.put("taxIdentifier", party.taxIdentifier());
        body.put("email", party.email());
        body.put("phone", party.phone());
        body.put("billTo", address(party.billTo()));
        body.put("shipTo", address(party.shipTo()));
        body.put("externalReference", reference);
        body.put("active", true);
        body.put("version", 0);
        return http.post("/customers", write(body), key, InkwellLedger::party);
    }

    @Override
    public Answer<LedgerItem> create(LedgerItem item, String reference, String key) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("code", item.code());
        body.put("name", item.name());
        body.put("account", item.account());
        body.put("taxCode", item.taxCode().isEmpty() ? null : item.taxCode());
        body.put("externalReference", reference);
        body.put("active", true);
        body.put("version", 0);
        return http.post("/items", write(body), key, InkwellLedger::item);
    }

    @Override
    public Answer<LedgerRecord> post(LedgerDocument document, String partyId, String reference, String key) {
        return http.post("/documents", body(document, partyId, reference), key, InkwellLedger::record);
    }

    @Override
    public String body(LedgerDocument document, String partyId, String reference) {
        Map<String, Object> body = new LinkedHashMap<>();
        body.put("number", document.number());
        body.put("kind", document.kind() == DocumentKind.CREDIT_NOTE ? "credit-note" : "invoice");
        body.put("customer", partyId);
        body.put("date", document.issueDate().toString());
        body.put("due", document.dueDate() == null ? null : document.dueDate().toString());
        body.put("currency", document.currency().getCode());
        body.put("pricesIncludeTax", document.priceMode() == PriceMode.TAX_INCLUSIVE);
        body.put("receivableAccount", document.controlAccount());
        body.put("externalReference", reference);
        body.put("creditsNumber", document.precedingNumber());
        body.put("lines", document.lines().stream().map(InkwellLedger::line).toList());
        return write(body);
    }

    @Override
    public Optional<String> findRequest(String key) {
        return http.find("/requests/{key}", JsonNode.class, key).map(JsonNode::toString);
    }

    @Override
    public Optional<LedgerRecord> findByReference(String reference) {
        return http.find("/documents?externalReference={reference}", JsonNode.class, reference)
                .map(InkwellLedger::record);
    }

    @Override
    public LedgerRecord document(String id) {
        return record(http.get("/documents/{id}", JsonNode.class, id));
    }

    @Override
    public LedgerFeed changes(long after, int limit) {
        JsonNode feed = http.get("/changes?after={after}&limit={limit}", JsonNode.class, after, limit);
        List<LedgerRecord> documents = new ArrayList<>();
        boolean masters = false;
        for (JsonNode change : feed.get("changes")) {
            if (!text(change, "type").equals("document")) {
                masters = true;
            } else if (!change.get("record").isNull()) {
                documents.add(record(change.get("record")));
            }
        }
        return new LedgerFeed(
                documents, masters, feed.get("next").asLong(), feed.get("more").asBoolean());
    }

    private static Map<String, Object> line(LedgerLine line) {
        Map<String, Object> body = new LinkedHashMap<>();
        String item = line.counterpart().isEmpty() ? line.item() : line.counterpart();
        body.put("item", item.isEmpty() ? null : item);
        body.put("account", line.account());
        body.put("text", line.description());
        body.put("quantity", line.quantity());
        body.put("unitPrice", line.price());
        body.put("amount", line.amount().getAmount());
        body.put("taxCode", line.taxCode().isEmpty() ? null : line.taxCode());
        return body;
    }

    /// The ledger's answer to a document, as it stands in an answer or in the request store.
    public static LedgerRecord record(JsonNode node) {
        return Http.JSON.treeToValue(node, LedgerRecord.class);
    }

    public static LedgerRecord record(String json) {
        return Http.JSON.readValue(json, LedgerRecord.class);
    }

    /// The id in a kept answer.
    public static String idOf(String json) {
        return text(Http.JSON.readTree(json), "id");
    }

    private static Party party(JsonNode node) {
        return new Party(
                text(node, "id"),
                text(node, "name"),
                text(node, "taxIdentifier"),
                text(node, "email"),
                text(node, "phone"),
                HullworkMapping.address(node.path("billTo")),
                HullworkMapping.address(node.path("shipTo")),
                node.path("active").asBoolean());
    }

    private static LedgerItem item(JsonNode node) {
        return new LedgerItem(
                text(node, "code"),
                text(node, "name"),
                text(node, "account"),
                text(node, "taxCode"),
                node.path("active").asBoolean());
    }

    private static Map<String, String> address(Address address) {
        return Map.of(
                "street", address.street(),
                "city", address.city(),
                "postalZone", address.postalZone(),
                "country", address.country());
    }

    private static String text(JsonNode node, String name) {
        return HullworkMapping.text(node, name);
    }

    private static String write(Object body) {
        return Http.JSON.writeValueAsString(body);
    }

    private <T> List<T> list(String path, java.util.function.Function<JsonNode, T> mapping) {
        List<T> list = new ArrayList<>();
        http.get(path, JsonNode.class).forEach(node -> list.add(mapping.apply(node)));
        return list;
    }
}
