package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.tax.TaxBreakdown;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import org.joda.money.Money;

/// Where what was settled without money is booked (records, section 3: deductions).
record Deductions(
        RecordKind kind,
        Crosswalk crosswalk,
        RouteSettings settings,
        LedgerProfile ledger,
        RoleAccounts roles,
        Consumer<Finding> findings) {
    List<LedgerSettlement.Deducted> of(Settled settled) {
        List<LedgerSettlement.Deducted> all = new ArrayList<>();
        for (Deduction deduction : settled.allocation().deductions()) {
            checkLimit(settled, deduction);
            all.addAll(of(settled, deduction));
        }
        return all;
    }

    /// What is said of a deduction where it is booked.
    static String text(Deduction.Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private void checkLimit(Settled settled, Deduction deduction) {
        long limit = settings.paymentDifference();
        if (deduction.kind() == Deduction.Kind.DIFFERENCE
                && Math.abs(deduction.amount().getAmountMinorLong()) > limit) {
            Money most = Money.ofMinor(deduction.amount().getCurrencyUnit(), limit);
            findings.accept(new Finding.DifferenceTooLarge(settled.allocation().names(), deduction.amount(), most));
        }
    }

    private List<LedgerSettlement.Deducted> of(Settled settled, Deduction deduction) {
        List<LedgerSettlement.Deducted> parts = new ArrayList<>();
        String text = text(deduction.kind());
        List<LedgerSettlement.Deducted> taxes = reducesTax(deduction) ? taxes(settled, deduction, text) : List.of();
        Money net = taxes.stream().map(LedgerSettlement.Deducted::amount).reduce(deduction.amount(), Money::minus);
        parts.add(LedgerSettlement.Deducted.of(roles.of(deduction.kind().role(kind.isSale())), text, "", net));
        parts.addAll(taxes);
        return parts;
    }

    private boolean reducesTax(Deduction deduction) {
        return deduction.kind() == Deduction.Kind.DISCOUNT && settings.is(Topic.DISCOUNT_TAX, "reduced");
    }

    /// The document's tax in proportion to what is deducted of its gross, halves up; the discount takes the rest.
    private List<LedgerSettlement.Deducted> taxes(Settled settled, Deduction deduction, String text) {
        List<LedgerSettlement.Deducted> taxes = new ArrayList<>();
        for (TaxBreakdown each : settled.target().taxes()) {
            Money part = share(deduction.amount(), each.tax(), settled.target().gross());
            if (!part.isZero()) {
                code(each)
                        .ifPresent(code -> taxes.add(LedgerSettlement.Deducted.of(
                                roles.ofTax(Side.of(kind), code), "tax of the " + text, code, part)));
            }
        }
        return taxes;
    }

    private static Money share(Money deducted, Money tax, Money gross) {
        if (gross.isZero()) {
            return Money.zero(deducted.getCurrencyUnit());
        }
        BigDecimal whole = deducted.getAmount().multiply(tax.getAmount());
        return Money.of(
                deducted.getCurrencyUnit(), whole.divide(gross.getAmount(), deducted.getScale(), RoundingMode.HALF_UP));
    }

    private Optional<String> code(TaxBreakdown taxed) {
        String code = crosswalk.counterpart(RowKind.TAX, taxed.code());
        Optional<LedgerTaxCode> known = ledger.findTaxCode(code);
        if (known.isEmpty()) {
            findings.accept(new Finding.TaxUnmapped(taxed.code(), taxed.rate()));
        }
        return known.map(LedgerTaxCode::code);
    }
}
