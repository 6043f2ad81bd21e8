package alcabala.accounting.tax;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.money.LargestRemainder;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Computes tax from amounts and rates. Rounds half away from zero in the currency's minor unit, per line or per
/// document and code (EN 16931 BR-CO-17 is the latter).
public final class TaxCalculator {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private TaxCalculator() {}

    /// With tax-inclusive prices the tax is taken out of the amount; per document, the net of a code is then spread
    /// over its lines by largest remainder.
    public static TaxComputation compute(
            TaxRounding rounding, PriceMode mode, CurrencyUnit currency, List<TaxedAmount> amounts) {
        Map<Key, Group> groups = new LinkedHashMap<>();
        Group last = null;
        for (int i = 0; i < amounts.size(); i++) {
            TaxedAmount amount = amounts.get(i);
            // Lines that follow each other are mostly taxed alike.
            if (last == null || !last.key.is(amount)) {
                last = groups.computeIfAbsent(
                        new Key(amount.code(), amount.rate()), key -> new Group(key, Money.zero(currency)));
            }
            last.add(i, amount.amount());
        }
        Money[] nets = new Money[amounts.size()];
        List<TaxBreakdown> results = new ArrayList<>(groups.size());
        Money net = Money.zero(currency);
        Money tax = net;
        for (Map.Entry<Key, Group> entry : groups.entrySet()) {
            Group amountsOfCode = entry.getValue();
            Money itsTax = amountsOfCode.tax(rounding, mode);
            Money itsNet = mode == PriceMode.NET ? amountsOfCode.sum : amountsOfCode.sum.minus(itsTax);
            amountsOfCode.fillNets(rounding, mode, itsNet, nets);
            results.add(new TaxBreakdown(entry.getKey().code(), amountsOfCode.rate, itsNet, itsTax));
            net = net.plus(itsNet);
            tax = tax.plus(itsTax);
        }
        return new TaxComputation(rounding, results, List.of(nets), net, tax);
    }

    /// The tax on one amount, or in it.
    public static Money taxOf(Money amount, BigDecimal rate, PriceMode mode) {
        if (rate.signum() == 0 || amount.isZero()) {
            return Money.zero(amount.getCurrencyUnit());
        }
        int scale = amount.getCurrencyUnit().getDecimalPlaces();
        BigDecimal product = amount.getAmount().multiply(rate);
        BigDecimal tax = mode == PriceMode.NET
                ? product.movePointLeft(2).setScale(scale, RoundingMode.HALF_UP)
                : product.divide(HUNDRED.add(rate), scale, RoundingMode.HALF_UP);
        return Money.of(amount.getCurrencyUnit(), tax);
    }

    /// Amounts under one code at several rates are not taxed together.
    private record Key(String code, BigDecimal rate) {
        boolean is(TaxedAmount amount) {
            return code.equals(amount.code()) && rate.equals(amount.rate());
        }
    }

    private static final class Group {
        private final Key key;
        private final BigDecimal rate;
        private final List<Integer> places = new ArrayList<>();
        private final List<Money> amounts = new ArrayList<>();
        private Money sum;

        Group(Key key, Money zero) {
            this.key = key;
            this.rate = key.rate();
            this.sum = zero;
        }

        void add(int place, Money amount) {
            places.add(place);
            amounts.add(amount);
            sum = sum.plus(amount);
        }

        Money tax(TaxRounding rounding, PriceMode mode) {
            if (rounding == TaxRounding.PER_DOCUMENT) {
                return taxOf(sum, rate, mode);
            }
            Money tax = Money.zero(sum.getCurrencyUnit());
            for (Money amount : amounts) {
                tax = tax.plus(taxOf(amount, rate, mode));
            }
            return tax;
        }

        void fillNets(TaxRounding rounding, PriceMode mode, Money net, Money[] nets) {
            List<Money> own = mode == PriceMode.NET
                    ? amounts
                    : rounding == TaxRounding.PER_LINE
                            ? amounts.stream()
                                    .map(a -> a.minus(taxOf(a, rate, mode)))
                                    .toList()
                            : spreadNet(net);
            for (int i = 0; i < own.size(); i++) {
                nets[places.get(i)] = own.get(i);
            }
        }

        /// Each amount gets its share of the tax, with its sign.
        private List<Money> spreadNet(Money net) {
            List<Money> taxes = LargestRemainder.bySign(sum.minus(net), amounts);
            List<Money> nets = new ArrayList<>(amounts.size());
            for (int i = 0; i < amounts.size(); i++) {
                nets.add(amounts.get(i).minus(taxes.get(i)));
            }
            return nets;
        }
    }
}
