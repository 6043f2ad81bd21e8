package alcabala.accounting.sync;

/// What becomes of a record that one side has, or had (synchronisation, "New on one side", "Gone", "Many to one").
public enum Fate {
    /// Both have it: field by field.
    MERGED,
    /// The other side gets one.
    CREATED,
    /// The other side has it already: the two are linked.
    LINKED,
    /// The other side may have it already: a person says.
    ASKED,
    /// Dated before the cut-off: neither comes nor goes, and is counted as such.
    BEFORE_CUT_OFF,
    /// It does not go that way.
    STAYS,
    /// Somebody said that the two are apart, or that it is left alone.
    LEFT_ALONE,
    /// One side deleted or deactivated it: deactivate there too, bring back, or unlink.
    GONE,
    /// Both did.
    ENDED,
    /// Another of several leads: it is neither written nor writes.
    LED;

    /// How a record stands to the other side.
    ///
    /// @param there whether a side has it, and has it active
    /// @param linked whether the two are, or were, one
    /// @param leads whether it leads where several stand for one
    /// @param leftAlone whether somebody said so
    /// @param before whether it is dated before the cut-off, and has not crossed
    /// @param match what matching says of one that is not linked
    public record Standing(
            Both<Boolean> there, boolean linked, boolean leads, boolean leftAlone, boolean before, Match match) {}

    /// What matching says.
    public enum Match {
        NONE,
        CERTAIN,
        DOUBTFUL
    }

    public static Fate of(Standing standing, Direction direction) {
        if (standing.leftAlone()) {
            return LEFT_ALONE;
        }
        if (!standing.leads()) {
            return LED;
        }
        if (standing.linked()) {
            return ofLinked(standing.there());
        }
        if (standing.before()) {
            return BEFORE_CUT_OFF;
        }
        Side side = standing.there().source() ? Side.SOURCE : Side.LEDGER;
        if (!direction.lets(side)) {
            return STAYS;
        }
        return switch (standing.match()) {
            case CERTAIN -> LINKED;
            case DOUBTFUL -> ASKED;
            case NONE -> CREATED;
        };
    }

    /// Of two that are linked.
    ///
    /// @param there whether a side has it, and has it active
    public static Fate ofLinked(Both<Boolean> there) {
        if (there.source() && there.ledger()) {
            return MERGED;
        }
        return there.source() || there.ledger() ? GONE : ENDED;
    }
}
