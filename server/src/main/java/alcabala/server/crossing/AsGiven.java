package alcabala.server.crossing;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.connectors.ledger.LedgerRecord.Line;
import alcabala.connectors.ledger.LedgerRecord.Moved;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.joda.money.Money;

/// What stands on a ledger that only says that it accepted what it was given: exactly that, but for the amount that it
/// names.
final class AsGiven {
    private AsGiven() {}

    /// @param id the ledger's
    /// @param party the ledger's
    /// @param other as it stands there, where that is not what was given; else null
    static LedgerRecord of(LedgerEntry entry, String reference, String id, String party, Money other) {
        return entry instanceof Cancellation taken
                ? of(taken.cancelled(), reference, id, party, other, true)
                : of(entry, reference, id, party, other, false);
    }

    private static LedgerRecord of(
            LedgerEntry entry, String reference, String id, String party, Money other, boolean voided) {
        return new LedgerRecord(
                id,
                1,
                entry.number().isEmpty() ? id : entry.number(),
                entry.kind().word(),
                party,
                entry.date(),
                due(entry),
                entry instanceof LedgerDocument document && document.priceMode() != PriceMode.NET,
                reference,
                other == null ? entry.net().getAmount() : other.getAmount(),
                other == null ? entry.tax().getAmount() : BigDecimal.ZERO,
                other == null ? entry.gross().getAmount() : other.getAmount(),
                paid(entry),
                entry.rate().rate(),
                null,
                lines(entry),
                List.of(),
                entry instanceof LedgerDocument document ? document.terms() : "",
                entry instanceof LedgerDocument document ? document.fields() : Map.of(),
                entry instanceof LedgerSettlement settlement ? moved(settlement, voided) : null,
                voided && !(entry instanceof LedgerSettlement) ? Boolean.TRUE : null,
                null,
                null,
                entry instanceof LedgerDocument document ? document.note() : null);
    }

    /// Of a settlement, what of its money settles something.
    private static BigDecimal paid(LedgerEntry entry) {
        return entry instanceof LedgerSettlement settlement
                ? settlement.parts().stream()
                        .map(part -> part.money().getAmount())
                        .reduce(BigDecimal.ZERO, BigDecimal::add)
                : BigDecimal.ZERO;
    }

    private static LocalDate due(LedgerEntry entry) {
        return entry instanceof LedgerDocument document ? document.dueDate() : null;
    }

    private static Moved moved(LedgerSettlement settlement, boolean voided) {
        return new Moved(
                settlement.means(),
                settlement.reference(),
                settlement.account(),
                settlement.currency().getCode(),
                voided);
    }

    private static List<Line> lines(LedgerEntry entry) {
        return switch (entry) {
            case LedgerSettlement settlement -> parts(settlement);
            case LedgerJournal journal -> entries(journal);
            case LedgerDocument document -> lines(document.lines());
            case Cancellation taken -> lines(taken.cancelled());
        };
    }

    private static List<Line> entries(LedgerJournal journal) {
        List<Line> there = new ArrayList<>();
        for (LedgerJournal.Entry each : journal.entries()) {
            there.add(new Line(
                    there.size() + 1,
                    null,
                    each.account(),
                    each.text(),
                    BigDecimal.ONE,
                    each.amount().getAmount(),
                    BigDecimal.ZERO,
                    each.amount().getAmount(),
                    null,
                    null,
                    each.dimensions()));
        }
        return there;
    }

    private static List<Line> lines(List<LedgerLine> lines) {
        List<Line> there = new ArrayList<>(lines.size());
        for (LedgerLine line : lines) {
            there.add(new Line(
                    there.size() + 1,
                    line.counterpart().isEmpty() ? line.item() : line.counterpart(),
                    line.account(),
                    line.description(),
                    line.quantity(),
                    line.price(),
                    line.adjustment().getAmount(),
                    line.amount().getAmount(),
                    line.taxCode(),
                    null,
                    line.dimensions()));
        }
        return there;
    }

    private static List<Line> parts(LedgerSettlement settlement) {
        List<Line> there = new ArrayList<>();
        for (LedgerSettlement.Part part : settlement.parts()) {
            there.add(new Line(
                    there.size() + 1,
                    part.document(),
                    part.kind().word(),
                    part.number(),
                    BigDecimal.ONE,
                    part.money().getAmount(),
                    part.settled().minus(part.worth()).getAmount(),
                    part.settled().getAmount(),
                    null,
                    null,
                    null));
        }
        return there;
    }
}
