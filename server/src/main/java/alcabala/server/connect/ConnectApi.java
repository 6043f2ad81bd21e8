package alcabala.server.connect;

import alcabala.server.access.SignedIn;
import alcabala.server.connection.ConsentRequests;
import alcabala.server.connection.ConsentRequests.Pending;
import alcabala.server.connection.Kinds;
import alcabala.server.connection.LedgerConnections;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.reference.ReferenceKind;
import alcabala.server.reference.ReferencePull;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.Authentication;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/// Connections. Only administrators change them.
@RestController
@RequestMapping("/api/connect")
class ConnectApi {
    private final ConnectView view;
    private final LedgerConnections connections;
    private final ConsentRequests requests;
    private final ReferencePull pull;
    private final ReferenceView reference;
    private final Routes routes;
    private final LedgerOfFiles ofFiles;
    private final Kinds kinds;
    private final Works works;

    /// @param ledger the ledger to connect again; left out for a new one
    record AskConsent(
            Long ledger,
            @Size(max = 30) String kind,
            @Size(max = 300) String address,
            @Size(max = 20) Map<@Size(max = 60) String, @NotNull @Size(max = 300) String> answers) {}

    /// @param address where to send the person
    record ConsentAsked(String address) {}

    record CodeGiven(@NotBlank @Size(max = 1000) String code) {
        @Override
        public String toString() {
            return "CodeGiven";
        }
    }

    record CompanyOfferJson(String id, String name, String currency, String connectedAs) {}

    /// A consent that was given and waits for its company.
    ///
    /// @param system what the kind of ledger is called
    /// @param ledger the ledger that is connected again; absent for a new one
    record ConsentGiven(
            String consent,
            String system,
            Long ledger,
            String ledgerName,
            String ledgerCompany,
            List<CompanyOfferJson> companies) {}

    record UseConsent(
            @NotBlank String consent,
            @NotBlank String company,
            @Size(max = 60) String name) {}

    record LedgerConnected(long ledger) {}

    /// @param code short, for addresses, such as `north`
    record PullStarted(long pull) {}

    record Hide(@NotBlank String code, boolean hidden) {}

    /// @param company whose books these are
    record AddLedgerOfFiles(
            @NotBlank @Size(max = 30) String kind,
            @NotBlank @Size(max = 60) String name,
            @NotBlank @Size(max = 100) String company,
            @NotBlank @Pattern(regexp = "[A-Z]{3}") String currency) {}

    ConnectApi(
            ConnectView view,
            LedgerConnections connections,
            ConsentRequests requests,
            ReferencePull pull,
            ReferenceView reference,
            Routes routes,
            LedgerOfFiles ofFiles,
            Kinds kinds,
            Works works) {
        this.view = view;
        this.connections = connections;
        this.requests = requests;
        this.pull = pull;
        this.reference = reference;
        this.routes = routes;
        this.ofFiles = ofFiles;
        this.kinds = kinds;
        this.works = works;
    }

    @GetMapping
    ConnectView.Connected all() {
        return view.all();
    }

    /// Both sides as they are now; the ledger is asked.
    @GetMapping("/counts")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<ConnectView.BothCounts[]> counts(@RequestParam String route, Principal who) {
        RouteRow found = routes.getLeading(route);
        return works.start(
                Kind.COUNTS,
                found.code(),
                who.getName(),
                ConnectView.BothCounts[].class,
                at -> view.counts(found).toArray(ConnectView.BothCounts[]::new));
    }

    @PostMapping("/consents")
    ConsentAsked ask(@RequestBody AskConsent ask, Authentication who) {
        return new ConsentAsked(requests.ask(
                signIn(who),
                ask.ledger(),
                ask.kind(),
                ask.address(),
                ask.answers() == null ? Map.of() : ask.answers()));
    }

    /// Takes the code that the ledger sent the person back with. The screen brings it here, so that the session's
    /// cookie need not follow anybody who comes from another site.
    @PostMapping("/consents/{state}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<ConsentGiven> comeBack(@PathVariable String state, @Valid @RequestBody CodeGiven back, Authentication who) {
        String person = signIn(who);
        requests.requireOpen(person, state);
        return works.start(Kind.CONSENT, state, who.getName(), ConsentGiven.class, at -> {
            requests.given(person, state, back.code());
            return given(state, person);
        });
    }

    @GetMapping("/consents/{state}")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<ConsentGiven> given(@PathVariable String state, Authentication who) {
        String person = signIn(who);
        requests.get(person, state);
        return works.start(Kind.CONSENT, state, who.getName(), ConsentGiven.class, at -> given(state, person));
    }

