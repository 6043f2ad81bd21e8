package standins.inkwell;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import standins.Refusal;
import standins.touched.Touches;
import standins.touched.Touches.Touch;

@RestController
@RequestMapping("/inkwell/api/companies/{company}")
class InkwellApi {
    private static final Map<String, String> TYPES =
            Map.of("parties", "party", "items", "item", "documents", "document", "payments", "payment");
    private static final String KEY = "Idempotency-Key";
    private final Masters masters;
    private final Items items;
    private final Posting posting;
    private final Payments payments;
    private final Entries entries;
    private final Voiding voiding;
    private final Numbers numbers;
    private final OpenItems openItems;
    private final Requests requests;
    private final Added added;
    private final JdbcClient jdbc;

    InkwellApi(
            Masters masters,
            Items items,
            Posting posting,
            Payments payments,
            Entries entries,
            Voiding voiding,
            Numbers numbers,
            OpenItems openItems,
            Requests requests,
            Added added,
            JdbcClient jdbc) {
        this.added = added;
        this.masters = masters;
        this.items = items;
        this.posting = posting;
        this.payments = payments;
        this.entries = entries;
        this.voiding = voiding;
        this.numbers = numbers;
        this.openItems = openItems;
        this.requests = requests;
        this.jdbc = jdbc;
    }

    record Change(long seq, String type, String id) {}

    /// @param record the record as it is now; null when it was deleted
    record Changed(long cursor, String type, String id, boolean deleted, Object record) {}

    /// @param referenceVersion of all masters and settings
    record Feed(List<Changed> changes, long next, boolean more, String referenceVersion) {}

    @GetMapping
    Books.CompanySettings company() {
        return masters.company();
    }

    @GetMapping("/accounts")
    List<Books.Account> accounts(
            @RequestParam(defaultValue = "") String after, @RequestParam(defaultValue = "100000") int limit) {
        return masters.accounts(after, limit);
    }

    @GetMapping("/tax-codes")
    List<Books.TaxCode> taxCodes(
            @RequestParam(defaultValue = "") String after, @RequestParam(defaultValue = "100000") int limit) {
        return masters.taxCodes(after, limit);
    }

    @GetMapping("/rates")
    List<Books.DayRate> rates() {
        return masters.rates();
    }

    @GetMapping("/terms")
    List<Books.Terms> terms() {
        return added.terms();
    }

    @GetMapping("/fields")
    List<Books.Field> fields() {
        return added.fields();
    }

    @GetMapping("/dimensions")
    List<Books.DimensionValue> dimensions() {
        return masters.dimensions();
    }

    @GetMapping("/parties")
    List<Books.Party> parties(
            @RequestParam(defaultValue = "") String after, @RequestParam(defaultValue = "100000") int limit) {
        return masters.parties(after, limit);
    }

    @PostMapping("/parties")
    ResponseEntity<String> addParty(
            @RequestHeader(name = KEY, required = false) String key, @RequestBody Books.Party draft) {
        return requests.once(key, () -> masters.add(draft));
    }

    @GetMapping("/parties/{id}")
    Books.Party party(@PathVariable String id) {
        return masters.findParty(id).orElseThrow(() -> Refusal.notFound("party " + id));
    }

    @PutMapping("/parties/{id}")
    ResponseEntity<String> changeParty(
            @PathVariable String id,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Books.Party draft) {
        return requests.once(key, () -> masters.change(id, draft));
    }

    @PostMapping("/{records}/touched")
    List<Touch> touched(@PathVariable String records, @RequestBody List<String> ids) {
        return masters.touched(Touches.type(TYPES, records), ids);
    }

    @GetMapping("/items")
    List<Books.Item> items(
            @RequestParam(defaultValue = "") String after, @RequestParam(defaultValue = "100000") int limit) {
        return items.page(after, limit);
    }

    @PostMapping("/items")
    ResponseEntity<String> addItem(
            @RequestHeader(name = KEY, required = false) String key, @RequestBody Books.Item draft) {
        return requests.once(key, () -> items.add(draft));
    }

    @GetMapping("/items/{code}")
    Books.Item item(@PathVariable String code) {
        return items.find(code).orElseThrow(() -> Refusal.notFound("item " + code));
    }

    @PutMapping("/items/{code}")
    ResponseEntity<String> changeItem(
            @PathVariable String code,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Books.Item draft) {
        return requests.once(key, () -> items.change(code, draft));
    }

    @PostMapping("/documents")
    ResponseEntity<String> post(
            @RequestHeader(name = KEY, required = false) String key, @RequestBody Books.Draft draft) {
        return requests.once(key, () -> posting.post(draft));
    }

    @PutMapping("/documents/{id}")
    ResponseEntity<String> change(
            @PathVariable String id,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Books.Draft draft) {
        return requests.once(key, () -> posting.change(id, draft));
    }

    /// @param version that was read
    /// @param on the day of the opposite entry; null for the document's own
    record Taken(Integer version, LocalDate on) {}

    @PostMapping("/documents/{id}/void")
    ResponseEntity<String> voidDocument(
            @PathVariable String id,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Taken taken) {
        return requests.once(key, () -> voiding.voidDocument(id, taken.version(), taken.on()));
    }

    @GetMapping("/documents/{id}")
    Books.Document document(@PathVariable String id) {
        return posting.get(id);
    }

    @GetMapping("/documents/numbered")
    List<Books.Document> documentsNumbered(@RequestParam String number) {
        return numbers.documents(number).stream().map(posting::get).toList();
    }

