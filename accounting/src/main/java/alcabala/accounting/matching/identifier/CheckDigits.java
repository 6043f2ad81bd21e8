package alcabala.accounting.matching.identifier;

import alcabala.accounting.matching.identifier.TaxIdentifier.Check;
import java.util.Map;
import java.util.function.Predicate;

/// The check digits of tax identifiers, as each country computes them; a zero at the front may have been left
/// out.
final class CheckDigits {
    private static final String IRISH = "WABCDEFGHIJKLMNOPQRSTUV";
    private static final Map<String, Predicate<String>> RULES = Map.of(
            "IE",
            CheckDigits::irish,
            "DE",
            CheckDigits::german,
            "BE",
            CheckDigits::belgian,
            "DK",
            number -> weighted(number, 8, 2, 7, 6, 5, 4, 3, 2, 1) % 11 == 0,
            "PT",
            number -> lastBy11(number, 9, 9, 8, 7, 6, 5, 4, 3, 2),
            "NL",
            number -> weighted(number, 9, 9, 8, 7, 6, 5, 4, 3, 2, -1) % 11 == 0,
            "PL",
            number -> weighted(number, 10, 6, 5, 7, 2, 3, 4, 5, 6, 7, -1) % 11 == 0,
            "IT",
            number -> luhn(number, 11),
            "GB",
            CheckDigits::british,
            "GR",
            CheckDigits::greek);

    private CheckDigits() {}

    static Check check(String country, String number) {
        Predicate<String> rule = RULES.get(country);
        if (rule == null) {
            return Check.UNKNOWN;
        }
        return rule.test(number) ? Check.RIGHT : Check.WRONG;
    }

    private static boolean irish(String number) {
        String padded = "0".repeat(Math.max(0, 8 - number.length())) + number;
        if (!padded.matches("\\d{7}[A-W][A-I]?")) {
            return false;
        }
        int sum = weighted(padded.substring(0, 7), 7, 8, 7, 6, 5, 4, 3, 2);
        int second = padded.length() > 8 ? 9 * (padded.charAt(8) - 'A' + 1) : 0;
        return IRISH.charAt((sum + second) % 23) == padded.charAt(7);
    }

    /// ISO 7064, MOD 11,10.
    private static boolean german(String number) {
        int[] digits = digits(number, 9);
        int product = 10;
        for (int i = 0; i < digits.length - 1; i++) {
            int sum = (digits[i] + product) % 10;
            product = 2 * (sum == 0 ? 10 : sum) % 11;
        }
        return digits.length == 9 && (11 - product) % 10 == digits[8];
    }

    private static boolean belgian(String number) {
        int[] digits = digits(number, 10);
        if (digits.length != 10) {
            return false;
        }
        long first = 0;
        for (int i = 0; i < 8; i++) {
            first = first * 10 + digits[i];
        }
        return 97 - first % 97 == digits[8] * 10L + digits[9];
    }

    private static boolean british(String number) {
        if (number.length() > 12) {
            return false;
        }
        int sum = weighted(number.substring(0, Math.min(9, number.length())), 9, 8, 7, 6, 5, 4, 3, 2, 10, 1);
        return sum >= 0 && (sum % 97 == 0 || (sum + 55) % 97 == 0);
    }

    private static boolean greek(String number) {
        int[] digits = digits(number, 9);
        if (digits.length != 9) {
            return false;
        }
        int sum = weighted(number.substring(0, number.length() - 1), 8, 256, 128, 64, 32, 16, 8, 4, 2);
        return sum % 11 % 10 == digits[8];
    }

    private static boolean luhn(String number, int length) {
        int[] digits = digits(number, length);
        int sum = 0;
        for (int i = 0; i < digits.length; i++) {
            int each = digits[digits.length - 1 - i] * (1 + i % 2);
            sum += each > 9 ? each - 9 : each;
        }
        return digits.length == length && sum % 10 == 0;
    }

    private static boolean lastBy11(String number, int length, int... weights) {
        int[] digits = digits(number, length);
        if (digits.length != length) {
            return false;
        }
        int rest = 11 - weighted(number.substring(0, number.length() - 1), length - 1, weights) % 11;
        return digits[length - 1] == (rest > 9 ? 0 : rest);
    }

    /// @return -1 when these are not so many digits
    private static int weighted(String number, int length, int... weights) {
        int[] digits = digits(number, length);
        if (digits.length != length) {
            return -1;
        }
        int sum = 0;
        for (int i = 0; i < length; i++) {
            sum += digits[i] * weights[i];
        }
        return sum;
    }

    /// @return none when it is longer, or something else than digits
    private static int[] digits(String number, int length) {
        if (number.length() > length || !number.chars().allMatch(c -> c >= '0' && c <= '9')) {
            return new int[0];
        }
        return ("0".repeat(length - number.length()) + number)
                .chars()
                .map(c -> c - '0')
                .toArray();
    }
}
