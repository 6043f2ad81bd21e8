package alcabala.server.readiness;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.connectors.ledger.TellsNumbers;
import alcabala.server.connection.Ledgers;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Looks at the document numbers of both sides.
@Component
public class Numbering {
    private static final Pattern DIGITS = Pattern.compile("(\\d{1,15})$");
    private final JdbcClient jdbc;
    private final Ledgers ledgers;
    private final SettingStore settings;

    /// @param sourceHighest by the digits at its end, or empty; so is the ledger's
    /// @param taken numbers of waiting documents that the ledger has given to others
    /// @param safeNext above both
    public record NumbersOfKind(
            String kind, String sourceHighest, String ledgerHighest, List<String> taken, long safeNext) {}

    private record Waiting(String number, String sourceRef) {}

    Numbering(JdbcClient jdbc, Ledgers ledgers, SettingStore settings) {
        this.jdbc = jdbc;
        this.ledgers = ledgers;
        this.settings = settings;
    }

    /// Of a ledger that takes files only the source's side is known.
    public List<NumbersOfKind> of(RouteRow route) {
        List<NumbersOfKind> all = new ArrayList<>();
        TellsNumbers ledger = route.ledgerAnswers()
                ? ledgers.of(route.ledgerId()).find(TellsNumbers.class).orElse(null)
                : null;
        Map<RecordKind, String> there = ledger == null ? Map.of() : ledger.highestNumbers();
        for (RecordKind kind : List.of(RecordKind.INVOICE, RecordKind.CREDIT_NOTE)) {
            String here = highest(route, kind);
            String theirs = there.getOrDefault(kind, "");
            List<String> taken = ledger == null ? List.of() : taken(route, kind, ledger);
            all.add(new NumbersOfKind(kind.word(), here, theirs, taken, Math.max(digits(here), digits(theirs)) + 1));
        }
        return all;
    }

    private String highest(RouteRow route, RecordKind kind) {
        return jdbc.sql("""
                select number from record where source_id = :source and kind = :kind and origin = 'source' and number ~ '[0-9]{1,15}$'
                order by cast(substring(number from '[0-9]{1,15}$') as bigint) desc limit 1""")
                .param("source", route.sourceId())
                .param("kind", kind.word())
                .query(String.class)
                .optional()
                .orElse("");
    }

    /// What stands there under our own reference is ours, and not in the way. Nothing is in the way when the ledger
    /// numbers by itself.
    private List<String> taken(RouteRow route, RecordKind kind, TellsNumbers ledger) {
        RouteSettings decided = settings.of(route.id());
        if (decided.is(Topic.NUMBERED_BY, "ledger")) {
            return List.of();
        }
        Map<String, String> ours = new HashMap<>();
        jdbc.sql("""
                select number, source_ref from record where route_id = :route and kind = :kind and origin = 'source' and not voided
                    and outcome is distinct from 'posted'""")
                .param("route", route.id())
                .param("kind", kind.word())
                .query(Waiting.class)
                .list()
                .forEach(each ->
                        ours.put(decided.get(Topic.NUMBER_PREFIX) + each.number(), route.reference(each.sourceRef())));
        if (ours.isEmpty()) {
            return List.of();
        }
        List<String> taken = new ArrayList<>();
        ledger.numbersTaken(ours.keySet()).forEach((number, reference) -> {
            if (!reference.equals(ours.get(number))) {
                taken.add(number);
            }
        });
        taken.sort(null);
        return taken;
    }

    private static long digits(String number) {
        Matcher digits = DIGITS.matcher(number);
        return digits.find() ? Long.parseLong(digits.group(1)) : 0;
    }
}
