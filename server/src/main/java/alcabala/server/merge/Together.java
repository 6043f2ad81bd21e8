package alcabala.server.merge;

import alcabala.accounting.field.Half;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerEntry;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.posting.PostingKey;
import alcabala.accounting.posting.PutTogether;
import alcabala.accounting.posting.StandsAs;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.sync.Crossed;
import alcabala.accounting.sync.Kept;
import alcabala.accounting.sync.RecordRules;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.CrosswalkStore;
import alcabala.server.crossing.Links;
import alcabala.server.route.RouteRow;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.stereotype.Component;

/// Documents and payments that stand on the ledger, as they go in their own place when it keeps what it changed itself.
@Component
public class Together {
    private final Links links;
    private final Merging merging;
    private final CrosswalkStore crosswalk;

    Together(Links links, Merging merging, CrosswalkStore crosswalk) {
        this.crosswalk = crosswalk;
        this.links = links;
        this.merging = merging;
    }

    /// Why one cannot go with what each side changed, and its source's of what both did; empty text when it can.
    /// Empty when it does not stand there or does not compile clean.
    public Optional<String> findWhyNot(
            RouteRow route, RouteSettings decided, long id, Record record, Compilation compiled) {
        return of(route, decided, List.of(id))
                .find(id, record, compiled, said(Set.of()))
                .map(outcome -> outcome instanceof PutTogether.Outcome.Cannot cannot
                        ? TogetherSentences.why(route, cannot)
                        : "");
    }

    /// As somebody said it.
    ///
    /// @param ledgers of what both changed, the fields that stay as they are there; null for none said
    public static UnaryOperator<Kept> said(Set<String> ledgers) {
        return kept -> ledgers == null ? kept : kept.decided(ledgers);
    }

    /// As a route has decided it, of each field that was changed there.
    public static UnaryOperator<Kept> ruled(RouteSettings decided, RecordKind kind) {
        return kept -> kept.ruled(field -> RecordRules.stands(decided, kind, field));
    }

    /// What is known of these on both sides, read once.
    public Of of(RouteRow route, RouteSettings decided, Collection<Long> ids) {
        return new Of(route, decided, crosswalk.crossed(route.id()), links.findAll(ids));
    }

    /// Those of one route.
    public final class Of {
        private final RouteRow route;
        private final RouteSettings decided;
        private final Crossed crossed;
        private final Map<Long, Links.Pair> pairs;

        private Of(RouteRow route, RouteSettings decided, Crossed crossed, Map<Long, Links.Pair> pairs) {
            this.route = route;
            this.decided = decided;
            this.crossed = crossed;
            this.pairs = pairs;
        }

        /// Empty for what is not linked, or does not compile clean.
        ///
        /// @param whose what of it stays as it is there, see [#said] and [#ruled]
        public Optional<PutTogether.Outcome> find(
                long id, Record record, Compilation compiled, UnaryOperator<Kept> whose) {
            Optional<Links.Pair> pair = Optional.ofNullable(pairs.get(id));
            if (compiled.entry().filter(Together::isMerged).isEmpty()) {
                return Optional.empty();
            }
            CurrencyUnit currency = record.gross().getCurrencyUnit();
            return pair.map(each -> findFiner(each.now(), currency)
                    .<PutTogether.Outcome>map(field -> new PutTogether.Outcome.Cannot(field, PutTogether.Why.SUMS))
                    .orElseGet(() -> together(
                            merging.going(route, decided, crossed, each, record, compiled),
                            compiled,
                            whose,
                            currency)));
        }
    }

    /// Money on its way to a bank, and what takes something back, is not.
    private static boolean isMerged(LedgerEntry entry) {
        return entry instanceof LedgerDocument || entry instanceof LedgerSettlement;
    }

    private static PutTogether.Outcome together(
            MergedRecord merged, Compilation compiled, UnaryOperator<Kept> whose, CurrencyUnit currency) {
        return PutTogether.of(
                compiled, whose.apply(merged.kept()), standing(merged.there(), currency), merged.places());
    }

    /// What of it is finer than its currency allows: that can be neither compared nor sent.
    static Optional<String> findFiner(LedgerRecord there, CurrencyUnit currency) {
        if (!there.isIn(currency)) {
            return Optional.of(Half.GROSS);
        }
        int decimals = currency.getDecimalPlaces();
        return IntStream.range(0, there.lines().size())
                .filter(place ->
                        there.lines().get(place).amount().stripTrailingZeros().scale() > decimals)
                .mapToObj(place -> Half.line(place + 1))
                .findFirst();
    }

    private static StandsAs standing(LedgerRecord there, CurrencyUnit currency) {
        return new StandsAs(
                there.number(),
                there.party(),
                there.date(),
                there.due(),
                Money.of(currency, there.gross()),
                there.lines().stream().map(line -> line(line, currency)).toList(),
                text(there.note()),
                text(there.terms()),
                there.own(),
                there.settlement() == null ? "" : text(there.settlement().means()),
                there.settlement() == null ? "" : text(there.settlement().reference()));
    }

    /// One unit at its amount where the ledger tells neither quantity nor price.
    private static LedgerLine line(LedgerRecord.Line line, CurrencyUnit currency) {
        boolean priced = line.quantity() != null && line.unitPrice() != null;
        return LedgerLine.at(
                Money.of(currency, line.amount()),
                "",
                text(line.item()),
                text(line.text()),
                priced ? line.quantity() : BigDecimal.ONE,
                priced ? line.unitPrice() : line.amount(),
                new PostingKey(
                        line.account(),
                        text(line.taxCode()),
                        line.dimensions() == null ? Map.of() : line.dimensions()));
    }

    private static String text(String told) {
        return told == null ? "" : told;
    }
}
