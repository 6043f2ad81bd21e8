package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Settlement;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What was entered on the ledger is booked there; it goes to the source in the source's own codes, and causes nothing
/// in the books.
final class BackToSource {
    private BackToSource() {}

    static Compilation of(Settlement settlement) {
        String party = settlement.party().code();
        return compiled(
                settlement,
                new LedgerSettlement(
                        settlement.kind(),
                        settlement.number(),
                        settlement.date(),
                        settlement.currency(),
                        ExchangeRate.same(settlement.currency(), settlement.date()),
                        party,
                        party,
                        "",
                        "",
                        settlement.means(),
                        settlement.reference(),
                        settlement.note(),
                        settlement.amount(),
                        settlement.charges(),
                        "",
                        "",
                        settlement.allocations().stream()
                                .map(BackToSource::asNamed)
                                .toList()));
    }

    private static LedgerSettlement.Part asNamed(Allocation allocation) {
        return new LedgerSettlement.Part(
                allocation.kind(),
                "",
                allocation.number(),
                allocation.money(),
                allocation.worth(),
                allocation.worth(),
                allocation.deductions().stream()
                        .map(deduction -> new LedgerSettlement.Deducted(
                                "", deduction.kind().name(), "", deduction.amount(), deduction.amount()))
                        .toList());
    }

    static Compilation of(Document document) {
        String party = document.counterparty().code();
        return compiled(
                document,
                new LedgerDocument(
                        document.kind(),
                        document.number(),
                        NumberSeries.OWN,
                        document.issueDate(),
                        document.dueDate(),
                        document.currency(),
                        ExchangeRate.same(document.currency(), document.issueDate()),
                        document.priceMode(),
                        party,
                        party,
                        "",
                        document.precedingNumber(),
                        document.lines().stream().map(BackToSource::asNamed).toList(),
                        document.note(),
                        document.terms(),
                        Map.of(),
                        false,
                        false,
                        document.totals().net(),
                        document.totals().tax(),
                        document.totals().gross()));
    }

    private static LedgerLine asNamed(DocumentLine line) {
        return LedgerLine.at(
                line.amount(),
                line.item(),
                line.item(),
                line.description(),
                line.quantity(),
                line.price(),
                new PostingKey("", line.tax().key(), Map.of()));
    }

    private static Compilation compiled(Record record, LedgerEntry entry) {
        return new Compilation(
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.of(entry),
                Optional.of(new Journal.Builder(record.currency(), false).build()));
    }
}
