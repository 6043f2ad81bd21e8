package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.map.LargeKinds.Counts;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.Amounts;
import alcabala.server.route.RouteRow;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// The crosswalk page by page, and how much of it stands.
@Component
class MapPages {
    private final MapView view;
    private final LargeKinds large;
    private final Likeness likeness;
    private final OnLedger ledger;

    /// @param text on either page; empty for all
    /// @param skip how many of those that match come before the page
    /// @param hidden only what somebody put out of sight
    record Wanted(String text, boolean onlyOpen, boolean hidden, int skip, int limit) {
        static final Wanted ALL = new Wanted("", false, false, 0, Integer.MAX_VALUE);
    }

    /// @param count how many match, those of other pages included
    record MapPage(List<MapRow> rows, int count) {}

    /// How much of one kind stands.
    ///
    /// @param count how many rows there are, those included that nothing that crosses needs
    /// @param mapped how many have a row of their own
    /// @param covered for how many something more general answers
    /// @param open for how many nothing answers
    /// @param heldUp what waits for those, a decimal in the route's currency
    /// @param waiting what waits on the whole route, for whatever reason
    /// @param exact for how many a suggestion may be accepted without looking at it
    record KindCounts(
            RowKind kind, int count, int mapped, int covered, int open, String heldUp, String waiting, int exact) {}

    MapPages(MapView view, LargeKinds large, Likeness likeness, OnLedger ledger) {
        this.view = view;
        this.large = large;
        this.likeness = likeness;
        this.ledger = ledger;
    }

    MapPage page(RouteRow route, RowKind kind, Wanted wanted) {
        if (!LargeKinds.has(kind)) {
            return small(route, kind, wanted);
        }
        Map<String, Suggestion> together = kind == RowKind.PARTY ? likeness.of(route) : Map.of();
        Collection<String> answers = kind == RowKind.PARTY ? together.keySet() : view.answersForItems(route);
        LargeKinds.Codes found = large.codes(route, kind, answers, wanted);
        if (found.codes().isEmpty()) {
            return new MapPage(List.of(), found.count());
        }
        List<MapView.Row> made = view.rows(route, kind, found.codes()).stream()
                .map(row -> seenTogether(row, together))
                .toList();
        Map<String, MapRow> rows =
                shown(route, kind, made).stream().collect(Collectors.toMap(MapRow::code, Function.identity()));
        return new MapPage(
                found.codes().stream()
                        .flatMap(code -> Stream.ofNullable(rows.get(code)))
                        .toList(),
                found.count());
    }

    private static MapView.Row seenTogether(MapView.Row row, Map<String, Suggestion> together) {
        return row.suggestion() != null
                        && row.suggestion().exact()
                        && Likeness.isDisputed(
                                together, row.code(), row.suggestion().counterpart())
                ? row.doubtful()
                : row;
    }

    private MapPage small(RouteRow route, RowKind kind, Wanted wanted) {
        String text = wanted.text().strip().toLowerCase(Locale.ROOT);
        List<MapRow> matching = shown(route, kind, view.rows(route, kind)).stream()
                .filter(row -> (!wanted.onlyOpen() || row.open()) && row.has(text))
                .toList();
        return new MapPage(
                matching.stream().skip(wanted.skip()).limit(wanted.limit()).toList(), matching.size());
    }

    private List<MapRow> shown(RouteRow route, RowKind kind, List<MapView.Row> rows) {
        LedgerNames names = ledger.names(
                route,
                kind,
                rows.stream()
                        .flatMap(row -> Stream.ofNullable(row.row()))
                        .map(CrosswalkRow::meaning)
                        .toList());
        return rows.stream().map(row -> MapRow.of(route, kind, row, names)).toList();
    }

    /// Of each kind, in no order.
    List<KindCounts> counts(RouteRow route) {
        MapView.Loaded loaded = view.loadSmall(route);
        String waiting = Amounts.decimal(route.currency(), view.waiting(route));
        return Arrays.stream(RowKind.values())
                .filter(kind -> kind != RowKind.LINE)
                .map(kind -> LargeKinds.has(kind)
                        ? countLarge(route, kind, waiting)
                        : countSmall(route, kind, view.rows(route, kind, loaded), waiting))
                .toList();
    }

    private KindCounts countLarge(RouteRow route, RowKind kind, String waiting) {
        if (kind == RowKind.ITEM) {
            Counts counts = large.counts(route, kind, view.answersForItems(route));
            return counted(route, kind, counts, waiting, large.itemsOfSameCode(route));
        }
        Map<String, Suggestion> likeliest = likeness.of(route);
        List<String> exact = likeliest.entrySet().stream()
                .filter(each -> each.getValue().exact())
                .map(Map.Entry::getKey)
                .toList();
        return counted(
                route, kind, large.counts(route, kind, likeliest.keySet()), waiting, large.unmapped(route, exact));
    }

    private static KindCounts counted(RouteRow route, RowKind kind, Counts counts, String waiting, int exact) {
        return new KindCounts(
                kind,
                counts.mapped() + counts.covered() + counts.open(),
                counts.mapped(),
                counts.covered(),
                counts.open(),
                Amounts.decimal(route.currency(), counts.heldUp()),
                waiting,
                exact);
    }

    private static KindCounts countSmall(RouteRow route, RowKind kind, List<MapView.Row> rows, String waiting) {
        List<MapView.Row> open = rows.stream().filter(MapView.Row::isOpen).toList();
        return new KindCounts(
                kind,
                rows.size(),
                (int) rows.stream().filter(MapView.Row::isMapped).count(),
                (int) rows.stream()
                        .filter(row -> !row.isMapped() && row.needed() && !row.isOpen())
                        .count(),
                open.size(),
                Amounts.decimal(
                        route.currency(),
                        open.stream().mapToLong(MapView.Row::blockedAmount).sum()),
                waiting,
                (int) rows.stream()
                        .flatMap(row -> Stream.ofNullable(row.suggestion()))
                        .filter(Suggestion::exact)
                        .count());
    }
}
