package alcabala.connectors.ledger;

import java.time.Instant;
import java.util.List;

/// @param endsAt when the consent itself ends; null when the ledger does not say
public record LedgerConsent(List<String> scopes, Instant endsAt) {}
