package alcabala.server.crossing;

import alcabala.accounting.batch.Answered.Verdict;
import java.math.BigDecimal;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// One record of a batch, as it went.
///
/// @param control the amount that the ledger answers with, as a decimal number
/// @param number the ledger's; empty as long as it is not known to have it
/// @param undone whether it takes another back, or was taken back
/// @param gross minor units, as it is known to stand there; null before
record GoneInFile(
        long id,
        long recordId,
        String outcome,
        String reference,
        String reversal,
        String control,
        String currency,
        Long postingId,
        String number,
        Long gross,
        boolean differs,
        boolean again,
        boolean undone) {
    Money expected() {
        return Money.of(CurrencyUnit.of(currency), new BigDecimal(control));
    }

    /// Whether the ledger's word on it is none that is known already.
    boolean isNews(Verdict.Accepted yes) {
        return number.isEmpty()
                || differs == yes.isAsGiven(expected())
                || differs && gross != yes.gross().getAmountMinorLong();
    }
}
