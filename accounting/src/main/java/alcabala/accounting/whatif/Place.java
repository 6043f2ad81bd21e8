package alcabala.accounting.whatif;

import java.util.Map;

/// Where a journal entry made by hand can book an amount: it has no tax code, since it is no supply.
///
/// @param dimensions the ledger's values by the ledger's dimensions
public record Place(String account, Map<String, String> dimensions) {}
