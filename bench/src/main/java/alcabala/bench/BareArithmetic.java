package alcabala.bench;

import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.money.LargestRemainder;
import alcabala.accounting.tax.TaxCalculator;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// The arithmetic of compiling one document, and nothing that decides: no rows are looked up, nothing is compared or
/// explained. What compiling takes beyond it is the price of the rules.
final class BareArithmetic {
    private final Document document;
    private final List<Money> amounts = new ArrayList<>();
    private final List<TaxCombination> taxes = new ArrayList<>();
    private final Map<String, Money> journal = new HashMap<>();

    private BareArithmetic(Document document) {
        this.document = document;
    }

    /// What rounding leaves between the document's gross and that of its journal.
    static Money of(Document document) {
        return new BareArithmetic(document).compute();
    }

    private Money compute() {
        Money adjustments = document.lines().stream().map(this::take).reduce(zero(), Money::plus);
        document.allowancesAndCharges().forEach(this::share);
        Money perLine = zero();
        Map<TaxCombination, Money> perTax = new HashMap<>();
        for (int i = 0; i < amounts.size(); i++) {
            perLine = perLine.plus(taxOf(amounts.get(i), taxes.get(i)));
            perTax.merge(taxes.get(i), amounts.get(i), Money::plus);
        }
        Money net = zero();
        Money tax = zero();
        for (Map.Entry<TaxCombination, Money> group : perTax.entrySet()) {
            net = net.plus(group.getValue());
            tax = tax.plus(taxOf(group.getValue(), group.getKey()));
        }
        Money booked = journal.values().stream().reduce(zero(), Money::plus);
        return document.totals()
                .gross()
                .minus(booked)
                .minus(tax)
                .plus(net.minus(booked))
                .plus(perLine.minus(tax))
                .plus(adjustments);
    }

    /// What is left of a line's amount beside quantity by price.
    private Money take(DocumentLine line) {
        amounts.add(line.amount());
        taxes.add(line.tax());
        journal.merge(line.category(), line.amount(), Money::plus);
        BigDecimal product = line.quantity().multiply(line.price());
        return line.amount().minus(Money.of(document.currency(), product, RoundingMode.HALF_UP));
    }

    private void share(AllowanceCharge each) {
        if (each.isCharge()) {
            amounts.add(each.amount());
            taxes.add(each.tax());
            return;
        }
        List<Money> shares = LargestRemainder.bySign(each.amount(), amounts);
        for (int i = 0; i < shares.size(); i++) {
            amounts.set(i, amounts.get(i).minus(shares.get(i)));
        }
    }

    private Money taxOf(Money amount, TaxCombination tax) {
        return TaxCalculator.taxOf(amount, tax.rate(), document.priceMode());
    }

    private Money zero() {
        return Money.zero(document.currency());
    }
}
