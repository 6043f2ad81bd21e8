package alcabala.connectors.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.accounting.sync.LastChange;
import alcabala.accounting.sync.LastChanges;
import alcabala.connectors.Access;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.adapters.Somebody;
import alcabala.connectors.adapters.Somewhere;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// What a system says of who changed what.
class TouchedTest {
    private static final Map<String, String> FIELDS = Map.of("billTo", "bill-to");
    private final Somebody system = new Somebody();
    private final Touched touched =
            new Touched("Inkwell", new Http("Inkwell", Somewhere.at(system.address()), "/api", Access.key("key")));

    @AfterEach
    void close() {
        system.close();
    }

    @Test
    void aWholeAndItsFieldsAreReadAndWhatNobodyAskedAboutIsNot() {
        system.answers(200, """
                [{"code":"A","field":"billTo","at":"2026-11-30T09:00:00Z","by":"J. Quire","self":false},
                 {"code":"A","field":"","at":"2026-11-30T10:00:00Z","by":"%s"},
                 {"code":"A","field":"colour","at":"none"},
                 {"code":"B","field":"billTo","at":"2026-11-30T09:00:00Z","self":true},
                 {"code":"Z","field":"billTo","at":"none"}]""".formatted("N".repeat(300)));
        assertThat(touched.of("/touched", List.of("A", "B"), FIELDS))
                .isEqualTo(Map.of(
                        "A",
                        new LastChanges(
                                new LastChange(Instant.parse("2026-11-30T10:00:00Z"), "N".repeat(200) + " …", false),
                                Map.of(
                                        "bill-to",
                                        new LastChange(Instant.parse("2026-11-30T09:00:00Z"), "J. Quire", false))),
                        "B",
                        new LastChanges(
                                null,
                                Map.of("bill-to", new LastChange(Instant.parse("2026-11-30T09:00:00Z"), "", true)))));
    }

    @ParameterizedTest
    @ValueSource(strings = {"{}", "[{\"code\":\"A\",\"field\":\"\",\"at\":\"yesterday\"}]", "[{\"code\":\"A\"}]"})
    void whatCannotBeUnderstoodIsSaidToBeTheSystems(String answer) {
        system.answers(200, answer);
        assertThatThrownBy(() -> touched.of("/touched", List.of("A"), FIELDS))
                .isInstanceOf(AnswerUnusableException.class);
    }

    @Test
    void aSystemThatIsDownIsUnreachable() {
        system.answers(503, "");
        assertThatThrownBy(() -> touched.of("/touched", List.of("A"), FIELDS))
                .isInstanceOf(UnreachableException.class)
                .isNotInstanceOf(AnswerUnusableException.class);
    }
}
