package alcabala.accounting.matching;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.matching.ItemNames.Collision;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ItemNamesTest {
    /// Hundreds of items may have one name.
    @ParameterizedTest
    @CsvSource({
        "2, I0 and I1",
        "5, I0 and I1 and I2 and I3 and I4",
        "6, I0 and I1 and I2 and I3 and I4 and 1 more",
        "500, I0 and I1 and I2 and I3 and I4 and 495 more"
    })
    void aFewItemsAreNamedAndTheRestIsCounted(int items, String words) {
        Collision collision = new Collision(
                "a shackle", IntStream.range(0, items).mapToObj(i -> "I" + i).toList());
        assertThat(collision.inWords()).isEqualTo(words);
    }
}
