package alcabala.connectors.ledger;

import alcabala.accounting.tax.TaxRounding;
import java.time.LocalDate;

/// The company on the ledger and its settings.
public record LedgerCompany(
        String name, String currency, TaxRounding taxRounding, int itemNameLimit, LocalDate lockedThrough) {}
