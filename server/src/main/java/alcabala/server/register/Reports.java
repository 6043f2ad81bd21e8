package alcabala.server.register;

import alcabala.accounting.batch.BatchSummary;
import alcabala.formats.print.Report;
import alcabala.formats.print.Report.Fact;
import alcabala.formats.print.Report.Table;
import alcabala.server.platform.Conventions;
import alcabala.server.platform.Writing;
import alcabala.server.reference.LedgerReference;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.send.BatchView;
import alcabala.server.send.BatchView.BatchJson;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.stereotype.Component;

/// What is printed of a batch, and of a period.
@Component
class Reports implements Printing {
    private final CrossedRows rows;
    private final BatchView batches;
    private final SourceCatalogue catalogue;
    private final LedgerReference reference;
    private final Clock clock;

    Reports(CrossedRows rows, BatchView batches, SourceCatalogue catalogue, LedgerReference reference, Clock clock) {
        this.rows = rows;
        this.batches = batches;
        this.catalogue = catalogue;
        this.reference = reference;
        this.clock = clock;
    }

    @Override
    public Printed batch(RouteRow route, long batch, String who) {
        return Medium.PDF.print(ofBatch(route, batch, who), "batch-" + batch);
    }

    @Override
    public Printed period(RouteRow route, LocalDate from, LocalDate to, Medium as, String who) {
        return as.print(ofPeriod(route, from, to, who), Printing.nameOf(route, from, to));
    }

    Report ofBatch(RouteRow route, long id, String who) {
        BatchJson batch = batches.head(id);
        List<Crossed> crossed = rows.ofBatch(id);
        CurrencyUnit currency = CurrencyUnit.of(batch.currency());
        return new Report(
                batch.revision() > 1 ? "Batch " + batch.firstId() + ", revision " + batch.revision() : "Batch " + id,
                route.source() + " at " + route.site() + " to " + route.ledger(),
                facts(batch),
                tables(route, crossed, currency, false),
                printed(who));
    }

    /// One report, with the tables of each currency after those of another.
    ///
    /// @param to the last day
    Report ofPeriod(RouteRow route, LocalDate from, LocalDate to, String who) {
        Conventions writing = Writing.now();
        List<Crossed> crossed = rows.ofPeriod(
                route.id(),
                from.atStartOfDay(clock.getZone()).toInstant(),
                to.plusDays(1).atStartOfDay(clock.getZone()).toInstant());
        List<CurrencyUnit> currencies = crossed.stream()
                .map(each -> each.entry().currency())
                .distinct()
                .sorted()
                .toList();
        List<Table> tables = new ArrayList<>();
        for (CurrencyUnit currency : currencies) {
            String of = currencies.size() > 1 ? ", " + currency.getCode() : "";
            tables(
                            route,
                            crossed.stream()
                                    .filter(each -> each.entry().currency().equals(currency))
                                    .toList(),
                            currency,
                            true)
                    .forEach(table -> tables.add(table.titled(table.title() + of)));
        }
        return new Report(
                "Sent from " + writing.day(from) + " to " + writing.day(to),
                route.source() + " at " + route.site() + " to " + route.ledger(),
                List.of(
                        new Fact("Records", writing.figure(BigDecimal.valueOf(crossed.size()))),
                        new Fact(
                                "Batches",
                                writing.figure(BigDecimal.valueOf(crossed.stream()
                                        .mapToLong(Crossed::batch)
                                        .distinct()
                                        .count())))),
                tables,
                printed(who));
    }

    private List<Table> tables(RouteRow route, List<Crossed> crossed, CurrencyUnit currency, boolean ofPeriod) {
        List<Crossed> counted = crossed.stream().filter(Crossed::counts).toList();
        BatchSummary summary = BatchSummary.of(
                currency,
                counted.stream().flatMap(each -> each.members().stream()).toList());
        Map<String, String> accounts = reference.accountNames(route.ledgerId());
        return List.of(
                Tables.journal(rows.booked(counted), route.currency(), accounts),
                Tables.categories(summary, catalogue.categoryNames(route.sourceId())),
                Tables.means(summary, currency),
                Tables.detail(crossed, currency, ofPeriod));
    }

    private static List<Fact> facts(BatchJson batch) {
        Conventions writing = Writing.now();
        List<Fact> facts = new ArrayList<>();
        facts.add(new Fact("Made", writing.moment(batch.createdAt()) + " by " + batch.createdBy()));
        facts.add(new Fact("Records", String.valueOf(batch.count())));
        facts.add(new Fact("Net, " + batch.currency(), figure(batch.net())));
        facts.add(new Fact("Tax", figure(batch.tax())));
        facts.add(new Fact("Gross", figure(batch.gross())));
        facts.add(new Fact("Hash total", batch.hashTotal()));
        facts.add(new Fact(
                "Own list", batch.independentTotal().isEmpty() ? "none given" : figure(batch.independentTotal())));
        if (batch.dated() != null) {
            facts.add(new Fact("All dated", writing.day(batch.dated())));
        }
        if (!batch.options().isEmpty()) {
            facts.add(new Fact(
                    "Otherwise than the route",
                    batch.options().entrySet().stream()
                            .map(each -> each.getKey().toLowerCase(Locale.ROOT).replace('_', ' ') + ": "
                                    + each.getValue().replace('-', ' '))
                            .collect(Collectors.joining("; "))));
        }
        if (batch.undoes() != null) {
            facts.add(new Fact("Takes back", "batch " + batch.undoes()));
        }
        if (batch.undoneBy() != null) {
            facts.add(new Fact("Taken back by", "batch " + batch.undoneBy()));
        }
        if (!batch.reason().isEmpty()) {
            facts.add(new Fact(batch.undoes() == null ? "Went all the same" : "Why", batch.reason()));
        }
        return facts;
    }

    private static String figure(String amount) {
        return Writing.now().figure(new BigDecimal(amount));
    }

    private String printed(String who) {
        return "Printed on " + Writing.now().moment(clock.instant()) + " by " + who;
    }
}
