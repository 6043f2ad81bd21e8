package alcabala.server.record;

import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/// Sorts in what writing records left on the lists of their indexes (V49, V61), so that whoever writes twenty thousand
/// does
/// not wait for it, and whoever searches soon reads no more than the index. Where nothing is left it costs nothing.
@Component
class PendingEntries {
    private static final Logger LOG = LoggerFactory.getLogger(PendingEntries.class);
    private final JdbcClient jdbc;

    PendingEntries(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Scheduled(fixedDelay = 5, timeUnit = TimeUnit.SECONDS)
    void sortIn() {
        try {
            jdbc.sql("select * from sort_in_index_entries()").query().singleRow();
        } catch (DataAccessException e) {
            LOG.warn("index entries could not be sorted in now: {}", e.getMessage());
        }
    }
}
