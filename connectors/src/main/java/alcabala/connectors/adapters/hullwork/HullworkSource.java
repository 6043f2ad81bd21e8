package alcabala.connectors.adapters.hullwork;

import alcabala.accounting.item.ItemField;
import alcabala.accounting.party.Party;
import alcabala.accounting.party.PartyField;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Family;
import alcabala.accounting.sync.LastChange;
import alcabala.accounting.sync.LastChanges;
import alcabala.connectors.Access;
import alcabala.connectors.SaidNoException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.http.Http;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Touched;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.AnswersByKey;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.ledger.FindsByReference;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.ReplacesDocuments;
import alcabala.connectors.ledger.RewritesItems;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.ledger.Standing;
import alcabala.connectors.ledger.TakesBack;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.ledger.TakesSettlements;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.connectors.source.Approves;
import alcabala.connectors.source.SourceChange;
import alcabala.connectors.source.SourceFeed;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.source.TellsOne;
import alcabala.connectors.source.WritesFields;
import alcabala.connectors.spi.Place;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/// Hullwork: a changes feed with a cursor, approval, and documents and payments that were entered elsewhere.
final class HullworkSource
        implements TellsChanges,
                TellsOne,
                Approves,
                WritesFields,
                CreatesMasters,
                RewritesParties,
                RewritesItems,
                TellsWhoChanged,
                TakesDocuments,
                ReplacesDocuments,
                TakesSettlements,
                TakesBack,
                AnswersByKey,
                FindsByReference {
    private final Http http;
    private final Touched touched;

    public HullworkSource(Place place, Access access) {
        http = new Http(HullworkMapping.SYSTEM, place, "/api", access);
        touched = new Touched(HullworkMapping.SYSTEM, http);
    }

    @Override
    public SourceFeed changes(long after, int limit) {
        JsonNode feed = http.get("/changes?after={after}&limit={limit}", JsonNode.class, after, limit);
        return Understood.feed(
                        HullworkMapping.SYSTEM,
                        after,
                        new Understood.Cursor(
                                feed.path("next"), feed.path("more").asBoolean()),
                        feed.path("changes"),
                        change -> HullworkMapping.label(text(change, "type"), change.path("record")),
                        change -> HullworkMapping.change(text(change, "type"), change.path("record")))
                .begunAs(text(feed, "begun"));
    }

    @Override
    public Optional<SourceChange> find(Family family, String ref) {
        String type = family == Family.DOCUMENT ? "document" : "payment";
        return http.find("/" + type + "s/{id}", JsonNode.class, ref)
                .flatMap(record -> Understood.change(
                        HullworkMapping.SYSTEM,
                        HullworkMapping.label(type, record),
                        record,
                        each -> HullworkMapping.change(type, each)));
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }

    @Override
    public Answer<LedgerRecord> post(LedgerSettlement settlement, String partyId, String reference, String key) {
        return http.post("/payments", body(settlement, partyId, reference), key, HullworkPayments::record);
    }

    @Override
    public String body(LedgerSettlement settlement, String partyId, String reference) {
        return Http.JSON.writeValueAsString(HullworkPayments.draft(settlement, partyId, reference));
    }

    @Override
    public Answer<LedgerRecord> post(LedgerDocument document, String partyId, String reference, String key) {
        return http.post("/documents", body(document, partyId, reference), key, HullworkEntered::record);
    }

    @Override
    public String body(LedgerDocument document, String partyId, String reference) {
        return Http.JSON.writeValueAsString(HullworkEntered.draft(document, partyId, reference));
    }

    @Override
    public Answer<LedgerRecord> change(
            Standing standing, LedgerDocument document, String partyId, String reference, String key) {
        return http.put(
                "/documents?externalRef={reference}",
                body(standing, document, partyId, reference),
                key,
                HullworkEntered::record,
                standing.id());
    }

    @Override
    public String body(Standing standing, LedgerDocument document, String partyId, String reference) {
        return body(document, partyId, reference);
    }

    @Override
    public String body(Standing standing, Cancellation cancellation) {
        return "{}";
    }

    @Override
    public Answer<LedgerRecord> takeBack(Standing standing, Cancellation cancellation, String key) {
        boolean document = cancellation.kind().isDocument();
        return http.post(
                "/%s/void?externalRef={reference}".formatted(document ? "documents" : "payments"),
                body(standing, cancellation),
                key,
                document ? HullworkEntered::record : HullworkPayments::record,
                standing.id());
    }

    @Override
    public Optional<LedgerRecord> findPosted(String key) {
        return findPayment("?key={key}", key).or(() -> findEntered("?key={key}", key));
    }

    @Override
    public Optional<LedgerRecord> findByReference(Family family, String reference) {
        return family == Family.SETTLEMENT
                ? findPayment("?externalRef={reference}", reference)
                : findEntered("?externalRef={reference}", reference);
    }

    private Optional<LedgerRecord> findPayment(String query, String by) {
        return find("/payments" + query, by, "payment of " + by, HullworkPayments::record);
    }

    private Optional<LedgerRecord> findEntered(String query, String by) {
        return find("/documents" + query, by, "document of " + by, HullworkEntered::record);
    }

    private Optional<LedgerRecord> find(String path, String by, String what, Function<JsonNode, LedgerRecord> reader) {
        return http.find(path, JsonNode.class, by)
                .map(node -> Understood.read(HullworkMapping.SYSTEM, what, () -> reader.apply(node)));
    }

    @Override
    public Answer<String> say(String documentId, String field, String value) {
        return http.put(
                "/documents/{id}/fields/{field}",
                Http.JSON.writeValueAsString(Map.of("value", value)),
                null,
                node -> said(node, field),
                documentId,
                field);
    }

    /// Hullwork gives it a code, and keeps no reference of ours.
    @Override
    public Answer<Party> create(Party party, String reference, String key) {
        Map<String, Object> body = Map.of("customer", HullworkMapping.whole(party), "version", 0);
        return http.post("/customers", Http.JSON.writeValueAsString(body), key, HullworkSource::party);
    }

    /// Under its own code.
    @Override
    public Answer<LedgerItem> create(LedgerItem item, String reference, String key) {
        Map<String, Object> body = Map.of("item", HullworkMapping.whole(item), "version", 0);
        return http.post(
                "/items", Http.JSON.writeValueAsString(body), key, node -> HullworkMapping.item(node.path("item")));
    }

    @Override
    public Optional<Party> findCreatedParty(String key) {
        return created("/customers?key={key}", key, HullworkSource::party);
    }

    @Override
    public Optional<LedgerItem> findCreatedItem(String key) {
        return created("/items?key={key}", key, node -> HullworkMapping.item(node.path("item")));
    }

    private <T> Optional<T> created(String path, String key, Function<JsonNode, T> reader) {
        return http.find(path, JsonNode.class, key)
                .map(node ->
                        Understood.read(HullworkMapping.SYSTEM, "its answer to a request", () -> reader.apply(node)));
    }

    /// Tax identifiers are changed by the office alone.
    @Override
    public Set<PartyField> partyFields() {
        return EnumSet.complementOf(EnumSet.of(PartyField.TAX_IDENTIFIER));
    }

    @Override
    public Optional<PartyThere> findParty(String code) {
        return http.find("/customers/{code}", JsonNode.class, code)
                .map(node -> Understood.read(
                        HullworkMapping.SYSTEM,
                        "customer " + code,
                        () -> new PartyThere(party(node), text(node, "version"))));
    }

    @Override
    public Answer<Party> change(PartyThere standing, Party party, String key) {
        Map<String, Object> body =
                Map.of("customer", HullworkMapping.draft(party), "version", Long.parseLong(standing.version()));
        return http.put(
                "/customers/{code}",
                Http.JSON.writeValueAsString(body),
                key,
                HullworkSource::party,
                standing.party().code());
    }

    /// What an item is, only the office says.
    @Override
    public Set<ItemField> itemFields() {
        return EnumSet.of(ItemField.NAME, ItemField.UNIT);
    }

    @Override
    public Optional<ItemThere> findItem(String code) {
        return http.find("/items/{code}", JsonNode.class, code)
                .map(node -> Understood.read(
                        HullworkMapping.SYSTEM,
                        "item " + code,
                        () -> new ItemThere(HullworkMapping.item(node.path("item")), text(node, "version"))));
    }

    @Override
    public Answer<LedgerItem> change(ItemThere standing, LedgerItem item, String key) {
        Map<String, Object> body =
                Map.of("item", HullworkMapping.draft(item), "version", Long.parseLong(standing.version()));
        return http.put(
                "/items/{code}",
                Http.JSON.writeValueAsString(body),
                key,
                node -> HullworkMapping.item(node.path("item")),
                standing.item().code());
    }

    /// Of a customer or an item as a whole.
    @Override
    public Map<String, LastChanges> partiesChanged(Collection<String> codes) {
        return touched.of("/customers/touched", codes, Map.of());
    }

    @Override
    public Map<String, LastChanges> itemsChanged(Collection<String> codes) {
        return touched.of("/items/touched", codes, Map.of());
    }

    @Override
    public Optional<LastChange> recordChanged(Family family, String ref) {
        return touched.of(family, ref);
    }

    private static Party party(JsonNode standing) {
        return Understood.party(HullworkMapping.party(standing.path("customer")));
    }

    private static String said(JsonNode document, String field) {
        return document.path("fields")
                .valueStream()
                .filter(each -> text(each, "code").equals(field))
                .map(each -> text(each, "value"))
                .findFirst()
                .orElse("");
    }

    @Override
    public void approve(String documentId) {
        Answer<String> answer = http.post(
                "/documents/{id}/approval",
                "{}",
                null,
                node -> node.get("status").asString(),
                documentId);
        switch (answer) {
            case Answer.Accepted<String> accepted -> {}
            case Answer.Refused<String> refused ->
                throw new SaidNoException(HullworkMapping.SYSTEM, refused.sentence());
            case Answer.Later<String> later ->
                throw new UnreachableException(HullworkMapping.SYSTEM, later.reason(), null);
            case Answer.Lost<String> lost ->
                throw new UnreachableException(HullworkMapping.SYSTEM, lost.reason(), null);
        }
    }
}
