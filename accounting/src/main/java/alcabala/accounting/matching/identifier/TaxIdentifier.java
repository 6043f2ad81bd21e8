package alcabala.accounting.matching.identifier;

import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.name.Letters;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/// A tax identifier (EN 16931 BT-31, BT-48) without the ways of writing it: `IE 6441027 P`, `6441027p`, `VAT
/// IE-6441027-P`.
///
/// @param number letters and digits without the country; empty for none
/// @param country ISO 3166-1 alpha-2, from the identifier or else from the address; empty when neither says
/// @param check whether its check digits are right
public record TaxIdentifier(String number, String country, Check check) {
    public static final TaxIdentifier NONE = new TaxIdentifier("", "", Check.UNKNOWN);

    private static final Pattern LABEL = Pattern.compile(
            "(?i)\\b(vat|tva|tax|iva|btw|mwst|ust|uid|nif|cif|tin|gst|abn|ein|reg|id|idnr|no|nr|number)\\b[.:]*");
    private static final Pattern NO_PART = Pattern.compile("[^A-Z0-9]");
    private static final Pattern NO_DIGIT = Pattern.compile("\\D");
    private static final Map<String, String> ALSO = Map.of("EL", "GR", "UK", "GB", "XI", "GB", "CHE", "CH");
    private static final int LEAST = 5;
    private static final int MOST = 20;
    private static final int LONG_ENOUGH_FOR_A_PART = 8;
    private static final int LONG_ENOUGH_FOR_A_SLIP = 7;

    /// Of countries whose check digits are known here.
    public enum Check {
        RIGHT,
        WRONG,
        UNKNOWN
    }

    public static TaxIdentifier of(String written, String countryOfAddress) {
        if (Fillers.isWord(written)) {
            return NONE;
        }
        String plain = NO_PART.matcher(LABEL.matcher(written).replaceAll("").toUpperCase(Locale.ROOT))
                .replaceAll("");
        String prefix = CountryPrefix.of(plain);
        String number = stripZeros(withoutSuffix(plain.substring(prefix.length())));
        String country = prefix.isEmpty() ? country(countryOfAddress) : ALSO.getOrDefault(prefix, prefix);
        Check check = CheckDigits.check(country, number);
        String digits = NO_DIGIT.matcher(number).replaceAll("");
        boolean fills = Fillers.isRepeated(digits) || (check != Check.RIGHT && Fillers.isCounted(digits));
        return number.length() < LEAST || number.length() > MOST || fills
                ? NONE
                : new TaxIdentifier(number, country, check);
    }

    /// As ISO 3166-1 has it, however tax offices and people call it.
    public static String country(String written) {
        String plain = written.strip().toUpperCase(Locale.ROOT);
        return ALSO.getOrDefault(plain, plain);
    }

    private static String withoutSuffix(String number) {
        return number.replaceFirst("(MWST|TVA|IVA|MVA)$", "").replaceFirst("^(\\d{9})B\\d\\d$", "$1");
    }

    private static String stripZeros(String number) {
        return number.replaceFirst("^0+(?=.)", "");
    }

    public boolean isNone() {
        return number.isEmpty();
    }

    public Agreement with(TaxIdentifier other) {
        if (isNone() || other.isNone()) {
            return Agreement.SILENT;
        }
        boolean sameCountry = country.isEmpty() || other.country.isEmpty() || country.equals(other.country);
        if (sameCountry
                && (number.equals(other.number) || isPartOf(number, other.number) || isPartOf(other.number, number))) {
            return Agreement.SAME;
        }
        boolean aSlip = sameCountry
                && Math.min(number.length(), other.number.length()) >= LONG_ENOUGH_FOR_A_SLIP
                && !(check == Check.RIGHT && other.check == Check.RIGHT)
                && Letters.slips(number, other.number, 1) == 1;
        return aSlip ? Agreement.NEARLY : Agreement.CONTRADICTS;
    }

    /// Some countries' identifiers end with another number of the same business: the French with its SIREN.
    private static boolean isPartOf(String shorter, String longer) {
        return shorter.length() >= LONG_ENOUGH_FOR_A_PART
                && longer.length() > shorter.length()
                && longer.endsWith(shorter);
    }
}
