package alcabala.server.reference;

import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.DescribesCompany;
import alcabala.connectors.ledger.LedgerCompany;
import alcabala.connectors.ledger.Listing;
import alcabala.connectors.ledger.ReadsReferenceData;
import alcabala.connectors.spi.Connection;
import alcabala.server.connection.Ledgers;
import alcabala.server.jobs.Jobs;
import alcabala.server.jobs.Retrying;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Telling;
import alcabala.server.platform.UntilKept;
import alcabala.server.trail.Trail;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Pulls what the ledger owns. Everything is read first, page by page into a table of its own, and then merged in one
/// transaction that also writes down what is new, changed, inactive or gone: a pull that fails changes nothing.
@Component
public class ReferencePull {
    private static final String TASK = "pull-reference";
    /// Twice as long as a page is asked for at most, and short enough that another server goes on within a minute.
    private static final Duration STALE = Duration.ofSeconds(40);
    private final JdbcClient jdbc;
    private final PulledRows pulled;
    private final Ledgers ledgers;
    private final ObjectProvider<AfterPull> after;
    private final Trail trail;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final Telling telling;
    private final Clock clock;

    ReferencePull(
            JdbcClient jdbc,
            PulledRows pulled,
            Ledgers ledgers,
            ObjectProvider<AfterPull> after,
            Trail trail,
            Jobs jobs,
            TransactionTemplate transaction,
            Telling telling,
            Clock clock) {
        this.telling = telling;
        this.jdbc = jdbc;
        this.pulled = pulled;
        this.ledgers = ledgers;
        this.after = after;
        this.trail = trail;
        this.jobs = jobs;
        this.transaction = transaction;
        this.clock = clock;
    }

    /// At once, for as long as it takes. True when something differs from before.
    ///
    /// @throws UnreachableException when the ledger does not answer, or answers what cannot be used
    public boolean pull(long ledgerId, String who) {
        return run(begin(ledgerId, who));
    }

    /// Whether all that is known of a ledger is as it says it is; it is as fresh then as if it had been read again.
    ///
    /// @param version as the ledger tells it now; empty where it does not tell
    public boolean isAsOf(long ledgerId, String version) {
        return !version.isEmpty()
                && jdbc.sql("update ledger set pulled_at = :now where id = :id and reference_version = :version")
                                .param("now", Timestamp.from(clock.instant()))
                                .param("id", ledgerId)
                                .param("version", version)
                                .update()
                        > 0;
    }

    /// Takes lists that a ledger of files has written, each in place of what was known of its kind; kinds that no list
    /// tells of stay as they are. All of them or none.
    ///
    /// @throws NotPossibleException when a pull is running
    public ListsTaken take(long ledgerId, List<Listing> lists, String who) {
        long pull = begin(ledgerId, who);
        try {
            PulledRows.Reading reading = pulled.read(pull, ledgerName(ledgerId));
            Set<ReferenceKind> told = EnumSet.noneOf(ReferenceKind.class);
            lists.forEach(list -> told.add(reading.list(list)));
            return transaction.execute(status -> {
                int changes = pulled.merge(pull, ledgerId, told.toArray(ReferenceKind[]::new));
                jdbc.sql("""
                        update ledger set pulled_at = :now,
                            version = case when :newer then nextval('state_version') else version end where id = :id""")
                        .param("now", Timestamp.from(clock.instant()))
                        .param("newer", changes > 0)
                        .param("id", ledgerId)
                        .update();
                finish(pull, ledgerId, changes, false, who);
                return new ListsTaken(pull, changes);
            });
        } catch (RuntimeException e) {
            fail(pull, e);
            throw e;
        }
    }

    /// @param changes how many rows are new, changed, inactive or gone by it
    public record ListsTaken(long pull, int changes) {}

    /// In the background. The answer is the number of the pull, to ask after its progress by.
    public long start(long ledgerId, String who) {
        return transaction.execute(status -> {
            long pull = begin(ledgerId, who);
            jobs.schedule(TASK, pull);
            return pull;
        });
    }

