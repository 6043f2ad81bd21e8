package alcabala.server.send;

import alcabala.accounting.batch.ControlTotals;
import alcabala.accounting.batch.ListComparison;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.record.Origin;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.crossing.BatchHeads.Checked;
import alcabala.server.crossing.NewDispatches;
import alcabala.server.crossing.Outcomes;
import alcabala.server.crossing.Posting;
import alcabala.server.crossing.Postings;
import alcabala.server.crossing.SendTask;
import alcabala.server.jobs.Jobs;
import alcabala.server.merge.TogetherSentences;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Writing;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.Preview.Prepared;
import alcabala.server.trail.Trail;
import java.math.BigDecimal;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.Money;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Makes batches and sets them going.
@Component
class Batches {
    private final Outcomes outcomes;
    private final Postings postings;
    private final NewDispatches dispatches;
    private final Clock clock;
    private final Routes routes;
    private final Previews previews;
    private final BatchHeads heads;
    private final OwnListFiles ownLists;
    private final Exports exports;
    private final Trail trail;
    private final Jobs jobs;

    Batches(
            Outcomes outcomes,
            Postings postings,
            NewDispatches dispatches,
            Clock clock,
            Routes routes,
            Previews previews,
            BatchHeads heads,
            OwnListFiles ownLists,
            Exports exports,
            Trail trail,
            Jobs jobs) {
        this.outcomes = outcomes;
        this.postings = postings;
        this.dispatches = dispatches;
        this.clock = clock;
        this.routes = routes;
        this.previews = previews;
        this.heads = heads;
        this.ownLists = ownLists;
        this.exports = exports;
        this.trail = trail;
        this.jobs = jobs;
    }

    /// What somebody saw before she said that it may go; null where nobody looks.
    ///
    /// @param net in the currency of its records, as a decimal number; so are tax and gross
    record Shown(int count, String net, String tax, String gross, String hashTotal) {
        boolean holds(ControlTotals totals) {
            return count == totals.count()
                    && net.equals(Amounts.decimal(totals.net()))
                    && tax.equals(Amounts.decimal(totals.tax()))
                    && gross.equals(Amounts.decimal(totals.gross()))
                    && hashTotal.equals(totals.hashTotal().toString());
        }
    }

    /// @param independentTotal typed from a list of somebody's own; empty when there is none
    /// @param ownList that list itself, read before; null when there is none
    /// @param reason why it may go though that total differs, or a line of that list
    /// @param allowed parties that a ledger of files may create, by their codes
    /// @param layout of the files, by name; empty for the usual one
    /// @param replaces the former revision of the same batch; null for a batch of its own
    record Order(
            Choice choice,
            Shown shown,
            String independentTotal,
            Long ownList,
            String reason,
            Set<String> allowed,
            String layout,
            Long replaces) {
        /// What nobody looks at before it goes.
        static Order unseen(Choice choice) {
            return new Order(choice, null, "", null, "", Set.of(), "", null);
        }
    }

    /// Makes the batch and sets it going. What was shown must still hold, and the totals must agree with the
    /// independent total, or a reason is given.
    @Transactional
    long send(RouteRow route, Order order, String who) {
        routes.lock(route.id());
        Preview preview = previews.of(route, order.choice());
        requireAsShown(preview, order.shown());
        if (preview.documents().isEmpty()) {
            throw preview.apart().stream()
                    .findFirst()
                    .map(each -> NotPossibleException.conflict(
                            "not-together",
                            each.number() + " cannot be put together: " + TogetherSentences.why(route, each.cannot())))
                    .orElseGet(() ->
                            NotPossibleException.invalid("nothing-to-send", "None of these documents is ready to go."));
        }
        leaveApart(route, preview, who);
        if (!preview.collisions().isEmpty()) {
            ItemNames.Collision first = preview.collisions().getFirst();
            throw NotPossibleException.invalid(
                    "names-collide",
                    "On the ledger the items " + first.inWords()
                            + (first.items().size() > 2 ? " would all be named “" : " would both be named “")
                            + first.name()
                            + "”. Give them names of their own under Map, Names there, or map one to an item that is there; nothing was sent.");
        }
        Checked checked = check(route, preview, order);
        boolean asked = route.ledgerAnswers() || preview.origin() == Origin.LEDGER;
        if (!asked) {
            exports.requireAllowed(route, preview, order.allowed());
        }
        long batch = heads.insert(
                route,
                preview.origin(),
                preview.totals(),
                checked,
                order.choice().dated(),
                who);
        if (!order.choice().options().isEmpty()) {
            heads.decides(batch, order.choice().options());
        }
        if (order.replaces() != null) {
            heads.revise(route, batch, order.replaces());
        }
        List<Prepared> documents = NeededFirst.order(preview.documents());
        if (asked) {
            queue(route, batch, documents, Candidates.CAN_GO, who);
            SendTask.schedule(jobs, batch);
        } else {
            if (!preview.parties().isEmpty()) {
                trail.write(
                        route.id(),
                        null,
                        who,
                        "creation-allowed",
                        Map.of(
                                "batch",
                                batch,
                                "parties",
                                preview.parties().stream()
                                        .map(Preview.Creation::name)
                                        .toList()));
            }
            exports.write(route, batch, documents, order.layout(), who);
        }
        return batch;
    }

