package alcabala.connectors.adapters.inkwell;

import alcabala.accounting.custom.CustomField;
import alcabala.accounting.item.ItemField;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.party.PartyField;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.sync.LastChange;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.terms.CodedTerms;
import alcabala.connectors.Access;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.Unusable;
import alcabala.connectors.http.Http;
import alcabala.connectors.http.Json;
import alcabala.connectors.http.Touched;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.AnswersByKey;
import alcabala.connectors.ledger.Counts;
import alcabala.connectors.ledger.CreatesBelow;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.ledger.DescribesCompany;
import alcabala.connectors.ledger.FeedsChanges;
import alcabala.connectors.ledger.FindsByReference;
import alcabala.connectors.ledger.FindsRecords;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.LedgerCounts;
import alcabala.connectors.ledger.LedgerDimensionValue;
import alcabala.connectors.ledger.LedgerFeed;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.LedgerRate;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.ReadsReferenceData;
import alcabala.connectors.ledger.ReplacesDocuments;
import alcabala.connectors.ledger.ReplacesJournals;
import alcabala.connectors.ledger.ReplacesSettlements;
import alcabala.connectors.ledger.RewritesItems;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.ledger.Standing;
import alcabala.connectors.ledger.TakesBack;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.ledger.TakesJournals;
import alcabala.connectors.ledger.TakesSettlements;
import alcabala.connectors.ledger.TellsBalances;
import alcabala.connectors.ledger.TellsNumbers;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.connectors.spi.Place;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/// Inkwell over HTTP. It keeps the answer to every Idempotency-Key, so a lost answer can be asked for.
final class InkwellLedger
        implements DescribesCompany,
                ReadsReferenceData,
                CreatesBelow,
                CreatesMasters,
                RewritesItems,
                RewritesParties,
                TellsWhoChanged,
                TakesDocuments,
                ReplacesDocuments,
                TakesSettlements,
                ReplacesSettlements,
                TakesJournals,
                ReplacesJournals,
                TakesBack,
                AnswersByKey,
                FindsByReference,
                FindsRecords,
                FeedsChanges,
                TellsNumbers,
                TellsBalances,
                Counts {
    private static final String SYSTEM = "Inkwell";
    private static final Set<String> CROSSES = Set.of("document", "payment", "journal");
    /// Our fields by its own.
    private static final Map<String, String> PARTY = Map.of(
            "name", PartyField.NAME.code(),
            "taxIdentifier", PartyField.TAX_IDENTIFIER.code(),
            "email", PartyField.E_MAIL.code(),
            "phone", PartyField.PHONE.code(),
            "billTo", PartyField.BILL_TO.code(),
            "shipTo", PartyField.SHIP_TO.code(),
            "terms", PartyField.TERMS.code(),
            "active", PartyField.IN_USE.code());

    private static final Map<String, String> ITEM = Map.of(
            "name", ItemField.NAME.code(),
            "unit", ItemField.UNIT.code(),
            "kind", ItemField.KIND.code(),
            "active", ItemField.IN_USE.code());
    private final Http http;
    private final Touched touched;

    public InkwellLedger(Place place, Access access) {
        http = new Http(SYSTEM, place, "/api/companies/" + place.company(), access);
        touched = new Touched(SYSTEM, http);
    }

    @Override
    public LedgerCompany company() {
        JsonNode company = http.get("", JsonNode.class);
        return Understood.read(SYSTEM, "what it says of the company", () -> InkwellMapping.company(company));
    }

    @Override
    public void accounts(Consumer<List<LedgerAccount>> page) {
        pages("/accounts", "code", InkwellMapping::account, page);
    }

    @Override
    public void taxCodes(Consumer<List<LedgerTaxCode>> page) {
        if (decidesTax()) {
            page.accept(LedgerTaxCode.ofLedgerThatDecides());
        } else {
            pages("/tax-codes", "code", InkwellMapping::taxCode, page);
        }
    }

    private boolean decidesTax() {
        return http.get("", JsonNode.class)
                .path("plan")
                .valueStream()
                .anyMatch(feature -> feature.asString().equals(LedgerCompany.DECIDES_TAX));
    }

    @Override
    public void parties(Consumer<List<Party>> page) {
        pages("/parties", "id", InkwellMapping::party, page);
    }

    @Override
    public void items(Consumer<List<LedgerItem>> page) {
        pages("/items", "code", InkwellMapping::item, page);
    }

    @Override
    public void dimensions(Consumer<List<LedgerDimensionValue>> page) {
        page.accept(whole("/dimensions", "its dimensions", InkwellMapping::dimension));
    }

    @Override
    public void rates(Consumer<List<LedgerRate>> page) {
        page.accept(whole("/rates", "its rates of exchange", InkwellMapping::rate));
    }

    @Override
    public void terms(Consumer<List<CodedTerms>> page) {
        page.accept(whole("/terms", "its terms of payment", InkwellMapping::terms));
    }

    @Override
    public void fields(Consumer<List<CustomField>> page) {
        page.accept(whole("/fields", "its fields", InkwellMapping::field));
    }

    /// A list that is short enough to be told at once.
    private <T> List<T> whole(String path, String what, Function<JsonNode, T> mapping, Object... asked) {
        JsonNode values = Understood.list(SYSTEM, what, http.get(path, JsonNode.class, asked));
        return Understood.read(
                SYSTEM, what, () -> values.valueStream().map(mapping).toList());
    }

    @Override
    public Answer<Party> create(Party party, String reference, String key) {
        return create(party, null, reference, key);
    }

    @Override
    public Answer<Party> createBelow(Party party, String parentId, String reference, String key) {
        return create(party, parentId, reference, key);
    }

    private Answer<Party> create(Party party, String parentId, String reference, String key) {
        Map<String, Object> body = InkwellMapping.draft(party, 0);
        body.put("active", true);
        body.put("contacts", party.contacts());
        body.put("parent", parentId);
        body.put("externalReference", reference);
        return http.post("/parties", InkwellMapping.write(body), key, InkwellMapping::party);
    }

    @Override
    public Set<PartyField> partyFields() {
        return EnumSet.allOf(PartyField.class);
    }

    @Override
    public Optional<RewritesParties.PartyThere> findParty(String code) {
        return http.find("/parties/{id}", JsonNode.class, code)
                .map(node -> Understood.read(
                        SYSTEM,
                        "party " + code,
                        () -> new RewritesParties.PartyThere(InkwellMapping.party(node), text(node, "version"))));
    }

    @Override
    public Answer<Party> change(RewritesParties.PartyThere standing, Party party, String key) {
        String body = InkwellMapping.write(InkwellMapping.draft(party, Integer.parseInt(standing.version())));
        return http.put(
                "/parties/{id}",
                body,
                key,
                InkwellMapping::party,
                standing.party().code());
    }

    /// Of each field.
    @Override
    public Map<String, LastChanges> partiesChanged(Collection<String> codes) {
        return touched.of("/parties/touched", codes, PARTY);
    }

    @Override
    public Map<String, LastChanges> itemsChanged(Collection<String> codes) {
        return touched.of("/items/touched", codes, ITEM);
    }

    @Override
    public Optional<LastChange> recordChanged(Family family, String ref) {
        return touched.of(family, ref);
    }

    @Override
    public Answer<LedgerItem> create(LedgerItem item, String reference, String key) {
        Map<String, Object> body = InkwellMapping.draft(item, 0);
        body.put("externalReference", reference);
        return http.post("/items", InkwellMapping.write(body), key, InkwellMapping::item);
    }

    @Override
    public Set<ItemField> itemFields() {
        return EnumSet.allOf(ItemField.class);
    }

    @Override
    public Optional<RewritesItems.ItemThere> findItem(String code) {
        return http.find("/items/{code}", JsonNode.class, code)
                .map(node -> Understood.read(
                        SYSTEM,
                        "item " + code,
                        () -> new RewritesItems.ItemThere(InkwellMapping.item(node), text(node, "version"))));
    }

    @Override
    public Answer<LedgerItem> change(RewritesItems.ItemThere standing, LedgerItem item, String key) {
        String body = InkwellMapping.write(InkwellMapping.draft(item, Integer.parseInt(standing.version())));
        return http.put("/items/{code}", body, key, InkwellMapping::item, item.code());
    }

    @Override
    public Answer<LedgerRecord> post(LedgerDocument document, String partyId, String reference, String key) {
        return http.post("/documents", body(document, partyId, reference), key, InkwellMapping::record);
    }

    @Override
    public Answer<LedgerRecord> change(
            Standing standing, LedgerDocument document, String partyId, String reference, String key) {
        return http.put(
                "/documents/{id}",
                body(standing, document, partyId, reference),
                key,
                InkwellMapping::record,
                standing.id());
    }

    @Override
    public String body(LedgerDocument document, String partyId, String reference) {
        return InkwellMapping.write(InkwellMapping.draft(document, partyId, reference));
    }

    @Override
    public String body(Standing standing, LedgerDocument document, String partyId, String reference) {
        Map<String, Object> body = InkwellMapping.draft(document, partyId, reference);
        body.putIfAbsent("number", standing.number());
        body.put("version", standing.version());
        return InkwellMapping.write(body);
    }

    @Override
    public Answer<LedgerRecord> post(LedgerSettlement settlement, String partyId, String reference, String key) {
        return http.post("/payments", body(settlement, partyId, reference), key, InkwellMapping::record);
    }

    @Override
    public String body(LedgerSettlement settlement, String partyId, String reference) {
        return InkwellMapping.write(InkwellPayments.draft(settlement, partyId, reference));
    }

    @Override
    public Answer<LedgerRecord> change(
            Standing standing, LedgerSettlement settlement, String partyId, String reference, String key) {
        return http.put(
                "/payments/{id}?version={version}",
                body(standing, settlement, partyId, reference),
                key,
                InkwellMapping::record,
                standing.id(),
                standing.version());
    }

    @Override
    public String body(Standing standing, LedgerSettlement settlement, String partyId, String reference) {
        return body(settlement, partyId, reference);
    }

    @Override
    public Answer<LedgerRecord> post(LedgerJournal journal, String reference, String key) {
        return http.post("/journals", body(journal, reference), key, InkwellMapping::record);
    }

    @Override
    public String body(LedgerJournal journal, String reference) {
        return InkwellMapping.write(InkwellJournals.draft(journal, reference));
    }

    @Override
    public Answer<LedgerRecord> change(Standing standing, LedgerJournal journal, String reference, String key) {
        return http.put(
                "/journals/{id}?version={version}",
                body(standing, journal, reference),
                key,
                InkwellMapping::record,
                standing.id(),
                standing.version());
    }

    @Override
    public String body(Standing standing, LedgerJournal journal, String reference) {
        return body(journal, reference);
    }

    /// A payment is taken back whatever version of it stands there.
    @Override
    public String body(Standing standing, Cancellation cancellation) {
        Map<String, Object> body = new LinkedHashMap<>();
        if (!cancellation.kind().isSettlement()) {
            body.put("version", standing.version());
        }
        if (cancellation.on() != null) {
            body.put("on", cancellation.on().toString());
        }
        return InkwellMapping.write(body);
    }

    @Override
    public Answer<LedgerRecord> takeBack(Standing standing, Cancellation cancellation, String key) {
        return http.post(
                path(cancellation.kind().family()) + "/{id}/void",
                body(standing, cancellation),
                key,
                InkwellMapping::record,
                standing.id());
    }

    @Override
    public Optional<LedgerRecord> findPosted(String key) {
        return request(key, InkwellMapping::record);
    }

    @Override
    public Optional<Party> findCreatedParty(String key) {
        return request(key, InkwellMapping::party);
    }

    @Override
    public Optional<LedgerItem> findCreatedItem(String key) {
        return request(key, InkwellMapping::item);
    }

    /// Inkwell keeps its answer to every request that it did.
    private <T> Optional<T> request(String key, Function<JsonNode, T> reader) {
        return http.find("/requests/{key}", JsonNode.class, key)
                .map(node -> Understood.read(SYSTEM, "its answer to a request", () -> reader.apply(node)));
    }

    @Override
    public Optional<LedgerRecord> findByReference(Family family, String reference) {
        return http.find(path(family) + "?externalReference={reference}", JsonNode.class, reference)
                .map(node -> Understood.read(SYSTEM, "record of " + reference, () -> InkwellMapping.record(node)));
    }

    @Override
    public Optional<LedgerRecord> findRecord(Family family, String id) {
        return http.find(path(family) + "/{id}", JsonNode.class, id)
                .map(node -> Understood.read(SYSTEM, "record " + id, () -> InkwellMapping.record(node)));
    }

    /// A journal has no number of its own that anybody knows it by.
    @Override
    public List<LedgerRecord> numbered(Family family, String number) {
        if (family == Family.TRANSFER) {
            return List.of();
        }
        return whole(
                path(family) + "/numbered?number={number}",
                "what has the number " + number,
                InkwellMapping::record,
                number);
    }

    private static String path(Family family) {
        return switch (family) {
            case DOCUMENT -> "/documents";
            case SETTLEMENT -> "/payments";
            case TRANSFER -> "/journals";
        };
    }

    @Override
    public LedgerFeed changes(long after, int limit) {
        JsonNode feed = http.get("/changes?after={after}&limit={limit}", JsonNode.class, after, limit);
        JsonNode changes = Understood.list(SYSTEM, "changes", feed.path("changes"));
        Understood.Cursor cursor =
                new Understood.Cursor(feed.path("next"), feed.path("more").asBoolean());
        cursor.requireOnward(SYSTEM, after);
        List<LedgerRecord> records = new ArrayList<>();
        List<String> gone = new ArrayList<>();
        List<Unusable> setAside = new ArrayList<>();
        for (JsonNode change : changes) {
            JsonNode record = change.path("record");
            String type = text(change, "type");
            if (CROSSES.contains(type) && change.path("deleted").asBoolean()) {
                gone.add(text(change, "id"));
            } else if (CROSSES.contains(type)
                    && record.isObject()
                    && (!type.equals("journal") || InkwellJournals.isOurs(record))) {
                read(type, record, records, setAside);
            }
        }
        return new LedgerFeed(
                records, gone, setAside, cursor.next().asLong(), cursor.more(), InkwellMapping.referenceVersion(feed));
    }

    private static void read(String type, JsonNode record, List<LedgerRecord> records, List<Unusable> setAside) {
        Understood.Label label = new Understood.Label(type, text(record, "id"), text(record, "number"));
        try {
            records.add(Understood.read(SYSTEM, label.sentence(), () -> InkwellMapping.record(record)));
        } catch (AnswerUnusableException e) {
            setAside.add(Understood.unusable(label, e.what(), record));
        }
    }

    @Override
    public Map<String, String> numbersTaken(Collection<String> numbers) {
        Map<String, String> taken = new HashMap<>();
        Answer<JsonNode> answer = http.post("/numbers/taken", InkwellMapping.write(numbers), null, node -> node);
        if (!(answer instanceof Answer.Accepted<JsonNode> accepted)) {
            throw new UnreachableException(SYSTEM, "did not say which numbers are in use", null);
        }
        accepted.record().forEach(node -> taken.put(text(node, "number"), text(node, "externalReference")));
        return taken;
    }

    @Override
    public Map<RecordKind, String> highestNumbers() {
        Map<RecordKind, String> highest = new EnumMap<>(RecordKind.class);
        for (JsonNode node : http.get("/numbers/highest", JsonNode.class)) {
            boolean credit = text(node, "kind").equals("credit-note");
            highest.put(credit ? RecordKind.CREDIT_NOTE : RecordKind.INVOICE, text(node, "number"));
        }
        return highest;
    }

    @Override
    public LedgerCounts counts() {
        JsonNode node = http.get("/counts", JsonNode.class);
        return new LedgerCounts(
                node.path("parties").asLong(),
                node.path("items").asLong(),
                node.path("documents").asLong(),
                node.path("gross").asDecimal(),
                node.path("paid").asDecimal(),
                node.path("open").asDecimal());
    }

    private static String text(JsonNode node, String name) {
        return Json.text(node, name);
    }

    /// Asks on after the last one of each page, until a page is not full. The next page is on its way while this one is
    /// worked on.
    private <T> void pages(String path, String key, Function<JsonNode, T> mapping, Consumer<List<T>> page) {
        new InkwellPages(http)
                .of(
                        path + "?",
                        key,
                        answer -> page.accept(answer.valueStream()
                                .map(node -> Understood.read(
                                        SYSTEM, "an entry of " + path.substring(1), () -> mapping.apply(node)))
                                .toList()));
    }

    @Override
    public List<Balance> balances(LocalDate day) {
        JsonNode balances =
                Understood.list(SYSTEM, "balances", http.get("/balances?on={on}", JsonNode.class, day.toString()));
        return Understood.read(
                SYSTEM,
                "its balances",
                () -> balances.valueStream().map(InkwellOpen::balance).toList());
    }

    @Override
    public void openDocuments(LocalDate day, Consumer<OpenPage> page) {
        new InkwellPages(http)
                .of("/documents/open?on=" + day + "&", "id", answer -> page.accept(InkwellOpen.page(answer)));
    }
}
