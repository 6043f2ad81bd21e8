package alcabala.server.alerts;

import alcabala.accounting.alert.Alert;
import alcabala.accounting.alert.Alerts;
import alcabala.server.mail.Mailing;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/// A letter a day of all that there is to tell of a route, and none where there is nothing. Every server looks; whoever
/// claims a day writes its letter.
@Component
class AlertLetters {
    static final String WHO = "Alcabala";
    private static final Logger LOG = LoggerFactory.getLogger(AlertLetters.class);
    private static final long EVERY_MILLIS = 60_000;
    private final AlertRules rules;
    private final AlertFacts facts;
    private final Mailing mailing;
    private final Routes routes;
    private final TransactionTemplate transaction;
    private final Clock clock;

    AlertLetters(
            AlertRules rules,
            AlertFacts facts,
            Mailing mailing,
            Routes routes,
            TransactionTemplate transaction,
            Clock clock) {
        this.rules = rules;
        this.facts = facts;
        this.mailing = mailing;
        this.routes = routes;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Scheduled(fixedDelay = EVERY_MILLIS)
    void look() {
        try {
            if (mailing.isPossible()) {
                rules.withRecipients().stream().map(routes::get).forEach(this::writeIfPossible);
            }
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("what there is to tell could not be looked up: {}", e.getMessage());
        }
    }

    /// An address to which mail may no longer go keeps no other route from its letter.
    private void writeIfPossible(RouteRow route) {
        try {
            write(route);
        } catch (NotPossibleException e) {
            LOG.warn("no letter about route {}: {}", route.code(), e.getMessage());
        }
    }

    void write(RouteRow route) {
        AlertRules.Said said = rules.of(route);
        Optional<LocalDate> due = Alerts.dueDigest(said.rule(), rules.lastDigest(route), clock.instant());
        due.ifPresent(day -> transaction.executeWithoutResult(status -> {
            if (rules.claim(route, day)) {
                List<Alert> alerts = Alerts.of(facts.of(route), said.rule(), clock.instant());
                rules.told(route, day, alerts.size());
                send(route, said, alerts, WHO);
            }
        }));
    }

    /// To each what she asked to be told of; those who get the same get one letter together.
    ///
    /// @return how many are written to
    int send(RouteRow route, AlertRules.Said said, List<Alert> alerts, String who) {
        Map<List<Alert>, List<String>> letters = new LinkedHashMap<>();
        said.recipients()
                .forEach(each -> letters.computeIfAbsent(each.of(alerts), same -> new ArrayList<>())
                        .add(each.address()));
        letters.remove(List.<Alert>of());
        letters.forEach((told, recipients) ->
                mailing.tell(route, recipients, subject(route, told.size()), body(said, told), who));
        return letters.values().stream().mapToInt(List::size).sum();
    }

    private static String subject(RouteRow route, int count) {
        return "%s to %s: %s"
                .formatted(
                        route.source(),
                        route.ledger(),
                        count == 1 ? "one thing to look at" : count + " things to look at");
    }

    private static String body(AlertRules.Said said, List<Alert> alerts) {
        return alerts.stream()
                .map(alert -> "- " + AlertSentences.of(alert, said.rule()))
                .collect(Collectors.joining("\n", "", "\n"));
    }
}
