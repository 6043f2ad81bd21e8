package alcabala.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/// The demo as its users start it, by the command, on ports of its own and from new data.
final class Demo implements AutoCloseable {
    private static final Path ROOT = root();
    private static final Path RUN = ROOT.resolve(".run/e2e");
    private final String address;
    private final String desks;
    private final boolean own;
    private String firstSecret = "";
    private static boolean handedOn;

    static {
        Runtime.getRuntime().addShutdownHook(new Thread(() -> {
            if (handedOn) {
                say(Map.of(), "stop");
            }
        }));
    }

    private Demo(String address, String desks, boolean own) {
        this.address = address;
        this.desks = desks;
        this.own = own;
    }

    /// With the outside world as ever, and nothing in Alcabala yet.
    static Demo startEmpty() {
        handedOn = false;
        command("stop");
        String said = command("demo", "--detach", "--empty");
        Demo demo = new Demo("http://127.0.0.1:8580", "http://127.0.0.1:8590", true);
        demo.firstSecret = said.replaceFirst("(?s).*asked for this secret: (\\S+).*", "$1");
        return demo;
    }

    /// A running demo may be lent by ALCABALA_E2E_URL and ALCABALA_E2E_DESKS while one works on a screen.
    static Demo start() {
        String lent = System.getenv("ALCABALA_E2E_URL");
        if (lent != null) {
            return new Demo(lent, System.getenv("ALCABALA_E2E_DESKS"), false);
        }
        if (handedOn) {
            handedOn = false;
        } else {
            command("stop");
            command("demo", "--detach", "--fresh");
        }
        return new Demo("http://127.0.0.1:8580", "http://127.0.0.1:8590", true);
    }

    /// Leaves it running for the next journey, since this one has changed nothing in it.
    void handOn() {
        handedOn = own;
    }

    /// What the start command printed for the first administrator.
    String firstSecret() {
        return firstSecret;
    }

    String address() {
        return address;
    }

    String desks() {
        return desks;
    }

    Path files() {
        return own ? RUN.resolve("demo-files") : ROOT.resolve(".run/demo-files");
    }

    /// What somebody does at a desk outside Alcabala.
    void atDesk(String path, Map<String, String> form) {
        StringBuilder body = new StringBuilder();
        form.forEach((name, value) -> body.append(body.isEmpty() ? "" : "&")
                .append(name)
                .append('=')
                .append(java.net.URLEncoder.encode(value, java.nio.charset.StandardCharsets.UTF_8)));
        HttpResponse<String> answer = send(HttpRequest.newBuilder(URI.create(desks + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body.toString()))
                .build());
        if (answer.statusCode() >= 400) {
            throw new IllegalStateException(path + " answered " + answer.statusCode() + " " + answer.body());
        }
    }

    String read(String url) {
        return send(HttpRequest.newBuilder(URI.create(url)).build()).body();
    }

    /// What a part of the demo has logged.
    String log(String part) {
        try {
            return Files.readString(RUN.resolve(part + ".log"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        if (own && !handedOn) {
            command("stop");
        }
    }

    private static HttpResponse<String> send(HttpRequest request) {
        try (HttpClient client = HttpClient.newHttpClient()) {
            return client.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /// What the command said and its exit code.
    record Said(int code, String text) {}

    private static String command(String... words) {
        Said said = say(Map.of(), words);
        if (said.code() != 0) {
            throw new IllegalStateException(String.join(" ", words) + ": " + said.text());
        }
        return said.text();
    }

    static Said say(Map<String, String> environment, String... words) {
        List<String> whole = new ArrayList<>(List.of(words));
        whole.addFirst(ROOT.resolve("alcabala").toString());
        ProcessBuilder builder = new ProcessBuilder(whole).redirectErrorStream(true);
        builder.environment()
                .putAll(Map.of(
                        "ALCABALA_RUN", RUN.toString(),
                        "ALCABALA_PORT", "8580",
                        "ALCABALA_STANDINS_PORT", "8590",
                        "ALCABALA_DB_PORT", "54480",
                        "ALCABALA_BUILT", "yes",
                        // Started seldom and for seconds, a program is not worth compiling well or training.
                        "ALCABALA_UNTRAINED", "yes",
                        "JAVA_TOOL_OPTIONS", "-XX:TieredStopAtLevel=1"));
        builder.environment().putAll(environment);
        try {
            Path log = Files.createDirectories(RUN).resolve("command.log");
            int code = builder.redirectOutput(log.toFile()).start().waitFor();
            return new Said(code, Files.readString(log));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static Path root() {
        Path path = Path.of("").toAbsolutePath();
        while (!Files.exists(path.resolve("alcabala"))) {
            path = path.getParent();
        }
        return path;
    }
}
