package alcabala.accounting.ledger;

/// What a ledger asks of the names of its items. That no two are the same, without regard to case, goes for all.
///
/// @param limit how many characters it keeps
/// @param forbidden characters that no name may have; empty for none
public record NameRules(int limit, String forbidden) {
    /// A name as the ledger takes it: what is forbidden becomes a space, spaces are single, and it is cut.
    public String fit(String name) {
        StringBuilder allowed = new StringBuilder();
        name.codePoints()
                .forEach(sign -> allowed.appendCodePoint(forbidden.indexOf(sign) >= 0 || sign < ' ' ? ' ' : sign));
        return cut(allowed.toString().strip().replaceAll(" +", " "), limit);
    }

    /// A name with something behind it that stays whole, such as its code.
    public String fit(String name, String ending) {
        String tail = fit(ending);
        String head = cut(fit(name), Math.max(0, limit - tail.length() - 1));
        return head.isEmpty() ? tail : head + " " + tail;
    }

    /// Whether it takes a name as it is.
    public boolean takes(String name) {
        return !name.isEmpty() && fit(name).equals(name);
    }

    private static String cut(String plain, int length) {
        if (plain.length() <= length) {
            return plain;
        }
        boolean splits = length > 0 && Character.isHighSurrogate(plain.charAt(length - 1));
        return plain.substring(0, splits ? length - 1 : length).strip();
    }
}
