package alcabala.connectors.source;

import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.party.Party;

/// What is known of a source's own codes.
public interface SourceLookup {
    /// The party, or one that has only its code when the source has not told of it yet.
    Party party(String code);

    /// The business whose records these are, as its own documents name it.
    Party business();

    /// Empty when the source has not told of the item.
    String itemName(String code);

    /// Standard for a rate above zero, zero-rated otherwise, when the source has not told of the code yet.
    TaxCategory taxCategory(String code, boolean taxed);
}
