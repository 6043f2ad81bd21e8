package alcabala.server.crossing;

import alcabala.accounting.crosswalk.RowKind;
import alcabala.connectors.ledger.Answer;
import alcabala.server.compile.Affected;
import alcabala.server.compile.PartyMatchers;
import alcabala.server.compile.Resemblance;
import alcabala.server.connection.Ledgers;
import alcabala.server.connection.Sources;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.record.Refs;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.springframework.stereotype.Component;

/// Creates parties on the ledger before their first document, one at a time, because somebody asks for it.
@Component
public class NewParties {
    private final Counterparts counterparts;
    private final PartyMatchers matchers;
    private final LedgerReference reference;
    private final Ledgers ledgers;
    private final Sources sources;
    private final Affected affected;
    private final Resemblance resemblance;

    NewParties(
            Counterparts counterparts,
            PartyMatchers matchers,
            LedgerReference reference,
            Ledgers ledgers,
            Sources sources,
            Affected affected,
            Resemblance resemblance) {
        this.counterparts = counterparts;
        this.matchers = matchers;
        this.reference = reference;
        this.ledgers = ledgers;
        this.sources = sources;
        this.affected = affected;
        this.resemblance = resemblance;
    }

    /// @return the ledger's id of it, new or there already
    /// @throws NotPossibleException when it may be there under another name, or the ledger says no or nothing
    public String create(RouteRow route, String code, String who) {
        Trip trip = new Trip(
                route,
                () -> ledgers.of(route.ledgerId()),
                () -> sources.of(route.sourceId()),
                new Newcomers(matchers, reference, route.ledgerId()),
                new ConcurrentLinkedQueue<>(),
                ConcurrentHashMap.newKeySet(),
                new ConcurrentHashMap<>());
        String id = id(route, ask(trip, code, who));
        resemblance.askAbout(route.ledgerId(), List.copyOf(trip.created()), who);
        affected.compileAgain(route.id(), Set.of(Refs.of(RowKind.PARTY, code)), who, "party " + code + " created");
        return id;
    }

    private Answer<String> ask(Trip trip, String code, String who) {
        try {
            return counterparts.createNow(trip, code, who);
        } catch (Counterparts.DoubtfulException e) {
            throw NotPossibleException.conflict("party-doubtful", e.getMessage());
        }
    }

    private static String id(RouteRow route, Answer<String> answer) {
        return switch (answer) {
            case Answer.Accepted<String> there -> there.record();
            case Answer.Refused<String> no ->
                throw NotPossibleException.invalid("ledger-refused", route.ledger() + " says no: " + no.sentence());
            case Answer.Later<String> later ->
                throw NotPossibleException.conflict(
                        "ledger-busy", route.ledger() + " does not take it now (" + later.reason() + "); try again.");
            case Answer.Lost<String> lost ->
                throw NotPossibleException.conflict(
                        "ledger-busy",
                        route.ledger() + " did not say whether it took it; asked again, it is made once.");
        };
    }
}
