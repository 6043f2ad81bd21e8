package standins.inkwell;

import java.util.Comparator;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import standins.Refusal;
import standins.inkwell.Books.Draft;
import standins.inkwell.Books.DraftLine;
import standins.inkwell.Books.TaxCode;

/// Where the company has Inkwell decide the tax: what is taxable is taxed at home at the highest rate, and elsewhere
/// at none.
@Component
class TaxByPlace {
    static final String SETTING = "decides-tax";
    private static final String HOME = "IE";
    private final Masters masters;

    TaxByPlace(Masters masters) {
        this.masters = masters;
    }

    /// The draft with the code that each of its lines gets; as it is where the company has codes sent.
    Draft decide(Draft draft) {
        if (draft.lines() == null) {
            return draft;
        }
        if (!masters.isOn(SETTING)) {
            return draft.with(draft.lines().stream().map(TaxByPlace::byCode).toList());
        }
        draft.lines().forEach(TaxByPlace::requireByPlace);
        String taxed = code(isHome(draft.party()) ? "S" : "Z");
        return draft.with(draft.lines().stream()
                .map(line ->
                        Boolean.TRUE.equals(line.taxable()) ? line.taxed(taxed, true) : line.taxed(code("Z"), false))
                .toList());
    }

    /// What was decided before the company had codes sent again keeps its code.
    private static DraftLine byCode(DraftLine line) {
        if (line.taxable() != null && line.taxCode() == null) {
            throw Refusal.unprocessable("tax-by-code", "This company has tax codes sent; it decides no tax itself.");
        }
        return line.taxed(line.taxCode(), null);
    }

    private static void requireByPlace(DraftLine line) {
        if (line.taxCode() != null && line.taxable() == null) {
            throw Refusal.unprocessable(
                    "tax-by-place",
                    "This company decides tax itself: “%s” is taxable or not, and has no code %s."
                            .formatted(line.text(), line.taxCode()));
        }
    }

    private boolean isHome(String party) {
        String country = masters.findParty(party)
                .map(Books.Party::billTo)
                .map(billTo -> billTo.getOrDefault("country", ""))
                .orElse("");
        return country.isEmpty() || country.equals(HOME);
    }

    private String code(String category) {
        Predicate<TaxCode> charges = code -> code.active() && code.category().equals(category);
        return masters.taxCodes().stream()
                .filter(charges)
                .max(Comparator.comparing(TaxCode::charged))
                .map(TaxCode::code)
                .orElseThrow(() -> Refusal.unprocessable("tax-code-missing", "There is no tax code of " + category));
    }
}
