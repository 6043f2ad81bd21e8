package alcabala.connectors.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import alcabala.connectors.Access;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.adapters.Somewhere;
import alcabala.connectors.ledger.Answer;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

class HttpTest {
    private static final Duration PATIENCE = Duration.ofMillis(700);
    private final AtomicInteger asked = new AtomicInteger();
    private volatile int silent;
    private HttpServer server;

    @BeforeEach
    void listen() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        server.createContext("/", exchange -> {
            if (asked.incrementAndGet() > silent) {
                byte[] answer = "{\"said\":\"yes\"}".getBytes(StandardCharsets.UTF_8);
                exchange.sendResponseHeaders(200, answer.length);
                exchange.getResponseBody().write(answer);
                exchange.close();
            }
        });
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop(0);
    }

    private Http http() {
        return new Http(
                "Somewhere",
                Somewhere.at("http://127.0.0.1:" + server.getAddress().getPort(), "", PATIENCE),
                "/api",
                Access.key("key"));
    }

    @ParameterizedTest(name = "{0} answers do not come: asked {1} times")
    @CsvSource({"0, 1", "1, 2"})
    void aQuestionIsAskedOnceMore(int lost, int times) {
        silent = lost;
        assertThat(http().get("/question", JsonNode.class).get("said").asString())
                .isEqualTo("yes");
        assertThat(asked).hasValue(times);
    }

    @Test
    void andNotWithoutEnd() {
        silent = 9;
        assertThatThrownBy(() -> http().get("/question", JsonNode.class))
                .isInstanceOf(UnreachableException.class)
                .hasMessageContaining("no answer to GET /question");
        assertThat(asked).hasValue(2);
    }

    @Test
    void whatChangesSomethingIsSaidOnce() {
        silent = 1;
        assertThat(http().post("/change", "{}", "key", node -> node)).isInstanceOf(Answer.Lost.class);
        assertThat(asked).hasValue(1);
    }

    @Test
    void whereNobodyListensNobodyIsAskedAgain() {
        Http http = http();
        stop();
        assertThatThrownBy(() -> http.get("/question", JsonNode.class)).isInstanceOf(UnreachableException.class);
        assertThat(asked).hasValue(0);
    }
}
