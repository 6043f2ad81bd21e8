package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.tax.TaxBreakdown;
import alcabala.accounting.tax.TaxCalculator;
import alcabala.accounting.tax.TaxComputation;
import alcabala.accounting.tax.TaxedAmount;
import java.math.BigDecimal;
import java.util.List;
import java.util.function.Consumer;
import org.joda.money.Money;

/// Holds the tax that a document states against the tax that is computed from its lines. They may be one minor unit
/// apart for each taxed line, which rounding explains; more is a finding (domain, section 3).
final class TaxCheck {
    private final Document document;
    private final LedgerProfile ledger;
    private final List<DocumentLine> taxable;
    private final TaxComputation source;
    private final Consumer<Finding> findings;

    TaxCheck(
            Document document,
            LedgerProfile ledger,
            List<DocumentLine> taxable,
            TaxComputation source,
            Consumer<Finding> findings) {
        this.document = document;
        this.ledger = ledger;
        this.taxable = taxable;
        this.source = source;
        this.findings = findings;
    }

    /// Where the ledger computes tax by codes of its own.
    TaxComparison byCodes(List<LedgerLine> lines, int taxedLines, TaxCodes codes, boolean buys) {
        TaxComputation byLedger = compute(lines.stream()
                .map(line -> new TaxedAmount(line.taxCode(), codes.rate(line.taxCode()), line.amount()))
                .toList());
        if (!codes.ratesDiffer()) {
            compare(byLedger.tax(), taxedLines);
        }
        List<SelfAssessed> both = buys ? new BothSides(ledger, lines, byLedger.lineNets()).taxes() : List.of();
        return new TaxComparison(
                false, document.totals().tax(), source, byLedger, both, rounding(byLedger, taxedLines));
    }

    /// Where tax stays in the lines the ledger computes none; the stated tax is held against the lines' own rates by
    /// the ledger's way of rounding all the same.
    TaxComparison inLines(List<LedgerLine> lines, int taxedLines) {
        compare(SourceTax.rounded(ledger.taxRounding(), document, taxable).tax(), taxedLines);
        TaxComputation byLedger = compute(lines.stream()
                .map(line -> new TaxedAmount("", BigDecimal.ZERO, line.amount()))
                .toList());
        return new TaxComparison(
                false, document.totals().tax(), source, byLedger, List.of(), Money.zero(document.currency()));
    }

    /// Where the ledger decides tax itself nothing is computed beforehand: what the document states stands in for it.
    ///
    /// @param resolved what the lines are made of
    TaxComparison decidedThere(List<ResolvedLine> resolved, List<LedgerLine> lines) {
        Money zero = Money.zero(document.currency());
        Money tax = document.totals().tax();
        List<Money> nets = new StatedNets(document, source).of(resolved, lines);
        Money net = nets.stream().reduce(zero, Money::plus);
        List<TaxBreakdown> groups = tax.isZero() ? List.of() : List.of(new TaxBreakdown("", BigDecimal.ZERO, net, tax));
        TaxComputation stated = new TaxComputation(source.rounding(), groups, nets, net, tax);
        return new TaxComparison(true, tax, source, stated, List.of(), zero);
    }

    private TaxComputation compute(List<TaxedAmount> amounts) {
        return TaxCalculator.compute(ledger.taxRounding(), document.priceMode(), document.currency(), amounts);
    }

    private void compare(Money computed, int taxedLines) {
        Money stated = document.totals().tax();
        if (Math.abs(stated.minus(computed).getAmountMinorLong()) > taxedLines) {
            findings.accept(new Finding.TaxDiffers(stated, computed, taxedLines));
        }
    }

    /// Never more than rounding explains: a larger gap has been reported. Where prices include tax the gross agrees by
    /// construction.
    private Money rounding(TaxComputation byLedger, int taxedLines) {
        Money rounding = document.totals().gross().minus(byLedger.gross());
        boolean explained =
                document.priceMode() == PriceMode.NET && Math.abs(rounding.getAmountMinorLong()) <= taxedLines;
        return explained ? rounding : Money.zero(document.currency());
    }
}
