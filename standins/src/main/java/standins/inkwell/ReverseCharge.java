package standins.inkwell;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import standins.inkwell.Books.TaxCode;

/// Tax on a purchase that its supplier did not charge, code by code.
///
/// @param tax what is owed
/// @param reclaimed what of it is reclaimed
/// @param costs what each line of the document costs more because the rest is not
record ReverseCharge(TaxCode code, BigDecimal tax, BigDecimal reclaimed, List<BigDecimal> costs) {
    private static final BigDecimal HUNDRED = new BigDecimal("100");

    static List<ReverseCharge> of(
            List<Books.DraftLine> lines, List<BigDecimal> nets, Map<String, TaxCode> codes, boolean perLine) {
        Map<String, BigDecimal> sums = new LinkedHashMap<>();
        for (int i = 0; i < lines.size(); i++) {
            TaxCode code = codes.get(lines.get(i).taxCode());
            if (code != null && code.bothSides()) {
                BigDecimal exact = nets.get(i).multiply(code.rate()).divide(HUNDRED);
                sums.merge(code.code(), perLine ? cents(exact) : exact, BigDecimal::add);
            }
        }
        List<ReverseCharge> charges = new ArrayList<>();
        sums.forEach((code, sum) -> charges.add(of(codes.get(code), cents(sum), lines, nets)));
        return charges;
    }

    private static ReverseCharge of(TaxCode code, BigDecimal tax, List<Books.DraftLine> lines, List<BigDecimal> nets) {
        BigDecimal reclaimed = cents(tax.multiply(code.deductible()).divide(HUNDRED));
        List<BigDecimal> shares = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            shares.add(code.code().equals(lines.get(i).taxCode()) ? nets.get(i) : BigDecimal.ZERO);
        }
        return new ReverseCharge(code, tax, reclaimed, Sharing.of(tax.subtract(reclaimed), shares));
    }

    private static BigDecimal cents(BigDecimal amount) {
        return amount.setScale(2, RoundingMode.HALF_UP);
    }
}
