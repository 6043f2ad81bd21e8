package alcabala.server.crossing;

import alcabala.connectors.ledger.FeedsChanges;
import alcabala.connectors.ledger.LedgerFeed;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.SetAsides;
import alcabala.server.crossing.SeenThere.Came;
import alcabala.server.reference.ReferencePull;
import alcabala.server.route.RouteRow;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Brings back what happened on the ledger: payments, and edits of what was posted. What Alcabala itself wrote is no
/// news.
@Component
public class LedgerNews {
    private static final int PAGE = 200;
    private final Ledgers ledgers;
    private final ReferencePull pull;
    private final SetAsides setAsides;
    private final Beyond beyond;
    private final EnteredThere entered;
    private final EnteredDocuments enteredDocuments;
    private final SeenThere seen;
    private final Gone gone;
    private final FieldsBack fields;
    private final Restorations restorations;
    private final JdbcClient jdbc;
    private final TransactionTemplate transaction;

    /// What was brought back.
    ///
    /// @param gone how many it does not have any more
    /// @param news whether checks may find otherwise now: masters changed, or somebody entered a document
    public record Brought(int payments, int edits, int gone, boolean referenceChanged, boolean news) {
        public static final Brought NOTHING = new Brought(0, 0, 0, false, false);
    }

    LedgerNews(
            Ledgers ledgers,
            ReferencePull pull,
            SetAsides setAsides,
            Beyond beyond,
            EnteredThere entered,
            EnteredDocuments enteredDocuments,
            SeenThere seen,
            Gone gone,
            FieldsBack fields,
            Restorations restorations,
            JdbcClient jdbc,
            TransactionTemplate transaction) {
        this.ledgers = ledgers;
        this.pull = pull;
        this.setAsides = setAsides;
        this.beyond = beyond;
        this.entered = entered;
        this.enteredDocuments = enteredDocuments;
        this.seen = seen;
        this.gone = gone;
        this.fields = fields;
        this.restorations = restorations;
        this.jdbc = jdbc;
        this.transaction = transaction;
    }

    public Brought bring(RouteRow route, String who) {
        FeedsChanges ledger = ledgers.of(route.ledgerId()).get(FeedsChanges.class);
        Came came = Came.NOTHING;
        boolean changed = false;
        boolean news = false;
        boolean first = true;
        boolean more = true;
        while (more) {
            long cursor = cursor(route.ledgerId());
            LedgerFeed feed = ledger.changes(cursor, PAGE);
            // Whatever the news name is known before they are taken in.
            if (first && !pull.isAsOf(route.ledgerId(), feed.referenceVersion())) {
                changed = pull.pull(route.ledgerId(), who);
                news = true;
            }
            first = false;
            // What was there before anything was heard is no news.
            news |= cursor > 0 && feed.records().stream().anyMatch(LedgerNews::isStranger);
            came = came.plus(transaction.execute(status -> apply(route, cursor, feed, who)));
            more = feed.more();
        }
        follow(route, who);
        restorations.accounted(route.ledgerId());
        return new Brought(came.payments(), came.edits(), came.gone(), changed, news);
    }

    /// Its number may be one that a document of ours is to have.
    private static boolean isStranger(LedgerRecord record) {
        return record.recordKind().isDocument() && record.externalReference() == null;
    }

    private long cursor(long ledgerId) {
        return jdbc.sql("select cursor from ledger where id = :id")
                .param("id", ledgerId)
                .query(Long.class)
                .single();
    }

    /// A page with its cursor in one transaction; the same page twice changes nothing.
    private Came apply(RouteRow route, long cursor, LedgerFeed feed, String who) {
        int rows = jdbc.sql("update ledger set cursor = :next where id = :id and cursor = :cursor")
                .param("next", feed.next())
                .param("id", route.ledgerId())
                .param("cursor", cursor)
                .update();
        if (rows == 0) {
            return Came.NOTHING;
        }
        feed.setAside().forEach(record -> setAsides.keepOfLedger(route.ledgerId(), record));
        return take(route, feed.records(), feed.gone(), who);
    }

    private Came take(RouteRow route, List<LedgerRecord> records, List<String> refs, String who) {
        int left = gone.there(route.ledgerId(), refs, who);
        setAsides.settleOfLedger(
                route.ledgerId(), records.stream().map(LedgerRecord::id).toList());
        return seen.take(route, records, who).plus(new Came(0, 0, left));
    }

    /// Single records as they were read there just now, those among them that bear our names and are linked with
    /// nothing.
    ///
    /// @param refs the ledger's ids of those that it does not have any more
    public Brought look(RouteRow route, List<LedgerRecord> records, List<String> refs, String who) {
        Came came = transaction.execute(status -> take(route, records, refs, who));
        follow(route, who);
        return new Brought(came.payments(), came.edits(), came.gone(), false, false);
    }

    /// What of the news makes something else of records of ours, or is to be told to their sources.
    private void follow(RouteRow route, String who) {
        gone.endVoided(who);
        beyond.claim(route.ledgerId(), who);
        enteredDocuments.bringBack(route.ledgerId(), who);
        entered.bringBack(route.ledgerId(), who);
        fields.tell(route.ledgerId(), who);
    }
}
