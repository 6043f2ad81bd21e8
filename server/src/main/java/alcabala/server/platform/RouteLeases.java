package alcabala.server.platform;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/// Who works on a route. A lease is a row with an end by the database's clock; its holder moves the end on while it
/// lives, and a process that is killed, stopped or cut off does not.
@Component
public class RouteLeases {
    private static final Logger LOG = LoggerFactory.getLogger(RouteLeases.class);
    private static final Duration LASTS = Duration.ofSeconds(15);
    /// By the own clock it ends earlier, so that two never believe to hold it.
    private static final Duration BELIEVED = Duration.ofSeconds(12);
    private static final long RENEWED_EVERY_MILLIS = 3_000;
    private final JdbcClient jdbc;
    private final Map<String, Held> held = new ConcurrentHashMap<>();

    RouteLeases(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// Empty while somebody else has it.
    public Optional<Lease> take(long routeId) {
        Held lease = new Held(routeId, UUID.randomUUID().toString());
        long asked = System.nanoTime();
        int rows = jdbc.sql("""
                insert into route_lease as l (route_id, holder, taken_at, until)
                values (:route, :holder, clock_timestamp(), clock_timestamp() + make_interval(secs => :seconds))
                on conflict (route_id) do update set holder = excluded.holder, taken_at = excluded.taken_at, until = excluded.until
                where l.until < clock_timestamp()""")
                .param("route", routeId)
                .param("holder", lease.holder)
                .param("seconds", LASTS.toSeconds())
                .update();
        if (rows == 0) {
            return Optional.empty();
        }
        lease.renewedAt(asked);
        held.put(lease.holder, lease);
        return Optional.of(lease);
    }

    @Scheduled(fixedRate = RENEWED_EVERY_MILLIS)
    void renew() {
        held.values().forEach(Held::renew);
    }

    private final class Held implements Lease {
        private final long routeId;
        private final String holder;
        private volatile long believedUntil;
        private volatile boolean lost;

        Held(long routeId, String holder) {
            this.routeId = routeId;
            this.holder = holder;
        }

        /// @param asked when the database was asked, by the clock that goes on while a process is stopped
        void renewedAt(long asked) {
            believedUntil = asked + BELIEVED.toNanos();
        }

        void renew() {
            long asked = System.nanoTime();
            try {
                int rows = jdbc.sql("""
                        update route_lease set until = clock_timestamp() + make_interval(secs => :seconds)
                        where route_id = :route and holder = :holder and until > clock_timestamp()""")
                        .param("seconds", LASTS.toSeconds())
                        .param("route", routeId)
                        .param("holder", holder)
                        .update();
                if (rows == 0) {
                    lost = true;
                } else {
                    renewedAt(asked);
                }
            } catch (DataAccessException | TransactionException e) {
                LOG.warn("the lease of route {} could not be renewed: {}", routeId, e.getMessage());
            }
        }

        @Override
        public boolean isHeld() {
            return !lost && believedUntil - System.nanoTime() > 0;
        }

        @Override
        public void close() {
            held.remove(holder);
            UntilKept.keep(
                    "the end of the lease of route " + routeId,
                    () -> jdbc.sql("delete from route_lease where route_id = :route and holder = :holder")
                            .param("route", routeId)
                            .param("holder", holder)
                            .update());
        }
    }
}
