package alcabala.accounting.document;

import alcabala.accounting.party.Business;

/// Which side of a document the business is.
public enum Ownership {
    SELLER,
    BUYER,
    NEITHER;

    /// The seller wins when the business is on both sides.
    public static Ownership of(Document document, Business business) {
        if (business.is(document.seller())) {
            return SELLER;
        }
        return business.is(document.buyer()) ? BUYER : NEITHER;
    }
}
