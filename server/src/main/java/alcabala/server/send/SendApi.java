package alcabala.server.send;

import alcabala.accounting.batch.BatchOptions;
import alcabala.accounting.matching.ItemNames;
import alcabala.accounting.record.Family;
import alcabala.formats.layout.Layout;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.files.Layouts;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.readiness.ReadinessRun;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.Choice.Standing;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/batches")
class SendApi {
    private final Routes routes;
    private final Previews previews;
    private final Batches batches;
    private final Retries retries;
    private final BatchHeads heads;
    private final BatchView view;
    private final ReadinessRun readiness;
    private final Layouts layouts;

    /// Either ids, or all that are ready from one day to another: sales, or if so asked purchases.
    ///
    /// @param keeps whether what was changed on the ledger stays; false where all goes as its source has it
    record ChoiceJson(
            @NotBlank String route,
            @Size(max = 10_000) List<@NotNull Long> ids,
            LocalDate from,
            LocalDate to,
            Boolean purchases,
            Boolean payments,
            Boolean bankings,
            @Pattern(regexp = "[A-Z]{3}") String currency,
            LocalDate dated,
            @Size(max = 20) Map<@Size(max = 40) String, @NotNull @Size(max = 40) String> options,
            Boolean keeps) {
        Choice asChoice() {
            return Choice.within(
                    ids,
                    from,
                    to,
                    Boolean.TRUE.equals(purchases),
                    family(payments, bankings),
                    text(currency),
                    dated,
                    decided(options),
                    standing(keeps));
        }
    }

    record PreviewJson(
            String currency,
            int count,
            String net,
            String tax,
            String gross,
            String hashTotal,
            int leftOut,
            List<Preview.Creation> parties,
            List<Preview.Alike> alike,
            List<Preview.Creation> items,
            List<ItemNames.Collision> collisions,
            List<String> layouts,
            String sentence) {}

    record SendJson(
            @NotBlank String route,
            @Size(max = 10_000) List<@NotNull Long> ids,
            LocalDate from,
            LocalDate to,
            Boolean purchases,
            Boolean payments,
            Boolean bankings,
            @Pattern(regexp = "[A-Z]{3}") String currency,
            @NotNull @Valid ShownJson shown,
            @Size(max = 40) String independentTotal,
            Long ownList,
            @Size(max = 500) String reason,
            @Size(max = 5000) List<@NotNull @Size(max = 200) String> allowed,
            @Size(max = 100) String layout,
            Long replaces,
            LocalDate dated,
            @Size(max = 20) Map<@Size(max = 40) String, @NotNull @Size(max = 40) String> options,
            Boolean keeps) {}

    /// What the preview said, so that nothing else is sent.
    record ShownJson(
            @NotNull Integer count,
            @NotNull @Size(max = 40) String net,
            @NotNull @Size(max = 40) String tax,
            @NotNull @Size(max = 40) String gross,
            @NotNull @Size(max = 60) String hashTotal) {}

    record MadeBatch(long id) {}

    record Retried(int documents) {}

    SendApi(
            Routes routes,
            Previews previews,
            Batches batches,
            Retries retries,
            BatchHeads heads,
            BatchView view,
            ReadinessRun readiness,
            Layouts layouts) {
        this.routes = routes;
        this.previews = previews;
        this.batches = batches;
        this.retries = retries;
        this.heads = heads;
        this.view = view;
        this.readiness = readiness;
        this.layouts = layouts;
    }

    /// What sending would do; changes nothing, though it is a POST for the length of the list.
    @PostMapping("/preview")
    PreviewJson preview(@Valid @RequestBody ChoiceJson choice) {
        RouteRow route = routes.getLeading(choice.route());
        Preview preview = previews.of(route, choice.asChoice());
        var totals = preview.totals();
        return new PreviewJson(
                totals.gross().getCurrencyUnit().getCode(),
                totals.count(),
                Amounts.decimal(totals.net()),
                Amounts.decimal(totals.tax()),
                Amounts.decimal(totals.gross()),
                totals.hashTotal().toString(),
                preview.left().size(),
                preview.parties(),
                preview.alike(),
                preview.items(),
                preview.collisions(),
                layouts(route, preview),
                PreviewSentence.of(route, preview));
    }

    /// By which it can be written; none where the ledger is asked, or nothing would go.
    private List<String> layouts(RouteRow route, Preview preview) {
        return route.ledgerAnswers() || preview.documents().isEmpty()
                ? List.of()
                : layouts.of(route.ledgerId(), Previews.carries(preview.documents())).stream()
                        .map(Layout::name)
                        .toList();
    }

    private static String text(String given) {
        return given == null ? "" : given;
    }

    private static BatchOptions decided(Map<String, String> options) {
        return BatchOptions.of(options == null ? Map.of() : options)
                .orElseThrow(
                        () -> NotPossibleException.invalid(
                                "option-unknown",
                                "A batch can decide how its documents stand there, by the words that the route's settings have."));
    }

    private static Standing standing(Boolean keeps) {
        if (keeps == null) {
            return Standing.LEFT_APART;
        }
        return keeps ? Standing.KEPT : Standing.REPLACED;
    }

    private static Family family(Boolean payments, Boolean bankings) {
        if (Boolean.TRUE.equals(bankings)) {
            return Family.TRANSFER;
        }
        return Boolean.TRUE.equals(payments) ? Family.SETTLEMENT : Family.DOCUMENT;
    }

    /// Readiness is judged beside it, and what it found stands on the trail; the documents go whatever it says.
    @PostMapping
    MadeBatch send(@Valid @RequestBody SendJson send, Principal who) {
        RouteRow route = routes.getLeading(send.route());
        ShownJson shown = send.shown();
        long batch = batches.send(
                route,
                new Batches.Order(
                        Choice.within(
                                send.ids(),
                                send.from(),
                                send.to(),
                                Boolean.TRUE.equals(send.purchases()),
                                family(send.payments(), send.bankings()),
                                text(send.currency()),
                                send.dated(),
                                decided(send.options()),
                                standing(send.keeps())),
                        new Batches.Shown(shown.count(), shown.net(), shown.tax(), shown.gross(), shown.hashTotal()),
                        send.independentTotal(),
                        send.ownList(),
                        text(send.reason()).trim(),
                        send.allowed() == null ? Set.of() : Set.copyOf(send.allowed()),
                        text(send.layout()),
                        send.replaces()),
                who.getName());
        readiness.judgeSoon(route, who.getName());
        return new MadeBatch(batch);
    }

    @GetMapping
    List<BatchView.BatchJson> list(@RequestParam String route, @RequestParam(required = false) Long before) {
        return view.list(routes.getLeading(route), before);
    }

    @GetMapping("/{id}")
    BatchView.BatchDetail detail(@PathVariable long id, @RequestParam(required = false) Instant since) {
        routes.get(heads.routeOf(id));
        return view.detail(id, since);
    }

    @PostMapping("/{id}/retry")
    Retried retry(@PathVariable long id, Principal who) {
        routes.get(heads.routeOf(id));
        return new Retried(retries.retry(id, who.getName()));
    }
}
