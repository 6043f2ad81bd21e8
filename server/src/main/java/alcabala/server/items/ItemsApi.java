package alcabala.server.items;

import alcabala.server.items.Rewriting.Row;
import alcabala.server.items.Rewriting.RowState;
import alcabala.server.items.Rewriting.State;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// How items are named there, and all of them written anew.
@RestController
@RequestMapping("/api/items")
class ItemsApi {
    private static final int LISTED = 2_000;
    private final Routes routes;
    private final NewItems newItems;
    private final Rewritings rewritings;
    private final RewritingStore store;
    private final RewritingRun run;
    private final Works works;

    /// @param items that would be created on first use
    /// @param fitted how many of their names are cut, or lose a character
    /// @param alike how many of them collide; the first 2,000 are listed
    record NamesThere(int limit, String forbidden, int items, int fitted, int alike, List<NameAlike> rows) {}

    /// One of several items whose names would be the same.
    ///
    /// @param named what they would all be called there, in small letters
    /// @param there whether the ledger has it already
    /// @param proposed empty for one that keeps its name
    record NameAlike(String named, String code, String name, boolean there, String proposed) {}

    /// @param rows the first 2,000 of those still open or left
    record RewritingJson(
            long id,
            State state,
            String reason,
            String by,
            Instant at,
            int open,
            int done,
            int left,
            List<RewritingRow> rows) {}

    /// @param name as it is there now
    record RewritingRow(
            String code, String there, String name, List<ItemChange> changes, RowState state, String sentence) {}

    ItemsApi(
            Routes routes,
            NewItems newItems,
            Rewritings rewritings,
            RewritingStore store,
            RewritingRun run,
            Works works) {
        this.routes = routes;
        this.newItems = newItems;
        this.rewritings = rewritings;
        this.store = store;
        this.run = run;
        this.works = works;
    }

    /// Which of the items that would be created there would have the same names.
    @GetMapping("/names")
    NamesThere names(@RequestParam String route) {
        NewItems.Checked checked = newItems.check(routes.getLeading(route));
        List<NameAlike> alike = checked.collisions().stream()
                .flatMap(each -> each.items().stream().map(code -> alike(checked, each.name(), code)))
                .toList();
        int fitted = (int) checked.fresh().values().stream()
                .filter(name -> !checked.rules().takes(name))
                .count();
        return new NamesThere(
                checked.rules().limit(),
                checked.rules().forbidden(),
                checked.fresh().size(),
                fitted,
                alike.size(),
                alike.stream().limit(LISTED).toList());
    }

    private static NameAlike alike(NewItems.Checked checked, String name, String code) {
        boolean there = checked.there().containsKey(code);
        return new NameAlike(
                name,
                code,
                there ? checked.there().get(code) : checked.fresh().get(code),
                there,
                checked.proposals().getOrDefault(code, ""));
    }

    /// What would change if all items there were written anew; changes nothing yet.
    @PostMapping("/rewritings")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<RewritingJson> list(@RequestParam String route, Principal who) {
        RouteRow found = routes.getLeading(route);
        return works.start(
                Kind.SUPPOSING,
                "items of " + found.code(),
                who.getName(),
                RewritingJson.class,
                at -> rewritings
                        .list(found, who.getName())
                        .map(this::json)
                        .orElseThrow(
                                () -> NotPossibleException.invalid(
                                        "nothing-to-change",
                                        "All items that stand on both sides are named, booked and measured there as they are here.")));
    }

    /// The one that was begun last; none, or one.
    @GetMapping("/rewritings")
    List<RewritingJson> last(@RequestParam String route) {
        return store.findLast(routes.getLeading(route).id()).stream()
                .map(this::json)
                .toList();
    }

    @GetMapping("/rewritings/{id}")
    RewritingJson get(@PathVariable long id) {
        return json(visible(id));
    }

    /// Begins it, or goes on where it was left.
    @PostMapping("/rewritings/{id}/running")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<RewritingJson> begin(@PathVariable long id, Principal who) {
        Rewriting rewriting = visible(id);
        RouteRow route = routes.get(rewriting.routeId());
        if (rewriting.open() + rewriting.left() == 0) {
            throw NotPossibleException.conflict("nothing-to-change", "All of it is done.");
        }
        return works.start(
                Kind.REWRITING,
                "rewriting " + id,
                who.getName(),
                RewritingJson.class,
                at -> json(run.run(rewriting, route, who.getName(), at)));
    }

    /// After the item that it is at.
    @PostMapping("/rewritings/{id}/stopping")
    RewritingJson stop(@PathVariable long id, Principal who) {
        visible(id);
        store.end(id, "Stopped by " + who.getName() + ".");
        return get(id);
    }

    private Rewriting visible(long id) {
        Rewriting rewriting = store.get(id);
        routes.get(rewriting.routeId());
        return rewriting;
    }

    private RewritingJson json(Rewriting rewriting) {
        Optional<String> begun = Optional.of(rewriting.begunBy()).filter(who -> !who.isEmpty());
        return new RewritingJson(
                rewriting.id(),
                rewriting.state(),
                rewriting.reason(),
                begun.orElse(rewriting.madeBy()),
                begun.isPresent() ? rewriting.begunAt() : rewriting.madeAt(),
                rewriting.open(),
                rewriting.done(),
                rewriting.left(),
                Stream.of(RowState.LEFT, RowState.OPEN)
                        .flatMap(state -> store.rows(rewriting.id(), state, "", LISTED).stream())
                        .limit(LISTED)
                        .map(ItemsApi::json)
                        .toList());
    }

    private static RewritingRow json(Row row) {
        return new RewritingRow(
                row.code(),
                row.there(),
                row.before().name(),
                ItemChange.between(row.before(), row.after()),
                row.state(),
                row.sentence());
    }
}
