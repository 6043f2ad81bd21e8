package alcabala.server.intake;

import alcabala.accounting.crosswalk.TaxesBack;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.Ownership;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.StatedTotals;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.tax.TaxRounding;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.crossing.Entered;
import alcabala.server.intake.ReadBack.ItemHere;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Tells sales that were entered on a ledger in the words of a source: the crosswalk read the other way round.
@Component
class DocumentsThere {
    private final JdbcClient jdbc;
    private final ReadBack readBack;
    private final SourceCatalogue catalogue;

    /// What is known of the codes of a route, read once for many documents.
    record Codes(RouteRow route, TaxesBack taxes, Party business) {}

    /// What becomes of one.
    sealed interface Told {}

    record Comes(Document document) implements Told {}

    /// @param why `party-unknown`, `tax-unknown:` with the ledger's code, or `may-be-here:` with a number of the source
    record Stays(String why) implements Told {}

    DocumentsThere(JdbcClient jdbc, ReadBack readBack, SourceCatalogue catalogue) {
        this.jdbc = jdbc;
        this.readBack = readBack;
        this.catalogue = catalogue;
    }

    Codes codes(RouteRow route) {
        return new Codes(route, readBack.taxes(route), catalogue.business(route.sourceId()));
    }

    /// @throws AnswerUnusableException when it is not what a document can be
    Told tell(Codes codes, Entered entered) {
        RouteRow route = codes.route();
        LedgerRecord there = entered.record();
        if (!entered.isNew()) {
            Optional<String> like = findLike(route, entered);
            if (like.isPresent()) {
                return new Stays("may-be-here:" + like.get());
            }
        }
        if (entered.party().isEmpty()) {
            return new Stays("party-unknown");
        }
        for (LedgerRecord.Line line : there.lines()) {
            if (codes.taxes().find(line.taxCode()).isEmpty()) {
                return new Stays("tax-unknown:" + line.taxCode());
            }
        }
        return new Comes((Document)
                Understood.record(route.ledger(), "document " + there.number(), () -> document(codes, entered)));
    }

    /// One of the source that has not crossed, and may be the same.
    private Optional<String> findLike(RouteRow route, Entered entered) {
        LedgerRecord there = entered.record();
        return jdbc.sql("""
                select number from record where source_id = :source and kind = :kind and origin = 'source' and not voided
                    and ledger_ref is null and (number = :number or party_code = :party and issue_date = :date
                        and gross = cast(:gross as numeric) * power(10, :decimals))
                order by number <> :number, id limit 1""")
                .param("source", route.sourceId())
                .param("kind", there.kind())
                .param("number", there.number())
                .param("party", entered.party())
                .param("date", there.date())
                .param("gross", there.gross())
                .param("decimals", currency(route, there).getDecimalPlaces())
                .query(String.class)
                .optional();
    }

    private Document document(Codes codes, Entered entered) {
        RouteRow route = codes.route();
        LedgerRecord there = entered.record();
        CurrencyUnit currency = currency(route, there);
        Map<String, ItemHere> items = readBack.items(route, there.lines());
        List<DocumentLine> lines = new ArrayList<>();
        Money sum = Money.zero(currency);
        for (LedgerRecord.Line line : there.lines()) {
            ItemHere item = line.item() == null ? ItemHere.NONE : items.getOrDefault(line.item(), ItemHere.NONE);
            DocumentLine told =
                    line(line, item, codes.taxes().find(line.taxCode()).orElseThrow(), currency);
            lines.add(told);
            sum = sum.plus(told.amount());
        }
        boolean credit = there.recordKind().isCredit();
        Money none = Money.zero(currency);
        return new Document(
                there.recordKind(),
                (credit ? TypeCode.CREDIT_NOTE : TypeCode.INVOICE).code(),
                "",
                there.number(),
                there.date(),
                there.due(),
                null,
                route.site(),
                "",
                "",
                List.of(),
                currency,
                null,
                there.pricesIncludeTax() ? PriceMode.TAX_INCLUSIVE : PriceMode.NET,
                TaxRounding.PER_DOCUMENT,
                Ownership.SELLER,
                codes.business(),
                catalogue.party(route.sourceId(), entered.party()).withoutContacts(),
                "",
                lines,
                List.of(),
                List.of(),
                new StatedTotals(
                        sum,
                        none,
                        none,
                        Money.of(currency, there.net()),
                        Money.of(currency, there.tax()),
                        Money.of(currency, there.gross())),
                Origin.LEDGER);
    }

    /// One at its amount where the ledger tells neither quantity nor price.
    private static DocumentLine line(LedgerRecord.Line line, ItemHere item, TaxCombination tax, CurrencyUnit currency) {
        boolean priced = line.quantity() != null && line.unitPrice() != null;
        BigDecimal adjustment = line.adjustment() == null ? BigDecimal.ZERO : line.adjustment();
        return new DocumentLine(
                String.valueOf(line.no()),
                item.code().isEmpty() ? LineKind.FEE : item.kind(),
                item.code(),
                line.text() == null ? "" : line.text(),
                item.name(),
                "",
                item.category(),
                "",
                priced ? line.quantity() : BigDecimal.ONE,
                item.unit(),
                priced ? line.unitPrice() : line.amount(),
                BigDecimal.ONE,
                Money.of(currency, priced ? adjustment : BigDecimal.ZERO),
                Money.of(currency, line.amount()),
                tax);
    }

    /// Its own where the ledger tells none.
    private static CurrencyUnit currency(RouteRow route, LedgerRecord there) {
        String stated = there.currency();
        return CurrencyUnit.of(stated == null || stated.isEmpty() ? route.currency() : stated);
    }
}
