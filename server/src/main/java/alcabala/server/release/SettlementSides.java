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
import java.util.stream.Stream;
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
                    left == null ? "" : left.names(),
                    left == null ? "" : beside(left),
                    "",
                    left == null ? "" : Amounts.decimal(left.money()),
                    "",
                    right == null ? "" : right.number(),
                    right == null ? "" : right.beside(),
                    right == null ? "" : right.money(),
                    "",
                    "",
                    false));
        }
        return lines;
    }

    private record Right(String number, String money, String beside) {}

    private List<Right> rights() {
        if (there.isPresent()) {
            return there.get().lines().stream()
                    .map(line -> new Right(line.text(), line.unitPrice().toPlainString(), beside(line)))
                    .toList();
        }
        return sent().map(each -> each.parts().stream()
                        .map(part -> new Right(part.number(), Amounts.decimal(part.money()), beside(part)))
                        .toList())
                .orElse(List.of());
    }

    private static String beside(LedgerRecord.Line line) {
        BigDecimal worth = line.amount().subtract(line.adjustment());
        return beside(
                worth.compareTo(line.unitPrice()) == 0 ? Stream.of() : Stream.of("for " + worth.toPlainString()),
                line.adjustment().signum() == 0
                        ? Stream.of()
                        : Stream.of("less " + line.adjustment().toPlainString()));
    }

    private static String beside(LedgerSettlement.Part part) {
        return beside(
                worth(part.money(), part.worth()),
                part.deductions().stream().map(each -> "less " + Amounts.decimal(each.amount()) + " " + each.text()));
    }

    private static String beside(Allocation allocation) {
        return beside(
                worth(allocation.money(), allocation.worth()),
                allocation.deductions().stream()
                        .map(each -> "less " + Amounts.decimal(each.amount()) + " "
                                + each.kind().name().toLowerCase(Locale.ROOT).replace('_', ' ')));
    }

    /// What the money settles, where the document is in another currency.
    private static Stream<String> worth(Money money, Money worth) {
        return money.equals(worth) ? Stream.of() : Stream.of("for " + Amounts.shown(worth));
    }

    private static String beside(Stream<String> worth, Stream<String> deducted) {
        return Stream.concat(worth, deducted).collect(Collectors.joining(", "));
    }
}
