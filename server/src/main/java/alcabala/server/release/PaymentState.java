package alcabala.server.release;

import java.time.LocalDate;

/// How a posted document stands on the ledger (domain, section 1).
enum PaymentState {
    OPEN,
    PART_PAID,
    PAID,
    OVERDUE;

    static PaymentState of(long gross, long paid, LocalDate due, LocalDate today) {
        if (paid >= gross && gross != 0) {
            return PAID;
        }
        if (due != null && due.isBefore(today)) {
            return OVERDUE;
        }
        return paid > 0 ? PART_PAID : OPEN;
    }

    String word() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
