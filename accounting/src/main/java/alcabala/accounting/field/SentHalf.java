package alcabala.accounting.field;

import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.LedgerSettlement;
import java.util.Optional;

/// What the ledger's half of a baseline would hold, once it has taken a record as it would be sent now: by it a value
/// of the source and one of the ledger are the same or not.
public final class SentHalf {
    private SentHalf() {}

    /// Empty for what takes something back, and for money that is only moved.
    public static Optional<Half> find(LedgerEntry entry) {
        return switch (entry) {
            case LedgerDocument document -> Optional.of(of(document));
            case LedgerSettlement settlement -> Optional.of(of(settlement));
            default -> Optional.empty();
        };
    }

    public static Half of(LedgerDocument document) {
        Half.Builder half = Half.builder()
                .text(Half.NUMBER, document.number())
                .text(Half.PARTY, document.partyCounterpart())
                .day(Half.ISSUE_DATE, document.issueDate())
                .day(Half.DUE_DATE, document.dueDate())
                .number(Half.GROSS, document.gross().getAmount())
                .text(Half.NOTE, document.note())
                .text(Half.TERMS, document.terms());
        document.fields().forEach((code, value) -> half.text(Half.own(code), value));
        int position = 0;
        for (LedgerLine line : document.lines()) {
            half.line(
                    ++position,
                    line.account(),
                    line.taxCode(),
                    line.amount().getAmount(),
                    line.dimensions(),
                    line.description());
        }
        return half.build();
    }

    public static Half of(LedgerSettlement settlement) {
        Half.Builder half = Half.builder()
                .text(Half.NUMBER, settlement.number())
                .text(Half.PARTY, settlement.partyCounterpart())
                .day(Half.ISSUE_DATE, settlement.date())
                .number(Half.GROSS, settlement.gross().getAmount())
                .text(Half.MEANS, settlement.means())
                .text(Half.REFERENCE, settlement.reference());
        int position = 0;
        for (LedgerSettlement.Part part : settlement.parts()) {
            half.line(
                    ++position,
                    part.kind().word() + " " + part.number(),
                    "",
                    part.settled().getAmount());
        }
        return half.build();
    }
}
