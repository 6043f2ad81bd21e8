package alcabala.server.whatif;

import alcabala.accounting.whatif.Effect;
import alcabala.server.map.Said;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;

/// What would change if one row said something else. Amounts are decimals in base currency.
///
/// @param version of the row as it is, to be given back when it is saved; 0 where there is none
/// @param before what the row says now; empty where it says nothing
/// @param after what it would say; empty where it would be taken away
record WouldChange(
        int version, String currency, List<Said> before, List<Said> after, WaitingSide waiting, PostedSide posted) {

    /// What has not crossed, and goes as the row says by then.
    ///
    /// @param looked how many use the code
    /// @param kinds how many of them it makes which difference to
    /// @param accounts what all of them together put on each account that something moves on
    /// @param onTheWay how many are being sent, and go as they were shown
    record WaitingSide(
            int looked,
            Map<Effect.Kind, Integer> kinds,
            List<MonthMoved> months,
            List<AccountSums> accounts,
            int onTheWay) {}

    /// What stands on the ledger, and stays as it is.
    ///
    /// @param unclear those that no journal of ours can put right, with the reason; the first hundred
    record PostedSide(
            int looked,
            int moved,
            List<MonthMoved> months,
            List<AccountSums> accounts,
            int unclearCount,
            List<Unclear> unclear,
            List<JournalDraft> journals) {}

    /// @param month its first day
    /// @param moved from some accounts to others
    /// @param locked whether the month is locked on the ledger
    /// @param correctOn the day of the journal that would put it right; null for what has not crossed
    /// @param records the first hundred
    record MonthMoved(
            LocalDate month,
            int documents,
            String moved,
            boolean locked,
            LocalDate correctOn,
            List<MovedRecord> records) {}

    record MovedRecord(long id, String number, String party, String moved) {}

    /// @param before signed, positive is debit, as is after
    record AccountSums(String code, String name, String before, String after) {}

    /// Why a journal does not put it right.
    enum Reason {
        /// It was not sent from here.
        LINKED,
        /// Somebody changed it on the ledger.
        CHANGED_THERE,
        /// It would be held up today by something else, and cannot be compared.
        HELD_UP,
        /// The books do not say what the row said at any time.
        OTHERWISE,
        /// It would not cross under the new row.
        BLOCKS,
        /// Its tax would be another one.
        TAX,
        /// Somebody else would owe it.
        PARTY
    }

    record Unclear(long id, String number, String party, Reason reason) {}

    /// @param late how many of the records were booked in a month that is locked by now
    record JournalDraft(LocalDate day, int records, int late, String total, List<JournalDraftLine> lines) {}

    /// @param debit empty for a credit
    record JournalDraftLine(String account, String name, Map<String, String> dimensions, String debit, String credit) {}
}
