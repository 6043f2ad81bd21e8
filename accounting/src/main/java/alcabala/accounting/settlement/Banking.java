package alcabala.accounting.settlement;

import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// Money that was taken to the bank together (records, section 3). It is made here, not on a source.
///
/// @param account of the ledger, of the bank that it was taken to
/// @param bank that account's name when it was made
/// @param slip the number of the paying-in slip, or empty
/// @param amount what the bank gets: what was received, with the difference in cash
/// @param stated what the slip or the adding machine says; null where nobody said
/// @param why it goes though what is stated is something else, or how cash came to differ; empty where all agree
/// @param receipts what was received and is taken there
public record Banking(
        RecordKind kind,
        String number,
        LocalDate date,
        String site,
        String account,
        String bank,
        String slip,
        Money amount,
        Money stated,
        String why,
        List<Receipt> receipts)
        implements Record {
    public Banking {
        receipts = List.copyOf(receipts);
    }

    /// What was received and is taken to the bank, or was taken out of that before.
    ///
    /// @param kind of the settlement
    /// @param number of the settlement, on its source
    /// @param party the source's code of who paid or was paid
    /// @param amount positive whatever its kind
    public record Receipt(RecordKind kind, String number, String party, Money amount) {
        /// Negative for what was taken out.
        public Money signed() {
            return kind.bringsMoney() ? amount : amount.negated();
        }

        /// How it is named wherever records need each other, such as `payment-in PM-17`.
        public String names() {
            return kind.word() + " " + number;
        }
    }

    @Override
    public CurrencyUnit currency() {
        return amount.getCurrencyUnit();
    }

    @Override
    public StatedRate rate() {
        return null;
    }

    /// Nobody but the bank, by the name of its account.
    @Override
    public Party counterparty() {
        return Party.named("", bank);
    }

    @Override
    public Money gross() {
        return amount;
    }

    @Override
    public int partCount() {
        return receipts.size();
    }

    public Money received() {
        return receipts.stream().map(Receipt::signed).reduce(Money.zero(currency()), Money::plus);
    }

    /// What the bank gets more than was received: cash counted too much, or too little if negative.
    public Money difference() {
        return amount.minus(received());
    }
}
