package standins.inkwell;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/// Inkwell's own tax, half away from zero: per document and code, or line by line, as the company has it set. With
/// tax-inclusive prices the tax of a code is spread over its lines in proportion to their amounts, by largest
/// remainder, and each line's net is what is left.
final class TaxOfInkwell {
    private static final BigDecimal HUNDRED = new BigDecimal("100");

    /// @param nets one for each line
    record Result(List<BigDecimal> nets, Map<String, BigDecimal> taxes, BigDecimal net, BigDecimal tax) {}

    private TaxOfInkwell() {}

    /// @param perLine whether the company has tax rounded on each line instead of on each document
    static Result compute(
            List<Books.DraftLine> lines, boolean inclusive, Map<String, BigDecimal> rates, boolean perLine) {
        return perLine ? byLine(lines, inclusive, rates) : byDocument(lines, inclusive, rates);
    }

    private static Result byLine(List<Books.DraftLine> lines, boolean inclusive, Map<String, BigDecimal> rates) {
        List<BigDecimal> nets = new ArrayList<>();
        Map<String, BigDecimal> taxes = new LinkedHashMap<>();
        for (Books.DraftLine line : lines) {
            BigDecimal tax = line.taxCode() == null
                    ? BigDecimal.ZERO
                    : taxOf(line.amount(), rates.get(line.taxCode()), inclusive);
            nets.add(inclusive ? line.amount().subtract(tax) : line.amount());
            if (line.taxCode() != null) {
                taxes.merge(line.taxCode(), tax, BigDecimal::add);
            }
        }
        return result(nets, taxes);
    }

    private static BigDecimal taxOf(BigDecimal amount, BigDecimal rate, boolean inclusive) {
        BigDecimal divisor = inclusive ? HUNDRED.add(rate) : HUNDRED;
        return amount.multiply(rate).divide(divisor, 2, RoundingMode.HALF_UP);
    }

    private static Result result(List<BigDecimal> nets, Map<String, BigDecimal> taxes) {
        BigDecimal net = nets.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal tax = taxes.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        return new Result(nets, taxes, net.setScale(2), tax.setScale(2));
    }

    private static Result byDocument(List<Books.DraftLine> lines, boolean inclusive, Map<String, BigDecimal> rates) {
        Map<String, BigDecimal> sums = new LinkedHashMap<>();
        List<BigDecimal> nets = new ArrayList<>();
        for (Books.DraftLine line : lines) {
            nets.add(line.amount());
            if (line.taxCode() != null) {
                sums.merge(line.taxCode(), line.amount(), BigDecimal::add);
            }
        }
        Map<String, BigDecimal> taxes = new LinkedHashMap<>();
        sums.forEach((code, sum) -> taxes.put(code, taxOf(sum, rates.get(code), inclusive)));
        if (inclusive) {
            taxes.forEach((code, tax) -> takeOut(code, tax, lines, nets));
        }
        return result(nets, taxes);
    }

    private static void takeOut(String code, BigDecimal tax, List<Books.DraftLine> lines, List<BigDecimal> nets) {
        List<BigDecimal> own = lines.stream()
                .map(line -> code.equals(line.taxCode()) ? line.amount() : BigDecimal.ZERO)
                .toList();
        List<BigDecimal> shares = Sharing.of(tax, own);
        for (int i = 0; i < nets.size(); i++) {
            nets.set(i, nets.get(i).subtract(shares.get(i)));
        }
    }
}
