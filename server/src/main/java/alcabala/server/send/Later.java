package alcabala.server.send;

import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.LastChange;
import alcabala.accounting.sync.LaterWins;
import alcabala.accounting.sync.Owner;
import alcabala.accounting.sync.Side;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.UnreachableException;
import alcabala.connectors.ledger.TellsWhoChanged;
import alcabala.connectors.spi.Connection;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.merge.ChangedHere;
import alcabala.server.merge.ChangedThere;
import alcabala.server.merge.ChangedThere.Changed;
import alcabala.server.record.Records;
import alcabala.server.record.Scope;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/// What becomes of documents that were changed on the ledger where the later change wins. What only the ledger changed
/// is the later there, since both last agreed. Where both changed one field and nothing else, both are asked when; all
/// else is put together, or left to a person.
@Component
public class Later {
    private static final Logger LOG = LoggerFactory.getLogger(Later.class);

    /// What is asked about in one run; the others are with the next.
    private static final int MOST_ASKED = 500;

    private final SettingStore settings;
    private final ChangedThere there;
    private final ChangedHere here;
    private final Records records;
    private final Sources sources;
    private final Ledgers ledgers;
    private final Clock clock;

    /// @param stand by their numbers, with the revision that was looked at
    /// @param together which go with what each side changed, and keep the ledger's
    /// @param replaced which go as their source has them
    public record Decided(Map<Long, Integer> stand, List<Long> together, List<Long> replaced) {}

    Later(
            SettingStore settings,
            ChangedThere there,
            ChangedHere here,
            Records records,
            Sources sources,
            Ledgers ledgers,
            Clock clock) {
        this.settings = settings;
        this.there = there;
        this.here = here;
        this.records = records;
        this.sources = sources;
        this.ledgers = ledgers;
        this.clock = clock;
    }

    /// Within no transaction: it goes out to both sides. Nothing is written by it.
    public Decided decide(RouteRow route, Scope scope) {
        RouteSettings decided = settings.of(route.id());
        Decided all = new Decided(new HashMap<>(), new ArrayList<>(), new ArrayList<>());
        Map<Changed, String> onBoth = new LinkedHashMap<>();
        List<Changed> concerned = there.of(route, scope, RecordKind.words(kind -> isLater(decided, kind))).stream()
                .filter(each -> !each.apart() && each.whose(decided).contains(Owner.NOBODY))
                .toList();
        Map<Long, Both<Set<String>>> changed = here.of(
                route,
                decided,
                concerned.stream().filter(Changed::onSource).map(Changed::id).toList());
        for (Changed each : concerned) {
            Optional<String> only = Optional.ofNullable(changed.get(each.id())).flatMap(LaterWins::findOnly);
            if (only.isPresent()) {
                onBoth.put(each, only.get());
            } else if (each.onSource() || each.whose(decided).contains(Owner.SOURCE)) {
                all.together().add(each.id());
            } else {
                all.stand().put(each.id(), each.revision());
            }
        }
        ask(route, onBoth, all);
        return all;
    }

    private static boolean isLater(RouteSettings decided, RecordKind kind) {
        return kind.isDocument() && decided.winner(kind).equals("latest");
    }

    private void ask(RouteRow route, Map<Changed, String> onBoth, Decided all) {
        if (onBoth.isEmpty()) {
            return;
        }
        try {
            Both<Optional<TellsWhoChanged>> tell = new Both<>(
                    find(route.fromFiles() ? null : sources.of(route.sourceId())),
                    find(route.ledgerAnswers() ? ledgers.of(route.ledgerId()) : null));
            onBoth.entrySet().stream()
                    .limit(MOST_ASKED)
                    .forEach(each -> sort(
                            each.getKey(),
                            LaterWins.find(each.getValue(), told(tell, each.getKey()), clock.instant()),
                            all));
        } catch (UnreachableException e) {
            LOG.warn("which change is the later is asked with the next run: {}", e.getMessage());
        }
    }

    private static Optional<TellsWhoChanged> find(Connection side) {
        return Optional.ofNullable(side).flatMap(each -> each.find(TellsWhoChanged.class));
    }

    /// Where nobody can say, that is found when it is put together, and a person is asked.
    private static void sort(Changed each, Optional<Side> later, Decided all) {
        if (later.isEmpty()) {
            all.together().add(each.id());
        } else if (later.get() == Side.LEDGER) {
            all.stand().put(each.id(), each.revision());
        } else {
            all.replaced().add(each.id());
        }
    }

    private Both<LastChange> told(Both<Optional<TellsWhoChanged>> tell, Changed each) {
        Records.Row record = records.get(each.id());
        return new Both<>(
                told(tell.source(), each.kind(), record.sourceRef()),
                told(tell.ledger(), each.kind(), record.ledgerRef()));
    }

    /// Null where it does not tell, or tells what nobody can use.
    private static LastChange told(Optional<TellsWhoChanged> tells, RecordKind kind, String ref) {
        try {
            return tells.flatMap(side -> side.recordChanged(kind.family(), ref)).orElse(null);
        } catch (AnswerUnusableException e) {
            return null;
        }
    }
}
