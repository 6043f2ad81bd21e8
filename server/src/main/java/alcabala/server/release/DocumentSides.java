package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.server.platform.Amounts;
import alcabala.server.record.Records;
import alcabala.server.release.BothSidesView.SideField;
import alcabala.server.release.BothSidesView.SideLine;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/// A document as its source has it beside the ledger's side of it, field by field and line by line.
///
/// @param there null when it neither stands there nor would be sent
/// @param expected what the ledger's side is measured by; null when the two sides agree
/// @param posted whether it stands there
/// @param added fields of the business's own
record DocumentSides(
        Document document,
        Records.Row row,
        LedgerSide there,
        LedgerSide expected,
        boolean posted,
        List<AddedSides.Pair> added) {
    List<SideField> fields() {
        List<SideField> fields = new ArrayList<>();
        fields.add(field("Number", document.number(), LedgerSide::number));
        fields.add(unmeasured("Identifier", row.sourceRef(), LedgerSide::id));
        fields.add(unmeasured("Party", document.counterparty().name(), LedgerSide::party));
        fields.add(field("Issue date", document.issueDate().toString(), LedgerSide::date));
        fields.add(
                field("Due date", document.findDueDate().map(Object::toString).orElse(""), LedgerSide::due));
        if (!document.terms().isEmpty()) {
            fields.add(field("Terms", document.terms(), LedgerSide::terms));
        }
        fields.add(
                field("Prices", mode(document.priceMode() == PriceMode.TAX_INCLUSIVE), each -> mode(each.inclusive())));
        fields.add(field("Net", Amounts.decimal(document.totals().net()), LedgerSide::net));
        fields.add(field("Tax", Amounts.decimal(document.totals().tax()), LedgerSide::tax));
        fields.add(field("Gross", Amounts.decimal(document.totals().gross()), LedgerSide::gross));
        if (posted) {
            fields.add(new SideField("Paid", "", Amounts.decimal(row.currency(), row.paid()), false));
        }
        added.forEach(each ->
                fields.add(field(each.name(), each.said(), side -> side.fields().getOrDefault(each.there(), ""))));
        return fields;
    }

    /// A number that the ledger gives is not known beforehand, and so is nothing to be measured by.
    private SideField field(String name, String source, Function<LedgerSide, String> figure) {
        String ledger = there == null ? "" : figure.apply(there);
        String wanted = expected == null ? "" : figure.apply(expected);
        return new SideField(name, source, ledger, !ledger.isEmpty() && !wanted.isEmpty() && !ledger.equals(wanted));
    }

    private SideField unmeasured(String name, String source, Function<LedgerSide, String> figure) {
        return new SideField(name, source, there == null ? "" : figure.apply(there), false);
    }

    List<SideLine> lines() {
        List<LedgerSide.Line> rights = there == null ? List.of() : there.lines();
        List<LedgerSide.Line> wanted = expected == null ? List.of() : expected.lines();
        List<SideLine> lines = new ArrayList<>();
        for (int i = 0; i < Math.max(document.lines().size(), rights.size()); i++) {
            DocumentLine left = i < document.lines().size() ? document.lines().get(i) : null;
            LedgerSide.Line right = i < rights.size() ? rights.get(i) : null;
            boolean differs = right != null && i < wanted.size() && !right.isBookedAs(wanted.get(i));
            lines.add(line(left, right, differs));
        }
        return lines;
    }

    private static SideLine line(DocumentLine left, LedgerSide.Line right, boolean differs) {
        return new SideLine(
                left == null ? "" : left.description(),
                left == null ? "" : left.item(),
                left == null ? "" : left.quantity().stripTrailingZeros().toPlainString(),
                left == null ? "" : Amounts.decimal(left.amount()),
                left == null ? "" : left.tax().key(),
                right == null ? "" : right.text(),
                right == null ? "" : right.item(),
                right == null ? "" : right.amount().toPlainString(),
                right == null ? "" : right.account(),
                right == null ? "" : right.taxCode(),
                differs);
    }

    private static String mode(boolean inclusive) {
        return inclusive ? "tax-inclusive" : "net";
    }
}
