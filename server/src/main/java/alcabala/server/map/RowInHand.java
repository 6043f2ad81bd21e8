package alcabala.server.map;

import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import java.util.List;

/// One row as it is being changed.
///
/// @param version to be given back with the change; 0 when there is no row yet
/// @param purpose of what such rows mostly say; null where they have none
/// @param main what it mostly says; null when it says nothing and nothing is suggested
/// @param further all that it can say beside that
record RowInHand(int version, Purpose purpose, Option main, List<Further> further) {
    /// @param dimension the ledger's code of it; empty for an account
    /// @param word what it is called
    /// @param now what the row says of it; null for nothing
    record Further(Purpose purpose, String dimension, String word, Option now) {}

    /// What a kind of row is mostly made for: what stands for a code there, or else one account.
    ///
    /// @return null where there is no such thing
    static Purpose mainOf(RowKind kind) {
        return switch (kind) {
            case PARTY, ITEM, TAX, PAYER, TERMS, FIELD, CHOICE -> Purpose.COUNTERPART;
            case SITE -> null;
            case CATEGORY, PROJECT, ROLE, SUPPLIER, LINE_KIND, LINE, MEANS -> kind.accountPurpose();
        };
    }

    static boolean isMain(RowKind kind, Purpose purpose) {
        return purpose == mainOf(kind);
    }

    /// Whether an account for this purpose comes with what the row mostly says: an item of the ledger brings its own.
    static boolean comesWithIt(RowKind kind, Purpose purpose) {
        return isMain(kind, purpose) || (kind == RowKind.ITEM && purpose == Purpose.INCOME);
    }
}
