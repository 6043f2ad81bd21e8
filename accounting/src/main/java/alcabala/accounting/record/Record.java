package alcabala.accounting.record;

import alcabala.accounting.document.Document;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Whatever crosses with amounts: what all of it has.
public sealed interface Record permits Document, Settlement, Banking {
    RecordKind kind();

    /// The side on which it was made.
    default Origin origin() {
        return Origin.SOURCE;
    }

    String number();

    LocalDate date();

    /// Where of the source it was made, or empty.
    String site();

    CurrencyUnit currency();

    /// The rate that it states, or null.
    StatedRate rate();

    /// The other party: customer or supplier, as the source names it; without a code where there is none.
    Party counterparty();

    /// What it comes to, positive whatever its kind.
    Money gross();

    /// How many parts it has: lines, or what it settles.
    int partCount();
}
