package alcabala.server.compile;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ReleasedTest {
    private static final Released INVOICE = Released.document("EUR", 1230);
    private static final Released DOLLARS = Released.document("USD", 500);
    private static final Released PAYMENT = Released.payment("EUR", 1000);

    @Test
    void moneyIsNeitherCountedNorAddedTogetherWithWhatItSettles() {
        assertThat(Released.NONE.sentence()).isEqualTo("0 documents released");
        assertThat(INVOICE.sentence()).isEqualTo("1 document released, €12.30");
        assertThat(Released.of(List.of(PAYMENT, PAYMENT)).sentence()).isEqualTo("2 payments released, €20.00");
        Released all = Released.of(List.of(INVOICE, PAYMENT, INVOICE, Released.blockedAgain(3)));
        assertThat(all.sentence()).isEqualTo("2 documents and 1 payment released, €24.60");
        assertThat(all.count()).isEqualTo(3);
        assertThat(all.blockedAgain()).isEqualTo(3);
        assertThat(Released.of(List.of(INVOICE, DOLLARS)).gross()).isEqualTo(Map.of("EUR", 1230L, "USD", 500L));
    }
}
