package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// All crosswalks of a route as they stood at a moment, beside those of now.
@RestController
@RequestMapping("/api/map/then")
class ThenApi {
    private static final int LISTED = 2_000;
    private final Routes routes;
    private final CrosswalkStore store;
    private final RowWords words;

    /// @param then what it said at the moment; empty for no row, as is now
    record ThenRow(RowKind kind, String code, List<Said> then, List<Said> now, boolean same) {}

    /// @param same rows that say now what they said then
    /// @param rows by kind and code; the first 2,000
    record CrosswalkThen(Instant moment, int same, int different, List<ThenRow> rows) {}

    private record Both(RowKind kind, String code, Meaning then, Meaning now) {
        boolean isSame() {
            return then != null && then.equals(now);
        }
    }

    ThenApi(Routes routes, CrosswalkStore store, RowWords words) {
        this.routes = routes;
        this.store = store;
        this.words = words;
    }

    /// @param all whether those that are the same are listed too
    @GetMapping
    CrosswalkThen then(
            @RequestParam String route,
            @RequestParam Instant moment,
            @RequestParam(defaultValue = "false") boolean all) {
        RouteRow found = routes.getLeading(route);
        List<Both> rows = both(store.rowsAt(found.id(), moment), store.rows(found.id()));
        int same = (int) rows.stream().filter(Both::isSame).count();
        List<Both> listed =
                rows.stream().filter(row -> all || !row.isSame()).limit(LISTED).toList();
        return new CrosswalkThen(moment, same, rows.size() - same, said(found, listed));
    }

    private static List<Both> both(List<CrosswalkRow> then, List<CrosswalkRow> now) {
        Map<RowKind, Map<String, Meaning>> before = byCode(then);
        Map<RowKind, Map<String, Meaning>> after = byCode(now);
        List<Both> rows = new ArrayList<>();
        for (RowKind kind : RowKind.values()) {
            Map<String, Meaning> were = before.getOrDefault(kind, Map.of());
            Map<String, Meaning> are = after.getOrDefault(kind, Map.of());
            TreeSet<String> codes = new TreeSet<>(were.keySet());
            codes.addAll(are.keySet());
            codes.forEach(code -> rows.add(new Both(kind, code, were.get(code), are.get(code))));
        }
        return rows;
    }

    private static Map<RowKind, Map<String, Meaning>> byCode(List<CrosswalkRow> rows) {
        Map<RowKind, Map<String, Meaning>> byCode = new EnumMap<>(RowKind.class);
        rows.forEach(row ->
                byCode.computeIfAbsent(row.kind(), kind -> new HashMap<>()).put(row.code(), row.meaning()));
        return byCode;
    }

    /// Names are looked up once for each kind.
    private List<ThenRow> said(RouteRow route, List<Both> rows) {
        Map<RowKind, Function<Meaning, List<Said>>> saying = rows.stream()
                .collect(Collectors.groupingBy(
                        Both::kind,
                        Collectors.collectingAndThen(
                                Collectors.toList(),
                                of -> words.of(
                                        route,
                                        of.getFirst().kind(),
                                        of.stream()
                                                .flatMap(row -> Stream.of(row.then(), row.now()))
                                                .filter(meaning -> meaning != null)
                                                .toList()))));
        return rows.stream()
                .map(row -> new ThenRow(
                        row.kind(),
                        row.code(),
                        saying.get(row.kind()).apply(row.then()),
                        saying.get(row.kind()).apply(row.now()),
                        row.isSame()))
                .toList();
    }
}
