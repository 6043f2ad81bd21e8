package standins.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Bean;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import standins.hullwork.HullworkRecords;
import standins.inkwell.Masters;
import standins.inkwell.Posting;

/// Fills both systems when they are empty.
@Component
public class DemoBusiness {
    private static final Logger LOG = LoggerFactory.getLogger(DemoBusiness.class);
    private static final List<String> TABLES = List.of(
            "hullwork_record",
            "inkwell_setting",
            "inkwell_request",
            "inkwell_change",
            "inkwell_payment",
            "inkwell_journal_line",
            "inkwell_journal",
            "inkwell_line",
            "inkwell_document",
            "inkwell_item",
            "inkwell_customer",
            "inkwell_tax_code",
            "inkwell_account",
            "fault");
    private final JdbcClient jdbc;
    private final HullworkRecords hullwork;
    private final Masters masters;
    private final Posting posting;
    private final TransactionTemplate transaction;
    private final Clock clock;

    DemoBusiness(
            JdbcClient jdbc,
            HullworkRecords hullwork,
            Masters masters,
            Posting posting,
            TransactionTemplate transaction,
            Clock clock) {
        this.jdbc = jdbc;
        this.hullwork = hullwork;
        this.masters = masters;
        this.posting = posting;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Bean
    ApplicationRunner fillWhenEmpty() {
        return arguments -> {
            if (jdbc.sql("select count(*) from inkwell_account")
                            .query(Integer.class)
                            .single()
                    == 0) {
                write();
            }
        };
    }

    /// Everything as on the first day.
    public void reset() {
        transaction.executeWithoutResult(
                status -> jdbc.sql("truncate " + String.join(", ", TABLES) + " restart identity")
                        .update());
        write();
    }

    private void write() {
        LocalDate today = LocalDate.now(clock);
        transaction.executeWithoutResult(status -> {
            new HullworkDemo(hullwork, today).write();
            new InkwellDemo(jdbc, masters, posting, today).write();
        });
        LOG.info("wrote the demo business as of {}", today);
    }
}
