package alcabala.accounting.matching.name;

/// One word of a name.
///
/// @param text in small Latin letters and digits
/// @param sound as it sounds, by which it is found
public record Word(String text, String sound, Kind kind) {
    /// What a word is; of two that are not the same, numbers and generations speak against one party.
    public enum Kind {
        WORD,
        INITIAL,
        NUMBER,
        GENERATION
    }

    boolean sets() {
        return kind == Kind.NUMBER || kind == Kind.GENERATION;
    }
}
