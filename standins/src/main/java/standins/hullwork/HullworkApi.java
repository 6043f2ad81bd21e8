package standins.hullwork;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import standins.Fault;
import standins.Faults;
import standins.Refusal;
import standins.hullwork.HullworkMasters.Standing;
import standins.hullwork.HullworkMasters.Type;
import standins.hullwork.HullworkRecords.Change;
import standins.touched.Touches;
import standins.touched.Touches.Touch;

@RestController
@RequestMapping("/hullwork/api")
class HullworkApi {
    private static final Map<String, String> TYPES =
            Map.of("customers", "customer", "items", "item", "documents", "document", "payments", "payment");
    private final HullworkRecords records;
    private final HullworkDocuments documents;
    private final HullworkFromElsewhere elsewhere;
    private final HullworkPayments payments;
    private final HullworkMasters masters;
    private final HullworkTouches touches;
    private final Faults faults;
    private final BadRecords badRecords;

    /// @param value null or empty for nothing
    record Said(String value) {}

    /// @param next the cursor to ask with the next time
    /// @param begun another one once the feed began again from nothing
    record Feed(List<Change> changes, long next, boolean more, String begun) {}

    HullworkApi(
            HullworkRecords records,
            HullworkDocuments documents,
            HullworkFromElsewhere elsewhere,
            HullworkPayments payments,
            HullworkMasters masters,
            HullworkTouches touches,
            Faults faults,
            BadRecords badRecords) {
        this.records = records;
        this.documents = documents;
        this.elsewhere = elsewhere;
        this.payments = payments;
        this.masters = masters;
        this.touches = touches;
        this.faults = faults;
        this.badRecords = badRecords;
    }

    /// Every record changed since the cursor, as it is now: customer, item, category, vat-code, document,
    /// payment.
    @GetMapping("/changes")
    Feed changes(@RequestParam(defaultValue = "0") long after, @RequestParam(defaultValue = "200") int limit) {
        List<Change> changes = records.changes(after, Math.clamp(limit, 1, 1000));
        boolean full = changes.size() == Math.clamp(limit, 1, 1000);
        long next = changes.isEmpty() ? after : changes.getLast().cursor();
        if (faults.current("hullwork") == Fault.BAD_RECORDS) {
            changes = Stream.concat(badRecords.all(next).stream(), changes.stream())
                    .toList();
        }
        return new Feed(changes, next, full, records.begun());
    }

    @GetMapping("/documents/{id}")
    HullworkDocument document(@PathVariable String id) {
        return documents.get(id);
    }

    /// The same external name gets the same document again.
    @PostMapping("/documents")
    HullworkDocument enter(
            @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key,
            @RequestBody HullworkDocument document) {
        return elsewhere.enter(document, key);
    }

    @GetMapping("/documents")
    HullworkDocument entered(
            @RequestParam(defaultValue = "") String externalRef, @RequestParam(defaultValue = "") String key) {
        return elsewhere.find(externalRef, key).orElseThrow(() -> Refusal.notFound("document of that name"));
    }

    /// Of what another program entered.
    @PutMapping("/documents")
    HullworkDocument changeEntered(
            @RequestParam String externalRef,
            @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key,
            @RequestBody HullworkDocument document) {
        return elsewhere.change(externalRef, document, key);
    }

    /// As above; asked for twice it is void all the same.
    @PostMapping("/documents/void")
    HullworkDocument voidEntered(
            @RequestParam String externalRef, @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key) {
        return elsewhere.voidUnder(externalRef, key);
    }

    /// @param customer null where it is an item
    record MasterBody(Map<String, Object> customer, Map<String, Object> item, long version) {
        static MasterBody of(Type type, Standing standing) {
            boolean customer = type == Type.CUSTOMER;
            return new MasterBody(
                    customer ? standing.record() : null, customer ? null : standing.record(), standing.version());
        }

