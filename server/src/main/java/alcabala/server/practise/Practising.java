package alcabala.server.practise;

import alcabala.connectors.Access;
import alcabala.connectors.http.Http;
import alcabala.connectors.ledger.Answer;
import alcabala.connectors.spi.Gate;
import alcabala.connectors.spi.Place;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import alcabala.server.practise.PracticeStore.Practice;
import alcabala.server.practise.Victims.Victim;
import alcabala.server.resolve.Causes;
import alcabala.server.resolve.Causes.Named;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import tools.jackson.databind.json.JsonMapper;

/// Has the stand-ins do something, and looks on Resolve for how long it takes until that is named there, and until it
/// is
/// gone again.
@Component
@ConditionalOnProperty("alcabala.demo")
class Practising {
    private static final Logger LOG = LoggerFactory.getLogger(Practising.class);
    private static final int MOST_AT_ONCE = 5;
    private static final int MOST_CHOSEN = 20;
    private static final long EVERY_MILLIS = 1000;
    private final Victims victims;
    private final PracticeStore store;
    private final Causes causes;
    private final Routes routes;
    private final Trail trail;
    private final JsonMapper json;
    private final Http standins;
    private final SecureRandom random = new SecureRandom();

    Practising(
            Victims victims,
            PracticeStore store,
            Causes causes,
            Routes routes,
            Trail trail,
            JsonMapper json,
            Gate reach,
            Settings settings) {
        this.victims = victims;
        this.store = store;
        this.causes = causes;
        this.routes = routes;
        this.trail = trail;
        this.json = json;
        Place place = new Place(settings.standins() + "/practice", "", Map.of(), settings.patience(), reach);
        standins = new Http("The stand-ins", place, "/api", Access.key(settings.sourceKey()));
    }

    /// Any one that can befall something now.
    void any(RouteRow route, String who) {
        List<Fault> all = new ArrayList<>(Arrays.asList(Fault.values()));
        Collections.shuffle(all, random);
        NotPossibleException last = null;
        for (Fault fault : all) {
            try {
                begin(route, fault, who);
                return;
            } catch (NotPossibleException e) {
                last = e;
            }
        }
        throw last;
    }

    /// @throws NotPossibleException when there is nothing that it could befall, or it is so already
    void begin(RouteRow route, Fault fault, String who) {
        List<Practice> open = store.open(route);
        if (open.size() >= MOST_AT_ONCE) {
            throw NotPossibleException.conflict(
                    "enough-at-once", "Put something right first, or give it up: " + MOST_AT_ONCE + " are open.");
        }
        if (open.stream().anyMatch(each -> each.fault() == fault)) {
            throw soAlready();
        }
        Victim victim = choose(fault, route);
        long practice = store.begin(route, fault, victim.subjects(), who);
        Answer<String> answer =
                standins.post("/{fault}", json.writeValueAsString(victim.about()), null, done -> "", fault.name());
        // A lost answer may be about what happened: that is to be found as well, or given up.
        if (answer instanceof Answer.Refused<String> || answer instanceof Answer.Later<String>) {
            store.forget(practice);
            // Why not would give away what went wrong before.
            throw NotPossibleException.conflict(
                    "did-not-happen",
                    "It did not happen, perhaps because of something else that is wrong by now; put that right first.");
        }
        trail.write(route.id(), null, who, "practice-begun", Map.of("practice", practice));
    }

    /// One that Resolve does not name for the same already.
    private Victim choose(Fault fault, RouteRow route) {
        Set<Named> now = causes.of(route);
        return Stream.generate(() -> victims.choose(fault, route))
                .limit(MOST_CHOSEN)
                .filter(each -> !isNamed(fault, each.subjects(), now))
                .findFirst()
                .orElseThrow(Practising::soAlready);
    }

    private static NotPossibleException soAlready() {
        return NotPossibleException.conflict("so-already", "That has gone wrong already, and is not put right yet.");
    }

    @Scheduled(fixedDelay = EVERY_MILLIS)
    void look() {
        try {
            store.routes().stream().map(routes::get).forEach(this::look);
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("whether what is practised is named could not be looked up: {}", e.getMessage());
        }
    }

    private void look(RouteRow route) {
        Set<Named> now = causes.of(route);
        for (Practice practice : store.open(route)) {
            boolean named = isNamed(practice.fault(), practice.subjects(), now);
            if (named && practice.namedAt() == null) {
                store.named(practice.id());
            } else if (!named && practice.namedAt() != null) {
                store.righted(practice.id());
            }
        }
    }

    private static boolean isNamed(Fault fault, Set<String> subjects, Set<Named> now) {
        return now.stream()
                .anyMatch(each -> fault.isNamedBy(each.cause())
                        && (subjects.isEmpty()
                                || subjects.contains(each.subject())
                                || subjects.contains(codeOf(each))));
    }

    /// What a cause is about where it says so itself, as `party-doubtful:C-1002` does.
    private static String codeOf(Named named) {
        return named.cause().substring(named.cause().indexOf(':') + 1);
    }
}
