package alcabala.server.access;

import java.util.List;
import java.util.stream.Stream;
import org.springframework.http.server.PathContainer;
import org.springframework.web.util.pattern.PathPattern;
import org.springframework.web.util.pattern.PathPatternParser;

/// What an access token may be used for. Whatever it may, it may not do more than who made it, and never sees to
/// people, sessions or tokens.
public enum Purpose {
    /// Asks, and changes nothing.
    READ("GET /api/**", "GET /actuator/prometheus"),
    /// Takes documents in.
    INTAKE("POST /api/intake"),
    /// Fetches, approves and sends, and follows what it began.
    SEND(
            "POST /api/pull/**",
            "POST /api/documents/approval",
            "POST /api/documents/*/settlement",
            "POST /api/batches/**",
            "GET /api/batches/**",
            "GET /api/work/*"),
    /// Everything else: maps, decides, connects; and follows what it began.
    CHANGE("PUT /api/**", "DELETE /api/**", "POST /api/**", "GET /api/work/*") {
        @Override
        boolean covers(String method, String path) {
            boolean reads = method.equals("GET");
            return super.covers(method, path) && (reads || !INTAKE.covers(method, path) && !SEND.covers(method, path));
        }
    };

    private static final List<Allowed> NEVER = Stream.concat(
                    Stream.of("PUT", "POST", "DELETE", "GET")
                            .flatMap(method -> Stream.of("/api/people/**", "/api/session/*/**", "/api/first")
                                    .map(path -> method + " " + path)),
                    Stream.of("POST /api/session", "DELETE /api/session"))
            .map(Allowed::of)
            .toList();
    private final List<Allowed> allowed;

    private record Allowed(String method, PathPattern path) {
        static Allowed of(String said) {
            String[] part = said.split(" ");
            return new Allowed(part[0], PathPatternParser.defaultInstance.parse(part[1]));
        }

        boolean covers(String asked, PathContainer path) {
            return method.equals(asked) && this.path.matches(path);
        }
    }

    Purpose(String... allowed) {
        this.allowed = Stream.of(allowed).map(Allowed::of).toList();
    }

    /// @param path without the context, as it was sent
    boolean covers(String method, String path) {
        PathContainer container = PathContainer.parsePath(path);
        return allowed.stream().anyMatch(each -> each.covers(method, container))
                && NEVER.stream().noneMatch(each -> each.covers(method, container));
    }
}
