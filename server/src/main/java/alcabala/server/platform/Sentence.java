package alcabala.server.platform;

import alcabala.accounting.crosswalk.RowKind;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/// A sentence in its parts, so that a screen can lead from a code in it to where that code is looked after.
public record Sentence(List<Part> parts) {
    private static final Pattern GAP = Pattern.compile("%s");

    /// Where there is nothing to say.
    public static final Sentence NOTHING = new Sentence(List.of());

    /// Where something that a sentence names is found.
    public enum Place {
        NOWHERE,
        /// Among the records, by its number.
        RECORD,
        /// Among what the ledger owns, by its code.
        REFERENCE,
        /// Among the rows of the crosswalk, by its code.
        CROSSWALK
    }

    /// @param kind of what the ledger owns (`ACCOUNT`), or of the row (`ITEM`); empty elsewhere
    /// @param code by which it is found; empty where it is nowhere
    public record Part(String text, Place place, String kind, String code) {
        static Part plain(String text) {
            return new Part(text, Place.NOWHERE, "", "");
        }

        static Part record(String number) {
            return new Part(number, Place.RECORD, "", number);
        }

        static Part there(String kind, String code) {
            return new Part(code, Place.REFERENCE, kind, code);
        }

        static Part row(RowKind kind, String code) {
            return row(kind, code, code);
        }

        static Part row(RowKind kind, String code, String text) {
            return new Part(text, Place.CROSSWALK, kind.name(), code);
        }
    }

    public static Sentence plain(String text) {
        return new Sentence(List.of(Part.plain(text)));
    }

    /// @param template with `%s` for each of what it says, and `%%` for a per cent sign
    /// @throws IllegalArgumentException when there are more or fewer than it has room for
    static Sentence of(String template, Object... arguments) {
        List<Part> parts = new ArrayList<>();
        Matcher gap = GAP.matcher(template);
        int from = 0;
        for (Object argument : arguments) {
            if (!gap.find()) {
                throw new IllegalArgumentException("there is no gap for " + argument + " in: " + template);
            }
            add(parts, Part.plain(template.substring(from, gap.start()).replace("%%", "%")));
            add(parts, argument instanceof Part part ? part : Part.plain(String.valueOf(argument)));
            from = gap.end();
        }
        if (gap.find()) {
            throw new IllegalArgumentException("nothing is said of a gap in: " + template);
        }
        add(parts, Part.plain(template.substring(from).replace("%%", "%")));
        return new Sentence(List.copyOf(parts));
    }

    /// Plain words that follow each other are one part.
    private static void add(List<Part> parts, Part part) {
        if (part.text().isEmpty()) {
            return;
        }
        Part last = parts.isEmpty() ? null : parts.getLast();
        if (last != null && last.place() == Place.NOWHERE && part.place() == Place.NOWHERE) {
            parts.set(parts.size() - 1, Part.plain(last.text() + part.text()));
        } else {
            parts.add(part);
        }
    }

    public String text() {
        return parts.stream().map(Part::text).collect(Collectors.joining());
    }
}
