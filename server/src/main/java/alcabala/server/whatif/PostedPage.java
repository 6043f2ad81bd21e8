package alcabala.server.whatif;

import alcabala.accounting.whatif.Books;
import alcabala.accounting.whatif.CorrectingJournal;
import alcabala.accounting.whatif.CorrectingJournal.Corrected;
import alcabala.accounting.whatif.Effect;
import alcabala.accounting.whatif.OpenPeriods;
import alcabala.server.whatif.Concerned.One;
import alcabala.server.whatif.Concerned.Standing;
import alcabala.server.whatif.WouldChange.Reason;
import alcabala.server.whatif.WouldChange.Unclear;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Gathers what a change means for what stands on the ledger: what a journal puts right, and what a person has
/// to.
final class PostedPage {
    private static final int LISTED = 100;
    private final Shown shown;
    private final OpenPeriods periods;
    private final Months months;
    private final Map<Long, Corrected> corrected = new LinkedHashMap<>();
    private final List<Unclear> unclear = new ArrayList<>();
    private Books before = Books.NONE;
    private Books moved = Books.NONE;
    private int looked;
    private int setAside;

    PostedPage(Shown shown, OpenPeriods periods) {
        this.shown = shown;
        this.periods = periods;
        months = new Months(shown);
    }

    /// @param effect empty where the books do not say what the row said at any time
    void add(Standing each, Optional<Effect> effect) {
        before = before.plus(each.books());
        if (effect.isEmpty()) {
            setAside(each.one(), Reason.OTHERWISE);
            return;
        }
        looked++;
        Effect found = effect.get();
        switch (found.kind()) {
            case BOOKS -> {
                moved = moved.plus(found.moved());
                months.add(each.booked(), each.one(), found.moved());
                corrected.put(each.one().id(), new Corrected(each.booked(), found.moved()));
            }
            case BLOCKS -> listed(each.one(), Reason.BLOCKS);
            case TAX -> listed(each.one(), Reason.TAX);
            case PARTY -> listed(each.one(), Reason.PARTY);
            case NOTHING, ENTRY, LATER, RELEASES -> {}
        }
    }

    void setAside(One one, Reason reason) {
        looked++;
        listed(one, reason);
    }

    private void listed(One one, Reason reason) {
        setAside++;
        if (unclear.size() < LISTED) {
            unclear.add(new Unclear(one.id(), one.number(), one.party(), reason));
        }
    }

    /// Those that journals put right, by their numbers.
    Map<Long, Corrected> corrected() {
        return corrected;
    }

    List<CorrectingJournal> journals() {
        return CorrectingJournal.of(List.copyOf(corrected.values()), periods);
    }

    WouldChange.PostedSide said() {
        return new WouldChange.PostedSide(
                looked,
                corrected.size(),
                months.said(Optional.of(periods)),
                shown.accounts(moved, before),
                setAside,
                unclear,
                journals().stream().map(shown::journal).toList());
    }
}
