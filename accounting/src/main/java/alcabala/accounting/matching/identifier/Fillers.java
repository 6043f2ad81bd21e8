package alcabala.accounting.matching.identifier;

import java.util.regex.Pattern;

/// What people write into a field that has to be filled.
final class Fillers {
    private static final Pattern WORDS = Pattern.compile(
            "(?i).*(exempt|none|unknown|pending|applied|notax|novat|tbc|tbd|missing|private|consumer|test|dummy).*|n/?a|nil|null|x+|-*");
    private static final String COUNTED = "01234567890123456789";
    private static final String BACKWARDS = "98765432109876543210";
    private static final int LEAST_DIGITS = 5;

    private Fillers() {}

    static boolean isWord(String text) {
        return WORDS.matcher(text.strip()).matches();
    }

    /// Too short to tell anybody apart, or nothing but one digit again and again.
    static boolean isRepeated(String digits) {
        return digits.length() < LEAST_DIGITS
                || digits.substring(1).chars().distinct().count() == 1
                || digits.substring(0, digits.length() - 1).chars().distinct().count() == 1;
    }

    /// Digits counted up or down.
    static boolean isCounted(String digits) {
        return COUNTED.contains(digits) || BACKWARDS.contains(digits);
    }
}
