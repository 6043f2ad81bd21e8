package alcabala.server.items;

import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.LedgerItem;
import alcabala.connectors.ledger.RewritesItems;
import alcabala.server.connection.Ledgers;
import alcabala.server.items.Rewriting.Facts;
import alcabala.server.items.Rewriting.Row;
import alcabala.server.items.Rewriting.RowState;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/// Does what a rewriting lists, row by row. Each item is looked at before it is changed: what has its new facts by now
/// was done before, whoever was cut off after that; what has others than were listed was changed there, and is left.
@Component
class RewritingRun {
    private static final int PAGE = 200;
    private static final int TRIES = 5;
    private static final Duration FIRST_PAUSE = Duration.ofMillis(250);
    private final Ledgers ledgers;
    private final LedgerReference reference;
    private final RewritingStore rewritings;
    private final Trail trail;

    /// The ledger was asked often enough.
    private static final class GivenUpException extends RuntimeException {
        GivenUpException(String reason) {
            super(reason);
        }
    }

    RewritingRun(Ledgers ledgers, LedgerReference reference, RewritingStore rewritings, Trail trail) {
        this.ledgers = ledgers;
        this.reference = reference;
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
                rewritings.settle(rewriting.id(), row, insistently(route, ledger, rewriting.id(), row));
                after = row.there();
            }
            Rewriting now = rewritings.get(rewriting.id());
            at.at(now.rows() - now.open(), now.rows());
            if (now.state() != Rewriting.State.RUNNING) {
                return;
            }
        } while (page.size() == PAGE);
    }

    /// @return why it is left; empty when it is done
    private String insistently(RouteRow route, RewritesItems ledger, long rewriting, Row row) {
        Duration pause = FIRST_PAUSE;
        String reason = "";
        for (int tries = 0; tries < TRIES; tries++) {
            if (tries > 0) {
                rest(pause);
                pause = pause.multipliedBy(2);
            }
            try {
                Optional<String> became = once(route, ledger, rewriting, row);
                if (became.isPresent()) {
                    return became.get();
                }
                reason = "did not say whether it took it";
            } catch (UnreachableException e) {
                reason = "did not answer";
            }
        }
        throw new GivenUpException(
                "%s %s; what is done stays done, and it can be gone on with.".formatted(route.ledger(), reason));
    }

    /// @return empty when that is not known
    private Optional<String> once(RouteRow route, RewritesItems ledger, long rewriting, Row row) {
        Optional<RewritesItems.ItemThere> found = ledger.findItem(row.there());
        if (found.isEmpty()) {
            return Optional.of("It is not there any more.");
        }
        LedgerItem there = found.get().item();
        Facts now = new Facts(there.name(), there.account());
        if (now.equals(row.after())) {
            reference.keep(route.ledgerId(), there);
            return Optional.of("");
        }
        if (!now.equals(row.before())) {
            reference.keep(route.ledgerId(), there);
            return Optional.of(
                    "It was changed there meanwhile: “%s”, account %s.".formatted(now.name(), now.account()));
        }
        LedgerItem wanted = new LedgerItem(
                there.code(), row.after().name(), row.after().account(), there.taxCode(), there.active());
        String key = UUID.nameUUIDFromBytes("rewriting/%d/%s/%d"
                        .formatted(rewriting, row.there(), found.get().version())
                        .getBytes(StandardCharsets.UTF_8))
                .toString();
        return switch (ledger.change(found.get(), wanted, key)) {
            case Answer.Accepted<LedgerItem> accepted -> {
                reference.keep(route.ledgerId(), accepted.record());
                yield Optional.of("");
            }
            case Answer.Refused<LedgerItem> refused -> Optional.of(refused.sentence());
            case Answer.Later<LedgerItem> later -> Optional.empty();
            case Answer.Lost<LedgerItem> lost -> Optional.empty();
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
