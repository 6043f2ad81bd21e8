package alcabala.connectors.ledger;

import alcabala.connectors.spi.Capability;

/// Says what it was consented to, and until when.
public interface ShowsConsent extends Capability {
    LedgerConsent consent();
}
