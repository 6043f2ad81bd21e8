package alcabala.accounting.matching.identifier;

import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.name.Letters;
import java.util.regex.Pattern;

/// A telephone number as it is told from others: its digits without extension, international prefix and the
/// zero before the area.
///
/// @param digits empty for none
public record Telephone(String digits) {
    private static final Pattern EXTENSION =
            Pattern.compile("(?i)(ext\\.?|extn\\.?|x|#|durchwahl|dw)\\s*\\d{1,5}\\s*$");
    private static final Pattern TRUNK = Pattern.compile("\\(0\\)");
    private static final Pattern NO_DIGIT = Pattern.compile("\\D");
    /// Those at the end by which numbers are found and compared; countries' prefixes and areas stand before
    /// them.
    private static final int TELLING = 7;

    private static final Pattern OTHERS = Pattern.compile("(?i)\\s*(/|;|,|\\bor\\b).*$");

    /// Of several that stand in one field the first.
    public static Telephone of(String all) {
        String first = OTHERS.matcher(all).replaceAll("");
        String written = NO_DIGIT.matcher(first).replaceAll("").length() < TELLING ? all : first;
        String digits = NO_DIGIT.matcher(
                        TRUNK.matcher(EXTENSION.matcher(written).replaceAll("")).replaceAll(""))
                .replaceAll("");
        String own = digits.replaceFirst("^0+", "");
        String end = own.length() <= TELLING ? own : own.substring(own.length() - TELLING);
        return new Telephone(own.length() < TELLING || Fillers.isRepeated(end) ? "" : own);
    }

    public boolean isNone() {
        return digits.isEmpty();
    }

    public String key() {
        return isNone() ? "" : digits.substring(digits.length() - TELLING);
    }

    public Agreement with(Telephone other) {
        if (isNone() || other.isNone()) {
            return Agreement.SILENT;
        }
        if (digits.endsWith(other.digits) || other.digits.endsWith(digits)) {
            return Agreement.SAME;
        }
        if (key().equals(other.key())) {
            return Agreement.NEARLY;
        }
        return Letters.slips(digits, other.digits, 1) == 1 ? Agreement.NEARLY : Agreement.OTHER;
    }
}
