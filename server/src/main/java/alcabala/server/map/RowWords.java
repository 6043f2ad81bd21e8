package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.route.RouteRow;
import java.util.List;
import org.springframework.stereotype.Component;

/// What a row says, in the words of the ledger.
@Component
public class RowWords {
    private final OnLedger ledger;

    RowWords(OnLedger ledger) {
        this.ledger = ledger;
    }

    public List<Said> of(RouteRow route, RowKind kind, Meaning meaning) {
        return RowsInHand.said(kind, meaning, ledger.names(route, kind, List.of(meaning)));
    }
}
