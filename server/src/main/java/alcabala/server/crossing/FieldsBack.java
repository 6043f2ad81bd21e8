package alcabala.server.crossing;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.Conversion;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.Direction;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.posting.CustomFields;
import alcabala.accounting.posting.StandardFields;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.source.WritesFields;
import alcabala.connectors.spi.CannotException;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.Sources;
import alcabala.server.platform.AddedWords;
import alcabala.server.platform.Pauses;
import alcabala.server.reference.AddedThere;
import alcabala.server.reference.SourceAdded;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Tells sources what documents came to say on the ledger in the fields that come back. What is to be told is kept
/// before anybody is asked, and told again until it is taken or refused, with growing pauses and not without end.
@Component
class FieldsBack {
    private static final int MOST = 500;
    /// Longer than any answer is waited for, and short enough that another server goes on within a minute.
    private static final Duration CLAIM = Duration.ofSeconds(30);
    private final JdbcClient jdbc;
    private final CrosswalkStore store;
    private final AddedThere there;
    private final SourceAdded source;
    private final Sources sources;
    private final Pauses pauses;
    private final Trail trail;
    private final TransactionTemplate transaction;
    private final Clock clock;

    private record Due(
            long recordId,
            long routeId,
            long sourceId,
            String sourceRef,
            String field,
            String value,
            String replaced,
            int tries) {}

    private record Owner(long sourceId, long ledgerId) {}

    FieldsBack(
            JdbcClient jdbc,
            CrosswalkStore store,
            AddedThere there,
            SourceAdded source,
            Sources sources,
            Pauses pauses,
            Trail trail,
            TransactionTemplate transaction,
            Clock clock) {
        this.jdbc = jdbc;
        this.store = store;
        this.there = there;
        this.source = source;
        this.sources = sources;
        this.pauses = pauses;
        this.trail = trail;
        this.transaction = transaction;
        this.clock = clock;
    }

    /// Which fields of a route come back.
    List<CrosswalkRow> rows(long routeId) {
        return store.rows(routeId, List.of(RowKind.FIELD)).stream()
                .filter(row -> CustomFields.direction(row) == Direction.TO_SOURCE)
                .toList();
    }

    /// Keeps what changed there since a document was last seen; what never said anything and does not now is no news.
    /// Within the caller's transaction.
    ///
    /// @param rows the fields that come back
    void note(
            long routeId,
            long recordId,
            List<CrosswalkRow> rows,
            Optional<LedgerRecord> before,
            LedgerRecord now,
            String who) {
        List<CrosswalkRow> back = rows.stream()
                .filter(row ->
                        !Objects.equals(before.map(each -> said(each, row)).orElse(""), said(now, row)))
                .toList();
        if (back.isEmpty()) {
            return;
        }
        Crosswalk crosswalk =
                Crosswalk.of(store.rows(routeId, List.of(RowKind.FIELD, RowKind.CHOICE)), new PartyMatcher(List.of()));
        back.forEach(row -> note(routeId, recordId, crosswalk, row, said(now, row), who));
    }

    /// Empty where it says nothing.
    static String said(LedgerRecord record, CrosswalkRow row) {
        String value = switch (row.counterpart()) {
            case StandardFields.NUMBER_THERE -> record.number();
            case StandardFields.STANDING_THERE -> record.standing().word();
            case StandardFields.PAY_LINK -> record.payLink();
            case StandardFields.TERMS_THERE -> record.terms();
            case StandardFields.DUE_DATE_THERE -> Objects.toString(record.due(), "");
            default -> record.fields() == null ? null : record.fields().get(row.counterpart());
        };
        return value == null ? "" : value;
    }

    private void note(long routeId, long recordId, Crosswalk crosswalk, CrosswalkRow row, String value, String who) {
        Owner owner = jdbc.sql("select source_id, ledger_id from route where id = :id")
                .param("id", routeId)
                .query(Owner.class)
                .single();
        Optional<CustomField> from = Stream.concat(
                        there.fields(owner.ledgerId()).stream(), StandardFields.told().stream())
                .filter(field -> field.code().equals(row.counterpart()))
                .findFirst();
        Optional<CustomField> into = source.findField(owner.sourceId(), row.code());
        if (from.isEmpty() || into.isEmpty()) {
            return;
        }
        Conversion.Result converted = value.isEmpty()
                ? new Conversion.Result.Converted("")
                : CustomFields.back(crosswalk, row, from.get(), into.get(), value);
        switch (converted) {
            case Conversion.Result.Converted it -> keep(recordId, row.code(), it.value());
            case Conversion.Result.NotInTable _ ->
                notBrought(routeId, recordId, row, value, "nothing says which choice of the source it is", who);
            case Conversion.Result.Impossible it ->
                notBrought(routeId, recordId, row, value, AddedWords.reason(it.reason()), who);
        }
    }

