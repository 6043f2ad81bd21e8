package alcabala.server.release;

import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentences;
import alcabala.server.record.Records;
import alcabala.server.release.BothSidesView.SideField;
import alcabala.server.release.BothSidesView.SideLine;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.joda.money.Money;

/// A settlement on both sides: as its source has it, and as it stands on the ledger, or would.
record SettlementSides(
        Settlement settlement,
        Records.Row row,
        boolean voided,
        Optional<LedgerRecord> there,
        Optional<LedgerEntry> wouldBe) {
    /// @param partyName the ledger's name of a party
    List<SideField> fields(Function<String, String> partyName) {
        Optional<LedgerSettlement> sent = sent();
        List<SideField> fields = new ArrayList<>();
        fields.add(field("Number", row.number(), LedgerRecord::number, LedgerSettlement::number));
        fields.add(new SideField(
                "Identifier", row.sourceRef(), there.map(LedgerRecord::id).orElse(""), false));
        String party = there.map(LedgerRecord::party)
                .or(() -> sent.map(LedgerSettlement::partyCounterpart))
                .map(partyName)
                .orElse("");
        fields.add(new SideField("Party", settlement.party().name(), party, false));
        fields.add(field(
                "Date",
                settlement.date().toString(),
                each -> each.date().toString(),
                each -> each.date().toString()));
        fields.add(field(
                "Means",
                Sentences.means(settlement.means()),
                each -> Sentences.means(each.settlement().means()),
                each -> Sentences.means(each.means())));
        fields.add(field(
                "Reference",
                settlement.reference(),
                each -> each.settlement().reference(),
                LedgerSettlement::reference));
        fields.add(field(
                "Amount",
                Amounts.decimal(settlement.amount()),
                each -> each.gross().toPlainString(),
                each -> Amounts.decimal(each.gross())));
        fields.add(field(
                "Open credit",
                Amounts.decimal(settlement.open()),
                each -> each.gross().subtract(each.paid()).toPlainString(),
                each -> Amounts.decimal(open(each))));
        boolean voidedThere = there.filter(LedgerRecord::isVoided).isPresent();
        if (there.isPresent() && (voided || voidedThere)) {
            fields.add(new SideField("Standing", standing(voided), standing(voidedThere), voided != voidedThere));
        }
        return fields;
    }

    private static String standing(boolean voided) {
        return voided ? "voided" : "stands";
    }

    private static Money open(LedgerSettlement sent) {
        return sent.parts().stream().map(LedgerSettlement.Part::money).reduce(sent.gross(), Money::minus);
    }

    private Optional<LedgerSettlement> sent() {
        return wouldBe.filter(LedgerSettlement.class::isInstance).map(LedgerSettlement.class::cast);
    }

    private SideField field(
            String name,
            String source,
            Function<LedgerRecord, String> standing,
            Function<LedgerSettlement, String> would) {
        String ledger = there.map(standing).or(() -> sent().map(would)).orElse("");
        boolean differs = row.state().equals("Diverged") && there.isPresent() && !ledger.equals(source);
        return new SideField(name, source, ledger, differs && !name.equals("Number"));
    }

    /// What it settles, side by side.
    List<SideLine> lines() {
        List<Right> rights = rights();
        List<SideLine> lines = new ArrayList<>();
        for (int i = 0; i < Math.max(settlement.allocations().size(), rights.size()); i++) {
            Allocation left = i < settlement.allocations().size()
                    ? settlement.allocations().get(i)
                    : null;
            Right right = i < rights.size() ? rights.get(i) : null;
            lines.add(new SideLine(
                    left == null ? "" : named(left.names(), left.money(), left.worth()),
                    left == null ? "" : deducted(left),
                    "",
                    left == null ? "" : Amounts.decimal(left.money()),
                    "",
                    right == null ? "" : right.number(),
                    right == null ? "" : right.deducted(),
                    right == null ? "" : right.money(),
                    "",
                    "",
                    false));
        }
        return lines;
    }

    private record Right(String number, String money, String deducted) {}

    private List<Right> rights() {
        if (there.isPresent()) {
            return there.get().lines().stream()
                    .map(line -> new Right(named(line), line.unitPrice().toPlainString(), less(line.adjustment())))
                    .toList();
        }
        return sent().map(each -> each.parts().stream()
                        .map(part -> new Right(
                                named(part.number(), part.money(), part.worth()),
                                Amounts.decimal(part.money()),
                                deducted(part)))
                        .toList())
                .orElse(List.of());
    }

    private static String less(BigDecimal deducted) {
        return deducted.signum() == 0 ? "" : "less " + deducted.toPlainString();
    }

    private static String deducted(LedgerSettlement.Part part) {
        return part.deductions().stream()
                .map(each -> "less " + Amounts.decimal(each.amount()) + " " + each.text())
                .collect(Collectors.joining(", "));
    }

    private static String deducted(Allocation allocation) {
        return allocation.deductions().stream()
                .map(each -> "less " + Amounts.decimal(each.amount()) + " "
                        + each.kind().name().toLowerCase(Locale.ROOT).replace('_', ' '))
                .collect(Collectors.joining(", "));
    }

    /// `HW-20417, US$12.00 of it`, where it is in another currency than the money.
    private static String named(String document, Money money, Money worth) {
        return money.equals(worth) ? document : document + ", " + Amounts.shown(worth) + " of it";
    }

    private static String named(LedgerRecord.Line line) {
        BigDecimal worth = line.amount().subtract(line.adjustment());
        return worth.compareTo(line.unitPrice()) == 0
                ? line.text()
                : line.text() + ", " + worth.toPlainString() + " of it";
    }
}
