package alcabala.accounting;

import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.StatedTotals;
import alcabala.accounting.document.TaxSubtotal;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.Money;

/// A document that differs from another in what a test is about.
public final class DocumentBuilder {
    private final Document from;
    private RecordKind kind;
    private String typeCode;
    private String precedingNumber;
    private LocalDate issueDate;
    private LocalDate deliveryDate;
    private String site;
    private String note;
    private String terms;
    private List<FieldValue> fields;
    private PriceMode priceMode;
    private TaxRounding taxRounding;
    private List<DocumentLine> lines;
    private List<AllowanceCharge> extras;
    private List<TaxSubtotal> taxes;
    private StatedTotals totals;

    private DocumentBuilder(Document from) {
        this.from = from;
        kind = from.kind();
        typeCode = from.typeCode();
        precedingNumber = from.precedingNumber();
        issueDate = from.issueDate();
        deliveryDate = from.deliveryDate();
        site = from.site();
        note = from.note();
        terms = from.terms();
        fields = from.fields();
        priceMode = from.priceMode();
        taxRounding = from.taxRounding();
        lines = from.lines();
        extras = from.allowancesAndCharges();
        taxes = from.taxes();
        totals = from.totals();
    }

    public static DocumentBuilder like(Document document) {
        return new DocumentBuilder(document);
    }

    public DocumentBuilder type(String code) {
        typeCode = code;
        return this;
    }

    public DocumentBuilder terms(String code) {
        terms = code;
        return this;
    }

    public DocumentBuilder fields(FieldValue... values) {
        fields = List.of(values);
        return this;
    }

    public DocumentBuilder preceding(String number) {
        precedingNumber = number;
        return this;
    }

    public DocumentBuilder delivered(LocalDate day) {
        deliveryDate = day;
        return this;
    }

    public DocumentBuilder site(String name) {
        site = name;
        return this;
    }

    public DocumentBuilder note(String text) {
        note = text;
        return this;
    }

    public DocumentBuilder rounding(TaxRounding rounding) {
        taxRounding = rounding;
        return this;
    }

    public DocumentBuilder lines(List<DocumentLine> others) {
        lines = others;
        return this;
    }

    public DocumentBuilder taxes(TaxSubtotal... others) {
        taxes = List.of(others);
        return this;
    }

    /// Net, tax and gross, in the document's currency.
    public DocumentBuilder totals(String net, String tax, String gross) {
        totals = new StatedTotals(
                totals.lines(), totals.allowances(), totals.charges(), money(net), money(tax), money(gross));
        return this;
    }

    /// What was paid before, what is rounded, and what is then payable.
    public DocumentBuilder payable(String prepaid, String rounding, String payable) {
        totals = new StatedTotals(
                totals.lines(),
                totals.allowances(),
                totals.charges(),
                totals.net(),
                totals.tax(),
                totals.gross(),
                money(prepaid),
                money(rounding),
                money(payable));
        return this;
    }

    private Money money(String amount) {
        return Money.parse(from.currency() + " " + amount);
    }

    public Document build() {
        return new Document(
                kind,
                typeCode,
                from.replaces(),
                from.number(),
                issueDate,
                from.dueDate(),
                deliveryDate,
                site,
                note,
                terms,
                fields,
                from.currency(),
                from.rate(),
                priceMode,
                taxRounding,
                from.ownership(),
                from.seller(),
                from.buyer(),
                precedingNumber,
                lines,
                extras,
                taxes,
                totals,
                null);
    }

    /// As it is, seen as somebody else's.
    public Document stranger() {
        return build().seenBy(Ownership.NEITHER);
    }
}
