package alcabala.accounting.alert;

import alcabala.accounting.alert.Alert.ConsentEnds;
import alcabala.accounting.alert.Alert.ConsentLost;
import alcabala.accounting.alert.Alert.RunsFail;
import alcabala.accounting.alert.Alert.Waiting;
import alcabala.accounting.alert.Alert.Waits;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What there is to tell of a route at one moment.
public final class Alerts {
    private Alerts() {}

    /// What is known.
    ///
    /// @param failing runs that failed one after the other up to now
    /// @param waiting of each kind that waits, since when each does
    /// @param consents of the ledger
    public record Facts(Optional<RunsFail> failing, Map<Waiting, List<Instant>> waiting, List<Consent> consents) {}

    /// @param ends empty where it lasts
    /// @param lost when it was refused; empty while it is good
    public record Consent(String ledger, Optional<Instant> ends, Optional<Instant> lost) {}

    /// In the order in which they are told: what stops everything first.
    public static List<Alert> of(Facts facts, AlertRule rule, Instant now) {
        List<Alert> alerts = new ArrayList<>();
        if (rule.failedRuns()) {
            facts.failing().ifPresent(alerts::add);
        }
        rule.consentDays()
                .ifPresent(days ->
                        facts.consents().forEach(each -> of(each, days, now).ifPresent(alerts::add)));
        rule.waitingDays().ifPresent(days -> {
            for (Waiting what : Waiting.values()) {
                waits(what, facts.waiting().getOrDefault(what, List.of()), days, now)
                        .ifPresent(alerts::add);
            }
        });
        return alerts;
    }

    private static Optional<Alert> of(Consent consent, int days, Instant now) {
        if (consent.lost().isPresent()) {
            return Optional.of(new ConsentLost(consent.ledger(), consent.lost().get()));
        }
        return consent.ends()
                .filter(end -> !end.isAfter(now.plus(Duration.ofDays(days))))
                .map(end -> new ConsentEnds(consent.ledger(), end));
    }

    private static Optional<Alert> waits(Waiting what, List<Instant> since, int days, Instant now) {
        Instant latest = now.minus(Duration.ofDays(days));
        List<Instant> longer =
                since.stream().filter(each -> each.isBefore(latest)).toList();
        return longer.stream().min(Instant::compareTo).map(first -> new Waits(what, longer.size(), first));
    }

    /// The day whose letter is due: one a day, from its time on; one that was missed goes as soon as it can.
    public static Optional<LocalDate> dueDigest(AlertRule rule, Optional<LocalDate> last, Instant now) {
        ZonedDateTime here = now.atZone(rule.zone());
        LocalDate day = here.toLocalTime().isBefore(rule.digestAt())
                ? here.toLocalDate().minusDays(1)
                : here.toLocalDate();
        return last.filter(sent -> !sent.isBefore(day)).isPresent() ? Optional.empty() : Optional.of(day);
    }
}
