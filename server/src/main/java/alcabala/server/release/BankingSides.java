package alcabala.server.release;

import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.settlement.Banking;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.Amounts;
import alcabala.server.record.Records;
import alcabala.server.release.BothSidesView.SideField;
import alcabala.server.release.BothSidesView.SideLine;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/// A banking on both sides: what was taken to the bank, and the journal entry that stands on the ledger, or would.
record BankingSides(Banking banking, Records.Row row, Optional<LedgerRecord> there, Optional<LedgerEntry> wouldBe) {
    List<SideField> fields() {
        List<SideField> fields = new ArrayList<>();
        fields.add(field("Number", banking.number(), LedgerRecord::number, LedgerJournal::number));
        fields.add(new SideField(
                "Identifier", row.sourceRef(), there.map(LedgerRecord::id).orElse(""), false));
        fields.add(new SideField("Taken to", banking.bank(), "", false));
        fields.add(field(
                "Date",
                banking.date().toString(),
                each -> each.date().toString(),
                each -> each.date().toString()));
        fields.add(new SideField("Paying-in slip", banking.slip(), "", false));
        fields.add(field(
                "Amount",
                Amounts.decimal(banking.amount()),
                each -> each.gross().toPlainString(),
                each -> Amounts.decimal(each.gross())));
        if (!banking.difference().isZero()) {
            fields.add(new SideField("Cash differs by", Amounts.decimal(banking.difference()), "", false));
        }
        if (there.filter(LedgerRecord::isVoided).isPresent()) {
            fields.add(new SideField("Standing", "stands", "voided", true));
        }
        return fields;
    }

    private SideField field(
            String name, String here, Function<LedgerRecord, String> standing, Function<LedgerJournal, String> would) {
        String ledger = there.map(standing).or(() -> sent().map(would)).orElse("");
        boolean differs = row.state().equals("Diverged") && there.isPresent() && !ledger.equals(here);
        return new SideField(name, here, ledger, differs);
    }

    private Optional<LedgerJournal> sent() {
        return wouldBe.filter(LedgerJournal.class::isInstance).map(LedgerJournal.class::cast);
    }

    /// What was received on the left, what is booked on the right: nothing of the one is a line of the other.
    List<SideLine> lines() {
        List<Right> rights = rights();
        List<SideLine> lines = new ArrayList<>();
        for (int i = 0; i < Math.max(banking.receipts().size(), rights.size()); i++) {
            Banking.Receipt left =
                    i < banking.receipts().size() ? banking.receipts().get(i) : null;
            Right right = i < rights.size() ? rights.get(i) : null;
            lines.add(new SideLine(
                    left == null ? "" : left.kind().word().replace('-', ' ') + " " + left.number(),
                    "",
                    "",
                    left == null ? "" : Amounts.decimal(left.signed()),
                    "",
                    right == null ? "" : right.account(),
                    right == null ? "" : right.dimensions(),
                    right == null ? "" : right.amount(),
                    "",
                    "",
                    false));
        }
        return lines;
    }

    /// @param amount credits negative
    private record Right(String account, String dimensions, String amount) {
        static Right of(String account, Map<String, String> dimensions, BigDecimal amount) {
            return new Right(
                    account, dimensions == null ? "" : String.join(", ", dimensions.values()), amount.toPlainString());
        }
    }

    private List<Right> rights() {
        return there.map(record -> record.lines().stream()
                        .map(line -> Right.of(line.account(), line.dimensions(), line.amount()))
                        .toList())
                .or(() -> sent().map(journal -> journal.entries().stream()
                        .map(entry -> Right.of(
                                entry.account(),
                                entry.dimensions(),
                                entry.amount().getAmount()))
                        .toList()))
                .orElse(List.of());
    }
}
