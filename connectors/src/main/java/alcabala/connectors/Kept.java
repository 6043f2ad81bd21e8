package alcabala.connectors;

/// What an outside system said, as it can be kept as text: of a sensible length, without what no text column takes.
public final class Kept {
    private static final int LONGEST = 20_000;
    private static final int IN_A_SENTENCE = 200;

    private Kept() {}

    /// As it came, cut after twenty thousand characters; NUL and half surrogates are shown by a sign of their own.
    public static String text(String said) {
        String cut = said.length() <= LONGEST ? said : said.substring(0, LONGEST) + " …";
        if (cut.codePoints().noneMatch(Kept::isUnfit)) {
            return cut;
        }
        StringBuilder fit = new StringBuilder(cut.length());
        cut.codePoints().map(c -> isUnfit(c) ? '\uFFFD' : c).forEach(fit::appendCodePoint);
        return fit.toString();
    }

    /// The beginning of it, in one line, to be quoted.
    public static String quoted(String said) {
        String line = text(said).strip().replaceAll("\\s+", " ");
        return line.length() <= IN_A_SENTENCE ? line : line.substring(0, IN_A_SENTENCE) + " …";
    }

    /// NUL, which PostgreSQL refuses, and half of a surrogate pair, which is no character.
    public static boolean isUnfit(int codePoint) {
        return codePoint == 0 || (codePoint >= Character.MIN_SURROGATE && codePoint <= Character.MAX_SURROGATE);
    }
}
