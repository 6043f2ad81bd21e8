package alcabala.server.demo;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;

/// Whoever owns the books on Inkwell, as she would do it in her browser: signs in, and lets Alcabala in or keeps it
/// out.
public final class InkwellOwner {
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .version(HttpClient.Version.HTTP_1_1)
            .build();
    private final String address;

    /// @param address of the stand-ins
    /// @throws IllegalStateException when nobody answers there
    public InkwellOwner(String address) {
        this.address = address;
        form("/inkwell/sign-in", "username=office&password=office-inkwell");
    }

    /// @param asking the address that Alcabala sent the person to
    /// @return what Inkwell sends her back with: `code` and `state`
    public Map<String, String> letIn(String asking) {
        return decide(asking, "&scope=books.read&scope=books.write");
    }

    /// @return what Inkwell sends her back with: `error` and `state`
    public Map<String, String> keepOut(String asking) {
        return decide(asking, "");
    }

    private Map<String, String> decide(String asking, String scopes) {
        Map<String, String> page = query(location(send(HttpRequest.newBuilder(URI.create(asking)))));
        String state = UriUtils.encodeQueryParam(page.get("state"), "UTF-8").replace("+", "%2B");
        return query(location(
                form("/inkwell/oauth/authorize", "client_id=" + page.get("client_id") + "&state=" + state + scopes)));
    }

    /// A page of hers.
    public String page(String path) {
        return send(HttpRequest.newBuilder(URI.create(address + path))).body();
    }

    /// Sends a form of hers.
    public HttpResponse<String> form(String path, String body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    private HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new IllegalStateException("Inkwell does not answer", e);
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
        Map<String, String> encoded = UriComponentsBuilder.fromUriString(address)
                .build()
                .getQueryParams()
                .toSingleValueMap();
        encoded.replaceAll((name, value) -> value == null ? "" : UriUtils.decode(value, "UTF-8"));
        return encoded;
    }
}
