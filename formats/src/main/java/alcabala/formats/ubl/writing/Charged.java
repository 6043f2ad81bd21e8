package alcabala.formats.ubl.writing;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.money.LargestRemainder;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.PostingKey;
import alcabala.accounting.tax.TaxCalculator;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.joda.money.Money;

/// What the lines of a document come to without tax, and what is charged on them, in its currency: exactly what is
/// booked, whether prices held the tax or not. EN 16931 knows no prices with tax, and one group for each category and
/// rate (BR-S-8 and its sisters).
///
/// @param lines those with a tax code; the line that only rounds is left out
/// @param rounding what is owed beyond lines and tax
record Charged(List<Line> lines, List<Group> groups, Money net, Money tax, Money rounding) {
    record Line(LedgerLine line, LedgerTaxCode code, Money net) {}

    /// @param rate in percent
    /// @param reason what the ledger calls it
    record Group(TaxCategory category, BigDecimal rate, String reason, Money taxable, Money tax) {
        private Group plus(Group other) {
            return new Group(category, rate, reason, taxable.plus(other.taxable), tax.plus(other.tax));
        }
    }

    private record Kind(TaxCategory category, BigDecimal rate) {}

    /// @throws IllegalArgumentException when a line has a code that the ledger has not
    static Charged of(UblDocument document) {
        LedgerDocument entry = document.document();
        Map<String, List<LedgerLine>> byCode = entry.lines().stream()
                .filter(line -> !line.taxCode().isEmpty())
                .collect(Collectors.groupingBy(LedgerLine::taxCode, LinkedHashMap::new, Collectors.toList()));
        Map<LedgerLine, Money> nets = new IdentityHashMap<>();
        Map<Kind, Group> groups = new LinkedHashMap<>();
        byCode.forEach((code, lines) -> {
            LedgerTaxCode known = code(document, code);
            Money amount = sum(entry, lines.stream().map(LedgerLine::amount).toList());
            Money tax = tax(document, known, amount);
            Money net = entry.priceMode() == PriceMode.NET ? amount : amount.minus(tax);
            List<Money> parts = LargestRemainder.bySign(
                    net, lines.stream().map(LedgerLine::amount).toList());
            for (int i = 0; i < lines.size(); i++) {
                boolean asItIs = entry.priceMode() == PriceMode.NET;
                nets.put(lines.get(i), asItIs ? lines.get(i).amount() : parts.get(i));
            }
            groups.merge(
                    new Kind(known.category(), known.chargedRate()),
                    new Group(known.category(), known.chargedRate(), known.name(), net, tax),
                    Group::plus);
        });
        List<Line> lines = entry.lines().stream()
                .filter(nets::containsKey)
                .map(line -> new Line(line, code(document, line.taxCode()), nets.get(line)))
                .toList();
        Money net = sum(entry, List.copyOf(nets.values()));
        Money tax = sum(entry, groups.values().stream().map(Group::tax).toList());
        return new Charged(
                lines,
                List.copyOf(groups.values()),
                net,
                tax,
                entry.gross().minus(net).minus(tax));
    }

    /// Whether any of it is subject to tax at all.
    boolean isTaxed() {
        return groups.stream().anyMatch(group -> group.category() != TaxCategory.O);
    }

    private static LedgerTaxCode code(UblDocument document, String code) {
        LedgerTaxCode known = document.taxCodes().get(code);
        if (known == null) {
            throw new IllegalArgumentException("there is no tax code " + code);
        }
        return known;
    }

    /// What is booked under a code beyond its lines. A code that charges nothing may be booked on both sides.
    private static Money tax(UblDocument document, LedgerTaxCode code, Money amount) {
        Money none = Money.zero(amount.getCurrencyUnit());
        if (code.chargedRate().signum() == 0) {
            return none;
        }
        LedgerDocument entry = document.document();
        Set<PostingKey> ofLines = entry.lines().stream()
                .map(line -> new PostingKey(line.account(), line.taxCode(), line.dimensions()))
                .collect(Collectors.toSet());
        boolean credited = entry.kind().isSale() != entry.kind().isCredit();
        Money all = none;
        Money beside = none;
        for (JournalLine line : document.journal().lines()) {
            if (line.taxCode().equals(code.code())) {
                Money booked = credited ? line.amount().negated() : line.amount();
                all = all.plus(booked);
                beside = ofLines.contains(line.key()) ? beside : beside.plus(booked);
            }
        }
        if (entry.priceMode() == PriceMode.NET) {
            return all.minus(amount);
        }
        // Tax that is booked where a line is cannot be told from it.
        return beside.isZero() ? TaxCalculator.taxOf(amount, code.chargedRate(), entry.priceMode()) : beside;
    }

    private static Money sum(LedgerDocument entry, List<Money> amounts) {
        List<Money> all = new ArrayList<>(amounts);
        all.add(Money.zero(entry.currency()));
        return Money.total(all);
    }
}