    /// What is to be told by now takes the place of what was to be told before.
    private void keep(long recordId, String field, String value) {
        jdbc.sql("""
                insert into field_return (record_id, field, value, asked_at, next_at) values (:record, :field, :value, :now, :now)
                on conflict (record_id, field) do update set value = excluded.value, asked_at = excluded.asked_at,
                    next_at = excluded.next_at, tries = 0, reason = ''""")
                .param("record", recordId)
                .param("field", field)
                .param("value", value)
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    private void notBrought(long routeId, long recordId, CrosswalkRow row, String value, String reason, String who) {
        trail.write(
                routeId,
                recordId,
                who,
                "field-not-brought-back",
                Map.of("field", row.code(), "value", value, "reason", reason));
    }

    /// Tells all that is due on the routes of a ledger; what that replaces is kept on the trail. An app that does not
    /// answer is not asked again this time.
    void tell(long ledgerId, String who) {
        Set<Long> silent = new HashSet<>();
        for (Due due : due(ledgerId)) {
            if (!silent.contains(due.sourceId()) && claim(due) && !tell(due, who)) {
                silent.add(due.sourceId());
            }
        }
    }

    /// A run and a batch may both have something to tell: what the one tells, the other does not tell after it.
    private boolean claim(Due due) {
        Instant now = clock.instant();
        return jdbc.sql("""
                update field_return set next_at = :until
                where record_id = :record and field = :field and value = :value and next_at <= :now""")
                        .param("until", Timestamp.from(now.plus(CLAIM)))
                        .param("record", due.recordId())
                        .param("field", due.field())
                        .param("value", due.value())
                        .param("now", Timestamp.from(now))
                        .update()
                > 0;
    }

    /// @return false when its app did not answer
    private boolean tell(Due due, String who) {
        try {
            WritesFields app = sources.of(due.sourceId()).get(WritesFields.class);
            settle(due, app.say(due.sourceRef(), due.field(), due.value()), who);
            return true;
        } catch (CannotException e) {
            end(due, "field-not-brought-back", "its app cannot be told", who);
            return true;
        } catch (UnreachableException e) {
            later(due, Duration.ZERO, "did not answer", who);
            return false;
        }
    }

    private List<Due> due(long ledgerId) {
        return jdbc.sql("""
                select f.record_id, d.route_id, d.source_id, d.source_ref, f.field, f.value, f.tries, coalesce((
                    select said->>'value' from json_array_elements(v.content->'fields') said
                    where said->>'field' = f.field limit 1), '') as replaced
                from field_return f join record d on d.id = f.record_id join route r on r.id = d.route_id
                    join record_revision v on v.id = d.revision_id
                where r.ledger_id = :ledger and f.next_at <= :now order by f.asked_at, f.record_id limit :most""")
                .param("ledger", ledgerId)
                .param("now", Timestamp.from(clock.instant()))
                .param("most", MOST)
                .query(Due.class)
                .list();
    }

    private void settle(Due due, Answer<String> answer, String who) {
        switch (answer) {
            case Answer.Accepted<String> taken -> end(due, "field-brought-back", "", who);
            case Answer.Refused<String> refused -> end(due, "field-not-brought-back", refused.sentence(), who);
            case Answer.Later<String> asked -> later(due, asked.pause(), asked.reason(), who);
            case Answer.Lost<String> lost -> later(due, Duration.ZERO, lost.reason(), who);
        }
    }

    private void later(Due due, Duration asked, String reason, String who) {
        int tries = due.tries() + 1;
        if (tries >= Pauses.TRIES) {
            end(due, "field-not-brought-back", reason, who);
            return;
        }
        jdbc.sql("""
                update field_return set tries = :tries, next_at = :next, reason = :reason
                where record_id = :record and field = :field and value = :value""")
                .param("tries", tries)
                .param("next", Timestamp.from(clock.instant().plus(pauses.after(tries, asked))))
                .param("reason", reason)
                .param("record", due.recordId())
                .param("field", due.field())
                .param("value", due.value())
                .update();
    }

    /// What came to be told meanwhile is still to be told.
    private void end(Due due, String action, String reason, String who) {
        transaction.executeWithoutResult(status -> {
            jdbc.sql("delete from field_return where record_id = :record and field = :field and value = :value")
                    .param("record", due.recordId())
                    .param("field", due.field())
                    .param("value", due.value())
                    .update();
            trail.write(
                    due.routeId(),
                    due.recordId(),
                    who,
                    action,
                    Map.of("field", due.field(), "value", due.value(), "replaced", due.replaced(), "reason", reason));
        });
    }
}
