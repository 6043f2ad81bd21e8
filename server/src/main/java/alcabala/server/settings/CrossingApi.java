package alcabala.server.settings;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.masters.MasterProspects;
import alcabala.server.masters.MasterProspects.MasterPreview;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import alcabala.server.settings.CrossingEffect.CrossingPreview;
import alcabala.server.settings.CrossingTable.CrossingRow;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// What crosses on a route, kind by kind. It is decided as other settings are.
@RestController
@RequestMapping("/api/settings/crossing")
class CrossingApi {
    private final Routes routes;
    private final SettingStore store;
    private final Decisions decisions;
    private final CrossingTable table;
    private final CrossingEffect effect;
    private final SettingPreview preview;
    private final MasterProspects masters;
    private final Works works;

    CrossingApi(
            Routes routes,
            SettingStore store,
            Decisions decisions,
            CrossingTable table,
            CrossingEffect effect,
            SettingPreview preview,
            MasterProspects masters,
            Works works) {
        this.routes = routes;
        this.store = store;
        this.decisions = decisions;
        this.table = table;
        this.effect = effect;
        this.preview = preview;
        this.masters = masters;
        this.works = works;
    }

    @GetMapping
    List<CrossingRow> rows(@RequestParam String route) {
        return table.of(routes.getLeading(route));
    }

    /// What several decisions about one kind would do together to all of it that wait; changes nothing.
    ///
    /// @param change each a setting of that kind and its value, with a space between
    @GetMapping("/effect")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<CrossingPreview> effect(
            @RequestParam String route, @RequestParam @Size(min = 1, max = 60) List<String> change, Principal who) {
        RouteRow found = routes.getLeading(route);
        List<Decisions.Change> changes = changes(found, change);
        RouteSettings after = with(found, changes);
        return works.start(
                Kind.SUPPOSING,
                found.code() + " " + UUID.randomUUID(),
                who.getName(),
                CrossingPreview.class,
                at -> effect.of(found, kinds(changes), after, at));
    }

    /// What decisions about a kind of master would do to the fields of those that stand on both sides; changes nothing.
    ///
    /// @param change as above; none for what is decided now
    @GetMapping("/masters")
    MasterPreview masters(
            @RequestParam String route,
            @RequestParam Carried kind,
            @RequestParam(defaultValue = "") @Size(max = 60) List<String> change) {
        if (!Carried.MASTERS.contains(kind)) {
            throw NotPossibleException.invalid("kind-unknown", "Only parties and items have fields of their own.");
        }
        RouteRow found = routes.getLeading(route);
        return masters.of(found, kind, with(found, checked(found, change)));
    }

    /// The same on one real document.
    ///
    /// @param document the document to show it on; left out for one that it makes a difference to
    @GetMapping("/preview")
    SettingPreview.Previewed preview(
            @RequestParam String route,
            @RequestParam @Size(min = 1, max = 60) List<String> change,
            @RequestParam(required = false) Long document) {
        RouteRow found = routes.getLeading(route);
        List<Decisions.Change> changes = changes(found, change);
        return preview.ofKind(found, kinds(changes), with(found, changes), document);
    }

    private static List<RecordKind> kinds(List<Decisions.Change> changes) {
        Carried of = changes.getFirst().setting().of();
        return of == Carried.EVERYTHING ? List.of(RecordKind.values()) : of.kinds();
    }

    private RouteSettings with(RouteRow route, List<Decisions.Change> changes) {
        RouteSettings with = store.of(route.id());
        for (Decisions.Change each : changes) {
            with = with.with(each.setting(), each.value());
        }
        return with;
    }

    private List<Decisions.Change> changes(RouteRow route, List<String> said) {
        List<Decisions.Change> changes = checked(route, said);
        if (changes.stream().map(each -> each.setting().of()).distinct().count() > 1) {
            throw NotPossibleException.invalid("kinds-mixed", "Look at one kind of record at a time.");
        }
        return changes;
    }

    private List<Decisions.Change> checked(RouteRow route, List<String> said) {
        List<Decisions.Change> changes = said.stream()
                .map(each -> each.split(" ", 2))
                .map(each ->
                        new Decisions.Change(SettingsApi.named(each[0]), each.length == 1 ? "" : each[1].trim(), 0))
                .toList();
        changes.forEach(each -> decisions.check(route, each.setting(), each.value()));
        return changes;
    }
}
