package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V13;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RecordType;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.crosswalk.Step;
import alcabala.accounting.crosswalk.WalkStep;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.AccountUnusable.Reason;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Targets;
import alcabala.accounting.tax.TaxRounding;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/// What is bought, in the same figures as the worked examples of what is sold.
class PurchasesCompileTest {
    private static final Document BILL = bill(RecordKind.BILL);

    private static Document bill(RecordKind kind) {
        return Samples.document(
                kind,
                "KW-118",
                PriceMode.NET,
                List.of(
                        line(EUR, "chandlery", "7", "3.33", V23),
                        line(EUR, "chandlery", "3", "4.43", V23),
                        line(EUR, "labour", "1.25", "62.00", V13)),
                List.of());
    }

    private static Compilation compile(Document document, List<CrosswalkRow> rows, RouteSettings settings) {
        Route route = new Route("files", "Files", "Inkwell", settings);
        return new Compiler(Crosswalk.of(rows, Samples.NOBODY), route, Samples.ledger(EUR, TaxRounding.PER_DOCUMENT))
                .compile(document, "7", Targets.NONE);
    }

    private static List<CrosswalkRow> with(CrosswalkRow... more) {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.addAll(List.of(more));
        return rows;
    }

    private static List<String> journal(Compilation compiled) {
        return compiled.journal().orElseThrow().byAccount().lines().stream()
                .map(each -> "%s %s %s"
                        .formatted(
                                each.account(),
                                each.debit().getAmount(),
                                each.credit().getAmount()))
                .toList();
    }

    @Test
    void aBillDebitsWhatWasBoughtAndItsTaxAndOwesTheGross() {
        Compilation compiled = compile(BILL, Samples.rows(), Samples.SETTINGS);
        assertThat(compiled.findings()).isEmpty();
        assertThat(journal(compiled))
                .containsExactly("2100 0.00 132.98", "5100 36.60 0.00", "6100 77.50 0.00", "1400 18.88 0.00");
        LedgerDocument sent = compiled.ledgerDocument().orElseThrow();
        assertThat(sent.controlAccount()).isEqualTo("2100");
        assertThat(sent.party()).as("who sold it").isEqualTo("C-1");
        assertThat(sent.lines())
                .as("its items are the supplier's")
                .allMatch(each -> each.item().isEmpty());

        assertThat(journal(compile(bill(RecordKind.SUPPLIER_CREDIT), Samples.rows(), Samples.SETTINGS)))
                .containsExactly("2100 132.98 0.00", "5100 0.00 36.60", "6100 0.00 77.50", "1400 0.00 18.88");
    }

    @Test
    void aCentThatTheLedgerComputesDifferentlyGoesToRounding() {
        Document rounded = Samples.document(
                RecordKind.BILL,
                "KW-119",
                PriceMode.NET,
                List.of(
                        line(EUR, "chandlery", "1", "0.33", V23),
                        line(EUR, "chandlery", "1", "0.33", V23),
                        line(EUR, "chandlery", "1", "0.33", V23)),
                List.of());
        assertThat(journal(compile(rounded, Samples.rows(), Samples.SETTINGS)))
                .containsExactly("2100 0.00 1.23", "5100 0.99 0.00", "1400 0.23 0.00", "6990 0.01 0.00");
    }

    @Test
    void taxThatIsNotReclaimedIsPartOfTheCostToTheCent() {
        Compilation compiled = compile(BILL, Samples.rows(), Samples.SETTINGS.with(Topic.PURCHASE_TAX, "in-cost"));
        assertThat(journal(compiled)).containsExactly("2100 0.00 132.98", "5100 45.02 0.00", "6100 87.96 0.00");
        LedgerDocument sent = compiled.ledgerDocument().orElseThrow();
        assertThat(sent.tax().isZero()).isTrue();
        assertThat(sent.lines()).extracting(LedgerLine::taxCode).containsOnly("");
        assertThat(compile(
                                Samples.invoice("HW-1", line(EUR, "chandlery", "1", "10.00", V23)),
                                Samples.rows(),
                                Samples.SETTINGS.with(Topic.PURCHASE_TAX, "in-cost"))
                        .ledgerDocument()
                        .orElseThrow()
                        .tax()
                        .isZero())
                .as("a sale is none of its business")
                .isFalse();
    }

