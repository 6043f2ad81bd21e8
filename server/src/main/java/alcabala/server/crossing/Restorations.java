package alcabala.server.crossing;

import alcabala.connectors.ledger.FeedsChanges;
import alcabala.connectors.spi.Side;
import alcabala.server.connection.Kinds;
import alcabala.server.trail.Trail;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// After an older state of the database was put back (operations/restore), ledgers may have more than it knows of.
/// What was on its way is asked about before anything else; everything else is asked for by its reference before it
/// is sent, for as long as such documents may still turn up.
@Component
class Restorations implements InitializingBean {
    private static final Logger LOG = LoggerFactory.getLogger(Restorations.class);
    private static final String WHO = "Alcabala";
    /// Nobody fetches or uploads a document again for the first time after a quarter of a year.
    private static final Duration ASKED_FIRST = Duration.ofDays(90);
    private final JdbcClient jdbc;
    private final Kinds kinds;
    private final Outcomes outcomes;
    private final TransactionTemplate transaction;
    private final Trail trail;
    private final Clock clock;

    Restorations(
            JdbcClient jdbc,
            Kinds kinds,
            Outcomes outcomes,
            TransactionTemplate transaction,
            Trail trail,
            Clock clock) {
        this.jdbc = jdbc;
        this.kinds = kinds;
        this.outcomes = outcomes;
        this.transaction = transaction;
        this.trail = trail;
        this.clock = clock;
    }

    /// Before any job goes on.
    @Override
    public void afterPropertiesSet() {
        transaction.executeWithoutResult(status -> takeUp());
    }

    private void takeUp() {
        Instant now = clock.instant();
        List<Timestamp> restored = jdbc.sql(
                        "update restoration set taken_up_at = :now where taken_up_at is null returning at")
                .param("now", Timestamp.from(now))
                .query(Timestamp.class)
                .list();
        if (restored.isEmpty()) {
            return;
        }
        jdbc.sql("update ledger set asks_first_until = :until, accounted = false")
                .param("until", Timestamp.from(now.plus(ASKED_FIRST)))
                .update();
        int asked = jdbc.sql("""
                update dispatch set outcome = 'unconfirmed', next_at = null, rests = false, attempts = 0, version = version + 1
                where outcome in ('queued', 'sending', 'unconfirmed')""").update();
        outcomes.allAreAskedAbout();
        LOG.warn("an older state was put back; {} documents that were on their way are asked about", asked);
        trail.write(null, null, WHO, "state-put-back", Map.of("at", restored.getLast(), "asked", asked));
    }

    /// All that the ledger had to tell was heard.
    void accounted(long ledgerId) {
        int rows = jdbc.sql("update ledger set accounted = true where id = :id and not accounted")
                .param("id", ledgerId)
                .update();
        if (rows > 0) {
            trail.write(null, null, WHO, "ledger-accounted", Map.of("ledger", ledgerId));
        }
    }

    /// One route to each ledger that has not told yet what it has beyond us.
    List<Long> findUnaccounted() {
        return jdbc.sql("""
                select min(r.id) from route r join ledger l on l.id = r.ledger_id
                where not l.accounted and l.connected and l.system = any(:telling) group by l.id""")
                .param("telling", kinds.codes(Side.LEDGER, FeedsChanges.class))
                .query(Long.class)
                .list();
    }
}
