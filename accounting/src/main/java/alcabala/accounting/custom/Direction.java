package alcabala.accounting.custom;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/// Which way values of a field go.
public enum Direction {
    TO_LEDGER,
    TO_SOURCE;

    /// How a row names it, `to-ledger`.
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /// Empty for a word that is none.
    public static Optional<Direction> find(String word) {
        return Arrays.stream(values()).filter(each -> each.word().equals(word)).findFirst();
    }
}
