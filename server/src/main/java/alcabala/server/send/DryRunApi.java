package alcabala.server.send;

import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerLine;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Sentences;
import alcabala.server.record.Records;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.send.Preview.Prepared;
import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Every document and journal of a batch as they would stand on the ledger, and what of it would not go; nothing is
/// sent.
@RestController
@RequestMapping("/api/batches/dry-run")
class DryRunApi {
    private static final int LISTED = 200;
    private final Routes routes;
    private final Previews previews;
    private final LedgerReference reference;
    private final Records records;

    /// @param number its source's
    /// @param numberThere empty when it gets one there
    /// @param day on which it stands there
    /// @param newParty whether its party is created for it
    /// @param stands whether it is there already, and is changed
    record DryDocument(
            long id,
            String number,
            String numberThere,
            String kind,
            String party,
            boolean newParty,
            boolean stands,
            LocalDate day,
            String accounts,
            String taxCodes,
            String net,
            String tax,
            String gross) {}

    record DryLine(String text, String item, String account, String taxCode, String amount) {}

    record DryBooked(String account, String name, String debit, String credit) {}

    record DryJournal(List<DryBooked> lines, String debit, String credit) {}

    /// One that was asked for and would not go.
    ///
    /// @param parts why, as far as it is known
    record DryLeft(long id, String number, String party, String state, List<Sentence.Part> parts) {}

    /// @param journal of all together, one line for each account; null when nothing would go
    /// @param left the first 200 of those that were asked for and would not go
    /// @param leftOut how many they are
    record DryRun(String currency, List<DryDocument> documents, DryJournal journal, List<DryLeft> left, int leftOut) {}

    record DryOne(List<DryLine> lines, DryJournal journal) {}

    DryRunApi(Routes routes, Previews previews, LedgerReference reference, Records records) {
        this.routes = routes;
        this.previews = previews;
        this.reference = reference;
        this.records = records;
    }

    @PostMapping
    DryRun dryRun(@Valid @RequestBody SendApi.ChoiceJson asked) {
        RouteRow route = routes.getLeading(asked.route());
        Preview preview = previews.of(route, asked.asChoice());
        List<Journal> journals = preview.documents().stream()
                .map(each -> each.posting().journal())
                .toList();
        return new DryRun(
                preview.totals().gross().getCurrencyUnit().getCode(),
                preview.documents().stream().map(DryRunApi::document).toList(),
                journals.isEmpty() ? null : journal(Journal.together(journals), names(route)),
                left(route, preview),
                preview.left().size());
    }

    /// One of them, among the others: what goes before it may leave less for it.
    @PostMapping("/{id}")
    DryOne dryRunOf(@PathVariable long id, @Valid @RequestBody SendApi.ChoiceJson asked) {
        RouteRow route = routes.getLeading(asked.route());
        Prepared found = previews.of(route, asked.asChoice()).documents().stream()
                .filter(each -> each.id() == id)
                .findFirst()
                .orElseThrow(() -> NotPossibleException.missing("document " + id + " of the batch"));
        return new DryOne(
                found.posting().entry().lines().stream().map(DryRunApi::line).toList(),
                journal(found.posting().journal().byAccount(), names(route)));
    }

    /// Each with why: it is blocked or gone by now, or its party may be one that the batch creates.
    private List<DryLeft> left(RouteRow route, Preview preview) {
        Map<String, Preview.Alike> alike =
                preview.alike().stream().collect(Collectors.toMap(Preview.Alike::code, Function.identity()));
        return preview.left().stream()
                .limit(LISTED)
                .flatMap(id -> records.find(id).stream())
                .filter(row -> row.routeId() == route.id())
                .map(row -> new DryLeft(
                        row.id(),
                        row.number(),
                        row.partyName(),
                        row.state(),
                        standsOtherwise(route, row)
                                ? Sentences.standsOtherwise(route.ledger()).parts()
                                : alike.containsKey(row.partyCode())
                                        ? Sentences.alike(
                                                        row.partyCode(),
                                                        row.partyName(),
                                                        alike.get(row.partyCode())
                                                                .like())
                                                .parts()
                                        : row.said().parts()))
                .toList();
    }

    /// What is changed where it stands goes by a connection always, and by a file only as it was given.
    private static boolean standsOtherwise(RouteRow route, Records.Row row) {
        return !route.ledgerAnswers() && row.state().equals("Diverged");
    }

    private static DryDocument document(Prepared prepared) {
        LedgerEntry entry = prepared.posting().entry();
        List<String> accounts = prepared.posting().journal().lines().stream()
                .map(JournalLine::account)
                .filter(account -> !account.equals(entry.controlAccount()))
                .distinct()
                .sorted()
                .toList();
        int sign = entry.kind().isCredit() ? -1 : 1;
        return new DryDocument(
                prepared.id(),
                prepared.number(),
                entry.number(),
                entry.kind().word(),
                prepared.party().name(),
                entry.bringsParty(),
                prepared.stands(),
                entry.date(),
                String.join(", ", accounts),
                taxCodes(entry),
                Amounts.decimal(entry.net().multipliedBy(sign)),
                Amounts.decimal(entry.tax().multipliedBy(sign)),
                Amounts.decimal(entry.gross().multipliedBy(sign)));
    }

    private static String taxCodes(LedgerEntry entry) {
        return entry.lines().stream()
                .map(LedgerLine::taxCode)
                .filter(code -> !code.isEmpty())
                .distinct()
                .sorted()
                .collect(Collectors.joining(", "));
    }

    private static DryLine line(LedgerLine line) {
        return new DryLine(
                line.description(),
                line.counterpart().isEmpty() ? line.item() : line.counterpart(),
                line.account(),
                line.taxCode(),
                Amounts.decimal(line.amount()));
    }

    private Map<String, LedgerAccount> names(RouteRow route) {
        return reference.accounts(route.ledgerId()).stream()
                .collect(Collectors.toMap(LedgerAccount::code, Function.identity()));
    }

    private static DryJournal journal(Journal journal, Map<String, LedgerAccount> names) {
        return new DryJournal(
                journal.lines().stream()
                        .sorted(Comparator.comparing(JournalLine::account))
                        .map(line -> new DryBooked(
                                line.account(),
                                names.containsKey(line.account())
                                        ? names.get(line.account()).name()
                                        : "",
                                line.debit().isZero() ? "" : Amounts.decimal(line.debit()),
                                line.credit().isZero() ? "" : Amounts.decimal(line.credit())))
                        .toList(),
                Amounts.decimal(journal.debit()),
                Amounts.decimal(journal.credit()));
    }
}