    private ConsentGiven given(String state, String person) {
        Pending pending = requests.get(person, state);
        List<CompanyOfferJson> companies = connections.offers(pending).stream()
                .map(offer -> new CompanyOfferJson(
                        offer.company().id(),
                        offer.company().name(),
                        offer.company().currency(),
                        offer.connectedAs()))
                .toList();
        ConnectView.LedgerJson ledger = pending.ledgerId() == null
                ? null
                : view.all().ledgers().stream()
                        .filter(each -> each.id() == pending.ledgerId())
                        .findFirst()
                        .orElseThrow();
        return new ConsentGiven(
                state,
                kinds.get(pending.system()).name(),
                pending.ledgerId(),
                ledger == null ? "" : ledger.name(),
                ledger == null ? "" : ledger.companyName(),
                companies);
    }

    /// Uses a consent for a company, once.
    @PostMapping("/ledgers")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<LedgerConnected> use(@Valid @RequestBody UseConsent use, Authentication who) {
        Pending pending = requests.get(signIn(who), use.consent());
        return works.start(
                Kind.CONNECTION,
                use.consent(),
                who.getName(),
                LedgerConnected.class,
                at -> connect(pending, use, who.getName()));
    }

    private LedgerConnected connect(Pending pending, UseConsent use, String who) {
        if (pending.ledgerId() != null) {
            connections.reconnect(pending, use.company(), who);
            return new LedgerConnected(pending.ledgerId());
        }
        String name = use.name() == null ? "" : use.name();
        return new LedgerConnected(connections.connect(pending, use.company(), name, who));
    }

    /// A ledger that takes files and cannot be asked.
    @PostMapping("/ledgers/files")
    LedgerConnected addLedgerOfFiles(@Valid @RequestBody AddLedgerOfFiles ledger, Principal who) {
        if (CurrencyUnit.registeredCurrencies().stream()
                .noneMatch(each -> !each.isPseudoCurrency() && each.getCode().equals(ledger.currency()))) {
            throw NotPossibleException.invalid("currency-unknown", ledger.currency() + " is no currency.");
        }
        return new LedgerConnected(connections.addOfFiles(
                ledger.kind(), ledger.name().trim(), ledger.company().trim(), ledger.currency(), who.getName()));
    }

    /// Takes the lists of a ledger of files: all of them, or none and the problems.
    @PostMapping(path = "/ledgers/{id}/lists", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    LedgerOfFiles.ListsOutcome takeLists(
            @PathVariable long id, @RequestPart("file") List<MultipartFile> files, Principal who) throws IOException {
        List<LedgerOfFiles.ListFile> lists = new ArrayList<>();
        for (MultipartFile file : files) {
            lists.add(new LedgerOfFiles.ListFile(String.valueOf(file.getOriginalFilename()), file.getBytes()));
        }
        return ofFiles.take(id, lists, who.getName());
    }

    @PostMapping("/ledgers/{id}/test")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<LedgerConnections.Tested> test(@PathVariable long id, Principal who) {
        return works.start(
                Kind.TEST, "ledger " + id, who.getName(), LedgerConnections.Tested.class, at -> connections.test(id));
    }

    @DeleteMapping("/ledgers/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void disconnect(@PathVariable long id, Principal who) {
        connections.disconnect(id, who.getName());
    }

    /// Pulls what the ledger owns, in the background.
    @PostMapping("/ledgers/{id}/pulls")
    PullStarted pull(@PathVariable long id, Principal who) {
        return new PullStarted(pull.start(id, who.getName()));
    }

    @GetMapping("/ledgers/{id}/pulls")
    List<ReferenceView.PullJson> pulls(@PathVariable long id) {
        return reference.pulls(id);
    }

    @GetMapping("/pulls/{pull}/changes")
    ReferenceView.Changes changes(@PathVariable long pull) {
        return reference.changes(pull);
    }

    /// @param after the code to go on after; left out for the first page
    @GetMapping("/ledgers/{id}/reference/{kind}")
    ReferenceView.ReferencePage rows(
            @PathVariable long id,
            @PathVariable ReferenceKind kind,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "false") boolean hidden,
            @RequestParam(defaultValue = "") String after) {
        return reference.rows(id, kind, text, hidden, after);
    }

    @GetMapping("/ledgers/{id}/reference/{kind}/uses")
    ReferenceView.Uses uses(@PathVariable long id, @PathVariable ReferenceKind kind, @RequestParam String code) {
        return reference.uses(id, kind, code);
    }

    @PutMapping("/ledgers/{id}/reference/{kind}/hidden")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void hide(@PathVariable long id, @PathVariable ReferenceKind kind, @Valid @RequestBody Hide hide, Principal who) {
        reference.hide(id, kind, hide.code(), hide.hidden(), who.getName());
    }

    private static String signIn(Authentication who) {
        return ((SignedIn) who.getPrincipal()).signIn();
    }
}
