package alcabala.accounting.posting;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.PutTogether.Outcome;
import alcabala.accounting.posting.PutTogether.Why;
import alcabala.accounting.sync.Kept;

/// A payment that goes in the place of one that stands on the ledger, with what that side keeps: its number, its day,
/// how it was paid and what it says. Whose money it is, how much, and what it settles cause the journal, and are its
/// source's or the ledger's altogether.
final class MoneyTogether {
    private final Journal journal;
    private final Kept kept;
    private final StandsAs there;
    private LedgerSettlement money;
    private Outcome.Cannot cannot;

    MoneyTogether(LedgerSettlement money, Journal journal, Kept kept, StandsAs there) {
        this.money = money;
        this.journal = journal;
        this.kept = kept;
        this.there = there;
    }

    Outcome run() {
        kept.undecided().stream().findFirst().ifPresent(field -> cannot(field, Why.CONFLICT));
        kept.fields().forEach(this::keep);
        return cannot == null ? new Outcome.Goes(money, journal, kept.changedThere()) : cannot;
    }

    /// The first that is found is told.
    private void cannot(String field, Why why) {
        cannot = cannot == null ? new Outcome.Cannot(field, why) : cannot;
    }

    private void keep(String field) {
        switch (field) {
            case Half.NUMBER -> money = money.number().isEmpty() ? money : money.numbered(there.number());
            case Half.ISSUE_DATE -> keepDay();
            case Half.MEANS -> money = money.paidBy(there.means());
            case Half.REFERENCE -> money = money.saying(there.reference());
            default -> keepWhole(field);
        }
    }

    /// At another day's rate more of the journal would be another.
    private void keepDay() {
        if (money.isConverted()) {
            cannot(Half.ISSUE_DATE, Why.BOOKED);
        } else {
            money = money.onDay(there.date());
        }
    }

    /// What it settles goes as its source has it unless somebody changed it there.
    private void keepWhole(String field) {
        if (!Half.isLine(field)) {
            cannot(field, field.equals(Half.GROSS) ? Why.SUMS : Why.BOOKED);
        } else if (kept.changedThere().contains(field)) {
            cannot(field, Why.LINES);
        }
    }
}
