package alcabala.server.send;

/// Names as a ledger with a length limit keeps them.
final class ItemNames {
    private ItemNames() {}

    static String cut(String name, int limit) {
        String plain = name.strip();
        return plain.length() <= limit ? plain : plain.substring(0, limit).strip();
    }
}
