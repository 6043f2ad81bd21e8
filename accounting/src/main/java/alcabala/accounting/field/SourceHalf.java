package alcabala.accounting.field;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;

/// What the source's half of a baseline holds.
public final class SourceHalf {
    private SourceHalf() {}

    public static Half of(Document document) {
        Half.Builder half = Half.builder()
                .text(Half.NUMBER, document.number())
                .text(Half.PARTY, document.counterparty().code())
                .day(Half.ISSUE_DATE, document.issueDate())
                .day(Half.DUE_DATE, document.dueDate())
                .number(Half.GROSS, document.totals().gross().getAmount());
        int position = 0;
        for (DocumentLine line : document.lines()) {
            half.line(++position, line.item(), line.tax().key(), line.amount().getAmount());
        }
        return half.build();
    }
}
