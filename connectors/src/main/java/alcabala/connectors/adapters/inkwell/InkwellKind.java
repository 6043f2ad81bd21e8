package alcabala.connectors.adapters.inkwell;

import alcabala.connectors.Access;
import alcabala.connectors.ledger.AnswersByKey;
import alcabala.connectors.ledger.Counts;
import alcabala.connectors.ledger.CreatesBelow;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.ledger.DescribesCompany;
import alcabala.connectors.ledger.FeedsChanges;
import alcabala.connectors.ledger.FindsByReference;
import alcabala.connectors.ledger.OffersCompanies;
import alcabala.connectors.ledger.ReadsReferenceData;
import alcabala.connectors.ledger.ReplacesDocuments;
import alcabala.connectors.ledger.ReplacesJournals;
import alcabala.connectors.ledger.ReplacesSettlements;
import alcabala.connectors.ledger.RewritesItems;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.ledger.ShowsConsent;
import alcabala.connectors.ledger.TakesBack;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.ledger.TakesJournals;
import alcabala.connectors.ledger.TakesSettlements;
import alcabala.connectors.ledger.TellsBalances;
import alcabala.connectors.ledger.TellsNumbers;
import alcabala.connectors.spi.Capability;
import alcabala.connectors.spi.Connection;
import alcabala.connectors.spi.ConnectionKind;
import alcabala.connectors.spi.Entry;
import alcabala.connectors.spi.Place;
import alcabala.connectors.spi.Side;
import java.util.List;
import java.util.Set;

/// Inkwell, a ledger that keeps the books of several companies and is entered by consent.
public final class InkwellKind implements ConnectionKind {
    @Override
    public String code() {
        return "inkwell";
    }

    @Override
    public String name() {
        return "Inkwell";
    }

    @Override
    public Side side() {
        return Side.LEDGER;
    }

    @Override
    public Entry entry() {
        return new Entry.ByConsent("/oauth/authorize", "/oauth/token", List.of("books.read", "books.write"));
    }

    @Override
    public Set<Class<? extends Capability>> can() {
        return Set.of(
                DescribesCompany.class,
                ReadsReferenceData.class,
                CreatesMasters.class,
                CreatesBelow.class,
                RewritesItems.class,
                RewritesParties.class,
                TakesDocuments.class,
                ReplacesDocuments.class,
                TakesSettlements.class,
                ReplacesSettlements.class,
                TakesBack.class,
                AnswersByKey.class,
                FindsByReference.class,
                FeedsChanges.class,
                TellsNumbers.class,
                TellsBalances.class,
                TakesJournals.class,
                ReplacesJournals.class,
                Counts.class,
                OffersCompanies.class,
                ShowsConsent.class);
    }

    @Override
    public String desk(Place place) {
        return place.address() + "/books/" + place.company();
    }

    @Override
    public Connection open(Place place, Access access) {
        InkwellDoor door = new InkwellDoor(place, access);
        return place.company().isEmpty()
                ? Connection.of(name(), door)
                : Connection.of(name(), door, new InkwellLedger(place, access));
    }
}
