package alcabala.accounting.settlement;

import alcabala.accounting.record.RecordKind;
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

    /// How its document is named wherever records need each other, such as `invoice HW-20417`.
    public String names() {
        return kind.word() + " " + number;
    }
}
