package alcabala.connectors.http;

import alcabala.connectors.Access;
import alcabala.connectors.AccessLostException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import java.net.http.HttpClient;
import java.time.Duration;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.web.client.ResourceAccessException;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// JSON over HTTP with a bearer token. The token is never part of a message. One that is turned away is replaced once.
final class Http {
    static final JsonMapper JSON = JsonMapper.builder()
            .disable(tools.jackson.databind.DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(tools.jackson.databind.DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();
    private static final int TURNED_AWAY = 401;
    private static final String AUTHORIZATION = "Authorization";
    private static final String BEARER = "Bearer ";
    private static final Duration CONNECT = Duration.ofSeconds(3);
    private final String system;
    private final Access access;
    private final RestClient client;

    Http(String system, String address, Access access, Duration patience) {
        this.system = system;
        this.access = access;
        JdkClientHttpRequestFactory factory = new JdkClientHttpRequestFactory(HttpClient.newBuilder()
                .connectTimeout(CONNECT)
                .version(HttpClient.Version.HTTP_1_1)
                .build());
        factory.setReadTimeout(patience);
        client = RestClient.builder()
                .baseUrl(address)
                .requestFactory(factory)
                .defaultStatusHandler(status -> true, (request, response) -> {})
                .build();
    }

    <T> T get(String path, Class<T> type, Object... variables) {
        return find(path, type, variables)
                .orElseThrow(() -> new UnreachableException(system, "there is nothing at " + path, null));
    }

    /// Empty for 404.
    <T> Optional<T> find(String path, Class<T> type, Object... variables) {
        ResponseEntity<String> answer;
        try {
            answer = letIn(token -> client.get()
                    .uri(path, variables)
                    .header(AUTHORIZATION, BEARER + token)
                    .retrieve()
                    .toEntity(String.class));
        } catch (RestClientException e) {
            throw new UnreachableException(system, "no answer to GET " + path, e);
        }
        int status = answer.getStatusCode().value();
        if (status == 404) {
            return Optional.empty();
        }
        if (status != 200 && status != 201) {
            throw new UnreachableException(system, "answered " + status + " to GET " + path, null);
        }
        try {
            return Optional.of(JSON.readValue(answer.getBody(), type));
        } catch (JacksonException e) {
            throw new UnreachableException(system, "answered what cannot be read to GET " + path, e);
        }
    }

    /// 2xx is accepted, 429 and 503 mean later, other 4xx refused; anything else leaves it open whether it was done.
    <T> Answer<T> post(String path, String body, String key, Function<JsonNode, T> reader) {
        return change(() -> client.post().uri(path), body, key, reader);
    }

    /// Answers as [#post] does.
    <T> Answer<T> put(String path, String body, String key, Function<JsonNode, T> reader, Object... variables) {
        return change(() -> client.put().uri(path, variables), body, key, reader);
    }

    private <T> Answer<T> change(
            Supplier<RestClient.RequestBodySpec> to, String body, String key, Function<JsonNode, T> reader) {
        ResponseEntity<String> answer;
        try {
            answer = letIn(token -> {
                RestClient.RequestBodySpec request =
                        to.get().header(AUTHORIZATION, BEARER + token).contentType(MediaType.APPLICATION_JSON);
                if (key != null) {
                    request.header("Idempotency-Key", key);
                }
                return request.body(body).retrieve().toEntity(String.class);
            });
        } catch (ResourceAccessException e) {
            return isRefusedConnection(e)
                    ? new Answer.Later<>(0, Duration.ofSeconds(2), "no connection")
                    : new Answer.Lost<>("the answer did not arrive");
        } catch (RestClientException e) {
            return new Answer.Lost<>("the answer could not be read");
        }
        return classify(answer, reader);
    }

    /// A request that is turned away at the door was not worked on, so it may go again with another token.
    private ResponseEntity<String> letIn(Function<String, ResponseEntity<String>> request) {
        String token = access.token();
        ResponseEntity<String> answer = request.apply(token);
        if (answer.getStatusCode().value() != TURNED_AWAY) {
            return answer;
        }
        Optional<String> another = access.tokenAfter(token);
        answer = another.isPresent() ? request.apply(another.get()) : answer;
        if (answer.getStatusCode().value() == TURNED_AWAY) {
            throw new AccessLostException(system, "does not let us in");
        }
        return answer;
    }

    private static <T> Answer<T> classify(ResponseEntity<String> answer, Function<JsonNode, T> reader) {
        int status = answer.getStatusCode().value();
        String raw = answer.getBody() == null ? "" : answer.getBody();
        if (status == 429 || status == 503) {
            return new Answer.Later<>(status, pause(answer), status == 429 ? "request limit" : "unavailable");
        }
        try {
            if (answer.getStatusCode().is2xxSuccessful()) {
                return new Answer.Accepted<>(reader.apply(JSON.readTree(raw)), status, raw);
            }
            if (answer.getStatusCode().is4xxClientError()) {
                JsonNode node = JSON.readTree(raw);
                return new Answer.Refused<>(
                        status,
                        node.path("code").asString("refused"),
                        node.path("sentence").asString(raw),
                        raw);
            }
        } catch (JacksonException e) {
            return new Answer.Lost<>("the answer could not be read");
        }
        return new Answer.Lost<>("answered " + status);
    }

    private static Duration pause(ResponseEntity<String> answer) {
        String header = answer.getHeaders().getFirst("Retry-After");
        return Duration.ofSeconds(header != null && header.matches("\\d{1,4}") ? Long.parseLong(header) : 1);
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
