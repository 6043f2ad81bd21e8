package alcabala.formats.ownlist;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.util.Currency;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/// What stands before the decimals. The other sign, blanks and apostrophes may stand between thousands, where they
/// divide groups of three.
public enum DecimalSign {
    POINT('.', ','),
    COMMA(',', '.');

    private static final Set<String> CODES = Currency.getAvailableCurrencies().stream()
            .map(Currency::getCurrencyCode)
            .collect(Collectors.toUnmodifiableSet());
    private static final int LONGEST = 40;
    private static final Pattern WORD = Pattern.compile("\\p{L}[\\p{L}.]{0,4}");
    private static final Pattern DEBIT_OR_CREDIT = Pattern.compile("(?i)dr|cr|s|h");
    private final Pattern grouped;
    private final Pattern plain;

    DecimalSign(char sign, char group) {
        String decimals = "(?:\\" + sign + "(\\d*))?";
        grouped = Pattern.compile("(\\d{1,3}(?:[\\" + group + " ']\\d{3})+)" + decimals);
        plain = Pattern.compile("(\\d*)" + decimals);
    }

    /// An amount as people write it: with a currency's sign or code on either side, a minus on either side or
    /// brackets.
    ///
    /// @param currency the code that stands beside it; empty when none does
    public record Written(BigDecimal amount, String currency) {}

    /// Empty when it is no amount, or not one that is written so.
    public Optional<Written> read(String text) {
        if (text.length() > LONGEST) {
            return Optional.empty();
        }
        String bare = Normalizer.normalize(text, Normalizer.Form.NFKC)
                .replaceAll("[\\u2212\\u2013\\u2012]", "-")
                .replaceAll("[\\u2019`\\u00B4]", "'")
                .replaceAll("\\p{Sc}", " ")
                // No cents at all, as `12,-` and `12.--` say.
                .replaceAll("(?<=\\d[.,])-+\\s*$", "")
                .strip();
        String currency = "";
        Matcher word = WORD.matcher(bare);
        while (word.find()) {
            String said = word.group().toUpperCase(Locale.ROOT);
            if (DEBIT_OR_CREDIT.matcher(said).matches()) {
                return Optional.empty();
            }
            currency = CODES.contains(said) ? said : currency;
            bare = bare.substring(0, word.start()) + " " + bare.substring(word.end());
            word = WORD.matcher(bare);
        }
        String said = currency;
        return signed(bare.strip()).map(amount -> new Written(amount, said));
    }

    private Optional<BigDecimal> signed(String text) {
        boolean bracketed = text.startsWith("(") && text.endsWith(")") && text.length() > 2;
        String inner = bracketed ? text.substring(1, text.length() - 1).strip() : text;
        boolean minus = inner.startsWith("-") || inner.endsWith("-");
        if (bracketed && minus || inner.startsWith("-") && inner.endsWith("-")) {
            return Optional.empty();
        }
        String figures = inner.replaceAll("^[-+]\\s*|\\s*-$", "");
        return figures(figures).map(amount -> bracketed || minus ? amount.negate() : amount);
    }

    private Optional<BigDecimal> figures(String text) {
        for (Pattern pattern : new Pattern[] {plain, grouped}) {
            Matcher matcher = pattern.matcher(text);
            if (matcher.matches()) {
                String whole = matcher.group(1).replaceAll("\\D", "");
                String decimals = matcher.group(2) == null ? "" : matcher.group(2);
                if (!whole.isEmpty() || !decimals.isEmpty()) {
                    return Optional.of(new BigDecimal(
                            (whole.isEmpty() ? "0" : whole) + (decimals.isEmpty() ? "" : "." + decimals)));
                }
            }
        }
        return Optional.empty();
    }
}
