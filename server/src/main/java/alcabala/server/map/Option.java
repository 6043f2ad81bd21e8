package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import java.util.Locale;

/// One thing that a row can say, as it is offered.
///
/// @param meaning what the row then says
/// @param code the ledger's; empty for what is still to be created there
/// @param note what else tells it from others, such as the account of an item
/// @param reason why it comes first; empty for what merely is there
record Option(Meaning meaning, String code, String name, String note, String reason) {
    Option because(String why) {
        return new Option(meaning, code, name, note, why);
    }

    /// How well a text finds it: 0 for its code, then codes that begin so, names that do, words in them, and the rest;
    /// -1 when not at all.
    ///
    /// @param text in small letters
    int rank(String text) {
        String own = code.toLowerCase(Locale.ROOT);
        String called = name.toLowerCase(Locale.ROOT);
        if (own.equals(text)) {
            return 0;
        }
        if (!own.isEmpty() && own.startsWith(text)) {
            return 1;
        }
        if (called.startsWith(text)) {
            return 2;
        }
        if (called.contains(" " + text)) {
            return 3;
        }
        return (own + " " + called + " " + note.toLowerCase(Locale.ROOT)).contains(text) ? 4 : -1;
    }
}
