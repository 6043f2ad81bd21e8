package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.sync.Answer;
import alcabala.accounting.sync.Baseline;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.MasterFields;
import alcabala.accounting.sync.Side;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.masters.MasterQuestions.Asked;
import alcabala.server.masters.MasterWrites.OtherHalf;
import alcabala.server.masters.MasterWrites.Write;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.Trail;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// What people say of fields of masters that they are asked about. An answer may go against direction and owner, never
/// against what can be written.
@Component
class MasterAnswers {
    private final Masters masters;
    private final MasterLinks links;
    private final MasterQuestions questions;
    private final MasterWrites writes;
    private final MasterWriting writing;
    private final SettingStore settings;
    private final Sources sources;
    private final Ledgers ledgers;
    private final Trail trail;
    private final TransactionTemplate transaction;

    /// One that is asked about.
    ///
    /// @param seen as it was looked at, see [#seen]
    record Of(String code, String seen) {}

    /// @param field its code
    /// @param typed what both are to have; empty with every answer but that
    record Said(Carried kind, String field, Answer answer, String typed) {}

    MasterAnswers(
            Masters masters,
            MasterLinks links,
            MasterQuestions questions,
            MasterWrites writes,
            MasterWriting writing,
            SettingStore settings,
            Sources sources,
            Ledgers ledgers,
            Trail trail,
            TransactionTemplate transaction) {
        this.masters = masters;
        this.links = links;
        this.questions = questions;
        this.writes = writes;
        this.writing = writing;
        this.settings = settings;
        this.sources = sources;
        this.ledgers = ledgers;
        this.trail = trail;
        this.transaction = transaction;
    }

    MasterRulesNow rules(RouteRow route, Master master) {
        return MasterRulesNow.of(route, master, settings.of(route.id()), sources, ledgers);
    }

    /// Which answers there are to a question.
    static Set<Answer> offered(MasterRulesNow rules, MasterPair pair, Asked asked) {
        MasterFields fields = rules.of(pair);
        String field = asked.field();
        Both<Boolean> writable = new Both<>(
                fields.locked(field, Side.SOURCE).isEmpty(),
                fields.locked(field, Side.LEDGER).isEmpty());
        return Answer.offered(asked.verdict(), writable, pair.baseline().isSettled(field));
    }

    /// Another one whenever either side is otherwise, or another thing is asked.
    static String seen(MasterPair pair, Asked asked) {
        return pair.now() + " " + asked.verdict().by() + " " + asked.reason().hashCode();
    }

    /// The same answer about many; what is to be written is told at once. One that changed since it was looked at is
    /// left.
    ///
    /// @return how many were left
    /// @throws NotPossibleException when one of them has no such answer, or it cannot have what is typed
    int answer(RouteRow route, Said said, List<Of> all, String who) {
        Master master = masters.of(said.kind());
        boolean takes = master.fields().stream()
                .filter(field -> field.code().equals(said.field()))
                .anyMatch(field -> said.answer() != Answer.TYPED || field.takes(said.typed()));
        if (!takes) {
            throw NotPossibleException.invalid(
                    "value-impossible", "“%s” cannot be its %s.".formatted(said.typed(), said.field()));
        }
        MasterRulesNow rules = rules(route, master);
        int left = 0;
        for (Of each : all) {
            left += answer(route, rules, said, each, who) ? 0 : 1;
        }
        writing.tell(route);
        return left;
    }

    private boolean answer(RouteRow route, MasterRulesNow rules, Said said, Of of, String who) {
        Optional<MasterPair> found = links.find(route, rules.master(), of.code());
        Optional<Asked> asked = questions.find(route, rules.master(), of.code(), said.field());
        if (found.isEmpty()
                || asked.isEmpty()
                || !seen(found.get(), asked.get()).equals(of.seen())) {
            return false;
        }
        MasterPair pair = found.get();
        if (!offered(rules, pair, asked.get()).contains(said.answer())) {
            throw NotPossibleException.invalid(
                    "answer-impossible", "That cannot be done about %s.".formatted(pair.name()));
        }
        return carryOut(route, rules, pair, asked.get(), said, who);
    }

    /// As each side would say it.
    private static Both<String> typed(MasterFields fields, String field, String typed) {
        String there = typed == null
                ? null
                : fields.translated(field, typed, Side.LEDGER).orElse(typed);
        return new Both<>(typed, there);
    }

    private boolean carryOut(
            RouteRow route, MasterRulesNow rules, MasterPair pair, Asked asked, Said said, String who) {
        String field = said.field();
        MasterFields fields = rules.of(pair);
        Both<String> now = pair.values().map(half -> half.values().get(field));
        Both<String> half = pair.baseline().of(field);
        String typed = said.typed().isBlank() ? null : said.typed().strip();
        Answer.Consequence then =
                said.answer().of(field, asked.verdict(), now, half, typed(fields, field, typed), fields);
        List<Write> found = new ArrayList<>();
        for (Side side : Side.values()) {
            Optional<Answer.Change> change = then.writes().of(side);
            if (change.isPresent()) {
                boolean otherToo = then.writes().of(side.other()).isPresent();
                OtherHalf other = otherToo
                        ? OtherHalf.STAYS
                        : new OtherHalf(true, then.halves().of(side.other()));
                Optional<Write> write = writing.prepare(
                        route,
                        pair,
                        side,
                        new TreeMap<>(
                                Map.of(field, Optional.ofNullable(change.get().value()))),
                        Map.of(field, other),
                        who);
                if (write.isEmpty()) {
                    return false;
                }
                found.add(write.get());
            }
        }
        return transaction.execute(status -> {
            boolean moved = links.lock(route, pair.master(), pair.code())
                    .filter(locked -> locked.version() == pair.version())
                    .isEmpty();
            if (moved || writes.isUnderWay(route, pair.master(), pair.code())) {
                return false;
            }
            Baseline agreed = found.isEmpty() ? pair.baseline().with(field, then.halves()) : pair.baseline();
            links.agree(pair, agreed, "");
            found.forEach(write -> writes.keep(route.id(), write));
            questions.answered(route, pair.master(), pair.code(), said.field());
            trail.write(
                    route.id(),
                    null,
                    who,
                    pair.master().word() + "-answered",
                    Map.of(
                            pair.master().word(),
                            pair.code(),
                            "name",
                            pair.name(),
                            "field",
                            field,
                            "answer",
                            said.answer().name().toLowerCase(Locale.ROOT)));
            return true;
        });
    }
}
