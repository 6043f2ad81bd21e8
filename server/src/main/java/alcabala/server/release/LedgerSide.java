package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.Amounts;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;

/// The ledger's side of a document in one shape, whether it stands there or would be sent. What is not known is empty.
///
/// @param fields values by the ledger's own fields
record LedgerSide(
        String id,
        String number,
        String party,
        String date,
        String due,
        String net,
        String tax,
        String gross,
        boolean inclusive,
        String terms,
        Map<String, String> fields,
        List<Line> lines) {
    /// @param taxed what the ledger was told of its tax, which is another thing than the code where it decides itself
    record Line(String text, String item, BigDecimal amount, String account, String taxCode, String taxed) {
        boolean isBookedAs(Line other) {
            return amount.compareTo(other.amount) == 0 && account.equals(other.account) && taxed.equals(other.taxed);
        }

        private static Line of(LedgerLine line) {
            String item = line.counterpart().isEmpty() ? line.item() : line.counterpart();
            String taxed = line.taxCode().equals(LedgerTaxCode.NOT_TAXABLE) ? "" : line.taxCode();
            return new Line(line.description(), item, line.amount().getAmount(), line.account(), line.taxCode(), taxed);
        }

        private static Line of(LedgerRecord.Line line) {
            String code = orEmpty(line.taxCode());
            String decided = Boolean.TRUE.equals(line.taxable()) ? LedgerTaxCode.TAXABLE : "";
            return new Line(
                    line.text(),
                    orEmpty(line.item()),
                    line.amount(),
                    line.account(),
                    code,
                    line.taxable() == null ? code : decided);
        }
    }

    /// @param party as it is called there
    static LedgerSide standing(LedgerRecord record, String party) {
        return new LedgerSide(
                record.id(),
                record.number(),
                party,
                String.valueOf(record.date()),
                orEmpty(record.due()),
                record.net().toPlainString(),
                record.tax().toPlainString(),
                record.gross().toPlainString(),
                record.pricesIncludeTax(),
                orEmpty(record.terms()),
                record.fields() == null ? Map.of() : record.fields(),
                record.lines().stream().map(Line::of).toList());
    }

    /// @param party as it is called there
    static LedgerSide wouldBe(LedgerDocument sent, String party) {
        return new LedgerSide(
                "",
                sent.number(),
                party,
                sent.issueDate().toString(),
                orEmpty(sent.dueDate()),
                Amounts.decimal(sent.net()),
                Amounts.decimal(sent.tax()),
                Amounts.decimal(sent.gross()),
                sent.priceMode() == PriceMode.TAX_INCLUSIVE,
                sent.terms(),
                sent.fields(),
                sent.lines().stream().map(Line::of).toList());
    }

    /// For a document that would not cross now.
    static LedgerSide asOnSource(Document document) {
        return new LedgerSide(
                "",
                document.number(),
                "",
                document.issueDate().toString(),
                document.findDueDate().map(Object::toString).orElse(""),
                Amounts.decimal(document.totals().net()),
                Amounts.decimal(document.totals().tax()),
                Amounts.decimal(document.totals().gross()),
                document.priceMode() == PriceMode.TAX_INCLUSIVE,
                "",
                Map.of(),
                List.of());
    }

    /// Before it stands there nobody knows what its ledger will charge.
    LedgerSide undecided() {
        return new LedgerSide(id, number, party, date, due, net, "decided there", "", inclusive, terms, fields, lines);
    }

    private static String orEmpty(Object said) {
        return said == null ? "" : said.toString();
    }
}
