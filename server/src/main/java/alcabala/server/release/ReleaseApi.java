package alcabala.server.release;

import alcabala.accounting.record.RecordKind;
import alcabala.server.access.Sight;
import alcabala.server.access.SignedIn;
import alcabala.server.crossing.LeftAlone;
import alcabala.server.jobs.Work;
import alcabala.server.jobs.Works;
import alcabala.server.jobs.Works.Kind;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.SumJson;
import alcabala.server.record.Allocations;
import alcabala.server.record.Fix;
import alcabala.server.record.PaymentState;
import alcabala.server.record.RecordFilter;
import alcabala.server.record.Records;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.trail.Trail;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ReleaseApi {
    private static final int LARGEST_PAGE = 500;
    private static final int MOST_SKIPPED = 10_000_000;
    private static final int MOST_CAUSES = 500;
    private final Records documents;
    private final Allocations allocations;
    private final LeftAlone alone;
    private final Routes routes;
    private final WhyView whyView;
    private final BothSidesView bothSidesView;
    private final Approvals approvals;
    private final Works works;
    private final Trail trail;
    private final Clock clock;

    /// One document in a list. Amounts are decimal strings; a credit note's are positive.
    ///
    /// @param payment open, part-paid, paid or overdue once it is on the ledger, else empty
    record DocumentRow(
            long id,
            String number,
            String kind,
            String origin,
            String party,
            LocalDate issueDate,
            LocalDate dueDate,
            String currency,
            String net,
            String tax,
            String gross,
            String state,
            String cause,
            int findings,
            String sentence,
            String landsIn,
            String taxCodes,
            String rounding,
            String ledgerNumber,
            String ledgerRef,
            String ledgerGross,
            String payment,
            String paid,
            Instant crossedAt,
            String route,
            boolean leftAlone) {}

    /// @param next the key to ask for the next page with; empty on the last
    record DocumentPage(List<DocumentRow> rows, String next) {}

    record StateSum(String state, int count, List<SumJson> gross) {}

    record CauseJson(
            String cause,
            String sentence,
            List<Sentence.Part> parts,
            int documents,
            List<SumJson> amounts,
            int first,
            Fix fix) {}

    record Summary(List<StateSum> states, List<CauseJson> causes, String currency) {}

    /// @param parts of what is said of it
    /// @param settledBy of a document: what settles it, oldest first
    /// @param leftAlone who said that nobody is asked about it any more; null where nobody did
    record Detail(
            DocumentRow document,
            List<Sentence.Part> parts,
            BothSidesView.BothSides sides,
            List<SettledBy> settledBy,
            LeftAloneJson leftAlone) {}

    /// @param unlinkedFrom the number of what it stood for until it was unlinked; empty where it was not
    record LeftAloneJson(String who, Instant at, String unlinkedFrom) {}

    /// @param amount with what was deducted; negative where it came back
    record SettledBy(long id, String number, String kind, String state, String amount) {}

    /// What has a number or name like the one looked for.
    record Found(List<DocumentRow> documents, List<Records.Code> codes) {}

    record Approval(
            @NotBlank String route,
            @NotEmpty @Size(max = 500) List<@NotNull Long> ids) {}

    ReleaseApi(
            Records documents,
            Allocations allocations,
            LeftAlone alone,
            Routes routes,
            WhyView whyView,
            BothSidesView bothSidesView,
            Approvals approvals,
            Works works,
            Trail trail,
            Clock clock) {
        this.documents = documents;
        this.allocations = allocations;
        this.alone = alone;
        this.routes = routes;
        this.whyView = whyView;
        this.bothSidesView = bothSidesView;
        this.approvals = approvals;
        this.works = works;
        this.trail = trail;
        this.clock = clock;
    }

    /// @param after the key of the page before; with it nothing is skipped to get there
    /// @param skip how many rows to pass over, to begin in the middle of a long list
    @GetMapping("/documents")
    DocumentPage list(
            @RequestParam String route,
            @RequestParam(required = false) List<RecordKind> kind,
            @RequestParam(required = false) List<String> state,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(required = false) String cause,
            @RequestParam(required = false) String firstCause,
            @RequestParam(required = false) String text,
            @RequestParam(defaultValue = "DATE") Records.Order order,
            @RequestParam(defaultValue = "true") boolean descending,
            @RequestParam(required = false) String after,
            @RequestParam(defaultValue = "0") int skip,
            @RequestParam(defaultValue = "100") int limit,
            @AuthenticationPrincipal SignedIn viewer) {
        RouteRow found = routes.get(route);
        if (after != null && !after.isBlank() && !after.matches("(?s).* \\d{1,18}")) {
            throw NotPossibleException.invalid("key-invalid", "This is not a key of a page.");
        }
        RecordFilter filter = new RecordFilter(kind, state, from, to, cause, firstCause, text, viewer.sight());
        int passed = Math.clamp(skip, 0, MOST_SKIPPED);
        return page(found, new Records.Page(filter, order, descending, after, passed, size(limit)), viewer);
    }

    private static int size(int limit) {
        return Math.clamp(limit, 1, LARGEST_PAGE);
    }

    private DocumentPage page(RouteRow route, Records.Page asked, SignedIn viewer) {
        List<Records.Row> rows = documents.page(route.id(), asked.with(asked.limit() + 1));
        boolean more = rows.size() > asked.limit();
        List<Records.Row> shown = more ? rows.subList(0, asked.limit()) : rows;
        return new DocumentPage(
                shown.stream().map(row -> json(row, route, viewer.sight())).toList(),
                more ? Records.key(shown.getLast(), asked.order()) : "");
    }

    /// The first page of each cause that keeps documents of one state, in one answer.
    @GetMapping("/documents/by-cause")
    Map<String, DocumentPage> byCause(
            @RequestParam String route,
            @RequestParam(required = false) List<RecordKind> kind,
            @RequestParam String state,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(required = false) String text,
            @RequestParam(defaultValue = "DATE") Records.Order order,
            @RequestParam(defaultValue = "true") boolean descending,
            @RequestParam(defaultValue = "100") int limit,
            @AuthenticationPrincipal SignedIn viewer) {
        RouteRow found = routes.get(route);
        RecordFilter all = new RecordFilter(kind, List.of(state), from, to, null, null, text, viewer.sight());
        Map<String, DocumentPage> pages = new LinkedHashMap<>();
        documents.causes(found.id(), all).stream().limit(MOST_CAUSES).forEach(each -> {
            RecordFilter own =
                    new RecordFilter(kind, List.of(state), from, to, null, each.cause(), text, viewer.sight());
            pages.put(
                    each.cause(), page(found, new Records.Page(own, order, descending, null, 0, size(limit)), viewer));
        });
        return pages;
    }

    @GetMapping("/summary")
    Summary summary(
            @RequestParam String route,
            @RequestParam(required = false) List<RecordKind> kind,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate to,
            @RequestParam(required = false) String text,
            @AuthenticationPrincipal SignedIn viewer) {
        RouteRow found = routes.get(route);
        RecordFilter filter = new RecordFilter(kind, List.of(), from, to, null, null, text, viewer.sight());
        return new Summary(
                documents.sums(found.id(), filter).stream()
                        .map(s -> new StateSum(s.state(), s.count(), SumJson.of(s.gross())))
                        .toList(),
                documents.causes(found.id(), filter).stream()
                        .map(c -> new CauseJson(
                                c.cause(),
                                c.said().text(),
                                c.said().parts(),
                                c.documents(),
                                SumJson.of(c.amounts()),
                                c.first(),
                                Fix.of(c.cause()).orElse(null)))
                        .toList(),
                found.currency());
    }

    @GetMapping("/documents/{id}")
    Detail detail(@PathVariable long id, @AuthenticationPrincipal SignedIn viewer) {
        Sight sight = viewer.sight();
        Records.Row row = documents.get(id, sight);
        BothSidesView.BothSides sides = bothSidesView.of(row);
        return new Detail(
                json(row, routes.get(row.routeId()), sight),
                row.said().parts(),
                sight.isLimited() ? WhatBecame.of(sides) : sides,
                sight.isLimited() ? List.of() : settledBy(id),
                alone.find(id)
                        .map(said -> new LeftAloneJson(said.who(), said.at(), said.unlinkedFrom()))
                        .orElse(null));
    }

    @GetMapping("/documents/{id}/why")
    WhyView.Why why(@PathVariable long id) {
        return whyView.of(id);
    }

    @GetMapping("/documents/{id}/trail")
    List<Trail.TrailEntry> trail(@PathVariable long id, @AuthenticationPrincipal SignedIn viewer) {
        List<Trail.TrailEntry> whole =
                trail.of(documents.get(id, viewer.sight()).id());
        return viewer.sight().isLimited() ? WhatBecame.of(whole) : whole;
    }

    @GetMapping("/find")
    Found find(@RequestParam String text) {
        if (text.isBlank()) {
            return new Found(List.of(), List.of());
        }
        return new Found(
                documents.find(text.trim(), 12).stream()
                        .map(row -> json(row, routes.get(row.routeId()), Sight.ALL))
                        .toList(),
                documents.findCodes(text.trim(), 8));
    }

    /// Approves documents on their source and takes the news in.
    @PostMapping("/documents/approval")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Work<Approvals.Approved> approve(@Valid @RequestBody Approval approval, Principal who) {
        RouteRow route = routes.get(approval.route());
        if (route.fromFiles()) {
            throw NotPossibleException.invalid(
                    "no-approval", "Documents of this route come as files; nobody can approve them there.");
        }
        return works.start(
                Kind.APPROVAL,
                "approval " + UUID.randomUUID(),
                who.getName(),
                Approvals.Approved.class,
                at -> approvals.approve(route, approval.ids(), who.getName(), at));
    }

    private List<SettledBy> settledBy(long id) {
        return allocations.of(id).stream()
                .map(each -> new SettledBy(
                        each.recordId(),
                        each.number(),
                        each.kind(),
                        each.state(),
                        Amounts.decimal(each.currency(), each.settled())))
                .toList();
    }

    /// How much of a document is paid, or of a settlement settles something.
    private String payment(Records.Row row, long ledgerGross) {
        if (RecordKind.of(row.kind()).isDocument()) {
            return PaymentState.of(ledgerGross, row.paid(), row.ledgerDue(), LocalDate.now(clock))
                    .word();
        }
        if (row.state().equals("Voided") || !RecordKind.of(row.kind()).isSettlement()) {
            return "";
        }
        return row.paid() >= ledgerGross ? "settles" : "open credit";
    }

    private DocumentRow json(Records.Row row, RouteRow route, Sight sight) {
        boolean crossed = row.ledgerRef() != null;
        long ledgerGross = row.ledgerGross() == null ? 0 : row.ledgerGross();
        return new DocumentRow(
                row.id(),
                row.number(),
                row.kind(),
                row.origin(),
                row.partyName(),
                row.issueDate(),
                row.dueDate(),
                row.currency(),
                Amounts.decimal(row.currency(), row.net()),
                Amounts.decimal(row.currency(), row.tax()),
                Amounts.decimal(row.currency(), row.gross()),
                row.state(),
                row.state().equals("Refused") ? "refused:" + row.refusal() : row.cause(),
                row.findings(),
                row.said().text(),
                sight.isLimited() ? "" : row.landsIn(),
                sight.isLimited() ? "" : row.taxCodes(),
                sight.isLimited() ? "" : Amounts.decimal(row.currency(), row.rounding()),
                row.ledgerNumber() == null ? "" : row.ledgerNumber(),
                row.ledgerRef() == null ? "" : row.ledgerRef(),
                crossed ? Amounts.decimal(row.currency(), ledgerGross) : "",
                crossed ? payment(row, ledgerGross) : "",
                Amounts.decimal(row.currency(), row.paid()),
                row.crossedAt(),
                route.code(),
                row.leftAlone());
    }
}
