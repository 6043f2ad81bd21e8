package alcabala.server.crossing;

import alcabala.accounting.batch.Answered.Verdict;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.crossing.FileOutcomes.Stands;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.DocumentJson;
import alcabala.server.route.RouteRow;
import alcabala.server.trail.Trail;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.function.LongFunction;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// What a ledger accepted by a file stands there from now on, as it was given. What is next is made out while the
/// database writes what is before it.
@Component
class FileAcceptances {
    private static final int MANY = 1000;
    private final FileOutcomes outcomes;
    private final Queue queue;
    private final Postings postings;
    private final Settlements settlements;
    private final Counterparts counterparts;
    private final Trail trail;
    private final JsonMapper json;
    private final Clock clock;

    /// Where it is said, and by whom it was brought.
    ///
    /// @param file its name
    record From(RouteRow route, long batch, String file, String who) {}

    /// @param parties the ledger's by the source's, of those that it did not have before
    private record MadeOut(List<Stands> stands, Map<String, String> parties) {}

    FileAcceptances(
            FileOutcomes outcomes,
            Queue queue,
            Postings postings,
            Settlements settlements,
            Counterparts counterparts,
            Trail trail,
            JsonMapper json,
            Clock clock) {
        this.outcomes = outcomes;
        this.queue = queue;
        this.postings = postings;
        this.settlements = settlements;
        this.counterparts = counterparts;
        this.trail = trail;
        this.json = json;
        this.clock = clock;
    }

    /// Within the transaction that takes the file.
    ///
    /// @param verdict by the number of the dispatch
    void keep(List<GoneInFile> all, LongFunction<Verdict.Accepted> verdict, From from) {
        CompletableFuture<MadeOut> next = begin(all, 0, verdict);
        for (int at = 0; at < all.size(); at += MANY) {
            MadeOut now = next.join();
            next = begin(all, at + MANY, verdict);
            keep(some(all, at), now, verdict, from);
        }
    }

    private static List<GoneInFile> some(List<GoneInFile> all, int at) {
        return all.subList(Math.min(at, all.size()), Math.min(at + MANY, all.size()));
    }

    /// What was frozen was committed long ago, so that it can be read beside the transaction.
    private CompletableFuture<MadeOut> begin(List<GoneInFile> all, int at, LongFunction<Verdict.Accepted> verdict) {
        List<GoneInFile> some = some(all, at);
        return some.isEmpty()
                ? CompletableFuture.completedFuture(new MadeOut(List.of(), Map.of()))
                : CompletableFuture.supplyAsync(() -> madeOut(some, verdict));
    }

    private MadeOut madeOut(List<GoneInFile> some, LongFunction<Verdict.Accepted> verdict) {
        Map<Long, Frozen> frozen =
                postings.findAll(some.stream().map(GoneInFile::postingId).toList());
        Map<String, String> parties = new LinkedHashMap<>();
        List<Stands> stands = new ArrayList<>(some.size());
        for (GoneInFile each : some) {
            Verdict.Accepted yes = verdict.apply(each.id());
            LedgerEntry sent = frozen.get(each.postingId()).entry();
            stands.add(stands(each, sent, yes));
            if (sent.bringsParty() && !yes.line().party().isEmpty()) {
                parties.put(sent.party(), yes.line().party());
            }
        }
        return new MadeOut(stands, parties);
    }

    private Stands stands(GoneInFile each, LedgerEntry entry, Verdict.Accepted yes) {
        String party = yes.line().party().isEmpty()
                ? entry.partyCounterpart()
                : yes.line().party();
        String ref = yes.line().number();
        boolean asGiven = yes.isAsGiven(each.expected());
        LedgerRecord agreed = AsGiven.of(entry, each.reference(), ref, party, null);
        LedgerRecord latest = asGiven ? agreed : AsGiven.of(entry, each.reference(), ref, party, yes.gross());
        return new Stands(
                each.id(),
                ref,
                agreed.number(),
                agreed.due(),
                Amounts.minor(each.currency(), latest.gross()),
                Amounts.minor(each.currency(), agreed.paid()),
                !asGiven,
                latest.isVoided(),
                DocumentJson.write(agreed.half().values()),
                json.writeValueAsString(latest),
                json.writeValueAsString(yes.line()));
    }

    private void keep(List<GoneInFile> some, MadeOut made, LongFunction<Verdict.Accepted> verdict, From from) {
        outcomes.stand(made.stands(), clock.instant());
        trail.write(some.stream()
                .map(each -> accepted(each, verdict.apply(each.id()), from))
                .toList());
        made.parties().forEach((code, there) -> counterparts.isThere(from.route(), code, there, from.who()));
        outcomes.named(some.stream().map(GoneInFile::id).toList()).forEach(id -> settlements.became(queue.get(id)));
    }

    private static Trail.Entry accepted(GoneInFile each, Verdict.Accepted yes, From from) {
        return new Trail.Entry(
                from.route().id(),
                each.recordId(),
                from.who(),
                "accepted",
                Map.of(
                        "batch",
                        from.batch(),
                        "file",
                        from.file(),
                        "number",
                        yes.line().number(),
                        "gross",
                        Amounts.decimal(yes.gross())));
    }
}