    @Configuration
    static class Background {
        @Bean
        CustomTask<Void> pullReference(ReferencePull pulls) {
            return Tasks.custom(TASK, Void.class).onFailure(Retrying.times(3)).execute((instance, context) -> {
                pulls.runQuietly(Long.parseLong(instance.getId()));
                return (complete, operations) -> operations.remove();
            });
        }
    }

    private void runQuietly(long pull) {
        try {
            run(pull);
        } catch (UnreachableException e) {
            // What went wrong is in the pull's own row, for whoever asks after it.
        }
    }

    private long begin(long ledgerId, String who) {
        jdbc.sql("""
                update reference_pull set state = 'failed', finished_at = :now, problem = 'It was cut off.'
                where ledger_id = :ledger and state = 'running' and seen_at < :stale""")
                .param("now", Timestamp.from(clock.instant()))
                .param("ledger", ledgerId)
                .param("stale", Timestamp.from(clock.instant().minus(STALE)))
                .update();
        if (jdbc.sql("select 1 from ledger where id = :id")
                .param("id", ledgerId)
                .query(Integer.class)
                .optional()
                .isEmpty()) {
            throw NotPossibleException.missing("ledger " + ledgerId);
        }
        return jdbc.sql("""
                insert into reference_pull (ledger_id, who, started_at, seen_at, state) values (:ledger, :who, :now, :now, 'running')
                on conflict do nothing returning id""")
                .param("ledger", ledgerId)
                .param("who", who)
                .param("now", Timestamp.from(clock.instant()))
                .query(Long.class)
                .optional()
                .orElseThrow(() -> NotPossibleException.conflict("pull-running", running(ledgerId)));
    }

    private String running(long ledgerId) {
        return jdbc.sql("""
                select who || ' is pulling since ' || to_char(started_at, 'HH24:MI:SS') || '; wait for that to end.'
                from reference_pull where ledger_id = :ledger and state = 'running'""")
                .param("ledger", ledgerId)
                .query(String.class)
                .optional()
                .orElse("A pull has just ended; ask again.");
    }

    /// A database that is away from the first moment on leaves no pull under way either.
    private boolean run(long pull) {
        try {
            return read(pull);
        } catch (RuntimeException e) {
            fail(pull, e);
            throw e;
        }
    }

    private boolean read(long pull) {
        long ledgerId = jdbc.sql("select ledger_id from reference_pull where id = :id and state = 'running'")
                .param("id", pull)
                .query(Long.class)
                .single();
        String who = jdbc.sql("select who from reference_pull where id = :id")
                .param("id", pull)
                .query(String.class)
                .single();
        Connection connection = ledgers.of(ledgerId);
        LedgerCompany company = connection.get(DescribesCompany.class).company();
        ReadsReferenceData ledger = connection.get(ReadsReferenceData.class);
        PulledRows.Reading reading = pulled.read(pull, ledgerName(ledgerId));
        ledger.accounts(reading::accounts);
        ledger.taxCodes(reading::taxCodes);
        ledger.parties(reading::parties);
        ledger.items(reading::items);
        ledger.dimensions(reading::dimensions);
        ledger.rates(reading::rates);
        ledger.terms(reading::terms);
        ledger.fields(reading::fields);
        return transaction.execute(status -> {
            int changes = pulled.merge(pull, ledgerId, ReferenceKind.values());
            return finish(pull, ledgerId, changes, keepSettings(ledgerId, company, changes > 0), who);
        });
    }

    private void fail(long pull, RuntimeException e) {
        String sentence = e instanceof AnswerUnusableException unusable
                ? unusable.system() + " answered what cannot be used: " + unusable.what() + "."
                : e instanceof UnreachableException unreachable
                        ? unreachable.system() + " did not answer."
                        : "Alcabala itself failed.";
        UntilKept.keep(
                "how pull " + pull + " failed",
                () -> keepFailure(pull, sentence + " Nothing was changed.", String.valueOf(e.getMessage())));
    }

