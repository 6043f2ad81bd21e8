package alcabala.accounting.whatif;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.setting.Trigger;
import java.util.Set;

/// What becomes of a record that has not crossed, under the decisions about its kind.
public enum Prospect {
    /// It goes by itself at the next fetch.
    GOES,
    /// It is ready, and goes with whatever somebody sends.
    HELD,
    /// Its source has still to do what it waits for.
    AWAITED,
    /// Something has to be put right first.
    BLOCKED,
    /// Its kind does not cross, or not from its day on.
    LEFT_BEHIND;

    /// @param compiled under these decisions
    /// @param reached what has happened to it on its source
    public static Prospect of(Compilation compiled, Trigger trigger, Set<Milestone> reached) {
        if (compiled.findings().stream().anyMatch(Prospect::leavesBehind)) {
            return LEFT_BEHIND;
        }
        if (compiled.isBlocked()) {
            return BLOCKED;
        }
        if (!trigger.isReached(reached)) {
            return AWAITED;
        }
        return trigger.isAutomatic(reached) ? GOES : HELD;
    }

    private static boolean leavesBehind(Finding finding) {
        return finding instanceof Finding.DoesNotCross || finding instanceof Finding.BeforeCutOff;
    }
}
