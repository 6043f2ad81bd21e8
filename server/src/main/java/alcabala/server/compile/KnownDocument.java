package alcabala.server.compile;

import alcabala.accounting.document.Document;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Customers;
import alcabala.accounting.posting.DocumentTaxes;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.settlement.Target;
import alcabala.server.compile.CreditNotes.Credit;
import alcabala.server.compile.OwnSettlements.Own;
import alcabala.server.record.Stored;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// A document that a settlement names, with all that is known of it. Amounts are minor units of its own currency.
///
/// @param stays whether it never crosses on its route
/// @param gross what the ledger says that it comes to, or its source where it is not there
/// @param paid what the ledger says is settled of it
/// @param onWay what settlements that are there or on their way settle of it, as their sources say now
/// @param sentFor the source's code of the customer that it went to the ledger for; empty where it did not go from here
/// @param retained what is kept back of it
/// @param rate at which it was booked there; null where that is not known
/// @param basePaid in the ledger's currency
record KnownDocument(
        String kind,
        String number,
        long sourceId,
        boolean sameLedger,
        boolean voided,
        boolean posted,
        boolean stays,
        String currency,
        long gross,
        long paid,
        long onWay,
        long retained,
        String base,
        BigDecimal rate,
        LocalDate rateDay,
        BigDecimal basePaid,
        String sentFor,
        String ledgerRef,
        String ledgerNumber,
        String content) {
    String name() {
        return kind + " " + number;
    }

    Document document() {
        return Stored.document(content);
    }

    /// Whose it is on the ledger: the one that it went there for, whatever the route says by now.
    Party customer(Document document, RouteSettings settings) {
        if (sentFor.isEmpty()) {
            return Customers.of(document, settings);
        }
        Party party = document.counterparty();
        return Customers.isProject(sentFor) ? Customers.ofProject(party, Customers.project(sentFor)) : party;
    }

    /// What a settlement can still settle of it. What that settles there by now does not stand in its own way.
    ///
    /// @param customer whose it is on the ledger
    Target target(Document document, Party customer, Own own, List<Credit> credits) {
        CurrencyUnit unit = CurrencyUnit.of(currency);
        ExchangeRate at = rate(unit, document);
        long taken = Math.max(paid - own.settledThere(ledgerRef, unit), onWay - own.says(name()));
        Money open = Money.ofMinor(unit, gross - taken);
        Money whole = document.totals().gross();
        BigDecimal relieved = basePaid.subtract(own.relievedThere(ledgerRef));
        return new Target(
                standing(),
                customer,
                whole,
                open,
                Money.ofMinor(unit, retained - own.releases(name())),
                at,
                at.isSame() ? open : at.convert(whole).minus(Money.of(at.to(), relieved)),
                credits.stream()
                        .map(each -> each.at(at))
                        .reduce(Target.Credited.nothing(unit, at.to()), Target.Credited::plus),
                DocumentTaxes.of(document),
                ledgerRef,
                ledgerNumber);
    }

    private ExchangeRate rate(CurrencyUnit unit, Document document) {
        return rate == null || base.equals(currency)
                ? ExchangeRate.same(unit, document.issueDate())
                : new ExchangeRate(unit, CurrencyUnit.of(base), rate, rateDay, ExchangeRate.Origin.LEDGER);
    }

    private Target.Standing standing() {
        if (voided) {
            return Target.Standing.VOIDED;
        }
        if (posted && sameLedger) {
            return Target.Standing.CROSSED;
        }
        return stays || posted ? Target.Standing.STAYS : Target.Standing.TO_CROSS;
    }
}