    /// What cannot be put together waits for a person, or for another change.
    @Transactional
    void leaveApart(RouteRow route, Preview preview, String who) {
        preview.apart().stream()
                .filter(each -> outcomes.stayApart(each.id()))
                .forEach(each -> trail.write(
                        route.id(),
                        each.id(),
                        who,
                        "not-put-together",
                        Map.of("why", TogetherSentences.why(route, each.cannot()))));
    }

    private static void requireAsShown(Preview preview, Shown shown) {
        ControlTotals now = preview.totals();
        if (shown != null && !shown.holds(now)) {
            throw NotPossibleException.conflict(
                    "not-as-shown",
                    "You were shown %s documents, net %s, tax %s, gross %s, hash total %s; now it would be %d, net %s, tax %s, gross %s, hash total %s. Nothing was sent; look at the batch again."
                            .formatted(
                                    shown.count(),
                                    shown.net(),
                                    shown.tax(),
                                    shown.gross(),
                                    shown.hashTotal(),
                                    now.count(),
                                    Amounts.decimal(now.net()),
                                    Amounts.decimal(now.tax()),
                                    Amounts.decimal(now.gross()),
                                    now.hashTotal()));
        }
    }

    /// Beside whatever somebody has of her own; a list tells more than a total.
    private Checked check(RouteRow route, Preview preview, Order order) {
        if (order.ownList() != null) {
            ListComparison compared = ownLists.compare(route, order.ownList(), preview);
            if (!compared.agrees() && order.reason().isBlank()) {
                throw NotPossibleException.conflict(
                        "list-differs",
                        "Your list and the batch do not agree on %d lines, %s all together. Find out why, or say why it may go all the same."
                                .formatted(compared.lines().size(), Amounts.shown(compared.difference())));
            }
            return new Checked(Optional.of(compared.listed()), order.ownList(), order.reason());
        }
        Optional<Money> typed = independentTotal(preview.totals(), order.independentTotal());
        if (typed.isPresent()
                && !typed.get().equals(preview.totals().gross())
                && order.reason().isBlank()) {
            throw NotPossibleException.conflict(
                    "totals-differ",
                    "The batch adds up to " + Amounts.shown(preview.totals().gross()) + ", your own list to "
                            + Amounts.shown(typed.get()) + ". Find out why, or say why it may go all the same.");
        }
        return new Checked(typed, null, order.reason());
    }

    private static Optional<Money> independentTotal(ControlTotals totals, String text) {
        if (text == null || text.isBlank()) {
            return Optional.empty();
        }
        String currency = totals.gross().getCurrencyUnit().getCode();
        return Optional.of(Amounts.typed(currency, text)
                .orElseThrow(() -> NotPossibleException.invalid(
                        "total-invalid",
                        "“" + text + "” is not an amount in " + currency + " as you write it, such as "
                                + Writing.now().figure(new BigDecimal("1234.50")) + ".")));
    }

    /// @param canGo a condition on `record d`
    void queue(RouteRow route, long batch, List<Prepared> documents, String canGo, String who) {
        for (Prepared each : documents) {
            if (!outcomes.queue(each.id(), each.revision(), canGo)) {
                throw NotPossibleException.conflict(
                        "changed-meanwhile", "A document of the batch changed meanwhile; look at the batch again.");
            }
        }
        List<Long> postings = this.postings.freeze(
                route,
                documents.stream()
                        .map(each -> new Postings.Made(each.id(), each.revision(), each.posting()))
                        .toList(),
                clock.instant());
        List<NewDispatches.New> all = new ArrayList<>();
        for (int i = 0; i < documents.size(); i++) {
            Prepared each = documents.get(i);
            Posting posting = each.posting();
            all.add(new NewDispatches.New(
                    each.id(),
                    postings.get(i),
                    each.number(),
                    posting.needs(),
                    posting.turn(),
                    each.undoes(),
                    each.keeps(),
                    each.ruled(),
                    each.asks()));
        }
        dispatches.insert(batch, all);
        trail.write(documents.stream()
                .map(each -> new Trail.Entry(route.id(), each.id(), who, "queued", Map.of("batch", batch)))
                .toList());
    }
}
