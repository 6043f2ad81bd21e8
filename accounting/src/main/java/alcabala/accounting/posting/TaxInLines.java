package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TaxSubtotal;
import alcabala.accounting.money.LargestRemainder;
import alcabala.accounting.tax.TaxComputation;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// What lines become when their tax stays in them: their amounts with tax, and no code. On a sale the tax is then
/// booked as revenue, on a bill as part of the cost (domain, section 3).
final class TaxInLines {
    private final Document document;
    private final List<ResolvedLine> lines;

    /// Lines of the same tax.
    private record Group(String code, BigDecimal rate) {
        static Group of(TaxCombination tax) {
            return new Group(tax.key(), tax.rate());
        }
    }

    private TaxInLines(Document document, List<ResolvedLine> lines) {
        this.document = document;
        this.lines = lines;
    }

    /// They add up to the document's gross. The tax of a line is its own exact tax, floored; the missing units go to
    /// the largest remainders among the lines of the same tax.
    ///
    /// @param source the document's tax by its own method
    static List<ResolvedLine> of(Document document, List<ResolvedLine> lines, TaxComputation source) {
        if (document.priceMode() == PriceMode.TAX_INCLUSIVE) {
            return lines;
        }
        return new TaxInLines(document, lines).with(source);
    }

    private List<ResolvedLine> with(TaxComputation source) {
        List<ResolvedLine> with = new ArrayList<>(lines);
        Map<Group, List<Integer>> groups = new LinkedHashMap<>();
        List<Integer> taxed = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).isTaxed()) {
                groups.computeIfAbsent(Group.of(lines.get(i).line().tax()), tax -> new ArrayList<>())
                        .add(i);
                taxed.add(i);
            }
        }
        Map<Group, Money> stated = stated();
        if (stated.keySet().containsAll(groups.keySet())
                && addsUp(groups.keySet().stream().map(stated::get).toList())) {
            groups.forEach((tax, places) -> add(stated.get(tax), places, with));
        } else if (source.tax().equals(document.totals().tax())) {
            groups.forEach((tax, places) -> add(computed(source, tax), places, with));
        } else if (!taxed.isEmpty()) {
            add(document.totals().tax(), taxed, with);
        }
        return with;
    }

    private Map<Group, Money> stated() {
        Map<Group, Money> stated = new HashMap<>();
        for (TaxSubtotal subtotal : document.taxes()) {
            stated.merge(Group.of(subtotal.tax()), subtotal.amount(), Money::plus);
        }
        return stated;
    }

    private boolean addsUp(List<Money> taxes) {
        return taxes.stream()
                .reduce(Money.zero(document.currency()), Money::plus)
                .equals(document.totals().tax());
    }

    private static Money computed(TaxComputation source, Group tax) {
        return source.groups().stream()
                .filter(group -> group.code().equals(tax.code()) && group.rate().equals(tax.rate()))
                .findFirst()
                .orElseThrow()
                .tax();
    }

    private void add(Money tax, List<Integer> places, List<ResolvedLine> with) {
        List<BigDecimal> exact =
                places.stream().map(i -> exactTax(lines.get(i))).toList();
        List<Money> shares = LargestRemainder.round(tax, exact);
        for (int i = 0; i < shares.size(); i++) {
            ResolvedLine line = lines.get(places.get(i));
            with.set(places.get(i), line.withAmount(line.amount().plus(shares.get(i))));
        }
    }

    private static BigDecimal exactTax(ResolvedLine line) {
        return line.amount().getAmount().multiply(line.line().tax().rate()).movePointLeft(2);
    }
}
