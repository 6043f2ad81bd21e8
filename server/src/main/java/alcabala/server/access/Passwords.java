package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/// Which passwords are taken, and how they are kept.
@Component
class Passwords {
    private static final int SHORTEST = 12;
    /// More than that bcrypt does not look at.
    private static final int MOST_BYTES = 72;
    private static final int FEWEST_DIFFERENT = 5;
    private static final Pattern AROUND = Pattern.compile("^[^\\p{L}]+|[^\\p{L}]+$");
    private final PasswordEncoder encoder;
    private final Set<String> common;
    private final String nobodys;

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
        common = read();
        nobodys = encoder.encode("nobody");
    }

    private static Set<String> read() {
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(
                Passwords.class.getResourceAsStream("/access/common-passwords.txt"), StandardCharsets.UTF_8))) {
            return lines.lines()
                    .map(String::strip)
                    .filter(line -> !line.isEmpty() && !line.startsWith("#"))
                    .collect(Collectors.toSet());
        } catch (IOException e) {
            throw new UncheckedIOException("the list of common passwords", e);
        }
    }

    String encode(String password) {
        return encoder.encode(password);
    }

    /// Takes as long when there is none to compare with, or the password is none that could have been set.
    ///
    /// @param kept what was kept of the right one; null for somebody who does not exist
    boolean isRight(String password, String kept) {
        boolean possible = kept != null && bytes(password) <= MOST_BYTES;
        boolean matches = encoder.matches(possible ? password : "nobody?", possible ? kept : nobodys);
        return possible && matches;
    }

    void requireGood(String signIn, String password) {
        if (password.codePointCount(0, password.length()) < SHORTEST) {
            throw refused("password-short", "A password has at least " + SHORTEST + " characters.");
        }
        if (bytes(password) > MOST_BYTES) {
            throw refused(
                    "password-long",
                    "A password has at most " + MOST_BYTES
                            + " bytes; letters with accents and signs take several each.");
        }
        String small = password.toLowerCase(Locale.ROOT);
        if (small.equals(signIn) || isCommon(small)) {
            throw refused(
                    "password-common",
                    "This is among the first that anybody would guess. Take several words that do not belong together.");
        }
    }

    /// A word of the list with something around it, a pair of such words, or few characters over and over.
    private boolean isCommon(String small) {
        String word = AROUND.matcher(small).replaceAll("");
        return common.contains(small)
                || common.contains(word)
                || word.isEmpty()
                || small.codePoints().distinct().count() < FEWEST_DIFFERENT
                || isPair(word);
    }

    private boolean isPair(String word) {
        for (int cut = 3; cut < word.length() - 2; cut++) {
            if (common.contains(word.substring(0, cut))
                    && common.contains(AROUND.matcher(word.substring(cut)).replaceAll(""))) {
                return true;
            }
        }
        return false;
    }

    private static int bytes(String password) {
        return password.getBytes(StandardCharsets.UTF_8).length;
    }

    private static NotPossibleException refused(String code, String sentence) {
        return NotPossibleException.invalid(code, sentence).at("password");
    }
}
