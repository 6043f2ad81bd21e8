package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// Records and what they stood for on a ledger until somebody took them apart. It is kept as it was, so that the two
/// can be put together again with what they had agreed on, and so that neither is matched again by itself
/// (synchronisation, "Gone").
@Component
class Apart {
    /// Whatever tells how a record stands on its ledger.
    private static final List<String> OUTCOME = List.of(
            "outcome",
            "outcome_revision",
            "ledger_ref",
            "ledger_number",
            "ledger_version",
            "ledger_gross",
            "ledger_due",
            "ledger_differs",
            "paid",
            "crossed_at",
            "refusal");
    private final JdbcClient jdbc;
    private final JsonMapper json;
    private final Clock clock;

    /// @param there as it was last seen
    record Former(long ledgerId, LedgerRecord there) {}

    Apart(JdbcClient jdbc, JsonMapper json, Clock clock) {
        this.jdbc = jdbc;
        this.json = json;
        this.clock = clock;
    }

    void keep(long recordId, String who) {
        jdbc.sql("""
                insert into apart (record_id, ledger_id, ledger_ref, link, stood, who, at)
                select l.record_id, l.ledger_id, l.ledger_ref, to_jsonb(l), (
                    select to_jsonb(o) from (select\s""" + columns("") + """
                     from record where id = l.record_id) o), :who, :now
                from link l where l.record_id = :id
                on conflict (record_id, ledger_id, ledger_ref) do update set link = excluded.link,
                    stood = excluded.stood, who = excluded.who, at = excluded.at""")
                .param("id", recordId)
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .update();
    }

    /// Whether somebody said of something on a ledger that it is not what it stood for.
    boolean holds(long ledgerId, String ledgerRef) {
        return jdbc.sql("select exists (select 1 from apart where ledger_id = :ledger and ledger_ref = :ref)")
                .param("ledger", ledgerId)
                .param("ref", ledgerRef)
                .query(Boolean.class)
                .single();
    }

    /// What a record stood for last.
    Optional<Former> find(long recordId) {
        return jdbc.sql("""
                select ledger_id, link->>'ledger_now' as there from apart where record_id = :id order by at desc limit 1""")
                .param("id", recordId)
                .query((row, n) -> new Former(
                        row.getLong("ledger_id"), json.readValue(row.getString("there"), LedgerRecord.class)))
                .optional();
    }

    /// As the two were when they were taken apart.
    void restore(long recordId, Former former) {
        String which = " from apart x where x.record_id = :id and x.ledger_id = :ledger and x.ledger_ref = :ref";
        jdbc.sql("insert into link select (jsonb_populate_record(null::link, x.link)).*" + which)
                .param("id", recordId)
                .param("ledger", former.ledgerId())
                .param("ref", former.there().id())
                .update();
        jdbc.sql(
                        "update record d set version = d.version + 1, (" + columns("") + ") = (select " + columns("p.")
                                + " from apart x, jsonb_populate_record(null::public.record, x.stood) p"
                                + " where x.record_id = :id and x.ledger_id = :ledger and x.ledger_ref = :ref) where d.id = :id")
                .param("id", recordId)
                .param("ledger", former.ledgerId())
                .param("ref", former.there().id())
                .update();
        forget(recordId, former.ledgerId(), former.there().id());
    }

    private static String columns(String of) {
        return OUTCOME.stream().map(each -> of + each).collect(Collectors.joining(", "));
    }

    void forget(long recordId, long ledgerId, String ledgerRef) {
        jdbc.sql("delete from apart where record_id = :id and ledger_id = :ledger and ledger_ref = :ref")
                .param("id", recordId)
                .param("ledger", ledgerId)
                .param("ref", ledgerRef)
                .update();
    }
}
