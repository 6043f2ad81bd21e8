package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// The lines as they go to the ledger, in the shape that the route's settings ask for.
final class LedgerLines {
    private final boolean namesItems;
    private final boolean taxInLines;
    private final boolean itemNames;
    private final boolean notes;
    private final Crosswalk crosswalk;
    private final boolean summed;

    private record Sum(Money amount, int lines) {
        Sum plus(Sum other) {
            return new Sum(amount.plus(other.amount), lines + other.lines);
        }
    }

    /// The items of a bill are its seller's: the ledger does not have them.
    LedgerLines(RecordKind kind, Crosswalk crosswalk, RouteSettings settings) {
        namesItems = kind.isSale() && settings.is(Topic.LINE_KIND, kind, "items");
        taxInLines = settings.hasTaxInLines(kind);
        itemNames = settings.is(Topic.ITEM_NAMES, kind, "yes");
        notes = settings.is(Topic.LINE_NOTES, kind, "yes");
        this.crosswalk = crosswalk;
        summed = settings.is(Topic.LINE_DETAIL, kind, "by-account");
    }

    List<LedgerLine> of(List<ResolvedLine> resolved) {
        return summed ? summed(resolved) : resolved.stream().map(this::line).toList();
    }

    private static List<LedgerLine> summed(List<ResolvedLine> resolved) {
        Map<PostingKey, Sum> sums = new LinkedHashMap<>();
        for (ResolvedLine line : resolved) {
            sums.merge(key(line), new Sum(line.amount(), 1), Sum::plus);
        }
        return sums.entrySet().stream()
                .map(entry -> summary(entry.getKey(), entry.getValue()))
                .toList();
    }

    private static PostingKey key(ResolvedLine line) {
        return new PostingKey(line.account(), line.taxCode(), line.dimensionValues());
    }

    private static LedgerLine summary(PostingKey key, Sum sum) {
        String text = sum.lines() == 1 ? "1 line" : sum.lines() + " lines";
        return LedgerLine.of(text, sum.amount(), key);
    }

    private LedgerLine line(ResolvedLine resolved) {
        DocumentLine line = resolved.line();
        String item = namesItems ? line.item() : "";
        return LedgerLine.at(
                resolved.amount(),
                item,
                counterpart(item),
                text(line),
                line.quantity(),
                price(resolved),
                key(resolved));
    }

    private String counterpart(String item) {
        return item.isEmpty() ? "" : crosswalk.counterpart(RowKind.ITEM, item);
    }

    private String text(DocumentLine line) {
        boolean named =
                itemNames && !line.itemName().isEmpty() && !line.itemName().equals(line.description());
        String text = named ? line.itemName() + ": " + line.description() : line.description();
        boolean noted = notes && !line.note().isEmpty();
        return noted ? text + " (" + line.note() + ")" : text;
    }

    /// The source's own price for one unit; with tax in the lines, the one that its amount with tax comes to.
    private BigDecimal price(ResolvedLine resolved) {
        DocumentLine line = resolved.line();
        int decimals = resolved.amount().getCurrencyUnit().getDecimalPlaces();
        return taxInLines
                ? UnitPrice.of(resolved.amount().getAmount(), line.quantity(), line.quantity(), decimals)
                : UnitPrice.of(line.price(), line.baseQuantity(), line.quantity(), decimals);
    }
}
