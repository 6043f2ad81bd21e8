package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Changed;
import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.LineBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.matching.PartyMatcher;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

class CompilerFindingsTest {
    private final DocumentLine goods = line(EUR, "chandlery", "2", "10.00", V23);

    @Test
    void theCauseNamesWhereOneRowSettlesTheMost() {
        List<CrosswalkRow> rows = Samples.rows();
        assertCauses(rows, invoice("A", withItem(withCategory(goods, ""), "RIG-0042")), "item-unmapped:RIG-0042");
        assertCauses(rows, invoice("B", withCategory(goods, "paint")), "category-unmapped:paint");
        assertCauses(rows, invoice("C", withItem(withCategory(goods, ""), "")), "role-unset:SALES");
    }

    @Test
    void accountsThatCannotBeUsedAreNamed() {
        assertThat(findings("4999")).containsExactly("account-unusable:4999");
        assertThat(findings("4030")).containsExactly("account-unusable:4030");
        assertThat(findings("1100")).as("a receivable as revenue").containsExactly("account-unusable:1100");
    }

    @Test
    void taxCodesMustExistAndHaveTheRate() {
        TaxCombination v9 = TaxCombination.of(Tax.of("V9", "9", TaxCategory.S));
        Document document = invoice("HW-9", line(EUR, "chandlery", "2", "10.00", v9));
        assertCauses(Samples.rows(), document, "tax-unmapped:V9");
        assertCauses(with(row(RowKind.TAX, "V9", "GONE", "")), document, "tax-code-unusable:GONE");
        assertCauses(with(row(RowKind.TAX, "V9", "R13", "")), document, "tax-rate-differs:V9");
    }

    @Test
    void aCombinationMapsAsASet() {
        Tax federal = Tax.of("FED", "5", TaxCategory.S);
        Tax provincial = new Tax("PROV", new java.math.BigDecimal("10"), TaxCategory.S, true);
        TaxCombination both = TaxCombination.of(List.of(federal, provincial));
        assertThat(both.key()).isEqualTo("FED>PROV");
        assertThat(both.rate()).as("10 % on 105").isEqualByComparingTo("15.5");
    }

    @Test
    void moreThanRoundingIsAFindingWithBothComputations() {
        Document right = invoice("HW-5", goods);
        Document wrong = withTotals(right, "20.00", "4.70", "24.70");
        assertThat(Samples.compiler(Samples.rows()).compile(wrong).findings())
                .containsExactly(new Finding.TaxDiffers(eur("4.70"), eur("4.60"), 1));
    }

    @Test
    void arithmeticThatDoesNotHoldShowsBothFigures() {
        Document wrong = withTotals(invoice("HW-6", goods), "20.00", "4.60", "25.60");
        assertThat(Samples.compiler(Samples.rows()).compile(wrong).findings())
                .containsExactly(new Finding.ArithmeticDiffers(
                        Finding.ArithmeticDiffers.Figure.GROSS, "", eur("25.60"), eur("24.60")));
    }

    @Test
    void aPartyThatMayAlreadyExistIsAskedAbout() {
        Party known = Party.named("I-7", "Pell Estuary Tr");
        Document document = invoice("HW-7", goods);
        Compiler asking = new Compiler(
                Crosswalk.of(Samples.rows(), new PartyMatcher(List.of(known))),
                Samples.ROUTE,
                Samples.ledger(EUR, TaxRounding.PER_DOCUMENT));
        assertThat(asking.compile(document).findings())
                .extracting(Finding::cause)
                .containsExactly("party-doubtful:C-1");
        assertCauses(with(row(RowKind.PARTY, "C-1", "I-7", "")), document);
    }

    @Test
    void strangersAndForeignCurrencyBlock() {
        Document sale = invoice("HW-8", goods);
        Compilation stranger = Samples.compiler(Samples.rows()).compile(sale.seenBy(Ownership.NEITHER));
        assertThat(stranger.findings())
                .containsExactly(new Finding.NotAParty("US", "Corvane Boatyards", "C-1", "Pell Estuary Trust"));
        assertThat(stranger.journal()).isEmpty();

        assertThat(Samples.compiler(Samples.rows(), CurrencyUnit.JPY)
                        .compile(sale)
                        .findings())
                .extracting(Finding::cause)
                .containsExactly("currency-unavailable:EUR");
    }

    @Test
    void anAllowanceOfATaxNoLineCarriesBecomesALineOfItsOwn() {
        AllowanceCharge allowance = new AllowanceCharge(false, eur("1.00"), "goodwill", Samples.V0);
        Document document =
                Samples.document(RecordKind.INVOICE, "HW-10", PriceMode.NET, List.of(goods), List.of(allowance));
        LedgerDocument sent = Samples.compiler(Samples.rows())
                .compile(document)
                .ledgerDocument()
                .orElseThrow();
        assertThat(sent.lines())
                .extracting(l -> l.account() + " " + l.amount())
                .containsExactly("4010 EUR 20.00", "4090 EUR -1.00");
    }

