package alcabala.server.platform;

import java.time.Clock;
import java.time.ZoneId;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// In which zone the business keeps its days, for what happens without anybody looking.
@Component
public class BusinessZone {
    private final JdbcClient jdbc;
    private final Clock clock;

    BusinessZone(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /// The machine's until somebody says which.
    public ZoneId get() {
        return jdbc.sql("select zone from convention where person_id is null and zone is not null")
                .query(String.class)
                .optional()
                .map(ZoneId::of)
                .orElse(clock.getZone());
    }
}
