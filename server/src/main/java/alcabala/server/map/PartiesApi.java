package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.matching.Candidate;
import alcabala.accounting.party.Party;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.compile.PartyMatchers;
import alcabala.server.crossing.NewParties;
import alcabala.server.map.PartyInDoubt.CandidateJson;
import alcabala.server.map.PartyInDoubt.KnownOf;
import alcabala.server.map.Suggestions.Suggestion;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// One party looked at closely, before somebody says which of the ledger it is.
@RestController
@RequestMapping("/api/map/parties")
class PartiesApi {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final SourceCatalogue catalogue;
    private final PartyMatchers matchers;
    private final CrosswalkStore store;
    private final MapView view;
    private final Likeness likeness;
    private final NewParties newParties;
    private final Trail trail;

    PartiesApi(
            JdbcClient jdbc,
            Routes routes,
            SourceCatalogue catalogue,
            PartyMatchers matchers,
            CrosswalkStore store,
            MapView view,
            Likeness likeness,
            NewParties newParties,
            Trail trail) {
        this.newParties = newParties;
        this.trail = trail;
        this.jdbc = jdbc;
        this.routes = routes;
        this.catalogue = catalogue;
        this.matchers = matchers;
        this.store = store;
        this.view = view;
        this.likeness = likeness;
    }

    /// What speaks for and against each party of the ledger that it may be; at most five.
    @GetMapping("/likeness")
    PartyInDoubt likeness(@RequestParam String route, @RequestParam @Size(max = 200) String code) {
        RouteRow found = routes.getLeading(route);
        Party party = party(found, code);
        List<Candidate> candidates = matchers.of(found.ledgerId()).rank(party);
        Map<String, List<String>> standsFor = standsFor(found, candidates);
        Map<String, Suggestion> together = likeness.of(found);
        MapView.Blocked blocked = view.blockedBy(found, party);
        return new PartyInDoubt(
                KnownOf.of(party),
                store.find(found.id(), RowKind.PARTY, code)
                        .map(CrosswalkRow::version)
                        .orElse(0),
                blocked.documents(),
                Amounts.decimal(found.currency(), blocked.amount()),
                candidates.stream()
                        .map(each -> CandidateJson.of(
                                each,
                                Likeness.isDisputed(together, code, each.party().code()),
                                standsFor.getOrDefault(each.party().code(), List.of())))
                        .toList());
    }

    record AskedParty(
            @NotBlank String route,
            @NotBlank @Size(max = 200) String code) {}

    record MadeParty(String code, String sentence) {}

    /// Creates one on the ledger now, and not with its first document.
    @PostMapping("/creation")
    MadeParty create(@Valid @RequestBody AskedParty asked, Principal who) {
        RouteRow route = routes.getLeading(asked.route());
        Party party = party(route, asked.code());
        String there = newParties.create(route, party.code(), who.getName());
        return new MadeParty(there, "%s is on %s as %s".formatted(party.name(), route.ledger(), there));
    }

    record HideParty(
            @NotBlank String route,
            @NotBlank @Size(max = 200) String code,
            boolean hidden) {}

    /// Puts one out of sight in lists, or back. What holds something up is seen all the same.
    @PutMapping("/hidden")
    void hide(@Valid @RequestBody HideParty asked, Principal who) {
        RouteRow route = routes.getLeading(asked.route());
        catalogue.hide(route.sourceId(), party(route, asked.code()).code(), asked.hidden());
        trail.write(
                route.id(),
                null,
                who.getName(),
                asked.hidden() ? "party-hidden" : "party-shown",
                Map.of("party", asked.code()));
    }

    private Party party(RouteRow route, String code) {
        return catalogue.parties(route.sourceId(), List.of(code)).stream()
                .findFirst()
                .orElseThrow(() -> NotPossibleException.missing("party " + code));
    }

    /// Which codes of the source are one of these already.
    private Map<String, List<String>> standsFor(RouteRow route, List<Candidate> candidates) {
        record Stands(String target, String code) {}
        Map<String, List<String>> codes = new HashMap<>();
        jdbc.sql("""
                select target, code from crosswalk_row
                where route_id = :route and kind = 'PARTY' and purpose = 'COUNTERPART' and ended_at is null
                    and target = any(:targets)
                order by code limit 100""")
                .param("route", route.id())
                .param(
                        "targets",
                        candidates.stream().map(each -> each.party().code()).toArray(String[]::new))
                .query(Stands.class)
                .list()
                .forEach(each -> codes.computeIfAbsent(each.target(), target -> new ArrayList<>())
                        .add(each.code()));
        return codes;
    }
}
