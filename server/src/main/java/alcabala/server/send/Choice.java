package alcabala.server.send;

import alcabala.accounting.batch.BatchOptions;
import alcabala.accounting.record.Family;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;

/// Which records are meant: those named, or all of one family and side that are ready in a span of days.
///
/// @param origin the side on which they were made; null for whichever those named were
/// @param currency of all that are not named; empty for the ledger's own
/// @param dated the day that all of them take there, instead of their own; null for theirs
/// @param options on top of the route's
record Choice(
        List<Long> ids,
        LocalDate from,
        LocalDate to,
        boolean purchases,
        Family family,
        Origin origin,
        String currency,
        LocalDate dated,
        BatchOptions options) {
    static Choice named(List<Long> ids) {
        return new Choice(ids, null, null, false, Family.DOCUMENT, null, "", null, BatchOptions.NONE);
    }

    static Choice within(
            List<Long> ids,
            LocalDate from,
            LocalDate to,
            boolean purchases,
            Family family,
            String currency,
            LocalDate dated,
            BatchOptions options) {
        boolean named = ids != null && !ids.isEmpty();
        return new Choice(ids, from, to, purchases, family, named ? null : Origin.SOURCE, currency, dated, options);
    }

    boolean isNamed() {
        return ids != null && !ids.isEmpty();
    }

    String[] kinds() {
        return RecordKind.words(kind -> isNamed() || (kind.isSale() != purchases && kind.family() == family));
    }
}
