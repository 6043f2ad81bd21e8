package alcabala.server.door;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.server.Api;
import alcabala.server.World;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// Bodies that are too large, and clients that take their time.
class SlowAndHugeTest {
    /// Longer than waited for outside: the pages in between shall come first however slow the machine is.
    private static final String WAITED_FOR = "--server.tomcat.connection-timeout=15s";

    private static final int KILOBYTE = 1024;
    private static World world;

    @BeforeAll
    static void start() {
        world = World.inProcess(WAITED_FOR);
    }

    @AfterAll
    static void stop() {
        world.close();
    }

    @Test
    void twoHundredAndThirtySlowSignInsStopNoPage() throws IOException {
        List<Socket> slow = new ArrayList<>();
        try {
            for (int i = 0; i < 230; i++) {
                slow.add(openSignIn());
            }
            assertThat(new Api(world.address()).get("/sign-in").status()).isEqualTo(200);
            assertThat(world.api("ferro").get("/api/documents?route=yard").status())
                    .isEqualTo(200);
            // Those that came first may be given up by now: to open them all can take longer than one is waited for.
            assertThat(slow.getLast().getInputStream().available())
                    .as("while others are still waited for")
                    .isZero();
            assertThat(answer(slow.getFirst()))
                    .as("and none of them is waited for")
                    .contains(" 4");
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
    }

    /// Says that 100 bytes come, and sends one.
    private static Socket openSignIn() throws IOException {
        Socket socket = connect();
        String token = "22222222-2222-2222-2222-222222222222";
        socket.getOutputStream()
                .write(
                        ("POST /api/session HTTP/1.1\r\nHost: here\r\nContent-Type: application/json\r\nContent-Length: 100\r\n"
                                        + "Cookie: XSRF-TOKEN=" + token + "\r\nX-XSRF-TOKEN: " + token + "\r\n\r\n{")
                                .getBytes(US_ASCII));
        return socket;
    }

    private static Socket connect() throws IOException {
        Socket socket = new Socket("127.0.0.1", URI.create(world.address()).getPort());
        socket.setSoTimeout(40_000);
        return socket;
    }

    /// The first line of what is answered; empty when the connection was closed without.
    private static String answer(Socket socket) throws IOException {
        byte[] line = socket.getInputStream().readNBytes(12);
        return line.length == 0 ? " 4" : new String(line, US_ASCII);
    }

    @Test
    void aHundredMegabytesFromNobodyAreNotRead() throws IOException {
        try (Socket socket = connect()) {
            String token = "22222222-2222-2222-2222-222222222222";
            socket.getOutputStream()
                    .write(
                            ("POST /api/session HTTP/1.1\r\nHost: here\r\nContent-Type: application/json\r\nTransfer-Encoding: chunked\r\n"
                                            + "Cookie: XSRF-TOKEN=" + token + "\r\nX-XSRF-TOKEN: " + token + "\r\n\r\n")
                                    .getBytes(US_ASCII));
            long sent = pour(socket);
            assertThat(sent).as("bytes before it was cut off").isLessThan(20L * KILOBYTE * KILOBYTE);
        }
    }

    private static long pour(Socket socket) {
        byte[] chunk = new byte[64 * KILOBYTE];
        Arrays.fill(chunk, (byte) '[');
        long sent = 0;
        try {
            while (sent < 100L * KILOBYTE * KILOBYTE) {
                socket.getOutputStream().write("10000\r\n".getBytes(US_ASCII));
                socket.getOutputStream().write(chunk);
                socket.getOutputStream().write("\r\n".getBytes(US_ASCII));
                sent += chunk.length;
            }
        } catch (IOException cutOff) {
            return sent;
        }
        return sent;
    }

    @Test
    void aStrangerHasSixtyFourKilobytesAndWhoIsSignedInAMegabyte() {
        Api stranger = new Api(world.address());
        stranger.get("/api/session/csrf");
        assertThat(stranger.post("/api/session", padded(64 * KILOBYTE)).status())
                .isEqualTo(400);
        assertThat(stranger.post("/api/session", padded(64 * KILOBYTE + 1)).status())
                .isEqualTo(413);
        Api ferro = world.api("ferro");
        assertThat(ferro.put("/api/map/row", padded(1024 * KILOBYTE)).status()).isEqualTo(400);
        Api.Response over = ferro.put("/api/map/row", padded(1024 * KILOBYTE + 1));
        assertThat(over.status()).isEqualTo(413);
        assertThat(over.header("content-type")).startsWith("application/problem+json");
        assertThat(over.json().get("code").asString()).isEqualTo("too-large");
    }

    /// Of exactly so many bytes.
    private static Map<String, String> padded(int bytes) {
        int around = "{\"signIn\":\"\"}".length();
        return Map.of("signIn", "x".repeat(bytes - around));
    }
}
