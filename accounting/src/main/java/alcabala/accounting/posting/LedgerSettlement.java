package alcabala.accounting.posting;

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
/// @param parts what it settles; what is over stays open there as a credit of the party
public record LedgerSettlement(
        RecordKind kind,
        String number,
        LocalDate date,
        CurrencyUnit currency,
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
        List<Part> parts)
        implements LedgerEntry {
    public LedgerSettlement {
        parts = List.copyOf(parts);
    }

    /// @param document the other side's own id of the document
    /// @param number the document's number there
    /// @param money what of the money goes to it
    /// @param deductions what is settled without money
    public record Part(RecordKind kind, String document, String number, Money money, List<Deducted> deductions) {
        public Part {
            deductions = List.copyOf(deductions);
        }

        /// What it takes off the document.
        public Money settled() {
            return deductions.stream().map(Deducted::amount).reduce(money, Money::plus);
        }
    }

    /// @param text such as `discount`
    /// @param taxCode of the other side; empty for what is no tax
    /// @param amount signed like the deduction
    public record Deducted(String account, String text, String taxCode, Money amount) {}

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
        return new LedgerSettlement(
                kind,
                number,
                day,
                currency,
                party,
                partyCounterpart,
                controlAccount,
                account,
                means,
                reference,
                note,
                gross,
                charges,
                chargesAccount,
                parts);
    }
}
