package alcabala.accounting.field;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collections;
import java.util.Map;
import java.util.Objects;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;

/// One side's half of a baseline: what that side had when both last agreed, field by field, in its own codes
/// (synchronisation, "the merge of one field"). Values are normalised for good, so that equal ones are equal as text:
/// `1.50` is `1.5`, `A B` is `A B`. A field that is not there has no value.
public record Half(Map<String, String> values) {
    public static final String NUMBER = "number";
    public static final String PARTY = "party";
    public static final String ISSUE_DATE = "issue-date";
    public static final String DUE_DATE = "due-date";
    public static final String GROSS = "gross";
    public static final String TAX = "tax";
    public static final String STANDING = "standing";
    public static final String MEANS = "means";
    public static final String REFERENCE = "reference";
    public static final String NOTE = "note";
    public static final String TERMS = "terms";
    private static final String LINE = "line ";
    private static final String SUMMED_LINE = "summed line ";
    private static final String OWN = "field ";
    private static final String WORDS = " “";

    public Half {
        values = Collections.unmodifiableMap(new TreeMap<>(values));
    }

    /// The field of a line: what is only right together is one field.
    ///
    /// @param position from 1
    public static String line(int position) {
        return LINE + position;
    }

    /// Of the field of a line, from 1.
    public static int position(String line) {
        return Integer.parseInt(line.substring(line.lastIndexOf(' ') + 1));
    }

    /// Whether a field is a line.
    public static boolean isLine(String name) {
        return name.startsWith(LINE) || isSummed(name);
    }

    /// Whether a field is a line of the ledger that stands for several of the source.
    public static boolean isSummed(String name) {
        return name.startsWith(SUMMED_LINE);
    }

    /// A field of the business's own.
    public static String own(String code) {
        return OWN + code;
    }

    /// Whether a field is one of the business's own.
    public static boolean isOwn(String name) {
        return name.startsWith(OWN);
    }

    /// A line without what it says in words.
    public static String wordless(String line) {
        int words = line.indexOf(WORDS);
        return words < 0 ? line : line.substring(0, words);
    }

    /// What can be held against another: what was kept before words were, says nothing of them.
    public Half like(Half other) {
        if (other.hasWords()) {
            return this;
        }
        Map<String, String> without = new TreeMap<>(values);
        without.keySet().removeIf(name -> name.equals(NOTE) || name.equals(TERMS) || isOwn(name));
        without.replaceAll((name, value) -> isLine(name) ? wordless(value) : value);
        return new Half(without);
    }

    private boolean hasWords() {
        return values.entrySet().stream().anyMatch(each -> each.getValue().contains(WORDS) && isLine(each.getKey()));
    }

    /// Its lines by their number.
    public SortedMap<Integer, String> lines() {
        SortedMap<Integer, String> lines = new TreeMap<>();
        values.forEach((name, value) -> {
            if (isLine(name)) {
                lines.put(position(name), value);
            }
        });
        return lines;
    }

    /// The same with these lines and no other.
    public Half withLines(Map<Integer, String> lines) {
        return withLines(LINE, lines);
    }

    /// The same, its lines named as what stands for several of the source.
    public Half summed() {
        return withLines(SUMMED_LINE, lines());
    }

    private Half withLines(String prefix, Map<Integer, String> lines) {
        Map<String, String> others = new TreeMap<>(values);
        others.keySet().removeIf(Half::isLine);
        lines.forEach((number, value) -> others.put(prefix + number, value));
        return new Half(others);
    }

    /// The same with another value for one of its fields.
    public Half with(String name, BigDecimal value) {
        Builder changed = builder();
        values.forEach(changed::text);
        return changed.number(name, value).build();
    }

    public Half with(String name, String value) {
        Builder changed = builder();
        values.forEach(changed::text);
        return changed.text(name, value).build();
    }

    /// The fields in which the two halves differ, in their own order.
    public SortedSet<String> differing(Half other) {
        SortedSet<String> names = new TreeSet<>(values.keySet());
        names.addAll(other.values.keySet());
        names.removeIf(name -> Objects.equals(values.get(name), other.values.get(name)));
        return names;
    }

    public static Builder builder() {
        return new Builder();
    }

    /// Gathers the fields of one side; what is null or blank is not there.
    public static final class Builder {
        /// What is not one blank: most texts are normal as they are, and there are millions of them.
        private static final Pattern SPACE = Pattern.compile("[\\s&&[^ ]]\\s*| \\s+");

        private final Map<String, String> values = new TreeMap<>();

        private Builder() {}

        public Builder text(String name, String value) {
            String normal = value == null ? "" : SPACE.matcher(value.strip()).replaceAll(" ");
            if (!normal.isEmpty()) {
                values.put(name, normal);
            }
            return this;
        }

        public Builder day(String name, LocalDate value) {
            return text(name, value == null ? "" : value.toString());
        }

        public Builder number(String name, BigDecimal value) {
            return text(name, plain(value));
        }

        /// @param account empty on a side that names none
        public Builder line(int position, String account, String tax, BigDecimal amount) {
            return line(position, account, tax, amount, null, null);
        }

        /// @param dimensions values by dimensions; null or none where there are none
        /// @param words what a line of a document says; null of money
        public Builder line(
                int position,
                String account,
                String tax,
                BigDecimal amount,
                Map<String, String> dimensions,
                String words) {
            String told = dimensions == null || dimensions.isEmpty() ? "" : " " + new TreeMap<>(dimensions);
            String said = words == null ? "" : WORDS + words.strip() + "”";
            return text(Half.line(position), String.join(" ", text(account), text(tax), plain(amount)) + told + said);
        }

        public Half build() {
            return new Half(values);
        }

        private static String text(String value) {
            return value == null ? "" : value;
        }

        private static String plain(BigDecimal value) {
            return value.stripTrailingZeros().toPlainString();
        }
    }
}
