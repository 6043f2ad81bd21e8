package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;
import java.util.List;

/// Keeps the books of several companies, of which one is chosen.
public interface OffersCompanies extends Capability {
    List<CompanyOffer> companies();
}
