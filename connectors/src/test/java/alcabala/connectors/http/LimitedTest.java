package alcabala.connectors.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.Flow;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// An answer of at most ten bytes, in whatever pieces it comes.
class LimitedTest {
    private final Limited limited = new Limited(10);
    private final Asked asked = new Asked();

    private static final class Asked implements Flow.Subscription {
        private int times;
        private boolean cancelled;

        @Override
        public void request(long more) {
            times++;
        }

        @Override
        public void cancel() {
            cancelled = true;
        }
    }

    @ParameterizedTest(name = "{0}: {1}, cut {2}")
    @CsvSource({
        "'', '', false",
        "'0123456789', 0123456789, false",
        "'01234|56789', 0123456789, false",
        "'0123456789|', 0123456789, false",
        "'01234567890', 0123456789, true",
        "'0123456789|0', 0123456789, true",
        "'012345678|901234|5', 0123456789, true"
    })
    void isReadUpToItsSize(String pieces, String read, boolean cut) {
        limited.onSubscribe(asked);
        Stream.of(pieces.split("\\|", -1)).forEach(piece -> {
            if (!asked.cancelled) {
                limited.onNext(List.of(ByteBuffer.wrap(piece.getBytes(StandardCharsets.UTF_8))));
            }
        });
        if (!asked.cancelled) {
            limited.onComplete();
        }
        Limited.Body body = limited.getBody().toCompletableFuture().join();
        assertThat(new String(body.bytes(), StandardCharsets.UTF_8)).isEqualTo(read);
        assertThat(body.tooLarge()).isEqualTo(cut);
        assertThat(asked.cancelled).as("the rest is not received").isEqualTo(cut);
    }

    @Test
    void whatBreaksOffIsNoAnswer() {
        limited.onSubscribe(asked);
        limited.onNext(List.of(ByteBuffer.wrap(new byte[3])));
        limited.onError(new IOException("reset"));
        assertThat(asked.times).isEqualTo(2);
        assertThatThrownBy(() -> limited.getBody().toCompletableFuture().join()).hasRootCauseMessage("reset");
    }
}
