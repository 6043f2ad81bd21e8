package alcabala.formats.layout;

import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Party;
import java.util.Map;

/// What an invoice says beside what is sent.
///
/// @param parties by the source's codes
/// @param taxCodes the ledger's, by code
/// @param units in which items are sold (UN/ECE recommendation 20), by the source's items
public record InvoiceFacts(Map<String, Party> parties, Map<String, LedgerTaxCode> taxCodes, Map<String, String> units) {
    public static final InvoiceFacts NONE = new InvoiceFacts(Map.of(), Map.of(), Map.of());

    /// Under the code that the ledger has for it, where it has one.
    Party party(Exported record) {
        String source = record.entry().party();
        Party known = parties.getOrDefault(source, Party.named(source, record.partyName()));
        String there = record.entry().partyCounterpart();
        return known.as(there.isEmpty() ? source : there);
    }
}
