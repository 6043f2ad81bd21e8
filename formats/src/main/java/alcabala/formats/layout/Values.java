package alcabala.formats.layout;

import alcabala.accounting.document.PriceMode;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.LedgerSettlement;
import java.math.BigDecimal;
import java.util.List;
import org.joda.money.Money;

/// What the fields say of one record.
///
/// @param delivery of the whole file
/// @param sign -1 where what is given back is negative and this is
record Values(Exported exported, String delivery, int sign) {
    static Values of(Exported exported, String delivery, boolean creditsNegative) {
        int sign = creditsNegative ? exported.entry().kind().sign() : 1;
        return new Values(exported, delivery, sign);
    }

    LedgerEntry entry() {
        return exported.entry();
    }

    /// @param row of the file, from 0
    Value file(LayoutColumn column, int row) {
        return switch (column.field()) {
            case FIXED -> Value.text(column.argument());
            case RUNNING_NUMBER -> Value.number(new BigDecimal(column.argument()).add(BigDecimal.valueOf(row)));
            case DELIVERY -> Value.text(delivery);
            default -> record(column);
        };
    }

    private Value record(LayoutColumn column) {
        LedgerEntry entry = entry();
        return switch (column.field()) {
            case REFERENCE -> Value.text(exported.reference());
            case KIND -> Value.text(entry.kind().word());
            case NUMBER -> Value.text(entry.number());
            case DATE -> Value.day(entry.date());
            case PARTY -> Value.text(entry.partyCounterpart());
            case SOURCE_PARTY -> Value.text(entry.party());
            case PARTY_NAME -> Value.text(exported.partyName());
            case CURRENCY -> Value.text(entry.currency().getCode());
            case RATE -> Value.number(entry.rate().rate());
            case CONTROL_ACCOUNT -> Value.text(entry.controlAccount());
            case RECORD_TAX_CODE -> Value.text(taxCode(entry.lines()));
            case NET -> amount(entry.net());
            case TAX -> amount(entry.tax());
            case GROSS -> amount(entry.gross());
            default ->
                switch (entry) {
                    case LedgerDocument document -> document(document, column);
                    case LedgerSettlement settlement -> settlement(settlement, column);
                    case LedgerJournal journal -> journal(journal, column);
                    default -> Value.NOTHING;
                };
        };
    }

    private static Value document(LedgerDocument document, LayoutColumn column) {
        return switch (column.field()) {
            case DUE_DATE -> Value.day(document.dueDate());
            case PRICES -> Value.text(document.priceMode() == PriceMode.NET ? "net" : "gross");
            case PRECEDING_NUMBER -> Value.text(document.precedingNumber());
            case TERMS -> Value.text(document.terms());
            case NOTE -> Value.text(document.note());
            case OWN_FIELD -> Value.text(document.fields().get(column.argument()));
            default -> Value.NOTHING;
        };
    }

    private static Value settlement(LedgerSettlement settlement, LayoutColumn column) {
        return switch (column.field()) {
            case MEANS -> Value.text(settlement.means());
            case MONEY_ACCOUNT -> Value.text(settlement.account());
            case REMITTANCE -> Value.text(settlement.reference());
            case NOTE -> Value.text(settlement.note());
            default -> Value.NOTHING;
        };
    }

    private static Value journal(LedgerJournal journal, LayoutColumn column) {
        return switch (column.field()) {
            case MONEY_ACCOUNT -> Value.text(journal.entries().getFirst().account());
            case REMITTANCE -> Value.text(journal.reference());
            case NOTE -> Value.text(journal.note());
            default -> Value.NOTHING;
        };
    }

    private static String taxCode(List<LedgerLine> lines) {
        return lines.stream()
                .map(LedgerLine::taxCode)
                .filter(code -> !code.isEmpty())
                .findFirst()
                .orElse("");
    }

    Value line(LayoutColumn column, LedgerLine line, int position, int row) {
        return switch (column.field()) {
            case LINE_NUMBER -> Value.number(BigDecimal.valueOf(position));
            case ITEM -> Value.text(line.counterpart().isEmpty() ? line.item() : line.counterpart());
            case DESCRIPTION -> Value.text(line.description());
            case QUANTITY -> Value.number(line.quantity());
            case PRICE -> Value.number(line.price());
            case ADJUSTMENT -> amount(line.adjustment());
            case AMOUNT -> amount(line.amount());
            case ACCOUNT -> Value.text(line.account());
            case TAX_CODE -> Value.text(line.taxCode());
            case TAXED -> Value.text(line.taxCode().isEmpty() ? "no" : "yes");
            case DIMENSION -> Value.text(line.dimensions().get(column.argument()));
            default -> file(column, row);
        };
    }

    Value booking(LayoutColumn column, JournalLine line, int position, int row) {
        boolean control = line.account().equals(entry().controlAccount());
        return switch (column.field()) {
            case BOOKING_NUMBER -> Value.number(BigDecimal.valueOf(position));
            case BOOKED_ACCOUNT -> Value.text(line.account());
            case BOOKED_PARTY -> Value.text(control ? entry().partyCounterpart() : "");
            case BOOKED_TAX_CODE -> Value.text(line.taxCode());
            case DEBIT -> oneSide(line.debit());
            case CREDIT -> oneSide(line.credit());
            case SIGNED -> Value.amount(line.amount());
            case BASE_DEBIT -> oneSide(line.base().isPositive() ? line.base() : zero(line.base()));
            case BASE_CREDIT -> oneSide(line.base().isNegative() ? line.base().negated() : zero(line.base()));
            case SETTLES -> Value.text(control ? settled() : "");
            default -> file(column, row);
        };
    }

    private String settled() {
        return entry() instanceof LedgerSettlement settlement
                        && settlement.parts().size() == 1
                ? settlement.parts().getFirst().number()
                : "";
    }

    private static Money zero(Money like) {
        return Money.zero(like.getCurrencyUnit());
    }

    /// Of debit and credit only one is there.
    private static Value oneSide(Money money) {
        return money.isZero() ? Value.NOTHING : Value.amount(money);
    }

    private Value amount(Money money) {
        return Value.amount(sign < 0 ? money.negated() : money);
    }
}
