package alcabala.connectors.ledger;

import alcabala.accounting.tax.TaxRounding;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Set;

/// The company on the ledger and its settings.
///
/// @param booksId what tells these books from others under the same name
/// @param itemNameForbids characters that no name of an item may have; empty for none
/// @param appliesCredits whether the ledger applies open credits to invoices by itself
/// @param tracksQuantities whether it tracks quantities, and so books the cost of what is sold
/// @param timeZone where its days begin
/// @param clock what its clock says at this moment
/// @param features what it has switched on, such as `purchase-orders`, `dimensions`, `multi-currency`, `decides-tax`
/// @param referenceVersion another one whenever anything of its masters or settings changed; empty where it does not
/// tell
public record LedgerCompany(
        String id,
        String booksId,
        String name,
        String currency,
        TaxRounding taxRounding,
        int itemNameLimit,
        String itemNameForbids,
        LocalDate lockedThrough,
        boolean appliesCredits,
        boolean tracksQuantities,
        Set<String> features,
        ZoneId timeZone,
        Instant clock,
        String referenceVersion) {
    /// Of a company that has the ledger decide what is taxed and how much.
    public static final String DECIDES_TAX = "decides-tax";
    /// Of a company that has customers below others.
    public static final String SUB_PARTIES = "sub-parties";
}
