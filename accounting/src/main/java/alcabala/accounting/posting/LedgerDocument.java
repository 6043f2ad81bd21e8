package alcabala.accounting.posting;

import alcabala.accounting.document.DocumentKind;
import alcabala.accounting.document.PriceMode;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// The exact document to be sent.
///
/// @param party the source's party code
/// @param partyCounterpart the ledger's party; empty when it is to be created on first use
/// @param controlAccount the account that gets exactly the gross
/// @param net what the ledger will compute, the rounding line included
public record LedgerDocument(
        DocumentKind kind,
        String number,
        LocalDate issueDate,
        LocalDate dueDate,
        CurrencyUnit currency,
        PriceMode priceMode,
        String party,
        String partyCounterpart,
        String controlAccount,
        String precedingNumber,
        List<LedgerLine> lines,
        Money net,
        Money tax,
        Money gross) {}
