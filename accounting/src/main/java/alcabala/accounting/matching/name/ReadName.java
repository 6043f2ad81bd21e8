package alcabala.accounting.matching.name;

import alcabala.accounting.matching.name.Word.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/// A name in its parts: its words without titles, departments and legal form, in each way that it can be
/// read. A trader with a name of the shop has two of them, and so has somebody whose name was another before.
///
/// @param readings none of them empty; none for a name without a word
/// @param form the legal form, empty when it says none
public record ReadName(List<List<Word>> readings, String form) {
    private static final Pattern SHOP = Pattern.compile(
            "\\s*[(,;]?\\b(?:t/as?|t\\.a\\.|trading (?:as|under)|d/b/a|dba|doing business as|a/k/a|aka)\\b\\.?\\s*",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern BEFORE = Pattern.compile(
            "\\s*[(,;]?\\s*(?:\\bn[ée]e|\\bgeb\\.|\\bformerly|\\bpreviously)\\s+", Pattern.CASE_INSENSITIVE);
    private static final Pattern CARE =
            Pattern.compile("\\s*[(,;]?\\b(?:c/o|care of|attn|attention)\\b.*$", Pattern.CASE_INSENSITIVE);
    private static final Pattern ORDINAL = Pattern.compile("(\\d+)(?:st|nd|rd|th)");
    /// No name has more; what somebody sends instead of one would take long to compare.
    static final int MOST_WORDS = 24;

    private static final Map<String, String> GENERATIONS = Map.ofEntries(
            Map.entry("jr", "jr"),
            Map.entry("jnr", "jr"),
            Map.entry("jun", "jr"),
            Map.entry("junior", "jr"),
            Map.entry("sr", "sr"),
            Map.entry("snr", "sr"),
            Map.entry("sen", "sr"),
            Map.entry("senior", "sr"));
    private static final Set<String> TITLES = Set.of(
            "mr", "mrs", "ms", "miss", "dr", "prof", "capt", "captain", "rev", "sir", "messrs", "herr", "frau", "mme");
    private static final Set<String> LIGHT =
            Set.of("the", "and", "of", "und", "et", "de", "la", "le", "les", "der", "die", "das", "for", "at");
    private static final Set<String> DEPARTMENTS = Set.of(
            "dept",
            "department",
            "accounts",
            "accounting",
            "purchasing",
            "procurement",
            "payables",
            "payable",
            "invoices",
            "billing",
            "finance",
            "office",
            "hq",
            "headquarters",
            "head",
            "division",
            "abteilung");
    private static final Map<String, String> NUMBERS = Map.ofEntries(
            Map.entry("ii", "2"),
            Map.entry("iii", "3"),
            Map.entry("iv", "4"),
            Map.entry("vi", "6"),
            Map.entry("vii", "7"),
            Map.entry("viii", "8"),
            Map.entry("ix", "9"),
            Map.entry("xi", "11"),
            Map.entry("xii", "12"));

    public static ReadName of(String name) {
        String own = CARE.matcher(name).replaceFirst("");
        String[] shops = SHOP.split(own);
        List<List<Word>> readings = new ArrayList<>();
        String form = "";
        for (String each : shops) {
            Matcher before = BEFORE.matcher(each);
            boolean hadAnother = before.find();
            LegalForms.Taken present = taken(hadAnother ? each.substring(0, before.start()) : each);
            form = form.isEmpty() ? present.form() : form;
            add(readings, present.words());
            if (hadAnother) {
                add(
                        readings,
                        earlier(
                                present.words(),
                                taken(each.substring(before.end())).words()));
            }
        }
        return new ReadName(List.copyOf(readings), form);
    }

    /// Of a former surname alone, the first names are those of today.
    private static List<String> earlier(List<String> now, List<String> before) {
        if (before.size() > 1 || now.size() < 2) {
            return before;
        }
        List<String> all = new ArrayList<>(now.subList(0, now.size() - 1));
        all.addAll(before);
        return all;
    }

    private static LegalForms.Taken taken(String name) {
        return LegalForms.from(joined(Letters.plain(name)));
    }

    /// Letters that stand alone one after the other are read as one word when that is a legal form: S. A. R.
    /// L.
    private static List<String> joined(String plain) {
        List<String> words = new ArrayList<>();
        StringBuilder letters = new StringBuilder();
        for (String word : (plain + " -").split(" ")) {
            if (word.length() == 1 && Character.isLetter(word.charAt(0))) {
                letters.append(word);
                continue;
            }
            if (letters.length() > 1
                    && !LegalForms.from(List.of("x", letters.toString())).form().isEmpty()) {
                words.add(letters.toString());
            } else {
                letters.chars().forEach(c -> words.add(String.valueOf((char) c)));
            }
            letters.setLength(0);
            words.add(word);
        }
        words.removeLast();
        return words.stream().filter(word -> !word.isEmpty()).collect(Collectors.toCollection(ArrayList::new));
    }

    private static void add(List<List<Word>> readings, List<String> words) {
        List<Word> all = words.stream()
                .limit(MOST_WORDS)
                .filter(word -> !TITLES.contains(word) && !LIGHT.contains(word))
                .map(ReadName::word)
                .toList();
        List<Word> own =
                all.stream().filter(word -> !DEPARTMENTS.contains(word.text())).toList();
        List<Word> reading = own.isEmpty() ? all : own;
        if (!reading.isEmpty() && !readings.contains(reading)) {
            readings.add(reading);
        }
    }

    private static Word word(String text) {
        String generation = GENERATIONS.get(text);
        if (generation != null) {
            return new Word(generation, generation, Kind.GENERATION);
        }
        Matcher ordinal = ORDINAL.matcher(text);
        if (ordinal.matches()) {
            return new Word(ordinal.group(1), ordinal.group(1), Kind.NUMBER);
        }
        if (NUMBERS.containsKey(text)) {
            return new Word(NUMBERS.get(text), NUMBERS.get(text), Kind.NUMBER);
        }
        if (text.chars().anyMatch(Character::isDigit)) {
            String number = text.replaceFirst("^0+(?=.)", "");
            return new Word(number, number, Kind.NUMBER);
        }
        return new Word(text, Letters.sound(text), text.length() == 1 ? Kind.INITIAL : Kind.WORD);
    }
}
