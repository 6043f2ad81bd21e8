package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.CrosswalkStore.Key;
import alcabala.server.compile.CrosswalkStore.Span;
import alcabala.server.route.RouteRow;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// Who changed which row, when, from what, to what, and why.
@Component
class RowChanges {
    /// The newest first; of one moment in order of their names.
    private static final Comparator<CrosswalkChange> NEWEST = Comparator.comparing(CrosswalkChange::setAt)
            .reversed()
            .thenComparing(CrosswalkChange::kind)
            .thenComparing(CrosswalkChange::code)
            .thenComparing(Comparator.comparing(CrosswalkChange::version).reversed());
    private final CrosswalkStore store;
    private final OnLedger ledger;

    RowChanges(CrosswalkStore store, OnLedger ledger) {
        this.store = store;
        this.ledger = ledger;
    }

    /// All of one row.
    List<CrosswalkChange> of(RouteRow route, RowKind kind, String code) {
        return shown(route, store.spans(route.id(), kind, code), null)
                .sorted(NEWEST)
                .toList();
    }

    /// Of all rows, those of a moment all or none.
    ///
    /// @param before null for the newest
    List<CrosswalkChange> last(RouteRow route, Instant before, int limit) {
        return shown(route, store.lastSpans(route.id(), before, limit), before)
                .sorted(NEWEST)
                .limit(limit)
                .toList();
    }

    /// @param before what was changed later is left out; null for nothing
    private Stream<CrosswalkChange> shown(RouteRow route, Collection<Span> spans, Instant before) {
        Map<Key, Span> byKey = new HashMap<>();
        spans.forEach(span -> byKey.put(span.key(), span));
        Map<RowKind, LedgerNames> names = new HashMap<>();
        spans.stream()
                .map(span -> span.key().kind())
                .distinct()
                .forEach(kind -> names.put(
                        kind,
                        ledger.names(
                                route,
                                kind,
                                spans.stream()
                                        .filter(span -> span.key().kind() == kind)
                                        .map(Span::meaning)
                                        .toList())));
        Set<CrosswalkChange> changes = new HashSet<>();
        for (Span span : spans) {
            LedgerNames known = names.get(span.key().kind());
            changes.add(set(span, byKey.get(span.key().earlier()), known));
            if (span.endedAt() != null
                    && !span.isFollowedBy(byKey.get(span.key().later()))) {
                changes.add(takenAway(span, byKey.get(span.key().later()), known));
            }
        }
        return changes.stream()
                .filter(change -> before == null || change.setAt().isBefore(before));
    }

    private static CrosswalkChange set(Span span, Span earlier, LedgerNames names) {
        Meaning before = earlier != null && earlier.isFollowedBy(span) ? earlier.meaning() : null;
        return change(
                span, before, span.meaning(), names, span.setBy(), span.setAt(), span.note(), span.endedAt() == null);
    }

    private static CrosswalkChange takenAway(Span span, Span later, LedgerNames names) {
        return change(
                span, span.meaning(), null, names, span.endedBy(), span.endedAt(), span.endedNote(), later == null);
    }

    private static CrosswalkChange change(
            Span span,
            Meaning before,
            Meaning meaning,
            LedgerNames names,
            String who,
            Instant at,
            String note,
            boolean stands) {
        RowKind kind = span.key().kind();
        return new CrosswalkChange(
                kind,
                span.key().code(),
                span.key().version(),
                before,
                meaning,
                said(kind, before, names),
                said(kind, meaning, names),
                who,
                at,
                note,
                stands);
    }

    private static List<Said> said(RowKind kind, Meaning meaning, LedgerNames names) {
        return meaning == null ? List.of() : RowsInHand.said(kind, meaning, names);
    }
}
