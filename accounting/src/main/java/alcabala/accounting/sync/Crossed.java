package alcabala.accounting.sync;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.field.Half;
import alcabala.accounting.posting.CustomFields;
import alcabala.accounting.posting.StandardFields;
import java.util.Collection;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/// What of a document's notes and fields of the business's own goes to the ledger, by what it is there, as the
/// crosswalk
/// leads it. What is led nowhere, or comes from the ledger, is no part of what both sides agree on.
public final class Crossed {
    private final Map<String, String> fromByThere = new TreeMap<>();

    private Crossed() {}

    /// @param rows of the crosswalk; those of other kinds say nothing here
    public static Crossed of(Collection<CrosswalkRow> rows) {
        Crossed crossed = new Crossed();
        rows.stream()
                .filter(row -> row.kind() == RowKind.FIELD && CustomFields.direction(row) == Direction.TO_LEDGER)
                .forEach(row -> crossed.fromByThere.put(there(row.counterpart()), Half.own(row.code())));
        return crossed;
    }

    private static String there(String code) {
        return switch (code) {
            case StandardFields.NOTE -> Half.NOTE;
            case StandardFields.DUE_DATE -> Half.DUE_DATE;
            default -> Half.own(code);
        };
    }

    /// What the source has, as far as it goes.
    ///
    /// @param noted whether its note goes where no field is led there
    public Half source(Half half, boolean noted) {
        Map<String, String> values = new TreeMap<>(half.values());
        values.keySet().removeIf(name -> Half.isOwn(name) || name.equals(Half.NOTE) && !noted);
        fromByThere.forEach((there, from) -> {
            String value = half.values().get(from);
            if (value != null) {
                values.put(there, value);
            } else if (there.equals(Half.NOTE)) {
                values.remove(there);
            }
        });
        return new Half(values);
    }

    /// What the ledger has, as far as it comes from the source.
    public Half ledger(Half half) {
        Map<String, String> values = new TreeMap<>(half.values());
        values.keySet().removeIf(name -> Half.isOwn(name) && !fromByThere.containsKey(name));
        return new Half(values);
    }

    /// What the ledger has that it had not, by its fields; empty text for what it has no more.
    ///
    /// @param was lines named as they were linked
    /// @param now lines counted from 1 as they stand there
    public SortedMap<String, String> changesThere(Half was, Half now) {
        return LineMatch.changes(ledger(was), ledger(now.like(was)));
    }

    /// Whether the ledger has something else than it had.
    ///
    /// @param was lines named as they were linked
    /// @param now lines counted from 1 as they stand there
    public boolean differsThere(Half was, Half now) {
        Half like = now.like(was);
        return !was.equals(like) && LineMatch.differs(ledger(was), ledger(like));
    }
}
