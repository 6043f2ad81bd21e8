package alcabala.server.run;

import alcabala.server.crossing.LedgerNews;
import alcabala.server.intake.Intake.TakenIn;
import alcabala.server.intake.SourcePull;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.masters.PartyMerging;
import alcabala.server.masters.PartyMerging.PartiesMerged;
import alcabala.server.platform.Problems;
import alcabala.server.readiness.ReadinessRun;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.Settlement;
import alcabala.server.send.Triggered;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/// Does a run of a route. One at a time, on whichever server: who asks while one is on is told of that one.
@Component
class Runner {
    private final Routes routes;
    private final SourcePull source;
    private final LedgerNews news;
    private final ReadinessRun readiness;
    private final PartyMerging parties;
    private final Settlement settlement;
    private final Triggered triggered;
    private final RunStore runs;
    private final Works works;

    /// What came of it.
    ///
    /// @param parties how many were written to either side
    record Pulled(int added, int changed, int payments, int edits, int parties, int sending, String sentence) {
        /// Of a run that somebody else had done by then.
        private static final Pulled NOTHING = new Pulled(0, 0, 0, 0, 0, 0, "");
    }

    Runner(
            Routes routes,
            SourcePull source,
            LedgerNews news,
            ReadinessRun readiness,
            PartyMerging parties,
            Settlement settlement,
            Triggered triggered,
            RunStore runs,
            Works works) {
        this.routes = routes;
        this.source = source;
        this.news = news;
        this.readiness = readiness;
        this.parties = parties;
        this.settlement = settlement;
        this.triggered = triggered;
        this.runs = runs;
        this.works = works;
    }

    /// The same run asked for by several people is done once.
    Work<Pulled> byHand(RouteRow route, String who) {
        return start(route, who, () -> OptionalLong.of(runs.byHand(route.id(), who)));
    }

    /// @param begin begins its row, or says that there is nothing to do any more
    Work<Pulled> start(RouteRow route, String who, Supplier<OptionalLong> begin) {
        return works.start(Kind.PULL, RunStore.subject(route.code()), who, Pulled.class, at -> {
            OptionalLong run = begin.get();
            return run.isPresent() ? run(run.getAsLong(), route, who, at) : Pulled.NOTHING;
        });
    }

    private Pulled run(long run, RouteRow route, String who, Progress at) {
        try {
            Pulled pulled = pull(route, who, at);
            runs.done(run, pulled.sentence());
            return pulled;
        } catch (RuntimeException e) {
            // A server that is being stopped leaves its runs to whoever goes on.
            if (!Thread.currentThread().isInterrupted()) {
                runs.failed(run, Problems.of(e));
            }
            throw e;
        }
    }

    private Pulled pull(RouteRow route, String who, Progress at) {
        LedgerNews.Brought brought = route.ledgerAnswers() ? news.bring(route, who) : LedgerNews.Brought.NOTHING;
        if (brought.news()) {
            readiness.judgeSoon(route);
        }
        at.at(1, 3);
        TakenIn pulled = route.fromFiles() ? TakenIn.NOTHING : source.pull(route.sourceId(), who);
        at.at(2, 3);
        PartiesMerged merged = parties.merge(route, who);
        int stand = routes.ofSource(route.sourceId()).stream()
                .mapToInt(each -> settlement.letStand(each, who))
                .sum();
        int sending = routes.ofSource(route.sourceId()).stream()
                .mapToInt(each -> triggered.send(each, who))
                .sum();
        return new Pulled(
                pulled.added(),
                pulled.changed(),
                brought.payments(),
                brought.edits(),
                merged.toLedger() + merged.toSource(),
                sending,
                sentence(route, pulled, brought, merged, stand, sending));
    }

    private static String sentence(
            RouteRow route, TakenIn pulled, LedgerNews.Brought brought, PartiesMerged merged, int stand, int sending) {
        List<String> parts = new ArrayList<>();
        String from = " from " + route.source();
        add(parts, pulled.documents().added(), "new document" + from, "new documents" + from);
        add(parts, pulled.documents().changed(), "changed document", "changed documents");
        add(parts, pulled.settlements().added(), "new payment" + from, "new payments" + from);
        add(parts, pulled.settlements().changed(), "changed payment", "changed payments");
        add(parts, brought.payments(), "payment from " + route.ledger(), "payments from " + route.ledger());
        add(parts, brought.edits(), "edit on " + route.ledger(), "edits on " + route.ledger());
        add(parts, merged.toLedger(), "party changed in " + route.ledger(), "parties changed in " + route.ledger());
        add(parts, merged.toSource(), "party changed in " + route.source(), "parties changed in " + route.source());
        add(parts, merged.asked(), "party to be asked about", "parties to be asked about");
        add(parts, stand, "of them stands there", "of them stand there");
        add(parts, sending, "record on its way by itself", "records on their way by themselves");
        return parts.isEmpty() ? "Nothing new on either side" : String.join(", ", parts);
    }

    static void add(List<String> parts, int count, String one, String many) {
        if (count > 0) {
            parts.add(count + " " + (count == 1 ? one : many));
        }
    }
}
