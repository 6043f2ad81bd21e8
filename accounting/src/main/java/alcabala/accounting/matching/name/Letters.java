package alcabala.accounting.matching.name;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/// Letters as they are compared: small, Latin where the script has a usual way there, without marks.
public final class Letters {
    private static final Pattern APOSTROPHE = Pattern.compile("[’'`´ʼ]");
    private static final Pattern MARKS = Pattern.compile("\\p{Mn}+");
    private static final Pattern TWICE = Pattern.compile("(.)\\1+");

    private static final Map<Character, String> LATIN = Map.ofEntries(
            Map.entry('ß', "ss"),
            Map.entry('ø', "o"),
            Map.entry('æ', "ae"),
            Map.entry('œ', "oe"),
            Map.entry('ł', "l"),
            Map.entry('đ', "d"),
            Map.entry('ð', "d"),
            Map.entry('þ', "th"),
            Map.entry('ı', "i"));
    private static final String GREEK = "αβγδεζηθικλμνξοπρσςτυφχψω";
    private static final String[] GREEK_LATIN = "a v g d e z i th i k l m n x o p r s s t y f ch ps o".split(" ");
    /// Two letters that are one sound, the second of them with its own sound elsewhere.
    private static final String[][] GREEK_PAIRS = {
        {"ου", "ou"}, {"ευ", "ev"}, {"αυ", "av"}, {" μπ", " b"}, {" ντ", " d"}, {" γκ", " g"}
    };
    private static final String CYRILLIC = "абвгдежзиклмнопрстуфхцчшщыэюяіїєґђјљњћџъь";
    private static final String[] CYRILLIC_LATIN =
            "a b v g d e zh z i k l m n o p r s t u f kh ts ch sh shch y e yu ya i i ye g d j lj nj c dz - -"
                    .split(" ");

    /// How sounds are written that have several ways to be written, the longer first.
    private static final String[][] SOUNDS = {
        {"shch", "s"}, {"sch", "s"}, {"tch", "h"}, {"sh", "s"}, {"zh", "s"}, {"kh", "h"}, {"ch", "h"}, {"ph", "f"},
        {"th", "t"}, {"ck", "k"}, {"qu", "k"}, {"tz", "s"}, {"ts", "s"}, {"x", "ks"}, {"z", "s"}, {"w", "v"},
        {"y", "i"}, {"j", "i"}, {"ou", "u"}, {"oe", "o"}, {"ue", "u"}, {"ae", "a"}, {"c", "k"}
    };

    private Letters() {}

    /// Words of small letters and digits with one space between them. An apostrophe joins what it stands
    /// between.
    public static String plain(String text) {
        String decomposed = greekPairs(
                MARKS.matcher(Normalizer.normalize(APOSTROPHE.matcher(text).replaceAll(""), Normalizer.Form.NFKD))
                        .replaceAll(""));
        StringBuilder plain = new StringBuilder(decomposed.length());
        decomposed.codePoints().forEach(c -> {
            if (Character.isLetterOrDigit(c)) {
                append(plain, Character.toLowerCase(c));
            } else if (!endsWord(plain)) {
                plain.append(' ');
            }
        });
        return plain.toString().strip();
    }

    private static String greekPairs(String text) {
        if (text.chars().noneMatch(c -> c >= 0x370 && c < 0x400)) {
            return text;
        }
        String small = " " + text.toLowerCase(Locale.ROOT);
        for (String[] pair : GREEK_PAIRS) {
            small = small.replace(pair[0], pair[1]);
        }
        return small;
    }

    private static boolean endsWord(StringBuilder plain) {
        return plain.isEmpty() || plain.charAt(plain.length() - 1) == ' ';
    }

    private static void append(StringBuilder plain, int letter) {
        if (letter < 128) {
            plain.append((char) letter);
            return;
        }
        char c = (char) letter;
        String latin = letter > Character.MAX_VALUE ? null : LATIN.get(c);
        int greek = latin == null ? GREEK.indexOf(letter) : -1;
        int cyrillic = latin == null && greek < 0 ? CYRILLIC.indexOf(letter) : -1;
        if (latin != null) {
            plain.append(latin);
        } else if (greek >= 0) {
            plain.append(GREEK_LATIN[greek]);
        } else if (cyrillic >= 0) {
            plain.append(CYRILLIC_LATIN[cyrillic].equals("-") ? "" : CYRILLIC_LATIN[cyrillic]);
        } else {
            plain.appendCodePoint(letter);
        }
    }

    /// One word as it sounds, however it is written: `mueller` and `muller`, `yiannis` and `giannis` but for
    /// a letter.
    public static String sound(String word) {
        String sound = word;
        for (String[] each : SOUNDS) {
            sound = sound.replace(each[0], each[1]);
        }
        return TWICE.matcher(sound).replaceAll("$1");
    }

    /// How many letters were left out, added, taken for another or exchanged with their neighbour.
    ///
    /// @param most more than so many are not counted
    /// @return at most `most + 1`
    public static int slips(String one, String other, int most) {
        if (Math.abs(one.length() - other.length()) > most) {
            return most + 1;
        }
        int[] before = new int[other.length() + 1];
        int[] last = new int[other.length() + 1];
        int[] now = new int[other.length() + 1];
        for (int j = 0; j <= other.length(); j++) {
            last[j] = j;
        }
        for (int i = 1; i <= one.length(); i++) {
            now[0] = i;
            int least = i;
            for (int j = 1; j <= other.length(); j++) {
                boolean same = one.charAt(i - 1) == other.charAt(j - 1);
                now[j] = Math.min(Math.min(now[j - 1], last[j]) + 1, last[j - 1] + (same ? 0 : 1));
                if (i > 1
                        && j > 1
                        && one.charAt(i - 1) == other.charAt(j - 2)
                        && one.charAt(i - 2) == other.charAt(j - 1)) {
                    now[j] = Math.min(now[j], before[j - 2] + 1);
                }
                least = Math.min(least, now[j]);
            }
            if (least > most) {
                return most + 1;
            }
            int[] oldest = before;
            before = last;
            last = now;
            now = oldest;
        }
        return Math.min(last[other.length()], most + 1);
    }
}
