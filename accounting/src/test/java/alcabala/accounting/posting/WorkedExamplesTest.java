package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V13;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Samples;
import alcabala.accounting.document.Document;
import org.junit.jupiter.api.Test;

/// The examples worked out by hand in the domain description, section 3.
class WorkedExamplesTest {
    private final Compiler compiler = Samples.compiler(Samples.rows());

    @Test
    void bothComputationsAgreeAndNothingIsAdded() {
        Compilation compiled = compiler.compile(yard("4.45"));

        assertThat(compiled.findings()).isEmpty();
        TaxComparison tax = compiled.tax().orElseThrow();
        assertThat(tax.source().tax()).hasToString("EUR 18.89");
        assertThat(tax.ledger().tax()).hasToString("EUR 18.89");
        assertThat(tax.rounding().isZero()).isTrue();
        assertThat(compiled.journal().orElseThrow().byAccount().lines())
                .extracting(l -> l.account() + " " + l.debit().getAmount() + " "
                        + l.credit().getAmount())
                .containsExactly("1100 133.05 0.00", "4010 0.00 36.66", "4020 0.00 77.50", "2200 0.00 18.89");
    }

    @Test
    void theSecondLineCheaperStillAgrees() {
        Compilation compiled = compiler.compile(yard("4.43"));

        assertThat(compiled.tax().orElseThrow().ledger().tax()).hasToString("EUR 18.88");
        assertThat(compiled.ledgerDocument().orElseThrow().gross()).hasToString("EUR 132.98");
        assertThat(compiled.ledgerDocument().orElseThrow().lines()).hasSize(3);
    }

    @Test
    void aCentOnThreeTaxedLinesGoesToTheRoundingRole() {
        Document document = invoice(
                "HW-3",
                line(EUR, "chandlery", "1", "0.33", V23),
                line(EUR, "chandlery", "1", "0.33", V23),
                line(EUR, "chandlery", "1", "0.33", V23));

        Compilation compiled = compiler.compile(document);

        LedgerDocument sent = compiled.ledgerDocument().orElseThrow();
        assertThat(compiled.tax().orElseThrow().ledger().tax()).hasToString("EUR 0.23");
        assertThat(sent.lines().getLast())
                .extracting(LedgerLine::account, l -> l.amount().toString())
                .containsExactly("6990", "EUR 0.01");
        assertThat(sent.gross()).hasToString("EUR 1.23");
    }

    private static Document yard(String splicePrice) {
        return invoice(
                "HW-20417",
                line(EUR, "chandlery", "7", "3.33", V23),
                line(EUR, "chandlery", "3", splicePrice, V23),
                line(EUR, "labour", "1.25", "62.00", V13));
    }
}
