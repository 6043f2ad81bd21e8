package alcabala.server.send;

import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.JournalLine;
import alcabala.server.crossing.BatchHeads;
import alcabala.server.platform.Amounts;
import alcabala.server.readiness.ReadinessRun;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.Undoing.Stays;
import alcabala.server.send.Undoing.Taken;
import alcabala.server.send.Undoing.Undo;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.joda.money.Money;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Takes a posted batch back, whole or in part.
@RestController
@RequestMapping("/api/batches/{id}/undo")
class UndoApi {
    private final Routes routes;
    private final BatchHeads heads;
    private final Undoing undoing;
    private final LedgerReference reference;
    private final ReadinessRun readiness;

    /// @param day on which it stands
    /// @param on the day of its opposite; null where it is taken back on its own
    record TakenBackJson(
            long record, String number, String kind, String party, LocalDate day, LocalDate on, String gross) {}

    record StaysJson(long record, String number, String kind, String party, String gross, String why) {}

    /// @param on null for the own days of what is taken back
    record UndoJournalJson(LocalDate on, List<UndoLineJson> lines, String debit, String credit) {}

    /// What it adds to an account, in the ledger's base currency.
    record UndoLineJson(String account, String name, String debit, String credit) {}

    /// @param lockedThrough null where the ledger does not tell
    /// @param reversedOn null where each goes on its own day
    record UndoJson(
            String currency,
            String gross,
            LocalDate lockedThrough,
            LocalDate reversedOn,
            String sentence,
            List<TakenBackJson> taken,
            List<StaysJson> stays,
            List<UndoJournalJson> journals) {}

    /// @param records none for all that can be taken back
    /// @param on the day of what cannot be taken back on its own; null for the first that is open there
    record UndoChoiceJson(@NotNull @Size(max = 10_000) List<@NotNull Long> records, LocalDate on) {}

    record UndoOrderJson(
            @NotNull @Size(max = 10_000) List<@NotNull Long> records,
            LocalDate on,
            @NotBlank @Size(max = 300) String reason,
            @NotNull Integer shown) {}

    UndoApi(Routes routes, BatchHeads heads, Undoing undoing, LedgerReference reference, ReadinessRun readiness) {
        this.routes = routes;
        this.heads = heads;
        this.undoing = undoing;
        this.reference = reference;
        this.readiness = readiness;
    }

    /// What it would do; changes nothing, though it is a POST for the length of the list.
    @PostMapping("/preview")
    UndoJson preview(@PathVariable long id, @Valid @RequestBody UndoChoiceJson choice) {
        RouteRow route = routes.get(heads.routeOf(id));
        Undo undo = undoing.of(route, id, choice.on(), Set.copyOf(choice.records()));
        Money gross = undo.totals().gross();
        return new UndoJson(
                gross.getCurrencyUnit().getCode(),
                Amounts.decimal(gross),
                undo.lockedThrough().orElse(null),
                undo.reversedOn().orElse(null),
                sentence(undo),
                undo.taken().stream().map(UndoApi::taken).toList(),
                undo.stay().stream().map(UndoApi::stays).toList(),
                journals(route, undo.taken()));
    }

    @PostMapping
    SendApi.MadeBatch undo(@PathVariable long id, @Valid @RequestBody UndoOrderJson order, Principal who) {
        RouteRow route = routes.get(heads.routeOf(id));
        long batch = undoing.undo(
                route,
                id,
                new Undoing.Order(
                        Set.copyOf(order.records()), order.on(), order.reason().trim(), order.shown()),
                who.getName());
        readiness.judgeSoon(route, who.getName());
        return new SendApi.MadeBatch(batch);
    }

    private static TakenBackJson taken(Taken each) {
        return new TakenBackJson(
                each.gone().recordId(),
                each.gone().number(),
                each.gone().kind(),
                each.gone().party(),
                each.entry().cancelled().date(),
                each.entry().on(),
                Amounts.decimal(each.entry().cancelled().gross()));
    }

    private static StaysJson stays(Stays each) {
        return new StaysJson(
                each.gone().recordId(),
                each.gone().number(),
                each.gone().kind(),
                each.gone().party(),
                Amounts.decimal(each.gone().currency(), each.gone().gross()),
                each.why());
    }

    private static String sentence(Undo undo) {
        long reversed =
                undo.taken().stream().filter(each -> each.entry().on() != null).count();
        long voided = undo.taken().size() - reversed;
        List<String> parts = new ArrayList<>();
        if (voided > 0) {
            parts.add("Voids " + voided);
        }
        if (reversed > 0) {
            parts.add((voided > 0 ? "reverses " : "Reverses ") + reversed);
        }
        return parts.isEmpty()
                ? "Nothing of it can be taken back"
                : String.join(" and ", parts) + ", "
                        + Amounts.shown(undo.totals().gross().abs());
    }

    /// One for all that goes on own days, and one for each other day.
    private List<UndoJournalJson> journals(RouteRow route, List<Taken> taken) {
        Map<String, String> names = reference.accountNames(route.ledgerId());
        Map<String, List<Taken>> byDay = taken.stream()
                .collect(Collectors.groupingBy(
                        each -> each.entry().on() == null
                                ? ""
                                : each.entry().on().toString(),
                        TreeMap::new,
                        Collectors.toList()));
        List<UndoJournalJson> journals = new ArrayList<>();
        byDay.forEach((day, of) -> journals.add(journal(day.isEmpty() ? null : LocalDate.parse(day), of, names)));
        return journals;
    }

    private static UndoJournalJson journal(LocalDate on, List<Taken> taken, Map<String, String> names) {
        Journal journal = Journal.together(
                taken.stream().map(each -> each.posting().journal()).toList());
        List<UndoLineJson> lines = journal.lines().stream()
                .sorted(Comparator.comparing(JournalLine::account))
                .map(line -> new UndoLineJson(
                        line.account(),
                        names.getOrDefault(line.account(), ""),
                        line.base().isNegative() ? "" : Amounts.decimal(line.base()),
                        line.base().isNegative() ? Amounts.decimal(line.base().abs()) : ""))
                .toList();
        return new UndoJournalJson(
                on, lines, Amounts.decimal(journal.baseDebit()), Amounts.decimal(journal.baseCredit()));
    }
}
