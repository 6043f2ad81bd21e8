package alcabala.server.masters;

import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.LastChanges;
import alcabala.accounting.sync.MasterFields;
import alcabala.accounting.sync.RecordMerge;
import alcabala.accounting.sync.Side;
import alcabala.accounting.sync.Verdict;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.masters.Lacking.State;
import alcabala.server.masters.LackingCreating.Supposed;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/// What another decision about parties or items would do to those that stand on both sides. Changes nothing, and asks
/// nobody.
@Component
public class MasterProspects {
    private static final int CHUNK = 2000;
    private final Masters masters;
    private final MasterLinks links;
    private final MasterQuestions questions;
    private final LackingCreating lacking;
    private final LackingStore lackingStore;
    private final SettingStore settings;
    private final Sources sources;
    private final Ledgers ledgers;
    private final Clock clock;

    /// Of the fields of all that are linked, as it would be merged with the next run.
    ///
    /// @param overwritten how many of those that travel would replace a change of the other side
    /// @param apart how many differ and nobody changed them
    public record MasterFieldCounts(
            int toLedger, int toSource, int overwritten, int conflicts, int drifts, int apart) {}

    /// Of those in use that only the ledger has.
    ///
    /// @param possible whether the source takes new ones from elsewhere
    /// @param create how many would be created on the source
    /// @param ask about how many somebody would be asked, since the source may have them, or did not take them
    /// @param stay how many would stay where they are
    /// @param left how many of these somebody left there for good
    public record LackingCounts(boolean possible, int create, int ask, int stay, int left) {}

    /// @param linked how many of them stand on both sides
    public record MasterPreview(int linked, MasterFieldCounts now, MasterFieldCounts would, LackingCounts lacking) {}

    private static final class Counting {
        private int toLedger;
        private int toSource;
        private int overwritten;
        private int conflicts;
        private int drifts;
        private int apart;

        void add(MasterPair pair, MasterFields fields) {
            RecordMerge.merge(pair.values(), pair.baseline(), fields)
                    .fields()
                    .values()
                    .forEach(this::add);
        }

        private void add(Verdict verdict) {
            switch (verdict) {
                case Verdict.Agreed agreed -> {}
                case Verdict.Apart differs -> apart++;
                case Verdict.Drift drift -> drifts++;
                case Verdict.Conflict conflict -> conflicts++;
                case Verdict.Travels travels -> {
                    toLedger += travels.to() == Side.LEDGER ? 1 : 0;
                    toSource += travels.to() == Side.SOURCE ? 1 : 0;
                    overwritten += travels.overwrites() ? 1 : 0;
                }
            }
        }

        MasterFieldCounts counts() {
            return new MasterFieldCounts(toLedger, toSource, overwritten, conflicts, drifts, apart);
        }
    }

    MasterProspects(
            Masters masters,
            MasterLinks links,
            MasterQuestions questions,
            LackingCreating lacking,
            LackingStore lackingStore,
            SettingStore settings,
            Sources sources,
            Ledgers ledgers,
            Clock clock) {
        this.masters = masters;
        this.links = links;
        this.questions = questions;
        this.lacking = lacking;
        this.lackingStore = lackingStore;
        this.clock = clock;
        this.settings = settings;
        this.sources = sources;
        this.ledgers = ledgers;
    }

    public MasterPreview of(RouteRow route, Carried kind, RouteSettings after) {
        Master master = masters.of(kind);
        MasterRulesNow was = MasterRulesNow.of(route, master, settings.of(route.id()), sources, ledgers);
        MasterRulesNow becomes = MasterRulesNow.of(route, master, after, sources, ledgers);
        // As both sides said when somebody was asked about it.
        Map<String, Both<LastChanges>> told = questions.told(route, master);
        Counting now = new Counting();
        Counting would = new Counting();
        int linked = 0;
        String last = "";
        for (List<MasterPair> chunk = links.page(route, master, last, CHUNK);
                !chunk.isEmpty();
                chunk = links.page(route, master, last, CHUNK)) {
            for (MasterPair pair : chunk) {
                Both<LastChanges> known = told.getOrDefault(pair.code(), WhoChanged.NOTHING_TOLD);
                now.add(pair, was.of(pair, known, clock.instant()));
                would.add(pair, becomes.of(pair, known, clock.instant()));
            }
            linked += chunk.size();
            last = chunk.getLast().code();
        }
        return new MasterPreview(linked, now.counts(), would.counts(), lacking(route, master, after));
    }

    private LackingCounts lacking(RouteRow route, Master master, RouteSettings after) {
        Supposed fresh = lacking.suppose(route, master);
        Map<State, Integer> known = lackingStore.counts(route, master);
        int left = known.getOrDefault(State.LEFT, 0);
        int create = fresh.create() + known.getOrDefault(State.DUE, 0);
        int ask = fresh.ask() + known.getOrDefault(State.ASKED, 0) + known.getOrDefault(State.REFUSED, 0);
        boolean possible = lacking.canCreate(route);
        return possible && after.createsThere(master.carried())
                ? new LackingCounts(true, create, ask, left, left)
                : new LackingCounts(possible, 0, 0, create + ask + left, left);
    }
}
