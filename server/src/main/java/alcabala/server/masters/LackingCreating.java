package alcabala.server.masters;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.field.Half;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Side;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.ledger.CreatesMasters;
import alcabala.connectors.spi.CannotException;
import alcabala.connectors.spi.Connection;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.connection.Sources;
import alcabala.server.masters.Lacking.State;
import alcabala.server.platform.News.Topic;
import alcabala.server.platform.Pauses;
import alcabala.server.platform.Telling;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import alcabala.server.trail.Trail;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/// Creates on the source what only the ledger has, where that is decided (synchronisation, "New on one side"). One that
/// resembles one of the source is asked about instead: creating it would be guessing that they are two. The intent is
/// kept before the source is asked, with what it is told and under which key, so that whoever goes on makes it once.
@Component
class LackingCreating {
    private static final int CHUNK = 500;
    private final LackingStore store;
    private final MasterLinks links;
    private final MasterSides sides;
    private final Sources sources;
    private final CrosswalkStore crosswalk;
    private final SettingStore settings;
    private final Pauses pauses;
    private final Telling telling;
    private final Trail trail;
    private final TransactionTemplate transaction;

    private enum Came {
        CREATED,
        ANSWERED,
        /// Nothing came back, or it takes nothing now.
        SILENT
    }

    LackingCreating(
            LackingStore store,
            MasterLinks links,
            MasterSides sides,
            Sources sources,
            CrosswalkStore crosswalk,
            SettingStore settings,
            Pauses pauses,
            Telling telling,
            Trail trail,
            TransactionTemplate transaction) {
        this.store = store;
        this.links = links;
        this.sides = sides;
        this.sources = sources;
        this.crosswalk = crosswalk;
        this.settings = settings;
        this.pauses = pauses;
        this.telling = telling;
        this.trail = trail;
        this.transaction = transaction;
    }

    /// What there is of a kind that nobody looked at yet.
    ///
    /// @return about how many of it somebody is asked
    int look(RouteRow route, Master master, String who) {
        if (!settings.of(route.id()).createsThere(master.carried()) || !canCreate(route)) {
            store.forgetAsked(route, master);
            return 0;
        }
        store.forgetOthers(route, master);
        int[] asked = {0};
        eachFresh(route, master, (bodies, like) -> {
            Map<String, String> kept = new LinkedHashMap<>(bodies);
            // The first of those that may be one is there when the others are looked at, with the next run.
            Map<String, String> created = new LinkedHashMap<>(bodies);
            created.keySet().removeAll(like.keySet());
            kept.keySet().removeAll(master.repeated(created));
            store.keep(route, master, kept, like, who);
            asked[0] += like.size();
        });
        return asked[0];
    }

    /// Chunk by chunk: what the ledger has of each by code, and whom of the source some of them resemble.
    private void eachFresh(RouteRow route, Master master, BiConsumer<Map<String, String>, Map<String, String>> heed) {
        Map<String, String> fresh = store.fresh(route, master, "", CHUNK);
        UnaryOperator<Map<String, String>> resembling = fresh.isEmpty() ? null : master.resembling(route);
        while (!fresh.isEmpty()) {
            heed.accept(fresh, resembling.apply(fresh));
            String last = fresh.keySet().stream().reduce((one, other) -> other).orElseThrow();
            fresh = store.fresh(route, master, last, CHUNK);
        }
    }

    /// What would become of those of a kind that nobody looked at yet. Changes nothing.
    ///
    /// @param create how many would be created
    /// @param ask about how many somebody would be asked
    record Supposed(int create, int ask) {}

    Supposed suppose(RouteRow route, Master master) {
        int[] counts = {0, 0};
        eachFresh(route, master, (bodies, like) -> {
            counts[0] += bodies.size() - like.size();
            counts[1] += like.size();
        });
        return new Supposed(counts[0], counts[1]);
    }

    /// Whether its source takes new ones from elsewhere. Nobody has to be let in for it.
    boolean canCreate(RouteRow route) {
        return !route.fromFiles()
                && sources.described(route.sourceId())
                        .find(CreatesMasters.class)
                        .isPresent();
    }

    /// All that is due of a route. A source that does not answer is not asked again this time.
    ///
    /// @return how many were created, by kind
    Map<Master, Integer> create(RouteRow route) {
        Map<Master, Integer> created = new LinkedHashMap<>();
        List<Lacking> due = store.due(route);
        for (Lacking each : due) {
            if (store.claim(route, each)) {
                Came came = create(route, each);
                if (came == Came.CREATED) {
                    created.merge(each.master(), 1, Integer::sum);
                }
                if (came == Came.SILENT) {
                    break;
                }
            }
        }
        if (!due.isEmpty()) {
            telling.tell(Topic.RECORDS, route.id(), null, List.of());
        }
        return created;
    }

