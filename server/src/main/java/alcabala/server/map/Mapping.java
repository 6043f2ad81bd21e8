package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.server.compile.Affected;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.Released;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.Sentences;
import alcabala.server.record.Refs;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Changes a row and compiles again what shared it, all or nothing.
@Component
public class Mapping {
    private final Routes routes;
    private final CrosswalkStore store;
    private final RowChecks checks;
    private final Affected affected;

    /// What is to stand in a row.
    ///
    /// @param remove true to take the row away
    /// @param note why, as far as somebody says
    public record Change(
            RowKind kind, String code, Meaning meaning, int expectedVersion, boolean remove, String note) {}

    /// @param before the row as it was, to undo with; null when there was none
    public record Changed(Released released, CrosswalkRow before, CrosswalkRow after) {}

    /// What was written, and what that released.
    ///
    /// @param rows their versions by code
    public record Accepted(Map<String, Integer> rows, Released released) {}

    Mapping(Routes routes, CrosswalkStore store, RowChecks checks, Affected affected) {
        this.routes = routes;
        this.store = store;
        this.checks = checks;
        this.affected = affected;
    }

    @Transactional
    public Changed change(RouteRow route, Change change, String who, Progress at) {
        checks.requireName(change.kind(), change.code());
        routes.lock(route.id());
        Optional<CrosswalkRow> before = store.find(route.id(), change.kind(), change.code());
        if (change.remove()) {
            store.remove(route.id(), change.kind(), change.code(), change.expectedVersion(), who, change.note());
        } else {
            Meaning checked = checks.check(route, change.kind(), change.code(), change.meaning());
            store.set(route.id(), change.kind(), change.code(), checked, change.expectedVersion(), who, change.note());
        }
        Released released = compileAgain(route, change.kind(), change.code(), who, at);
        return new Changed(
                released,
                before.orElse(null),
                store.find(route.id(), change.kind(), change.code()).orElse(null));
    }

    private Released compileAgain(RouteRow route, RowKind kind, String code, String who, Progress at) {
        String because = "row of " + Sentences.word(kind) + " " + code;
        if (kind == RowKind.LINE) {
            return affected.compileAgain(route.id(), List.of(RowChecks.recordOf(code)), who, because);
        }
        Set<String> refs = kind.concernsAll() ? Set.of() : Set.of(Refs.of(kind, code));
        return affected.compileAgain(route.id(), refs, who, because, at);
    }

    /// Takes suggestions over, all in one transaction and with one compiling for all of them.
    ///
    /// @param suggested codes with what was suggested for each; a code that got a row meanwhile is passed over
    @Transactional
    public Accepted accept(RouteRow route, RowKind kind, Map<String, Suggestion> suggested, String who, Progress at) {
        routes.lock(route.id());
        Set<String> refs = new HashSet<>();
        suggested.forEach((code, suggestion) -> {
            if (store.find(route.id(), kind, code).isEmpty()) {
                Meaning suggests = Meaning.of(kind, suggestion.counterpart(), suggestion.account());
                store.set(route.id(), kind, code, checks.check(route, kind, code, suggests), 0, who);
                refs.add(Refs.of(kind, code));
            }
        });
        if (refs.isEmpty()) {
            return new Accepted(Map.of(), Released.NONE);
        }
        Released released =
                compileAgain(route, kind, refs, refs.size() + " accepted rows of " + Sentences.word(kind), who, at);
        Map<String, Integer> written = new TreeMap<>();
        store.rows(route.id()).stream()
                .filter(row -> row.kind() == kind && refs.contains(Refs.of(kind, row.code())))
                .forEach(row -> written.put(row.code(), row.version()));
        return new Accepted(written, released);
    }

    /// Takes rows away, all in one transaction and with one compiling for all of them.
    ///
    /// @param versions by code, as they were seen
    @Transactional
    public Released takeAway(RouteRow route, RowKind kind, Map<String, Integer> versions, String who, Progress at) {
        routes.lock(route.id());
        Set<String> refs = new HashSet<>();
        versions.keySet().forEach(code -> checks.requireName(kind, code));
        versions.forEach((code, version) -> {
            store.remove(route.id(), kind, code, version, who);
            refs.add(Refs.of(kind, code));
        });
        return compileAgain(
                route, kind, refs, refs.size() + " rows of " + Sentences.word(kind) + " taken away", who, at);
    }

    private Released compileAgain(
            RouteRow route, RowKind kind, Set<String> refs, String because, String who, Progress at) {
        return affected.compileAgain(route.id(), kind.concernsAll() ? Set.of() : refs, who, because, at);
    }
}
