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
///
/// An allowance is shared by signed amounts; where a share would exceed its line, by size over the lines of the sum's
/// sign. Where the two ways differ, the one that reproduces the stated tax holds, by the source's own rounding; if
/// neither does, the signed one (domain, section 3). Several allowances apply to the original amounts.
final class TaxableLines {
    private final Document document;

    private TaxableLines(Document document) {
        this.document = document;
    }

    static List<DocumentLine> of(Document document) {
        if (document.allowancesAndCharges().isEmpty()) {
            return document.lines();
        }
        TaxableLines lines = new TaxableLines(document);
        List<DocumentLine> signed = lines.less(TaxableLines::signedShares);
        if (!lines.hasBothSigns()) {
            return signed;
        }
        List<DocumentLine> sized = lines.less(TaxableLines::sizedShares);
        return !lines.reproducesTax(signed) && lines.reproducesTax(sized) ? sized : signed;
    }

    /// How an allowance is shared over the amounts of the lines that it covers.
    private interface Sharing {
        List<Money> shares(Money allowance, List<Money> amounts);
    }

    /// A share exceeds its line when the allowance exceeds the sum.
    private static List<Money> signedShares(Money allowance, List<Money> amounts) {
        Money sum = Money.total(amounts);
        return allowance.abs().isGreaterThan(sum.abs()) && !sum.isZero()
                ? sizedShares(allowance, amounts)
                : LargestRemainder.bySign(allowance, amounts);
    }

    /// Over the lines of the sum's sign; over all of them when they add up to nothing.
    private static List<Money> sizedShares(Money allowance, List<Money> amounts) {
        Money sum = Money.total(amounts);
        int sign = sum.getAmount().signum();
        List<Money> weights = amounts.stream()
                .map(amount ->
                        sign == 0 || amount.getAmount().signum() == sign ? amount : Money.zero(sum.getCurrencyUnit()))
                .toList();
        return LargestRemainder.bySize(allowance, weights);
    }

    private boolean hasBothSigns() {
        boolean positive = false;
        boolean negative = false;
        for (DocumentLine line : document.lines()) {
            int sign = line.amount().getAmount().signum();
            positive |= sign > 0;
            negative |= sign < 0;
        }
        return positive && negative;
    }

    private boolean reproducesTax(List<DocumentLine> lines) {
        return SourceTax.asDeclared(document, lines)
                .tax()
                .equals(document.totals().tax());
    }

    private List<DocumentLine> less(Sharing sharing) {
        List<DocumentLine> lines = new ArrayList<>(document.lines());
        int number = 0;
        for (AllowanceCharge each : document.allowancesAndCharges()) {
            number++;
            if (each.isCharge()) {
                lines.add(extra("charge-" + number, LineKind.FEE, each, each.amount()));
            } else if (!takeOff(each, sharing, lines)) {
                lines.add(extra(
                        "allowance-" + number,
                        LineKind.DISCOUNT,
                        each,
                        each.amount().negated()));
            }
        }
        return lines;
    }

    /// False when no line carries the allowance's tax.
    private boolean takeOff(AllowanceCharge allowance, Sharing sharing, List<DocumentLine> lines) {
        List<Integer> places = new ArrayList<>();
        List<Money> amounts = new ArrayList<>();
        for (int i = 0; i < document.lines().size(); i++) {
            DocumentLine original = document.lines().get(i);
            if (allowance.tax().equals(TaxCombination.NONE) || allowance.tax().equals(original.tax())) {
                places.add(i);
                amounts.add(original.amount());
            }
        }
        if (places.isEmpty()) {
            return false;
        }
        List<Money> shares = sharing.shares(allowance.amount(), amounts);
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
