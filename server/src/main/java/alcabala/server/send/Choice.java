package alcabala.server.send;

import alcabala.accounting.batch.BatchOptions;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;

/// Which records are meant: those named, or all of one family and side that are ready in a span of days.
///
/// @param origin the side on which they were made; null for whichever those named were
/// @param currency of all that are not named; empty for the ledger's own
/// @param dated the day that all of them take there, instead of their own; null for theirs
/// @param options on top of the route's
/// @param standing what becomes of what the ledger changed in those that stand there
/// @param ledgers of what both changed, the fields that stay as they are there; null for none said
record Choice(
        List<Long> ids,
        LocalDate from,
        LocalDate to,
        boolean purchases,
        Family family,
        Origin origin,
        String currency,
        LocalDate dated,
        BatchOptions options,
        Standing standing,
        Set<String> ledgers) {
    /// Of documents that stand on the ledger and go in their own place.
    enum Standing {
        /// It keeps what nothing of the source replaces; one that was changed there goes as its source has it.
        LEFT_APART,
        /// It keeps all that was changed there, and that is settled by it.
        KEPT,
        /// It keeps all that was changed there, and a person is asked about that still.
        ASKED,
        /// Of what was changed there it keeps what the route says is the ledger's, and that is settled by it.
        RULED,
        /// They go as their source has them.
        REPLACED
    }

    static Choice named(List<Long> ids) {
        return of(ids, null);
    }

    /// @param origin null for whichever they were made on
    static Choice of(List<Long> ids, Origin origin) {
        return new Choice(
                ids,
                null,
                null,
                false,
                Family.DOCUMENT,
                origin,
                "",
                null,
                BatchOptions.NONE,
                Standing.LEFT_APART,
                null);
    }

    /// As their source has them, whatever was changed there.
    Choice replacing() {
        return standing(Standing.REPLACED, null);
    }

    /// @param theirs null to go only where no field was changed by both
    Choice keeping(Set<String> theirs) {
        return standing(Standing.KEPT, theirs);
    }

    /// As the route has decided it of each field.
    Choice ruled() {
        return standing(Standing.RULED, null);
    }

    /// Of what nobody has looked at.
    Choice asking() {
        return standing(Standing.ASKED, null);
    }

    private Choice standing(Standing other, Set<String> theirs) {
        return new Choice(ids, from, to, purchases, family, origin, currency, dated, options, other, theirs);
    }

    /// What is kept with one that is put together.
    Set<String> kept() {
        return ledgers == null ? Set.of() : ledgers;
    }

    static Choice within(
            List<Long> ids,
            LocalDate from,
            LocalDate to,
            boolean purchases,
            Family family,
            String currency,
            LocalDate dated,
            BatchOptions options,
            Standing standing) {
        boolean named = ids != null && !ids.isEmpty();
        return new Choice(
                ids,
                from,
                to,
                purchases,
                family,
                named ? null : Origin.SOURCE,
                currency,
                dated,
                options,
                standing,
                null);
    }

    boolean isNamed() {
        return ids != null && !ids.isEmpty();
    }

    String[] kinds() {
        return RecordKind.words(kind -> isNamed() || (kind.isSale() != purchases && kind.family() == family));
    }
}
