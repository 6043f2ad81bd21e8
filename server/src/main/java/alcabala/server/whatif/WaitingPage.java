package alcabala.server.whatif;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.whatif.Books;
import alcabala.accounting.whatif.Effect;
import alcabala.server.whatif.Concerned.One;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/// Gathers what a change does to what has not crossed.
final class WaitingPage {
    private final Map<Effect.Kind, Integer> kinds = new EnumMap<>(Effect.Kind.class);
    private final Shown shown;
    private final Months months;
    private Books before = Books.NONE;
    private Books moved = Books.NONE;
    private int looked;

    WaitingPage(Shown shown) {
        this.shown = shown;
        months = new Months(shown);
    }

    void add(One one, Compilation now, Compilation would) {
        Effect effect = Effect.between(now, would);
        looked++;
        before = before.plus(Effect.books(now));
        if (effect.kind() != Effect.Kind.NOTHING) {
            kinds.merge(effect.kind(), 1, Integer::sum);
            moved = moved.plus(effect.moved());
            months.add(one.day(), one, effect.moved());
        }
    }

    WouldChange.WaitingSide said(int onTheWay) {
        return new WouldChange.WaitingSide(
                looked, kinds, months.said(Optional.empty()), shown.accounts(moved, before), onTheWay);
    }
}