    private List<String> findings(String account) {
        List<CrosswalkRow> rows = Samples.rows();
        rows.removeIf(r -> r.kind() == RowKind.CATEGORY);
        rows.add(row(RowKind.CATEGORY, "chandlery", "", account));
        return Samples.compiler(rows).compile(invoice("HW-2", goods)).findings().stream()
                .map(Finding::cause)
                .toList();
    }

    @Test
    void theRoleForRoundingIsNeededOnlyWhereSomethingIsRounded() {
        List<CrosswalkRow> rows = Samples.rows();
        rows.removeIf(row -> row.code().equals(AccountRole.ROUNDING.name()));
        Compilation even = Samples.compiler(rows).compile(invoice("HW-1", goods));
        assertThat(even.findings()).isEmpty();
        assertThat(even.isBlocked()).isFalse();
        DocumentLine dime = line(EUR, "chandlery", "1", "0.10", V23);
        Compilation rounded = Samples.compiler(rows).compile(invoice("HW-2", dime, dime, dime));
        assertThat(rounded.findings()).extracting(Finding::cause).containsExactly("role-unset:ROUNDING");
        assertThat(rounded.isBlocked()).isTrue();
    }

    @Test
    void whatOnlyWarnsDoesNotBlock() {
        Document document = DocumentBuilder.like(invoice("HW-1", goods))
                .payable("10.00", "0.00", "14.60")
                .build();
        Compilation compiled = Samples.compiler(Samples.rows()).compile(document);
        assertThat(compiled.findings()).containsExactly(new Finding.Prepaid(eur("10.00")));
        assertThat(compiled.isBlocked()).isFalse();
        assertThat(compiled.journal()).isPresent();
    }

    @Test
    void aLineNamesTheLedgersItemWhereItIsKnown() {
        LedgerDocument sent = Samples.compiler(Samples.rows())
                .compile(invoice("HW-1", withItem(goods, "SHK-08"), goods, withItem(goods, "")))
                .ledgerDocument()
                .orElseThrow();
        assertThat(sent.lines()).extracting(LedgerLine::counterpart).containsExactly("SHACKLE8", "", "");
    }

    @Test
    void whatIsDecidedWhenItIsSentChangesNothingElse() {
        LedgerDocument sent = Samples.compiler(Samples.rows())
                .compile(invoice("HW-1", goods))
                .ledgerDocument()
                .orElseThrow();
        LocalDate day = LocalDate.of(2026, 12, 1);
        assertThat(sent.onDay(day)).isEqualTo(Changed.in(sent, "issueDate", day));
        assertThat(sent.crediting("IN-7")).isEqualTo(Changed.in(sent, "precedingNumber", "IN-7"));
        assertThat(sent.hasSumsOf(sent.onDay(day))).isTrue();
        for (String sum : List.of("net", "tax", "gross")) {
            assertThat(sent.hasSumsOf(Changed.in(sent, sum, eur("0.01")))).isFalse();
        }
    }

    @Test
    void aJournalSaysWhetherItBalances() {
        Journal even = new Journal.Builder(EUR, false)
                .debit(PostingKey.of("1100"), eur("1.00"))
                .credit(PostingKey.of("4010"), eur("1.00"))
                .build();
        assertThat(even.isBalanced()).isTrue();
        assertThat(even.lines()).hasSize(2);
        Journal odd = new Journal.Builder(EUR, false)
                .debit(PostingKey.of("1100"), eur("1.00"))
                .credit(PostingKey.of("4010"), eur("0.99"))
                .build();
        assertThat(odd.isBalanced()).isFalse();
    }

    private static void assertCauses(List<CrosswalkRow> rows, Document document, String... causes) {
        assertThat(Samples.compiler(rows).compile(document).findings())
                .extracting(Finding::cause)
                .containsExactly(causes);
    }

    private static List<CrosswalkRow> with(CrosswalkRow row) {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.add(row);
        return rows;
    }

    private static DocumentLine withItem(DocumentLine line, String item) {
        return LineBuilder.like(line).item(item).build();
    }

    private static DocumentLine withCategory(DocumentLine line, String category) {
        return LineBuilder.like(line).category(category).build();
    }

    private static Document withTotals(Document document, String net, String tax, String gross) {
        return DocumentBuilder.like(document).totals(net, tax, gross).build();
    }

    private static Money eur(String amount) {
        return Money.parse("EUR " + amount);
    }
}
