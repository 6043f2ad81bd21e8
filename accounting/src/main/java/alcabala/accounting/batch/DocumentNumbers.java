package alcabala.accounting.batch;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/// Finds the document that somebody means by a number. A spreadsheet drops leading zeros, and people drop prefixes,
/// dots and blanks: a number that is not written like any is found by what is left of it, as long as only one is.
public final class DocumentNumbers {
    private static final Pattern BLANKS = Pattern.compile("[\\s\\u00A0]+");
    private static final Pattern SIGNS = Pattern.compile("[^\\p{L}\\p{Nd}]+");
    private static final Pattern LEADING_ZEROS = Pattern.compile("(?<!\\d)0+(?=\\d)");
    private static final Pattern NO_DIGITS = Pattern.compile("\\D+");
    private static final List<Function<String, String>> WAYS =
            List.of(DocumentNumbers::written, DocumentNumbers::withoutSigns, DocumentNumbers::onlyDigits);

    /// So many of these ways leave what tells one series of numbers from another.
    private static final int FAITHFUL = 2;

    private final List<Map<String, Set<String>>> known;

    public DocumentNumbers(Iterable<String> numbers) {
        known = WAYS.stream().map(way -> by(way, numbers)).toList();
    }

    private static Map<String, Set<String>> by(Function<String, String> way, Iterable<String> numbers) {
        Map<String, Set<String>> by = new HashMap<>();
        numbers.forEach(number ->
                by.computeIfAbsent(way.apply(number), key -> new HashSet<>()).add(number));
        return by;
    }

    /// Empty when it is none of them, or could be several.
    public Optional<String> find(String text) {
        return find(text, WAYS.size());
    }

    /// The same, where no prefix may be missing: a mere figure is found only if that is all there is of the number.
    public Optional<String> findWhole(String text) {
        return find(text, FAITHFUL);
    }

    private Optional<String> find(String text, int ways) {
        for (int way = 0; way < ways; way++) {
            String key = WAYS.get(way).apply(text);
            // Digits alone say something only where nothing but digits was said.
            boolean says =
                    !key.isEmpty() && (way < FAITHFUL || withoutSigns(text).equals(key));
            Set<String> found = says ? known.get(way).getOrDefault(key, Set.of()) : Set.of();
            if (!found.isEmpty()) {
                return found.size() == 1 ? Optional.of(found.iterator().next()) : Optional.empty();
            }
        }
        return Optional.empty();
    }

    /// `hl-20417 ` is `HL-20417`.
    private static String written(String number) {
        return BLANKS.matcher(number).replaceAll("").toUpperCase(Locale.ROOT);
    }

    /// `INV 00417` and `INV-417` are `INV417`.
    public static String withoutSigns(String number) {
        String bare =
                LEADING_ZEROS.matcher(SIGNS.matcher(number).replaceAll(" ")).replaceAll("");
        return written(bare);
    }

    private static String onlyDigits(String number) {
        return NO_DIGITS.matcher(withoutSigns(number)).replaceAll("");
    }
}
