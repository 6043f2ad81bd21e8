package alcabala.accounting.crosswalk;

import alcabala.accounting.document.LineKind;
import java.util.List;
import java.util.stream.Stream;

/// What a row of the crosswalk answers. Another one comes as a word here, when something asks it.
public enum Purpose {
    /// The record there that stands for it: a party, an item, a tax code.
    COUNTERPART,
    /// An account, whatever it is asked for: of a role, of a means of payment, of one line.
    ACCOUNT,
    /// The account of what is sold.
    INCOME,
    /// The account of what is bought.
    EXPENSE,
    /// The account of what was sold cost, once it has left the stock.
    COST,
    /// The account of what lies in stock.
    STOCK,
    DISCOUNT,
    SHIPPING,
    /// The account of what is paid before it is earned.
    ADVANCE,
    /// How an item is named on the ledger, where its own name does not do.
    NAME,
    /// How a date or a number is written where one side keeps it as text.
    FORMAT,
    /// Which way values of a field go.
    DIRECTION,
    /// A value of one of the ledger's dimensions, such as a site or a department.
    DIMENSION;

    /// Whether what is said for it stands on the ledger, and not only how something is named, written or sent.
    public boolean pointsThere() {
        return this != NAME && this != FORMAT && this != DIRECTION;
    }

    private static final List<List<Purpose>> SOLD = perKind(INCOME);
    private static final List<List<Purpose>> BOUGHT = perKind(EXPENSE);

    /// The purposes that a line asks its account for, the particular one first. What says where income goes says it of
    /// carriage and discounts too, unless it says otherwise of these; of an advance it says nothing.
    static List<Purpose> of(LineKind kind, boolean sold) {
        return (sold ? SOLD : BOUGHT).get(kind.ordinal());
    }

    private static List<List<Purpose>> perKind(Purpose general) {
        return Stream.of(LineKind.values())
                .map(kind -> switch (kind) {
                    case GOODS, LABOUR, EXPENSE, FEE -> List.of(general);
                    case SHIPPING -> List.of(SHIPPING, general);
                    case DISCOUNT -> List.of(DISCOUNT, general);
                    case ADVANCE -> List.of(ADVANCE);
                })
                .toList();
    }
}
