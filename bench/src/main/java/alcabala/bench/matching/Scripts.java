package alcabala.bench.matching;

import java.util.Locale;
import java.util.Map;

/// Latin names written as Greeks and Russians would, by sound. Written for the generator alone: the matcher
/// goes the other way, by tables of its own.
final class Scripts {
    private static final Map<String, String> GREEK = Map.ofEntries(
            Map.entry("th", "θ"),
            Map.entry("ch", "χ"),
            Map.entry("ph", "φ"),
            Map.entry("ps", "ψ"),
            Map.entry("ou", "ου"),
            Map.entry("a", "α"),
            Map.entry("b", "μπ"),
            Map.entry("c", "κ"),
            Map.entry("d", "δ"),
            Map.entry("e", "ε"),
            Map.entry("f", "φ"),
            Map.entry("g", "γ"),
            Map.entry("h", "χ"),
            Map.entry("i", "ι"),
            Map.entry("j", "ι"),
            Map.entry("k", "κ"),
            Map.entry("l", "λ"),
            Map.entry("m", "μ"),
            Map.entry("n", "ν"),
            Map.entry("o", "ο"),
            Map.entry("p", "π"),
            Map.entry("r", "ρ"),
            Map.entry("s", "σ"),
            Map.entry("t", "τ"),
            Map.entry("u", "ου"),
            Map.entry("v", "β"),
            Map.entry("w", "β"),
            Map.entry("x", "ξ"),
            Map.entry("y", "υ"),
            Map.entry("z", "ζ"));
    private static final Map<String, String> CYRILLIC = Map.ofEntries(
            Map.entry("sh", "ш"),
            Map.entry("ch", "ч"),
            Map.entry("zh", "ж"),
            Map.entry("kh", "х"),
            Map.entry("th", "т"),
            Map.entry("ts", "ц"),
            Map.entry("ya", "я"),
            Map.entry("yu", "ю"),
            Map.entry("a", "а"),
            Map.entry("b", "б"),
            Map.entry("c", "к"),
            Map.entry("d", "д"),
            Map.entry("e", "е"),
            Map.entry("f", "ф"),
            Map.entry("g", "г"),
            Map.entry("h", "х"),
            Map.entry("i", "и"),
            Map.entry("j", "й"),
            Map.entry("k", "к"),
            Map.entry("l", "л"),
            Map.entry("m", "м"),
            Map.entry("n", "н"),
            Map.entry("o", "о"),
            Map.entry("p", "п"),
            Map.entry("r", "р"),
            Map.entry("s", "с"),
            Map.entry("t", "т"),
            Map.entry("u", "у"),
            Map.entry("v", "в"),
            Map.entry("w", "в"),
            Map.entry("x", "кс"),
            Map.entry("y", "ы"),
            Map.entry("z", "з"));

    private Scripts() {}

    static String greek(String latin) {
        return written(latin, GREEK);
    }

    static String cyrillic(String latin) {
        return written(latin, CYRILLIC);
    }

    private static String written(String latin, Map<String, String> script) {
        String small = latin.toLowerCase(Locale.ROOT);
        StringBuilder written = new StringBuilder();
        for (int i = 0; i < small.length(); ) {
            String two = i + 2 <= small.length() ? small.substring(i, i + 2) : "";
            String letters = script.containsKey(two) ? two : small.substring(i, i + 1);
            written.append(script.getOrDefault(letters, letters));
            i += letters.length();
        }
        return written.toString();
    }
}
