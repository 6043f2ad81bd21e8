package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.money.LargestRemainder;
import alcabala.accounting.tax.TaxComputation;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// What the lines of a document come to without the tax that the document states.
///
/// @param source the tax as its source computed it, line by line
record StatedNets(Document document, TaxComputation source) {
    /// One for each line that goes to the ledger; they add up to the document's lines less its tax.
    ///
    /// @param resolved what the lines are made of: one each, or several summed by where they are posted
    List<Money> of(List<ResolvedLine> resolved, List<LedgerLine> lines) {
        List<Money> nets = nets(resolved);
        if (lines.size() == resolved.size()) {
            return nets;
        }
        Map<PostingKey, Money> sums = new LinkedHashMap<>();
        for (int i = 0; i < nets.size(); i++) {
            ResolvedLine line = resolved.get(i);
            sums.merge(
                    new PostingKey(line.account(), line.taxCode(), line.dimensionValues()), nets.get(i), Money::plus);
        }
        return lines.stream().map(line -> sums.get(PostingKey.of(line))).toList();
    }

    private List<Money> nets(List<ResolvedLine> resolved) {
        if (document.priceMode() == PriceMode.NET) {
            return resolved.stream().map(ResolvedLine::amount).toList();
        }
        return source.tax().equals(document.totals().tax()) ? source.lineNets() : lessStated(resolved);
    }

    /// A source that states another tax than its lines give is within what rounding explains, or is blocked.
    private List<Money> lessStated(List<ResolvedLine> resolved) {
        List<Money> amounts = resolved.stream().map(ResolvedLine::amount).toList();
        List<Money> taxes = new ArrayList<>();
        for (int i = 0; i < amounts.size(); i++) {
            taxes.add(amounts.get(i).minus(source.lineNets().get(i)));
        }
        List<Money> shares = LargestRemainder.bySign(document.totals().tax(), taxes);
        List<Money> nets = new ArrayList<>();
        for (int i = 0; i < amounts.size(); i++) {
            nets.add(amounts.get(i).minus(shares.get(i)));
        }
        return nets;
    }
}
