package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.RecordMerge.Merged;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.masters.MasterDeciding.Decided;
import alcabala.server.masters.MasterWrites.OtherHalf;
import alcabala.server.masters.MasterWrites.Write;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Merges the masters of a route that changed on either side, field by field, and tells each side what comes from the
/// other (synchronisation, "The merge of one field").
@Component
public class MasterMerging {
    private static final int CHUNK = 500;

    /// One that moves while it is looked at is looked at again, but not for ever.
    private static final int PASSES = 3;

    private final Masters masters;
    private final MasterLinks links;
    private final MasterDeciding deciding;
    private final MasterQuestions questions;
    private final MasterWrites writes;
    private final MasterWriting writing;
    private final LackingCreating lacking;
    private final SettingStore settings;
    private final Sources sources;
    private final Ledgers ledgers;
    private final Telling telling;
    private final TransactionTemplate transaction;

    /// What came of it, of one kind.
    ///
    /// @param toLedger how many were written there
    /// @param toSource the same of the source
    /// @param created how many that only the ledger had were created on the source
    /// @param asked about how many of those that changed or are new a person is asked
    public record MastersMerged(Carried kind, int toLedger, int toSource, int created, int asked) {
        /// How many were written to either side.
        public int written() {
            return toLedger + toSource + created;
        }
    }

    /// @param exchanged why its name is not written; empty where it is
    private record One(MasterPair pair, Decided decided, List<Write> writes, String exchanged) {
        Merged merged() {
            return decided.merged();
        }

        /// By codes of fields.
        Map<String, Verdict> asked() {
            Map<String, Verdict> asked = new TreeMap<>(merged().fields());
            asked.values().removeIf(each -> !(each instanceof Verdict.Drift) && !(each instanceof Verdict.Conflict));
            if (!exchanged.isEmpty()) {
                asked.put(Exchanged.NAME, stays((Verdict.Travels)
                        merged().fields().get(Exchanged.NAME)));
            }
            return asked;
        }

        /// What a side said of a field that it does not take; empty where none said anything.
        String reason(String field) {
            return field.equals(Exchanged.NAME) ? exchanged : "";
        }
    }

    private static Verdict stays(Verdict.Travels travels) {
        return new Verdict.Drift(travels.by(), Set.of(travels.from()), Verdict.Why.NOT_WRITABLE);
    }

    MasterMerging(
            Masters masters,
            MasterLinks links,
            MasterDeciding deciding,
            MasterQuestions questions,
            MasterWrites writes,
            MasterWriting writing,
            LackingCreating lacking,
            SettingStore settings,
            Sources sources,
            Ledgers ledgers,
            Telling telling,
            TransactionTemplate transaction) {
        this.masters = masters;
        this.links = links;
        this.deciding = deciding;
        this.questions = questions;
        this.writes = writes;
        this.writing = writing;
        this.lacking = lacking;
        this.settings = settings;
        this.sources = sources;
        this.ledgers = ledgers;
        this.telling = telling;
        this.transaction = transaction;
    }

    /// As far as both sides answer; the rest is merged the next time.
    public List<MastersMerged> merge(RouteRow route, Collection<Carried> kinds, String who) {
        if (!route.ledgerAnswers() || route.fromFiles()) {
            return List.of();
        }
        List<Master> merged = masters.all().stream()
                .filter(master -> kinds.contains(master.carried()))
                .toList();
        transaction.executeWithoutResult(status -> merged.forEach(master -> links.link(route, master)));
        MasterWriting.Told before = writing.tell(route);
        Map<Master, Integer> asked = new HashMap<>();
        try {
            for (Master master : merged) {
                asked.put(master, mergeDue(route, master, who) + lacking.look(route, master, who));
            }
        } catch (UnreachableException e) {
            // What was not looked at is still due.
        }
        MasterWriting.Told told = writing.tell(route);
        Map<Master, Integer> created = lacking.create(route);
        return merged.stream()
                .map(master -> new MastersMerged(
                        master.carried(),
                        before.of(master, Side.LEDGER) + told.of(master, Side.LEDGER),
                        before.of(master, Side.SOURCE) + told.of(master, Side.SOURCE),
                        created.getOrDefault(master, 0),
                        asked.getOrDefault(master, 0)))
                .toList();
    }

