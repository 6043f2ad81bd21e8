package alcabala.server.platform;

/// Patterns for LIKE out of what somebody typed, in which nothing but the text itself has a meaning.
public final class Like {
    private Like() {}

    public static String anywhere(String text) {
        return "%" + atBeginning(text);
    }

    public static String atBeginning(String text) {
        return text.replaceAll("([\\\\%_])", "\\\\$1") + "%";
    }
}
