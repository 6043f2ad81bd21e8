package alcabala.server;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// Whoever owns the books on Inkwell, in a browser: signs in, and lets Alcabala in or keeps it out.
public final class InkwellOwner {
    private final HttpClient client = HttpClient.newBuilder()
            .cookieHandler(new CookieManager())
            .version(HttpClient.Version.HTTP_1_1)
            .build();
    private final String address;

    public InkwellOwner(String address) {
        this.address = address;
        form("/inkwell/sign-in", "username=office&password=office-inkwell");
    }

    /// @param asking the address that Alcabala sent the person to
    /// @return what Inkwell sends her back with: `code` and `state`, or `error`
    public Map<String, String> letIn(String asking) {
        return decide(asking, "&scope=books.read&scope=books.write");
    }

    public Map<String, String> keepOut(String asking) {
        return decide(asking, "");
    }

    private Map<String, String> decide(String asking, String scopes) {
        Map<String, String> page = query(location(send(HttpRequest.newBuilder(URI.create(asking)))));
        return query(location(form(
                "/inkwell/oauth/authorize",
                "client_id=alcabala&state=" + URLEncoder.encode(page.get("state"), StandardCharsets.UTF_8) + scopes)));
    }

    /// `revoke`, `end-access` or `end-soon`, for the newest consent or for all.
    public void onDesk(String what) {
        Matcher form = Pattern.compile("/inkwell/consents/[^/\"]+/" + what)
                .matcher(send(HttpRequest.newBuilder(URI.create(address + "/inkwell/consents")))
                        .body());
        boolean found = false;
        while (form.find()) {
            found = true;
            form(form.group(), "");
        }
        if (!found) {
            throw new IllegalStateException("there is no consent on the desk");
        }
    }

    private HttpResponse<String> form(String path, String body) {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    private HttpResponse<String> send(HttpRequest.Builder request) {
        try {
            return client.send(request.build(), HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private static String location(HttpResponse<String> answer) {
        return answer.headers()
                .firstValue("Location")
                .orElseThrow(() -> new IllegalStateException(answer.statusCode() + " " + answer.body()));
    }

    private static Map<String, String> query(String location) {
        return Stream.of(URI.create(location).getRawQuery().split("&"))
                .map(pair -> pair.split("=", 2))
                .collect(Collectors.toMap(
                        pair -> pair[0], pair -> URLDecoder.decode(pair[1], StandardCharsets.UTF_8), (a, b) -> a));
    }
}
