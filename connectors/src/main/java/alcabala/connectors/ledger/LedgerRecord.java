package alcabala.connectors.ledger;

import alcabala.accounting.document.Limits;
import alcabala.accounting.field.Half;
import alcabala.connectors.Kept;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;

/// A document as it stands on the ledger.
public record LedgerRecord(
        String id,
        int version,
        String number,
        String kind,
        String party,
        LocalDate date,
        LocalDate due,
        boolean pricesIncludeTax,
        String externalReference,
        BigDecimal net,
        BigDecimal tax,
        BigDecimal gross,
        BigDecimal paid,
        List<Line> lines,
        List<JournalEntry> journal) {
    /// This, when it says what a document cannot be without.
    ///
    /// @throws IllegalArgumentException when something of it is missing
    public LedgerRecord complete() {
        boolean named = isText(id) && isText(number) && isText(kind) && isText(party) && date != null;
        boolean counted = Stream.of(net, tax, gross, paid).allMatch(LedgerRecord::isSensible);
        boolean lined =
                lines != null && lines.stream().allMatch(line -> isText(line.account()) && isSensible(line.amount()));
        if (!named || !counted || !lined) {
            throw new IllegalArgumentException("a document without what it cannot be without");
        }
        return this;
    }

    /// Whether its sums are whole minor units of a currency.
    public boolean isIn(CurrencyUnit currency) {
        return Stream.of(net, tax, gross, paid)
                .allMatch(amount -> amount.stripTrailingZeros().scale() <= currency.getDecimalPlaces());
    }

    /// What of it both sides agree on; payments are no part of that.
    public Half half() {
        Half.Builder half = Half.builder()
                .text(Half.NUMBER, number)
                .text(Half.PARTY, party)
                .day(Half.ISSUE_DATE, date)
                .day(Half.DUE_DATE, due)
                .number(Half.GROSS, gross);
        int position = 0;
        for (Line line : lines) {
            half.line(++position, line.account(), line.taxCode(), line.amount());
        }
        return half.build();
    }

    private static boolean isText(String text) {
        return text != null && !text.isBlank() && text.codePoints().noneMatch(Kept::isUnfit);
    }

    private static boolean isSensible(BigDecimal amount) {
        return amount != null && !Limits.isBeyond(amount);
    }

    /// @param adjustment what quantity by price lacks to the amount; null on what was kept before ledgers told it
    public record Line(
            int no,
            String item,
            String account,
            String text,
            BigDecimal quantity,
            BigDecimal unitPrice,
            BigDecimal adjustment,
            BigDecimal amount,
            String taxCode) {}

    public record JournalEntry(String account, BigDecimal debit, BigDecimal credit) {}
}
