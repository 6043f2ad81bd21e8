package alcabala.accounting.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PaceTest {
    @ParameterizedTest
    @CsvSource({
        "10,1,6000",
        "11,1,5454",
        "12,2,10000",
        "600,100,10000",
        "2999,499,9983",
        "3000,500,10000",
        "6000,500,5000"
    })
    void aBatchIsWhatGoesInTenSecondsAndNeverMoreThanFiveHundred(int perMinute, int atOnce, long millis) {
        Pace pace = new Pace(perMinute);
        assertThat(pace.atOnce()).isEqualTo(atOnce);
        assertThat(pace.timeFor(atOnce).toMillis()).isEqualTo(millis);
    }

    @ParameterizedTest
    @ValueSource(ints = {9, 6001, 0, -1})
    void nothingIsSlowerOrFaster(int perMinute) {
        assertThatThrownBy(() -> new Pace(perMinute)).isInstanceOf(IllegalArgumentException.class);
    }
}
