package alcabala.accounting.cutover;

import alcabala.accounting.record.RecordKind;
import java.time.LocalDate;
import org.joda.money.Money;

/// A document of the source that was open at the end of the day.
///
/// @param party the ledger's; empty where nothing says which that is
/// @param gross in its own currency, as is open
/// @param base what was open, in the ledger's currency; null where there is no rate for it
/// @param linked the ledger's id of what it is paired with already; empty for none
public record OpenHere(
        long id,
        RecordKind kind,
        String number,
        String party,
        LocalDate date,
        Money gross,
        Money open,
        Money base,
        String linked) {}
