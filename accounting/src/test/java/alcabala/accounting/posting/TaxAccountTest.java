package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V0;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
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

    private static Compilation compile(List<CrosswalkRow> rows, Document document) {
        LedgerProfile plain = Samples.ledger(EUR, TaxRounding.PER_DOCUMENT);
        LedgerProfile bare = new LedgerProfile(
                plain.name(),
                plain.baseCurrency(),
                plain.taxRounding(),
                plain.accounts(),
                Map.of("S23", code("S23", "23"), "Z0", code("Z0", "0")),
                plain.nameLimit(),
                false);
        return new Compiler(Crosswalk.of(rows, Samples.NOBODY), Samples.ROUTE, bare).compile(document);
    }

    private static LedgerTaxCode code(String code, String rate) {
        return new LedgerTaxCode(
                code, code, new BigDecimal(rate), rate.equals("0") ? TaxCategory.Z : TaxCategory.S, "", "", true);
    }
}
