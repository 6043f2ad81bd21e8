package alcabala.accounting.whatif;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.finding.Finding;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.setting.Trigger;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProspectTest {
    private static final LocalDate DAY = LocalDate.of(2026, 9, 30);

    private static Finding finding(String name) {
        return switch (name) {
            case "does-not-cross" -> new Finding.DoesNotCross(RecordKind.INVOICE);
            case "before-cut-off" -> new Finding.BeforeCutOff(DAY, DAY.plusDays(1));
            case "party-missing" -> new Finding.PartyMissing("C-1", "Ferrol Rigging");
            default -> throw new IllegalArgumentException(name);
        };
    }

    /// @param findings with a plus between them; empty for none
    private static Compilation compiled(String findings) {
        List<Finding> found = Stream.of(findings.split("\\+"))
                .filter(each -> !each.isEmpty())
                .map(ProspectTest::finding)
                .toList();
        return new Compilation(found, List.of(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    @ParameterizedTest(name = "{0}, {1}, reached {2}: {3}")
    @CsvSource({
        "'', BATCH, APPROVED, HELD",
        "'', BY_HAND, APPROVED, HELD",
        "'', APPROVED, APPROVED, GOES",
        "'', BATCH, '', AWAITED",
        "'', SENT, APPROVED+FINISHED, AWAITED",
        "'', SENT, APPROVED+SENT, GOES",
        "party-missing, APPROVED, APPROVED, BLOCKED",
        "party-missing, APPROVED, '', BLOCKED",
        "does-not-cross, APPROVED, APPROVED, LEFT_BEHIND",
        "before-cut-off, APPROVED, APPROVED, LEFT_BEHIND",
        "party-missing+before-cut-off, APPROVED, APPROVED, LEFT_BEHIND"
    })
    void whatBecomesOfOne(String findings, Trigger trigger, String reached, Prospect prospect) {
        Set<Milestone> milestones = Stream.of(reached.split("\\+"))
                .filter(each -> !each.isEmpty())
                .map(Milestone::valueOf)
                .collect(Collectors.toSet());
        assertThat(Prospect.of(compiled(findings), trigger, milestones)).isEqualTo(prospect);
    }
}