    private Came create(RouteRow route, Lacking lacking) {
        try {
            Connection there = sides.of(route, Side.SOURCE);
            return settle(
                    route,
                    lacking,
                    lacking.master()
                            .create(
                                    there.get(CreatesMasters.class),
                                    lacking.counterpart(),
                                    lacking.master().asNew(lacking.body()),
                                    route.reference(lacking.master().word() + ":" + lacking.counterpart()),
                                    lacking.key()));
        } catch (CannotException e) {
            refused(route, lacking, "It takes none from elsewhere.", 0);
            return Came.ANSWERED;
        } catch (AnswerUnusableException e) {
            later(route, lacking, Duration.ZERO, "answered what cannot be used: " + e.what());
            return Came.ANSWERED;
        } catch (UnreachableException e) {
            later(route, lacking, Duration.ZERO, "did not answer");
            return Came.SILENT;
        }
    }

    private Came settle(RouteRow route, Lacking lacking, Answer<String> answer) {
        switch (answer) {
            case Answer.Accepted<String> taken -> taken(route, lacking, taken.record());
            case Answer.Refused<String> no -> refused(route, lacking, no.sentence(), 0);
            case Answer.Later<String> asked -> later(route, lacking, asked.pause(), asked.reason());
            case Answer.Lost<String> lost -> later(route, lacking, Duration.ZERO, lost.reason());
        }
        return switch (answer) {
            case Answer.Accepted<String> taken -> Came.CREATED;
            case Answer.Refused<String> no -> Came.ANSWERED;
            case Answer.Later<String> asked -> Came.SILENT;
            case Answer.Lost<String> lost -> lost.status() == 0 ? Came.SILENT : Came.ANSWERED;
        };
    }

    /// Both agree on what each has of it: what the source cut is apart, and quiet.
    private void taken(RouteRow route, Lacking lacking, String answered) {
        Master master = lacking.master();
        String code = master.code(answered);
        Half here = master.half(answered);
        Half there = master.half(master.asNew(lacking.body()));
        transaction.executeWithoutResult(status -> {
            master.knowNew(route, answered);
            // Somebody may have linked it meanwhile: then it stays with whom she said.
            if (!store.isLinked(route, lacking)) {
                link(route, lacking, code);
                links.linkNew(route, master, code, lacking.counterpart(), new Both<>(here, there));
            }
            store.forget(route, lacking);
            Map<String, Object> detail = new LinkedHashMap<>();
            detail.put(master.word(), code);
            detail.put("ledger", lacking.counterpart());
            detail.put("named", lacking.name());
            detail.put("to", route.source());
            master.fields().forEach(field -> {
                String told = there.values().getOrDefault(field.code(), "");
                String kept = here.values().getOrDefault(field.code(), "");
                if (!told.isEmpty() && !field.isSame(told, kept)) {
                    detail.put(field.code(), told + ", kept as " + (kept.isEmpty() ? "nothing" : kept));
                }
            });
            trail.write(route.id(), null, lacking.who(), master.word() + "-created-there", detail);
        });
    }

    /// Items of the same code need no row.
    private void link(RouteRow route, Lacking lacking, String code) {
        Master master = lacking.master();
        Optional<CrosswalkRow> row = crosswalk.find(route.id(), master.row(), code);
        if (!master.linksSameCodes() || !code.equals(lacking.counterpart())) {
            crosswalk.set(
                    route.id(),
                    master.row(),
                    code,
                    row.map(CrosswalkRow::meaning)
                            .orElse(Meaning.NONE)
                            .with(Purpose.COUNTERPART, lacking.counterpart()),
                    row.map(CrosswalkRow::version).orElse(0),
                    lacking.who());
        }
    }

    private void refused(RouteRow route, Lacking lacking, String reason, int tries) {
        transaction.executeWithoutResult(status -> {
            store.become(route, lacking, State.REFUSED, reason, lacking.who(), tries);
            Map<String, Object> detail = new LinkedHashMap<>();
            detail.put(lacking.master().word(), lacking.counterpart());
            detail.put("named", lacking.name());
            detail.put("to", route.source());
            detail.put("reason", reason);
            trail.write(route.id(), null, lacking.who(), lacking.master().word() + "-not-created-there", detail);
        });
    }

    private void later(RouteRow route, Lacking lacking, Duration asked, String reason) {
        if (lacking.tries() + 1 >= Pauses.TRIES) {
            String all = route.source() + " was asked " + Pauses.TRIES + " times: " + reason;
            refused(route, lacking, all, Pauses.TRIES);
        } else {
            store.later(route, lacking, pauses.after(lacking.tries() + 1, asked));
        }
    }
}
