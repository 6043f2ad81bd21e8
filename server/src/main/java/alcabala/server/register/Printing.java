package alcabala.server.register;

import alcabala.server.route.RouteRow;
import java.time.LocalDate;
import java.util.List;

/// Prints what crossed, for whoever hands it on.
public interface Printing {
    /// As PDF, as whoever is signed in writes figures and days.
    Printed batch(RouteRow route, long batch, String who);

    /// All that came to stand on the ledger from one day to another.
    Printed period(RouteRow route, LocalDate from, LocalDate to, Medium as, String who);

    /// As which a period is mailed: to be read, and to be worked with.
    List<Medium> MAILED = List.of(Medium.PDF, Medium.XLSX);

    /// How the file of a period is called, without its ending.
    static String nameOf(RouteRow route, LocalDate from, LocalDate to) {
        return "sent-" + route.code() + "-" + from + "-" + to;
    }
}
