package alcabala.server.demo;

import alcabala.server.connect.ConsentRequests;
import alcabala.server.platform.Settings;
import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriComponentsBuilder;

/// Does what the owner of the books would do in the browser: signs in at Inkwell and lets Alcabala in.
@Component
@ConditionalOnProperty("alcabala.demo")
class DemoConsent {
    private static final String DEMO = "demo";
    private final ConsentRequests requests;
    private final Settings settings;
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .version(HttpClient.Version.HTTP_1_1)
            .build();

    DemoConsent(ConsentRequests requests, Settings settings) {
        this.requests = requests;
        this.settings = settings;
    }

    /// A consent that waits for its company.
    ConsentRequests.Pending give() {
        awaitStandIns();
        form("/inkwell/sign-in", "username=office&password=office-inkwell");
        String asking = requests.ask(DEMO, null);
        Map<String, String> page = query(location(send(HttpRequest.newBuilder(URI.create(asking)))));
        String agreed = form(
                "/inkwell/oauth/authorize",
                "client_id=" + encode(page.get("client_id")) + "&state=" + encode(page.get("state"))
                        + "&scope=books.read&scope=books.write");
        Map<String, String> back = query(agreed);
        requests.given(DEMO, back.get("state"), back.get("code"));
        return requests.get(DEMO, back.get("state"));
    }

    /// The stand-ins start at the same time as the server.
    private void awaitStandIns() {
        RetryTemplate patience = new RetryTemplate(RetryPolicy.builder()
                .includes(IllegalStateException.class)
                .maxRetries(200)
                .delay(Duration.ofMillis(300))
                .build());
        try {
            patience.execute(() -> send(HttpRequest.newBuilder(URI.create(settings.standins() + "/inkwell/sign-in"))));
        } catch (RetryException e) {
            throw new IllegalStateException("the stand-ins did not come up", e);
        }
    }

    private String form(String path, String body) {
        return location(send(HttpRequest.newBuilder(URI.create(settings.standins() + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body))));
    }

    private HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new IllegalStateException("the stand-ins do not answer", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static String location(HttpResponse<String> answer) {
        return answer.headers()
                .firstValue("Location")
                .orElseThrow(() -> new IllegalStateException("Inkwell led nowhere: " + answer.statusCode()));
    }

    private static Map<String, String> query(String address) {
        return UriComponentsBuilder.fromUriString(address)
                .build()
                .getQueryParams()
                .toSingleValueMap()
                .entrySet()
                .stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        each -> java.net.URLDecoder.decode(each.getValue(), StandardCharsets.UTF_8),
                        (a, b) -> a,
                        LinkedHashMap::new));
    }

    private static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
