package alcabala.server.access;

import alcabala.server.platform.NotPossibleException;
import java.util.Optional;
import org.springframework.http.HttpStatus;

/// The only route that the present request may be about, when it came with a token for one route.
public final class RouteScope {
    private static final ThreadLocal<String> ONLY = new ThreadLocal<>();

    private RouteScope() {}

    static void limitTo(String route) {
        ONLY.set(route);
    }

    static void end() {
        ONLY.remove();
    }

    /// Its code; empty when there is no limit.
    public static Optional<String> find() {
        return Optional.ofNullable(ONLY.get());
    }

    /// @throws NotPossibleException when the request may not be about this route
    public static void require(String route) {
        if (ONLY.get() != null && !ONLY.get().equals(route)) {
            throw new NotPossibleException(
                    HttpStatus.FORBIDDEN, "token-other-route", "This access token is for another route.");
        }
    }
}
