package alcabala.accounting.settlement;

import alcabala.accounting.record.RecordKind;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;

/// How much of a document is settled: money, and what was deducted from it.
///
/// @param kind of the document
/// @param number of the document, on the side that the settlement comes from
/// @param money what of the settlement's money goes to it
/// @param worth what that money settles, in the document's own currency: the money itself where both have one
/// @param deductions in the document's own currency
public record Allocation(RecordKind kind, String number, Money money, Money worth, List<Deduction> deductions) {
    public Allocation {
        deductions = List.copyOf(deductions);
    }

    /// In the currency of its document.
    public static Allocation of(RecordKind kind, String number, Money money, List<Deduction> deductions) {
        return new Allocation(kind, number, money, money, deductions);
    }

    /// What it takes off the document.
    public Money settled() {
        return deductions.stream().map(Deduction::amount).reduce(worth, Money::plus);
    }

    /// What of it is kept back until later; negative where it is released.
    public Money retained() {
        return deductions.stream()
                .filter(deduction -> deduction.kind() == Deduction.Kind.RETENTION)
                .map(Deduction::amount)
                .reduce(Money.zero(worth.getCurrencyUnit()), Money::plus);
    }

    /// Whether its two amounts can be of one money: the same in one currency, something for something in two.
    public boolean isSound() {
        return money.getCurrencyUnit().equals(worth.getCurrencyUnit())
                ? worth.equals(money)
                : worth.getAmount().signum() == money.getAmount().signum();
    }

    /// The same with less money, since the document can take less of it: in two currencies in proportion, halves up.
    public Allocation worth(Money less) {
        return new Allocation(kind, number, money.equals(worth) ? less : share(less), less, deductions);
    }

    private Money share(Money less) {
        if (worth.isZero()) {
            return money;
        }
        BigDecimal exact = money.getAmount().multiply(less.getAmount());
        return Money.of(
                money.getCurrencyUnit(), exact.divide(worth.getAmount(), money.getScale(), RoundingMode.HALF_UP));
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
        Allocation rest = worth(worth.minus(less));
        return new Allocation(kind, number, rest.money, rest.worth, all);
    }

    /// How its document is named wherever records need each other, such as `invoice HW-20417`.
    public String names() {
        return kind.word() + " " + number;
    }
}
