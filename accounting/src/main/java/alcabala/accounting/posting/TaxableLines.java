package alcabala.accounting.posting;

import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.money.LargestRemainder;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.Money;

/// The lines that are taxed and posted: the document's own, each less its share of the document's allowances, and one
/// for every charge. They add up to the document's total in its price mode.
final class TaxableLines {
    private TaxableLines() {}

    static List<DocumentLine> of(Document document) {
        if (document.allowancesAndCharges().isEmpty()) {
            return document.lines();
        }
        List<DocumentLine> lines = new ArrayList<>(document.lines());
        int number = 0;
        for (AllowanceCharge each : document.allowancesAndCharges()) {
            number++;
            if (each.isCharge()) {
                lines.add(extra("charge-" + number, LineKind.FEE, each, each.amount()));
            } else if (!takeOff(each, lines, document.lines().size())) {
                lines.add(extra(
                        "allowance-" + number,
                        LineKind.DISCOUNT,
                        each,
                        each.amount().negated()));
            }
        }
        return lines;
    }

    /// Spreads an allowance over the lines of its tax. False when no line carries that tax.
    private static boolean takeOff(AllowanceCharge allowance, List<DocumentLine> lines, int own) {
        List<Integer> places = new ArrayList<>();
        List<Money> weights = new ArrayList<>();
        for (int i = 0; i < own; i++) {
            if (allowance.tax().equals(TaxCombination.NONE)
                    || allowance.tax().equals(lines.get(i).tax())) {
                places.add(i);
                weights.add(lines.get(i).amount());
            }
        }
        if (places.isEmpty()) {
            return false;
        }
        List<Money> shares = LargestRemainder.spread(allowance.amount(), weights);
        for (int i = 0; i < shares.size(); i++) {
            DocumentLine line = lines.get(places.get(i));
            lines.set(places.get(i), line.withAmount(line.amount().minus(shares.get(i))));
        }
        return true;
    }

    private static DocumentLine extra(String id, LineKind kind, AllowanceCharge from, Money amount) {
        return new DocumentLine(
                id,
                kind,
                "",
                from.reason(),
                "",
                "",
                "",
                BigDecimal.ONE,
                "C62",
                amount.getAmount(),
                BigDecimal.ONE,
                Money.zero(amount.getCurrencyUnit()),
                amount,
                from.tax());
    }
}
