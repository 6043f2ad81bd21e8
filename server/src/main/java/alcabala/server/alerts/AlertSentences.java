package alcabala.server.alerts;

import alcabala.accounting.alert.Alert;
import alcabala.accounting.alert.Alert.Waiting;
import alcabala.accounting.alert.AlertRule;
import alcabala.server.platform.Writing;
import java.time.ZoneId;

/// What people are told, in plain sentences.
final class AlertSentences {
    private AlertSentences() {}

    static String of(Alert alert, AlertRule rule) {
        String day = day(alert, rule.zone());
        return switch (alert) {
            case Alert.RunsFail runs ->
                (runs.count() == 1 ? "The last run failed" : "The last " + runs.count() + " runs failed") + ", since "
                        + day + ": " + runs.sentence();
            case Alert.ConsentLost lost -> lost.ledger() + " lets Alcabala in no more, since " + day + ".";
            case Alert.ConsentEnds ends -> "The consent of " + ends.ledger() + " ends on " + day + ".";
            case Alert.Waits waits ->
                "%s %s for more than %s, the first since %s."
                        .formatted(
                                what(waits.what(), waits.count()),
                                waits.count() == 1 ? "waits" : "wait",
                                days(rule.waitingDays().orElse(0)),
                                day);
        };
    }

    private static String day(Alert alert, ZoneId zone) {
        return Writing.now().day(alert.at().atZone(zone).toLocalDate());
    }

    private static String days(int days) {
        return days == 1 ? "1 day" : days + " days";
    }

    private static String what(Waiting what, int count) {
        String noun = count == 1 ? "record" : "records";
        return switch (what) {
            case BLOCKED -> count + " blocked " + noun;
            case READY -> count + " ready " + noun;
            case HELD -> count + " " + noun + " that did not get through, or changed since,";
            case QUESTIONS -> count + (count == 1 ? " question about a party" : " questions about parties");
        };
    }

    /// Where it is put right.
    static String path(Alert alert, String route) {
        return switch (alert) {
            case Alert.RunsFail runs -> "/connect?view=runs&route=" + route;
            case Alert.ConsentLost lost -> "/connect?view=connections&route=" + route;
            case Alert.ConsentEnds ends -> "/connect?view=connections&route=" + route;
            case Alert.Waits waits ->
                switch (waits.what()) {
                    case BLOCKED -> "/release?state=Blocked&route=" + route;
                    case READY -> "/release?state=Ready&route=" + route;
                    case HELD, QUESTIONS -> "/resolve?route=" + route;
                };
        };
    }
}
