package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.matching.Candidate.Reason;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.List;
import org.junit.jupiter.api.Test;

class PartyMatcherTest {
    private final PartyMatcher matcher = new PartyMatcher(List.of(
            party("1", "Quillan Marine Rescue Ltd.", "IE 1234567 T", "office@quillan.example"),
            party("2", "Beacon Yacht Club", "", "bar@beacon.example"),
            party("3", "Ostrander and Daughters", "", "")));

    @Test
    void theTaxIdentifierWinsWhateverTheName() {
        Candidate best = matcher.rank(party("x", "QMR", "ie1234567t", "")).getFirst();
        assertThat(best.party().code()).isEqualTo("1");
        assertThat(best.isExact()).isTrue();
    }

    @Test
    void aSlightlyDifferentNameIsAskedAboutNotTaken() {
        Candidate best =
                matcher.rank(party("x", "Ostrander & Daughter", "", "")).getFirst();
        assertThat(best.party().code()).isEqualTo("3");
        assertThat(best.reasons()).containsExactly(Reason.SIMILAR_NAME);
        assertThat(best.isExact()).isFalse();
    }

    @Test
    void sameNameAndMailIsExactAndAStrangerIsNobody() {
        assertThat(matcher.rank(party("x", "BEACON  YACHT CLUB", "", "BAR@beacon.example"))
                        .getFirst()
                        .isExact())
                .isTrue();
        assertThat(matcher.rank(party("x", "Tamsin Oake", "", "t@oake.example")))
                .isEmpty();
        assertThat(matcher.rank(party("x", "", "", "")))
                .as("nothing known is nothing in common")
                .isEmpty();
    }

    private static Party party(String code, String name, String tax, String email) {
        return new Party(code, name, tax, email, "", Address.NONE, Address.NONE, true);
    }
}
