package alcabala.server.masters;

import alcabala.accounting.field.Half;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Case;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.accounting.sync.Verdict.Why;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.RewritesParties;
import alcabala.connectors.spi.CannotException;
import alcabala.connectors.spi.Connection;
import alcabala.server.masters.Master.There;
import alcabala.server.masters.MasterWrites.OtherHalf;
import alcabala.server.masters.MasterWrites.Write;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Pauses;
import alcabala.server.platform.Telling;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.time.Duration;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Tells a side of a master. Its version is named, so that nothing is overwritten blindly; what it answers is its half
/// of the baseline from then on, so that it is no news when it comes back; what it replaced is kept on the trail.
@Component
class MasterWriting {
    private final MasterSides sides;
    private final MasterWrites writes;
    private final MasterLinks links;
    private final MasterQuestions questions;
    private final Pauses pauses;
    private final Telling telling;
    private final Trail trail;
    private final TransactionTemplate transaction;

    /// How many of each side were told.
    static final class Told {
        private final Map<Carried, Map<Side, Integer>> counts = new EnumMap<>(Carried.class);

        void add(Write write) {
            counts.computeIfAbsent(write.master().carried(), each -> new EnumMap<>(Side.class))
                    .merge(write.side(), 1, Integer::sum);
        }

        int of(Master master, Side side) {
            return counts.getOrDefault(master.carried(), Map.of()).getOrDefault(side, 0);
        }
    }

    MasterWriting(
            MasterSides sides,
            MasterWrites writes,
            MasterLinks links,
            MasterQuestions questions,
            Pauses pauses,
            Telling telling,
            Trail trail,
            TransactionTemplate transaction) {
        this.sides = sides;
        this.writes = writes;
        this.links = links;
        this.questions = questions;
        this.pauses = pauses;
        this.telling = telling;
        this.trail = trail;
        this.transaction = transaction;
    }

    /// What is to be written to a side, made out against how it stands there now.
    ///
    /// @param wanted by codes of fields; empty to take away what is there
    /// @return empty where it stands otherwise than it was known to: it is known by now, and to be looked at again
    /// @throws UnreachableException when that side does not answer
    Optional<Write> prepare(
            RouteRow route,
            MasterPair pair,
            Side side,
            SortedMap<String, Optional<String>> wanted,
            Map<String, OtherHalf> fields,
            String who) {
        Master master = pair.master();
        Optional<There> there = master.find(sides.of(route, side), pair.code(side));
        if (there.isEmpty() || !there.get().half().equals(pair.values().of(side))) {
            there.ifPresent(
                    standing -> transaction.executeWithoutResult(status -> master.know(route, side, standing.body())));
            return Optional.empty();
        }
        String changed = master.with(there.get().body(), wanted);
        String key = UUID.randomUUID().toString();
        return Optional.of(new Write(master, pair.code(), side, key, there.get(), changed, fields, who, 0));
    }

    /// All that is due on a route, told again under the same keys where the answer was lost. A side that does not
    /// answer is not asked again this time.
    Told tell(RouteRow route) {
        Told told = new Told();
        List<Write> due = writes.due(route);
        Set<Side> silent = EnumSet.noneOf(Side.class);
        for (Write write : due) {
            if (!silent.contains(write.side()) && writes.claim(route, write)) {
                switch (tell(route, write)) {
                    case TAKEN -> told.add(write);
                    case SILENT -> silent.add(write.side());
                    case ANSWERED -> {}
                }
            }
        }
        if (!due.isEmpty()) {
            telling.tell(Topic.RECORDS, route.id(), null, List.of());
        }
        return told;
    }

    private enum Came {
        TAKEN,
        /// It said something else.
        ANSWERED,
        /// Nothing came back, or it takes nothing now.
        SILENT
    }

    private Came tell(RouteRow route, Write write) {
        try {
            Connection there = sides.of(route, write.side());
            return settle(route, write, write.master().change(there, write.standing(), write.wanted(), write.key()));
        } catch (CannotException e) {
            refused(route, write, "it cannot be told");
            return Came.ANSWERED;
        } catch (UnreachableException e) {
            later(route, write, Duration.ZERO, "did not answer");
            return Came.SILENT;
        }
    }

