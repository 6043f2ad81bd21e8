package standins.hullwork;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.hullwork.HullworkDocument.Line;

/// Invoices and credit notes that another program entered here. Their sums are that program's.
@Component
public class HullworkFromElsewhere {
    private static final Set<String> TYPES = Set.of("INVOICE", "CREDIT_NOTE");
    private static final int FIRST = 40001;
    private final HullworkRecords records;
    private final HullworkPayments payments;
    private final HullworkTouches touches;

    HullworkFromElsewhere(HullworkRecords records, HullworkPayments payments, HullworkTouches touches) {
        this.records = records;
        this.payments = payments;
        this.touches = touches;
    }

    /// By the other program's name for it, or by the key under which it asked last.
    public Optional<HullworkDocument> find(String externalRef, String key) {
        return all().filter(each -> !externalRef.isEmpty() && each.externalRef().equals(externalRef)
                        || !key.isEmpty() && each.key().equals(key))
                .findFirst();
    }

    /// What another program knows of is entered once under its name for it.
    @Transactional
    public HullworkDocument enter(HullworkDocument asked, String key) {
        records.lock();
        if (asked.externalRef().isEmpty()) {
            throw Refusal.unprocessable("reference-missing", "Name the document as your program does.");
        }
        Optional<HullworkDocument> known = find(asked.externalRef(), "");
        if (known.isPresent()) {
            return known.get();
        }
        long next = records.nextDocument(FIRST);
        return save(checked(asked.entered("d-" + next, key, asked.externalRef())));
    }

    /// As it is there by now, in the place of what was entered.
    @Transactional
    public HullworkDocument change(String externalRef, HullworkDocument asked, String key) {
        records.lock();
        HullworkDocument standing = get(externalRef);
        if (standing.status().equals("VOID")) {
            throw new Refusal(HttpStatus.CONFLICT, "document-void", standing.number() + " is void.");
        }
        HullworkDocument changed = checked(asked.entered(standing.id(), key, externalRef));
        if (payments.settled(standing.number()).compareTo(changed.gross()) > 0) {
            throw Refusal.unprocessable(
                    "settled-more",
                    "More than %s is settled of it.".formatted(changed.gross().toPlainString()));
        }
        return save(changed);
    }

    /// Asked for twice it is void all the same.
    @Transactional
    public HullworkDocument voidUnder(String externalRef, String key) {
        records.lock();
        HullworkDocument standing = get(externalRef);
        if (payments.settled(standing.number()).signum() != 0) {
            throw Refusal.unprocessable("is-settled", standing.number() + " is settled by something.");
        }
        return save(standing.withStatus("VOID").under(key));
    }

    private HullworkDocument get(String externalRef) {
        return find(externalRef, "").orElseThrow(() -> Refusal.notFound("document of that name"));
    }

    private Stream<HullworkDocument> all() {
        return records.all("document", HullworkDocument.class).stream();
    }

    private HullworkDocument checked(HullworkDocument asked) {
        boolean whole = asked.date() != null
                && asked.lines() != null
                && !asked.lines().isEmpty()
                && Stream.of(asked.net(), asked.vat(), asked.gross()).allMatch(Objects::nonNull)
                && asked.lines().stream()
                        .allMatch(line -> line.amount() != null && line.quantity() != null && line.unitPrice() != null);
        if (!TYPES.contains(String.valueOf(asked.type())) || !whole) {
            throw Refusal.unprocessable("document-invalid", "A document has a type, a date, lines and sums.");
        }
        if (records.find("customer", String.valueOf(asked.customer()), Object.class)
                .isEmpty()) {
            throw Refusal.unprocessable("customer-unknown", "There is no customer " + asked.customer() + ".");
        }
        boolean taken = all().anyMatch(other ->
                other.number().equals(asked.number()) && !other.id().equals(asked.id()));
        if (taken || asked.number() == null || asked.number().isBlank()) {
            throw Refusal.unprocessable(
                    "number-taken", "The number " + asked.number() + " is empty or used by another document.");
        }
        return added(asked);
    }

    /// The lines come to what the document says.
    private HullworkDocument added(HullworkDocument asked) {
        List<Line> lines = new ArrayList<>();
        for (Line line : asked.lines()) {
            BigDecimal rate = rate(line);
            lines.add(line.at(rate)
                    .counted(
                            lines.size() + 1,
                            line.amount(),
                            HullworkArithmetic.vat(line.amount(), rate, asked.pricesIncludeVat())));
        }
        BigDecimal sum = lines.stream().map(Line::amount).reduce(BigDecimal.ZERO, BigDecimal::add);
        boolean holds = sum.compareTo(asked.pricesIncludeVat() ? asked.gross() : asked.net()) == 0
                && asked.net().add(asked.vat()).compareTo(asked.gross()) == 0;
        if (!holds) {
            throw Refusal.unprocessable("sums-differ", "The lines of %s do not come to it.".formatted(asked.number()));
        }
        return asked.withSums(lines, asked.net(), asked.vat());
    }

    private BigDecimal rate(Line line) {
        return line.vatCode() == null || line.vatCode().isEmpty()
                ? BigDecimal.ZERO
                : records.find("vat-code", line.vatCode(), VatCode.class)
                        .map(VatCode::rate)
                        .orElseThrow(() -> Refusal.unprocessable(
                                "vat-code-unknown", "There is no VAT code " + line.vatCode() + "."));
    }

    /// What of a VAT code counts here.
    private record VatCode(BigDecimal rate) {}

    private HullworkDocument save(HullworkDocument document) {
        records.put("document", document.id(), document);
        touches.note("document", document.id());
        return document;
    }
}
