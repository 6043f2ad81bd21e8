package alcabala.server.map;

import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.matching.Twins;
import alcabala.accounting.party.Party;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.map.PartiesApart.Pair;
import alcabala.server.map.PartyInDoubt.CandidateJson;
import alcabala.server.map.PartyInDoubt.KnownOf;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// Parties that one side has twice, as far as can be seen; what is done about it is said by a person.
@RestController
@RequestMapping("/api/map/twins")
class TwinsApi {
    private static final int LISTED = 500;
    private final Routes routes;
    private final SourceCatalogue catalogue;
    private final LedgerReference reference;
    private final CrosswalkStore store;
    private final PartiesApart apart;
    private final Works works;

    /// Whose parties are looked at.
    enum Side {
        SOURCE,
        LEDGER
    }

    /// @param parties that were compared with each other
    /// @param pairs the likeliest 500 of those that may be one
    record TwinsFound(int parties, int found, List<TwinPair> pairs) {}

    /// @param oneIs what it is on the other side: the ledger's code of a party of the source, or the other way round
    /// @param apart whether somebody said that they are two
    record TwinPair(KnownOf one, CandidateJson other, List<String> oneIs, List<String> otherIs, boolean apart) {}

    record TwinsApart(
            @NotBlank String route,
            @NotNull Side side,
            @NotBlank @Size(max = 200) String one,
            @NotBlank @Size(max = 200) String other,
            boolean apart) {}

    TwinsApi(
            Routes routes,
            SourceCatalogue catalogue,
            LedgerReference reference,
            CrosswalkStore store,
            PartiesApart apart,
            Works works) {
        this.routes = routes;
        this.catalogue = catalogue;
        this.reference = reference;
        this.store = store;
        this.apart = apart;
        this.works = works;
    }

    /// Compares all parties of one side with each other.
    @GetMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<TwinsFound> find(@RequestParam String route, @RequestParam Side side, Principal who) {
        RouteRow found = routes.getLeading(route);
        String subject = "twins of " + found.code() + " " + side;
        return works.start(Kind.MATCHING, subject, who.getName(), TwinsFound.class, at -> find(found, side));
    }

    private TwinsFound find(RouteRow route, Side side) {
        List<Party> parties =
                side == Side.SOURCE ? catalogue.parties(route.sourceId()) : reference.parties(route.ledgerId());
        Map<String, List<String>> others = counterparts(route, side);
        Set<Pair> said = apart.of(route, side);
        List<TwinPair> pairs = Twins.among(parties).stream()
                .map(each -> pair(each, others, said))
                .filter(each -> side == Side.LEDGER || !isSettled(each))
                .toList();
        return new TwinsFound(
                parties.size(), pairs.size(), pairs.stream().limit(LISTED).toList());
    }

    private static TwinPair pair(Twins twins, Map<String, List<String>> others, Set<Pair> said) {
        String one = twins.one().code();
        String other = twins.other().party().code();
        return new TwinPair(
                KnownOf.of(twins.one()),
                CandidateJson.of(twins.other(), false, List.of()),
                others.getOrDefault(one, List.of()),
                others.getOrDefault(other, List.of()),
                said.contains(Pair.of(one, other)));
    }

    /// Two of the source that are one there are no question any more.
    private static boolean isSettled(TwinPair pair) {
        return !pair.oneIs().isEmpty() && pair.oneIs().equals(pair.otherIs());
    }

    private Map<String, List<String>> counterparts(RouteRow route, Side side) {
        return store.rows(route.id(), List.of(RowKind.PARTY)).stream()
                .filter(row -> !row.counterpart().isEmpty())
                .collect(Collectors.groupingBy(
                        row -> side == Side.SOURCE ? row.code() : row.counterpart(),
                        TreeMap::new,
                        Collectors.mapping(
                                (CrosswalkRow row) -> side == Side.SOURCE ? row.counterpart() : row.code(),
                                Collectors.toList())));
    }

    /// That they are two, or that it is open again.
    @PostMapping("/apart")
    void say(@Valid @RequestBody TwinsApart said, Principal who) {
        if (said.one().equals(said.other())) {
            throw NotPossibleException.invalid("same-party", "These are the same code twice.");
        }
        apart.say(
                routes.getLeading(said.route()),
                said.side(),
                Pair.of(said.one(), said.other()),
                said.apart(),
                who.getName());
    }
}
