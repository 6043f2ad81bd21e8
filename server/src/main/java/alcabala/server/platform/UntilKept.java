package alcabala.server.platform;

import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/// Writes how something ended. A database that is away for a moment does not leave it under way for all who look: it is
/// written as soon as the database is back, and nobody waits for that.
public final class UntilKept {
    private static final Logger LOG = LoggerFactory.getLogger(UntilKept.class);
    /// After half a second, and twice as long each time: for half a minute, after which it passes for given up.
    private static final RetryTemplate AGAIN = new RetryTemplate(RetryPolicy.builder()
            .includes(DataAccessException.class, TransactionException.class)
            .maxRetries(5)
            .delay(Duration.ofMillis(500))
            .multiplier(2)
            .build());

    private UntilKept() {}

    /// @param what such as `how work 7 ended`
    /// @param writing may be done more than once
    public static void keep(String what, Runnable writing) {
        try {
            writing.run();
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("{} is kept once the database is back: {}", what, e.getMessage());
            Thread.ofVirtual().start(() -> again(what, writing));
        }
    }

    private static void again(String what, Runnable writing) {
        try {
            AGAIN.execute(() -> {
                writing.run();
                return what;
            });
        } catch (RetryException e) {
            LOG.warn("{} could not be kept: {}", what, e.getMessage());
        }
    }
}
