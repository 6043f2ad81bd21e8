package alcabala.accounting.ledger;

import java.util.Set;

/// Something by which a ledger tells what is booked apart, beside its accounts: sites, departments.
///
/// @param values the codes that can be used
public record LedgerDimension(String code, String name, Set<String> values) {}
