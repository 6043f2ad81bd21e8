package alcabala.accounting.settlement;

import alcabala.accounting.record.RecordKind;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;

/// How much of a document is settled: money, and what was deducted from it.
///
/// @param kind of the document
/// @param number of the document, on the side that the settlement comes from
public record Allocation(RecordKind kind, String number, Money money, List<Deduction> deductions) {
    public Allocation {
        deductions = List.copyOf(deductions);
    }

    /// What it takes off the document.
    public Money settled() {
        return deductions.stream().map(Deduction::amount).reduce(money, Money::plus);
    }

    /// What of it is kept back until later; negative where it is released.
    public Money retained() {
        return deductions.stream()
                .filter(deduction -> deduction.kind() == Deduction.Kind.RETENTION)
                .map(Deduction::amount)
                .reduce(Money.zero(money.getCurrencyUnit()), Money::plus);
    }

    /// The same with less money, since less of what was kept back can be released.
    public Allocation releasing(Money released) {
        Money less = retained().negated().minus(released);
        List<Deduction> others = deductions.stream()
                .filter(deduction -> deduction.kind() != Deduction.Kind.RETENTION)
                .toList();
        List<Deduction> all = new ArrayList<>(others);
        if (!released.isZero()) {
            all.add(new Deduction(Deduction.Kind.RETENTION, released.negated()));
        }
        return new Allocation(kind, number, money.minus(less), all);
    }

    /// How its document is named wherever records need each other, such as `invoice HW-20417`.
    public String names() {
        return kind.word() + " " + number;
    }
}
