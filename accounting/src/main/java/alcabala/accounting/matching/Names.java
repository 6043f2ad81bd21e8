package alcabala.accounting.matching;

import java.text.Normalizer;
import java.util.Arrays;
import java.util.Set;

/// Names as people compare them: without case, accents, punctuation and legal form, in whatever script.
public final class Names {
    private static final Set<String> LEGAL_FORMS = Set.of(
            "ltd", "limited", "inc", "llc", "plc", "gmbh", "ag", "sa", "sl", "bv", "nv", "co", "company", "the", "and");
    private static final int PIECE = 3;

    private Names() {}

    /// Words of small letters and digits with one space between them.
    public static String normalise(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFKD);
        StringBuilder words = new StringBuilder(plain.length());
        int word = 0;
        for (int c : plain.codePoints().toArray()) {
            if (Character.isLetterOrDigit(c)) {
                words.appendCodePoint(Character.toLowerCase(c));
            } else if (!isMark(c)) {
                word = endWord(words, word);
            }
        }
        endWord(words, word);
        return words.toString().stripTrailing();
    }

    /// Takes back a word that is a legal form.
    ///
    /// @return where the next word begins
    private static int endWord(StringBuilder words, int start) {
        if (words.length() > start) {
            if (LEGAL_FORMS.contains(words.substring(start))) {
                words.setLength(start);
            } else {
                words.append(' ');
            }
        }
        return words.length();
    }

    private static boolean isMark(int c) {
        int type = Character.getType(c);
        return type == Character.NON_SPACING_MARK
                || type == Character.COMBINING_SPACING_MARK
                || type == Character.ENCLOSING_MARK;
    }

    /// Share of three-letter pieces that two normalised names have in common, 0 to 1 (Dice).
    public static double similarity(String one, String other) {
        long[] first = pieces(one);
        long[] second = pieces(other);
        return first.length == 0 || second.length == 0
                ? 0
                : 2.0 * common(first, second) / (first.length + second.length);
    }

    private static int common(long[] first, long[] second) {
        int common = 0;
        for (int i = 0, j = 0; i < first.length && j < second.length; ) {
            int order = Long.compare(first[i], second[j]);
            common += order == 0 ? 1 : 0;
            i += order <= 0 ? 1 : 0;
            j += order >= 0 ? 1 : 0;
        }
        return common;
    }

    /// The pieces of a normalised name, each as one number of its three characters; sorted, none twice.
    static long[] pieces(String name) {
        if (name.isEmpty()) {
            return new long[0];
        }
        String padded = "  " + name + " ";
        long[] pieces = new long[padded.length() - PIECE + 1];
        for (int i = 0; i < pieces.length; i++) {
            pieces[i] = (long) padded.charAt(i) << 32 | (long) padded.charAt(i + 1) << 16 | padded.charAt(i + 2);
        }
        Arrays.sort(pieces);
        int size = 1;
        for (int i = 1; i < pieces.length; i++) {
            if (pieces[i] != pieces[size - 1]) {
                pieces[size++] = pieces[i];
            }
        }
        return Arrays.copyOf(pieces, size);
    }
}
