package alcabala.accounting.crosswalk;

import static alcabala.accounting.crosswalk.Purpose.ACCOUNT;
import static alcabala.accounting.crosswalk.Purpose.ADVANCE;
import static alcabala.accounting.crosswalk.Purpose.COST;
import static alcabala.accounting.crosswalk.Purpose.COUNTERPART;
import static alcabala.accounting.crosswalk.Purpose.DIMENSION;
import static alcabala.accounting.crosswalk.Purpose.DIRECTION;
import static alcabala.accounting.crosswalk.Purpose.DISCOUNT;
import static alcabala.accounting.crosswalk.Purpose.EXPENSE;
import static alcabala.accounting.crosswalk.Purpose.FORMAT;
import static alcabala.accounting.crosswalk.Purpose.INCOME;
import static alcabala.accounting.crosswalk.Purpose.NAME;
import static alcabala.accounting.crosswalk.Purpose.SHIPPING;
import static alcabala.accounting.crosswalk.Purpose.STOCK;

import java.util.EnumSet;
import java.util.NoSuchElementException;
import java.util.Set;
import java.util.stream.Stream;

/// What a crosswalk row stands for, and the purposes that it can answer.
public enum RowKind {
    PARTY(COUNTERPART, INCOME, COST, STOCK, DISCOUNT, SHIPPING, ADVANCE, DIMENSION),
    ITEM(COUNTERPART, INCOME, EXPENSE, COST, STOCK, NAME, DIMENSION),
    CATEGORY(INCOME, EXPENSE, COST, STOCK, DIMENSION),
    /// A project or job.
    PROJECT(INCOME, EXPENSE, COST, STOCK, DISCOUNT, SHIPPING, ADVANCE, DIMENSION),
    TAX(COUNTERPART),
    ROLE(ACCOUNT),
    /// A party as the one that something is bought from.
    SUPPLIER(EXPENSE, COST, STOCK, DISCOUNT, SHIPPING, ADVANCE, DIMENSION),
    SITE(COST, STOCK, DIMENSION),
    /// Goods, labour and the like, see [alcabala.accounting.document.LineKind].
    LINE_KIND(INCOME, EXPENSE, COST, STOCK, DIMENSION),
    /// One line of one record, see [Crosswalk#lineCode].
    LINE(ACCOUNT, COST, STOCK, DIMENSION),
    /// Somebody who pays for another party, see [Crosswalk#payerCode]. That there is a row is all it says.
    PAYER(COUNTERPART),
    /// A means of payment in a currency, see [Crosswalk#meansCode].
    MEANS(ACCOUNT),
    /// Terms of payment.
    TERMS(COUNTERPART),
    /// A field of a document, or one that every document has, see [alcabala.accounting.posting.StandardFields].
    FIELD(COUNTERPART, FORMAT, DIRECTION),
    /// A choice in a field, see [Crosswalk#choiceCode].
    CHOICE(COUNTERPART);

    private final Set<Purpose> purposes = EnumSet.noneOf(Purpose.class);

    RowKind(Purpose... answers) {
        purposes.addAll(Set.of(answers));
    }

    /// Those that a row of this kind can answer.
    public Set<Purpose> purposes() {
        return purposes;
    }

    /// The one that most accounts of such rows are for.
    ///
    /// @throws NoSuchElementException when a row of this kind names no account
    public Purpose accountPurpose() {
        return Stream.of(ACCOUNT, INCOME, EXPENSE)
                .filter(purposes::contains)
                .findFirst()
                .orElseThrow();
    }

    /// Whether a row concerns so much of a route that what uses it is not kept with each record.
    public boolean concernsAll() {
        return this == ROLE || this == SITE || this == LINE_KIND || this == FIELD;
    }
}
