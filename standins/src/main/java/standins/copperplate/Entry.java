package standins.copperplate;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.List;

/// What an import makes of the rows of one reference, added up by Copperplate's own rules: tax once for the document,
/// in
/// hundredths, halves away from zero.
///
/// @param prices `net`, or `gross` where the amounts hold the tax
record Entry(
        FileLayout layout,
        String kind,
        String document,
        LocalDate date,
        LocalDate due,
        String party,
        String partyName,
        String currency,
        BigDecimal rate,
        String prices,
        String taxCode,
        String corrects,
        String delivery,
        String reference,
        List<Row> rows) {
    private static final BigDecimal HUNDRED = new BigDecimal("100");

    /// @param amount of a journal: positive is debit
    record Row(
            String account,
            String party,
            String description,
            BigDecimal quantity,
            BigDecimal amount,
            boolean taxed,
            String settles) {}

    record Sums(BigDecimal net, BigDecimal tax, BigDecimal gross) {}

    boolean isJournal() {
        return layout == FileLayout.JOURNALS;
    }

    Sums sums(BigDecimal percent) {
        return sums(prices, percent, rows, isJournal());
    }

    static Sums sums(String prices, BigDecimal percent, List<Row> rows, boolean journal) {
        BigDecimal all = sum(rows, false);
        if (journal) {
            BigDecimal debits = rows.stream()
                    .map(Row::amount)
                    .filter(amount -> amount.signum() > 0)
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            return new Sums(debits, BigDecimal.ZERO, debits);
        }
        BigDecimal taxed = sum(rows, true);
        if (prices.equals("gross")) {
            BigDecimal tax = taxed.multiply(percent).divide(HUNDRED.add(percent), 2, RoundingMode.HALF_UP);
            return new Sums(all.subtract(tax), tax, all);
        }
        BigDecimal tax = taxed.multiply(percent).divide(HUNDRED, 2, RoundingMode.HALF_UP);
        return new Sums(all, tax, all.add(tax));
    }

    private static BigDecimal sum(List<Row> rows, boolean onlyTaxed) {
        return rows.stream()
                .filter(row -> row.taxed() || !onlyTaxed)
                .map(Row::amount)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }
}
