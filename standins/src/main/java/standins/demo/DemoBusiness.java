package standins.demo;

import java.time.Clock;
import java.time.LocalDate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Bean;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import standins.apps.AppRecords;
import standins.hullwork.HullworkRecords;
import standins.inkwell.Companies;
import standins.inkwell.Company;
import standins.inkwell.Masters;
import standins.inkwell.Payments;
import standins.inkwell.Posting;

/// Fills both systems when they are empty.
@Component
public class DemoBusiness {
    private static final Logger LOG = LoggerFactory.getLogger(DemoBusiness.class);
    private static final String COMMON =
            "truncate hullwork_record, hullwork_request, hullwork_touched, app_record, copperplate_account,"
                    + " copperplate_tax, copperplate_party, copperplate_term, copperplate_import, copperplate_outcome, copperplate_entry,"
                    + " copperplate_row, copperplate_setting, oauth2_authorization, fault restart identity";
    private static final String BOOKS = """
            truncate inkwell_setting, inkwell_request, inkwell_touched, inkwell_change, inkwell_deduction, inkwell_allocation,
                inkwell_journal_line, inkwell_journal, inkwell_entry_line, inkwell_entry, inkwell_payment, inkwell_line, inkwell_document, inkwell_item, inkwell_party, inkwell_tax_code, inkwell_account,
                inkwell_dimension, inkwell_rate, inkwell_terms, inkwell_field restart identity""";
    private final JdbcClient jdbc;
    private final HullworkRecords hullwork;
    private final AppRecords apps;
    private final Masters masters;
    private final Posting posting;
    private final Payments payments;
    private final TransactionTemplate transaction;
    private final Clock clock;

    DemoBusiness(
            JdbcClient jdbc,
            HullworkRecords hullwork,
            AppRecords apps,
            Masters masters,
            Posting posting,
            Payments payments,
            TransactionTemplate transaction,
            Clock clock) {
        this.jdbc = jdbc;
        this.hullwork = hullwork;
        this.apps = apps;
        this.masters = masters;
        this.posting = posting;
        this.payments = payments;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Bean
    ApplicationRunner fillWhenEmpty() {
        return arguments -> fill();
    }

    private synchronized void fill() {
        if (!Companies.in(Company.SALTMERE, this::hasBooks)) {
            writeHullwork();
        }
        if (isEmpty("app_record")) {
            writeApps();
        }
        for (Company company : Company.ALL) {
            if (!Companies.in(company, this::hasBooks)) {
                writeBooks(company);
            }
        }
    }

    private boolean hasBooks() {
        return !isEmpty("inkwell_account");
    }

    private boolean isEmpty(String table) {
        return jdbc.sql("select count(*) from " + table).query(Integer.class).single() == 0;
    }

    /// Everything as on the first day; waits for the first filling to end.
    public synchronized void reset() {
        transaction.executeWithoutResult(status -> jdbc.sql(COMMON).update());
        writeHullwork();
        writeApps();
        for (Company company : Company.ALL) {
            Companies.in(
                    company, () -> transaction.execute(status -> jdbc.sql(BOOKS).update()));
            writeBooks(company);
        }
    }

    private void writeHullwork() {
        LocalDate today = LocalDate.now(clock);
        transaction.executeWithoutResult(status -> new HullworkDemo(hullwork, today).write());
        LOG.info("wrote the demo business as of {}", today);
    }

    private void writeApps() {
        transaction.executeWithoutResult(status -> new AppsDemo(apps, jdbc).write());
    }

    private void writeBooks(Company company) {
        InkwellDemo demo = new InkwellDemo(jdbc, masters, posting, payments, LocalDate.now(clock));
        Companies.in(
                company,
                () -> transaction.execute(status -> {
                    demo.write(company);
                    return null;
                }));
    }
}
