package alcabala.accounting.sync;

import java.util.Set;

/// What becomes of a field.
public sealed interface Verdict {
    /// The row that decided.
    Case by();

    /// Both have the same; the halves become what each has.
    record Agreed(Case by) implements Verdict {}

    /// The two differ and neither changed: one was cut, or a person left it so. Quiet.
    record Apart(Case by) implements Verdict {}

    /// A value goes to the other side.
    ///
    /// @param overwrites whether a change there is lost by it, and kept on the trail
    record Travels(Case by, Side to, boolean overwrites) implements Verdict {
        public Side from() {
            return to.other();
        }
    }

    /// A change stays where it is, and is shown.
    ///
    /// @param of the sides that have it
    record Drift(Case by, Set<Side> of, Why why) implements Verdict {
        public Drift {
            of = Set.copyOf(of);
        }
    }

    /// A person sees all three.
    record Conflict(Case by) implements Verdict {}

    /// Why a change stays where it is.
    enum Why {
        /// Nothing of this kind goes either way.
        DIRECTION_NONE,
        /// The other side owns the field.
        OWNED_BY_OTHER,
        /// This kind does not go that way.
        ONE_WAY,
        /// It follows from the lines, and no line of it changed.
        TOTAL,
        /// The side it should go to takes no change.
        NOT_WRITABLE
    }
}
