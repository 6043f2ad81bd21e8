package alcabala.server.cutover;

import alcabala.server.crossing.TakenOver;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.route.RouteRow;
import java.util.ArrayList;
import java.util.List;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Component;

/// Pairs documents one by one, so that what cannot be paired is left with its reason and the rest goes on.
@Component
class CutOverLinks {
    /// More reasons than anybody reads.
    private static final int NAMED = 20;

    private final CutOverStore store;
    private final TakenOver takenOver;

    record Wanted(long record, String there) {}

    /// @param left how many could not be
    /// @param reasons of the first 20 of these
    record Paired(int done, int left, List<String> reasons) {}

    CutOverLinks(CutOverStore store, TakenOver takenOver) {
        this.store = store;
        this.takenOver = takenOver;
    }

    Paired pair(RouteRow route, long asked, List<Wanted> wanted, String who, Progress at) {
        Counting counting = new Counting();
        for (Wanted each : wanted) {
            counting.of(() -> takenOver.link(route, each.record(), store.record(asked, each.there()), who));
            at.at(counting.done + counting.left, wanted.size());
        }
        return counting.paired();
    }

    Paired apart(RouteRow route, List<Long> records, String who) {
        Counting counting = new Counting();
        records.forEach(each -> counting.of(() -> takenOver.unlink(route, each, who)));
        return counting.paired();
    }

    private static final class Counting {
        private final List<String> reasons = new ArrayList<>();
        private int done;
        private int left;

        void of(Runnable one) {
            try {
                one.run();
                done++;
            } catch (NotPossibleException e) {
                leave(e.getMessage());
            } catch (DuplicateKeyException e) {
                leave("Another route has paired it in this moment; compare both sides anew.");
            }
        }

        private void leave(String reason) {
            left++;
            if (reasons.size() < NAMED) {
                reasons.add(reason);
            }
        }

        Paired paired() {
            return new Paired(done, left, List.copyOf(reasons));
        }
    }
}
