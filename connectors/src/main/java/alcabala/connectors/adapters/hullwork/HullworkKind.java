package alcabala.connectors.adapters.hullwork;

import alcabala.connectors.ledger.AnswersByKey;
import alcabala.connectors.ledger.FindsByReference;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.ledger.TakesBack;
import alcabala.connectors.ledger.TakesSettlements;
import alcabala.connectors.source.Approves;
import alcabala.connectors.source.TellsChanges;
import alcabala.connectors.source.WritesFields;
import alcabala.connectors.spi.SourceByKey;
import java.util.Set;

/// Hullwork, an operational app.
public final class HullworkKind extends SourceByKey {
    public HullworkKind() {
        super(
                "hullwork",
                "Hullwork",
                Set.of(
                        Approves.class,
                        TellsChanges.class,
                        WritesFields.class,
                        RewritesParties.class,
                        TakesSettlements.class,
                        TakesBack.class,
                        AnswersByKey.class,
                        FindsByReference.class),
                HullworkSource::new);
    }
}
