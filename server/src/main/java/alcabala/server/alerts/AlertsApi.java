package alcabala.server.alerts;

import alcabala.accounting.alert.Alert;
import alcabala.accounting.alert.AlertRule;
import alcabala.accounting.alert.Alerts;
import alcabala.server.mail.Mailing;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// What there is to tell of a route now, and who is told of what.
@RestController
@RequestMapping("/api/alerts")
class AlertsApi {
    private final Routes routes;
    private final AlertRules rules;
    private final AlertFacts facts;
    private final AlertLetters letters;
    private final Mailing mailing;
    private final Clock clock;

    /// @param at since when, or of an end that is to come, when
    /// @param path where it is put right
    record AlertJson(String sentence, Instant at, String path) {}

    /// @param waitingDays null for never, and so with `consentDays`
    /// @param zone in which the letter goes at its time
    /// @param version 0 until somebody has said anything
    record AlertRuleJson(
            List<Recipient> recipients,
            boolean failedRuns,
            Integer waitingDays,
            Integer consentDays,
            LocalTime digestAt,
            String zone,
            int version,
            String setBy) {}

    /// @param mail whether letters can be sent at all
    record AlertsJson(List<AlertJson> alerts, AlertRuleJson rule, boolean mail) {}

    record AlertRuleRequest(
            @NotBlank String route,
            @NotNull @Size(max = 20) List<@NotNull @Valid Recipient> recipients,
            boolean failedRuns,
            @Min(1) @Max(365) Integer waitingDays,
            @Min(1) @Max(365) Integer consentDays,
            @NotNull LocalTime digestAt,
            int expectedVersion) {}

    /// @param to how many people
    record LetterSent(int to) {}

    AlertsApi(Routes routes, AlertRules rules, AlertFacts facts, AlertLetters letters, Mailing mailing, Clock clock) {
        this.routes = routes;
        this.rules = rules;
        this.facts = facts;
        this.letters = letters;
        this.mailing = mailing;
        this.clock = clock;
    }

    @GetMapping
    AlertsJson alerts(@RequestParam String route) {
        RouteRow found = routes.get(route);
        AlertRules.Said said = rules.of(found);
        AlertRule rule = said.rule();
        return new AlertsJson(
                now(found, rule).stream()
                        .map(alert -> new AlertJson(
                                AlertSentences.of(alert, rule), alert.at(), AlertSentences.path(alert, found.code())))
                        .toList(),
                new AlertRuleJson(
                        said.recipients(),
                        rule.failedRuns(),
                        rule.waitingDays().orElse(null),
                        rule.consentDays().orElse(null),
                        rule.digestAt(),
                        rule.zone().getId(),
                        said.version(),
                        said.setBy()),
                mailing.isPossible());
    }

    @PutMapping
    void set(@RequestBody @Valid AlertRuleRequest said, Principal who) {
        RouteRow route = routes.get(said.route());
        mailing.requireAddresses(
                said.recipients().stream().map(Recipient::address).toList());
        rules.set(
                route,
                new AlertRule(
                        said.failedRuns(),
                        Optional.ofNullable(said.waitingDays()),
                        Optional.ofNullable(said.consentDays()),
                        said.digestAt(),
                        rules.of(route).rule().zone()),
                said.recipients(),
                said.expectedVersion(),
                who.getName());
    }

    /// The letter of today as it would be now, beside the daily one.
    @PostMapping("/letter")
    LetterSent send(@RequestParam String route, Principal who) {
        RouteRow found = routes.get(route);
        AlertRules.Said said = rules.of(found);
        List<Alert> alerts = now(found, said.rule());
        int to = letters.send(found, said, alerts, who.getName());
        if (to == 0) {
            throw NotPossibleException.conflict(
                    "nothing-to-tell",
                    alerts.isEmpty()
                            ? "There is nothing to tell now, so no letter goes."
                            : "Nobody is to be told of that. Say first who is.");
        }
        return new LetterSent(to);
    }

    private List<Alert> now(RouteRow route, AlertRule rule) {
        return Alerts.of(facts.of(route), rule, clock.instant());
    }
}
