package standins.hullwork;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import standins.Refusal;
import standins.hullwork.HullworkDocument.Line;

/// What people in the yard office do with a document.
@Component
public class HullworkDocuments {
    private static final String NUMBER_IN_BOOKS = "books-no";
    private static final int FIRST_CREDIT = 30001;
    private final HullworkRecords records;
    private final HullworkTouches touches;

    HullworkDocuments(HullworkRecords records, HullworkTouches touches) {
        this.records = records;
        this.touches = touches;
    }

    public HullworkDocument get(String id) {
        return records.findDocument(id)
                .or(() -> records.all("document", HullworkDocument.class).stream()
                        .filter(each -> each.externalRef().equals(id))
                        .findFirst())
                .orElseThrow(() -> Refusal.notFound("document " + id));
    }

    /// What was entered elsewhere is changed there.
    private HullworkDocument own(String id) {
        HullworkDocument document = get(id);
        if (document.isFromElsewhere()) {
            throw new Refusal(
                    HttpStatus.CONFLICT,
                    "cannot-change",
                    document.number() + " was entered elsewhere, and is changed there.");
        }
        return document;
    }

    public HullworkDocument approve(String id) {
        HullworkDocument document = get(id);
        if (document.status().equals("VOID")) {
            throw new Refusal(HttpStatus.CONFLICT, "document-void", document.number() + " is void.");
        }
        return save(document.withStatus("APPROVED"));
    }

    public HullworkDocument voidIt(String id) {
        return save(get(id).withStatus("VOID"));
    }

    /// What is left of a document that was deleted.
    ///
    /// @param was as it was, for whoever wants it back
    record Deleted(String type, String id, String externalRef, HullworkDocument was) {}

    /// As if it had never been.
    public void delete(String id) {
        HullworkDocument d = get(id);
        records.remove("document", id, new Deleted("document", id, d.externalRef(), d));
    }

    /// As it was before it was deleted.
    @Transactional
    public void restore(String id) {
        records.lock();
        Deleted left = records.find(HullworkRecords.GONE, id, Deleted.class)
                .orElseThrow(() -> Refusal.notFound("deleted document " + id));
        records.remove(HullworkRecords.GONE, id);
        save(left.was());
    }

    /// Changes the head and the first lines' quantities and prices; the sums follow.
    public HullworkDocument edit(
            String id,
            String number,
            LocalDate date,
            LocalDate due,
            List<BigDecimal> quantities,
            List<BigDecimal> prices) {
        HullworkDocument d = own(id);
        boolean taken = records.all("document", HullworkDocument.class).stream()
                .anyMatch(other -> other.number().equals(number) && !other.id().equals(id));
        if (taken || number.isBlank()) {
            throw Refusal.unprocessable(
                    "number-taken", "The number " + number + " is empty or used by another document.");
        }
        List<Line> lines = new ArrayList<>();
        for (int i = 0; i < d.lines().size(); i++) {
            Line l = d.lines().get(i);
            BigDecimal quantity = i < quantities.size() ? quantities.get(i) : l.quantity();
            BigDecimal price = i < prices.size() ? prices.get(i) : l.unitPrice();
            lines.add(l.with(quantity, price));
        }
        LocalDate meant = due == null ? d.due() : due;
        LocalDate earliest = meant.isBefore(date) ? date : meant;
        return save(HullworkArithmetic.total(d.withHead(number, date, earliest, lines)));
    }

    /// Says something in a field of the yard's own; nothing takes away what is there.
    @Transactional
    public HullworkDocument say(String id, String field, String value) {
        records.lock();
        HullworkDocument d = get(id);
        HullworkField known =
                records.find("field", field, HullworkField.class).orElseThrow(() -> Refusal.notFound("field " + field));
        if (!known.takes(value)) {
            throw Refusal.unprocessable("field-value", "The field " + known.text() + " does not take " + value + ".");
        }
        List<HullworkDocument.Field> fields = new ArrayList<>(d.fields());
        fields.removeIf(each -> each.code().equals(field));
        if (!value.isEmpty()) {
            fields.add(new HullworkDocument.Field(field, known.type(), value));
        }
        return save(d.with(d.terms(), fields));
    }

    /// So much of one of its lines was too much.
    ///
    /// @param no of the line, from 1
    @Transactional
    public HullworkDocument credit(String id, int no, BigDecimal quantity, LocalDate day) {
        records.lock();
        HullworkDocument invoice = get(id);
        if (no < 1 || no > invoice.lines().size() || !invoice.type().equals("INVOICE")) {
            throw Refusal.unprocessable("cannot-credit", invoice.number() + " is no invoice with a line " + no + ".");
        }
        long next = records.nextDocument(FIRST_CREDIT);
        Line line = invoice.lines().get(no - 1);
        List<Line> credited = List.of(line.with(quantity, line.unitPrice()));
        return save(HullworkArithmetic.total(invoice.creditedBy("d-" + next, "HC-" + next, day, credited)));
    }

    /// A line like one of its own, before all others.
    ///
    /// @param no of the line, from 1
    @Transactional
    public HullworkDocument copyLine(String id, int no, BigDecimal quantity, BigDecimal price) {
        HullworkDocument d = withLine(id, no);
        List<Line> lines = new ArrayList<>(d.lines());
        lines.addFirst(lines.get(no - 1).with(quantity, price));
        return save(HullworkArithmetic.total(d.withHead(d.number(), d.date(), d.due(), lines)));
    }

    /// @param no of the line, from 1; the last one stays
    @Transactional
    public HullworkDocument strikeLine(String id, int no) {
        HullworkDocument d = withLine(id, no);
        if (d.lines().size() == 1) {
            throw Refusal.unprocessable("last-line", d.number() + " has no other line.");
        }
        List<Line> lines = new ArrayList<>(d.lines());
        lines.remove(no - 1);
        return save(HullworkArithmetic.total(d.withHead(d.number(), d.date(), d.due(), lines)));
    }

    private HullworkDocument withLine(String id, int no) {
        records.lock();
        HullworkDocument d = own(id);
        if (no < 1 || no > d.lines().size()) {
            throw Refusal.unprocessable("no-such-line", d.number() + " has no line " + no + ".");
        }
        return d;
    }

    /// Makes it out in another currency.
    public HullworkDocument inCurrency(String id, String currency, BigDecimal rate) {
        return save(own(id).inCurrency(Currency.getInstance(currency).getCurrencyCode(), rate));
    }

    public HullworkDocument finish(String id, LocalDate day) {
        HullworkDocument d = get(id);
        return save(d.withDays(day, d.sentOn(), d.paidOn()));
    }

    /// It is not sent before its number in the books is there.
    @Transactional
    public HullworkDocument askNumber(String id) {
        records.lock();
        HullworkDocument d = get(id);
        if (!d.wasApproved()) {
            throw Refusal.unprocessable("not-approved", d.number() + " is not approved.");
        }
        return save(d.withStatus(HullworkDocument.NUMBER_ASKED));
    }

    public HullworkDocument send(String id, LocalDate day) {
        HullworkDocument d = get(id);
        if (d.status().equals(HullworkDocument.NUMBER_ASKED)
                && d.said(NUMBER_IN_BOOKS).isEmpty()) {
            throw Refusal.unprocessable(
                    "number-awaited", d.number() + " asked for its number in the books, which is not there yet.");
        }
        return save(d.withDays(d.finishedOn(), day, d.paidOn()));
    }

    private HullworkDocument save(HullworkDocument document) {
        records.put("document", document.id(), document);
        touches.note("document", document.id());
        return document;
    }
}
