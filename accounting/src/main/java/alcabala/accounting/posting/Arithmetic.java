package alcabala.accounting.posting;

import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.StatedTotals;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.ArithmeticDiffers.Figure;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.function.Consumer;
import org.joda.money.Money;

/// Whether a document's own figures give its totals (EN 16931 BR-CO-10 to BR-CO-16).
final class Arithmetic {
    private final Document document;
    private final Consumer<Finding> findings;

    Arithmetic(Document document, Consumer<Finding> findings) {
        this.document = document;
        this.findings = findings;
    }

    /// Each figure is checked against the stated figures it is made of, so that one slip is reported once.
    void check() {
        StatedTotals totals = document.totals();
        Money zero = Money.zero(document.currency());
        Money lines = zero;
        for (DocumentLine line : document.lines()) {
            checkLine(line);
            lines = lines.plus(line.amount());
        }
        compare(Figure.LINE_TOTAL, "", totals.lines(), lines);
        compare(Figure.ALLOWANCES, "", totals.allowances(), sum(false));
        compare(Figure.CHARGES, "", totals.charges(), sum(true));
        Money composed = totals.lines().minus(totals.allowances()).plus(totals.charges());
        boolean inclusive = document.priceMode() == PriceMode.TAX_INCLUSIVE;
        compare(Figure.NET, "", totals.net(), inclusive ? composed.minus(totals.tax()) : composed);
        compare(Figure.GROSS, "", totals.gross(), totals.net().plus(totals.tax()));
        compare(Figure.PAYABLE, "", totals.payable(), totals.owed().minus(totals.prepaid()));
        if (!document.taxes().isEmpty()) {
            Money taxes = zero;
            for (var subtotal : document.taxes()) {
                taxes = taxes.plus(subtotal.amount());
            }
            compare(Figure.TAX, "", totals.tax(), taxes);
        }
    }

    private Money sum(boolean charges) {
        Money sum = Money.zero(document.currency());
        for (AllowanceCharge each : document.allowancesAndCharges()) {
            sum = each.isCharge() == charges ? sum.plus(each.amount()) : sum;
        }
        return sum;
    }

    /// Quantity by price may be rounded or cut by the source: up to one minor unit is not a slip.
    private void checkLine(DocumentLine line) {
        BigDecimal product = line.quantity().multiply(line.price());
        if (line.baseQuantity().signum() != 0 && line.baseQuantity().compareTo(BigDecimal.ONE) != 0) {
            product = product.divide(line.baseQuantity(), MathContext.DECIMAL64);
        }
        Money computed =
                Money.of(document.currency(), product, RoundingMode.HALF_UP).plus(line.adjustment());
        if (Math.abs(computed.minus(line.amount()).getAmountMinorLong()) > 1) {
            findings.accept(new Finding.ArithmeticDiffers(Figure.LINE_AMOUNT, line.id(), line.amount(), computed));
        }
    }

    private void compare(Figure figure, String place, Money stated, Money computed) {
        if (!stated.equals(computed)) {
            findings.accept(new Finding.ArithmeticDiffers(figure, place, stated, computed));
        }
    }
}
