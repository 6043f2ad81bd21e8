package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/// Parties that one side has twice.
class TwinsTest {
    private static Party party(String code, String name, String tax, String email, boolean active) {
        return new Party(code, name, tax, email, "", Address.NONE, Address.NONE, active);
    }

    @Test
    void eachPairIsFoundOnceTheLikeliestFirst() {
        List<Party> parties = new ArrayList<>(List.of(
                party("C-3", "Quillan Rescue Ltd", "IE1234567T", "office@quillan.example", true),
                party("C-1", "Quillan Rescue", "IE1234567T", "office@quillan.example", true),
                party("C-2", "Tarn Boats", "", "", true),
                party("C-4", "Tarn Boats", "", "", true),
                party("C-5", "Quillan Rescue", "IE1234567T", "office@quillan.example", false)));
        for (int i = 10; i < 60; i++) {
            parties.add(party("C-" + i, "Somebody else " + (char) ('a' + i % 26) + i, "", "", true));
        }
        assertThat(Twins.among(parties))
                .extracting(
                        each -> each.one().code() + " " + each.other().party().code())
                .startsWith("C-1 C-3", "C-2 C-4")
                .noneMatch(each -> each.contains("C-5"))
                .doesNotHaveDuplicates();
        assertThat(Twins.among(List.of())).isEmpty();
        assertThat(Twins.among(List.of(parties.getFirst())))
                .as("nobody is his own twin")
                .isEmpty();
    }
}
