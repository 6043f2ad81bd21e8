package alcabala.server.masters;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.setting.Carried;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.map.Mapping;
import alcabala.server.masters.Lacking.State;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// What somebody says of masters that a source lacks, one by one or of many at once.
@Component
class LackingAnswers {
    private final Masters masters;
    private final LackingStore store;
    private final LackingTrouble trouble;
    private final LackingCreating creating;
    private final Mapping mapping;
    private final CrosswalkStore crosswalk;
    private final Trail trail;
    private final TransactionTemplate transaction;

    enum LackingAnswer {
        /// It is the one of the source that it resembles.
        SAME,
        /// It is another one, to be created there; also once more.
        CREATE,
        /// It stays where it is.
        LEAVE
    }

    /// @param seen as it was when it was looked at
    record Of(String counterpart, String seen) {}

    LackingAnswers(
            Masters masters,
            LackingStore store,
            LackingTrouble trouble,
            LackingCreating creating,
            Mapping mapping,
            CrosswalkStore crosswalk,
            Trail trail,
            TransactionTemplate transaction) {
        this.masters = masters;
        this.store = store;
        this.trouble = trouble;
        this.creating = creating;
        this.mapping = mapping;
        this.crosswalk = crosswalk;
        this.trail = trail;
        this.transaction = transaction;
    }

    /// What is to be created is created at once. One that changed since it was looked at is left.
    ///
    /// @return how many were left
    /// @throws NotPossibleException when one cannot be linked with what it resembles
    int answer(RouteRow route, Carried kind, LackingAnswer answer, List<Of> all, String who, Progress at) {
        Master master = masters.of(kind);
        int left = 0;
        int done = 0;
        for (Of each : all) {
            boolean taken = transaction.execute(status -> store.lock(route, master, each.counterpart())
                    .filter(found -> found.seen().equals(each.seen()))
                    .map(found -> carryOut(route, found, answer, who))
                    .orElse(false));
            left += taken ? 0 : 1;
            at.at(++done, all.size());
        }
        if (answer == LackingAnswer.CREATE) {
            creating.create(route);
        }
        return left;
    }

    /// Those that were left where they are are looked at with the next run.
    int lookAgain(RouteRow route, Carried kind, String who) {
        Master master = masters.of(kind);
        return transaction.execute(status -> {
            int again = store.lookAgain(route, master);
            if (again > 0) {
                trail.write(route.id(), null, who, master.word() + "-looked-at-again", Map.of("how many", again));
            }
            return again;
        });
    }

    private boolean carryOut(RouteRow route, Lacking lacking, LackingAnswer answer, String who) {
        if (lacking.state() != State.ASKED && lacking.state() != State.REFUSED) {
            return false;
        }
        switch (answer) {
            case SAME -> link(route, lacking, who);
            case CREATE -> store.become(route, lacking, State.DUE, "", who, Math.min(lacking.tries(), 1));
            case LEAVE -> store.become(route, lacking, State.LEFT, "", who, lacking.tries());
        }
        Master master = lacking.master();
        trail.write(
                route.id(),
                null,
                who,
                master.word() + "-lacking-answered",
                Map.of(
                        master.word(),
                        lacking.counterpart(),
                        "name",
                        lacking.name(),
                        "answer",
                        answer == LackingAnswer.SAME
                                ? "the same as " + lacking.resembles()
                                : answer.name().toLowerCase(Locale.ROOT)));
        return true;
    }

    private void link(RouteRow route, Lacking lacking, String who) {
        Master master = lacking.master();
        if (lacking.state() != State.ASKED || !trouble.isFree(route, master, lacking.resembles())) {
            throw NotPossibleException.conflict(
                    "answer-impossible",
                    "%s cannot be linked with %s, which stands for another one."
                            .formatted(lacking.name(), lacking.resembles()));
        }
        Optional<CrosswalkRow> row = crosswalk.find(route.id(), master.row(), lacking.resembles());
        Meaning meaning =
                row.map(CrosswalkRow::meaning).orElse(Meaning.NONE).with(Purpose.COUNTERPART, lacking.counterpart());
        int version = row.map(CrosswalkRow::version).orElse(0);
        mapping.change(
                route,
                new Mapping.Change(master.row(), lacking.resembles(), meaning, version, false, ""),
                who,
                (done, of) -> {});
        store.forget(route, lacking);
    }
}
