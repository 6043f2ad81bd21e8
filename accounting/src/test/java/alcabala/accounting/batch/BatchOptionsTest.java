package alcabala.accounting.batch;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// Options of one batch lie on top of its route's, and never touch what is booked.
class BatchOptionsTest {
    private static final RouteSettings ROUTE =
            RouteSettings.STANDARD.with(Topic.ITEM_NAMES, "yes").with(Topic.ARRIVAL, "final");

    @Test
    void theyDecideOnlyWhatIsNamed() {
        BatchOptions options = BatchOptions.of(Map.of("ARRIVAL", "draft", "LINE_DETAIL", "by-account"))
                .orElseThrow();
        RouteSettings on = options.on(ROUTE);
        assertThat(on.get(Topic.ARRIVAL)).isEqualTo("draft");
        assertThat(on.get(Topic.LINE_DETAIL)).isEqualTo("by-account");
        assertThat(on.get(Topic.ITEM_NAMES)).isEqualTo("yes");
        assertThat(ROUTE.get(Topic.ARRIVAL)).as("the route keeps its own").isEqualTo("final");
        assertThat(options.words())
                .containsExactly(Map.entry("ARRIVAL", "draft"), Map.entry("LINE_DETAIL", "by-account"));
        assertThat(BatchOptions.NONE.on(ROUTE).get(Topic.ARRIVAL)).isEqualTo("final");
        assertThat(options.on(ROUTE.with(Topic.ARRIVAL, Carried.INVOICES, "final"))
                        .get(Topic.ARRIVAL, RecordKind.INVOICE))
                .as("a batch decides for all kinds in it")
                .isEqualTo("draft");
        assertThat(BatchOptions.of(Map.of())).contains(BatchOptions.NONE);
    }

    @Test
    void whatIsBookedIsTheRoutes() {
        assertThat(BatchOptions.of(Map.of("SALES_TAX", "off"))).isEmpty();
        assertThat(BatchOptions.of(Map.of("DIRECTION", "none"))).isEmpty();
        assertThat(BatchOptions.of(Map.of("ARRIVAL", "soon"))).isEmpty();
        assertThat(BatchOptions.of(Map.of("ARRIVAL", ""))).isEmpty();
        assertThat(BatchOptions.of(Map.of("arrival", "draft"))).isEmpty();
        assertThat(BatchOptions.topics())
                .contains(Topic.E_MAIL, Topic.LINE_KIND)
                .doesNotContain(Topic.NEW_PARTIES);
    }
}
