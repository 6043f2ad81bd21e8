package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TaxSubtotal;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.ArithmeticDiffers.Figure;
import alcabala.accounting.tax.TaxCalculator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.joda.money.Money;

/// Whether the breakdown of tax that a document states holds group by group: what is taxed is what its lines come to
/// (EN 16931 BR-S-8 and its sisters), and the tax is that amount by the rate (BR-CO-17), off by one unit per taxed
/// line at the most, since a source may have rounded line by line.
final class Breakdown {
    private final Document document;
    private final List<DocumentLine> lines;
    private final Map<TaxCombination, Sum> sums = new LinkedHashMap<>();
    private final Consumer<Finding> findings;
    private final boolean byCombination;

    /// What the lines of one combination come to.
    ///
    /// @param taxable without tax
    /// @param taxed how many of the lines have an amount and a rate
    private record Sum(Money taxable, int lines, int taxed) {
        Sum plus(Sum other) {
            return new Sum(taxable.plus(other.taxable), lines + other.lines, taxed + other.taxed);
        }
    }

    /// @param lines less their shares of the document's allowances
    Breakdown(Document document, List<DocumentLine> lines, Consumer<Finding> findings) {
        this.document = document;
        this.findings = findings;
        // A source that states a combination as one group does so for all of them.
        byCombination = document.taxes().stream()
                .anyMatch(subtotal -> subtotal.tax().taxes().size() > 1);
        this.lines = lines;
    }

    private Sum sum(DocumentLine line) {
        boolean taxed = !line.amount().isZero() && line.tax().rate().signum() != 0;
        Money taxable = document.priceMode() == PriceMode.NET
                ? line.amount()
                : line.amount()
                        .minus(TaxCalculator.taxOf(line.amount(), line.tax().rate(), document.priceMode()));
        return new Sum(taxable, 1, taxed ? 1 : 0);
    }

    /// Lines that say nothing of their tax belong to no group that could be checked.
    void check() {
        if (document.taxes().isEmpty()) {
            return;
        }
        for (DocumentLine line : lines) {
            sums.merge(line.tax(), sum(line), Sum::plus);
        }
        boolean sayTax = sums.size() > 1 || !sums.containsKey(TaxCombination.NONE);
        if (!sayTax) {
            return;
        }
        document.taxes().forEach(this::check);
        sums.forEach((tax, sum) -> {
            if (sum.taxed() > 0 && document.taxes().stream().noneMatch(subtotal -> covers(subtotal, tax))) {
                report(Figure.TAXABLE, tax, Money.zero(document.currency()), sum.taxable());
            }
        });
    }

    private void check(TaxSubtotal subtotal) {
        Sum covered = covered(subtotal);
        boolean onAnotherTax = !byCombination && subtotal.tax().isCompound();
        subtotal.findTaxable()
                .filter(stated -> !onAnotherTax && apart(stated, covered.taxable()) > rounded(covered))
                .ifPresent(stated -> report(Figure.TAXABLE, subtotal.tax(), stated, covered.taxable()));
        Money tax = TaxCalculator.taxOf(
                subtotal.findTaxable().orElse(covered.taxable()), subtotal.tax().rate(), PriceMode.NET);
        if (apart(subtotal.amount(), tax) > covered.taxed()) {
            report(Figure.TAX, subtotal.tax(), subtotal.amount(), tax);
        }
    }

    private Sum covered(TaxSubtotal subtotal) {
        Sum covered = new Sum(Money.zero(document.currency()), 0, 0);
        for (Map.Entry<TaxCombination, Sum> each : sums.entrySet()) {
            covered = covers(subtotal, each.getKey()) ? covered.plus(each.getValue()) : covered;
        }
        return covered;
    }

    private void report(Figure figure, TaxCombination tax, Money stated, Money computed) {
        findings.accept(new Finding.ArithmeticDiffers(figure, tax.key(), stated, computed));
    }

    private boolean covers(TaxSubtotal subtotal, TaxCombination tax) {
        if (tax.equals(subtotal.tax())) {
            return true;
        }
        boolean bySingleTax = !byCombination && !subtotal.tax().equals(TaxCombination.NONE);
        return bySingleTax && tax.taxes().containsAll(subtotal.tax().taxes());
    }

    /// How many units rounding may have moved: none where net amounts are just added up.
    private int rounded(Sum covered) {
        boolean shared = document.allowancesAndCharges().stream()
                .anyMatch(each -> !each.isCharge() && each.tax().equals(TaxCombination.NONE));
        return shared || document.priceMode() == PriceMode.TAX_INCLUSIVE ? covered.lines() : 0;
    }

    private static long apart(Money one, Money other) {
        return Math.abs(one.minus(other).getAmountMinorLong());
    }
}
