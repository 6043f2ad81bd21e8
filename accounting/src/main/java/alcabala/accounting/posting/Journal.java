package alcabala.accounting.posting;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// The journal a record will cause, one line for each posting key in the order in which they are first touched.
public record Journal(List<JournalLine> lines, Money debit, Money credit) {
    public boolean isBalanced() {
        return debit.equals(credit);
    }

    /// One line for each account, as a journal is read; what a key says beside its account is left out.
    public Journal byAccount() {
        Builder builder = new Builder(debit.getCurrencyUnit(), false);
        lines.forEach(line -> builder.debit(PostingKey.of(line.account()), line.amount()));
        return builder.build();
    }

    /// Collects signed amounts per key: positive is debit.
    static final class Builder {
        private final Map<PostingKey, Money> balances = new LinkedHashMap<>();
        private final CurrencyUnit currency;
        private final boolean mirrored;

        /// @param mirrored true for a credit note or a bill, whose journal is that of an invoice with sides exchanged
        Builder(CurrencyUnit currency, boolean mirrored) {
            this.currency = currency;
            this.mirrored = mirrored;
        }

        Builder debit(PostingKey key, Money amount) {
            balances.merge(key, mirrored ? amount.negated() : amount, Money::plus);
            return this;
        }

        Builder credit(PostingKey key, Money amount) {
            return debit(key, amount.negated());
        }

        Journal build() {
            Money zero = Money.zero(currency);
            List<JournalLine> lines = new ArrayList<>(balances.size());
            Money debit = zero;
            Money credit = zero;
            for (Map.Entry<PostingKey, Money> entry : balances.entrySet()) {
                Money balance = entry.getValue();
                if (balance.isPositive()) {
                    lines.add(new JournalLine(entry.getKey(), balance, zero));
                    debit = debit.plus(balance);
                } else if (balance.isNegative()) {
                    lines.add(new JournalLine(entry.getKey(), zero, balance.negated()));
                    credit = credit.plus(balance.negated());
                }
            }
            return new Journal(lines, debit, credit);
        }
    }
}
