package alcabala.server.send;

import alcabala.formats.ownlist.OwnList;
import alcabala.formats.ownlist.OwnList.Problem;

/// Why a list is not understood, with its place.
final class OwnListSentences {
    private OwnListSentences() {}

    static String of(Problem problem, OwnList list) {
        String where = problem.row() == 0
                ? ""
                : problem.column() < 0
                        ? "Row %d: ".formatted(problem.row())
                        : "Row %d, column %s: ".formatted(problem.row(), column(list, problem.column()));
        return where
                + switch (problem.kind()) {
                    case NO_NUMBERS -> "No column has numbers of documents; say which one.";
                    case NO_AMOUNTS -> "No column has amounts; say which one.";
                    case NUMBER_MISSING ->
                        "%s stands here without a number, and those before it do not add up to it."
                                .formatted(problem.found());
                    case AMOUNT_MISSING -> "%s stands here without an amount.".formatted(problem.found());
                    case NOT_AN_AMOUNT -> "“%s” is no amount.".formatted(problem.found());
                    case AMBIGUOUS ->
                        "“%s” can be read in two ways; say whether a point or a comma stands before the decimals."
                                .formatted(problem.found());
                    case TOO_FINE -> "%s has more decimals than the currency.".formatted(problem.found());
                    case OTHER_CURRENCY -> "“%s” is in another currency than the batch.".formatted(problem.found());
                    case TOTAL_DIFFERS ->
                        "The total says %s, and those before it add up to something else.".formatted(problem.found());
                };
    }

    /// `B, Gross`, or `B` where nothing stands above it.
    static String column(OwnList list, int place) {
        String head = list.columns().get(place);
        return letters(place) + (head.isEmpty() ? "" : ", " + head);
    }

    private static String letters(int place) {
        String last = String.valueOf((char) ('A' + place % 26));
        return place < 26 ? last : letters(place / 26 - 1) + last;
    }
}
