package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TaxSubtotal;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.ArithmeticDiffers.Figure;
import alcabala.accounting.tax.TaxCalculator;
import java.util.List;
import java.util.function.Consumer;
import org.joda.money.Money;

/// Whether the breakdown of tax that a document states holds group by group: what is taxed is what its lines come to
/// (EN 16931 BR-S-8 and its sisters), and the tax is that amount by the rate (BR-CO-17), off by one unit per taxed
/// line at the most, since a source may have rounded line by line.
final class Breakdown {
    private final Document document;
    private final List<DocumentLine> lines;
    private final Consumer<Finding> findings;
    private final boolean byCombination;

    /// @param lines less their shares of the document's allowances
    Breakdown(Document document, List<DocumentLine> lines, Consumer<Finding> findings) {
        this.document = document;
        this.lines = lines;
        this.findings = findings;
        // A source that states a combination as one group does so for all of them.
        byCombination =
                document.taxes().stream().anyMatch(group -> group.tax().taxes().size() > 1);
    }

    /// Lines that say nothing of their tax belong to no group that could be checked.
    void check() {
        boolean sayTax = lines.stream().anyMatch(line -> !line.tax().equals(TaxCombination.NONE));
        if (document.taxes().isEmpty() || !sayTax) {
            return;
        }
        document.taxes().forEach(this::check);
        lines.stream()
                .filter(Breakdown::isTaxed)
                .filter(line -> document.taxes().stream().noneMatch(group -> covers(group, line)))
                .map(DocumentLine::tax)
                .distinct()
                .forEach(this::reportMissing);
    }

    private void check(TaxSubtotal group) {
        List<DocumentLine> covered =
                lines.stream().filter(line -> covers(group, line)).toList();
        int taxed = (int) covered.stream().filter(Breakdown::isTaxed).count();
        Money taxable = taxable(covered);
        boolean onAnotherTax = group.tax().taxes().stream().anyMatch(Tax::compound) && !byCombination;
        group.findTaxable()
                .filter(stated -> !onAnotherTax && apart(stated, taxable) > roundedLines(covered))
                .ifPresent(stated -> report(Figure.TAXABLE, group.tax(), stated, taxable));
        Money tax = TaxCalculator.taxOf(
                group.findTaxable().orElse(taxable), group.tax().rate(), PriceMode.NET);
        if (apart(group.amount(), tax) > taxed) {
            report(Figure.TAX, group.tax(), group.amount(), tax);
        }
    }

    private void reportMissing(TaxCombination tax) {
        report(
                Figure.TAXABLE,
                tax,
                Money.zero(document.currency()),
                taxable(lines.stream().filter(line -> line.tax().equals(tax)).toList()));
    }

    private void report(Figure figure, TaxCombination tax, Money stated, Money computed) {
        findings.accept(new Finding.ArithmeticDiffers(figure, tax.key(), stated, computed));
    }

    private boolean covers(TaxSubtotal group, DocumentLine line) {
        return byCombination || group.tax().equals(TaxCombination.NONE)
                ? line.tax().equals(group.tax())
                : line.tax().taxes().containsAll(group.tax().taxes());
    }

    private static boolean isTaxed(DocumentLine line) {
        return !line.amount().isZero() && line.tax().rate().signum() != 0;
    }

    /// Without tax.
    private Money taxable(List<DocumentLine> covered) {
        boolean inclusive = document.priceMode() == PriceMode.TAX_INCLUSIVE;
        Money net = Money.zero(document.currency());
        for (DocumentLine line : covered) {
            net = net.plus(line.amount());
            net = inclusive
                    ? net.minus(TaxCalculator.taxOf(line.amount(), line.tax().rate(), document.priceMode()))
                    : net;
        }
        return net;
    }

    /// How many units rounding may have moved: none where net amounts are just added up.
    private int roundedLines(List<DocumentLine> covered) {
        boolean shared = document.allowancesAndCharges().stream()
                .anyMatch(each -> !each.isCharge() && each.tax().equals(TaxCombination.NONE));
        return shared || document.priceMode() == PriceMode.TAX_INCLUSIVE ? covered.size() : 0;
    }

    private static long apart(Money one, Money other) {
        return Math.abs(one.minus(other).getAmountMinorLong());
    }
}
