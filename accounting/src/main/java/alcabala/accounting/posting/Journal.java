package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.money.LargestRemainder;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// The journal a record will cause, one line for each posting key in the order in which they are first touched.
///
/// @param debit in the record's currency, as is credit
/// @param baseDebit in the ledger's base currency, as is baseCredit
public record Journal(List<JournalLine> lines, Money debit, Money credit, Money baseDebit, Money baseCredit) {
    /// With what its lines add up to.
    public static Journal of(List<JournalLine> lines, CurrencyUnit currency, CurrencyUnit base) {
        Money debit = Money.zero(currency);
        Money credit = debit;
        Money baseDebit = Money.zero(base);
        Money baseCredit = baseDebit;
        for (JournalLine line : lines) {
            debit = line.debit().isZero() ? debit : debit.plus(line.debit());
            credit = line.credit().isZero() ? credit : credit.plus(line.credit());
            baseDebit = line.base().isPositive() ? baseDebit.plus(line.base()) : baseDebit;
            baseCredit = line.base().isNegative() ? baseCredit.minus(line.base()) : baseCredit;
        }
        return new Journal(lines, debit, credit, baseDebit, baseCredit);
    }

    /// In both currencies.
    public boolean isBalanced() {
        return debit.equals(credit) && baseDebit.equals(baseCredit);
    }

    /// What several cause together, one line for each account. All are in the same two currencies.
    ///
    /// @param journals one at least
    public static Journal together(List<Journal> journals) {
        Journal first = journals.getFirst();
        return Journal.of(
                        journals.stream()
                                .flatMap(journal -> journal.lines().stream())
                                .toList(),
                        first.debit().getCurrencyUnit(),
                        first.baseDebit().getCurrencyUnit())
                .byAccount();
    }

    /// The same with an amount on another key, in books of one currency.
    ///
    /// @param amount of what is there under the first, positive is debit
    Journal moved(PostingKey from, PostingKey to, Money amount) {
        Builder builder = new Builder(debit.getCurrencyUnit(), false);
        lines.forEach(line -> builder.debit(line.key(), line.amount()));
        return builder.credit(from, amount).debit(to, amount).build();
    }

    /// One line for each account, as a journal is read; what a key says beside its account is left out.
    public Journal byAccount() {
        Builder builder = new Builder(debit.getCurrencyUnit(), baseDebit.getCurrencyUnit(), false);
        lines.forEach(line -> builder.debit(PostingKey.of(line.account()), line.amount(), line.base()));
        return builder.build();
    }

    /// Converted part by part, so that the parts add up to the converted whole: each is the floor of its exact amount,
    /// and the units that are missing go to the largest remainders (records, section 1).
    ///
    /// @param whole the key of the line that all others make up
    Journal at(Conversion conversion, PostingKey whole) {
        ExchangeRate rate = conversion.rate();
        if (rate.isSame()) {
            return this;
        }
        List<JournalLine> parts =
                lines.stream().filter(line -> !line.key().equals(whole)).toList();
        Money rest = parts.stream().map(JournalLine::amount).reduce(Money.zero(debit.getCurrencyUnit()), Money::minus);
        // As the document states them: its parts have the sign of its gross, whichever side they are booked on.
        boolean turned = rest.isNegative();
        List<BigDecimal> exact = parts.stream()
                .map(line -> rate.exact(turned ? line.amount() : line.amount().negated()))
                .toList();
        Money converted = conversion.of(rest.abs());
        List<Money> bases = LargestRemainder.round(converted, exact);
        Builder builder = new Builder(debit.getCurrencyUnit(), rate.to(), turned);
        builder.debit(whole, rest.abs(), converted);
        for (int i = 0; i < parts.size(); i++) {
            Money amount = parts.get(i).amount();
            builder.debit(
                    parts.get(i).key(),
                    turned ? amount.negated() : amount,
                    bases.get(i).negated());
        }
        return builder.build();
    }

    /// Collects signed amounts per key: positive is debit.
    static final class Builder {
        private final Map<PostingKey, Money> balances = new LinkedHashMap<>();
        private final Map<PostingKey, Money> bases = new LinkedHashMap<>();
        private final CurrencyUnit currency;
        private final CurrencyUnit base;
        private final boolean mirrored;

        /// @param mirrored true for a credit note or a bill, whose journal is that of an invoice with sides exchanged
        Builder(CurrencyUnit currency, CurrencyUnit base, boolean mirrored) {
            this.currency = currency;
            this.base = base;
            this.mirrored = mirrored;
        }

        /// For what needs no converting, or is converted when it is complete.
        Builder(CurrencyUnit currency, boolean mirrored) {
            this(currency, currency, mirrored);
        }

        Builder debit(PostingKey key, Money amount) {
            balances.merge(key, mirrored ? amount.negated() : amount, Money::plus);
            return this;
        }

        Builder credit(PostingKey key, Money amount) {
            return debit(key, amount.negated());
        }

        /// @param baseAmount its own amount in base currency
        Builder debit(PostingKey key, Money amount, Money baseAmount) {
            if (!currency.equals(base)) {
                bases.merge(key, mirrored ? baseAmount.negated() : baseAmount, Money::plus);
            }
            return debit(key, amount);
        }

        Builder credit(PostingKey key, Money amount, Money baseAmount) {
            return debit(key, amount.negated(), baseAmount.negated());
        }

        Journal build() {
            List<JournalLine> lines = new ArrayList<>(balances.size());
            Money zero = Money.zero(currency);
            for (Map.Entry<PostingKey, Money> entry : balances.entrySet()) {
                Money balance = entry.getValue();
                Money baseAmount = currency.equals(base) ? balance : bases.get(entry.getKey());
                if (!balance.isZero() || !baseAmount.isZero()) {
                    boolean left = balance.isPositive();
                    lines.add(new JournalLine(
                            entry.getKey(), left ? balance : zero, left ? zero : balance.negated(), baseAmount));
                }
            }
            return Journal.of(lines, currency, base);
        }
    }
}
