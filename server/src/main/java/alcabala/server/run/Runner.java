package alcabala.server.run;

import alcabala.accounting.setting.Carried;
import alcabala.server.crossing.LedgerNews;
import alcabala.server.crossing.LedgerNews.Brought;
import alcabala.server.intake.Intake.TakenIn;
import alcabala.server.intake.SourcePull;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.jobs.Works.Progress;
import alcabala.server.masters.MasterMerging;
import alcabala.server.masters.MasterMerging.MastersMerged;
import alcabala.server.platform.Problems;
import alcabala.server.readiness.ReadinessRun;
import alcabala.server.record.Scope;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.run.Looking.Looked;
import alcabala.server.send.Later;
import alcabala.server.send.Settlement;
import alcabala.server.send.Triggered;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/// Does a run of a route. One at a time, on whichever server: who asks while one is on is told of that one.
@Component
class Runner {
    private static final String NOTHING_NEW = "Nothing new on either side";
    private final Routes routes;
    private final SourcePull source;
    private final LedgerNews news;
    private final ReadinessRun readiness;
    private final MasterMerging masters;
    private final Settlement settlement;
    private final Later later;
    private final Triggered triggered;
    private final RunStore runs;
    private final Looking looking;
    private final Works works;

    /// What came of it.
    ///
    /// @param masters how many were written to either side
    record Pulled(int added, int changed, int payments, int edits, int masters, int sending, String sentence) {
        /// Of a run that somebody else had done by then.
        private static final Pulled NOTHING = new Pulled(0, 0, 0, 0, 0, 0, "");
    }

    Runner(
            Routes routes,
            SourcePull source,
            LedgerNews news,
            ReadinessRun readiness,
            MasterMerging masters,
            Settlement settlement,
            Later later,
            Triggered triggered,
            RunStore runs,
            Looking looking,
            Works works) {
        this.routes = routes;
        this.source = source;
        this.news = news;
        this.readiness = readiness;
        this.masters = masters;
        this.settlement = settlement;
        this.later = later;
        this.triggered = triggered;
        this.runs = runs;
        this.looking = looking;
        this.works = works;
    }

    /// Begins one, or joins that of the same route which is under way.
    ///
    /// @param begin begins its row, or says that there is nothing to do any more
    Work<Pulled> start(RouteRow route, Extent extent, String who, Supplier<OptionalLong> begin) {
        return works.start(Kind.PULL, RunStore.subject(route.code()), who, Pulled.class, at -> {
            OptionalLong run = begin.get();
            return run.isPresent() ? run(run.getAsLong(), route, extent, who, at) : Pulled.NOTHING;
        });
    }

    /// Begins one by hand.
    ///
    /// @return empty where one of the same route is under way
    Optional<Work<Pulled>> begin(RouteRow route, Extent extent, String who) {
        return works.begin(
                Kind.PULL,
                RunStore.subject(route.code()),
                who,
                Pulled.class,
                at -> run(runs.byHand(route.id(), extent, who), route, extent, who, at));
    }

    private Pulled run(long run, RouteRow route, Extent extent, String who, Progress at) {
        try {
            Pulled pulled = pull(route, extent, who, at);
            runs.done(run, pulled.sentence(), !pulled.sentence().equals(NOTHING_NEW));
            return pulled;
        } catch (RuntimeException e) {
            // A server that is being stopped leaves its runs to whoever goes on.
            if (!Thread.currentThread().isInterrupted()) {
                runs.failed(run, Problems.of(e));
            }
            throw e;
        }
    }

    private Pulled pull(RouteRow route, Extent extent, String who, Progress at) {
        return extent.records() == null ? pullAll(route, extent, who, at) : look(route, extent, who, at);
    }

    private Pulled look(RouteRow route, Extent extent, String who, Progress at) {
        Looked looked = looking.look(route, extent.records(), who, at);
        return follow(route, extent, new News(looked.taken(), looked.brought(), List.of()), who);
    }

    private Pulled pullAll(RouteRow route, Extent extent, String who, Progress at) {
        Brought brought = route.ledgerAnswers() ? news.bring(route, who) : Brought.NOTHING;
        if (brought.news()) {
            readiness.judgeSoon(route);
        }
        at.at(1, 3);
        TakenIn pulled = route.fromFiles() ? TakenIn.NOTHING : source.pull(route.sourceId(), who);
        at.at(2, 3);
        List<MastersMerged> merged = masters.merge(route, extent.masters(), who);
        return follow(route, extent, new News(pulled, brought, merged), who);
    }

    /// What came of both sides.
    private record News(TakenIn pulled, Brought brought, List<MastersMerged> merged) {}

    /// What goes by itself after the news goes.
    private Pulled follow(RouteRow route, Extent extent, News news, String who) {
        Scope scope = extent.scope();
        int stand = 0;
        int sending = 0;
        for (RouteRow each : routes.ofSource(route.sourceId())) {
            Later.Decided decided = later.decide(each, scope);
            stand += settlement.letStand(each, scope, decided.stand(), who);
            sending += triggered.send(each, scope, decided, who);
        }
        return new Pulled(
                news.pulled().added(),
                news.pulled().changed(),
                news.brought().payments(),
                news.brought().edits(),
                news.merged().stream().mapToInt(MastersMerged::written).sum(),
                sending,
                sentence(route, news, stand, sending));
    }

    private static String sentence(RouteRow route, News news, int stand, int sending) {
        TakenIn pulled = news.pulled();
        Brought brought = news.brought();
        List<String> parts = new ArrayList<>();
        String from = " from " + route.source();
        add(parts, pulled.documents().added(), "new document" + from, "new documents" + from);
        add(parts, pulled.documents().changed(), "changed document", "changed documents");
        add(parts, pulled.settlements().added(), "new payment" + from, "new payments" + from);
        add(parts, pulled.settlements().changed(), "changed payment", "changed payments");
        add(parts, brought.payments(), "payment from " + route.ledger(), "payments from " + route.ledger());
        add(parts, brought.edits(), "edit on " + route.ledger(), "edits on " + route.ledger());
        for (MastersMerged each : news.merged()) {
            String one = each.kind() == Carried.PARTIES ? "party" : "item";
            String many = each.kind().name().toLowerCase(Locale.ROOT);
            addChanged(parts, each.toLedger(), one, many, route.ledger());
            addChanged(parts, each.toSource(), one, many, route.source());
            add(parts, each.created(), one + " created in " + route.source(), many + " created in " + route.source());
            add(parts, each.asked(), one + " to be asked about", many + " to be asked about");
        }
        addGone(parts, pulled.gone(), route.source());
        addGone(parts, brought.gone(), route.ledger());
        add(parts, stand, "of them stands there", "of them stand there");
        add(parts, sending, "record on its way by itself", "records on their way by themselves");
        return parts.isEmpty() ? NOTHING_NEW : String.join(", ", parts);
    }

    private static void addChanged(List<String> parts, int count, String one, String many, String side) {
        add(parts, count, one + " changed in " + side, many + " changed in " + side);
    }

    private static void addGone(List<String> parts, int count, String side) {
        add(parts, count, "is not in " + side + " any more", "are not in " + side + " any more");
    }

    static void add(List<String> parts, int count, String one, String many) {
        if (count > 0) {
            parts.add(count + " " + (count == 1 ? one : many));
        }
    }
}
