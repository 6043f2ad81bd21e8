package alcabala.server.mail;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// A text with words in braces that stand for what differs from one to the next.
record Wording(List<String> recipients, String subject, String body) {
    private static final Pattern WORD = Pattern.compile("\\{([a-z ]{1,30})}");
    /// With what the words stand for in their places.
    Wording filled(Map<String, String> words) {
        return new Wording(recipients, filled(subject, words), filled(body, words));
    }

    private static String filled(String text, Map<String, String> words) {
        return WORD.matcher(text)
                .replaceAll(word -> Matcher.quoteReplacement(words.getOrDefault(word.group(1), word.group())));
    }

    /// Those that stand for nothing.
    List<String> unknown(Map<String, String> words) {
        List<String> unknown = new ArrayList<>();
        for (String text : List.of(subject, body)) {
            WORD.matcher(text)
                    .results()
                    .map(MatchResult::group)
                    .filter(word -> !words.containsKey(word.substring(1, word.length() - 1)))
                    .forEach(unknown::add);
        }
        return unknown;
    }
}
