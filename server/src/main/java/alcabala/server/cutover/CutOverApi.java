package alcabala.server.cutover;

import alcabala.server.cutover.CutOverJson.LastCutOver;
import alcabala.server.cutover.CutOverLinks.Wanted;
import alcabala.server.cutover.CutOverStore.Asked;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.Principal;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/// The day on which a route begins: both sides side by side, and documents that are the same paired.
@RestController
@RequestMapping("/api/cut-over")
class CutOverApi {
    private final Routes routes;
    private final CutOverStore store;
    private final CutOverSheet sheet;
    private final CutOverView view;
    private final CutOverLinks links;
    private final Works works;

    record CutOverOrder(@NotBlank String route, @NotNull LocalDate day) {}

    /// @param pairs none to pair all that are certain
    record PairOrder(
            @NotBlank String route,
            @NotNull @Size(max = 5000) List<@NotNull @Valid PairJson> pairs) {}

    record PairJson(long record, @NotBlank String there) {}

    record ApartOrder(
            @NotBlank String route,
            @NotEmpty @Size(max = 5000) List<@NotNull Long> records) {}

    CutOverApi(
            Routes routes, CutOverStore store, CutOverSheet sheet, CutOverView view, CutOverLinks links, Works works) {
        this.routes = routes;
        this.store = store;
        this.sheet = sheet;
        this.view = view;
        this.links = links;
        this.works = works;
    }

    @GetMapping
    LastCutOver last(@RequestParam String route) {
        RouteRow found = routes.getLeading(route);
        return new LastCutOver(store.find(found)
                .map(asked -> view.of(found, sheet.of(found, asked)))
                .orElse(null));
    }

    /// Asks the ledger; changes nothing on either side.
    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<CutOverJson> ask(@Valid @RequestBody CutOverOrder order, Principal who) {
        RouteRow route = routes.getLeading(order.route());
        LocalDate day = sheet.likely(order.day());
        return works.start(Kind.CUT_OVER, "cut-over of " + route.code(), who.getName(), CutOverJson.class, at -> {
            sheet.ask(route, day, who.getName(), at);
            return view.of(route, sheet.of(route, asked(route)));
        });
    }

    /// Reads what a ledger that cannot be asked wrote of the day; changes nothing on either side.
    @PostMapping(value = "/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    CutOverJson take(@RequestParam String route, @RequestPart("file") MultipartFile file, Principal who)
            throws IOException {
        RouteRow found = routes.getLeading(route);
        sheet.take(found, file.getBytes(), who.getName());
        return view.of(found, sheet.of(found, asked(found)));
    }

    @PostMapping("/pairs")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<CutOverLinks.Paired> pair(@Valid @RequestBody PairOrder order, Principal who) {
        RouteRow route = routes.getLeading(order.route());
        Asked asked = asked(route);
        return works.start(
                Kind.CUT_OVER,
                "pairs of " + route.code(),
                who.getName(),
                CutOverLinks.Paired.class,
                at -> links.pair(
                        route,
                        asked.id(),
                        order.pairs().isEmpty()
                                ? certain(route, asked)
                                : order.pairs().stream()
                                        .map(each -> new Wanted(each.record(), each.there()))
                                        .toList(),
                        who.getName(),
                        at));
    }

    private List<Wanted> certain(RouteRow route, Asked asked) {
        return sheet.of(route, asked).documents().pairs().stream()
                .filter(pair -> pair.isCertain() && !pair.isLinked())
                .map(pair -> new Wanted(pair.here().id(), pair.there().id()))
                .toList();
    }

    @PostMapping("/pairs/apart")
    CutOverLinks.Paired apart(@Valid @RequestBody ApartOrder order, Principal who) {
        return links.apart(routes.getLeading(order.route()), order.records(), who.getName());
    }

    private Asked asked(RouteRow route) {
        return store.find(route)
                .orElseThrow(() -> NotPossibleException.conflict(
                        "not-compared", "Both sides have not been compared yet; choose the day first."));
    }
}
