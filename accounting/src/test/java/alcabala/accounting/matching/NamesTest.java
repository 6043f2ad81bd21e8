package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.ledger.NameRules;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// Names of parties and items as people and ledgers compare them.
class NamesTest {
    @ParameterizedTest
    @CsvSource({
        "Ostrander & Daughters, ostrander daughters",
        "The Pell Estuary Trust Ltd., pell estuary trust",
        "  ÉCLUSE   Marine  S.A., ecluse marine s a",
        "GmbH, ''",
        "東京（株）, 東京 株",
        "Ёлка & Сын, елка сын",
        "The Sandy Company of Andover and Co., sandy of andover",
        "' - & ', ''",
    })
    void caseAccentsPunctuationAndLegalFormDoNotCount(String name, String plain) {
        assertThat(Names.normalise(name)).isEqualTo(plain);
    }

    @Test
    void similarityIsSymmetricAndRunsFromNothingToTheSame() {
        assertThat(Names.similarity("anchor chain", "anchor chain")).isEqualTo(1.0);
        assertThat(Names.similarity("anchor chain", "anchor chains"))
                .isEqualTo(Names.similarity("anchor chains", "anchor chain"))
                .isGreaterThan(0.8);
        assertThat(Names.similarity("anchor", "paint")).isLessThan(0.2);
        assertThat(Names.similarity("", "paint")).isZero();
        assertThat(Names.similarity("", "")).as("nothing is like nothing").isZero();
    }

    /// Pieces counted by hand: those in common twice, by those of both.
    @ParameterizedTest(name = "{0}, {1}: {2} of {3}")
    @CsvSource({
        "anchor, anchors, 12, 15",
        "chain anchor, anchor chain, 22, 26",
        "nana nana, nana, 10, 11",
        "qab, zab, 2, 8",
        "aqb, azb, 2, 8",
        "abq, abz, 4, 8"
    })
    void similarityIsTheShareOfPiecesInCommon(String one, String other, int common, int all) {
        assertThat(Names.similarity(one, other)).isEqualTo((double) common / all);
    }

    @Test
    void aNameIsMadeFitAsTheLedgerTakesIt() {
        assertThat(rules(31).fit("  Swage terminal  ")).isEqualTo("Swage terminal");
        assertThat(rules(13).fit("Anchor chain 8 mm")).isEqualTo("Anchor chain");
        assertThat(rules(7).fit("exactly")).isEqualTo("exactly");
        assertThat(rules(6).fit("exactly")).isEqualTo("exactl");
        assertThat(rules(4).fit("abc😀d")).as("no half of a sign").isEqualTo("abc");
        assertThat(rules(5).fit("abc😀d")).isEqualTo("abc😀");
        assertThat(new NameRules(31, ":;").fit("Rope: 8 mm;\twhite")).isEqualTo("Rope 8 mm white");
        assertThat(new NameRules(31, ":").takes("Rope: 8 mm")).isFalse();
        assertThat(rules(4).takes("Rope")).isTrue();
        assertThat(rules(3).takes("Rope")).isFalse();
        assertThat(rules(31).takes("")).isFalse();
    }

    @Test
    void namesThatAreTheSameAfterCuttingCollide() {
        assertThat(ItemNames.collisions(
                        Map.of("A", "Anchor chain 8 mm", "B", "Anchor CHAIN 10 mm"), Map.of(), rules(12)))
                .singleElement()
                .satisfies(collision -> {
                    assertThat(collision.name()).isEqualTo("anchor chain");
                    assertThat(collision.items()).containsExactlyInAnyOrder("A", "B");
                });
        assertThat(ItemNames.collisions(Map.of("A", "Rope"), Map.of("OLD", "rope"), rules(31)))
                .as("with one that is there")
                .extracting(ItemNames.Collision::items)
                .containsExactly(List.of("OLD", "A"));
        assertThat(ItemNames.collisions(Map.of("A", "Rope"), Map.of("X", "Chain", "Y", "chain"), rules(31)))
                .as("two old ones that are the same are the ledger's own business")
                .isEmpty();
        assertThat(ItemNames.collisions(Map.of(), Map.of(), rules(5))).isEmpty();
    }

    @Test
    void eachOfACollisionIsProposedANameOfItsOwn() {
        Map<String, String> fresh = new LinkedHashMap<>();
        fresh.put("CH-8", "Anchor chain 8 mm");
        fresh.put("CH-10", "Anchor chain 10 mm");
        fresh.put("CH", "Anchor chain");
        fresh.put("X", "Anchor CH-10");
        assertThat(proposals(fresh, Map.of(), 12))
                .as("the one whose name is whole keeps it; another's name is not given away")
                .isEqualTo(Map.of("CH-8", "Anchor CH-8", "CH-10", "Anchor cha 2"));
        fresh.remove("X");
        assertThat(proposals(fresh, Map.of("OLD", "ANCHOR CHAIN"), 12))
                .as("what is there is not renamed")
                .isEqualTo(Map.of("CH-8", "Anchor CH-8", "CH-10", "Anchor CH-10", "CH", "Anchor ch CH"));
        assertThat(proposals(Map.of("LONG-CODE", "Rope", "SECOND-CODE", "rope"), Map.of(), 4))
                .as("a code that does not fit is cut, and is as good as a number")
                .containsKeys("LONG-CODE", "SECOND-CODE")
                .allSatisfy((code, name) -> assertThat(name.length()).isLessThanOrEqualTo(4));
    }

    private static Map<String, String> proposals(Map<String, String> fresh, Map<String, String> known, int limit) {
        NameRules rules = rules(limit);
        return ItemNames.proposals(ItemNames.collisions(fresh, known, rules), fresh, known, rules);
    }

    private static NameRules rules(int limit) {
        return new NameRules(limit, "");
    }

    /// The index gives what comparing with each would give, in seeded random names.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void theIndexOfSimilarNamesLosesNothingAndAddsNothing(long seed) {
        Random random = new Random(seed);
        List<String> names = IntStream.range(0, 800)
                .mapToObj(i -> SYLLABLES.get(random.nextInt(SYLLABLES.size()))
                        + SYLLABLES.get(random.nextInt(SYLLABLES.size()))
                        + " "
                        + SYLLABLES.get(random.nextInt(SYLLABLES.size())))
                .toList();
        SimilarNames index = new SimilarNames(names);
        for (String name : names.subList(0, 60)) {
            List<Integer> each = IntStream.range(0, names.size())
                    .filter(i -> Names.similarity(name, names.get(i)) >= 0.6)
                    .boxed()
                    .toList();
            assertThat(index.find(name, 0.6)).as(name).isEqualTo(each);
        }
        assertThat(index.find("", 0.6)).isEmpty();
        assertThat(new SimilarNames(List.of()).find("pell", 0.6)).isEmpty();
    }

    private static final List<String> SYLLABLES =
            List.of("mar", "ina", "pell", "es", "tu", "ary", "har", "bour", "ost", "rand", "quay", "tarn", "co", "ve");
}
