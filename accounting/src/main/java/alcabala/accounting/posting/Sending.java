package alcabala.accounting.posting;

import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.money.ExchangeRate;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.joda.money.Money;

/// How a document that compiles clean goes to the ledger: under which number, with which date, arriving as what.
///
/// @param party the source's code of the customer or supplier
/// @param terms the ledger's code, or empty
/// @param fields values by the ledger's fields, those that every document has among them
record Sending(
        Document document,
        String party,
        Crosswalk crosswalk,
        RouteSettings settings,
        String terms,
        Map<String, String> fields) {
    LedgerDocument ledgerDocument(
            List<LedgerLine> shaped, TaxComparison tax, ExchangeRate rate, String control, String rounding) {
        List<LedgerLine> lines = new ArrayList<>(shaped);
        if (!tax.rounding().isZero()) {
            lines.add(LedgerLine.of("Rounding", tax.rounding(), PostingKey.of(rounding)));
        }
        Money payable = document.totals().rounding();
        if (!payable.isZero()) {
            lines.add(LedgerLine.of("Rounding of what is payable", payable, PostingKey.of(rounding)));
        }
        return new LedgerDocument(
                document.kind(),
                numberOf(document.number()),
                series(),
                BookingDay.find(document, settings).orElse(document.issueDate()),
                dueDate(),
                document.currency(),
                rate,
                settings.hasTaxInLines(document.kind()) ? PriceMode.NET : document.priceMode(),
                party,
                crosswalk.counterpart(RowKind.PARTY, party),
                control,
                numberOf(document.precedingNumber()),
                lines,
                note(),
                terms,
                custom(),
                settings.is(Topic.ARRIVAL, document.kind(), "draft"),
                document.kind().isSale() && settings.is(Topic.E_MAIL, document.kind(), "yes"),
                tax.ledger().net().plus(tax.rounding()).plus(payable),
                tax.ledger().tax(),
                document.totals().owed());
    }

    private LocalDate dueDate() {
        String given = fields.getOrDefault(StandardFields.DUE_DATE, "");
        return given.isEmpty() ? document.dueDate() : LocalDate.parse(given);
    }

    private String note() {
        String usual = settings.is(Topic.WORK_DESCRIPTION, document.kind(), "yes") ? document.note() : "";
        return fields.getOrDefault(StandardFields.NOTE, usual);
    }

    private Map<String, String> custom() {
        Map<String, String> custom = new TreeMap<>(fields);
        custom.keySet().removeIf(StandardFields::isStandard);
        return custom;
    }

    private boolean ledgerNumbers() {
        return document.kind().isSale() && settings.is(Topic.NUMBERED_BY, "ledger");
    }

    /// A number of the source as it is on the ledger; empty when the ledger gives its own. A bill keeps its supplier's.
    private String numberOf(String number) {
        String prefix = document.kind().isSale() ? settings.get(Topic.NUMBER_PREFIX) : "";
        return number.isEmpty() || ledgerNumbers() ? "" : prefix + number;
    }

    private NumberSeries series() {
        return ledgerNumbers()
                ? new NumberSeries(settings.get(Topic.NUMBER_PREFIX), settings.firstNumber(document.kind()))
                : NumberSeries.OWN;
    }
}
