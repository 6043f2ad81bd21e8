package alcabala.server.trail;

import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Seals the trail as it grows, and looks whether what was sealed is still what stands there. The rules are in the
/// database, so that they can be asked without a server (V24).
@Component
public class TrailSeal {
    private static final Logger LOG = LoggerFactory.getLogger(TrailSeal.class);
    private final JdbcClient jdbc;

    /// @param block the last one that is sealed
    /// @param hash of it and all before, in hexadecimal digits; to be kept elsewhere
    public record Anchor(long block, String hash, Instant sealedAt) {}

    /// @param rows how many entries are sealed
    public record Checked(boolean ok, long blocks, long rows, String says) {}

    /// When somebody last looked, and what was found.
    public record LastCheck(Instant at, boolean ok, String says) {}

    TrailSeal(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Scheduled(fixedDelay = 2, timeUnit = TimeUnit.SECONDS)
    void seal() {
        try {
            jdbc.sql("select trail_seal()").query(Long.class).single();
        } catch (DataAccessException e) {
            LOG.warn("the trail could not be sealed now: {}", e.getMessage());
        }
    }

    /// Looks at all of it.
    @Transactional
    public Checked check() {
        Checked found = jdbc.sql("select ok, blocks, rows, says from trail_check()")
                .query(Checked.class)
                .single();
        jdbc.sql("delete from trail_checked").update();
        jdbc.sql("insert into trail_checked (at, ok, says) values (now(), :ok, :says)")
                .param("ok", found.ok())
                .param("says", found.says())
                .update();
        if (!found.ok()) {
            LOG.error("the trail is broken: {}", found.says());
        }
        return found;
    }

    @Scheduled(initialDelay = 5, fixedDelay = 24 * 60, timeUnit = TimeUnit.MINUTES)
    void checkDaily() {
        check();
    }

    public Optional<LastCheck> findLastCheck() {
        return jdbc.sql("select at, ok, says from trail_checked order by at desc limit 1")
                .query(LastCheck.class)
                .optional();
    }

    /// Empty before anything was sealed.
    public Optional<Anchor> findAnchor() {
        return jdbc.sql(
                        "select id as block, encode(hash, 'hex') as hash, sealed_at from trail_block order by id desc limit 1")
                .query(Anchor.class)
                .optional();
    }
}
