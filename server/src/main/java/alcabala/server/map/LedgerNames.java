package alcabala.server.map;

import java.util.Map;

/// What things of a ledger are called, by their codes; empty for what it does not have any more.
///
/// @param counterparts parties, items or tax codes, whatever rows of the kind point to
record LedgerNames(Map<String, String> accounts, Map<String, String> counterparts, Map<String, String> dimensions) {
    String account(String code) {
        return accounts.getOrDefault(code, "");
    }

    String counterpart(String code) {
        return counterparts.getOrDefault(code, "");
    }

    String dimension(String code) {
        return dimensions.getOrDefault(code, code);
    }
}
