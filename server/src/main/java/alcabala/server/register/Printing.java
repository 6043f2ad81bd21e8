package alcabala.server.register;

import alcabala.server.route.RouteRow;

/// Prints what crossed, for whoever hands it on.
public interface Printing {
    /// As PDF, as whoever is signed in writes figures and days.
    Printed batch(RouteRow route, long batch, String who);
}
