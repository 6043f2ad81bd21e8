package alcabala.server.map;

import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.compile.Released;
import alcabala.server.compile.Rerouting;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.map.MapRow.CrosswalkRowJson;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.SumJson;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/map")
class MapApi {
    private final Routes routes;
    private final MapView view;
    private final Mapping mapping;
    private final MapPages pages;
    private final RowChanges changes;
    private final RouteMove move;
    private final Rerouting rerouting;
    private final Works works;

    record ChangeRow(
            @NotBlank String route,
            @NotNull RowKind kind,
            @NotBlank @Size(max = 200) String code,
            Meaning meaning,
            int expectedVersion,
            boolean remove,
            @Size(max = 500) String note) {
        ChangeRow {
            meaning = meaning == null ? Meaning.NONE : meaning;
            note = note == null ? "" : note.strip();
        }
    }

    record ChangedRow(
            int released,
            List<SumJson> gross,
            int blockedAgain,
            String sentence,
            CrosswalkRowJson before,
            CrosswalkRowJson after) {}

    /// @param codes whose suggestions were looked at; left out for all exact ones
    record AcceptSuggestions(
            @NotBlank String route,
            @NotNull RowKind kind,
            @Size(max = 5000) Set<@NotNull @Size(max = 200) String> codes) {}

    /// @param rows their versions by code, to take them back with
    record AcceptedRows(Map<String, Integer> rows, String sentence) {}

    /// @param rows versions by code, as they were seen
    record TakeAway(
            @NotBlank String route,
            @NotNull RowKind kind,
            @NotNull @Size(min = 1, max = 5000) Map<@NotBlank @Size(max = 200) String, @NotNull Integer> rows) {}

    record TakenAway(String sentence) {}

    record MoveRoute(@NotBlank String route, @NotNull Long toLedger) {}

    MapApi(
            Routes routes,
            MapView view,
            Mapping mapping,
            MapPages pages,
            RowChanges changes,
            RouteMove move,
            Rerouting rerouting,
            Works works) {
        this.routes = routes;
        this.view = view;
        this.mapping = mapping;
        this.pages = pages;
        this.changes = changes;
        this.move = move;
        this.rerouting = rerouting;
        this.works = works;
    }

    /// A page of one crosswalk; what is open comes first, that which holds up most money before the others.
    ///
    /// @param text on either page of the list; empty for all
    /// @param only `open` for what nothing answers for, `hidden` for parties that somebody put out of sight
    @GetMapping("/{kind}")
    MapPages.MapPage rows(
            @PathVariable RowKind kind,
            @RequestParam String route,
            @RequestParam(defaultValue = "") @Size(max = 200) String text,
            @RequestParam(defaultValue = "") @Pattern(regexp = "|open|hidden") String only,
            @RequestParam(defaultValue = "0") @Min(0) int skip,
            @RequestParam(defaultValue = "500") @Min(1) @Max(1000) int limit) {
        return pages.page(
                routes.getLeading(route),
                kind,
                new MapPages.Wanted(text, only.equals("open"), only.equals("hidden"), skip, limit));
    }

    /// How much of each crosswalk stands, and what the rest holds up.
    @GetMapping("/summary")
    List<MapPages.KindCounts> summary(@RequestParam String route) {
        return pages.counts(routes.getLeading(route));
    }

    /// Takes suggestions over: those of the codes named, or all that need no look at each.
    @PostMapping("/suggestions")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<AcceptedRows> accept(@Valid @RequestBody AcceptSuggestions wanted, Principal who) {
        RouteRow route = routes.getLeading(wanted.route());
        return behind(route, who, AcceptedRows.class, at -> accept(route, wanted, who.getName(), at));
    }

    /// What a change of the crosswalk touches is compiled again behind the request; each is a work of its own.
    private <T> Work<T> behind(RouteRow route, Principal who, Class<T> type, Works.Task<T> task) {
        return works.start(Kind.COMPILING, route.code() + " " + UUID.randomUUID(), who.getName(), type, task);
    }

