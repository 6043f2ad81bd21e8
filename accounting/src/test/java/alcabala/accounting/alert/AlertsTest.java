package alcabala.accounting.alert;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.alert.Alert.ConsentEnds;
import alcabala.accounting.alert.Alert.ConsentLost;
import alcabala.accounting.alert.Alert.RunsFail;
import alcabala.accounting.alert.Alert.Waiting;
import alcabala.accounting.alert.Alert.Waits;
import alcabala.accounting.alert.Alerts.Consent;
import alcabala.accounting.alert.Alerts.Facts;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AlertsTest {
    private static final Instant NOW = Instant.parse("2026-11-29T12:00:00Z");
    private static final AlertRule RULE = AlertRule.usual(ZoneId.of("Europe/Dublin"));

    private static Facts waiting(Waiting what, String... since) {
        return new Facts(
                Optional.empty(),
                Map.of(what, List.of(since).stream().map(Instant::parse).toList()),
                List.of());
    }

    private static Facts consent(String ends, String lost) {
        return new Facts(
                Optional.empty(),
                Map.of(),
                List.of(new Consent(
                        "Inkwell",
                        Optional.ofNullable(ends).map(Instant::parse),
                        Optional.ofNullable(lost).map(Instant::parse))));
    }

    @Test
    void whereThereIsNothingToSayNothingIsSaid() {
        assertThat(Alerts.of(new Facts(Optional.empty(), Map.of(), List.of()), RULE, NOW))
                .isEmpty();
    }

    @ParameterizedTest(name = "since {0}: {1}")
    @CsvSource({"2026-11-26T12:00:00Z, 0", "2026-11-26T11:59:59Z, 1"})
    void whatWaitsLongerThanThreeDaysIsTold(String since, int told) {
        assertThat(Alerts.of(waiting(Waiting.BLOCKED, since, "2026-11-29T11:00:00Z"), RULE, NOW))
                .hasSize(told)
                .allMatch(new Waits(Waiting.BLOCKED, 1, Instant.parse(since))::equals);
    }

    @ParameterizedTest(name = "ends {0}: {1}")
    @CsvSource({"2026-12-06T12:00:00Z, 1", "2026-12-06T12:00:01Z, 0", "2026-11-01T00:00:00Z, 1"})
    void aConsentThatEndsWithinSevenDaysIsTold(String ends, int told) {
        assertThat(Alerts.of(consent(ends, null), RULE, NOW))
                .hasSize(told)
                .allMatch(new ConsentEnds("Inkwell", Instant.parse(ends))::equals);
    }

    @Test
    void aConsentThatIsLostIsToldAndNotItsEnd() {
        assertThat(Alerts.of(consent("2026-12-01T00:00:00Z", "2026-11-28T00:00:00Z"), RULE, NOW))
                .containsExactly(new ConsentLost("Inkwell", Instant.parse("2026-11-28T00:00:00Z")));
        assertThat(Alerts.of(consent(null, null), RULE, NOW)).isEmpty();
    }

    @Test
    void whatStopsEverythingComesFirstAndEachCanBeLeftOut() {
        RunsFail fail = new RunsFail(2, "Inkwell did not answer.", NOW.minusSeconds(60));
        Instant old = NOW.minusSeconds(10 * 86_400);
        Facts all = new Facts(
                Optional.of(fail),
                Map.of(Waiting.QUESTIONS, List.of(old), Waiting.HELD, List.of(old, old)),
                List.of(new Consent("Inkwell", Optional.of(NOW), Optional.empty())));
        assertThat(Alerts.of(all, RULE, NOW))
                .containsExactly(
                        fail,
                        new ConsentEnds("Inkwell", NOW),
                        new Waits(Waiting.HELD, 2, old),
                        new Waits(Waiting.QUESTIONS, 1, old));
        AlertRule none = new AlertRule(false, Optional.empty(), Optional.empty(), RULE.digestAt(), RULE.zone());
        assertThat(Alerts.of(all, none, NOW)).isEmpty();
    }

    /// Seven in the morning in Vancouver is three in the afternoon in Greenwich.
    @ParameterizedTest(name = "at {0} after {1}: {2}")
    @CsvSource({
        "2026-11-29T14:59:59Z, 2026-11-28, ",
        "2026-11-29T15:00:00Z, 2026-11-28, 2026-11-29",
        "2026-11-29T15:00:00Z, 2026-11-29, ",
        "2026-11-29T14:59:59Z, 2026-11-27, 2026-11-28",
        "2026-11-29T15:00:00Z, , 2026-11-29"
    })
    void oneLetterADayFromItsTimeOn(Instant now, LocalDate last, LocalDate due) {
        AlertRule rule =
                new AlertRule(true, Optional.of(3), Optional.of(7), LocalTime.of(7, 0), ZoneId.of("America/Vancouver"));
        assertThat(Alerts.dueDigest(rule, Optional.ofNullable(last), now)).isEqualTo(Optional.ofNullable(due));
    }
}
