package alcabala.server.settings;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.Section;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Shape;
import alcabala.server.compile.Released;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.readiness.Numbering;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import alcabala.server.route.SettingStore.Decided;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// The settings of a route.
@RestController
@RequestMapping("/api/settings")
class SettingsApi {
    private final Routes routes;
    private final SettingStore store;
    private final Decisions decisions;
    private final SettingPreview preview;
    private final Numbering numbering;
    private final Works works;

    record Word(String value, String says) {}

    /// @param shape `choice`, `day`, `count`, `prefix`, `tax-code` or `bank-account`
    /// @param of the kind that it is decided for
    /// @param version 0 while nobody decided
    record SettingJson(
            String setting,
            Section section,
            Carried of,
            String title,
            String does,
            String shape,
            List<Word> choices,
            String value,
            String says,
            String standard,
            int version,
            String setBy,
            Instant setAt) {}

    /// @param expectedVersion the version that was seen
    record SettingChange(
            @NotBlank @Size(max = 60) String setting,
            @NotNull @Size(max = 100) String value,
            int expectedVersion) {}

    /// What is decided together.
    ///
    /// @param onlyNext whether what waits now goes by itself no more than before; left out for no
    record DecideSettings(
            @NotBlank String route,
            @NotNull @Size(min = 1, max = 60) List<@NotNull @Valid SettingChange> changes,
            Boolean onlyNext) {}

    record DecidedJson(String sentence) {}

    record SettingVersion(int version, String value, String says, String setBy, Instant setAt) {}

    SettingsApi(
            Routes routes,
            SettingStore store,
            Decisions decisions,
            SettingPreview preview,
            Numbering numbering,
            Works works) {
        this.routes = routes;
        this.store = store;
        this.decisions = decisions;
        this.preview = preview;
        this.numbering = numbering;
        this.works = works;
    }

    @GetMapping
    List<SettingJson> all(@RequestParam String route) {
        Map<Setting, Decided> decided = store.decided(routes.getLeading(route).id()).stream()
                .collect(Collectors.toMap(Decided::setting, Function.identity()));
        return Setting.all().stream()
                .map(setting -> json(setting, decided.get(setting)))
                .toList();
    }

    static Setting named(String name) {
        return Setting.find(name)
                .orElseThrow(
                        () -> NotPossibleException.invalid("setting-unknown", "There is no setting “" + name + "”."));
    }

    private static SettingJson json(Setting setting, Decided decided) {
        String value = decided == null ? setting.standard() : decided.value();
        return new SettingJson(
                setting.name(),
                setting.topic().section(),
                setting.of(),
                SettingSentences.title(setting),
                SettingSentences.does(setting),
                shape(setting.shape()),
                choices(setting),
                value,
                SettingSentences.word(setting, value),
                setting.standard(),
                decided == null ? 0 : decided.version(),
                decided == null ? "" : decided.setBy(),
                decided == null ? null : decided.setAt());
    }

    private static String shape(Shape shape) {
        return switch (shape) {
            case Shape.Choice s -> "choice";
            case Shape.Day s -> "day";
            case Shape.Count s -> "count";
            case Shape.Prefix s -> "prefix";
            case Shape.TaxCode s -> "tax-code";
            case Shape.Account s -> "bank-account";
        };
    }

    private static List<Word> choices(Setting setting) {
        return setting.shape() instanceof Shape.Choice choice
                ? choice.words().stream()
                        .map(word -> new Word(word, SettingSentences.word(setting, word)))
                        .toList()
                : List.of();
    }

    /// What waits is compiled again behind the request.
    @PutMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<DecidedJson> decide(@Valid @RequestBody DecideSettings decided, Principal who) {
        RouteRow route = routes.getLeading(decided.route());
        List<Decisions.Change> changes = decided.changes().stream()
                .map(each ->
                        new Decisions.Change(named(each.setting()), each.value().trim(), each.expectedVersion()))
                .toList();
        boolean onlyNext = Boolean.TRUE.equals(decided.onlyNext());
        return works.start(
                Kind.COMPILING,
                route.code() + " " + UUID.randomUUID(),
                who.getName(),
                DecidedJson.class,
                at -> new DecidedJson(sentence(decisions.decide(route, changes, onlyNext, who.getName(), at))));
    }

    private static String sentence(Decisions.Taken taken) {
        StringBuilder sentence = new StringBuilder("Decided");
        Released released = taken.released();
        if (taken.moved() > 0) {
            sentence.append("; it concerns ").append(taken.moved()).append(" documents");
        }
        if (taken.held() > 0) {
            sentence.append("; ").append(taken.held()).append(" that were there wait for somebody to send them");
        }
        if (released.count() > 0) {
            sentence.append("; ").append(released.sentence());
        }
        if (released.blockedAgain() > 0) {
            sentence.append("; ").append(released.blockedAgain()).append(" are blocked by it");
        }
        return sentence.toString();
    }

    /// What another value would do; changes nothing.
    ///
    /// @param document the document to show it on; left out for one that it makes a difference to
    @GetMapping("/preview")
    SettingPreview.Previewed preview(
            @RequestParam String route,
            @RequestParam String setting,
            @RequestParam(defaultValue = "") String value,
            @RequestParam(required = false) Long document) {
        RouteRow found = routes.getLeading(route);
        decisions.check(found, named(setting), value);
        return preview.of(found, named(setting), value, document);
    }

    @GetMapping("/history")
    List<SettingVersion> history(@RequestParam String route, @RequestParam String setting) {
        Setting named = named(setting);
        return store.history(routes.getLeading(route).id(), named).stream()
                .map(each -> new SettingVersion(
                        each.version(),
                        each.value(),
                        SettingSentences.word(named, each.value()),
                        each.setBy(),
                        each.setAt()))
                .toList();
    }

    /// The numbers of both sides, and a next one that neither has used; the ledger is asked.
    @GetMapping("/numbers")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<Numbering.NumbersOfKind[]> numbers(@RequestParam String route, Principal who) {
        RouteRow found = routes.getLeading(route);
        return works.start(
                Kind.NUMBERS,
                found.code(),
                who.getName(),
                Numbering.NumbersOfKind[].class,
                at -> numbering.of(found).toArray(Numbering.NumbersOfKind[]::new));
    }
}
