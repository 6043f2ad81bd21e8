package alcabala.server.clear;

import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.ledger.AccountType;
import alcabala.accounting.ledger.LedgerAccount;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import alcabala.server.clear.BankingRows.Made;
import alcabala.server.clear.ToBank.Aside;
import alcabala.server.clear.ToBank.MeansOfRoute;
import alcabala.server.clear.ToBank.Receipt;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Sentences;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.SettingStore;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// What is shown of money to be banked, and of bankings. Amounts are decimal strings.
@Component
class BankingView {
    private final BankingStore store;
    private final BankingRows rows;
    private final ToBank toBank;
    private final CrosswalkStore crosswalk;
    private final SettingStore settings;
    private final LedgerReference reference;

    record BankAccountJson(String code, String name) {}

    /// @param amount what came in less what was taken out
    record AsideJson(int count, String currency, String amount) {}

    /// @param amount negative for what was taken out of it
    /// @param cash whether it was paid with coins and notes
    /// @param paidFor the numbers of the documents that it was paid for
    /// @param banked whether the banking that is shown takes it
    /// @param late whether it was received after the day of the banking
    /// @param returned whether it came back
    record ReceiptJson(
            long id,
            String number,
            String kind,
            LocalDate day,
            String party,
            String means,
            boolean cash,
            String reference,
            String paidFor,
            String amount,
            String state,
            boolean banked,
            boolean late,
            boolean returned) {}

    /// @param stated what the slip or the adding machine says; empty where nobody said
    /// @param difference by how much more cash was counted; `0.00` where it agrees
    /// @param sentence what holds it up; empty when nothing does
    /// @param batch the last in which it went; null for one that never did
    /// @param wrong how many of its receipts were voided, or come to another amount since
    /// @param withdrawn why it was withdrawn; empty while it stands
    record BankingJson(
            long id,
            String number,
            LocalDate day,
            String account,
            String bank,
            String slip,
            String stated,
            String why,
            int count,
            String amount,
            String difference,
            String state,
            int revision,
            String ledgerNumber,
            String sentence,
            Long batch,
            int wrong,
            String withdrawn,
            String madeBy,
            Instant madeAt,
            int version) {}

    /// @param toBank all that waits, of whatever day
    record BankingsJson(
            int year, List<Integer> years, String currency, AsideJson toBank, int wrong, List<BankingJson> bankings) {}

    /// What the road says of it.
    ///
    /// @param wrong how many receipts are not as they were taken to the bank
    record BankingsWaitingJson(AsideJson toBank, int wrong) {}

    /// @param account empty where the ledger has no bank
    /// @param waiting the account of what awaits banking; empty where the route names none
    /// @param together means that are taken to the bank
    /// @param alone means that arrive by themselves
    /// @param before what was received earlier than is shown
    /// @param foreign what waits in other currencies, which a banking does not take
    /// @param banking of that day and account; null where there is none
    record BankingSheetJson(
            String account,
            LocalDate day,
            LocalDate since,
            String currency,
            List<BankAccountJson> banks,
            String waiting,
            List<String> together,
            List<String> alone,
            AsideJson before,
            List<AsideJson> foreign,
            BankingJson banking,
            List<ReceiptJson> receipts) {}

    /// @param dimensions such as `site Saltmere`; empty for none
    record BankingLineJson(String account, String name, String dimensions, String debit, String credit) {}

    /// @param stated as it was understood; empty where nobody said
    /// @param findings why it would not cross, or what should be known
    record BankingPreviewJson(String stated, List<BankingFindingJson> findings, List<BankingLineJson> journal) {}

    record BankingFindingJson(String sentence, List<Sentence.Part> parts) {}

    BankingView(
            BankingStore store,
            BankingRows rows,
            ToBank toBank,
            CrosswalkStore crosswalk,
            SettingStore settings,
            LedgerReference reference) {
        this.store = store;
        this.rows = rows;
        this.toBank = toBank;
        this.crosswalk = crosswalk;
        this.settings = settings;
        this.reference = reference;
    }

    BankingsWaitingJson waiting(RouteRow route) {
        return new BankingsWaitingJson(aside(toBank.all(route, toBank.means(route))), rows.wrong(route));
    }

    BankingsJson ofYear(RouteRow route, int year) {
        TreeSet<Integer> years = new TreeSet<>(store.years(route));
        years.add(year);
        return new BankingsJson(
                year,
                List.copyOf(years.descendingSet()),
                route.currency(),
                aside(toBank.all(route, toBank.means(route))),
                rows.wrong(route),
                rows.ofYear(route, year).stream().map(BankingView::json).toList());
    }

