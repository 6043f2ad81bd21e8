package alcabala.connectors.http;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpHeaders;
import org.springframework.http.client.ClientHttpResponse;

/// What came back, read up to a size.
///
/// @param body as far as it was read
/// @param tooLarge whether it was cut off, since it did not end in time
public record Reply(int status, HttpHeaders headers, String body, boolean tooLarge) {
    /// @param most how many bytes are read at most
    static Reply read(ClientHttpResponse response, int most) throws IOException {
        byte[] bytes = response.getBody().readNBytes(most + 1);
        boolean tooLarge = bytes.length > most;
        String body = new String(bytes, 0, Math.min(bytes.length, most), StandardCharsets.UTF_8);
        return new Reply(response.getStatusCode().value(), response.getHeaders(), body, tooLarge);
    }

    boolean isSuccess() {
        return status == 200 || status == 201;
    }

    boolean isRefusal() {
        return status >= 400 && status < 500;
    }
}
