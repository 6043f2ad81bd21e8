package alcabala.server.items;

import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.RewritesItems;
import alcabala.server.connection.Ledgers;
import alcabala.server.items.Rewriting.Row;
import alcabala.server.items.Rewriting.RowState;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.platform.Pauses;
import alcabala.server.reference.ItemsThere;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/// Does what a rewriting lists, row by row. Each item is looked at before it is changed: what has its new facts by now
/// was done before, whoever was cut off after that; what has others than were listed was changed there, and is left.
@Component
class RewritingRun {
    private static final int PAGE = 200;
    /// Who is asked to wait for longer does not; somebody goes on with it then.
    private static final Duration LONGEST_PAUSE = Duration.ofMinutes(1);
    private final Ledgers ledgers;
    private final ItemsThere itemsThere;
    private final RewritingStore rewritings;
    private final Pauses pauses;
    private final Trail trail;

    /// The ledger was asked often enough.
    private static final class GivenUpException extends RuntimeException {
        GivenUpException(String reason) {
            super(reason);
        }
    }

    /// What became of one request.
    ///
    /// @param sentence why the item is left; empty when it is done
    /// @param reason why it may be tried again; empty when it is settled
    private record Attempt(String sentence, String reason, Duration pause) {
        static Attempt settled(String sentence) {
            return new Attempt(sentence, "", Duration.ZERO);
        }
    }

    RewritingRun(Ledgers ledgers, ItemsThere itemsThere, RewritingStore rewritings, Pauses pauses, Trail trail) {
        this.pauses = pauses;
        this.ledgers = ledgers;
        this.itemsThere = itemsThere;
        this.rewritings = rewritings;
        this.trail = trail;
    }

    /// Begins it, or goes on where it was left.
    Rewriting run(Rewriting rewriting, RouteRow route, String who, Progress at) {
        rewritings.begin(rewriting, who);
        rewritings.openAgain(rewriting.id());
        trail.write(
                route.id(),
                null,
                who,
                "items-rewritten",
                Map.of("rewriting", rewriting.id(), "items", rewriting.rows()));
        String reason = "";
        try {
            RewritesItems ledger = ledgers.of(route.ledgerId()).get(RewritesItems.class);
            pass(rewriting, route, ledger, at);
            // A name may have been taken by one that was renamed only later.
            if (rewritings.get(rewriting.id()).left() > 0 && rewritings.isRunning(rewriting.id())) {
                rewritings.openAgain(rewriting.id());
                pass(rewriting, route, ledger, at);
            }
        } catch (GivenUpException e) {
            reason = e.getMessage();
        } catch (RuntimeException e) {
            reason = "It was cut off; go on with it.";
            throw e;
        } finally {
            rewritings.end(rewriting.id(), reason);
        }
        return rewritings.get(rewriting.id());
    }

    private void pass(Rewriting rewriting, RouteRow route, RewritesItems ledger, Progress at) {
        String after = "";
        List<Row> page;
        do {
            page = rewritings.rows(rewriting.id(), RowState.OPEN, after, PAGE);
            for (Row row : page) {
                if (!rewritings.isRunning(rewriting.id())) {
                    return;
                }
                rewritings.settle(rewriting.id(), row, insistently(route, ledger, rewriting.id(), row));
                after = row.there();
            }
            Rewriting now = rewritings.get(rewriting.id());
            at.at(now.rows() - now.open(), now.rows());
        } while (page.size() == PAGE);
    }

    /// @return why it is left; empty when it is done
    private String insistently(RouteRow route, RewritesItems ledger, long rewriting, Row row) {
        Attempt attempt = attempt(route, ledger, rewriting, row);
        for (int failures = 1; !attempt.reason().isEmpty(); failures++) {
            if (failures == Pauses.TRIES || attempt.pause().compareTo(LONGEST_PAUSE) > 0) {
                throw new GivenUpException("%s %s; what is done stays done, and it can be gone on with."
                        .formatted(route.ledger(), attempt.reason()));
            }
            rest(pauses.after(failures, attempt.pause()));
            attempt = attempt(route, ledger, rewriting, row);
        }
        return attempt.sentence();
    }

    private Attempt attempt(RouteRow route, RewritesItems ledger, long rewriting, Row row) {
        try {
            return once(route, ledger, rewriting, row);
        } catch (UnreachableException e) {
            return new Attempt("", "did not answer", Duration.ZERO);
        }
    }

    private Attempt once(RouteRow route, RewritesItems ledger, long rewriting, Row row) {
        Optional<RewritesItems.ItemThere> found = ledger.findItem(row.there());
        if (found.isEmpty()) {
            return Attempt.settled("It is not there any more.");
        }
        LedgerItem there = found.get().item();
        if (there.equals(row.after())) {
            itemsThere.keep(route.ledgerId(), there);
            return Attempt.settled("");
        }
        if (!there.equals(row.before())) {
            itemsThere.keep(route.ledgerId(), there);
            return Attempt.settled("It was changed there meanwhile: "
                    + ItemChange.between(row.before(), there).stream()
                            .map(ItemChange::sentence)
                            .collect(Collectors.joining(", "))
                    + ".");
        }
        String key = UUID.nameUUIDFromBytes("rewriting/%d/%s/%s"
                        .formatted(rewriting, row.there(), found.get().version())
                        .getBytes(StandardCharsets.UTF_8))
                .toString();
        return switch (ledger.change(found.get(), row.after(), key)) {
            case Answer.Accepted<LedgerItem> accepted -> {
                itemsThere.keep(route.ledgerId(), accepted.record());
                yield Attempt.settled("");
            }
            case Answer.Refused<LedgerItem> refused -> Attempt.settled(refused.sentence());
            case Answer.Later<LedgerItem> later ->
                new Attempt("", "asked to wait (" + later.reason() + ")", later.pause());
            case Answer.Lost<LedgerItem> _ -> new Attempt("", "did not say whether it took it", Duration.ZERO);
        };
    }

    private static void rest(Duration pause) {
        try {
            Thread.sleep(pause);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new GivenUpException("it was interrupted");
        }
    }
}
