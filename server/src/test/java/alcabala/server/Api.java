package alcabala.server;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Speaks HTTP as a browser or a program would.
public final class Api {
    private static final JsonMapper JSON = new JsonMapper();
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(cookies)
            .version(HttpClient.Version.HTTP_1_1)
            .build();
    private final String address;
    private final Map<String, String> more = new HashMap<>();
    private String token;
    private boolean csrf = true;

    public record Response(int status, String body, Map<String, List<String>> headers) {
        public JsonNode json() {
            return JSON.readTree(body);
        }

        public String header(String name) {
            return headers.getOrDefault(name, List.of("")).getFirst();
        }
    }

    public Api(String address) {
        this.address = address;
    }

    public Api withToken(String given) {
        token = given;
        return this;
    }

    /// With one more header on every request.
    public Api with(String header, String value) {
        more.put(header, value);
        return this;
    }

    public Api withoutCsrf() {
        csrf = false;
        return this;
    }

    public Api signedIn(String person) {
        Response answer = signIn(person, person + "-corvane");
        if (answer.status() != 200) {
            throw new IllegalStateException("sign-in of " + person + ": " + answer);
        }
        return this;
    }

    public Response signIn(String person, String password) {
        get("/api/session/csrf");
        Response answer = post("/api/session", Map.of("signIn", person, "password", password));
        get("/api/session/csrf");
        return answer;
    }

    public boolean isUp() {
        try {
            return send(HttpRequest.newBuilder(URI.create(address + "/actuator/health/readiness"))
                                    .build())
                            .status()
                    == 200;
        } catch (IllegalStateException e) {
            return false;
        }
    }

    public Response get(String path) {
        try {
            return send(request(path).GET().build());
        } catch (IllegalStateException e) {
            return new Response(0, e.getMessage(), Map.of());
        }
    }

    public Response post(String path, Object body) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .build());
    }

    public Response put(String path, Object body) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .build());
    }

    public Response delete(String path) {
        return send(request(path).DELETE().build());
    }

    public Response xml(String path, byte[] body) {
        return send(request(path)
                .header("Content-Type", "application/xml")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body))
                .build());
    }

    /// Exactly this, and the first answer to it.
    public Response raw(String method, String path, String type, String body) {
        return sendOnce(request(path)
                .header("Content-Type", type)
                .method(method, HttpRequest.BodyPublishers.ofString(body))
                .build());
    }

    public Response form(String path, String form) {
        return send(request(path)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(form))
                .build());
    }

    public Response multipart(String path, Map<String, byte[]> files) {
        return multipart(path, null, files);
    }

    /// @param asked what goes beside them, as JSON; null for nothing
    public Response multipart(String path, Object asked, Map<String, byte[]> files) {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        if (asked != null) {
            body.writeBytes(
                    "--border\r\nContent-Disposition: form-data; name=\"asked\"\r\nContent-Type: application/json\r\n\r\n%s\r\n"
                            .formatted(JSON.writeValueAsString(asked))
                            .getBytes(StandardCharsets.UTF_8));
        }
        files.forEach((name, content) -> {
            body.writeBytes(
                    ("--border\r\nContent-Disposition: form-data; name=\"file\"; filename=\"%s\"\r\nContent-Type: application/octet-stream\r\n\r\n"
                                    .formatted(name))
                            .getBytes(StandardCharsets.UTF_8));
            body.writeBytes(content);
            body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
        });
        body.writeBytes("--border--\r\n".getBytes(StandardCharsets.UTF_8));
        return send(request(path)
                .header("Content-Type", "multipart/form-data; boundary=border")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()))
                .build());
    }

    /// What is told from now on, as it comes.
    public Heard listen() {
        try {
            HttpResponse<Stream<String>> answer =
                    client.send(request("/api/news").GET().build(), HttpResponse.BodyHandlers.ofLines());
            return new Heard(answer);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /// A stream of server-sent events.
    public static final class Heard implements AutoCloseable {
        private final List<String> told = new CopyOnWriteArrayList<>();
        private final HttpResponse<Stream<String>> answer;
        private volatile boolean ended;

        private Heard(HttpResponse<Stream<String>> answer) {
            this.answer = answer;
            Thread.ofVirtual().start(this::read);
        }

        private void read() {
            try {
                answer.body().filter(line -> line.startsWith("data: ")).forEach(line -> told.add(line.substring(6)));
            } catch (UncheckedIOException | IllegalStateException e) {
                // It was closed, from either side.
            } finally {
                ended = true;
            }
        }

        public int status() {
            return answer.statusCode();
        }

        public boolean hasEnded() {
            return ended;
        }

        public List<JsonNode> all() {
            return told.stream().map(JSON::readTree).toList();
        }

        /// What this person did; nobody for what goes by itself.
        public List<JsonNode> by(String who) {
            return all().stream()
                    .filter(each -> each.path("who").asString("").equals(who))
                    .toList();
        }

        public JsonNode await(String topic, String who) {
            return Await.value(
                    "news of " + topic + " by " + who,
                    () -> by(who).stream()
                            .filter(each -> each.get("topic").asString().equals(topic))
                            .findFirst()
                            .orElse(null));
        }

        @Override
        public void close() {
            answer.body().close();
        }
    }

    private HttpRequest.Builder request(String path) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path));
        more.forEach(request::header);
        if (token != null) {
            request.header("Authorization", "Bearer " + token);
        }
        if (csrf) {
            cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                    .findFirst()
                    .ifPresent(cookie -> request.header("X-XSRF-TOKEN", cookie.getValue()));
        }
        return request;
    }

    /// Work that goes on behind a request is followed to its end, as the screens do; what it comes to is the answer.
    private Response send(HttpRequest request) {
        Response answer = sendOnce(request);
        if (answer.status() != 202) {
            return answer;
        }
        long work = answer.json().get("id").asLong();
        JsonNode ended = Await.value("work " + work + " ends", () -> {
            JsonNode now = sendOnce(request("/api/work/" + work).GET().build()).json();
            return now.path("state").asString("").equals("running") ? null : now;
        });
        return ended.get("state").asString().equals("done")
                ? new Response(200, ended.get("result").toString(), answer.headers())
                : new Response(
                        ended.get("problem").get("status").asInt(),
                        ended.get("problem").toString(),
                        answer.headers());
    }

    private Response sendOnce(HttpRequest request) {
        try {
            HttpResponse<String> answer = client.send(request, HttpResponse.BodyHandlers.ofString());
            return new Response(
                    answer.statusCode(), answer.body(), answer.headers().map());
        } catch (IOException e) {
            throw new IllegalStateException(request.uri() + ": " + e, e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
