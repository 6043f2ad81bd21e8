package alcabala.server.send;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.record.Origin;
import alcabala.accounting.whatif.OpenPeriods;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.crossing.BatchHeads.Checked;
import alcabala.server.crossing.Frozen;
import alcabala.server.crossing.Posting;
import alcabala.server.crossing.Postings;
import alcabala.server.crossing.SendTask;
import alcabala.server.jobs.Jobs;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Writing;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.Preview.Prepared;
import alcabala.server.send.Undoable.Gone;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Takes a posted batch back: in an open period each as if it had never been, in a locked one by its opposite on a
/// later
/// day (the job, section 6; issue "posted wrongly, undone"). Each once at most.
@Component
class Undoing {
    /// A condition on `record d`.
    private static final String STANDS = "d.outcome = 'posted' and not d.ledger_differs";
    private static final int YEARS = 2;
    private final Routes routes;
    private final BatchHeads heads;
    private final Undoable undoable;
    private final Postings postings;
    private final LedgerReference reference;
    private final Batches batches;
    private final Exports exports;
    private final Trail trail;
    private final Jobs jobs;
    private final Clock clock;

    /// @param posting with the journal that it causes
    record Taken(Gone gone, Posting posting) {
        Cancellation entry() {
            return (Cancellation) posting.entry();
        }
    }

    /// @param why it stays
    record Stays(Gone gone, String why) {}

    /// @param lockedThrough the last day that is locked there; empty where the ledger does not tell
    /// @param reversedOn the day of what is reversed; empty where each goes on its own day
    record Undo(
            RouteRow route,
            Optional<LocalDate> lockedThrough,
            Optional<LocalDate> reversedOn,
            List<Taken> taken,
            List<Stays> stay) {
        ControlTotals totals() {
            CurrencyUnit currency = taken.isEmpty()
                    ? CurrencyUnit.of(route.currency())
                    : taken.getFirst().entry().currency();
            return ControlTotals.of(
                    currency,
                    taken.stream().map(each -> prepared(each).member()).toList());
        }
    }

    /// @param records those meant; empty for all that can be taken back
    /// @param on the day of what cannot be taken back on its own; null for the first that is open there
    /// @param shown how many somebody saw before she said so
    record Order(Set<Long> records, LocalDate on, String reason, int shown) {}

    Undoing(
            Routes routes,
            BatchHeads heads,
            Undoable undoable,
            Postings postings,
            LedgerReference reference,
            Batches batches,
            Exports exports,
            Trail trail,
            Jobs jobs,
            Clock clock) {
        this.routes = routes;
        this.heads = heads;
        this.undoable = undoable;
        this.postings = postings;
        this.reference = reference;
        this.batches = batches;
        this.exports = exports;
        this.trail = trail;
        this.jobs = jobs;
        this.clock = clock;
    }

    /// What it would do; changes nothing.
    Undo of(RouteRow route, long batch, LocalDate on, Set<Long> records) {
        Optional<LocalDate> locked =
                route.ledgerAnswers() ? Optional.of(reference.lockedThrough(route.ledgerId())) : Optional.empty();
        Optional<LocalDate> reversedOn = Optional.ofNullable(on).or(() -> locked.map(day -> day.plusDays(1)));
        locked.ifPresent(day -> requireOpen(route, day, reversedOn.orElseThrow()));
        Optional.ofNullable(on).ifPresent(this::requireLikely);
        List<Gone> meant = undoable.of(batch).stream()
                .filter(each -> records.isEmpty() || records.contains(each.recordId()))
                .toList();
        Map<Long, Frozen> sent =
                postings.findAll(meant.stream().map(Gone::postingId).toList());
        List<Stays> stay = new ArrayList<>();
        Map<Long, Optional<LocalDate>> days = new HashMap<>();
        for (Gone each : meant) {
            LedgerEntry entry = sent.get(each.postingId()).entry();
            Optional<LocalDate> day = day(entry, locked, reversedOn);
            each.stays(batch, route.ledger())
                    .or(() -> stays(entry, day))
                    .ifPresentOrElse(why -> stay.add(new Stays(each, why)), () -> days.put(each.postingId(), day));
        }
        Map<Long, Posting> taking = postings.takingBack(days);
        List<Taken> taken = meant.stream()
                .filter(each -> taking.containsKey(each.postingId()))
                .map(each -> new Taken(each, taking.get(each.postingId())))
                .toList();
        return new Undo(route, locked, reversedOn, taken, stay);
    }

