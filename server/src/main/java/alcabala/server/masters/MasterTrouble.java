package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.Answer;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.MasterFields;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.server.masters.MasterQuestions.Asked;
import alcabala.server.platform.ChangedJson;
import alcabala.server.platform.Waited;
import alcabala.server.route.RouteRow;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// What people are asked about parties and items of a route, by cause: the same field, in the same trouble.
@Component
class MasterTrouble {
    /// Of each cause; the rest is counted.
    private static final int LISTED = 500;
    private final Masters masters;
    private final MasterQuestions questions;
    private final MasterLinks links;
    private final MasterAnswers answers;
    private final Clock clock;

    /// One field of a master on both sides; empty where a side has nothing.
    ///
    /// @param there the source’s as the ledger would say it
    /// @param agreed whether the two have ever agreed on it
    /// @param question why a person is asked about it; empty where she is not
    /// @param sourceChanged the last change there, as far as it is asked about and the source tells
    /// @param ledgerChanged the same of the ledger
    record MasterValuesJson(
            String field,
            String source,
            String there,
            String sourceAgreed,
            String ledger,
            String ledgerAgreed,
            boolean agreed,
            boolean differs,
            String question,
            ChangedJson sourceChanged,
            ChangedJson ledgerChanged) {}

    /// @param seen to be given with an answer
    /// @param offered the answers that can be given
    record MasterHeldJson(
            String code,
            String counterpart,
            String name,
            Instant since,
            String seen,
            String sentence,
            List<Answer> offered,
            List<MasterValuesJson> fields) {}

    /// @param cause `party` or `item`, `conflict` or `drift` with the field, and of drift the side that has it
    /// @param days how long the first of them has waited, begun ones counted
    /// @param kind of master
    /// @param field its code
    /// @param masters the first 500, longest waiting first
    record MasterCauseJson(
            String cause,
            Carried kind,
            String field,
            boolean conflict,
            List<Side> sides,
            int count,
            int days,
            List<MasterHeldJson> masters) {}

    MasterTrouble(Masters masters, MasterQuestions questions, MasterLinks links, MasterAnswers answers, Clock clock) {
        this.masters = masters;
        this.questions = questions;
        this.links = links;
        this.answers = answers;
        this.clock = clock;
    }

    List<MasterCauseJson> of(RouteRow route) {
        Map<String, List<Asked>> byCause = new LinkedHashMap<>();
        Map<String, List<Asked>> byMaster = new HashMap<>();
        for (Asked asked : questions.of(route)) {
            byCause.computeIfAbsent(cause(asked), each -> new ArrayList<>()).add(asked);
            byMaster.computeIfAbsent(key(asked), each -> new ArrayList<>()).add(asked);
        }
        if (byCause.isEmpty()) {
            return List.of();
        }
        Map<Carried, MasterRulesNow> rules = new EnumMap<>(Carried.class);
        return byCause.entrySet().stream()
                .map(each -> cause(
                        route,
                        rules.computeIfAbsent(
                                each.getValue().getFirst().kind(), kind -> answers.rules(route, masters.of(kind))),
                        each.getKey(),
                        each.getValue(),
                        byMaster))
                .sorted(Comparator.comparingLong((MasterCauseJson each) -> (long) each.days() * each.count())
                        .reversed())
                .toList();
    }

    private static String key(Asked asked) {
        return asked.kind() + " " + asked.code();
    }

    private String cause(Asked asked) {
        String of = masters.of(asked.kind()).word() + ":";
        return asked.verdict() instanceof Verdict.Drift drift
                ? of + "drift:" + asked.field() + ":"
                        + String.join("+", sides(drift).map(Side::name).toList())
                : of + "conflict:" + asked.field();
    }

    private static Stream<Side> sides(Verdict verdict) {
        return Stream.of(Side.values())
                .filter(side ->
                        !(verdict instanceof Verdict.Drift drift) || drift.of().contains(side));
    }

    private MasterCauseJson cause(
            RouteRow route, MasterRulesNow rules, String cause, List<Asked> of, Map<String, List<Asked>> byMaster) {
        Asked first = of.getFirst();
        List<Asked> listed = of.stream().limit(LISTED).toList();
        Map<String, MasterPair> pairs =
                links.of(route, rules.master(), listed.stream().map(Asked::code).toList()).stream()
                        .collect(Collectors.toMap(MasterPair::code, pair -> pair));
        return new MasterCauseJson(
                cause,
                first.kind(),
                first.field(),
                first.verdict() instanceof Verdict.Conflict,
                sides(first.verdict()).toList(),
                of.size(),
                Waited.days(first.since(), clock.instant()),
                listed.stream()
                        .filter(asked -> pairs.containsKey(asked.code()))
                        .map(asked -> held(route, rules, pairs.get(asked.code()), asked, byMaster.get(key(asked))))
                        .toList());
    }

    private static MasterHeldJson held(
            RouteRow route, MasterRulesNow rules, MasterPair pair, Asked asked, List<Asked> all) {
        return new MasterHeldJson(
                pair.code(),
                pair.counterpart(),
                pair.name(),
                asked.since(),
                MasterAnswers.seen(pair, asked),
                MasterSentences.why(route, rules, asked),
                MasterAnswers.offered(rules, pair, asked).stream().sorted().toList(),
                rules.master().fields().stream()
                        .map(field -> values(route, rules, pair, field.code(), all))
                        .toList());
    }

    private static MasterValuesJson values(
            RouteRow route, MasterRulesNow rules, MasterPair pair, String field, List<Asked> all) {
        Both<String> now = pair.values().map(half -> half.values().get(field));
        Both<String> agreed = pair.baseline().of(field);
        MasterFields fields = rules.of(pair);
        Optional<String> there =
                Optional.ofNullable(now.source()).flatMap(value -> fields.translated(field, value, Side.LEDGER));
        Optional<Asked> asked =
                all.stream().filter(each -> each.field().equals(field)).findFirst();
        Set<Side> moved = changedSides(pair, field);
        return new MasterValuesJson(
                field,
                said(now.source()),
                there.orElse(""),
                said(agreed.source()),
                said(now.ledger()),
                said(agreed.ledger()),
                pair.baseline().isSettled(field),
                !fields.same(field, now.source(), now.ledger()),
                asked.map(each -> MasterSentences.why(route, rules, each)).orElse(""),
                asked.flatMap(each -> changed(each, Side.SOURCE, moved)).orElse(null),
                asked.flatMap(each -> changed(each, Side.LEDGER, moved)).orElse(null));
    }

    private static Set<Side> changedSides(MasterPair pair, String field) {
        Both<Set<String>> changed = pair.baseline().changed(pair.values());
        return Stream.of(Side.values())
                .filter(side -> changed.of(side).contains(field))
                .collect(Collectors.toSet());
    }

    private static Optional<ChangedJson> changed(Asked asked, Side side, Set<Side> moved) {
        return asked.told()
                .of(side)
                .of(asked.field())
                .filter(change -> moved.contains(side))
                .map(ChangedJson::of);
    }

    private static String said(String value) {
        return Objects.requireNonNullElse(value, "");
    }
}