    private int mergeDue(RouteRow route, Master master, String who) {
        MasterRulesNow rules = MasterRulesNow.of(route, master, settings.of(route.id()), sources, ledgers);
        int asked = 0;
        for (int pass = 0; pass < PASSES; pass++) {
            boolean moved = false;
            String after = "";
            for (List<MasterPair> chunk = due(route, rules, after);
                    !chunk.isEmpty();
                    chunk = due(route, rules, after)) {
                Map<MasterPair, Decided> decided = deciding.of(route, rules, chunk);
                Map<String, String> exchanged = Exchanged.of(decided);
                List<One> merged = new ArrayList<>();
                for (MasterPair pair : chunk) {
                    try {
                        Optional<One> one =
                                one(route, pair, decided.get(pair), exchanged.getOrDefault(pair.code(), ""), who);
                        one.ifPresent(merged::add);
                        moved |= one.isEmpty();
                    } catch (AnswerUnusableException e) {
                        setAside(route, pair, decided.get(pair), e);
                    }
                }
                asked += keep(route.id(), master, merged);
                after = chunk.getLast().code();
            }
            if (!moved) {
                return asked;
            }
        }
        return asked;
    }

    private List<MasterPair> due(RouteRow route, MasterRulesNow rules, String after) {
        return links.due(route, rules.master(), rules.text(), after, CHUNK);
    }

    /// A side says of it what nobody can use: what should go there is asked about, and it is tried again with the next
    /// run.
    private void setAside(RouteRow route, MasterPair pair, Decided decided, AnswerUnusableException odd) {
        One one = new One(pair, decided, List.of(), "");
        keep(route.id(), pair.master(), List.of(one));
        decided.merged().fields().forEach((field, verdict) -> {
            if (verdict instanceof Verdict.Travels travels) {
                String reason = odd.system() + " answered what cannot be used: " + odd.what();
                questions.keep(pair, field, stays(travels), reason, decided.told());
            }
        });
        transaction.executeWithoutResult(status -> links.lock(route, pair.master(), pair.code())
                .ifPresent(locked -> links.agree(locked, locked.baseline(), "")));
    }

    /// Empty where one of the two moved while it was looked at.
    private Optional<One> one(RouteRow route, MasterPair pair, Decided decided, String exchanged, String who) {
        List<Write> found = new ArrayList<>();
        for (Side side : Side.values()) {
            SortedMap<String, Optional<String>> wanted =
                    new TreeMap<>(decided.merged().writes().of(side));
            if (side == Side.LEDGER && !exchanged.isEmpty()) {
                wanted.remove(Exchanged.NAME);
            }
            if (!wanted.isEmpty()) {
                Optional<Write> write = writing.prepare(route, pair, side, wanted, others(pair, side, wanted), who);
                if (write.isEmpty()) {
                    return Optional.empty();
                }
                found.add(write.get());
            }
        }
        return Optional.of(new One(pair, decided, found, exchanged));
    }

    /// What travelled is the half of the side that it came from.
    private static Map<String, OtherHalf> others(
            MasterPair pair, Side side, SortedMap<String, Optional<String>> wanted) {
        Map<String, OtherHalf> others = new HashMap<>();
        wanted.keySet()
                .forEach(field -> others.put(
                        field,
                        new OtherHalf(
                                true, pair.values().of(side.other()).values().get(field))));
        return others;
    }

    /// One that somebody answered for meanwhile is left to the next run.
    ///
    /// @return about how many a person is asked
    private int keep(long routeId, Master master, List<One> all) {
        return transaction.execute(status -> {
            boolean[] agreed = links.agreeAll(all.stream()
                    .map(each -> new MasterLinks.Agreed(
                            each.pair(), each.merged().baseline(), each.pair().now()))
                    .toList());
            List<One> merged = IntStream.range(0, all.size())
                    .filter(place -> agreed[place])
                    .mapToObj(all::get)
                    .toList();
            questions.forgetBut(
                    routeId,
                    master,
                    merged.stream()
                            .collect(Collectors.toMap(
                                    each -> each.pair().code(),
                                    each -> each.asked().keySet())));
            for (One each : merged) {
                each.asked()
                        .forEach((field, verdict) -> questions.keep(
                                each.pair(),
                                field,
                                verdict,
                                each.reason(field),
                                each.decided().told()));
                each.writes().forEach(write -> writes.keep(routeId, write));
            }
            telling.tell(Topic.RECORDS, routeId, null, List.of());
            return (int) merged.stream().filter(each -> !each.asked().isEmpty()).count();
        });
    }
}
