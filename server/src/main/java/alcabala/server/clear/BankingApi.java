package alcabala.server.clear;

import alcabala.server.access.SignedIn;
import alcabala.server.clear.Banker.Difference;
import alcabala.server.clear.Banker.Order;
import alcabala.server.clear.BankingView.BankingPreviewJson;
import alcabala.server.clear.BankingView.BankingSheetJson;
import alcabala.server.clear.BankingView.BankingsJson;
import alcabala.server.clear.BankingView.BankingsWaitingJson;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.register.Medium;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.Money;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// Money to be banked: gathered, ticked, taken to the bank, corrected, withdrawn, printed.
@RestController
@RequestMapping("/api/bankings")
class BankingApi {
    /// Days that a banking may be of, from today.
    private static final int MONTHS_BACK = 24;
    private static final int DAYS_AHEAD = 7;
    private final Routes routes;
    private final Banker banker;
    private final BankingStore store;
    private final BankingView view;
    private final BankingReports reports;
    private final BankingPrints prints;
    private final Clock clock;

    /// @param stated what the slip or the adding machine says; empty where nobody said
    /// @param version that was seen; 0 for one that is not made yet
    record BankingOrderJson(
            @NotBlank String route,
            @NotBlank @Size(max = 200) String account,
            @NotNull LocalDate day,
            @NotNull @Size(max = 200) String slip,
            @NotNull @Size(max = 30) String stated,
            @NotNull Difference difference,
            @NotNull @Size(max = 500) String why,
            @NotNull @Size(max = ToBank.MOST) List<@NotNull Long> receipts,
            @Min(0) int version) {}

    record WithdrawalJson(
            @NotBlank @Size(max = 500) String why, @Min(1) int version) {}

    BankingApi(
            Routes routes,
            Banker banker,
            BankingStore store,
            BankingView view,
            BankingReports reports,
            BankingPrints prints,
            Clock clock) {
        this.routes = routes;
        this.banker = banker;
        this.store = store;
        this.view = view;
        this.reports = reports;
        this.prints = prints;
        this.clock = clock;
    }

    /// The bankings of a year, the last one first.
    @GetMapping
    BankingsJson ofYear(@RequestParam String route, @RequestParam(defaultValue = "0") int year) {
        return view.ofYear(routes.getLeading(route), year(year));
    }

    /// How much waits, of whatever day, and what is wrong.
    @GetMapping("/waiting")
    BankingsWaitingJson waiting(@RequestParam String route) {
        return view.waiting(routes.getLeading(route));
    }

    /// What was received since a day and waits, and the banking of that day and account if there is one.
    ///
    /// @param account empty for the route's bank
    /// @param day null for today
    /// @param since null for a quarter before that
    @GetMapping("/sheet")
    BankingSheetJson sheet(
            @RequestParam String route,
            @RequestParam(defaultValue = "") String account,
            @RequestParam(required = false) LocalDate day,
            @RequestParam(required = false) LocalDate since) {
        LocalDate on = day == null ? LocalDate.now(clock) : day;
        requireLikely(on);
        if (since != null && since.isAfter(on)) {
            throw NotPossibleException.invalid("period-turned", "What is banked was received before, not after.");
        }
        return view.sheet(routes.getLeading(route), account, on, since == null ? on.minusMonths(3) : since);
    }

    /// What it would book; changes nothing.
    @PostMapping("/preview")
    BankingPreviewJson preview(@Valid @RequestBody BankingOrderJson asked) {
        RouteRow route = routes.getLeading(asked.route());
        Order order = order(route, asked);
        return view.preview(route, order.stated(), banker.preview(route, order));
    }

    @PostMapping
    BankingSheetJson bank(@Valid @RequestBody BankingOrderJson asked, Principal who) {
        requireLikely(asked.day());
        RouteRow route = routes.getLeading(asked.route());
        long id = banker.bank(route, order(route, asked), who.getName());
        return view.sheet(route, store.get(id));
    }

    @PostMapping("/{id}/withdrawal")
    BankingSheetJson withdraw(@PathVariable long id, @Valid @RequestBody WithdrawalJson asked, Principal who) {
        BankingRow row = store.get(id);
        RouteRow route = routes.get(row.routeId());
        banker.withdraw(route, row, asked.version(), asked.why().strip(), who.getName());
        return view.sheet(route, store.get(id));
    }

    /// One of them, as it goes to the bank with the money.
    @GetMapping("/{id}/report")
    ResponseEntity<byte[]> slip(
            @PathVariable long id,
            @RequestParam(defaultValue = "PDF") Medium as,
            @AuthenticationPrincipal SignedIn who) {
        BankingRow row = store.get(id);
        return prints.print(routes.get(row.routeId()), row, as, who.getName()).answer();
    }

    /// All of a year.
    @GetMapping("/report")
    ResponseEntity<byte[]> list(
            @RequestParam String route,
            @RequestParam(defaultValue = "0") int year,
            @RequestParam(defaultValue = "PDF") Medium as,
            @AuthenticationPrincipal SignedIn who) {
        RouteRow found = routes.getLeading(route);
        int of = year(year);
        return as.print(reports.ofYear(found, of, who.getName()), "bankings-" + found.code() + "-" + of)
                .answer();
    }

    private int year(int asked) {
        int now = LocalDate.now(clock).getYear();
        if (asked == 0) {
            return now;
        }
        if (asked < 1990 || asked > now + 1) {
            throw NotPossibleException.invalid("year-unlikely", "There are no bankings of the year " + asked + ".");
        }
        return asked;
    }

    private void requireLikely(LocalDate day) {
        LocalDate today = LocalDate.now(clock);
        if (day.isAfter(today.plusDays(DAYS_AHEAD)) || day.isBefore(today.minusMonths(MONTHS_BACK))) {
            throw NotPossibleException.invalid(
                    "day-unlikely",
                    "A banking is of a day from " + MONTHS_BACK + " months ago to " + DAYS_AHEAD + " days from now.");
        }
    }

    private static Order order(RouteRow route, BankingOrderJson asked) {
        return new Order(
                asked.account(),
                asked.day(),
                asked.slip().strip(),
                stated(route, asked.stated()),
                asked.difference(),
                asked.why().strip(),
                asked.receipts(),
                asked.version());
    }

    private static Money stated(RouteRow route, String typed) {
        if (typed.isBlank()) {
            return null;
        }
        return Amounts.typed(route.currency(), typed)
                .filter(money -> !money.isNegative())
                .orElseThrow(() -> NotPossibleException.invalid(
                        "amount-invalid", "“" + typed + "” is no amount in " + route.currency() + "."));
    }
}
