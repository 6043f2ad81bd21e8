package alcabala.accounting.crosswalk;

import java.time.Instant;

/// What the bookkeeper decided about one code.
///
/// @param code the source's code; for [RowKind#LINE] the name of the line, see [Crosswalk#lineCode]; for [RowKind#ROLE]
/// the role's name, for [RowKind#LINE_KIND] that of the kind
/// @param version counts the changes of this row, from 1
public record CrosswalkRow(RowKind kind, String code, Meaning meaning, int version, String setBy, Instant setAt) {

    /// What it says for a purpose, or empty.
    public String target(Purpose purpose) {
        return meaning.targets().getOrDefault(purpose, "");
    }

    /// What stands for it on the ledger; empty when it is to be created on first use.
    public String counterpart() {
        return target(Purpose.COUNTERPART);
    }

    /// Whether it says what stands for it on the ledger, be it that it is to be created there.
    public boolean saysCounterpart() {
        return meaning.targets().containsKey(Purpose.COUNTERPART);
    }

    /// Whether it says where something goes, and not only how it is named there.
    public boolean decides() {
        return !meaning.dimensions().isEmpty()
                || meaning.targets().keySet().stream().anyMatch(Purpose::pointsThere);
    }

    /// Its value of one of the ledger's dimensions, or empty.
    public String dimension(String dimension) {
        return meaning.dimensions().getOrDefault(dimension, "");
    }
}
