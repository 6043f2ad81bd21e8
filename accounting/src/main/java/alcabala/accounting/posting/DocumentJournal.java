package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.tax.TaxBreakdown;
import java.util.List;
import org.joda.money.Money;

/// The journal that a document will cause, by the ledger's own rules.
final class DocumentJournal {
    private final Document document;
    private final LedgerProfile ledger;
    private final RoleAccounts roles;
    private final Side side;

    DocumentJournal(Document document, LedgerProfile ledger, RoleAccounts roles) {
        this.document = document;
        this.ledger = ledger;
        this.roles = roles;
        side = Side.of(document.kind());
    }

    /// Reports roles that are needed for tax whose code has no account of its own.
    void checkTaxAccounts(TaxComparison tax) {
        boolean charged = false;
        for (TaxBreakdown group : tax.ledger().groups()) {
            charged |= !group.tax().isZero() && own(side, group.code()).isEmpty();
        }
        boolean owed = false;
        boolean reclaimed = false;
        for (SelfAssessed each : tax.selfAssessed()) {
            owed |= own(Side.SALE, each.code()).isEmpty();
            reclaimed |= own(Side.PURCHASE, each.code()).isEmpty();
        }
        if (charged || reclaimed) {
            roles.of(side.tax());
        }
        if (owed) {
            roles.of(Side.SALE.tax());
        }
    }

    /// @throws IllegalStateException if it did not balance, which no document that compiled clean can make happen
    Journal of(List<LedgerLine> lines, TaxComparison tax, String control, String rounding) {
        Journal.Builder journal = new Journal.Builder(document.currency(), side.isMirrored(document.kind()));
        journal.debit(PostingKey.of(control), document.totals().owed());
        List<Money> nets = tax.ledger().lineNets();
        for (int i = 0; i < lines.size(); i++) {
            journal.credit(PostingKey.of(lines.get(i)), nets.get(i));
        }
        for (TaxBreakdown group : tax.ledger().groups()) {
            if (!group.tax().isZero()) {
                journal.credit(key(side, group.code()), group.tax());
            }
        }
        BothSides bothSides = new BothSides(ledger, lines, nets);
        tax.selfAssessed().forEach(each -> book(each, bothSides.costs(each), lines, journal));
        journal.credit(
                PostingKey.of(rounding), tax.rounding().plus(document.totals().rounding()));
        Journal built = journal.build();
        if (!built.isBalanced()) {
            throw new IllegalStateException("the journal of " + document.number() + " is out of balance: debit "
                    + built.debit() + ", credit " + built.credit());
        }
        return built;
    }

    /// Owed on the one side, reclaimed and cost on the other.
    private void book(SelfAssessed tax, List<Money> costs, List<LedgerLine> lines, Journal.Builder journal) {
        journal.debit(key(Side.SALE, tax.code()), tax.tax());
        journal.credit(key(Side.PURCHASE, tax.code()), tax.deductible());
        for (int i = 0; i < lines.size(); i++) {
            journal.credit(PostingKey.of(lines.get(i)), costs.get(i));
        }
    }

    /// Where the ledger posts the tax of a code: its own account, else that of the role output or input tax.
    private PostingKey key(Side of, String code) {
        String own = own(of, code);
        return PostingKey.of(own.isEmpty() ? roles.find(of.tax()) : own, code);
    }

    /// Empty also for tax that the ledger decides itself, under whatever code.
    private String own(Side of, String code) {
        return ledger.findTaxCode(code).map(of::accountOf).orElse("");
    }
}
