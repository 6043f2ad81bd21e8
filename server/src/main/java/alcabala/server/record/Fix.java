package alcabala.server.record;

import alcabala.accounting.crosswalk.RowKind;
import java.util.Optional;

/// A row of the crosswalk in which a finding is put right, when choosing a counterpart does it.
public record Fix(RowKind kind, String code) {
    /// Empty for a cause that is put right elsewhere.
    public static Optional<Fix> of(String cause) {
        int colon = cause.indexOf(':');
        String code = cause.substring(colon + 1);
        return kind(colon < 0 ? cause : cause.substring(0, colon)).map(kind -> new Fix(kind, code));
    }

    private static Optional<RowKind> kind(String finding) {
        return Optional.ofNullable(
                switch (finding) {
                    case "item-unmapped" -> RowKind.ITEM;
                    case "category-unmapped" -> RowKind.CATEGORY;
                    case "tax-unmapped", "tax-rate-differs", "tax-category-differs" -> RowKind.TAX;
                    case "party-doubtful", "party-missing" -> RowKind.PARTY;
                    case "supplier-unmapped" -> RowKind.SUPPLIER;
                    case "role-unset" -> RowKind.ROLE;
                    case "means-unmapped" -> RowKind.MEANS;
                    case "terms-differ" -> RowKind.TERMS;
                    case "choice-unmapped" -> RowKind.CHOICE;
                    case "field-unconvertible" -> RowKind.FIELD;
                    case "payer-differs" -> RowKind.PAYER;
                    default -> null;
                });
    }
}
