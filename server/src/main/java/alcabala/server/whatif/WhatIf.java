package alcabala.server.whatif;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.record.Record;
import alcabala.accounting.whatif.Booked;
import alcabala.accounting.whatif.Effect;
import alcabala.accounting.whatif.OpenPeriods;
import alcabala.server.compile.Compilers;
import alcabala.server.compile.Compiling;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.CrosswalkStore.From;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.map.Mapping.Change;
import alcabala.server.map.RowChecks;
import alcabala.server.map.RowWords;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.whatif.Concerned.One;
import alcabala.server.whatif.Concerned.Standing;
import alcabala.server.whatif.WouldChange.Reason;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.LongFunction;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/// Compiles what a row concerns under what it says, what it would say, and what it once said. Changes nothing.
@Component
class WhatIf {
    private final Concerned concerned;
    private final Compilers compilers;
    private final Compiling compiling;
    private final CrosswalkStore store;
    private final RowChecks checks;
    private final RowWords words;
    private final LedgerReference reference;
    private final Clock clock;

    /// What it came to.
    record Found(WouldChange said, PostedPage posted) {}

    WhatIf(
            Concerned concerned,
            Compilers compilers,
            Compiling compiling,
            CrosswalkStore store,
            RowChecks checks,
            RowWords words,
            LedgerReference reference,
            Clock clock) {
        this.concerned = concerned;
        this.compilers = compilers;
        this.compiling = compiling;
        this.store = store;
        this.checks = checks;
        this.words = words;
        this.reference = reference;
        this.clock = clock;
    }

    Found of(RouteRow route, Change change, Progress at) {
        checks.requireName(change.kind(), change.code());
        Meaning would = change.remove() ? Meaning.NONE : checked(route, change);
        Optional<CrosswalkRow> row = store.find(route.id(), change.kind(), change.code());
        Under under = new Under(route, change, change.remove() ? Optional.empty() : Optional.of(would));
        Shown shown = new Shown(route.currency(), reference.accountNames(route.ledgerId()));
        WaitingPage waiting = new WaitingPage(shown);
        PostedPage posted =
                new PostedPage(shown, new OpenPeriods(reference.lockedThrough(route.ledgerId()), LocalDate.now(clock)));
        int of = concerned.count(route, change.kind(), change.code());
        int done = lookAtWaiting(under, waiting, at, of);
        lookAtStanding(under, posted, at, done, of);
        return new Found(
                new WouldChange(
                        row.map(CrosswalkRow::version).orElse(0),
                        route.currency(),
                        words.of(
                                route,
                                change.kind(),
                                row.map(CrosswalkRow::meaning).orElse(Meaning.NONE)),
                        words.of(route, change.kind(), would),
                        waiting.said(concerned.onTheWay(route, change.kind(), change.code())),
                        posted.said()),
                posted);
    }

    private Meaning checked(RouteRow route, Change change) {
        return checks.check(route, change.kind(), change.code(), change.meaning());
    }

    private int lookAtWaiting(Under under, WaitingPage page, Progress at, int of) {
        Change change = under.change;
        int done = 0;
        List<One> chunk = concerned.waiting(under.route, change.kind(), change.code(), 0);
        while (!chunk.isEmpty()) {
            Map<Long, Record> records = chunk.stream().collect(Collectors.toMap(One::id, One::record));
            LongFunction<Compilation> now = under.now(records);
            LongFunction<Compilation> would = under.would(records);
            chunk.forEach(one -> page.add(one, now.apply(one.id()), would.apply(one.id())));
            done += chunk.size();
            at.at(done, Math.max(done, of));
            chunk = concerned.waiting(
                    under.route, change.kind(), change.code(), chunk.getLast().id());
        }
        return done;
    }

    private void lookAtStanding(Under under, PostedPage page, Progress at, int before, int of) {
        Change change = under.change;
        int done = before;
        List<Standing> chunk = concerned.standing(under.route, change.kind(), change.code(), 0);
        while (!chunk.isEmpty()) {
            lookAt(under, page, chunk);
            done += chunk.size();
            at.at(done, Math.max(done, of));
            chunk = concerned.standing(
                    under.route,
                    change.kind(),
                    change.code(),
                    chunk.getLast().one().id());
        }
    }

    private static void lookAt(Under under, PostedPage page, List<Standing> chunk) {
        Map<Long, Record> records = chunk.stream()
                .collect(Collectors.toMap(
                        each -> each.one().id(), each -> each.one().record()));
        LongFunction<Compilation> now = under.nowPosted(records);
        LongFunction<Compilation> would = under.wouldPosted(records);
        Function<Standing, Optional<Compilation>> then = under.then(records);
        for (Standing each : chunk) {
            long id = each.one().id();
            Compilation after = would.apply(id);
            if (each.queuedAt() == null || each.differsThere()) {
                // As far as it would make a difference at all.
                if (Effect.between(now.apply(id), after).kind() != Effect.Kind.NOTHING) {
                    page.setAside(each.one(), each.differsThere() ? Reason.CHANGED_THERE : Reason.LINKED);
                }
                continue;
            }
            List<Compilation> rules = new ArrayList<>(List.of(now.apply(id)));
            then.apply(each).ifPresent(rules::add);
            if (rules.stream().allMatch(Compilation::isBlocked)) {
                page.setAside(each.one(), Reason.HELD_UP);
            } else {
                page.add(each, new Booked(each.books(), rules).under(after));
            }
        }
    }

    /// The compilers of a row as it is, as it would be, and as it was: for what waits, and for what was booked.
    private final class Under {
        private final RouteRow route;
        private final Change change;
        private final Optional<Meaning> would;
        private final Compiler now;
        private final Compiler wouldBe;
        private final List<From> said;
        private final Map<Optional<Meaning>, Compiler> posted = new HashMap<>();

        Under(RouteRow route, Change change, Optional<Meaning> would) {
            this.route = route;
            this.change = change;
            this.would = would;
            now = compilers.of(route.id());
            wouldBe = compilers.with(route, change.kind(), change.code(), would);
            said = store.said(route.id(), change.kind(), change.code());
        }

        LongFunction<Compilation> now(Map<Long, Record> records) {
            return compiling.with(route, now, records);
        }

        LongFunction<Compilation> would(Map<Long, Record> records) {
            return compiling.with(route, wouldBe, records);
        }

        /// What the row says, as the rule that something was booked by.
        LongFunction<Compilation> nowPosted(Map<Long, Record> records) {
            return posted(said.stream().findFirst().map(From::meaning), records);
        }

        LongFunction<Compilation> wouldPosted(Map<Long, Record> records) {
            return posted(would, records);
        }

        /// As the row was when it was sent; empty where that is as it is now.
        Function<Standing, Optional<Compilation>> then(Map<Long, Record> records) {
            Map<Optional<Meaning>, LongFunction<Compilation>> compiled = new HashMap<>();
            return each -> {
                Optional<From> from = said.stream()
                        .filter(state -> !state.moment().isAfter(each.queuedAt()))
                        .findFirst();
                if (!said.isEmpty() && from.equals(Optional.of(said.getFirst()))) {
                    return Optional.empty();
                }
                return Optional.of(compiled.computeIfAbsent(from.map(From::meaning), it -> posted(it, records))
                        .apply(each.one().id()));
            };
        }

        private LongFunction<Compilation> posted(Optional<Meaning> meaning, Map<Long, Record> records) {
            Compiler compiler =
                    posted.computeIfAbsent(meaning, it -> compilers.ofPosted(route, change.kind(), change.code(), it));
            return compiling.with(route, compiler, records);
        }
    }
}
