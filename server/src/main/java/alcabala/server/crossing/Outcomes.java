package alcabala.server.crossing;

import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.Amounts;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What became of each record on the ledger: the columns of `record` that only this package writes.
@Component
public class Outcomes {
    private final JdbcClient jdbc;

    Outcomes(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /// Compare-and-set: puts it on its way if it is still as it was shown and may go.
    ///
    /// @param canGo a condition on `record d`
    /// @return whether it is on its way now
    public boolean queue(long id, int revision, String canGo) {
        return jdbc.sql("""
                update record d set outcome = 'queued', version = version + 1
                where d.id = :id and d.revision = :revision and\s""" + canGo).param("id", id).param("revision", revision).update() > 0;
    }

    /// Puts what failed on its way there again.
    public void queueAgain(long id) {
        become(id, "queued");
    }

    void become(long id, String outcome) {
        jdbc.sql("update record set outcome = :outcome, version = version + 1 where id = :id")
                .param("outcome", outcome)
                .param("id", id)
                .update();
    }

    /// The ledger was found to have them, or may have.
    void areAskedAbout(List<Long> ids) {
        jdbc.sql("update record set outcome = 'unconfirmed', version = version + 1 where id = any(:ids)")
                .param("ids", ids.toArray(Long[]::new))
                .update();
    }

    /// Everything that was on its way is asked about.
    void allAreAskedAbout() {
        jdbc.sql("""
                update record set outcome = 'unconfirmed', version = version + 1 where outcome in ('queued', 'sending')""").update();
    }

    /// What became of the record became of the revision that went.
    void isOf(long id, long dispatchId) {
        jdbc.sql("""
                update record set outcome_revision = (select revision from dispatch where id = :dispatch)
                where id = :id""").param("dispatch", dispatchId).param("id", id).update();
    }

    void refuse(long id, String code) {
        jdbc.sql("update record set refusal = :code where id = :id")
                .param("code", code)
                .param("id", id)
                .update();
    }

    /// Until the transaction ends nobody else changes what is known of it: what the ledger tells and what it answers
    /// come at the same time.
    void hold(long id) {
        jdbc.sql("select id from record where id = :id for update")
                .param("id", id)
                .query(Long.class)
                .optional();
    }

    /// Of a change, unless the ledger told of a later version while it was on its way: what was refused named an older
    /// one, and is merged again with what was read (synchronisation, "concurrent change").
    void refused(Dispatch change, String code) {
        jdbc.sql("""
                update record set refusal = case when ledger_version > :read then '' else :code end where id = :id""")
                .param("read", change.readVersion())
                .param("code", code)
                .param("id", change.recordId())
                .update();
    }

    /// @return false when that was known
    boolean differs(long id, boolean differs) {
        return jdbc.sql("""
                update record set ledger_differs = :differs, version = version + 1
                where id = :id and outcome in ('posted', 'cancelled') and ledger_differs <> :differs""").param("differs", differs).param("id", id).update() > 0;
    }

    /// What stands there cannot take what its source changed without losing what is kept there.
    ///
    /// @return false when that was known
    public boolean stayApart(long id) {
        return jdbc.sql("""
                update record set refusal = 'not-together', version = version + 1
                where id = :id and outcome = 'posted' and refusal <> 'not-together'""").param("id", id).update() > 0;
    }

    /// @param id the ledger's of the record
    /// @param latest what stands there
    /// @param differs whether that is something else than was sent
    void posted(Dispatch dispatch, String id, LedgerRecord latest, boolean differs, Instant now) {
        String currency = dispatch.currency();
        jdbc.sql("""
                update record set outcome = :outcome, version = version + 1, ledger_ref = :ref, ledger_number = :number, ledger_version = :version,
                    ledger_gross = :gross, ledger_due = :due, paid = :paid, crossed_at = :now, refusal = '',
                    ledger_differs = :differs, outcome_revision = :revision
                where id = :id""")
                .param("outcome", latest.isVoided() ? "cancelled" : "posted")
                .param("revision", dispatch.revision())
                .param("ref", id)
                .param("number", latest.number())
                .param("version", latest.version())
                .param("gross", Amounts.minor(currency, latest.gross()))
                .param("due", latest.due(), Types.DATE)
                .param("paid", Amounts.minor(currency, latest.paid()))
                .param("differs", differs)
                .param("now", Timestamp.from(now))
                .param("id", dispatch.recordId())
                .update();
    }

    /// What was entered on the ledger is on its source too by now, or was taken back there.
    ///
    /// @param there as the source answered it
    /// @param revision of what it has
    void arrived(Dispatch dispatch, LedgerRecord there, int revision, Instant now) {
        jdbc.sql("""
                update record set outcome = :outcome, outcome_revision = :revision, crossed_at = :now, refusal = '',
                    version = version + 1
                where id = :id""")
                .param("outcome", there.isVoided() ? "cancelled" : "posted")
                .param("revision", revision)
                .param("now", Timestamp.from(now))
                .param("id", dispatch.recordId())
                .update();
    }

    /// Neither side has it, or has it standing.
    void ended(long id) {
        jdbc.sql("""
                update record set outcome = 'cancelled', gone = '', refusal = '', version = version + 1 where id = :id""").param("id", id).update();
    }

    /// @param side that does not have it; empty for neither
    void gone(long id, String side) {
        jdbc.sql("update record set gone = :side, version = version + 1 where id = :id")
                .param("side", side)
                .param("id", id)
                .update();
    }

    /// The ledger does not have it any more, and somebody said that it is void.
    void takenThere(long id) {
        jdbc.sql("update record set ledger_differs = true, gone = '', version = version + 1 where id = :id")
                .param("id", id)
                .update();
    }

    /// What was entered on the ledger goes to its source as if it had never been there.
    void neverArrived(long id) {
        jdbc.sql("""
                update record set outcome = null, outcome_revision = null, crossed_at = null, version = version + 1
                where id = :id""").param("id", id).update();
    }

    /// What was entered on the ledger and taken back there before it went goes no more.
    void endedThere(long id) {
        jdbc.sql("""
                update record set outcome = 'cancelled', refusal = '', version = version + 1
                where id = :id and crossed_at is null and (outcome is null or outcome in ('refused', 'unreached'))""").param("id", id).update();
    }

    /// What was entered on the ledger stands there from the start, or as it was changed there since.
    ///
    /// @param paid minor units
    public void entered(long id, LedgerRecord there, long paid, long gross) {
        jdbc.sql("""
                update record set ledger_ref = :ref, ledger_number = :number, ledger_version = :version, ledger_gross = :gross,
                    paid = :paid, ledger_due = :due, ledger_differs = false, version = version + 1,
                    refusal = case when outcome = 'posted' then '' else refusal end
                where id = :id""")
                .param("due", there.due(), Types.DATE)
                .param("ref", there.id())
                .param("number", there.number())
                .param("version", there.version())
                .param("gross", gross)
                .param("paid", paid)
                .param("id", id)
                .update();
    }

    /// Stands there without having been sent.
    void takenOver(long id, String currency, LedgerRecord there, Instant now) {
        jdbc.sql("""
                update record set outcome = 'posted', outcome_revision = revision, ledger_ref = :ref, ledger_number = :number,
                    ledger_version = :version, ledger_gross = :gross, ledger_due = :due, paid = :paid, crossed_at = :now,
                    ledger_differs = false, refusal = '', version = version + 1
                where id = :id""")
                .param("ref", there.id())
                .param("number", there.number())
                .param("version", there.version())
                .param("gross", Amounts.minor(currency, there.gross()))
                .param("due", there.due(), Types.DATE)
                .param("paid", Amounts.minor(currency, there.paid()))
                .param("now", Timestamp.from(now))
                .param("id", id)
                .update();
    }

    /// Stands there no more, as far as is known here.
    void takenApart(long id) {
        jdbc.sql("""
                update record set outcome = null, outcome_revision = null, ledger_ref = null, ledger_number = null,
                    ledger_version = null, ledger_gross = null, ledger_due = null, ledger_differs = false, paid = 0,
                    crossed_at = null, gone = case gone when 'ledger' then '' else gone end, version = version + 1
                where id = :id""").param("id", id).update();
    }

    /// What the ledger tells of a record that stands there.
    ///
    /// @param paid minor units
    /// @param gross minor units
    void seen(long id, LedgerRecord there, long paid, long gross, boolean differs) {
        jdbc.sql("""
                update record set paid = :paid, ledger_version = :version, ledger_gross = :gross, ledger_due = :due,
                    ledger_number = :number, ledger_differs = :differs, version = version + 1,
                    refusal = case when outcome = 'posted' and ledger_version < :version then '' else refusal end
                where id = :id""")
                .param("paid", paid)
                .param("version", there.version())
                .param("gross", gross)
                .param("due", there.due(), Types.DATE)
                .param("number", there.number())
                .param("differs", differs)
                .param("id", id)
                .update();
    }

    /// @param paid minor units
    public void paid(long id, long paid) {
        jdbc.sql("update record set paid = :paid, version = version + 1 where id = :id")
                .param("paid", paid)
                .param("id", id)
                .update();
    }

    /// A settlement of ours took something off a document, or put it back. News of the ledger that is younger than the
    /// request may hold it already; if it does not, the next does.
    ///
    /// @param settled minor units, negative where it is open again
    void settled(long id, long settled, Dispatch by) {
        jdbc.sql("""
                update record d set version = d.version + 1, paid = d.paid + :settled
                from link l, dispatch p
                where d.id = :id and l.record_id = d.id and p.id = :dispatch and l.seen_at < p.sent_at""")
                .param("settled", settled)
                .param("id", id)
                .param("dispatch", by.id())
                .update();
    }

    /// A change that the ledger refused is another one now.
    public void changedOnSource(List<Long> ids) {
        jdbc.sql("update record set refusal = '' where id = any(:ids) and outcome = 'posted' and refusal <> ''")
                .param("ids", ids.toArray(Long[]::new))
                .update();
    }

    /// What stands there is taken as agreed, whatever either side changed.
    ///
    /// @return false when there is nothing to settle
    public boolean letStand(long id) {
        return jdbc.sql("""
                update record set ledger_differs = false, outcome_revision = revision, refusal = '', version = version + 1
                where id = :id and state = 'Diverged' and not voided and gone = ''""").param("id", id).update() > 0;
    }
}
