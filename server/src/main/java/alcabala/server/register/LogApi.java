package alcabala.server.register;

import alcabala.accounting.record.RecordKind;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Writing;
import alcabala.server.register.CrossingLog.After;
import alcabala.server.register.CrossingLog.Entry;
import alcabala.server.register.CrossingLog.Narrowed;
import alcabala.server.register.CrossingLog.Way;
import alcabala.server.route.Routes;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// What crossed on a route, either way.
@RestController
@RequestMapping("/api/log")
class LogApi {
    private static final int LARGEST_PAGE = 500;
    private final Routes routes;
    private final CrossingLog log;

    /// @param documentId null for a party
    /// @param kind of record, or `party`
    /// @param number of a party its code
    /// @param date null for a party
    /// @param gross empty for a party, as is its currency
    /// @param action `created`, `changed`, `taken-back`, or what was told
    /// @param outcome as a dispatch has it, or `told`
    /// @param batch null for news
    record LogEntry(
            String name,
            Instant at,
            Way way,
            Long documentId,
            String kind,
            String number,
            String party,
            LocalDate date,
            String currency,
            String gross,
            String action,
            String outcome,
            String why,
            Long batch,
            String who,
            String there) {
        static LogEntry of(Entry entry) {
            return new LogEntry(
                    entry.name(),
                    entry.at(),
                    entry.way(),
                    entry.recordId(),
                    entry.kind(),
                    entry.number(),
                    entry.party(),
                    entry.date(),
                    entry.currency(),
                    entry.recordId() == null ? "" : Amounts.decimal(entry.currency(), entry.gross()),
                    entry.action(),
                    entry.outcome(),
                    entry.why(),
                    entry.batch(),
                    entry.who(),
                    entry.there());
        }
    }

    /// @param next to go on with; empty on the last page
    record LogPage(List<LogEntry> entries, String next) {}

    LogApi(Routes routes, CrossingLog log) {
        this.routes = routes;
        this.log = log;
    }

    /// The newest first.
    ///
    /// @param parties whether parties are among them; those that are of no kind where none is named
    /// @param from the first day, where whoever asks is
    /// @param to the last day
    /// @param after as the page before said it
    @GetMapping
    LogPage page(
            @RequestParam String route,
            @RequestParam(required = false) Way way,
            @RequestParam(required = false) List<RecordKind> kind,
            @RequestParam(required = false) Boolean parties,
            @RequestParam(required = false) @Size(max = 20) String outcome,
            @RequestParam(required = false) String text,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(defaultValue = "") String after,
            @RequestParam(defaultValue = "100") int limit) {
        ZoneId zone = Writing.now().zone();
        Narrowed narrowed = new Narrowed(
                way,
                kind,
                parties,
                outcome,
                text,
                from == null ? null : from.atStartOfDay(zone).toInstant(),
                to == null ? null : to.plusDays(1).atStartOfDay(zone).toInstant());
        int size = Math.clamp(limit, 1, LARGEST_PAGE);
        List<Entry> entries = log.page(routes.getLeading(route).id(), narrowed, read(after), size + 1);
        boolean more = entries.size() > size;
        List<Entry> shown = more ? entries.subList(0, size) : entries;
        return new LogPage(
                shown.stream().map(LogEntry::of).toList(),
                more ? shown.getLast().at() + " " + shown.getLast().name() : "");
    }

    private static After read(String after) {
        if (after.isEmpty()) {
            return null;
        }
        String[] parts = after.split(" ", 2);
        try {
            if (parts.length == 2 && parts[1].matches("[dpt]\\d{18}")) {
                return new After(Instant.parse(parts[0]), parts[1]);
            }
        } catch (DateTimeException e) {
            // It is said below.
        }
        throw NotPossibleException.invalid("key-invalid", "This is not a key of a page.");
    }
}
