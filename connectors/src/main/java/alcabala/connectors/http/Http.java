package alcabala.connectors.http;

import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.Kept;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.spi.Place;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpTimeoutException;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.web.util.DefaultUriBuilderFactory;
import org.springframework.web.util.UriBuilderFactory;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// JSON over HTTP with a bearer token. The token is never part of a message. One that is turned away is replaced once.
public final class Http {
    /// Numbers of absurd length are read, so that the record that has one can be set aside by itself.
    public static final JsonMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNumberLength(1_000_000)
                            .maxNestingDepth(100)
                            .build())
                    .enable(StreamReadFeature.USE_FAST_BIG_NUMBER_PARSER)
                    .build())
            .disable(tools.jackson.databind.DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(tools.jackson.databind.DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();
    private static final int TURNED_AWAY = 401;
    private static final int OTHER_TOKENS = 2;
    private static final int MEGABYTE = 1024 * 1024;
    /// Two thousand rows of reference data take one or two.
    private static final int LARGEST_PAGE = 32 * MEGABYTE;
    private static final int LARGEST_ANSWER = 4 * MEGABYTE;
    private static final Duration CONNECT = Duration.ofSeconds(3);
    /// A question changes nothing: when its answer does not arrive, it is asked once more, since all pages of a fetch
    /// would have to be asked for again otherwise. Where nobody listens, nobody is asked again.
    private static final RetryTemplate ASKING = new RetryTemplate(RetryPolicy.builder()
            .maxRetries(1)
            .delay(Duration.ofMillis(200))
            .includes(IOException.class)
            .excludes(InterruptedIOException.class)
            .predicate(e -> !isRefusedConnection(e))
            .build());
    private final String system;
    private final Access access;
    private final HttpClient client;
    private final UriBuilderFactory addresses;
    private final Duration patience;
    private final Runnable gate;

    /// @param path below the place's address, such as `/api`
    public Http(String system, Place place, String path, Access access) {
        this.system = system;
        gate = () -> place.gate().pass(URI.create(place.address()));
        this.access = access;
        client = HttpClient.newBuilder()
                .connectTimeout(CONNECT)
                .version(HttpClient.Version.HTTP_1_1)
                .followRedirects(HttpClient.Redirect.NEVER)
                .build();
        addresses = new DefaultUriBuilderFactory(place.address() + path);
        patience = place.patience();
    }

    public <T> T get(String path, Class<T> type, Object... variables) {
        return find(path, type, variables)
                .orElseThrow(() -> new UnreachableException(system, "there is nothing at " + path, null));
    }

    /// Empty for 404, unless it comes with a page: that is of whoever stands between, and says nothing of the record.
    public <T> Optional<T> find(String path, Class<T> type, Object... variables) {
        Reply reply = asked(path, addresses.expand(path, variables));
        if (reply.status() == 404 && !reply.body().stripLeading().startsWith("<")) {
            return Optional.empty();
        }
        if (!reply.isSuccess()) {
            throw new UnreachableException(
                    system, "answered " + reply.status() + " to GET " + path + said(reply), null);
        }
        if (reply.tooLarge()) {
            throw new UnreachableException(
                    system, "answered more than " + LARGEST_PAGE / MEGABYTE + " MB to GET " + path, null);
        }
        try {
            return Optional.of(Optional.ofNullable(JSON.readValue(reply.body(), type))
                    .filter(read -> !(read instanceof JsonNode node && (node.isMissingNode() || node.isNull())))
                    .orElseThrow(() -> new UnreachableException(system, "answered nothing to GET " + path, null)));
        } catch (JacksonException e) {
            throw new UnreachableException(system, "answered what cannot be read to GET " + path + said(reply), e);
        }
    }

    private Reply asked(String path, URI to) {
        try {
            return ASKING.execute(() -> letIn(HttpRequest.newBuilder(to), LARGEST_PAGE));
        } catch (RetryException e) {
            if (e.getCause() instanceof RuntimeException said) {
                throw said;
            }
            throw new UnreachableException(system, "no answer to GET " + path, e.getCause());
        }
    }

    private static String said(Reply reply) {
        return reply.body().isBlank() ? "" : ": " + Kept.quoted(reply.body());
    }

    /// 2xx with what was asked for is accepted, 429 and 503 mean later, 4xx with words refused; anything else leaves it
    /// open whether it was done.
    public <T> Answer<T> post(String path, String body, String key, Function<JsonNode, T> reader, Object... variables) {
        return change("POST", addresses.expand(path, variables), body, key, reader);
    }

    /// Answers as [#post] does.
    public <T> Answer<T> put(String path, String body, String key, Function<JsonNode, T> reader, Object... variables) {
        return change("PUT", addresses.expand(path, variables), body, key, reader);
    }

    private <T> Answer<T> change(String method, URI to, String body, String key, Function<JsonNode, T> reader) {
        HttpRequest.Builder request = HttpRequest.newBuilder(to)
                .method(method, HttpRequest.BodyPublishers.ofString(body))
                .header("Content-Type", "application/json");
        if (key != null) {
            request.header("Idempotency-Key", key);
        }
        Reply reply;
        try {
            reply = letIn(request, LARGEST_ANSWER);
        } catch (IOException e) {
            return isRefusedConnection(e)
                    ? new Answer.Later<>(0, Duration.ofSeconds(2), "no connection")
                    : new Answer.Lost<>("the answer did not arrive");
        }
        return classify(reply, reader);
    }

    /// What an outside system gave us as a token, or a person as a key, may hold what no header can carry.
    private String sendable(String token) {
        if (token.chars().anyMatch(sign -> sign < ' ' || sign > '~')) {
            throw new AccessLostException(system, "cannot have given a key like this, which no request can carry");
        }
        return token;
    }

    /// A request that is turned away at the door was not worked on, so it may go again with another token: with one
    /// that
    /// somebody else had renewed meanwhile, and when that is not good any more either, with one renewed for it.
    private Reply letIn(HttpRequest.Builder request, int most) throws IOException {
        gate.run();
        String token = sendable(access.token());
        Reply reply = send(request, token, most);
        for (int others = 0; others < OTHER_TOKENS && reply.status() == TURNED_AWAY; others++) {
            Optional<String> another = access.tokenAfter(token);
            if (another.isEmpty()) {
                break;
            }
            token = sendable(another.get());
            reply = send(request, token, most);
        }
        if (reply.status() == TURNED_AWAY) {
            throw new AccessLostException(system, "does not let us in");
        }
        return reply;
    }

    /// All of the answer has to arrive in time, not its beginning alone.
    private Reply send(HttpRequest.Builder request, String token, int most) throws IOException {
        CompletableFuture<HttpResponse<Limited.Body>> answer = client.sendAsync(
                request.setHeader("Authorization", "Bearer " + token).build(), head -> new Limited(most));
        try {
            return Reply.of(answer.get(patience.toMillis(), TimeUnit.MILLISECONDS));
        } catch (TimeoutException e) {
            answer.cancel(true);
            throw new HttpTimeoutException("no answer within " + patience);
        } catch (InterruptedException e) {
            answer.cancel(true);
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("interrupted while waiting for an answer");
        } catch (ExecutionException e) {
            throw e.getCause() instanceof IOException failure ? failure : new IOException(e.getCause());
        }
    }

    private static <T> Answer<T> classify(Reply reply, Function<JsonNode, T> reader) {
        int status = reply.status();
        if (status == 429 || status == 503) {
            return new Answer.Later<>(status, pause(reply), status == 429 ? "request limit" : "unavailable");
        }
        String raw = Kept.text(reply.body());
        if (reply.tooLarge()) {
            return new Answer.Lost<>(status, "answered more than " + LARGEST_ANSWER / MEGABYTE + " MB", raw);
        }
        Optional<JsonNode> read = readObject(reply.body());
        if (reply.isRefusal() && read.isPresent()) {
            String sentence = read.get().path("sentence").asString(reply.body());
            return new Answer.Refused<>(
                    status, Kept.quoted(read.get().path("code").asString("refused")), Kept.quoted(sentence), raw);
        }
        if (reply.isSuccess() && read.isPresent()) {
            return accepted(read.get(), status, raw, reader);
        }
        String what = reply.isSuccess() ? "answered what cannot be read" : "answered " + status;
        return new Answer.Lost<>(status, what + said(reply), raw);
    }

    private static <T> Answer<T> accepted(JsonNode node, int status, String raw, Function<JsonNode, T> reader) {
        try {
            return new Answer.Accepted<>(reader.apply(node), status, raw);
        } catch (RuntimeException e) {
            // Whatever a reader stumbles over, it was the ledger that said it.
            return new Answer.Lost<>(status, "answered what cannot be understood: " + Kept.quoted(raw), raw);
        }
    }

    private static Optional<JsonNode> readObject(String body) {
        try {
            return Optional.of(JSON.readTree(body)).filter(node -> node.isObject() || node.isArray());
        } catch (JacksonException e) {
            return Optional.empty();
        }
    }

    private static Duration pause(Reply reply) {
        String header = reply.headers().firstValue("Retry-After").orElse("");
        return Duration.ofSeconds(header.matches("\\d{1,4}") ? Long.parseLong(header) : 1);
    }

    private static boolean isRefusedConnection(Throwable e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof java.net.ConnectException) {
                return true;
            }
        }
        return false;
    }
}
