package standins;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.LongAdder;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// The switch for faults of each system, kept in the database so that it outlives the process.
@Component
public class Faults {
    private static final Duration DOWN = Duration.ofSeconds(30);
    private final JdbcClient jdbc;
    private final Clock clock;
    private final Map<String, Instant> downUntil = new ConcurrentHashMap<>();
    private final Map<String, LongAdder> asked = new ConcurrentHashMap<>();

    Faults(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// @param times how many requests it is for; 0 means until it is switched off
    public void set(String system, Fault fault, int times) {
        downUntil.remove(system);
        jdbc.sql("""
                insert into fault (system, kind, remaining) values (:system, :kind, :remaining)
                on conflict (system) do update set kind = excluded.kind, remaining = excluded.remaining""")
                .params(Map.of("system", system, "kind", fault.name(), "remaining", times))
                .update();
    }

    public Fault current(String system) {
        return jdbc.sql("select kind from fault where system = :system")
                .param("system", system)
                .query(String.class)
                .optional()
                .map(Fault::valueOf)
                .orElse(Fault.NONE);
    }

    /// How often a system was asked something since it was started.
    public long asked(String system) {
        return asked.getOrDefault(system, new LongAdder()).sum();
    }

    /// The fault for one request; counts it. An answer is lost only where work was done: reading is spared, and so is
    /// asking which numbers are taken or who touched what, which posts a list.
    Fault take(String system, String method, String path) {
        boolean reading = method.equals("GET") || path.endsWith("/numbers/taken") || path.endsWith("/touched");
        asked.computeIfAbsent(system, each -> new LongAdder()).increment();
        Fault fault = current(system);
        if (fault == Fault.ANSWER_LOST_THEN_DOWN) {
            return loseThenGoDown(system, method.equals("POST") && path.endsWith("/documents"));
        }
        if (fault == Fault.ANSWER_LOST && reading) {
            return Fault.NONE;
        }
        if (fault != Fault.NONE) {
            jdbc.sql("""
                    update fault set kind = case when remaining = 1 then 'NONE' else kind end,
                        remaining = greatest(remaining - 1, 0)
                    where system = :system""").param("system", system).update();
        }
        return fault;
    }

    private Fault loseThenGoDown(String system, boolean posting) {
        Instant until = downUntil.get(system);
        if (until == null) {
            if (!posting) {
                return Fault.NONE;
            }
            downUntil.put(system, clock.instant().plus(DOWN));
            return Fault.ANSWER_LOST;
        }
        if (clock.instant().isBefore(until)) {
            return Fault.UNAVAILABLE;
        }
        set(system, Fault.NONE, 0);
        return Fault.NONE;
    }
}
