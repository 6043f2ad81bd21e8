package alcabala.server.crossing;

import alcabala.accounting.record.RecordKind;
import alcabala.connectors.ledger.TakesDocuments;
import alcabala.connectors.spi.Side;
import alcabala.server.connection.Kinds;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.math.BigDecimal;
import java.sql.Types;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Documents that people entered on a ledger and that cannot go to their source yet, and what a person says of them.
@Component
public class EnteredHeld {
    private static final int MOST = 500;
    /// What a person is to see: neither what was left for good, nor what is said to be a new one and goes with the next
    /// run. `e` is a row of entered_there.
    public static final String ASKED =
            "(e.why <> '' and e.said <> 'left' and not (e.said = 'new' and starts_with(e.why, 'may-be-here:')))";
    private final JdbcClient jdbc;
    private final Kinds kinds;
    private final Trail trail;

    public record Coming(String currency, int count, BigDecimal gross) {}

    /// @param why as `DocumentsThere` says it
    /// @param party the ledger's name of it
    /// @param gross as a decimal number
    /// @param currency empty for the ledger's own
    public record Held(
            String ref,
            String why,
            String number,
            String party,
            LocalDate date,
            String gross,
            String currency,
            Instant since) {}

    /// What is said of some.
    public enum Said {
        /// The source does not have it.
        BRING("new"),
        LEAVE("left"),
        /// What was said of it is taken back.
        ASK("");

        private final String word;

        Said(String word) {
            this.word = word;
        }
    }

    EnteredHeld(JdbcClient jdbc, Kinds kinds, Trail trail) {
        this.jdbc = jdbc;
        this.kinds = kinds;
        this.trail = trail;
    }

    /// The longest held first.
    public List<Held> of(RouteRow route) {
        return jdbc.sql("""
                select e.ledger_ref as ref, e.why, e.body->>'number' as number,
                    coalesce(p.name, e.body->>'party') as party, cast(e.body->>'date' as date) as date, e.body->>'gross' as gross,
                    coalesce(e.body->>'currency', '') as currency, e.seen_at as since
                from entered_there e left join ledger_party p on p.ledger_id = e.ledger_id and p.code = e.body->>'party'
                where\s""" + ASKED + """
                 and e.route_id = :route
                order by e.seen_at, e.ledger_ref limit :most""")
                .param("route", route.id())
                .param("most", MOST)
                .query(Held.class)
                .list();
    }

    /// Whether the source of a route can be told of documents that were entered elsewhere.
    public boolean isTaken(RouteRow route) {
        return jdbc.sql("select system = any(:takers) from source where id = :id")
                .param("takers", kinds.codes(Side.SOURCE, TakesDocuments.class))
                .param("id", route.sourceId())
                .query(Boolean.class)
                .single();
    }

    /// Documents of a kind that nothing of ours stands for, and that would be looked at if the route brought them back.
    ///
    /// @param from their first day; null for all
    public List<Coming> coming(RouteRow route, RecordKind kind, LocalDate from) {
        return jdbc.sql("""
                select coalesce(nullif(e.body->>'currency', ''), :currency) as currency, count(*) as count,
                    sum(cast(e.body->>'gross' as numeric)) as gross
                from entered_there e where e.ledger_id = :ledger and e.body->>'kind' = :kind and e.said <> 'left'
                    and (cast(:from as date) is null or cast(e.body->>'date' as date) >= :from)
                    and not exists (select 1 from link l where l.ledger_id = e.ledger_id and l.ledger_ref = e.ledger_ref)
                group by 1""")
                .param("currency", route.currency())
                .param("ledger", route.ledgerId())
                .param("kind", kind.word())
                .param("from", from, Types.DATE)
                .query(Coming.class)
                .list();
    }

    /// @param refs the ledger's ids
    /// @throws NotPossibleException when one of them is not asked about any more
    @Transactional
    public void say(RouteRow route, List<String> refs, Said said, String who) {
        int rows = jdbc.sql("""
                update entered_there set said = :said where route_id = :route and ledger_ref = any(:refs) and why <> ''
                    and said <> :said""")
                .param("said", said.word)
                .param("route", route.id())
                .param("refs", refs.toArray(String[]::new))
                .update();
        if (rows != refs.stream().distinct().count()) {
            throw NotPossibleException.conflict(
                    "answered-already", "Not all of them are asked about any more; look at what is left.");
        }
        trail.write(
                route.id(),
                null,
                who,
                "entered-there-" + said.name().toLowerCase(Locale.ROOT),
                Map.of("refs", refs, "side", route.ledger()));
    }
}