    /// @param asked the account of a bank; empty for the route's own
    BankingSheetJson sheet(RouteRow route, String asked, LocalDate day, LocalDate since) {
        MeansOfRoute means = toBank.means(route);
        List<BankAccountJson> banks = banks(route, means.account());
        String account = banks.stream()
                .map(BankAccountJson::code)
                .filter(code -> code.equals(asked))
                .findFirst()
                .orElseGet(() -> usual(route, banks));
        Optional<Made> made = store.find(route, account, day).map(rows::of);
        long id = made.map(each -> each.row().recordId()).orElse(0L);
        Set<String> returned = toBank.returned(route, since);
        return new BankingSheetJson(
                account,
                day,
                since,
                route.currency(),
                banks,
                means.account(),
                named(means.together()),
                named(means.alone()),
                aside(toBank.before(route, means, since)),
                toBank.foreign(route, means).stream().map(BankingView::aside).toList(),
                made.map(BankingView::json).orElse(null),
                toBank.of(route, means, id, since).stream()
                        .map(each -> receipt(each, id, day, returned))
                        .toList());
    }

    BankingSheetJson sheet(RouteRow route, BankingRow row) {
        return sheet(route, row.account(), row.bankedOn(), row.bankedOn().minusMonths(3));
    }

    BankingPreviewJson preview(RouteRow route, Money stated, Compilation compiled) {
        Map<String, String> names = reference.accountNames(route.ledgerId());
        return new BankingPreviewJson(
                stated == null ? "" : Amounts.decimal(stated),
                compiled.findings().stream()
                        .map(Sentences::of)
                        .map(said -> new BankingFindingJson(said.text(), said.parts()))
                        .toList(),
                compiled.journal()
                        .map(journal -> journal.lines().stream())
                        .orElseGet(Stream::of)
                        .map(line -> new BankingLineJson(
                                line.account(),
                                names.getOrDefault(line.account(), ""),
                                String.join(", ", line.key().dimensions().values()),
                                line.debit().isZero() ? "" : Amounts.decimal(line.debit()),
                                line.credit().isZero() ? "" : Amounts.decimal(line.credit())))
                        .toList());
    }

    private List<BankAccountJson> banks(RouteRow route, String waiting) {
        return reference.accounts(route.ledgerId()).stream()
                .filter(account -> account.type() == AccountType.BANK
                        && account.active()
                        && !account.code().equals(waiting))
                .map((LedgerAccount account) -> new BankAccountJson(account.code(), account.name()))
                .toList();
    }

    /// The bank that the route receives on, else the one that plays that role, else the first there is.
    private String usual(RouteRow route, List<BankAccountJson> banks) {
        String receiving = settings.of(route.id()).get(Topic.RECEIVING_BANK);
        String role = crosswalk
                .find(route.id(), RowKind.ROLE, AccountRole.BANK.name())
                .map(row -> row.target(Purpose.ACCOUNT))
                .orElse("");
        List<String> codes = banks.stream().map(BankAccountJson::code).toList();
        return Stream.of(receiving, role)
                .filter(codes::contains)
                .findFirst()
                .orElseGet(() -> codes.isEmpty() ? "" : codes.getFirst());
    }

    /// `cash (10)`, without the currency.
    private static List<String> named(Collection<String> means) {
        return means.stream()
                .map(code -> Sentences.means(code.substring(0, code.indexOf(' '))))
                .distinct()
                .toList();
    }

    private static AsideJson aside(Aside aside) {
        return new AsideJson(
                aside.count(), aside.amount().getCurrencyUnit().getCode(), Amounts.decimal(aside.amount()));
    }

    private static ReceiptJson receipt(Receipt receipt, long banking, LocalDate day, Set<String> returned) {
        Settlement settlement = receipt.settlement();
        return new ReceiptJson(
                receipt.id(),
                receipt.number(),
                settlement.kind().word(),
                settlement.date(),
                settlement.party().name(),
                Sentences.means(settlement.means()),
                ToBank.isCash(settlement),
                settlement.reference(),
                ToBank.paidFor(settlement),
                Amounts.decimal(receipt.signed()),
                receipt.state(),
                receipt.bankingId() != null && receipt.bankingId() == banking,
                settlement.date().isAfter(day),
                returned.contains(receipt.number()));
    }

    static BankingJson json(Made made) {
        Banking banking = made.banking();
        return new BankingJson(
                made.row().recordId(),
                banking.number(),
                banking.date(),
                banking.account(),
                banking.bank(),
                banking.slip(),
                banking.stated() == null ? "" : Amounts.decimal(banking.stated()),
                banking.why(),
                banking.receipts().size(),
                Amounts.decimal(banking.amount()),
                Amounts.decimal(banking.difference()),
                made.state(),
                made.revision(),
                made.ledgerNumber(),
                made.sentence(),
                made.batch(),
                made.wrong(),
                made.row().withdrawn(),
                made.row().madeBy(),
                made.row().madeAt(),
                made.row().version());
    }
}
