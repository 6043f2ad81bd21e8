package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.matching.Candidate.Reason;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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

    /// Each thing in common by its points, together at most 100; under 40 nobody is asked.
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({
        "name, 50, false",
        "name phone, 80, true",
        "name address, 65, true",
        "name phone address, 95, true",
        "name email phone, 100, true",
        "phone address, 45, false",
        "email, 45, false",
        "phone, 0, false",
        "address, 0, false"
    })
    void whatTheyHaveInCommonAddsUp(String common, int score, boolean exact) {
        Address harbour = Changed.in(Changed.in(Address.NONE, "street", "1 Quay"), "postalZone", "SM1");
        Party known = new Party("1", "Pell", "", "pell@pell.example", "555 12", harbour, Address.NONE, true);
        List<String> parts = List.of(common.split(" "));
        Party asked = new Party(
                "x",
                parts.contains("name") ? "PELL" : "Osk",
                "",
                parts.contains("email") ? "Pell@pell.example" : "",
                parts.contains("phone") ? "55-512" : "",
                parts.contains("address") ? harbour : Address.NONE,
                Address.NONE,
                true);
        List<Candidate> found = new PartyMatcher(List.of(known)).rank(asked);
        assertThat(found).hasSize(score == 0 ? 0 : 1);
        found.forEach(each -> {
            assertThat(each.score()).isEqualTo(score);
            assertThat(each.isExact()).isEqualTo(exact);
        });
    }

    @Test
    void aFewMoreAreLookedAtWithoutThoseBeforeBeingIndexedAgain() {
        Party more = party("4", "Beacon Yacht Club", "", "");
        assertThat(matcher.and(List.of(more)).rank(party("x", "Beacon Yacht Club", "", "bar@beacon.example")))
                .extracting(each -> each.party().code())
                .containsExactly("2", "4");
        assertThat(matcher.and(List.of())).isSameAs(matcher);
    }

    /// Of up to 64 each is compared, of more only those that the index finds.
    @ParameterizedTest
    @ValueSource(ints = {0, 62, 63})
    void keysThatOnlyHashAlikeAreNotShared(int strangers) {
        assertThat("Aa".hashCode()).isEqualTo("BB".hashCode());
        PartyMatcher twins = new PartyMatcher(Stream.concat(
                        Stream.of(party("1", "Pell", "Aa", ""), party("2", "Tarn", "BB", "")),
                        IntStream.range(0, strangers).mapToObj(i -> party("S" + i, "", "IE" + i, "")))
                .toList());
        assertThat(twins.rank(party("x", "Osk", "BB", "")))
                .singleElement()
                .satisfies(only -> assertThat(only.party().code()).isEqualTo("2"));
    }

    /// Among all of them the index finds whom comparing with each alone finds, in seeded parties that share much.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void theIndexLosesNobodyAndAddsNobody(long seed) {
        Random random = new Random(seed);
        List<Party> parties = IntStream.range(0, 300)
                .mapToObj(i -> party(
                        "P%03d".formatted(i),
                        word(random) + " " + word(random) + " Ltd",
                        "IE" + random.nextInt(150),
                        word(random) + "@" + random.nextInt(20) + ".example"))
                .toList();
        PartyMatcher all = new PartyMatcher(parties);
        List<PartyMatcher> alone =
                parties.stream().map(each -> new PartyMatcher(List.of(each))).toList();
        for (Party asked : parties.subList(0, 40)) {
            assertThat(all.rank(asked))
                    .as(asked.name())
                    .isEqualTo(alone.stream()
                            .flatMap(each -> each.rank(asked).stream())
                            .sorted(Comparator.comparingInt(Candidate::score)
                                    .reversed()
                                    .thenComparing(each -> each.party().code()))
                            .limit(5)
                            .toList());
        }
    }

    private static String word(Random random) {
        return WORDS.get(random.nextInt(WORDS.size()));
    }

    private static final List<String> WORDS =
            List.of("estuary", "estuaries", "harbour", "harbours", "Quay", "tarn", "Pell", "海", "море", "ostler");

    private static Party party(String code, String name, String tax, String email) {
        return new Party(code, name, tax, email, "", Address.NONE, Address.NONE, true);
    }
}
