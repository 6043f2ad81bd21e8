package alcabala.accounting.field;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.posting.StandardFields;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// What the source's half of a baseline holds.
public final class SourceHalf {
    private SourceHalf() {}

    public static Half of(Record record) {
        Half.Builder half = Half.builder()
                .text(Half.NUMBER, record.number())
                .text(Half.PARTY, record.counterparty().code())
                .day(Half.ISSUE_DATE, record.date())
                .number(Half.GROSS, record.gross().getAmount());
        switch (record) {
            case Document document -> add(document, half);
            case Settlement settlement -> add(settlement, half);
            case Banking banking -> add(banking, half);
        }
        return half.build();
    }

    private static void add(Document document, Half.Builder half) {
        half.day(Half.DUE_DATE, document.dueDate())
                .text(Half.NOTE, document.note())
                .text(Half.TERMS, document.terms());
        StandardFields.of(document).forEach((code, said) -> half.text(Half.own(code), said.value()));
        int position = 0;
        for (DocumentLine line : document.lines()) {
            half.line(++position, line.item(), line.tax().key(), line.amount().getAmount(), null, words(line));
        }
    }

    /// By all of it is decided what stands there, also where it comes to the same.
    private static String words(DocumentLine line) {
        String priced = line.quantity().stripTrailingZeros().toPlainString()
                + " × "
                + line.price().stripTrailingZeros().toPlainString();
        return Stream.of(line.description(), line.note(), line.project(), line.category(), priced)
                .filter(each -> !each.isBlank())
                .collect(Collectors.joining(" · "));
    }

    private static void add(Banking banking, Half.Builder half) {
        half.text(Half.REFERENCE, banking.slip());
        int position = 0;
        for (Banking.Receipt receipt : banking.receipts()) {
            half.line(++position, receipt.names(), "", receipt.signed().getAmount());
        }
    }

    private static void add(Settlement settlement, Half.Builder half) {
        half.text(Half.MEANS, settlement.means()).text(Half.REFERENCE, settlement.reference());
        int position = 0;
        for (Allocation allocation : settlement.allocations()) {
            half.line(++position, allocation.names(), "", allocation.settled().getAmount());
        }
    }
}
