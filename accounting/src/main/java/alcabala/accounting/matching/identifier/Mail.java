package alcabala.accounting.matching.identifier;

import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.name.Letters;
import alcabala.accounting.matching.name.ReadName;
import alcabala.accounting.matching.name.Word;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/// An e-mail address as it is compared.
///
/// @param box empty for none
/// @param house what follows the `@`
public record Mail(String box, String house) {
    public static final Mail NONE = new Mail("", "");
    private static final Pattern SHAPE = Pattern.compile("[^@\\s]{1,64}@[^@\\s]+\\.[^@\\s.]{2,}");
    private static final Pattern NO_LETTER = Pattern.compile("[^\\p{L}]");
    private static final Set<String> NOBODY =
            Set.of("none", "noreply", "no-reply", "donotreply", "na", "n.a", "unknown", "nomail", "noemail", "test");
    /// Houses where anybody may have a box.
    private static final Set<String> OPEN = Set.of(
            "gmail.com",
            "outlook.com",
            "hotmail.com",
            "yahoo.com",
            "icloud.com",
            "live.com",
            "msn.com",
            "aol.com",
            "gmx.de",
            "gmx.net",
            "web.de",
            "proton.me",
            "protonmail.com",
            "mail.ru",
            "yandex.ru",
            "orange.fr",
            "free.fr",
            "libero.it",
            "btinternet.com");

    /// Of several that stand in one field the first.
    public static Mail of(String written) {
        String plain = written.strip()
                .toLowerCase(Locale.ROOT)
                .replaceFirst("^mailto:", "")
                .replaceFirst("[;,\\s].*$", "");
        if (!SHAPE.matcher(plain).matches()) {
            return NONE;
        }
        int at = plain.indexOf('@');
        String box = plain.substring(0, at).replaceFirst("\\+.*$", "");
        String house = plain.substring(at + 1).replace("googlemail.com", "gmail.com");
        return NOBODY.contains(box) ? NONE : new Mail(house.equals("gmail.com") ? box.replace(".", "") : box, house);
    }

    public boolean isNone() {
        return box.isEmpty();
    }

    public String key() {
        return isNone() ? "" : box + "@" + house;
    }

    /// Whose house it is tells something.
    public boolean isOwnHouse() {
        return !isNone() && !OPEN.contains(house);
    }

    /// Whether the box is made of the words of a name and nothing else: `mary.walsh` and `m.walsh`, but not
    /// `mwalsh72`.
    public boolean repeats(ReadName name) {
        String letters = NO_LETTER.matcher(Letters.plain(box)).replaceAll("");
        boolean more = letters.length() < box.replaceAll("[._-]", "").length();
        return !more && name.readings().stream().anyMatch(words -> isMadeOf(letters, words));
    }

    private static boolean isMadeOf(String letters, List<Word> words) {
        String left = letters;
        for (Word word : words) {
            left = left.contains(word.text())
                    ? left.replaceFirst(word.text(), "")
                    : left.replaceFirst(word.text().substring(0, 1), "");
        }
        return left.isEmpty();
    }

    public Agreement with(Mail other) {
        if (isNone() || other.isNone()) {
            return Agreement.SILENT;
        }
        if (key().equals(other.key())) {
            return Agreement.SAME;
        }
        if (box.length() > 3 && digits().equals(other.digits()) && Letters.slips(key(), other.key(), 1) == 1) {
            return Agreement.NEARLY;
        }
        return isOwnHouse() && house.equals(other.house) ? Agreement.PARTLY : Agreement.OTHER;
    }

    /// Another figure is another box, and no slip.
    private String digits() {
        return key().replaceAll("\\D", "");
    }
}
