package alcabala.accounting.sync;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.field.Half;
import alcabala.accounting.party.Party;
import alcabala.accounting.party.PartyField;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Topic;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Whether a master is in use goes nowhere by itself (synchronisation, "Gone").
class UseTest {
    private static final List<PartyField> FIELDS = List.of(PartyField.NAME, PartyField.IN_USE);
    private static final RouteSettings BOTH_WAYS = RouteSettings.STANDARD
            .with(new Setting(Topic.DIRECTION, Carried.PARTIES), "both")
            .with(new Setting(Topic.WINNER, Carried.PARTIES), "source");

    @ParameterizedTest(name = "{0} at the yard, {1} on the ledger, both were in use: {2}")
    @CsvSource({
        "yes, yes, AGREED",
        "no, yes, SOURCE",
        "yes, no, LEDGER",
        "yes, gone, LEDGER",
        "no, gone, AGREED",
        "no, no, AGREED"
    })
    void oneThatIsPutOutOfUseIsDriftWhateverTravels(String yard, String ledger, String expected) {
        Verdict verdict = merge(yard, ledger).fields().get("in-use");
        assertThat(verdict instanceof Verdict.Drift drift ? drift.of().toString() : "AGREED")
                .contains(expected);
        assertThat(merge(yard, ledger).writes()).isEqualTo(new Both<>(Map.of(), Map.of()));
    }

    @Test
    void whatIsAcceptedIsPutOutOfUseThereTooAndWhatIsRestoredIsTakenUpAgain() {
        Verdict gone = merge("yes", "gone").fields().get("in-use");
        Both<String> now = new Both<>("yes", "gone");
        Both<String> half = new Both<>("yes", "yes");
        Answer.Consequence accepted = Answer.ACCEPT.of("in-use", gone, now, half, now, fields());
        assertThat(accepted.writes().source()).contains(new Answer.Change("no"));
        assertThat(accepted.writes().ledger()).isEmpty();
        Answer.Consequence restored = Answer.RESTORE.of("in-use", gone, now, half, now, fields());
        assertThat(restored.writes().ledger()).contains(new Answer.Change("yes"));
        Set<Answer> offered = Answer.offered(gone, new Both<>(true, false), true);
        assertThat(offered).containsExactlyInAnyOrder(Answer.ACCEPT, Answer.LEAVE);
    }

    @Test
    void aPartyIsWrittenOutOfUseAndBack() {
        Party party = Party.named("C-1", "Pell");
        Party retired = PartyField.IN_USE.with(party, "no");
        assertThat(retired.active()).isFalse();
        assertThat(PartyField.IN_USE.of(retired)).isEqualTo("no");
        assertThat(PartyField.IN_USE.with(retired, "yes")).isEqualTo(party);
        assertThat(Optional.of(PartyHalf.of(party).values().get("in-use"))).contains("yes");
    }

    private static RecordMerge.Merged merge(String yard, String ledger) {
        Baseline inUse = new Baseline(new Both<>(half("yes"), half("yes")), Set.of());
        return RecordMerge.merge(new Both<>(half(yard), half(ledger)), inUse, fields());
    }

    private static MasterFields fields() {
        return new MasterFields(
                FIELDS,
                MasterRules.of(BOTH_WAYS, Carried.PARTIES, FIELDS),
                new Both<>(Map.of(), Map.of()),
                Saying.PLAIN);
    }

    private static Half half(String use) {
        return Half.builder().text("name", "Pell").text("in-use", use).build();
    }
}
