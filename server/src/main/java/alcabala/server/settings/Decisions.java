package alcabala.server.settings;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Setting;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.setting.Trigger;
import alcabala.server.compile.Affected;
import alcabala.server.compile.Released;
import alcabala.server.crossing.EnteredHeld;
import alcabala.server.crossing.HeldBack;
import alcabala.server.crossing.Outcomes;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.SourceFacts;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.Trail;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Takes a decision about a route: checked, versioned, on the trail, and everything that waits is compiled anew.
@Component
class Decisions {
    private static final Setting PAYMENTS = new Setting(Topic.DIRECTION, Carried.PAYMENTS);
    /// Directions in which what was entered on the ledger comes back.
    private static final Set<String> BACK = Set.of("both", "from-ledger");
    private final JdbcClient jdbc;
    private final EnteredHeld entered;
    private final SourceFacts facts;
    private final Outcomes outcomes;
    private final HeldBack heldBack;
    private final Routes routes;
    private final SettingStore store;
    private final LedgerReference reference;
    private final Affected affected;
    private final Trail trail;

    /// @param moved documents that wait now and did not before, or the other way round, or whose payments came back
    /// @param held how many wait for somebody to send them, though their kind goes by itself from now on
    record Taken(int moved, int held, Released released) {}

    /// @param expected the version of the setting that was seen
    record Change(Setting setting, String value, int expected) {}

    Decisions(
            JdbcClient jdbc,
            EnteredHeld entered,
            SourceFacts facts,
            Outcomes outcomes,
            HeldBack heldBack,
            Routes routes,
            SettingStore store,
            LedgerReference reference,
            Affected affected,
            Trail trail) {
        this.jdbc = jdbc;
        this.entered = entered;
        this.facts = facts;
        this.outcomes = outcomes;
        this.heldBack = heldBack;
        this.routes = routes;
        this.store = store;
        this.reference = reference;
        this.affected = affected;
        this.trail = trail;
    }

    void check(RouteRow route, Setting setting, String value) {
        if (!setting.shape().takes(value, reference.profile(route.ledgerId()))) {
            throw NotPossibleException.invalid(
                    "value-invalid",
                    "“%s” is nothing that “%s” takes on %s."
                            .formatted(value, SettingSentences.title(setting), route.ledger()));
        }
        boolean back = setting.topic() == Topic.DIRECTION
                && BACK.contains(value)
                && setting.of().isDocument();
        if (back && (route.fromFiles() || !route.ledgerAnswers() || !entered.isTaken(route))) {
            throw NotPossibleException.invalid(
                    "source-takes-none",
                    "%s cannot be told of documents that are entered in %s.".formatted(route.source(), route.ledger()));
        }
    }

    /// All of them or none.
    ///
    /// @param onlyNext whether what waits now goes by itself no more than before
    @Transactional
    public Taken decide(RouteRow route, List<Change> changes, boolean onlyNext, String who, Progress at) {
        routes.lock(route.id());
        routes.requireNothingOnItsWay(route);
        List<RecordKind> kinds = kinds(changes);
        List<Long> going = onlyNext ? heldBack.going(route.id(), automatic(route, kinds)) : List.of();
        changes.forEach(each -> decide(route, each, who));
        int moved = changes.stream().mapToInt(each -> move(route, each)).sum();
        changes.stream()
                .filter(Decisions::saysHowItGoes)
                .forEach(
                        each -> heldBack.release(route.id(), each.setting().of().kinds()));
        int held = onlyNext ? hold(route, automatic(route, kinds), going, who) : 0;
        String why = changes.stream()
                .map(each -> SettingSentences.title(each.setting()))
                .collect(Collectors.joining(", "));
        return new Taken(moved, held, affected.compileAgain(route.id(), Set.of(), who, "setting " + why, at));
    }

    private void decide(RouteRow route, Change change, String who) {
        Setting setting = change.setting();
        check(route, setting, change.value());
        String before = store.of(route.id()).get(setting);
        store.set(route.id(), setting, change.value(), change.expected(), who);
        trail.write(
                route.id(),
                null,
                who,
                "setting-changed",
                Map.of(
                        "route", route.code(),
                        "setting", SettingSentences.title(setting),
                        "from", SettingSentences.word(setting, before),
                        "to", SettingSentences.word(setting, change.value())));
    }

    /// The kinds of record that the changes concern; what is decided for everything concerns all of them.
    private static List<RecordKind> kinds(List<Change> changes) {
        return changes.stream()
                .map(each -> each.setting().of())
                .flatMap(of -> of == Carried.EVERYTHING ? Stream.of(RecordKind.values()) : of.kinds().stream())
                .distinct()
                .toList();
    }

    private List<RecordKind> automatic(RouteRow route, List<RecordKind> kinds) {
        RouteSettings decided = store.of(route.id());
        return kinds.stream()
                .filter(kind -> decided.crosses(kind) && decided.trigger(kind).isAutomatic())
                .toList();
    }

    private static boolean saysHowItGoes(Change change) {
        return change.setting().topic() == Topic.TRIGGER || change.setting().topic() == Topic.DIRECTION;
    }

    private int hold(RouteRow route, List<RecordKind> kinds, List<Long> going, String who) {
        int held = heldBack.hold(route.id(), kinds, going, who);
        trail.write(route.id(), null, who, "held-back", Map.of("documents", held));
        return held;
    }

    private int move(RouteRow route, Change change) {
        if (change.setting().topic() == Topic.TRIGGER) {
            return change.setting().of().kinds().stream()
                    .mapToInt(kind -> await(route, kind))
                    .sum();
        }
        return change.setting().equals(PAYMENTS) && !change.value().equals("none") ? catchUp(route) : 0;
    }

    private record Seen(long id, String currency, long paid, BigDecimal there) {
        boolean isNews() {
            return paid != minor();
        }

        long minor() {
            return Amounts.minor(currency, there);
        }
    }

    /// Payments that were seen while they were not wanted are taken over once they are.
    private int catchUp(RouteRow route) {
        List<Seen> news = jdbc.sql("""
                        select d.id, d.currency, d.paid, cast(l.ledger_now->>'paid' as numeric) as there
                        from record d join link l on l.record_id = d.id where d.route_id = :route""").param("route", route.id()).query(Seen.class).list().stream()
                .filter(Seen::isNews)
                .toList();
        news.forEach(each -> outcomes.paid(each.id(), each.minor()));
        return news.size();
    }

    /// What has not crossed waits for another thing from now on.
    private int await(RouteRow route, RecordKind kind) {
        Trigger trigger = store.of(route.id()).trigger(kind);
        return facts.await(route.id(), kind.word(), trigger.milestone());
    }
}
