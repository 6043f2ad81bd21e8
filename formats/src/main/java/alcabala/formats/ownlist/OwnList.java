package alcabala.formats.ownlist;

import alcabala.accounting.batch.ListEntry;
import java.math.BigDecimal;
import java.util.List;

/// A list as it was understood.
///
/// @param numbers the column of the numbers of documents, from 0 on; -1 where none was recognised
/// @param amounts the column of the amounts
/// @param less a column whose amounts count negative, where the former has none; -1 for none
/// @param columns what stands at the head of each
/// @param sign what stands before the decimals of its texts
/// @param hiddenRows how many rows somebody put out of sight
/// @param totals rows that only add up others, and do
/// @param problems rows that could not be understood; nothing is compared as long as there are any
public record OwnList(
        int numbers,
        int amounts,
        int less,
        List<String> columns,
        DecimalSign sign,
        int hiddenRows,
        List<ListEntry> entries,
        List<TotalRow> totals,
        List<Problem> problems) {
    /// What somebody said of her list; what she did not say is recognised.
    ///
    /// @param numbers a column; null for whichever it is
    /// @param amounts a column; null likewise
    /// @param sign null likewise
    /// @param hidden whether what is out of sight counts too
    public record Said(Integer numbers, Integer amounts, DecimalSign sign, boolean hidden) {
        public static final Said NOTHING = new Said(null, null, null, true);
    }

    /// A row that adds up those before it.
    ///
    /// @param says what stands there
    public record TotalRow(int row, BigDecimal says) {}

    /// @param column from 0 on; -1 where the whole list is meant
    public record Problem(Kind kind, int row, int column, String found) {
        /// What is wrong.
        public enum Kind {
            /// No column has numbers of documents.
            NO_NUMBERS,
            /// No column has amounts.
            NO_AMOUNTS,
            /// An amount without a number, which is no total of those before it.
            NUMBER_MISSING,
            AMOUNT_MISSING,
            NOT_AN_AMOUNT,
            /// A point or comma could stand before the decimals or between thousands, and nothing tells which.
            AMBIGUOUS,
            /// It has more decimals than the currency has.
            TOO_FINE,
            OTHER_CURRENCY,
            /// It is called a total, and those before it add up to something else.
            TOTAL_DIFFERS
        }
    }
}