    private AcceptedRows accept(RouteRow route, AcceptSuggestions wanted, String who, Progress at) {
        Map<String, Suggestion> suggested = new LinkedHashMap<>();
        view.rows(route, wanted.kind()).stream()
                .filter(row -> row.row() == null && row.suggestion() != null)
                .filter(row -> wanted.codes() == null
                        ? row.suggestion().exact()
                        : wanted.codes().contains(row.code()))
                .forEach(row -> suggested.put(row.code(), row.suggestion()));
        Mapping.Accepted accepted = mapping.accept(route, wanted.kind(), suggested, who, at);
        return new AcceptedRows(
                accepted.rows(),
                "%d %s mapped, %s"
                        .formatted(
                                accepted.rows().size(),
                                accepted.rows().size() == 1 ? "row" : "rows",
                                accepted.released().wholeSentence()));
    }

    /// Takes several rows back at once, such as those that were accepted together.
    @PostMapping("/rows/removal")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<TakenAway> takeAway(@Valid @RequestBody TakeAway wanted, Principal who) {
        RouteRow route = routes.getLeading(wanted.route());
        return behind(
                route,
                who,
                TakenAway.class,
                at -> new TakenAway(mapping.takeAway(route, wanted.kind(), wanted.rows(), who.getName(), at)
                        .wholeSentence()));
    }

    @PutMapping("/row")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<ChangedRow> change(@Valid @RequestBody ChangeRow change, Principal who) {
        RouteRow route = routes.getLeading(change.route());
        return behind(route, who, ChangedRow.class, at -> change(route, change, who.getName(), at));
    }

    private ChangedRow change(RouteRow route, ChangeRow change, String who, Progress at) {
        Mapping.Changed changed = mapping.change(
                route,
                new Mapping.Change(
                        change.kind(),
                        change.code(),
                        change.meaning(),
                        change.expectedVersion(),
                        change.remove(),
                        change.note()),
                who,
                at);
        Released released = changed.released();
        return new ChangedRow(
                released.count(),
                SumJson.of(released.gross()),
                released.blockedAgain(),
                released.wholeSentence(),
                CrosswalkRowJson.of(changed.before()),
                CrosswalkRowJson.of(changed.after()));
    }

    /// What moving a route to another ledger would do; changes nothing.
    @GetMapping("/move")
    RouteMove.Plan plan(@RequestParam String route, @RequestParam long toLedger) {
        return move.plan(routes.getLeading(route), toLedger);
    }

    /// Where the waiting documents of a source would go with a new route; changes nothing.
    ///
    /// @param site the site that the route would be for; empty for a default one
    @GetMapping("/ways")
    List<Rerouting.SiteWay> ways(
            @RequestParam long source, @RequestParam(defaultValue = "") String site, @RequestParam String ledger) {
        return rerouting.preview(source, site, ledger);
    }

    /// Where the waiting documents of a route would go if it ended; changes nothing.
    @GetMapping("/ways/ending")
    List<Rerouting.SiteWay> waysAtItsEnd(@RequestParam String route) {
        return rerouting.previewEnding(routes.getLeading(route));
    }

    @PostMapping("/move")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<RouteMove.Moved> move(@Valid @RequestBody MoveRoute wanted, Principal who) {
        RouteRow route = routes.getLeading(wanted.route());
        return behind(route, who, RouteMove.Moved.class, at -> move.move(route, wanted.toLedger(), who.getName(), at));
    }

    @GetMapping("/history")
    List<CrosswalkChange> history(@RequestParam String route, @RequestParam RowKind kind, @RequestParam String code) {
        return changes.of(routes.getLeading(route), kind, code);
    }

    /// What was changed last, of all kinds, the newest first.
    ///
    /// @param before when; left out for now
    @GetMapping("/changes")
    List<CrosswalkChange> changes(
            @RequestParam String route,
            @RequestParam(required = false) Instant before,
            @RequestParam(defaultValue = "100") @Min(1) @Max(500) int limit) {
        return changes.last(routes.getLeading(route), before, limit);
    }
}
