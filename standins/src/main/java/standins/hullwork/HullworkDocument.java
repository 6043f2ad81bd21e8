package standins.hullwork;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;

/// An invoice or credit note as Hullwork writes it; amounts are decimal strings.
///
/// @param rate what one unit of its currency was worth in `rateTo` when it was made out; null where nobody said
/// @param terms of payment by their code, or empty
/// @param fields what it says in fields of the yard's own; those without a value are left out
/// @param externalRef another program's name for it, or empty when it was made here
/// @param key under which another program asked for it, or had it changed or voided; or empty
/// @param finishedOn when the work was done, or null; so are the other days
public record HullworkDocument(
        String id,
        String number,
        String type,
        String status,
        LocalDate date,
        LocalDate due,
        String currency,
        boolean pricesIncludeVat,
        String customer,
        String site,
        String workOrder,
        String workDone,
        LocalDate finishedOn,
        LocalDate sentOn,
        LocalDate paidOn,
        String corrects,
        BigDecimal discount,
        List<Line> lines,
        BigDecimal net,
        BigDecimal vat,
        BigDecimal gross,
        BigDecimal rate,
        String rateTo,
        String terms,
        List<Field> fields,
        String externalRef,
        String key) {
    /// Approved, and not sent before it has its number in the books.
    static final String NUMBER_ASKED = "NUMBER_ASKED";

    /// Whether it was approved, whatever was asked for since.
    public boolean wasApproved() {
        return status.equals("APPROVED") || status.equals(NUMBER_ASKED);
    }

    /// What it says in a field; empty for nothing.
    String said(String field) {
        return fields.stream()
                .filter(each -> each.code().equals(field))
                .map(Field::value)
                .findFirst()
                .orElse("");
    }

    public HullworkDocument {
        fields = fields == null ? List.of() : List.copyOf(fields);
        externalRef = externalRef == null ? "" : externalRef;
        key = key == null ? "" : key;
    }

    /// Whether another program entered it, so that it is changed there.
    public boolean isFromElsewhere() {
        return !externalRef.isEmpty();
    }

    /// In the currency of the yard itself, or without a rate.
    public HullworkDocument(
            String id,
            String number,
            String type,
            String status,
            LocalDate date,
            LocalDate due,
            String currency,
            boolean pricesIncludeVat,
            String customer,
            String site,
            String workOrder,
            String workDone,
            LocalDate finishedOn,
            LocalDate sentOn,
            LocalDate paidOn,
            String corrects,
            BigDecimal discount,
            List<Line> lines,
            BigDecimal net,
            BigDecimal vat,
            BigDecimal gross) {
        this(
                id,
                number,
                type,
                status,
                date,
                due,
                currency,
                pricesIncludeVat,
                customer,
                site,
                workOrder,
                workDone,
                finishedOn,
                sentOn,
                paidOn,
                corrects,
                discount,
                lines,
                net,
                vat,
                gross,
                null,
                null,
                "",
                List.of(),
                "",
                "");
    }

    /// What it says in one of the yard's own fields.
    ///
    /// @param type `text`, `number`, `date` or `choice`
    /// @param value a choice's code, a date as 2026-11-28
    public record Field(String code, String type, String value) {}

    /// @param amount after the line, before the discount of the whole document
    public record Line(
            int no,
            String kind,
            String item,
            String text,
            String note,
            String category,
            BigDecimal quantity,
            String unit,
            BigDecimal unitPrice,
            BigDecimal amount,
            String vatCode,
            BigDecimal vatRate,
            BigDecimal vatAmount,
            List<Part> taxes) {
        Line counted(int place, BigDecimal sum, BigDecimal tax) {
            return new Line(
                    place, kind, item, text, note, category, quantity, unit, unitPrice, sum, vatCode, vatRate, tax,
                    taxes);
        }

        Line at(BigDecimal rate) {
            return new Line(
                    no,
                    kind == null || kind.isEmpty() ? "FEE" : kind,
                    HullworkDocument.text(item),
                    HullworkDocument.text(text),
                    "",
                    HullworkDocument.text(category),
                    quantity,
                    HullworkDocument.text(unit),
                    unitPrice,
                    amount,
                    HullworkDocument.text(vatCode),
                    rate,
                    vatAmount,
                    List.of());
        }

        Line with(BigDecimal otherQuantity, BigDecimal otherPrice) {
            return new Line(
                    no,
                    kind,
                    item,
                    text,
                    note,
                    category,
                    otherQuantity,
                    unit,
                    otherPrice,
                    amount,
                    vatCode,
                    vatRate,
                    vatAmount,
                    taxes);
        }
    }

    /// One of several taxes on a line.
    public record Part(String code, BigDecimal rate) {}

    HullworkDocument withStatus(String other) {
        return copy(number, other, date, due, finishedOn, sentOn, paidOn, lines, net, vat, gross);
    }

    /// The same amounts in another currency.
    ///
    /// @param asked what one unit of it is worth in euros; null to leave that to the books
    HullworkDocument inCurrency(String other, BigDecimal asked) {
        return new HullworkDocument(
                id,
                number,
                type,
                status,
                date,
                due,
                other,
                pricesIncludeVat,
                customer,
                site,
                workOrder,
                workDone,
                finishedOn,
                sentOn,
                paidOn,
                corrects,
                discount,
                lines,
                net,
                vat,
                gross,
                asked,
                asked == null ? null : "EUR",
                terms,
                fields,
                externalRef,
                key);
    }

    /// As another program says it under a key: what it leaves out is nothing.
    HullworkDocument entered(String newId, String under, String name) {
        return new HullworkDocument(
                newId,
                number,
                type,
                "APPROVED",
                date,
                due == null ? date : due,
                currency,
                pricesIncludeVat,
                customer,
                text(site),
                "",
                text(workDone),
                null,
                date,
                null,
                text(corrects),
                new BigDecimal("0.00"),
                lines,
                net,
                vat,
                gross,
                null,
                null,
                text(terms),
                List.of(),
                name,
                under);
    }

    /// The same, void or changed under another key.
    HullworkDocument under(String other) {
        return copy(
                number, status, date, due, finishedOn, sentOn, paidOn, lines, net, vat, gross, terms, fields, other);
    }

    private static String text(String given) {
        return given == null ? "" : given;
    }

    /// A credit note of it, whose sums are still to be made.
    HullworkDocument creditedBy(String otherId, String otherNumber, LocalDate day, List<Line> credited) {
        BigDecimal none = new BigDecimal("0.00");
        return new HullworkDocument(
                otherId,
                otherNumber,
                "CREDIT_NOTE",
                "APPROVED",
                day,
                day,
                currency,
                pricesIncludeVat,
                customer,
                site,
                workOrder,
                "",
                finishedOn,
                day,
                null,
                number,
                none,
                credited,
                none,
                none,
                none,
                null,
                null,
                "",
                List.of(),
                "",
                "");
    }

    HullworkDocument withDays(LocalDate finished, LocalDate sent, LocalDate paid) {
        return copy(number, status, date, due, finished, sent, paid, lines, net, vat, gross);
    }

    HullworkDocument withHead(String otherNumber, LocalDate otherDate, LocalDate otherDue, List<Line> otherLines) {
        return copy(otherNumber, status, otherDate, otherDue, finishedOn, sentOn, paidOn, otherLines, net, vat, gross);
    }

    HullworkDocument withSums(List<Line> counted, BigDecimal sum, BigDecimal tax) {
        return copy(number, status, date, due, finishedOn, sentOn, paidOn, counted, sum, tax, sum.add(tax));
    }

    private HullworkDocument copy(
            String number,
            String status,
            LocalDate date,
            LocalDate due,
            LocalDate finishedOn,
            LocalDate sentOn,
            LocalDate paidOn,
            List<Line> lines,
            BigDecimal net,
            BigDecimal vat,
            BigDecimal gross) {
        return copy(number, status, date, due, finishedOn, sentOn, paidOn, lines, net, vat, gross, terms, fields, key);
    }

    private HullworkDocument copy(
            String number,
            String status,
            LocalDate date,
            LocalDate due,
            LocalDate finishedOn,
            LocalDate sentOn,
            LocalDate paidOn,
            List<Line> lines,
            BigDecimal net,
            BigDecimal vat,
            BigDecimal gross,
            String terms,
            List<Field> fields,
            String under) {
        return new HullworkDocument(
                id,
                number,
                type,
                status,
                date,
                due,
                currency,
                pricesIncludeVat,
                customer,
                site,
                workOrder,
                workDone,
                finishedOn,
                sentOn,
                paidOn,
                corrects,
                discount,
                lines,
                net,
                vat,
                gross,
                rate,
                rateTo,
                terms,
                fields,
                externalRef,
                under);
    }

    /// With terms of payment, and fields of the yard's own in place of those that it had.
    public HullworkDocument with(String otherTerms, List<Field> otherFields) {
        return copy(
                number,
                status,
                date,
                due,
                finishedOn,
                sentOn,
                paidOn,
                lines,
                net,
                vat,
                gross,
                otherTerms,
                otherFields,
                key);
    }
}