    @GetMapping("/documents")
    Books.Document byReference(@RequestParam String externalReference) {
        return posting.findByReference(externalReference)
                .orElseThrow(() -> Refusal.notFound("document with reference " + externalReference));
    }

    @PostMapping("/payments")
    ResponseEntity<String> pay(
            @RequestHeader(name = KEY, required = false) String key, @RequestBody Books.PaymentDraft draft) {
        return requests.once(key, () -> payments.post(draft));
    }

    /// @param version that was read
    @PutMapping("/payments/{id}")
    ResponseEntity<String> replace(
            @PathVariable String id,
            @RequestParam int version,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Books.PaymentDraft draft) {
        return requests.once(key, () -> payments.replace(id, version, draft));
    }

    @GetMapping("/payments/{id}")
    Books.Payment payment(@PathVariable String id) {
        return payments.get(id);
    }

    @GetMapping("/payments/numbered")
    List<Books.Payment> paymentsNumbered(@RequestParam String number) {
        return numbers.payments(number).stream().map(payments::get).toList();
    }

    @GetMapping("/payments")
    Books.Payment paymentByReference(@RequestParam String externalReference) {
        return payments.findByReference(externalReference)
                .orElseThrow(() -> Refusal.notFound("payment with reference " + externalReference));
    }

    /// Settles documents with what is still open of it.
    @PostMapping("/payments/{id}/allocations")
    ResponseEntity<String> allocate(
            @PathVariable String id,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody List<Books.Allocated> allocations) {
        return requests.once(key, () -> payments.allocate(id, allocations));
    }

    @PostMapping("/payments/{id}/void")
    ResponseEntity<String> voidPayment(
            @PathVariable String id,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Taken taken) {
        return requests.once(key, () -> payments.voidIt(id, taken.on()));
    }

    @PostMapping("/journals")
    ResponseEntity<String> enter(@RequestHeader(name = KEY, required = false) String key, @RequestBody Entry draft) {
        return requests.once(key, () -> entries.post(draft));
    }

    /// @param version that was read
    @PutMapping("/journals/{id}")
    ResponseEntity<String> replaceEntry(
            @PathVariable String id,
            @RequestParam int version,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Entry draft) {
        return requests.once(key, () -> entries.replace(id, version, draft));
    }

    @GetMapping("/journals/{id}")
    Entry entry(@PathVariable String id) {
        return entries.get(id);
    }

    @GetMapping("/journals")
    Entry entryByReference(@RequestParam String externalReference) {
        return entries.findByReference(externalReference)
                .orElseThrow(() -> Refusal.notFound("entry with reference " + externalReference));
    }

    @PostMapping("/journals/{id}/void")
    ResponseEntity<String> voidEntry(
            @PathVariable String id,
            @RequestHeader(name = KEY, required = false) String key,
            @RequestBody Taken taken) {
        return requests.once(key, () -> entries.voidIt(id, taken.version(), taken.on()));
    }

    @GetMapping("/journal")
    List<Books.JournalLine> journal(@RequestParam String document) {
        return posting.get(document).journal();
    }

    /// @param on at the end of this day; null for all that is booked
    @GetMapping("/balances")
    List<Books.Balance> balances(@RequestParam(required = false) LocalDate on) {
        return openItems.balances(on);
    }

    /// What was open at the end of a day, of what is dated by then.
    @GetMapping("/documents/open")
    List<OpenItems.Open> open(
            @RequestParam LocalDate on,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "100000") int limit) {
        return openItems.of(on, after, limit);
    }

    /// Which of these numbers are in use; a POST for the length of the list.
    @PostMapping("/numbers/taken")
    List<Books.TakenNumber> taken(@RequestBody List<String> asked) {
        return numbers.taken(asked);
    }

    @GetMapping("/numbers/highest")
    List<Books.HighestNumber> highest() {
        return numbers.highest();
    }

    @GetMapping("/counts")
    Books.Counts counts() {
        return posting.counts();
    }

    /// What became of a request under this key.
    @GetMapping("/requests/{key}")
    ResponseEntity<String> request(@PathVariable String key) {
        return Requests.answer(requests.find(key).orElseThrow(() -> Refusal.notFound("request under this key")));
    }

    @GetMapping("/changes")
    Feed changes(@RequestParam(defaultValue = "0") long after, @RequestParam(defaultValue = "200") int limit) {
        int at = Math.clamp(limit, 1, 500);
        List<Change> changes = jdbc.sql("""
                select seq, type, id from inkwell_change where seq > :after order by seq limit :limit""")
                .param("after", after)
                .param("limit", at)
                .query(Change.class)
                .list();
        long next = changes.isEmpty() ? after : changes.getLast().seq();
        List<Changed> records = changes.stream().map(this::changed).toList();
        return new Feed(records, next, changes.size() == at, masters.referenceVersion());
    }

    private Changed changed(Change change) {
        Object record = record(change);
        return new Changed(change.seq(), change.type(), change.id(), record == null, record);
    }

    private Object record(Change change) {
        return switch (change.type()) {
            case "document" -> posting.find(change.id()).orElse(null);
            case "journal" -> entries.find(change.id()).orElse(null);
            case "payment" -> payments.find(change.id()).orElse(null);
            case "party" -> masters.findParty(change.id()).orElse(null);
            default -> items.find(change.id()).orElse(null);
        };
    }
}
