package alcabala.server.resolve;

import alcabala.server.crossing.EnteredHeld;
import alcabala.server.crossing.EnteredHeld.Said;
import alcabala.server.crossing.SamePayments;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.SumJson;
import alcabala.server.platform.Waited;
import alcabala.server.record.Fix;
import alcabala.server.resolve.Warnings.Warning;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// What stands in the way before anything is sent.
@RestController
@RequestMapping("/api/resolve/warnings")
class WarningsApi {
    private final Warnings warnings;
    private final RowsBehind rows;
    private final SamePayments payments;
    private final EnteredHeld entered;
    private final Routes routes;
    private final Clock clock;

    /// @param cause that of a finding; `check:` or `set-aside:` with which one
    /// @param fixes rows of the crosswalk that put it right, the first 20
    /// @param link a place in Alcabala where it is put right; empty where there is none
    /// @param subjects what it is about: numbers, codes or names; the ledger's ids of what was entered there
    /// @param count how many records wait for it
    /// @param days since when, begun ones counted
    record WarningJson(
            String cause,
            String sentence,
            List<Sentence.Part> parts,
            String otherwise,
            String remedy,
            List<Fix> fixes,
            String link,
            List<String> subjects,
            int count,
            List<SumJson> sums,
            int days,
            Instant since) {}

    WarningsApi(
            Warnings warnings,
            RowsBehind rows,
            SamePayments payments,
            EnteredHeld entered,
            Routes routes,
            Clock clock) {
        this.warnings = warnings;
        this.rows = rows;
        this.payments = payments;
        this.entered = entered;
        this.routes = routes;
        this.clock = clock;
    }

    /// Two payments, one entered on either side.
    ///
    /// @param one whether they are one
    record PaymentsAreOne(@NotBlank @Size(max = 100) String route, long ours, long theirs, boolean one) {}

    @GetMapping
    List<WarningJson> warnings(@RequestParam String route) {
        RouteRow found = routes.get(route);
        return warnings.of(found).stream().map(each -> json(found, each)).toList();
    }

    @PostMapping("/same-payment")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void areOne(@Valid @RequestBody PaymentsAreOne said, Principal who) {
        RouteRow route = routes.getLeading(said.route());
        if (said.one()) {
            payments.areOne(route, said.ours(), said.theirs(), who.getName());
        } else {
            payments.areTwo(route, said.ours(), said.theirs(), who.getName());
        }
    }

    /// @param refs the ledger's ids of what was entered there
    record EnteredSaid(
            @NotBlank @Size(max = 100) String route,
            @NotNull Said answer,
            @Size(min = 1, max = 500) List<@NotBlank @Size(max = 200) String> refs) {}

    /// Of documents that were entered on the ledger and stay there: what becomes of them.
    @PostMapping("/entered")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void say(@Valid @RequestBody EnteredSaid said, Principal who) {
        entered.say(routes.getLeading(said.route()), said.refs(), said.answer(), who.getName());
    }

    private WarningJson json(RouteRow route, Warning warning) {
        return new WarningJson(
                warning.cause(),
                warning.says().text(),
                warning.says().parts(),
                warning.otherwise(),
                warning.remedy(),
                rows.of(route, warning.cause()),
                warning.link(),
                warning.subjects(),
                warning.count(),
                SumJson.of(warning.sums()),
                Waited.days(warning.since(), clock.instant()),
                warning.since());
    }
}