    @Test
    void theSuppliersAccountComesBeforeTheDefaultAndAnOverrideBeforeBoth() {
        Compilation compiled = compile(
                BILL,
                with(row(RowKind.SUPPLIER, "C-1", "", "6200"), row(RowKind.LINE, "7/1", "", "6100")),
                Samples.SETTINGS);
        assertThat(compiled.lines()).extracting(ResolvedLine::account).containsOnly("6100");
        Compilation plain = compile(BILL, with(row(RowKind.SUPPLIER, "C-1", "", "6200")), Samples.SETTINGS);
        assertThat(journal(plain)).containsExactly("2100 0.00 132.98", "6200 114.10 0.00", "1400 18.88 0.00");
        assertThat(plain.lines().getFirst().walk().steps())
                .extracting(WalkStep::step)
                .containsExactly(Step.LINE_OVERRIDE, Step.PROJECT, Step.PARTY, Step.LINE_KIND, Step.ROLE);
    }

    @Test
    void whatNothingAnswersIsAskedAboutOnceForEachSupplier() {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.removeIf(each -> each.code().equals(AccountRole.PURCHASES.name())
                || each.code().equals(AccountRole.PAYABLES_CONTROL.name()));
        assertThat(compile(BILL, rows, Samples.SETTINGS).findings())
                .containsExactly(
                        new Finding.SupplierUnmapped("C-1", "Pell Estuary Trust"),
                        new Finding.RoleUnset(AccountRole.PAYABLES_CONTROL));
        assertThat(compile(BILL, with(row(RowKind.SUPPLIER, "C-1", "", "4010")), Samples.SETTINGS)
                        .findings())
                .as("a bill cannot land in revenue")
                .contains(new Finding.AccountUnusable("4010", Reason.WRONG_TYPE, AccountRole.PURCHASES));
    }

    @Test
    void aSuppliersNumberStaysHowever_salesAreNumbered() {
        RouteSettings settings = Samples.SETTINGS
                .with(Topic.NUMBERED_BY, "ledger")
                .with(Topic.NUMBER_PREFIX, "Y-")
                .with(Topic.E_MAIL, "yes");
        LedgerDocument sent =
                compile(BILL, Samples.rows(), settings).ledgerDocument().orElseThrow();
        assertThat(sent.number()).isEqualTo("KW-118");
        assertThat(sent.toBeEmailed()).isFalse();
    }

    @Test
    void linesThatStateNoTaxTakeTheCodeDecidedForPurchases() {
        Document untaxed = Samples.document(
                RecordKind.BILL,
                "KW-120",
                PriceMode.NET,
                List.of(line(EUR, "chandlery", "1", "10.00", TaxCombination.NONE)),
                List.of());
        RouteSettings sales = Samples.SETTINGS.with(Topic.UNSTATED_TAX, "Z0");
        assertThat(compile(untaxed, Samples.rows(), sales).findings())
                .extracting(Finding::cause)
                .containsExactly("tax-unmapped:none");
        assertThat(compile(untaxed, Samples.rows(), sales.with(Topic.UNSTATED_PURCHASE_TAX, "Z0"))
                        .findings())
                .isEmpty();
    }

    @Test
    void billsStayUntilTheRouteSaysThatTheyCross() {
        assertThat(compile(BILL, Samples.rows(), RouteSettings.STANDARD).findings())
                .containsExactly(new Finding.DoesNotCross(RecordKind.BILL));
        assertThat(RouteSettings.STANDARD.carries()).containsExactly(RecordType.SALES);
        assertThat(Samples.SETTINGS.with(Topic.DIRECTION, Carried.BILLS, "none").carries())
                .as("supplier credits alone are purchases too")
                .containsExactlyInAnyOrder(RecordType.SALES, RecordType.PURCHASES);
    }
}
