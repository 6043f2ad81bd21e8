package alcabala.server.merge;

import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.PutTogether;
import alcabala.accounting.posting.StandsAs;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.crossing.Links;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// Documents that stand on the ledger, as they go in their own place when it keeps what it changed itself.
@Component
public class Together {
    private final Links links;
    private final Merging merging;

    Together(Links links, Merging merging) {
        this.links = links;
        this.merging = merging;
    }

    /// Why a document cannot go with what each side changed, and its source's of what both did; empty text when it can.
    /// Empty when it does not stand there or does not compile clean.
    public Optional<String> findWhyNot(
            RouteRow route, RouteSettings decided, long id, Record record, Compilation compiled) {
        return of(route, decided, List.of(id))
                .find(id, record, compiled, Set.of())
                .map(outcome -> outcome instanceof PutTogether.Outcome.Cannot cannot
                        ? TogetherSentences.why(route, cannot)
                        : "");
    }

    /// What is known of these on both sides, read once.
    public Of of(RouteRow route, RouteSettings decided, Collection<Long> ids) {
        return new Of(route, decided, links.findAll(ids));
    }

    /// Those of one route.
    public final class Of {
        private final RouteRow route;
        private final RouteSettings decided;
        private final Map<Long, Links.Pair> pairs;

        private Of(RouteRow route, RouteSettings decided, Map<Long, Links.Pair> pairs) {
            this.route = route;
            this.decided = decided;
            this.pairs = pairs;
        }

        /// Empty for what is not linked, or does not compile clean.
        ///
        /// @param record a document
        /// @param ledgers of what both changed, the fields that stay as they are there; null for none said
        public Optional<PutTogether.Outcome> find(long id, Record record, Compilation compiled, Set<String> ledgers) {
            Optional<Links.Pair> pair = Optional.ofNullable(pairs.get(id));
            if (compiled.ledgerDocument().isEmpty()) {
                return Optional.empty();
            }
            return pair.map(each -> merging.going(route, decided, each, record, compiled))
                    .map(merged -> PutTogether.of(
                            compiled,
                            ledgers == null ? merged.kept() : merged.kept().decided(ledgers),
                            standing(merged.there(), record.gross().getCurrencyUnit())));
        }
    }

    private static StandsAs standing(LedgerRecord there, CurrencyUnit currency) {
        return new StandsAs(
                there.number(),
                there.party(),
                there.date(),
                there.due(),
                money(currency, there.gross()),
                there.lines().stream().map(line -> line(line, currency)).toList());
    }

    private static LedgerLine line(LedgerRecord.Line line, CurrencyUnit currency) {
        return new LedgerLine(
                "",
                text(line.item()),
                text(line.text()),
                line.quantity(),
                line.unitPrice(),
                money(currency, line.adjustment() == null ? BigDecimal.ZERO : line.adjustment()),
                money(currency, line.amount()),
                line.account(),
                text(line.taxCode()),
                line.dimensions() == null ? Map.of() : line.dimensions());
    }

    private static String text(String told) {
        return told == null ? "" : told;
    }

    /// Sums there are whole units of the currency: anything else was set aside when it was read.
    private static Money money(CurrencyUnit currency, BigDecimal amount) {
        return Money.of(currency, amount);
    }
}
