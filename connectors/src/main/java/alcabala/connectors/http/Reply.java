package alcabala.connectors.http;

import java.net.http.HttpHeaders;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;

/// What came back, read up to a size.
///
/// @param body as far as it was read
/// @param tooLarge whether it was cut off, since it did not end in time
public record Reply(int status, HttpHeaders headers, String body, boolean tooLarge) {
    static Reply of(HttpResponse<Limited.Body> response) {
        Limited.Body body = response.body();
        String text = new String(body.bytes(), StandardCharsets.UTF_8);
        return new Reply(response.statusCode(), response.headers(), text, body.tooLarge());
    }

    boolean isSuccess() {
        return status == 200 || status == 201;
    }

    boolean isRefusal() {
        return status >= 400 && status < 500;
    }
}
