package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Which item of the yard one of its ledger may be.
class LikeItemsTest {
    private static final LikeItems YARD = new LikeItems(Map.of(
            "RPE-10", "Rope, 10 mm",
            "RPE-12", "Rope, 12 mm",
            "SHK/8", "Shackle (galvanised)",
            "SHK-9", "SHACKLE GALVANISED",
            "---", "..."));

    @ParameterizedTest(name = "{0} “{1}” is {2}")
    @CsvSource({
        "rpe10, Something else, RPE-10",
        "X-1, rope 10mm, RPE-10",
        "X-1, 'ROPE, 12 MM', RPE-12",
        // Another size of the same thing is another thing.
        "X-1, 'Rope, 14 mm', ''",
        // Its code says more than its name.
        "RPE-12, 'Rope, 10 mm', RPE-12",
        // Of two of one name the first by code.
        "X-1, shackle galvanised, SHK-9",
        // What is made of punctuation is like nothing.
        "-, '.', ''"
    })
    void itIsLikeOneOfTheSameCodeOrName(String code, String name, String like) {
        assertThat(YARD.find(code, name).orElse("")).isEqualTo(like);
    }
}
