package alcabala.server.files;

import alcabala.accounting.batch.AnswerLine;
import alcabala.accounting.batch.Answered.Odd;

/// What is said of lines of a ledger's file that settle nothing.
final class AnswerSentences {
    private AnswerSentences() {}

    static String of(Odd odd, String ledger) {
        AnswerLine line = odd.line();
        return switch (odd.kind()) {
            case UNKNOWN -> "“%s” was in no file of this batch.".formatted(line.reference());
            case OTHER_DELIVERY ->
                "“%s” is of %s, another batch or revision; take the file in there."
                        .formatted(line.reference(), odd.other());
            case CONTRADICTS ->
                "It says of “%s” that it was %s, and %s says otherwise. Look in %s which is right, and settle it by hand."
                        .formatted(
                                line.reference(),
                                line.accepted() ? "accepted as " + line.number() : "refused",
                                odd.other().matches("\\d+") ? "line " + odd.other() : "entry " + odd.other(),
                                ledger);
            case TWICE ->
                "“%s” stands in %s twice, as %s and as %s: the file was imported twice. Strike one of them out there."
                        .formatted(line.reference(), ledger, odd.other(), line.number());
            case WENT_AGAIN ->
                "“%s” was taken for not accepted and went again with a later batch, and %s has it as %s. Strike that out there, or withdraw the later one."
                        .formatted(line.reference(), ledger, line.number());
            case NUMBER_TAKEN ->
                "It names %s for “%s”, and that is the number of “%s” there. Look in %s which is right."
                        .formatted(line.number(), line.reference(), odd.other(), ledger);
            case HALF ->
                "“%s” was accepted as %s, and what belongs with it was not: the former one taken back and the new one go together. Import the row that is missing, or strike %s out in %s; it stays open until then."
                        .formatted(line.reference(), odd.other(), odd.other(), ledger);
            case AMOUNT ->
                "“%s” stands there with %s %s, which is no amount to hold against %s."
                        .formatted(line.reference(), line.currency(), line.gross(), odd.other());
            case STRUCK -> "“%s” was struck out in %s as %s.".formatted(line.reference(), ledger, line.number());
        };
    }
}
