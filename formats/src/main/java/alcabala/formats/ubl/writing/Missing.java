package alcabala.formats.ubl.writing;

import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.party.Party;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/// What EN 16931 wants of an invoice and is not known here. The file is UBL all the same; an importer that asks for the
/// standard refuses it.
public enum Missing {
    /// BR-6.
    SELLER_NAME,
    /// BR-9.
    SELLER_COUNTRY,
    /// BR-S-2 and its sisters.
    SELLER_TAX_IDENTIFIER,
    /// BR-7.
    BUYER_NAME,
    /// BR-11.
    BUYER_COUNTRY,
    /// BR-AE-2 and BR-IC-2.
    BUYER_TAX_IDENTIFIER,
    /// BR-IC-12.
    DELIVERY_COUNTRY,
    /// BR-IC-11; what goes to a ledger does not say when it was delivered.
    DELIVERY_DATE,
    /// BR-CO-25.
    DUE_DATE,
    /// BR-16.
    LINES;

    static List<Missing> of(UblDocument document, Charged charged) {
        List<Missing> missing = new ArrayList<>();
        party(document.seller(), SELLER_NAME, SELLER_COUNTRY, missing);
        party(document.buyer(), BUYER_NAME, BUYER_COUNTRY, missing);
        Set<TaxCategory> categories =
                charged.groups().stream().map(Charged.Group::category).collect(Collectors.toSet());
        if (charged.isTaxed() && document.seller().taxIdentifier().isEmpty()) {
            missing.add(SELLER_TAX_IDENTIFIER);
        }
        boolean named = categories.contains(TaxCategory.AE) || categories.contains(TaxCategory.K);
        if (named && document.buyer().taxIdentifier().isEmpty()) {
            missing.add(BUYER_TAX_IDENTIFIER);
        }
        if (categories.contains(TaxCategory.K)) {
            missing.add(DELIVERY_DATE);
            if (document.buyer().shipTo().country().isEmpty()) {
                missing.add(DELIVERY_COUNTRY);
            }
        }
        boolean owed = document.document().gross().isPositive();
        if (owed
                && document.document().dueDate() == null
                && document.document().terms().isEmpty()) {
            missing.add(DUE_DATE);
        }
        if (document.document().lines().stream().allMatch(line -> line.taxCode().isEmpty())) {
            missing.add(LINES);
        }
        return missing;
    }

    private static void party(Party party, Missing name, Missing country, List<Missing> missing) {
        if (party.name().isEmpty()) {
            missing.add(name);
        }
        if (party.billTo().country().isEmpty()) {
            missing.add(country);
        }
    }
}
