package alcabala.accounting.alert;

import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;

/// Of what a route tells somebody, and when (synchronisation, "Alerts").
///
/// @param failedRuns whether of runs that fail
/// @param waitingDays of what waits longer than so many days; empty for never
/// @param consentDays of a consent that ends within so many days; empty for never
/// @param digestAt when all of it is put into one letter, each day
/// @param zone in which that is
public record AlertRule(
        boolean failedRuns,
        Optional<Integer> waitingDays,
        Optional<Integer> consentDays,
        LocalTime digestAt,
        ZoneId zone) {
    /// Until somebody says otherwise.
    public static AlertRule usual(ZoneId zone) {
        return new AlertRule(true, Optional.of(3), Optional.of(7), LocalTime.of(7, 0), zone);
    }
}
