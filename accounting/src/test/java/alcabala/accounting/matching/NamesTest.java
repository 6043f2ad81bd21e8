package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

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
    void aNameIsCutAsTheLedgerCutsIt() {
        assertThat(ItemNames.cut("  Swage terminal  ", 31)).isEqualTo("Swage terminal");
        assertThat(ItemNames.cut("Anchor chain 8 mm", 13)).isEqualTo("Anchor chain");
        assertThat(ItemNames.cut("exactly", 7)).isEqualTo("exactly");
        assertThat(ItemNames.cut("exactly", 6)).isEqualTo("exactl");
    }

    @Test
    void namesThatAreTheSameAfterCuttingCollide() {
        assertThat(ItemNames.collisions(Map.of("A", "Anchor chain 8 mm", "B", "Anchor CHAIN 10 mm"), Map.of(), 12))
                .singleElement()
                .satisfies(collision -> {
                    assertThat(collision.name()).isEqualTo("anchor chain");
                    assertThat(collision.items()).containsExactlyInAnyOrder("A", "B");
                });
        assertThat(ItemNames.collisions(Map.of("A", "Rope"), Map.of("OLD", "rope"), 31))
                .as("with one that is there")
                .extracting(ItemNames.Collision::items)
                .containsExactly(List.of("OLD", "A"));
        assertThat(ItemNames.collisions(Map.of("A", "Rope"), Map.of("X", "Chain", "Y", "chain"), 31))
                .as("two old ones that are the same are the ledger's own business")
                .isEmpty();
        assertThat(ItemNames.collisions(Map.of(), Map.of(), 5)).isEmpty();
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
