package alcabala.server.record;

import java.time.LocalDate;

/// How a posted document stands on the ledger (domain, section 1).
public enum PaymentState {
    OPEN,
    PART_PAID,
    PAID,
    OVERDUE;

    /// Amounts of either sign; nothing is open of a document that comes to nothing.
    public static PaymentState of(long gross, long paid, LocalDate due, LocalDate today) {
        long open = gross - paid;
        if (open == 0 || Long.signum(open) != Long.signum(gross)) {
            return PAID;
        }
        if (due != null && due.isBefore(today)) {
            return OVERDUE;
        }
        return Long.signum(paid) == Long.signum(gross) ? PART_PAID : OPEN;
    }

    public String word() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
