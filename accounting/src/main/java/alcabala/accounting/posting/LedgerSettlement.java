package alcabala.accounting.posting;

import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// The exact settlement to be sent, in the codes of the side that it goes to.
///
/// @param account the account that the money moves on
/// @param gross the money that moves
/// @param charges what the bank took for returning it, on `chargesAccount`; zero for all else
/// @param rate at which the money is booked in the ledger's base currency
/// @param exchangeAccount what its documents were booked at and the money is not, in base currency; empty where there
/// is no difference
/// @param parts what it settles; what is over stays open there as a credit of the party
public record LedgerSettlement(
        RecordKind kind,
        String number,
        LocalDate date,
        CurrencyUnit currency,
        ExchangeRate rate,
        String party,
        String partyCounterpart,
        String controlAccount,
        String account,
        String means,
        String reference,
        String note,
        Money gross,
        Money charges,
        String chargesAccount,
        String exchangeAccount,
        List<Part> parts)
        implements LedgerEntry {
    public LedgerSettlement {
        parts = List.copyOf(parts);
    }

    /// @param document the other side's own id of the document
    /// @param number the document's number there
    /// @param money what of the money goes to it
    /// @param worth what that money settles, in the document's currency
    /// @param base what the money takes off the document in the ledger's base currency
    /// @param deductions in the currency of the document: what is settled otherwise
    public record Part(
            RecordKind kind,
            String document,
            String number,
            Money money,
            Money worth,
            Money base,
            List<Deducted> deductions) {
        public Part {
            deductions = List.copyOf(deductions);
        }

        /// What it takes off the document.
        public Money settled() {
            return deductions.stream().map(Deducted::amount).reduce(worth, Money::plus);
        }

        /// What it takes off the document in the ledger's base currency.
        public Money relieved() {
            return deductions.stream().map(Deducted::base).reduce(base, Money::plus);
        }

        /// Whether its document is in another currency than the money.
        public boolean isExchanged() {
            return !money.getCurrencyUnit().equals(worth.getCurrencyUnit());
        }
    }

    /// @param text such as `discount`
    /// @param taxCode of the other side; empty for what is no tax
    /// @param amount signed like the deduction
    /// @param base what it takes off the document in the ledger's base currency
    public record Deducted(String account, String text, String taxCode, Money amount, Money base) {
        /// Where there is nothing to convert.
        static Deducted of(String account, String text, String taxCode, Money amount) {
            return new Deducted(account, text, taxCode, amount, amount);
        }

        Deducted at(Money baseAmount) {
            return new Deducted(account, text, taxCode, amount, baseAmount);
        }
    }

    /// Whether anything of it comes into the books at a rate.
    public boolean isConverted() {
        return !rate.isSame() || parts.stream().anyMatch(Part::isExchanged);
    }

    /// The same, with the account that takes the difference in exchange.
    LedgerSettlement differingOn(String account) {
        return copy(number, date, means, reference, account);
    }

    /// The same under another number.
    LedgerSettlement numbered(String other) {
        return copy(other, date, means, reference, exchangeAccount);
    }

    /// The same, paid otherwise; the account that the money moves on is the same.
    LedgerSettlement paidBy(String other) {
        return copy(number, date, other, reference, exchangeAccount);
    }

    /// The same with another reference.
    LedgerSettlement saying(String other) {
        return copy(number, date, means, other, exchangeAccount);
    }

    @Override
    public Money net() {
        return gross;
    }

    @Override
    public Money tax() {
        return Money.zero(currency);
    }

    @Override
    public LedgerSettlement onDay(LocalDate day) {
        return copy(number, day, means, reference, exchangeAccount);
    }

    private LedgerSettlement copy(
            String otherNumber, LocalDate day, String otherMeans, String otherReference, String exchange) {
        return new LedgerSettlement(
                kind,
                otherNumber,
                day,
                currency,
                rate,
                party,
                partyCounterpart,
                controlAccount,
                account,
                otherMeans,
                otherReference,
                note,
                gross,
                charges,
                chargesAccount,
                exchange,
                parts);
    }
}
