package alcabala.server.whatif;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.whatif.CorrectingJournal;
import alcabala.accounting.whatif.CorrectingJournal.Corrected;
import alcabala.accounting.whatif.Place;
import alcabala.server.map.Mapping.Change;
import alcabala.server.platform.Copy;
import alcabala.server.platform.DocumentJson;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Telling;
import alcabala.server.route.RouteRow;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Journals that put right what was booked under a former row. They are kept here until somebody has entered
/// them on the ledger, or wants none; none is ever sent.
@Component
class CorrectionStore {
    private static final int LISTED = 500;
    private final JdbcClient jdbc;
    private final DataSource dataSource;
    private final Telling telling;
    private final Clock clock;

    enum State {
        DRAFT,
        ENTERED,
        DROPPED
    }

    /// @param ledgerNumber by which they were entered there; empty as long as they are not
    record Row(
            long id,
            long routeId,
            RowKind kind,
            String code,
            int rowVersion,
            String currency,
            String madeBy,
            Instant madeAt,
            State state,
            String ledgerNumber,
            String settledBy,
            Instant settledAt) {}

    CorrectionStore(JdbcClient jdbc, DataSource dataSource, Telling telling, Clock clock) {
        this.jdbc = jdbc;
        this.dataSource = dataSource;
        this.telling = telling;
        this.clock = clock;
    }

    /// Within the transaction that changes the row.
    ///
    /// @param rowVersion of the row as it was changed to; 0 where it was taken away
    /// @return its number
    long draft(RouteRow route, Change change, int rowVersion, PostedPage posted, String who) {
        long id = jdbc.sql("""
                insert into correction (route_id, kind, code, row_version, currency, made_by, made_at)
                values (:route, :kind, :code, :version, :currency, :who, :now) returning id""")
                .param("route", route.id())
                .param("kind", change.kind().name())
                .param("code", change.code())
                .param("version", rowVersion)
                .param("currency", route.currency())
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .query(Long.class)
                .single();
        putJournals(id, posted.journals());
        putRecords(id, posted.corrected());
        telling.tell(Topic.CROSSWALK, route.id(), who, "correction/" + id);
        return id;
    }

    private void putJournals(long id, List<CorrectingJournal> made) {
        Copy journals = new Copy();
        Copy lines = new Copy();
        for (int journal = 0; journal < made.size(); journal++) {
            CorrectingJournal each = made.get(journal);
            journals.value(id)
                    .value(journal + 1)
                    .value(each.day())
                    .value(each.records())
                    .value(each.late())
                    .endRow();
            for (int line = 0; line < each.lines().size(); line++) {
                CorrectingJournal.Line one = each.lines().get(line);
                lines.value(id)
                        .value(journal + 1)
                        .value(line + 1)
                        .value(one.place().account())
                        .value(DocumentJson.write(one.place().dimensions()))
                        .value(one.amount())
                        .endRow();
            }
        }
        journals.send(dataSource, "correction_journal (correction_id, ordinal, day, records, late)");
        lines.send(dataSource, "correction_line (correction_id, journal, ordinal, account, dimensions, amount)");
    }

    private void putRecords(long id, Map<Long, Corrected> corrected) {
        Copy records = new Copy();
        corrected.forEach((record, each) -> each.moved()
                .amounts()
                .forEach((key, amount) -> records.value(id)
                        .value(record)
                        .value(each.booked())
                        .value(key.account())
                        .value(key.taxCode())
                        .value(DocumentJson.write(key.dimensions()))
                        .value(amount)
                        .endRow()));
        records.send(
                dataSource,
                "correction_record (correction_id, record_id, booked, account, tax_code, dimensions, amount)");
    }

    /// The newest first.
    List<Row> all(long routeId) {
        return jdbc.sql("select * from correction where route_id = :route order by id desc limit " + LISTED)
                .param("route", routeId)
                .query(Row.class)
                .list();
    }

    Row get(long id) {
        return jdbc.sql("select * from correction where id = :id")
                .param("id", id)
                .query(Row.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.missing("correction " + id));
    }

    /// The journals of each, in the order of their days.
    Map<Long, List<CorrectingJournal>> journals(List<Long> corrections) {
        record Key(long correction, int journal, LocalDate day, int records, int late) {}
        Map<Key, List<CorrectingJournal.Line>> lines = new LinkedHashMap<>();
        jdbc.sql("""
                select l.correction_id as correction, l.journal, j.day, j.records, j.late, l.account, l.dimensions, l.amount
                from correction_line l
                    join correction_journal j on j.correction_id = l.correction_id and j.ordinal = l.journal
                where l.correction_id = any(:ids) order by l.correction_id, l.journal, l.ordinal""").param("ids", corrections.toArray(Long[]::new)).query(row -> {
            Key key = new Key(
                    row.getLong("correction"),
                    row.getInt("journal"),
                    row.getObject("day", LocalDate.class),
                    row.getInt("records"),
                    row.getInt("late"));
            Place place = new Place(row.getString("account"), DocumentJson.map(row.getString("dimensions")));
            lines.computeIfAbsent(key, it -> new ArrayList<>())
                    .add(new CorrectingJournal.Line(place, row.getLong("amount")));
        });
        Map<Long, List<CorrectingJournal>> journals = new HashMap<>();
        lines.forEach((key, of) -> journals.computeIfAbsent(key.correction(), it -> new ArrayList<>())
                .add(new CorrectingJournal(key.day(), of, key.records(), key.late())));
        return journals;
    }

    /// Compare-and-set.
    ///
    /// @param expected the state that was seen
    /// @param ledgerNumber where it has been entered
    @Transactional
    public void settle(Row correction, State expected, State state, String ledgerNumber, String who) {
        boolean dropped = state == State.DROPPED || expected == State.DROPPED;
        if (dropped && isBuiltOn(correction.id())) {
            throw NotPossibleException.conflict(
                    "correction-built-on",
                    "A later correction moves the same documents on from where this one puts them; see to that one first.");
        }
        int changed = jdbc.sql("""
                update correction set state = :state, ledger_number = :number, settled_by = :who, settled_at = :now
                where id = :id and state = :expected""")
                .param("id", correction.id())
                .param("expected", expected.name())
                .param("state", state.name())
                .param("number", state == State.ENTERED ? ledgerNumber : "")
                .param("who", state == State.DRAFT ? "" : who)
                .param("now", state == State.DRAFT ? null : Timestamp.from(clock.instant()))
                .update();
        if (changed == 0) {
            throw NotPossibleException.conflict(
                    "changed-meanwhile", "Somebody else settled this correction meanwhile; look at it again.");
        }
        telling.tell(Topic.CROSSWALK, correction.routeId(), who, "correction/" + correction.id());
    }

    private boolean isBuiltOn(long id) {
        return jdbc.sql("""
                select exists (select 1 from correction_record a
                    join correction_record b on b.record_id = a.record_id and b.correction_id > a.correction_id
                    join correction c on c.id = b.correction_id and c.state <> 'DROPPED'
                    where a.correction_id = :id)""").param("id", id).query(Boolean.class).single();
    }
}
