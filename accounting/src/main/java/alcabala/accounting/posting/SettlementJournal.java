package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import org.joda.money.Money;

/// The journal of a settlement: money on its account, what was deducted on its own, and the party's account relieved of
/// both. In base currency each side carries its own: the money at the rate of its day, the party's account what its
/// documents were booked at; the rest is a difference in exchange.
final class SettlementJournal {
    private final LedgerSettlement entry;
    private final boolean mirrored;
    private final ExchangeRate rate;

    SettlementJournal(LedgerSettlement entry) {
        this.entry = entry;
        mirrored = Side.of(entry.kind()).isMirrored(entry.kind());
        rate = entry.rate();
    }

    /// By how much what the documents were booked at is more than the money is, in base currency.
    Money difference() {
        Money left = entry.gross();
        Money relieved = Money.zero(rate.to());
        for (LedgerSettlement.Part part : entry.parts()) {
            left = left.minus(part.money());
            relieved = relieved.plus(part.base());
        }
        // What settles nothing yet stays at its own rate.
        return relieved.plus(rate.convert(left)).minus(rate.convert(entry.gross()));
    }

    Journal build() {
        Journal.Builder journal = new Journal.Builder(entry.currency(), rate.to(), mirrored);
        Money difference = difference();
        Money money = rate.convert(entry.gross());
        PostingKey control = PostingKey.of(entry.controlAccount());
        journal.debit(PostingKey.of(entry.account()), entry.gross(), money);
        journal.credit(control, entry.gross(), money);
        for (LedgerSettlement.Part part : entry.parts()) {
            for (LedgerSettlement.Deducted each : part.deductions()) {
                Money amount = own(each.amount(), each.base());
                journal.debit(PostingKey.of(each.account(), each.taxCode()), amount, each.base());
                journal.credit(control, amount, each.base());
            }
        }
        if (!difference.isZero()) {
            Money amount = own(difference, difference);
            journal.debit(PostingKey.of(entry.exchangeAccount()), amount, difference);
            journal.credit(control, amount, difference);
        }
        bookCharges(journal);
        return journal.build();
    }

    /// In the currency of the money; nothing where it can only be said in that of the books.
    private Money own(Money amount, Money base) {
        if (rate.isSame()) {
            return base;
        }
        return amount.getCurrencyUnit().equals(entry.currency()) ? amount : Money.zero(entry.currency());
    }

    /// The bank takes its charges whichever way the money went.
    private void bookCharges(Journal.Builder journal) {
        Money charges = mirrored ? entry.charges().negated() : entry.charges();
        if (!charges.isZero()) {
            journal.debit(PostingKey.of(entry.chargesAccount()), charges, rate.convert(charges));
            journal.credit(PostingKey.of(entry.account()), charges, rate.convert(charges));
        }
    }
}
