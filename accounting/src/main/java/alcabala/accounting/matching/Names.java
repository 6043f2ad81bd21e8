package alcabala.accounting.matching;

import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/// Names as people compare them: without case, accents, punctuation and legal form.
public final class Names {
    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Pattern LEGAL_FORM =
            Pattern.compile("\\b(ltd|limited|inc|llc|plc|gmbh|ag|sa|sl|bv|nv|co|company|the|and)\\b");
    private static final Pattern OTHER = Pattern.compile("[^a-z0-9]+");

    private Names() {}

    public static String normalise(String name) {
        String plain =
                MARKS.matcher(Normalizer.normalize(name, Normalizer.Form.NFKD)).replaceAll("");
        String words = OTHER.matcher(plain.toLowerCase(Locale.ROOT)).replaceAll(" ");
        return OTHER.matcher(LEGAL_FORM.matcher(words).replaceAll(" "))
                .replaceAll(" ")
                .trim();
    }

    /// Share of three-letter pieces that two normalised names have in common, 0 to 1 (Dice).
    public static double similarity(String one, String other) {
        Set<String> first = pieces(one);
        Set<String> second = pieces(other);
        if (first.isEmpty() || second.isEmpty()) {
            return 0;
        }
        long common = first.stream().filter(second::contains).count();
        return 2.0 * common / (first.size() + second.size());
    }

    static Set<String> pieces(String name) {
        String padded = "  " + name + " ";
        Set<String> pieces = new HashSet<>();
        for (int i = 0; !name.isEmpty() && i + 3 <= padded.length(); i++) {
            pieces.add(padded.substring(i, i + 3));
        }
        return pieces;
    }
}