        Standing standing(Type type) {
            Map<String, Object> given = type == Type.CUSTOMER ? customer : item;
            if (given == null) {
                throw Refusal.unprocessable("body-missing", "There is no " + type.word() + " in it.");
            }
            return new Standing(given, version);
        }
    }

    @GetMapping("/customers/{code}")
    MasterBody customer(@PathVariable String code) {
        return MasterBody.of(Type.CUSTOMER, masters.get(Type.CUSTOMER, code));
    }

    @GetMapping("/items/{code}")
    MasterBody item(@PathVariable String code) {
        return MasterBody.of(Type.ITEM, masters.get(Type.ITEM, code));
    }

    /// The same key gets the same answer again.
    @PostMapping("/customers")
    MasterBody addCustomer(
            @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key, @RequestBody MasterBody wanted) {
        return add(Type.CUSTOMER, wanted, key);
    }

    /// As above.
    @PostMapping("/items")
    MasterBody addItem(
            @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key, @RequestBody MasterBody wanted) {
        return add(Type.ITEM, wanted, key);
    }

    /// What a request under this key was answered.
    @GetMapping("/customers")
    MasterBody addedCustomer(@RequestParam String key) {
        return added(Type.CUSTOMER, key);
    }

    /// As above.
    @GetMapping("/items")
    MasterBody addedItem(@RequestParam String key) {
        return added(Type.ITEM, key);
    }

    private MasterBody add(Type type, MasterBody wanted, String key) {
        return MasterBody.of(type, masters.add(type, wanted.standing(type).record(), key));
    }

    private MasterBody added(Type type, String key) {
        return MasterBody.of(
                type, masters.answered(type, key).orElseThrow(() -> Refusal.notFound(type.word() + " of " + key)));
    }

    /// Of the version that was read; the same key gets the same answer again.
    @PutMapping("/customers/{code}")
    MasterBody changeCustomer(
            @PathVariable String code,
            @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key,
            @RequestBody MasterBody wanted) {
        return change(Type.CUSTOMER, code, wanted, key);
    }

    /// As above.
    @PutMapping("/items/{code}")
    MasterBody changeItem(
            @PathVariable String code,
            @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key,
            @RequestBody MasterBody wanted) {
        return change(Type.ITEM, code, wanted, key);
    }

    @PostMapping("/{records}/touched")
    List<Touch> touched(@PathVariable String records, @RequestBody List<String> ids) {
        return touches.of(Touches.type(TYPES, records), ids);
    }

    private MasterBody change(Type type, String code, MasterBody wanted, String key) {
        return MasterBody.of(type, masters.change(type, code, wanted.standing(type), key));
    }

    /// The same external name gets the same payment again.
    @PostMapping("/payments")
    HullworkPayment pay(
            @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key,
            @RequestBody HullworkPayment payment) {
        return payments.record(payment.under(key));
    }

    @GetMapping("/payments")
    HullworkPayment payment(
            @RequestParam(defaultValue = "") String externalRef, @RequestParam(defaultValue = "") String key) {
        return payments.findExternal(externalRef, key).orElseThrow(() -> Refusal.notFound("payment of that name"));
    }

    @GetMapping("/payments/{id}")
    HullworkPayment payment(@PathVariable String id) {
        return payments.get(id);
    }

    /// Of what another program recorded; asked for twice it is void all the same.
    @PostMapping("/payments/void")
    HullworkPayment voidPayment(
            @RequestParam String externalRef, @RequestHeader(name = "Idempotency-Key", defaultValue = "") String key) {
        return payments.voidUnder(payment(externalRef, "").id(), key);
    }

    /// What a document says in a field of the yard's own; asked for twice it says it all the same.
    @PutMapping("/documents/{id}/fields/{field}")
    HullworkDocument say(@PathVariable String id, @PathVariable String field, @RequestBody Said said) {
        return documents.say(id, field, said.value() == null ? "" : said.value());
    }

    @PostMapping("/documents/{id}/approval")
    HullworkDocument approve(@PathVariable String id) {
        return documents.approve(id);
    }
}
