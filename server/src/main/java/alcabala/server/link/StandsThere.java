package alcabala.server.link;

import alcabala.accounting.record.Family;
import alcabala.accounting.record.RecordKind;
import alcabala.connectors.ledger.FindsRecords;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.connection.Ledgers;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Records;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What stands on a ledger under a number, and whether a record of ours could stand for it.
@Component
class StandsThere {
    /// More of one number than anybody chooses from.
    private static final int MOST = 20;

    private final Ledgers ledgers;
    private final LedgerReference reference;
    private final JdbcClient jdbc;

    /// @param party its name
    /// @param gross a decimal number
    /// @param linkedWith the number of the record of ours that stands for it; empty where none does
    /// @param reason why ours cannot stand for it; empty where it can
    record There(
            String ref,
            int version,
            String number,
            String kind,
            String party,
            LocalDate date,
            String gross,
            String linkedWith,
            String reason) {}

    StandsThere(Ledgers ledgers, LedgerReference reference, JdbcClient jdbc) {
        this.ledgers = ledgers;
        this.reference = reference;
        this.jdbc = jdbc;
    }

    List<There> numbered(RouteRow route, Records.Row record, String number) {
        List<LedgerRecord> found = ledger(route).numbered(family(record), number).stream()
                .limit(MOST)
                .toList();
        Map<String, String> linked = linked(route, found);
        Map<String, String> names = reference.partyNames(
                route.ledgerId(), found.stream().map(LedgerRecord::party).toList());
        return found.stream()
                .map(each -> there(
                        record,
                        each,
                        names.getOrDefault(each.party(), each.party()),
                        linked.getOrDefault(each.id(), "")))
                .toList();
    }

    /// One of these, read anew.
    ///
    /// @throws NotPossibleException when it is another version by now, or gone
    LedgerRecord asSeen(RouteRow route, Records.Row record, String ref, int version) {
        return ledger(route)
                .findRecord(family(record), ref)
                .filter(each -> each.id().equals(ref) && each.version() == version)
                .orElseThrow(() -> NotPossibleException.conflict(
                        "changed-meanwhile", "It was changed there meanwhile, or is gone; look it up again."));
    }

    private FindsRecords ledger(RouteRow route) {
        return ledgers.of(route.ledgerId()).get(FindsRecords.class);
    }

    private static Family family(Records.Row record) {
        return RecordKind.of(record.kind()).family();
    }

    private Map<String, String> linked(RouteRow route, List<LedgerRecord> found) {
        return jdbc
                .sql("""
                select l.ledger_ref as ref, d.number from link l join record d on d.id = l.record_id
                where l.ledger_id = :ledger and l.ledger_ref = any(:refs)""")
                .param("ledger", route.ledgerId())
                .param("refs", found.stream().map(LedgerRecord::id).toArray(String[]::new))
                .query((row, n) -> Map.entry(row.getString("ref"), row.getString("number")))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private static There there(Records.Row record, LedgerRecord each, String party, String linkedWith) {
        return new There(
                each.id(),
                each.version(),
                each.number(),
                each.kind(),
                party,
                each.date(),
                each.gross().toPlainString(),
                linkedWith,
                reason(record, each, linkedWith));
    }

    private static String reason(Records.Row record, LedgerRecord each, String linkedWith) {
        if (each.isVoided()) {
            return "It is void there.";
        }
        if (!linkedWith.isEmpty()) {
            return linkedWith.equals(record.number()) ? "It stands for it already." : linkedWith + " stands for it.";
        }
        if (!each.kind().equals(record.kind())) {
            return "It is %s there, and %s is %s.".formatted(each.kind(), record.number(), record.kind());
        }
        return each.isIn(CurrencyUnit.of(record.currency()))
                ? ""
                : "Its amounts are finer than %s allows.".formatted(record.currency());
    }
}
