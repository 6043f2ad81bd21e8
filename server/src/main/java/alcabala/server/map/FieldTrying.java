package alcabala.server.map;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.Document;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.posting.CustomFields;
import alcabala.accounting.posting.StandardFields;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.platform.AddedWords;
import alcabala.server.record.Stored;
import alcabala.server.route.RouteRow;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What a row of a field would make of real documents, before it is kept.
@Component
class FieldTrying {
    private static final int LOOKED_THROUGH = 1000;
    private static final int SHOWN = 8;
    private final JdbcClient jdbc;
    private final CrosswalkStore store;
    private final AddedOnLedger ledger;
    private final RowChecks checks;
    private final JsonMapper json;

    /// One value, and the latest document that has it.
    ///
    /// @param documents how many of those looked through have it
    /// @param after what it becomes; empty where it becomes nothing
    /// @param problem why; empty where it becomes something
    record Tried(String number, String before, int documents, String after, String problem) {}

    /// @param documents how many were looked through, the latest
    /// @param said how many of these say anything in the field
    record Trial(int documents, int said, List<Tried> values) {}

    private record Said(String number, FieldValue value) {}

    FieldTrying(JdbcClient jdbc, CrosswalkStore store, AddedOnLedger ledger, RowChecks checks, JsonMapper json) {
        this.jdbc = jdbc;
        this.store = store;
        this.ledger = ledger;
        this.checks = checks;
        this.json = json;
    }

    /// @throws alcabala.server.platform.NotPossibleException when the row could not be kept
    Trial trial(RouteRow route, String code, Meaning asked) {
        Meaning meaning = checks.check(route, RowKind.FIELD, code, asked);
        CrosswalkRow row = new CrosswalkRow(RowKind.FIELD, code, meaning, 0, "", Instant.EPOCH);
        CustomField here = ledger.field(route, code).orElseThrow();
        CustomField there = ledger.ledgerField(route, row.counterpart()).orElseThrow();
        Crosswalk crosswalk =
                Crosswalk.of(store.rows(route.id(), List.of(RowKind.CHOICE)), new PartyMatcher(List.of()));
        return CustomFields.direction(row) == Direction.TO_LEDGER
                ? toLedger(route, row, there, crosswalk)
                : toSource(route, row, here, there, crosswalk);
    }

    private Trial toLedger(RouteRow route, CrosswalkRow row, CustomField there, Crosswalk crosswalk) {
        List<Document> latest = jdbc.sql("select " + Stored.COLUMN + " from record d" + Stored.JOIN
                        + "where d.route_id = :route and is_document(d.kind) order by d.id desc limit :most")
                .param("route", route.id())
                .param("most", LOOKED_THROUGH)
                .query((each, n) -> Stored.document(each.getString("content")))
                .list();
        CustomFields fields = new CustomFields(crosswalk, Map.of(), finding -> {});
        List<Said> said = latest.stream()
                .flatMap(document -> Stream.ofNullable(
                                StandardFields.of(document).get(row.code()))
                        .map(value -> new Said(document.number(), value)))
                .toList();
        return trial(
                latest.size(),
                said,
                value -> fields.conversion(row, value.type(), there).convert(value.value()));
    }

    private Trial toSource(RouteRow route, CrosswalkRow row, CustomField here, CustomField there, Crosswalk crosswalk) {
        List<LedgerRecord> latest = jdbc.sql("""
                select l.ledger_now::text from link l join record d on d.id = l.record_id
                where d.route_id = :route and is_document(d.kind) order by d.id desc limit :most""")
                .param("route", route.id())
                .param("most", LOOKED_THROUGH)
                .query((each, n) -> json.readValue(each.getString(1), LedgerRecord.class))
                .list();
        List<Said> said = latest.stream()
                .filter(each -> each.fields() != null
                        && !each.fields().getOrDefault(there.code(), "").isEmpty())
                .map(each -> new Said(
                        each.number(),
                        new FieldValue(there.code(), there.type(), each.fields().get(there.code()))))
                .toList();
        return trial(latest.size(), said, value -> CustomFields.back(crosswalk, row, there, here, value.value()));
    }

    private static Trial trial(int documents, List<Said> said, Function<FieldValue, Conversion.Result> convert) {
        Map<FieldValue, Integer> counts = new LinkedHashMap<>();
        Map<FieldValue, String> numbers = new LinkedHashMap<>();
        said.forEach(each -> {
            counts.merge(each.value(), 1, Integer::sum);
            numbers.putIfAbsent(each.value(), each.number());
        });
        List<Tried> tried = counts.entrySet().stream()
                .map(each -> tried(numbers.get(each.getKey()), each.getKey(), each.getValue(), convert))
                // What does not go is what has to be seen.
                .sorted(Comparator.comparing(each -> each.problem().isEmpty()))
                .limit(SHOWN)
                .toList();
        return new Trial(documents, said.size(), tried);
    }

    private static Tried tried(
            String number, FieldValue value, int count, Function<FieldValue, Conversion.Result> convert) {
        return switch (convert.apply(value)) {
            case Conversion.Result.Converted it -> new Tried(number, value.value(), count, it.value(), "");
            case Conversion.Result.NotInTable _ ->
                new Tried(number, value.value(), count, "", "nothing says yet which choice stands for it");
            case Conversion.Result.Impossible it ->
                new Tried(number, value.value(), count, "", AddedWords.reason(it.reason()));
        };
    }
}
