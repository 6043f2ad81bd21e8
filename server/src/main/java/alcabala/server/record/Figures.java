package alcabala.server.record;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import java.time.LocalDate;

/// What a record's row says of it beside what all records have; amounts are minor units.
///
/// @param corrects the number of the document in whose place a corrected invoice would stand, as long as it does not
/// @param stranger whether the business is neither seller nor buyer
record Figures(LocalDate due, long net, long tax, long gross, String corrects, boolean stranger) {
    static Figures of(Record record) {
        return switch (record) {
            case Document d ->
                new Figures(
                        d.dueDate(),
                        d.totals().net().getAmountMinorLong(),
                        d.totals().tax().getAmountMinorLong(),
                        d.totals().gross().getAmountMinorLong(),
                        corrects(d),
                        d.ownership() == Ownership.NEITHER);
            case Banking b -> {
                long amount = b.amount().getAmountMinorLong();
                yield new Figures(null, amount, 0, amount, "", false);
            }
            case Settlement s -> {
                long amount = s.amount().getAmountMinorLong();
                yield new Figures(null, amount, 0, amount, "", false);
            }
        };
    }

    private static String corrects(Document d) {
        return d.typeCode().equals(TypeCode.CORRECTED_INVOICE.code())
                        && d.replaces().isEmpty()
                ? d.precedingNumber()
                : "";
    }
}
