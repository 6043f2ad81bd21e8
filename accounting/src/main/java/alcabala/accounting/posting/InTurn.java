package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Received;
import alcabala.accounting.settlement.Target;
import alcabala.accounting.settlement.Target.Credited;
import alcabala.accounting.settlement.Targets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.joda.money.Money;

/// Documents as they will be when what goes before has crossed. What goes together is compiled one after the other, so
/// that two payments of a batch do not both find the same invoice open, and the last of them takes the rest.
public final class InTurn {
    /// By the ledger's ids of the documents.
    private final Map<String, List<UnaryOperator<Target>>> changes = new HashMap<>();

    private InTurn() {}

    /// Nothing goes before what is compiled first.
    public static InTurn start() {
        return new InTurn();
    }

    /// What is known by now, and what those that went before make of it.
    public Targets after(Targets known) {
        return new Targets() {
            @Override
            public Optional<Target> find(RecordKind kind, String number, String party) {
                return known.find(kind, number, party).map(InTurn.this::changed);
            }

            @Override
            public Optional<Received> findReceived(Banking.Receipt receipt) {
                return known.findReceived(receipt);
            }
        };
    }

    private Target changed(Target target) {
        Target changed = target;
        for (UnaryOperator<Target> change : changes.getOrDefault(target.ledgerRef(), List.of())) {
            changed = change.apply(changed);
        }
        return changed;
    }

    /// This goes next.
    ///
    /// @param targets by which it was compiled
    public void goes(Record record, Compilation compiled, Targets targets) {
        compiled.entry().ifPresent(entry -> {
            switch (entry) {
                case LedgerSettlement settlement -> settles(settlement);
                case LedgerDocument document ->
                    credits((Document) record, document, compiled.journal().orElseThrow(), targets);
                case LedgerJournal booked -> {}
                case Cancellation taken -> {}
            }
        });
    }

    private void settles(LedgerSettlement settlement) {
        int sign = settlement.kind().isReturn() ? -1 : 1;
        for (LedgerSettlement.Part part : settlement.parts()) {
            Money settled = part.settled().multipliedBy(sign);
            Money relieved = part.relieved().multipliedBy(sign);
            Money released = released(part);
            add(part.document(), target -> target.after(settled, relieved, released, nothing(target)));
        }
    }

    /// What is kept back is known as soon as its source says so; what is released counts when it goes.
    private static Money released(LedgerSettlement.Part part) {
        String retention = Deductions.text(Deduction.Kind.RETENTION);
        return part.deductions().stream()
                .filter(each -> each.text().equals(retention) && each.amount().isNegative())
                .map(LedgerSettlement.Deducted::amount)
                .reduce(Money.zero(part.worth().getCurrencyUnit()), Money::minus);
    }

    private void credits(Document document, LedgerDocument entry, Journal journal, Targets targets) {
        if (!document.kind().isCredit() || entry.rate().isSame()) {
            return;
        }
        RecordKind kind = document.kind().isSale() ? RecordKind.INVOICE : RecordKind.BILL;
        Money base = journal.lines().stream()
                .filter(line -> line.account().equals(entry.controlAccount()))
                .map(JournalLine::base)
                .reduce(Money.zero(entry.rate().to()), Money::plus)
                .abs();
        Credited credited = new Credited(document.totals().owed(), base);
        targets.find(kind, document.precedingNumber(), document.counterparty().code())
                .ifPresent(credit -> add(credit.ledgerRef(), target -> credit(target, credited)));
    }

    private static Target credit(Target target, Credited credited) {
        Money nothing = Money.zero(target.gross().getCurrencyUnit());
        return target.after(nothing, Money.zero(target.baseOpen().getCurrencyUnit()), nothing, credited);
    }

    private static Credited nothing(Target target) {
        return Credited.nothing(
                target.gross().getCurrencyUnit(), target.credited().base().getCurrencyUnit());
    }

    private void add(String document, UnaryOperator<Target> change) {
        changes.computeIfAbsent(document, id -> new ArrayList<>()).add(change);
    }
}
