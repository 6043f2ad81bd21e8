package standins.hullwork;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.hullwork.HullworkPayment.Share;
import standins.hullwork.HullworkPayment.Worth;

/// What the yard office does with money.
@Component
public class HullworkPayments {
    private static final Set<String> TYPES =
            Set.of("PAYMENT", "REFUND", "RETURN", "SUPPLIER_PAYMENT", "SUPPLIER_REFUND", "SUPPLIER_RETURN");
    private static final int FIRST = 1001;
    private final HullworkRecords records;
    private final HullworkTouches touches;

    HullworkPayments(HullworkRecords records, HullworkTouches touches) {
        this.records = records;
        this.touches = touches;
    }

    public HullworkPayment get(String id) {
        return find(id).orElseThrow(() -> Refusal.notFound("payment " + id));
    }

    private Optional<HullworkPayment> find(String id) {
        return records.find("payment", id, HullworkPayment.class);
    }

    public List<HullworkPayment> all() {
        return records.all("payment", HullworkPayment.class);
    }

    /// By another program's name for it, or by the key under which it asked.
    public Optional<HullworkPayment> findExternal(String externalRef, String key) {
        return all().stream()
                .filter(payment ->
                        !externalRef.isEmpty() && payment.externalRef().equals(externalRef)
                                || !key.isEmpty() && payment.key().equals(key))
                .findFirst();
    }

    /// What another program knows of is recorded once under its name for it.
    @Transactional
    public HullworkPayment record(HullworkPayment asked) {
        records.lock();
        HullworkPayment payment = asked.complete();
        Optional<HullworkPayment> known = findExternal(payment.externalRef(), "");
        if (known.isPresent()) {
            return known.get();
        }
        check(payment);
        int number = FIRST + all().size();
        HullworkPayment recorded = payment.numbered("HP-" + number, "HW-P-" + number);
        return save(recorded);
    }

    @Transactional
    public HullworkPayment voidIt(String id) {
        return voidUnder(id, get(id).key());
    }

    /// @param key under which another program asks what became of it
    @Transactional
    public HullworkPayment voidUnder(String id, String key) {
        records.lock();
        return save(get(id).under(key).withStatus("VOID"));
    }

    /// What is over of it settles one more document.
    @Transactional
    public HullworkPayment apply(String id, Share share) {
        records.lock();
        HullworkPayment applied = own(id).settling(share);
        check(applied);
        return save(applied);
    }

    /// What an amount of another currency settles.
    public Worth worth(String number, BigDecimal amount) {
        return new Worth(requireDocument(number).currency(), amount);
    }

    /// It was more, or less.
    @Transactional
    public HullworkPayment correct(String id, BigDecimal amount) {
        records.lock();
        HullworkPayment corrected = own(id).of(amount);
        check(corrected);
        return save(corrected);
    }

    private HullworkPayment own(String id) {
        HullworkPayment payment = get(id);
        if (payment.isVoid() || !payment.externalRef().isEmpty()) {
            throw new Refusal(
                    HttpStatus.CONFLICT,
                    "cannot-change",
                    payment.number() + " is void, or was entered elsewhere and is changed there.");
        }
        return payment;
    }

    /// The bank took it back; what it settled is open again.
    public HullworkPayment takeBack(String id, LocalDate day, BigDecimal charges) {
        HullworkPayment payment = get(id);
        if (payment.isVoid()
                || payment.type().endsWith("RETURN")
                || payment.type().endsWith("REFUND")) {
            throw new Refusal(HttpStatus.CONFLICT, "cannot-return", payment.number() + " is none that can come back.");
        }
        return record(new HullworkPayment(
                "",
                "",
                payment.type().equals("PAYMENT") ? "RETURN" : "SUPPLIER_RETURN",
                "RECORDED",
                day,
                payment.customer(),
                payment.site(),
                payment.currency(),
                payment.amount(),
                charges,
                payment.means(),
                "",
                "",
                payment.number(),
                "",
                "",
                payment.allocations()));
    }

    /// What of a document is settled by now.
    public BigDecimal settled(String number) {
        return standing().map(payment -> payment.settles(number)).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /// What of a document is kept back by now.
    public BigDecimal retained(String number) {
        return standing().map(payment -> payment.retains(number)).reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    private Stream<HullworkPayment> standing() {
        return all().stream().filter(payment -> !payment.isVoid());
    }

    /// Those that settle a document.
    public List<HullworkPayment> of(String number) {
        return all().stream()
                .filter(payment -> payment.allocations().stream()
                        .anyMatch(share -> share.document().equals(number)))
                .toList();
    }

    private void check(HullworkPayment payment) {
        if (!TYPES.contains(payment.type())) {
            throw Refusal.unprocessable("type-unknown", "There is no kind of payment " + payment.type() + ".");
        }
        if (payment.date() == null
                || payment.amount().signum() <= 0
                || payment.open().signum() < 0) {
            throw Refusal.unprocessable(
                    "payment-invalid", "A payment has a date, is more than nothing, and settles no more than it is.");
        }
        if (records.find("customer", payment.customer(), Object.class).isEmpty()) {
            throw Refusal.unprocessable("customer-unknown", "There is no customer " + payment.customer() + ".");
        }
        if (!payment.type().startsWith("SUPPLIER")) {
            payment.allocations().stream().map(Share::document).distinct().forEach(number -> check(payment, number));
        }
    }

    private Stream<HullworkPayment> others(HullworkPayment payment) {
        return standing().filter(each -> !each.id().equals(payment.id()));
    }

    private void check(HullworkPayment payment, String number) {
        HullworkDocument document = requireDocument(number);
        BigDecimal retained =
                others(payment).map(each -> each.retains(number)).reduce(payment.retains(number), BigDecimal::add);
        if (retained.signum() < 0) {
            throw Refusal.unprocessable(
                    "released-too-much", "More of %s would be released than was kept back.".formatted(number));
        }
        BigDecimal after =
                others(payment).map(each -> each.settles(number)).reduce(payment.settles(number), BigDecimal::add);
        if (after.signum() < 0 || after.compareTo(document.gross()) > 0) {
            throw Refusal.unprocessable(
                    "settles-too-much",
                    "%s of %s would be settled of %s."
                            .formatted(after.toPlainString(), document.gross().toPlainString(), number));
        }
    }

    private HullworkDocument requireDocument(String number) {
        return document(number)
                .orElseThrow(() -> Refusal.unprocessable("document-unknown", "There is no document " + number + "."));
    }

    private Optional<HullworkDocument> document(String number) {
        return records.all("document", HullworkDocument.class).stream()
                .filter(document -> document.number().equals(number))
                .findFirst();
    }

    /// A document is paid on the day on which the last of it was.
    private HullworkPayment save(HullworkPayment payment) {
        records.put("payment", payment.id(), payment);
        touches.note("payment", payment.id());
        payment.allocations().stream()
                .map(Share::document)
                .distinct()
                .flatMap(number -> document(number).stream())
                .forEach(document -> {
                    boolean paid = settled(document.number()).compareTo(document.gross()) == 0;
                    records.put(
                            "document",
                            document.id(),
                            document.withDays(document.finishedOn(), document.sentOn(), paid ? payment.date() : null));
                });
        return payment;
    }
}
