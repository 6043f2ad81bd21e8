package alcabala.accounting.cutover;

import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import org.joda.money.Money;

/// A document of the ledger that was open at the end of the day.
///
/// @param gross in its own currency, as is open
/// @param base what was open, in the ledger's currency
public record OpenThere(
        String id, RecordKind kind, String number, String party, LocalDate date, Money gross, Money open, Money base) {}
