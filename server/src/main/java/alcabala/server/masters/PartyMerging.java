package alcabala.server.masters;

import alcabala.accounting.sync.PartyFields;
import alcabala.accounting.sync.RecordMerge;
import alcabala.accounting.sync.RecordMerge.Merged;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.masters.PartyWrites.OtherHalf;
import alcabala.server.masters.PartyWrites.Write;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Telling;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Merges the parties of a route that changed on either side, field by field, and tells each side what comes from the
/// other (synchronisation, "The merge of one field").
@Component
public class PartyMerging {
    private static final int CHUNK = 500;

    /// One that moves while it is looked at is looked at again, but not for ever.
    private static final int PASSES = 3;

    private final PartyLinks links;
    private final PartyQuestions questions;
    private final PartyWrites writes;
    private final PartyWriting writing;
    private final SettingStore settings;
    private final Sources sources;
    private final Ledgers ledgers;
    private final Telling telling;
    private final TransactionTemplate transaction;

    /// What came of it.
    ///
    /// @param toLedger how many parties were written there
    /// @param toSource the same of the source
    /// @param asked about how many of those that changed a person is asked
    public record PartiesMerged(int toLedger, int toSource, int asked) {
        public static final PartiesMerged NOTHING = new PartiesMerged(0, 0, 0);
    }

    private record One(PartyPair pair, Merged merged, List<Write> writes) {
        List<String> fieldsAsked() {
            return asked().stream().map(Map.Entry::getKey).toList();
        }

        List<Map.Entry<String, Verdict>> asked() {
            return merged.fields().entrySet().stream()
                    .filter(each ->
                            each.getValue() instanceof Verdict.Drift || each.getValue() instanceof Verdict.Conflict)
                    .toList();
        }
    }

    PartyMerging(
            PartyLinks links,
            PartyQuestions questions,
            PartyWrites writes,
            PartyWriting writing,
            SettingStore settings,
            Sources sources,
            Ledgers ledgers,
            Telling telling,
            TransactionTemplate transaction) {
        this.links = links;
        this.questions = questions;
        this.writes = writes;
        this.writing = writing;
        this.settings = settings;
        this.sources = sources;
        this.ledgers = ledgers;
        this.telling = telling;
        this.transaction = transaction;
    }

    /// As far as both sides answer; the rest is merged the next time.
    public PartiesMerged merge(RouteRow route, String who) {
        if (!route.ledgerAnswers() || route.fromFiles()) {
            return PartiesMerged.NOTHING;
        }
        transaction.executeWithoutResult(status -> links.link(route));
        PartyWriting.Told before = writing.tell(route);
        int asked = 0;
        try {
            asked = mergeDue(route, who);
        } catch (UnreachableException e) {
            // What was not looked at is still due.
        }
        PartyWriting.Told told = writing.tell(route);
        return new PartiesMerged(
                before.of(Side.LEDGER) + told.of(Side.LEDGER), before.of(Side.SOURCE) + told.of(Side.SOURCE), asked);
    }

    private int mergeDue(RouteRow route, String who) {
        PartyRulesNow rules = PartyRulesNow.of(route, settings.of(route.id()), sources, ledgers);
        int asked = 0;
        for (int pass = 0; pass < PASSES; pass++) {
            boolean moved = false;
            String after = "";
            for (List<PartyPair> chunk = due(route, rules, after); !chunk.isEmpty(); chunk = due(route, rules, after)) {
                List<One> merged = new ArrayList<>();
                for (PartyPair pair : chunk) {
                    try {
                        Optional<One> one = one(route, rules, pair, who);
                        one.ifPresent(merged::add);
                        moved |= one.isEmpty();
                    } catch (AnswerUnusableException e) {
                        setAside(route, rules, pair, e);
                    }
                }
                asked += keep(route.id(), merged);
                after = chunk.getLast().code();
            }
            if (!moved) {
                return asked;
            }
        }
        return asked;
    }

    private List<PartyPair> due(RouteRow route, PartyRulesNow rules, String after) {
        return links.due(route, rules.text(), after, CHUNK);
    }

    /// A side says of it what nobody can use: what should go there is asked about, and it is tried again with the next
    /// run.
    private void setAside(RouteRow route, PartyRulesNow rules, PartyPair pair, AnswerUnusableException odd) {
        Merged merged = RecordMerge.merge(pair.values(), pair.baseline(), rules.of(pair));
        One one = new One(pair, merged, List.of());
        keep(route.id(), List.of(one));
        merged.fields().forEach((field, verdict) -> {
            if (verdict instanceof Verdict.Travels travels) {
                Verdict stays = new Verdict.Drift(travels.by(), Set.of(travels.from()), Verdict.Why.NOT_WRITABLE);
                questions.keep(pair, field, stays, odd.system() + " answered what cannot be used: " + odd.what());
            }
        });
        transaction.executeWithoutResult(status ->
                links.lock(route, pair.code()).ifPresent(locked -> links.agree(locked, locked.baseline(), "")));
    }

    /// Empty where one of the two moved while it was looked at.
    private Optional<One> one(RouteRow route, PartyRulesNow rules, PartyPair pair, String who) {
        PartyFields fields = rules.of(pair);
        Merged merged = RecordMerge.merge(pair.values(), pair.baseline(), fields);
        List<Write> found = new ArrayList<>();
        for (Side side : Side.values()) {
            SortedMap<String, Optional<String>> wanted = merged.writes().of(side);
            if (!wanted.isEmpty()) {
                Optional<Write> write = writing.prepare(route, pair, side, wanted, others(pair, side, wanted), who);
                if (write.isEmpty()) {
                    return Optional.empty();
                }
                found.add(write.get());
            }
        }
        return Optional.of(new One(pair, merged, found));
    }

    /// What travelled is the half of the side that it came from.
    private static Map<String, OtherHalf> others(
            PartyPair pair, Side side, SortedMap<String, Optional<String>> wanted) {
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
    private int keep(long routeId, List<One> all) {
        return transaction.execute(status -> {
            boolean[] agreed = links.agreeAll(all.stream()
                    .map(each -> new PartyLinks.Agreed(
                            each.pair(), each.merged().baseline(), each.pair().now()))
                    .toList());
            List<One> merged = IntStream.range(0, all.size())
                    .filter(place -> agreed[place])
                    .mapToObj(all::get)
                    .toList();
            questions.forgetBut(
                    routeId,
                    merged.stream().collect(Collectors.toMap(each -> each.pair().code(), One::fieldsAsked)));
            for (One each : merged) {
                each.asked().forEach(field -> questions.keep(each.pair(), field.getKey(), field.getValue(), ""));
                each.writes().forEach(write -> writes.keep(routeId, write));
            }
            telling.tell(Topic.RECORDS, routeId, null, List.of());
            return (int) merged.stream().filter(each -> !each.asked().isEmpty()).count();
        });
    }
}
