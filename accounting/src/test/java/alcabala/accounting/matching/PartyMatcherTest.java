package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.matching.evidence.Agreement;
import alcabala.accounting.matching.evidence.Evidence;
import alcabala.accounting.matching.evidence.Evidence.Strength;
import alcabala.accounting.matching.evidence.Evidence.Topic;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PartyMatcherTest {
    private static final String TAX = "IE1234567T";
    private static final String OTHER_TAX = "IE6433435F";
    private static final Address QUAY = new Address("1 Quay Street", "Saltmere", "SM1", "IE");
    private static final Address ROAD = new Address("7 Harbour Road", "Dunmere", "DM7", "IE");
    private static final Party QUILLAN = new Party(
            "1", "Quillan Rescue Ltd.", TAX, "office@quillan.example", "053 555 0142", QUAY, Address.NONE, true);

    /// What is known of the one that asks; what is certain needs the whole name, something that identifies it, and
    /// nothing that contradicts.
    @ParameterizedTest(name = "{0}; {1}; {2}; {3}; {4}")
    @CsvSource({
        "Quillan Rescue, IE 1234567 T, '', '', '', CERTAIN",
        "Quillan Rescue Limited, '', OFFICE@quillan.example, '', '', CERTAIN",
        "Quillan Rescue, '', '', +353 53 555 0142, '', CERTAIN",
        "Quillan Rescue, '', '', '', quay, CERTAIN",
        "Quilan Rescue, IE1234567T, '', '', '', CERTAIN",
        "Quillan Rescue, '', '', '', '', ASKED",
        "Quillan Salvage, IE1234567T, '', '', '', ASKED",
        "Tarn Boats, IE1234567T, '', '', '', ASKED",
        "QR, ie1234567t, '', '', '', ASKED",
        "Quillan Rescue, IE6433435F, office@quillan.example, '', quay, ASKED",
        "Quillan Rescue, IE1234567T, '', '', road, ASKED",
        "Quillan Rescue, IE1234567T, '', 061 777 0000, '', ASKED",
        "Quillan Rescue, IE1234567T, till@quillan.example, '', '', ASKED",
        "Quillan Rescue, IE1234567T, till@quillan.example, '', quay, CERTAIN",
        "Quillan Rescue, EXEMPT, '', '', '', ASKED",
        "Quillan Rescue, IE6433435F, a@tarn.example, 061 777 0000, road, NEW",
        "Tarn Boats, '', '', '', quay, NEW",
        "'', '', '', '', '', NEW",
    })
    void certainAskedOrNew(String name, String tax, String mail, String phone, String place, String outcome) {
        Address address = Map.of("quay", QUAY, "road", ROAD).getOrDefault(place, Address.NONE);
        List<Candidate> found = new PartyMatcher(List.of(QUILLAN))
                .rank(new Party("x", name, tax, mail, phone, address, Address.NONE, true));
        assertThat(found.isEmpty() ? "NEW" : found.getFirst().certain() ? "CERTAIN" : "ASKED")
                .isEqualTo(outcome);
    }

    @Test
    void eachCandidateSaysWhatSpeaksForItAndWhatAgainst() {
        Candidate found = new PartyMatcher(List.of(QUILLAN))
                .rank(new Party(
                        "x", "Quillan Salvage", OTHER_TAX, "office@quillan.example", "053 555 0142", ROAD, QUAY, true))
                .getFirst();
        assertThat(found.evidence()).extracting(Evidence::topic).containsExactly(Topic.values());
        assertThat(found.on(Topic.TAX_IDENTIFIER).agreement()).isEqualTo(Agreement.CONTRADICTS);
        assertThat(found.on(Topic.TAX_IDENTIFIER).strength()).isEqualTo(Strength.MUCH_AGAINST);
        assertThat(found.on(Topic.NAME).agreement()).isEqualTo(Agreement.PARTLY);
        assertThat(found.on(Topic.EMAIL).strength()).isEqualTo(Strength.DECIDES_MUCH);
        assertThat(found.on(Topic.PHONE)).isEqualTo(new Evidence(Topic.PHONE, Agreement.SAME, 10, 1, true));
        assertThat(found.on(Topic.ADDRESS).agreement())
                .as("where it is delivered to")
                .isEqualTo(Agreement.SAME);
        assertThat(found.reasons()).extracting(Evidence::topic).startsWith(Topic.EMAIL, Topic.PHONE, Topic.ADDRESS);
        assertThat(found.score()).isBetween(1, 99);
    }

    @ParameterizedTest
    @CsvSource({
        "10, DECIDES_MUCH",
        "9.9, STRONG",
        "7, STRONG",
        "6.9, FAIR",
        "3, FAIR",
        "2.9, SLIGHT",
        "0.5, SLIGHT",
        "0.4, NOTHING",
        "-0.4, NOTHING",
        "-0.5, SOMEWHAT_AGAINST",
        "-3, SOMEWHAT_AGAINST",
        "-3.1, AGAINST",
        "-7, AGAINST",
        "-7.1, MUCH_AGAINST"
    })
    void weightsHaveWords(double bits, Strength strength) {
        assertThat(new Evidence(Topic.NAME, Agreement.SAME, bits, 1, false).strength())
                .isEqualTo(strength);
    }

    /// The more have an identifier, the less it says; shared by more than five it says nothing, neither for
    /// nor
    /// against.
    @ParameterizedTest
    @CsvSource({"1, 14", "2, 12", "4, 10", "5, 9.356", "6, 0"})
    void whatSeveralShareSaysLess(int sharing, double bits) {
        PartyMatcher matcher = new PartyMatcher(IntStream.range(0, sharing)
                .mapToObj(i -> party("L" + i, "Quillan " + (char) ('A' + i) + "lder", TAX, ""))
                .toList());
        Candidate found = matcher.rank(party("x", "Quillan Alder", TAX, "")).getFirst();
        assertThat(found.party().code()).isEqualTo("L0");
        assertThat(found.on(Topic.TAX_IDENTIFIER).bits()).isCloseTo(bits, org.assertj.core.data.Offset.offset(0.001));
        assertThat(found.certain()).isEqualTo(sharing == 1);
    }

    @Test
    void twoThatComeNearMakeNeitherCertain() {
        Party twin = party("2", "Quillan Rescue", "", "office@quillan.example");
        Party asked = party("x", "Quillan Rescue", TAX, "");
        List<Candidate> found = new PartyMatcher(List.of(QUILLAN, twin)).rank(asked);
        assertThat(found).extracting(each -> each.party().code()).containsExactly("1", "2");
        assertThat(found.getFirst().certain())
                .as("the other has nothing but the name")
                .isTrue();
        Party same = party("2", "Quillan Rescue", TAX, "");
        assertThat(new PartyMatcher(List.of(QUILLAN, same)).rank(asked))
                .hasSize(2)
                .noneMatch(Candidate::certain);
    }

    @Test
    void twoThatLookDifferentAreNotBothOneOnTheLedger() {
        Party one = party("a", "Quillan Rescue", TAX, "");
        Party again = party("b", "Quilan Rescue Ltd", "", "office@quillan.example");
        Party other = new Party(
                "c", "Salvage Tarn t/a Quillan Rescue", "", "", "053 555 0142", Address.NONE, Address.NONE, true);
        PartyMatcher matcher = new PartyMatcher(List.of(QUILLAN));
        assertThat(matcher.rankAll(List.of(one, again)).values())
                .allMatch(found -> found.getFirst().certain());
        Party stranger = party("d", "Quillan Rescue t/a Salvage Tarn", "", "office@quillan.example");
        assertThat(matcher.rankAll(List.of(other, stranger)).values())
                .as("each by a name that the other has as well")
                .allMatch(found -> found.getFirst().certain());
        Party twins = new Party("2", "Tarn t/a Pell", OTHER_TAX, "", "", QUAY, Address.NONE, true);
        Party tarn = party("e", "Tarn Boats t/a Tarn", OTHER_TAX, "");
        assertThat(new PartyMatcher(List.of(twins))
                        .rankAll(List.of(party("f", "Tarn", OTHER_TAX, ""), party("g", "Pell", OTHER_TAX, ""), tarn))
                        .values())
                .noneMatch(found -> found.getFirst().certain());
    }

    @Test
    void aFewMoreAreLookedAtWithoutThoseBeforeBeingIndexedAgain() {
        PartyMatcher matcher = new PartyMatcher(List.of(QUILLAN));
        Party more = party("2", "Quillan Rescue", "", "");
        assertThat(matcher.and(List.of(more)).rank(party("x", "Quillan Rescue", TAX, "")))
                .extracting(each -> each.party().code())
                .containsExactly("1", "2");
        assertThat(matcher.and(List.of())).isSameAs(matcher);
        assertThat(new PartyMatcher(List.of())
                        .and(List.of(QUILLAN))
                        .rank(party("x", "", TAX, ""))
                        .getFirst()
                        .on(Topic.TAX_IDENTIFIER)
                        .bits())
                .isEqualTo(14);
    }

    /// A word that one of one party has weighs 9.55 bits; one tax identifier 14, one e-mail address 11, one
    /// telephone number 10, another of a wrong check 6 against, another legal form 1.5 against.
    @ParameterizedTest(name = "{0}; {1}; {2}; {3}: {4}")
    @CsvSource({
        "Quillan, '', office@quillan.example, '', CERTAIN",
        "Quillan, '', '', 053 555 0142, ASKED",
        "Quillan, IE8527419B, '', '', ASKED",
        "Quillan GmbH, IE8527419B, '', '', NEW",
        "Quillen, IE1234567T, office@quillan.example, 053 555 0142, CERTAIN",
        "Quil, IE1234567T, office@quillan.example, 053 555 0142, ASKED",
    })
    void whatIsJustEnoughAndWhatIsNot(String name, String tax, String mail, String phone, String outcome) {
        Party known = new Party(
                "1", "Quillan Ltd", TAX, "office@quillan.example", "053 555 0142", Address.NONE, Address.NONE, true);
        List<Candidate> found = new PartyMatcher(List.of(known))
                .rank(new Party("x", name, tax, mail, phone, Address.NONE, Address.NONE, true));
        assertThat(found.isEmpty() ? "NEW" : found.getFirst().certain() ? "CERTAIN" : "ASKED")
                .as("%s", found)
                .isEqualTo(outcome);
    }

    /// By telephone alone: shared by two it says 8 bits, by three 6.8; somebody is asked from 7.5 on.
    @ParameterizedTest
    @CsvSource({"2, 2", "3, 0"})
    void littleIsNotWorthAsking(int sharing, int asked) {
        PartyMatcher matcher = new PartyMatcher(IntStream.range(0, sharing)
                .mapToObj(i -> new Party("L" + i, "", "", "", "053 555 0142", Address.NONE, Address.NONE, true))
                .toList());
        assertThat(matcher.rank(new Party("x", "", "", "", "053 555 0142", Address.NONE, Address.NONE, true)))
                .hasSize(asked);
    }

    /// The second comes 6 bits behind with an address but for a letter, 8 with another box of the same house.
    @ParameterizedTest
    @CsvSource({"ofice@quillan.example, false", "till@quillan.example, true"})
    void whoIsCertainIsWellAhead(String second, boolean certain) {
        PartyMatcher matcher = new PartyMatcher(List.of(
                party("1", "Quillan Rescue", "", "office@quillan.example"), party("2", "Quillan Rescue", "", second)));
        List<Candidate> found = matcher.rank(party("x", "Quillan Rescue", "", "office@quillan.example"));
        assertThat(found).hasSize(2);
        assertThat(found.getFirst().bits() - found.getLast().bits())
                .isCloseTo(certain ? 8 : 6, org.assertj.core.data.Offset.offset(0.01));
        assertThat(found.getFirst().certain()).isEqualTo(certain);
    }

    /// A letter more makes another word of one that three parties have, and is a slip of one that two have.
    @ParameterizedTest
    @CsvSource({"2, true", "3, false"})
    void aWordOfSeveralIsNoSlip(int each, boolean slip) {
        List<Party> known = new ArrayList<>();
        IntStream.range(0, each).forEach(i -> {
            known.add(party("A" + i, "Marinas Alder" + (char) ('a' + i), i == 0 ? TAX : "", ""));
            known.add(party("B" + i, "Marines Birch" + (char) ('a' + i), "", ""));
        });
        Candidate found = new PartyMatcher(known)
                .rank(party("x", "Marines Aldera", TAX, ""))
                .getFirst();
        assertThat(found.party().code()).isEqualTo("A0");
        assertThat(found.on(Topic.NAME).agreement()).isEqualTo(slip ? Agreement.NEARLY : Agreement.PARTLY);
    }

    @Test
    void anAddressThatOnlyRepeatsTheNameAndAStreetWithoutANumberIdentifyNobody() {
        Address street = new Address("Quay House", "Saltmere", "", "");
        Party known = new Party("1", "Mary Walsh", "", "mary.walsh@gmail.com", "", street, Address.NONE, true);
        Candidate found = new PartyMatcher(List.of(known))
                .rank(new Party("x", "Mary Walsh", "", "mary.walsh@gmail.com", "", street, Address.NONE, true))
                .getFirst();
        assertThat(found.on(Topic.EMAIL)).isEqualTo(new Evidence(Topic.EMAIL, Agreement.SAME, 5, 1, false));
        assertThat(found.on(Topic.ADDRESS)).isEqualTo(new Evidence(Topic.ADDRESS, Agreement.SAME, 5, 1, false));
        assertThat(found.certain()).isFalse();
    }

    @Test
    void whoIsInactiveOnTheLedgerIsNobody() {
        Party gone = new Party("1", "Quillan Rescue", TAX, "", "", QUAY, Address.NONE, false);
        assertThat(new PartyMatcher(List.of(gone)).rank(party("x", "Quillan Rescue", TAX, "")))
                .isEmpty();
    }

    /// By a word that more have nobody is found; with another word, or in a town, it finds all the same.
    @ParameterizedTest
    @ValueSource(ints = {39, 40, 200})
    void aWordThatManyHaveFindsTogetherWithAnother(int others) {
        List<Party> known = new ArrayList<>(List.of(party("1", "Tarn Quillan", "", "")));
        IntStream.range(0, others)
                .forEach(i -> known.add(
                        party("T" + i, "Tarn Harbour" + (char) ('a' + i % 26) + (char) ('a' + i / 26), "", "")));
        IntStream.range(0, others)
                .forEach(i -> known.add(
                        party("Q" + i, "Quillan Yard" + (char) ('a' + i % 26) + (char) ('a' + i / 26), "", "")));
        PartyMatcher matcher = new PartyMatcher(known);
        assertThat(matcher.rank(party("x", "Quillan Tarn", "", ""))
                        .getFirst()
                        .party()
                        .code())
                .isEqualTo("1");
        long byOneWord = matcher.all(party("x", "Tarn Pell", "", "")).count();
        assertThat(byOneWord == 0).as("%d found", byOneWord).isTrue();
    }

    private static Party party(String code, String name, String tax, String email) {
        return new Party(code, name, tax, email, "", Address.NONE, Address.NONE, true);
    }
}
