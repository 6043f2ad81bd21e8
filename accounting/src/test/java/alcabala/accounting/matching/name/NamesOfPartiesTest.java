package alcabala.accounting.matching.name;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.matching.name.NameComparison.Knowledge;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What names of parties say, and how far two say the same.
class NamesOfPartiesTest {
    /// Each reading of a name, then its legal form.
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "The Pell Estuary Trust CLG | pell estuary trust | clg",
                "Ostrander & Daughters Ltd. | ostrander daughters | ltd",
                "Ostrander S. A. R. L. | ostrander | sl",
                "OOO Лодка | lodka | sro",
                "Gmbh | gmbh | ''",
                "Pell Ltd Trading | pell trading | ltd",
                "Murphy, Capt. John Jnr | murphy john jr | ''",
                "O'Brien III | obrien 3 | ''",
                "Berth 007b | berth 7b | ''",
                "Berth 007 | berth 7 | ''",
                "2nd Mooring | 2 mooring | ''",
                "Pell Trust, Accounts Dept | pell trust | ''",
                "Accounts Office | accounts office | ''",
                "Pell Trust c/o J. Murphy | pell trust | ''",
                "Tamsin Oake t/a Oake Sails Ltd | tamsin oake / oake sails | ltd",
                "Tamsin Oake T/AS Oake Sails | tamsin oake / oake sails | ''",
                "Mary Walsh née O'Brien | mary walsh / mary obrien | ''",
                "Pell Marine formerly Tarn Boats | pell marine / tarn boats | ''",
                "Éclusé Straße | ecluse strasse | ''",
                "Ναυτικά Θεσσαλία | navtika thessalia | ''",
                "Ντίνος Παπαδόπουλος | dinos papadopoulos | ''",
                "Чайковский | chaikovskii | ''",
                "東京海上 | 東京海上 | ''",
                "- & - | '' | ''",
            })
    void aNameIsReadInItsParts(String name, String readings, String form) {
        ReadName read = ReadName.of(name);
        assertThat(read.readings().stream()
                        .map(words -> words.stream().map(Word::text).collect(Collectors.joining(" ")))
                        .collect(Collectors.joining(" / ")))
                .isEqualTo(readings);
        assertThat(read.form()).isEqualTo(form);
    }

    /// What somebody sends instead of a name is not compared to its end.
    @ParameterizedTest
    @CsvSource({"24, 24", "25, 24", "250, 24"})
    void aNameHasNoMoreThanTwentyFourWords(int words, int read) {
        ReadName name = ReadName.of("x ".repeat(words));
        assertThat(name.readings().getFirst()).hasSize(read);
    }

    /// Words weigh four bits each; how much agrees and how much is left over.
    @ParameterizedTest(name = "{0}, {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "Beacon Yacht Club | beacon  YACHT club | 12 | 0",
                "Murphy, John | John Murphy | 8 | 0",
                "Müller Segel | Mueller Segel | 7.8 | 0",
                "Чайковский | Tchaikovsky | 3.8 | 0",
                "Юрий Орлов | Yuriy Orlov | 7.8 | 0",
                "Quillan Rescue | Quilan Rescue | 7.8 | 0",
                "Quillan Rescue | Quillon Rescue | 7.4 | 0",
                "Quil | Quel | 0 | 8",
                "Quill | Quell | 3.4 | 0",
                "Ostranderx | Ostrendery | 2.8 | 0",
                "Ostrandex | Ostrendey | 2.8 | 0",
                "Ostrandx | Ostrendy | 0 | 8",
                "Harbour Engineering | Harbour Eng | 7.4 | 0",
                "Tarn Catering | Tarn Cat | 7 | 0",
                "Tarn Catering | Tarn Ca | 4 | 8",
                "Tarn Bldrsx | Tarn Builderx | 4 | 8",
                "J. Murphy | John Murphy | 6.2 | 0",
                "K. Murphy | John Murphy | 4 | 8",
                "Bill Oake | William Oake | 7.4 | 0",
                "Quay Boat Yard | Quay Boatyard | 7.8 | 0",
                "QMR | Quillan Marine Rescue | 2.8 | 0",
                "QM | Quillan Marine | 0 | 12",
                "Pell Trust | Pell Estuary Trust | 8 | 4",
                "Pell Saltmere | Pell | 4 | 0",
                "Pell Dunmere | Pell | 4 | 4",
            })
    void wordsAreOneToTheLetterBySoundByASlipOrCutShort(String one, String other, double agrees, double differs) {
        NameComparison compared = compare(one, other);
        assertThat(compared.agrees()).isCloseTo(agrees, org.assertj.core.data.Offset.offset(0.001));
        assertThat(compared.differs()).isCloseTo(differs, org.assertj.core.data.Offset.offset(0.001));
        assertThat(compared.explained()).isEqualTo(differs == 0);
        assertThat(compare(other, one).says())
                .as("the other way round")
                .isCloseTo(compared.says(), org.assertj.core.data.Offset.offset(0.001));
    }

    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "Berth 3, Berth 4, true",
        "Berth III, Berth 3, false",
        "Berth 3, Berth, false",
        "John Murphy Jr, John Murphy Sr, true",
        "John Murphy Jr, John Murphy junior, false",
        "John Murphy Jr, John Murphy, false",
    })
    void anotherNumberOrGenerationIsSomebodyElse(String one, String other, boolean forbidden) {
        assertThat(compare(one, other).forbidden()).isEqualTo(forbidden);
    }

    @Test
    void aWordThatManyHaveIsNoSlipOfAnother() {
        Knowledge knowing = new Knowledge(word -> 4, word -> true, word -> false);
        assertThat(NameComparison.of(ReadName.of("Marine Pell"), ReadName.of("Marina Pell"), knowing)
                        .explained())
                .isFalse();
        assertThat(compare("Marine Pell", "Marina Pell").explained()).isTrue();
    }

    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({"Pell Ltd, Pell Limited, true", "Pell Ltd, Pell GmbH, false", "Pell, Pell GmbH, true"})
    void legalFormsAreComparedByWhatTheyAre(String one, String other, boolean same) {
        assertThat(compare(one, other).sameForm()).isEqualTo(same);
        assertThat(compare(one, other).toTheLetter()).isTrue();
    }

    /// With 1500 more that are thought to be there; what is usual elsewhere counts as had by 60 more.
    @ParameterizedTest
    @CsvSource({"548, 0, false, 11", "548, 1, false, 10", "548, 3, true, 5", "0, 1499, false, 1.5"})
    void theRarerAWordTheMoreItSays(int parties, int has, boolean usual, double bits) {
        assertThat(Weights.bits(parties, has, usual)).isEqualTo(bits);
    }

    @ParameterizedTest
    @CsvSource({"anchor, anchor, 0", "anchor, ancohr, 1", "anchor, ancor, 1", "anchor, anchors, 1", "anchor, aenkor, 3"
    })
    void slipsAreCountedUpToTheMostThatMatter(String one, String other, int slips) {
        assertThat(Letters.slips(one, other, 2)).isEqualTo(slips);
        assertThat(Letters.slips(other, one, 2)).isEqualTo(slips);
    }

    private static NameComparison compare(String one, String other) {
        return NameComparison.of(
                ReadName.of(one),
                ReadName.of(other),
                new Knowledge(word -> 4, word -> false, word -> word.text().equals("saltmere")));
    }
}
