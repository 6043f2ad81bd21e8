package alcabala.connectors.ledger;

import alcabala.accounting.document.ItemKind;

/// An item as a system has it.
///
/// @param kind null where the ledger does not tell
/// @param unit in which it is sold, or empty
/// @param account of its sales; empty where the system keeps none
/// @param taxCode the code the ledger proposes for it; empty when it has none
public record LedgerItem(
        String code,
        String name,
        ItemKind kind,
        String unit,
        String account,
        Purchase purchase,
        String taxCode,
        boolean active) {
    /// The accounts of buying it, of what is sold of it cost, and of its stock; empty for none.
    public record Purchase(String expense, String cost, String stock) {
        public static final Purchase NONE = new Purchase("", "", "");
    }

    /// Of which no more is known.
    public static LedgerItem of(String code, String name, String account, String taxCode, boolean active) {
        return new LedgerItem(code, name, null, "", account, Purchase.NONE, taxCode, active);
    }
}
