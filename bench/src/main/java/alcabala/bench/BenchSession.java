package alcabala.bench;

import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import tools.jackson.databind.json.JsonMapper;

/// Signs in as a person does and gets an access token.
final class BenchSession {
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private final String address;

    private BenchSession(String address) {
        this.address = address;
    }

    static String token(String address, String signIn, String password) {
        BenchSession session = new BenchSession(address);
        session.ask(HttpRequest.newBuilder(session.at("/csrf")));
        session.ask(HttpRequest.newBuilder(session.at(""))
                .header("Content-Type", "application/json")
                .header("X-XSRF-TOKEN", session.csrf())
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"signIn\":\"%s\",\"password\":\"%s\"}".formatted(signIn, password))));
        session.ask(HttpRequest.newBuilder(session.at("/csrf")));
        String answer = session.ask(HttpRequest.newBuilder(session.at("/tokens"))
                .header("X-XSRF-TOKEN", session.csrf())
                .POST(HttpRequest.BodyPublishers.noBody()));
        return new JsonMapper().readTree(answer).get("token").asString();
    }

    private URI at(String path) {
        return URI.create(address + "/api/session" + path);
    }

    private String csrf() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    private String ask(HttpRequest.Builder request) {
        return Ask.answer(client, request.build());
    }
}
