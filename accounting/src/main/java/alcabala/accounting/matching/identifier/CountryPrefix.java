package alcabala.accounting.matching.identifier;

import java.util.Map;
import java.util.regex.Pattern;

/// The country that a tax identifier begins with.
final class CountryPrefix {
    /// How the rest looks (Council Directive 2006/112/EC article 215 and the countries' own rules); leading
    /// zeros may be missing.
    private static final Map<String, Pattern> SHAPES = Map.ofEntries(
            shape("AT", "U?\\d{8}"),
            shape("BE", "\\d{9,10}"),
            shape("BG", "\\d{9,10}"),
            shape("CHE", "\\d{9}(MWST|TVA|IVA)?"),
            shape("CY", "\\d{8}[A-Z]"),
            shape("CZ", "\\d{8,10}"),
            shape("DE", "\\d{9}"),
            shape("DK", "\\d{8}"),
            shape("EE", "\\d{9}"),
            shape("EL", "\\d{8,9}"),
            shape("GR", "\\d{8,9}"),
            shape("ES", "[A-Z0-9]\\d{7}[A-Z0-9]"),
            shape("FI", "\\d{8}"),
            shape("FR", "[A-Z0-9]{2}\\d{9}"),
            shape("GB", "\\d{9}(\\d{3})?"),
            shape("UK", "\\d{9}(\\d{3})?"),
            shape("XI", "\\d{9}(\\d{3})?"),
            shape("HR", "\\d{11}"),
            shape("HU", "\\d{8}"),
            shape("IE", "\\d[A-Z0-9+*]\\d{5}[A-Z]{1,2}"),
            shape("IT", "\\d{11}"),
            shape("LT", "\\d{9}(\\d{3})?"),
            shape("LU", "\\d{8}"),
            shape("LV", "\\d{11}"),
            shape("MT", "\\d{8}"),
            shape("NL", "\\d{9}(B\\d\\d)?"),
            shape("NO", "\\d{9}(MVA)?"),
            shape("PL", "\\d{10}"),
            shape("PT", "\\d{9}"),
            shape("RO", "\\d{2,10}"),
            shape("SE", "\\d{10,12}"),
            shape("SI", "\\d{8}"),
            shape("SK", "\\d{10}"));
    private static final Pattern ANY = Pattern.compile("[A-Z]{2}\\d{5,}[A-Z]{0,2}");

    private CountryPrefix() {}

    private static Map.Entry<String, Pattern> shape(String country, String rest) {
        return Map.entry(country, Pattern.compile(rest));
    }

    /// @param plain letters and digits
    /// @return empty when it begins with none
    static String of(String plain) {
        for (int length = 3; length >= 2; length--) {
            if (plain.length() > length) {
                String prefix = plain.substring(0, length);
                Pattern shape = SHAPES.get(prefix);
                if (shape != null && shape.matcher(plain.substring(length)).matches()) {
                    return prefix;
                }
            }
        }
        return ANY.matcher(plain).matches() ? plain.substring(0, 2) : "";
    }
}
