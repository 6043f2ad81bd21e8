package alcabala.formats.ubl.writing;

import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerDocument;
import java.util.Map;

/// A document with what a UBL file says beside it.
///
/// @param reference our name for it there
/// @param own who we are
/// @param other the customer or supplier, under the ledger's code where it has one
/// @param taxCodes the ledger's, by code
/// @param units in which items are sold (UN/ECE recommendation 20), by the source's items
public record UblDocument(
        LedgerDocument document,
        Journal journal,
        String reference,
        Party own,
        Party other,
        Map<String, LedgerTaxCode> taxCodes,
        Map<String, String> units) {
    /// A piece, where nobody tells.
    private static final String ONE = "C62";

    Party seller() {
        return document.kind().isSale() ? own : other;
    }

    Party buyer() {
        return document.kind().isSale() ? other : own;
    }

    String unit(String item) {
        String unit = units.getOrDefault(item, "");
        return unit.isEmpty() ? ONE : unit;
    }
}
