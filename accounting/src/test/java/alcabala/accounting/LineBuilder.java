package alcabala.accounting;

import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import java.math.BigDecimal;
import org.joda.money.Money;

/// A line that differs from another in what a test is about.
public final class LineBuilder {
    private final DocumentLine from;
    private LineKind kind;
    private String item;
    private String category;
    private String project;
    private String itemName;
    private String note;
    private BigDecimal baseQuantity;
    private Money adjustment;
    private Money amount;

    private LineBuilder(DocumentLine from) {
        this.from = from;
        kind = from.kind();
        item = from.item();
        category = from.category();
        project = from.project();
        itemName = from.itemName();
        note = from.note();
        baseQuantity = from.baseQuantity();
        adjustment = from.adjustment();
        amount = from.amount();
    }

    public static LineBuilder like(DocumentLine line) {
        return new LineBuilder(line);
    }

    public LineBuilder kind(LineKind other) {
        kind = other;
        return this;
    }

    public LineBuilder item(String code) {
        item = code;
        return this;
    }

    public LineBuilder category(String code) {
        category = code;
        return this;
    }

    public LineBuilder project(String code) {
        project = code;
        return this;
    }

    public LineBuilder itemName(String name) {
        itemName = name;
        return this;
    }

    public LineBuilder note(String text) {
        note = text;
        return this;
    }

    /// The price is for so many units.
    public LineBuilder per(String units) {
        baseQuantity = new BigDecimal(units);
        return this;
    }

    /// Charges less allowances of the line.
    public LineBuilder adjusted(String by) {
        adjustment = money(by);
        return this;
    }

    public LineBuilder amount(String stated) {
        amount = money(stated);
        return this;
    }

    private Money money(String text) {
        return Money.parse(from.amount().getCurrencyUnit() + " " + text);
    }

    public DocumentLine build() {
        return new DocumentLine(
                from.id(),
                kind,
                item,
                from.description(),
                itemName,
                note,
                category,
                project,
                from.quantity(),
                from.unit(),
                from.price(),
                baseQuantity,
                adjustment,
                amount,
                from.tax());
    }
}
