package alcabala.accounting.crosswalk;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import java.util.List;

/// What is asked for one line: its account for a purpose, or its value of one of the ledger's dimensions.
///
/// @param key what names the document for good, by which its lines are overridden; empty for one that has none yet
/// @param purposes those that answer it, the particular one first; empty when it asks for a dimension
/// @param dimension the ledger's code of the dimension; empty when it asks for an account
record Question(Document document, String key, DocumentLine line, List<Purpose> purposes, String dimension) {
    static Question account(Document document, String key, DocumentLine line) {
        return new Question(
                document, key, line, Purpose.of(line.kind(), document.kind().isSale()), "");
    }

    /// The account of what a line sold cost, or lies in stock on.
    static Question goods(Document document, String key, DocumentLine line, Purpose purpose) {
        return new Question(document, key, line, List.of(purpose), "");
    }

    static Question dimension(Document document, String key, DocumentLine line, String dimension) {
        return new Question(document, key, line, List.of(), dimension);
    }

    /// What a row says to it, or empty.
    String answer(CrosswalkRow row) {
        if (!dimension.isEmpty()) {
            return row.dimension(dimension);
        }
        // What one line's account is says nothing of what its goods cost.
        boolean goods = purposes.contains(Purpose.COST) || purposes.contains(Purpose.STOCK);
        String account = goods && row.kind() != RowKind.ROLE ? "" : row.target(Purpose.ACCOUNT);
        for (int i = 0; i < purposes.size() && account.isEmpty(); i++) {
            account = row.target(purposes.get(i));
        }
        return account;
    }
}