    private void keepFailure(long pull, String problem, String detail) {
        pulled.forget(pull);
        jdbc.sql("""
                update reference_pull set state = 'failed', finished_at = :now, problem = :problem, detail = :detail
                where id = :id and state = 'running'""")
                .param("now", Timestamp.from(clock.instant()))
                .param("problem", problem)
                .param("detail", detail)
                .param("id", pull)
                .update();
        telling.tell(Topic.PULLS, null, null, pull);
    }

    private boolean finish(long pull, long ledgerId, int changes, boolean settings, String who) {
        jdbc.sql("""
                update reference_pull p set state = 'done', finished_at = :now,
                    added = n.added, changed = n.changed, inactive = n.inactive, gone = n.gone
                from (select count(*) filter (where what = 'new') as added,
                        count(*) filter (where what in ('changed', 'active')) as changed,
                        count(*) filter (where what = 'inactive') as inactive,
                        count(*) filter (where what = 'gone') as gone
                    from reference_change where pull_id = :id) n
                where p.id = :id""")
                .param("now", Timestamp.from(clock.instant()))
                .param("id", pull)
                .update();
        telling.tell(Topic.PULLS, null, null, pull);
        forgetWhatWasCreated(ledgerId);
        trail.write(null, null, who, "reference-pulled", Map.of("ledger", ledgerName(ledgerId), "changes", changes));
        if (changes > 0 || settings) {
            after.forEach(each -> each.referenceChanged(ledgerId, who));
        }
        return changes > 0 || settings;
    }

    /// Parties that were created since the last pull are among those that the ledger told of now.
    private void forgetWhatWasCreated(long ledgerId) {
        int told = jdbc.sql("update ledger_party set kept = false where ledger_id = :id and kept")
                .param("id", ledgerId)
                .update();
        if (told > 0) {
            jdbc.sql("update ledger set version = nextval('state_version') where id = :id")
                    .param("id", ledgerId)
                    .update();
        }
    }

    private String ledgerName(long ledgerId) {
        return jdbc.sql("select name from ledger where id = :id")
                .param("id", ledgerId)
                .query(String.class)
                .single();
    }

    private boolean keepSettings(long ledgerId, LedgerCompany company, boolean tablesChanged) {
        return jdbc.sql("""
                with before as (
                    select (tax_rounding, name_limit, name_forbids, locked_through, currency, company_name, applies_credits,
                        tracks_quantities, features)::text as was from ledger where id = :id for update)
                update ledger set tax_rounding = :rounding, name_limit = :limit, name_forbids = :forbids, locked_through = :locked,
                    currency = :currency, company_name = :name, applies_credits = :applies, tracks_quantities = :tracks,
                    features = :features, pulled_at = :now, reference_version = :reference,
                    books_id = case when books_id = '' then :books else books_id end,
                    version = case when :changed or (cast(:rounding as text), cast(:limit as int), cast(:forbids as text),
                        cast(:locked as date), cast(:currency as text), cast(:name as text), cast(:applies as boolean),
                        cast(:tracks as boolean), cast(:features as text[]))::text <> before.was then nextval('state_version') else version end
                from before where id = :id
                returning (tax_rounding, name_limit, name_forbids, locked_through, currency, company_name, applies_credits,
                    tracks_quantities, features)::text <> before.was""")
                .param("rounding", company.taxRounding().name())
                .param("limit", company.itemNameLimit())
                .param("forbids", company.itemNameForbids())
                .param("locked", company.lockedThrough())
                .param("currency", company.currency())
                .param("name", company.name())
                .param("books", company.booksId())
                .param("applies", company.appliesCredits())
                .param("tracks", company.tracksQuantities())
                .param("features", company.features().stream().sorted().toArray(String[]::new))
                .param("now", Timestamp.from(clock.instant()))
                .param("reference", company.referenceVersion())
                .param("changed", tablesChanged)
                .param("id", ledgerId)
                .query(Boolean.class)
                .single();
    }
}
