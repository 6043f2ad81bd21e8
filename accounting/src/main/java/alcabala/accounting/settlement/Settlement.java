package alcabala.accounting.settlement;

import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Money that came in, went out or came back, and what it settles. Amounts are positive whatever its kind.
///
/// @param party who paid or was paid
/// @param amount the money that moved; of a payment that was returned, the money of that payment
/// @param rate at which it is converted, as it states itself, or null
/// @param charges what the bank took for returning it; zero for all else
/// @param means how it was paid (EN 16931 BT-81, UNCL4461)
/// @param reference what it says on the slip or statement (BT-83), or empty
/// @param returns the number of the payment that came back; empty for all else
/// @param allocations which documents it settles; what is over stays an open credit
public record Settlement(
        RecordKind kind,
        String number,
        Origin origin,
        LocalDate date,
        String site,
        String note,
        Party party,
        Money amount,
        StatedRate rate,
        Money charges,
        String means,
        String reference,
        String returns,
        List<Allocation> allocations)
        implements Record {
    public Settlement {
        allocations = List.copyOf(allocations);
    }

    @Override
    public CurrencyUnit currency() {
        return amount.getCurrencyUnit();
    }

    @Override
    public Party counterparty() {
        return party;
    }

    @Override
    public Money gross() {
        return amount;
    }

    @Override
    public int partCount() {
        return allocations.size();
    }

    /// The money that settles something.
    public Money allocated() {
        return allocations.stream().map(Allocation::money).reduce(Money.zero(currency()), Money::plus);
    }

    /// The money that settles nothing yet; negative when more is allocated than there is.
    public Money open() {
        return amount.minus(allocated());
    }
}
