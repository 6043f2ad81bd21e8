package alcabala.connectors.adapters;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/// Somebody at the other end of the wire who answers everything in one way, and remembers what was asked.
public final class Somebody implements AutoCloseable {
    private final HttpServer server;
    private final List<String> asked = new ArrayList<>();
    private volatile int status = 200;
    private volatile String body = "";

    public Somebody() {
        try {
            server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        server.createContext("/", exchange -> {
            asked.add(exchange.getRequestMethod() + " " + exchange.getRequestURI() + " "
                    + exchange.getRequestHeaders().getFirst("Authorization"));
            byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().add("Content-Type", "application/json");
            exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
            exchange.getResponseBody().write(bytes);
            exchange.close();
        });
        server.start();
    }

    public void answers(int with, String text) {
        status = with;
        body = text;
    }

    public String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    public List<String> asked() {
        return asked;
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