    private static Optional<String> stays(LedgerEntry entry, Optional<LocalDate> day) {
        if (entry instanceof Cancellation) {
            return Optional.of("It took something back itself.");
        }
        return day.filter(entry.date()::isAfter)
                .map(early -> "It is of " + Writing.now().day(entry.date()) + ", after the day of the reversals.");
    }

    /// Empty for its own.
    private static Optional<LocalDate> day(
            LedgerEntry entry, Optional<LocalDate> locked, Optional<LocalDate> reversedOn) {
        LocalDate own = entry.date();
        boolean open =
                locked.map(day -> !new OpenPeriods(day, own).isLocked(own)).orElse(reversedOn.isEmpty());
        return open ? Optional.empty() : reversedOn;
    }

    private static void requireOpen(RouteRow route, LocalDate locked, LocalDate on) {
        if (!on.isAfter(locked)) {
            throw NotPossibleException.invalid(
                    "period-locked",
                    "%s is locked through %s; date the reversals later, or open the period there."
                            .formatted(route.ledger(), Writing.now().day(locked)));
        }
    }

    private void requireLikely(LocalDate on) {
        LocalDate today = LocalDate.now(clock);
        if (on.isBefore(today.minusYears(YEARS)) || on.isAfter(today.plusYears(YEARS))) {
            throw NotPossibleException.invalid(
                    "day-unlikely",
                    "%s is more than %d years from today. Was another one meant?"
                            .formatted(Writing.now().day(on), YEARS));
        }
    }

    /// Makes the batch that takes it back, and sets it going.
    @Transactional
    long undo(RouteRow route, long batch, Order order, String who) {
        routes.lock(route.id());
        Undo undo = of(route, batch, order.on(), order.records());
        if (undo.taken().isEmpty()) {
            throw NotPossibleException.invalid("nothing-to-undo", "Nothing of this batch can be taken back.");
        }
        if (undo.taken().size() != order.shown()) {
            throw NotPossibleException.conflict(
                    "not-as-shown",
                    "You were shown %d to take back; now it would be %d. Nothing was done; look again."
                            .formatted(order.shown(), undo.taken().size()));
        }
        ControlTotals totals = undo.totals();
        long back = heads.insert(route, Origin.SOURCE, totals, Checked.not(order.reason()), null, who);
        heads.undoes(back, batch);
        List<Prepared> prepared = undo.taken().stream().map(Undoing::prepared).toList();
        trail.write(
                route.id(),
                null,
                who,
                "batch-undone",
                Map.of(
                        "batch",
                        batch,
                        "by",
                        back,
                        "documents",
                        prepared.size(),
                        "gross",
                        Amounts.decimal(totals.gross()),
                        "reason",
                        order.reason()));
        if (route.ledgerAnswers()) {
            batches.queue(route, back, prepared, STANDS, who);
            SendTask.schedule(jobs, back);
        } else {
            exports.write(route, back, prepared, "", STANDS, who);
        }
        return back;
    }

    private static Prepared prepared(Taken taken) {
        Gone gone = taken.gone();
        return new Prepared(
                gone.recordId(),
                gone.sourceRef(),
                gone.revision(),
                gone.number(),
                true,
                Origin.SOURCE,
                null,
                taken.posting(),
                gone.dispatchId(),
                null,
                false,
                Set.of());
    }
}