    private Came settle(RouteRow route, Write write, Answer<String> answer) {
        switch (answer) {
            case Answer.Accepted<String> taken -> taken(route, write, taken.record());
            case Answer.Refused<String> no when no.status() == RewritesParties.STALE -> stale(route, write);
            case Answer.Refused<String> no -> refused(route, write, no.sentence());
            case Answer.Later<String> asked -> later(route, write, asked.pause(), asked.reason());
            case Answer.Lost<String> lost -> later(route, write, Duration.ZERO, lost.reason());
        }
        return switch (answer) {
            case Answer.Accepted<String> taken -> Came.TAKEN;
            case Answer.Later<String> asked -> Came.SILENT;
            case Answer.Lost<String> lost when lost.status() == 0 -> Came.SILENT;
            default -> Came.ANSWERED;
        };
    }

    private void taken(RouteRow route, Write write, String answered) {
        Master master = write.master();
        Half half = master.half(answered);
        transaction.executeWithoutResult(status -> {
            master.know(route, write.side(), answered);
            writes.end(route, write);
            links.lock(route, write.master(), write.code()).ifPresent(pair -> {
                Baseline baseline = pair.baseline();
                for (Map.Entry<String, OtherHalf> each : write.fields().entrySet()) {
                    String field = each.getKey();
                    Both<String> halves =
                            baseline.of(field).with(write.side(), half.values().get(field));
                    baseline = baseline.with(
                            field,
                            each.getValue().changes()
                                    ? halves.with(
                                            write.side().other(),
                                            each.getValue().value())
                                    : halves);
                }
                links.agree(pair, baseline, "");
            });
            trail.write(route.id(), null, write.who(), master.word() + "-written", detail(route, write, half));
        });
    }

    /// Somebody changed it meanwhile: it is read, and merged again.
    private void stale(RouteRow route, Write write) {
        Master master = write.master();
        Optional<There> there =
                master.find(sides.of(route, write.side()), write.standing().code());
        transaction.executeWithoutResult(status -> {
            there.ifPresent(standing -> master.know(route, write.side(), standing.body()));
            writes.end(route, write);
            links.lock(route, write.master(), write.code()).ifPresent(pair -> links.agree(pair, pair.baseline(), ""));
        });
    }

    /// What should have gone there stays where it is, with the reason, until one of the two changes or somebody says
    /// otherwise.
    private void refused(RouteRow route, Write write, String reason) {
        Verdict stays = new Verdict.Drift(
                write.side() == Side.LEDGER ? Case.SOURCE_TRAVELS : Case.LEDGER_TRAVELS,
                Set.of(write.side().other()),
                Why.NOT_WRITABLE);
        transaction.executeWithoutResult(status -> {
            writes.end(route, write);
            links.lock(route, write.master(), write.code())
                    .ifPresent(pair -> write.fields()
                            .keySet()
                            .forEach(field -> questions.keep(pair, field, stays, reason, WhoChanged.NOTHING_TOLD)));
            Map<String, Object> detail = detail(route, write, write.master().half(write.wanted()));
            detail.put("reason", reason);
            trail.write(route.id(), null, write.who(), write.master().word() + "-not-written", detail);
        });
    }

    private void later(RouteRow route, Write write, Duration asked, String reason) {
        if (write.tries() + 1 >= Pauses.TRIES) {
            refused(
                    route,
                    write,
                    MasterSides.name(route, write.side()) + " was asked " + Pauses.TRIES + " times: " + reason);
        } else {
            writes.later(route, write, pauses.after(write.tries() + 1, asked));
        }
    }

    /// @param becomes what stands there by now, which may have been cut
    private static Map<String, Object> detail(RouteRow route, Write write, Half becomes) {
        Half before = write.standing().half();
        Half wanted = write.master().half(write.wanted());
        Map<String, Object> detail = new LinkedHashMap<>();
        detail.put(write.master().word(), write.code());
        // Beside the fields, of which one is its name.
        detail.put("named", said(wanted, "name"));
        detail.put("to", MasterSides.name(route, write.side()));
        write.fields().keySet().stream()
                .sorted()
                .forEach(field ->
                        detail.put(field, said(said(wanted, field), said(becomes, field), said(before, field))));
        return detail;
    }

    private static String said(String wanted, String answered, String replaced) {
        return (wanted.isEmpty() ? "nothing" : wanted)
                + (answered.equals(wanted) ? "" : ", kept as " + answered)
                + ", in place of "
                + (replaced.isEmpty() ? "nothing" : replaced);
    }

    private static String said(Half half, String field) {
        return half.values().getOrDefault(field, "");
    }
}
