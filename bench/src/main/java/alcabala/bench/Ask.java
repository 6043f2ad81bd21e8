package alcabala.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;

/// One request and its answer; anything but a yes ends the benchmark.
final class Ask {
    private Ask() {}

    static String answer(HttpClient client, HttpRequest request) {
        HttpResponse<String> answer = send(client, request);
        if (answer.statusCode() >= 300) {
            throw new IllegalStateException(request.uri() + ": " + answer.statusCode() + " " + answer.body());
        }
        return answer.body();
    }

    /// Whatever it says.
    static HttpResponse<String> send(HttpClient client, HttpRequest request) {
        try {
            return client.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
