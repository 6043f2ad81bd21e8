package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.route.RouteRow;
import java.util.Collection;
import java.util.List;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/// What a row says, in the words of the ledger.
@Component
public class RowWords {
    private final OnLedger ledger;

    RowWords(OnLedger ledger) {
        this.ledger = ledger;
    }

    /// Of many rows, with their names looked up once.
    ///
    /// @return what one of these says; nothing for null
    public Function<Meaning, List<Said>> of(RouteRow route, RowKind kind, Collection<Meaning> meanings) {
        LedgerNames names = ledger.names(route, kind, meanings);
        return meaning -> meaning == null ? List.of() : RowsInHand.said(kind, meaning, names);
    }

    public List<Said> of(RouteRow route, RowKind kind, Meaning meaning) {
        return of(route, kind, List.of(meaning)).apply(meaning);
    }
}
