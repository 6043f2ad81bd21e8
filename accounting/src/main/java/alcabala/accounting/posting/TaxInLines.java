package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.tax.TaxCalculator;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;

/// What lines become when their tax stays in them: their amounts with tax, and no code. On a sale the tax is then
/// booked
/// as revenue, on a bill as part of the cost (domain, section 3).
final class TaxInLines {
    private TaxInLines() {}

    /// They add up to the document's gross: what rounding leaves over goes to the largest line.
    static List<ResolvedLine> of(Document document, List<ResolvedLine> lines) {
        List<Money> amounts = new ArrayList<>(lines.size());
        Money left = document.totals().gross();
        int largest = 0;
        for (ResolvedLine line : lines) {
            Money amount = document.priceMode() == PriceMode.TAX_INCLUSIVE
                    ? line.amount()
                    : line.amount()
                            .plus(TaxCalculator.taxOf(
                                    line.amount(), line.line().tax().rate(), PriceMode.NET));
            amounts.add(amount);
            left = left.minus(amount);
            largest = amount.abs().isGreaterThan(amounts.get(largest).abs()) ? amounts.size() - 1 : largest;
        }
        amounts.set(largest, amounts.get(largest).plus(left));
        List<ResolvedLine> with = new ArrayList<>(lines.size());
        for (int i = 0; i < lines.size(); i++) {
            with.add(new ResolvedLine(
                    lines.get(i).line(), amounts.get(i), lines.get(i).walk(), ""));
        }
        return with;
    }
}
