package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V0;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Changed;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/// A tax code without an account of its own posts where the role output tax says.
class TaxAccountTest {
    private static final Document TAXED = invoice("HW-1", line(EUR, "chandlery", "1", "10.00", V23));

    @Test
    void theRoleDecidesWhereTheCodeDoesNot() {
        List<CrosswalkRow> rows = Samples.rows();
        rows.add(row(AccountRole.OUTPUT_TAX, "2200"));
        Journal journal = compile(rows, TAXED).journal().orElseThrow();
        assertThat(journal.lines())
                .filteredOn(each -> each.account().equals("2200"))
                .extracting(each -> each.credit().toString())
                .containsExactly("EUR 2.30");
    }

    @Test
    void withoutTheRoleExactlyTheTaxedDocumentsAreBlocked() {
        assertThat(compile(Samples.rows(), TAXED).findings())
                .extracting(Finding::cause)
                .containsExactly("role-unset:OUTPUT_TAX");
        Document untaxed = invoice("HW-2", line(EUR, "chandlery", "1", "10.00", V0));
        assertThat(compile(Samples.rows(), untaxed).findings()).isEmpty();
    }

    @Test
    void aRoleOnAnAccountOfTheWrongTypeIsFound() {
        List<CrosswalkRow> rows = Samples.rows();
        rows.add(row(AccountRole.OUTPUT_TAX, "4010"));
        assertThat(compile(rows, TAXED).findings()).extracting(Finding::cause).containsExactly("account-unusable:4010");
    }

    /// What is owed and reclaimed at once needs the role of either side.
    @Test
    void taxOnBothSidesNeedsBothRoles() {
        Document bill = Samples.document(
                RecordKind.BILL,
                "KW-1",
                PriceMode.NET,
                List.of(line(EUR, "chandlery", "1", "10.00", TaxCombination.of(Tax.of("VEU", "0", TaxCategory.AE)))),
                List.of());
        List<CrosswalkRow> rows = Samples.rows();
        rows.add(row(RowKind.TAX, "VEU", "RC23", ""));
        assertThat(compile(rows, bill).findings())
                .extracting(Finding::cause)
                .containsExactly("role-unset:INPUT_TAX", "role-unset:OUTPUT_TAX");
        rows.add(row(AccountRole.INPUT_TAX, "1400"));
        rows.add(row(AccountRole.OUTPUT_TAX, "2200"));
        assertThat(compile(rows, bill).journal().orElseThrow().lines())
                .extracting(each -> each.account() + " " + each.debit().getAmount() + " "
                        + each.credit().getAmount())
                .containsExactlyInAnyOrder("2100 0.00 10.00", "5100 10.00 0.00", "1400 2.30 0.00", "2200 0.00 2.30");
    }

    private static Compilation compile(List<CrosswalkRow> rows, Document document) {
        LedgerProfile plain = Samples.ledger(EUR, TaxRounding.PER_DOCUMENT);
        LedgerProfile bare = Changed.in(
                plain,
                "taxCodes",
                Map.of(
                        "S23",
                        code("S23", "23"),
                        "Z0",
                        code("Z0", "0"),
                        "RC23",
                        Changed.in(Changed.in(plain.taxCodes().get("RC23"), "account", ""), "inputAccount", "")));
        return new Compiler(Crosswalk.of(rows, Samples.NOBODY), Samples.ROUTE, bare).compile(document);
    }

    private static LedgerTaxCode code(String code, String rate) {
        return new LedgerTaxCode(
                code, code, new BigDecimal(rate), rate.equals("0") ? TaxCategory.Z : TaxCategory.S, "", "", true);
    }
}
