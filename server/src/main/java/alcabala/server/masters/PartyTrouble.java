package alcabala.server.masters;

import alcabala.accounting.party.PartyField;
import alcabala.accounting.sync.Answer;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.server.masters.PartyQuestions.Asked;
import alcabala.server.platform.Waited;
import alcabala.server.route.RouteRow;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// What people are asked about parties of a route, by cause: the same field, in the same trouble.
@Component
class PartyTrouble {
    /// Of each cause; the rest is counted.
    private static final int LISTED = 500;
    private final PartyQuestions questions;
    private final PartyLinks links;
    private final PartyAnswers answers;
    private final Clock clock;

    /// One field of a party on both sides; empty where a side has nothing.
    ///
    /// @param agreed whether the two have ever agreed on it
    /// @param question why a person is asked about it; empty where she is not
    record PartyValuesJson(
            PartyField field,
            String source,
            String sourceAgreed,
            String ledger,
            String ledgerAgreed,
            boolean agreed,
            boolean differs,
            String question) {}

    /// @param seen to be given with an answer
    /// @param offered the answers that can be given
    record PartyHeldJson(
            String code,
            String counterpart,
            String name,
            Instant since,
            String seen,
            String sentence,
            List<Answer> offered,
            List<PartyValuesJson> fields) {}

    /// @param cause `conflict` or `drift` with the field, and of drift the side that has it
    /// @param days how long the first of them has waited, begun ones counted
    /// @param parties the first 500, longest waiting first
    record PartyCauseJson(
            String cause,
            PartyField field,
            boolean conflict,
            List<Side> sides,
            int count,
            int days,
            List<PartyHeldJson> parties) {}

    PartyTrouble(PartyQuestions questions, PartyLinks links, PartyAnswers answers, Clock clock) {
        this.questions = questions;
        this.links = links;
        this.answers = answers;
        this.clock = clock;
    }

    List<PartyCauseJson> of(RouteRow route) {
        Map<String, List<Asked>> byCause = new LinkedHashMap<>();
        Map<String, List<Asked>> byParty = new HashMap<>();
        for (Asked asked : questions.of(route)) {
            byCause.computeIfAbsent(cause(asked), each -> new ArrayList<>()).add(asked);
            byParty.computeIfAbsent(asked.code(), each -> new ArrayList<>()).add(asked);
        }
        if (byCause.isEmpty()) {
            return List.of();
        }
        PartyRulesNow rules = answers.rules(route);
        return byCause.entrySet().stream()
                .map(each -> cause(route, rules, each.getKey(), each.getValue(), byParty))
                .sorted(Comparator.comparingLong((PartyCauseJson each) -> (long) each.days() * each.count())
                        .reversed())
                .toList();
    }

    private static String cause(Asked asked) {
        String field = asked.field().code();
        return asked.verdict() instanceof Verdict.Drift drift
                ? "drift:" + field + ":"
                        + String.join("+", sides(drift).map(Side::name).toList())
                : "conflict:" + field;
    }

    private static Stream<Side> sides(Verdict verdict) {
        return Stream.of(Side.values())
                .filter(side ->
                        !(verdict instanceof Verdict.Drift drift) || drift.of().contains(side));
    }

    private PartyCauseJson cause(
            RouteRow route, PartyRulesNow rules, String cause, List<Asked> of, Map<String, List<Asked>> byParty) {
        Asked first = of.getFirst();
        List<Asked> listed = of.stream().limit(LISTED).toList();
        Map<String, PartyPair> pairs = links
                .of(route, listed.stream().map(Asked::code).toList())
                .stream()
                .collect(Collectors.toMap(PartyPair::code, pair -> pair));
        return new PartyCauseJson(
                cause,
                first.field(),
                first.verdict() instanceof Verdict.Conflict,
                sides(first.verdict()).toList(),
                of.size(),
                Waited.days(first.since(), clock.instant()),
                listed.stream()
                        .filter(asked -> pairs.containsKey(asked.code()))
                        .map(asked -> held(route, rules, pairs.get(asked.code()), asked, byParty.get(asked.code())))
                        .toList());
    }

    private static PartyHeldJson held(
            RouteRow route, PartyRulesNow rules, PartyPair pair, Asked asked, List<Asked> all) {
        return new PartyHeldJson(
                pair.code(),
                pair.counterpart(),
                pair.parties().source().name(),
                asked.since(),
                PartyAnswers.seen(pair, asked),
                PartySentences.why(route, asked),
                PartyAnswers.offered(rules, pair, asked).stream().sorted().toList(),
                Stream.of(PartyField.values())
                        .map(field -> values(route, pair, field, all))
                        .toList());
    }

    private static PartyValuesJson values(RouteRow route, PartyPair pair, PartyField field, List<Asked> all) {
        Both<String> now = pair.values().map(half -> half.values().getOrDefault(field.code(), ""));
        Both<String> agreed = pair.baseline().of(field.code()).map(value -> Objects.requireNonNullElse(value, ""));
        return new PartyValuesJson(
                field,
                now.source(),
                agreed.source(),
                now.ledger(),
                agreed.ledger(),
                pair.baseline().isSettled(field.code()),
                !field.isSame(now.source(), now.ledger()),
                all.stream()
                        .filter(each -> each.field() == field)
                        .map(each -> PartySentences.why(route, each))
                        .findFirst()
                        .orElse(""));
    }
}
