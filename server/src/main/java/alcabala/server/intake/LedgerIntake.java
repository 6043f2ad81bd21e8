package alcabala.server.intake;

import alcabala.accounting.field.SourceHalf;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Milestone;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.settlement.Allocation;
import alcabala.accounting.settlement.Deduction;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.AnswerUnusableException;
import alcabala.connectors.Kept;
import alcabala.connectors.Unusable;
import alcabala.connectors.http.Understood;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Compilers;
import alcabala.server.connection.SetAsides;
import alcabala.server.crossing.AfterNews;
import alcabala.server.crossing.Entered;
import alcabala.server.crossing.Links;
import alcabala.server.crossing.Outcomes;
import alcabala.server.intake.DocumentsThere.Codes;
import alcabala.server.record.Incoming;
import alcabala.server.reference.SourceCatalogue;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import tools.jackson.databind.json.JsonMapper;

/// Takes in what people entered on a ledger, as records of the source that is to have it too, in its own words: sales,
/// and what settles documents of that source.
@Component
class LedgerIntake implements AfterNews {
    private final JdbcClient jdbc;
    private final Routes routes;
    private final SettingStore settings;
    private final Compilers compilers;
    private final SourceCatalogue catalogue;
    private final DocumentsThere documents;
    private final Intake writer;
    private final SetAsides setAsides;
    private final Outcomes outcomes;
    private final Links links;
    private final JsonMapper json;
    private final Clock clock;

    /// A document of ours that a line of it settles.
    private record Settles(String ledgerRef, String number, String kind, String party, String site, String currency) {}

    LedgerIntake(
            JdbcClient jdbc,
            Routes routes,
            SettingStore settings,
            Compilers compilers,
            SourceCatalogue catalogue,
            DocumentsThere documents,
            Intake writer,
            SetAsides setAsides,
            Outcomes outcomes,
            Links links,
            JsonMapper json,
            Clock clock) {
        this.jdbc = jdbc;
        this.routes = routes;
        this.settings = settings;
        this.compilers = compilers;
        this.catalogue = catalogue;
        this.documents = documents;
        this.writer = writer;
        this.setAsides = setAsides;
        this.outcomes = outcomes;
        this.links = links;
        this.json = json;
        this.clock = clock;
    }

    /// Of a route that brings them back, settlements since its first day.
    @Override
    public Map<String, String> entered(RouteRow route, List<Entered> records, String who) {
        routes.lock(route.id());
        Map<String, String> stay = new HashMap<>();
        Supplier<Codes> codes = SingletonSupplier.of(() -> documents.codes(route));
        for (Entered each : records) {
            LedgerRecord record = each.record();
            try {
                if (record.recordKind().isDocument()) {
                    switch (documents.tell(codes.get(), each)) {
                        case DocumentsThere.Stays stays -> stay.put(record.id(), stays.why());
                        case DocumentsThere.Comes comes ->
                            take(route, record, incoming(route, record, comes.document()), who);
                    }
                } else if (comesBack(route, record)) {
                    take(route, record, incoming(route, record, settlementOf(route, record)), who);
                }
            } catch (AnswerUnusableException e) {
                setAside(route, record, e);
            }
        }
        return stay;
    }

    private void setAside(RouteRow route, LedgerRecord record, AnswerUnusableException e) {
        String type = record.recordKind().isDocument() ? "document" : "payment";
        setAsides.keepOfLedger(
                route.ledgerId(),
                new Unusable(
                        type,
                        record.id(),
                        type + " " + record.number(),
                        Kept.quoted(e.what()),
                        Kept.text(json.writeValueAsString(record))));
    }

    private void take(RouteRow route, LedgerRecord record, Incoming incoming, String who) {
        writer.write(route, compilers.of(route.id()), List.of(incoming), who);
        long id = jdbc.sql("select id from record where source_id = :source and source_ref = :ref")
                .param("source", route.sourceId())
                .param("ref", incoming.sourceRef())
                .query(Long.class)
                .single();
        CurrencyUnit currency = incoming.record().currency();
        outcomes.entered(id, record, minor(currency, record.paid()), minor(currency, record.gross()));
        links.entered(id, route.ledgerId(), record, SourceHalf.of(incoming.record()), clock.instant());
    }

    private boolean comesBack(RouteRow route, LedgerRecord record) {
        RouteSettings decided = settings.of(route.id());
        boolean early = decided.findCutOff(record.recordKind())
                .filter(record.date()::isBefore)
                .isPresent();
        return decided.comesBack(record.recordKind()) && !early;
    }

    /// @throws AnswerUnusableException when it is not what a settlement can be
    private Record settlementOf(RouteRow route, LedgerRecord record) {
        return Understood.record(route.ledger(), "payment " + record.number(), () -> settlement(route, record));
    }

    private Incoming incoming(RouteRow route, LedgerRecord record, Record told) {
        return new Incoming(
                route.ledger().toLowerCase(Locale.ROOT) + ":" + record.id(),
                told,
                json.writeValueAsString(record).getBytes(StandardCharsets.UTF_8),
                "application/json",
                "",
                Set.of(Milestone.APPROVED),
                false);
    }

    private Settlement settlement(RouteRow route, LedgerRecord record) {
        Map<String, Settles> settled = settled(route, record);
        CurrencyUnit currency = currency(route, record);
        List<Allocation> allocations = new ArrayList<>();
        boolean all = true;
        for (LedgerRecord.Line line : record.lines()) {
            Optional<Settles> document = Optional.ofNullable(settled.get(line.item()));
            all &= document.isPresent();
            document.ifPresent(each -> allocations.add(allocation(route, each, line, currency)));
        }
        Settles first = record.lines().stream()
                .map(line -> settled.get(line.item()))
                .filter(Objects::nonNull)
                .findFirst()
                .orElseThrow();
        // What settles documents of somebody else is the ledger's alone.
        Money amount = all
                ? Money.of(currency, record.gross())
                : allocations.stream().map(Allocation::money).reduce(Money.zero(currency), Money::plus);
        return new Settlement(
                record.recordKind(),
                record.number(),
                Origin.LEDGER,
                record.date(),
                first.site(),
                "",
                catalogue.party(route.sourceId(), first.party()),
                amount,
                null,
                Money.zero(currency),
                record.settlement().means(),
                record.settlement().reference(),
                "",
                allocations);
    }

    /// That of the money, as the ledger says; its own where it tells none.
    private static CurrencyUnit currency(RouteRow route, LedgerRecord record) {
        String stated = record.settlement().currency();
        return CurrencyUnit.of(stated == null || stated.isEmpty() ? route.currency() : stated);
    }

    /// What was settled there without money is a difference here: only the ledger knows what it was for.
    private static Allocation allocation(
            RouteRow route, Settles document, LedgerRecord.Line line, CurrencyUnit currency) {
        CurrencyUnit settled = CurrencyUnit.of(document.currency());
        Money deducted = Money.of(settled, line.adjustment());
        return new Allocation(
                RecordKind.of(document.kind()),
                document.number(),
                Money.of(currency, line.unitPrice()),
                Money.of(settled, line.amount()).minus(deducted),
                deducted.isZero() ? List.of() : List.of(new Deduction(Deduction.Kind.DIFFERENCE, deducted)));
    }

    private Map<String, Settles> settled(RouteRow route, LedgerRecord record) {
        Map<String, Settles> settled = new HashMap<>();
        jdbc.sql("""
                select l.ledger_ref, d.number, d.kind, d.party_code as party, d.site, d.currency from link l join record d on d.id = l.record_id
                where l.ledger_id = :ledger and d.source_id = :source and l.ledger_ref = any(:refs) order by d.id desc""")
                .param("ledger", route.ledgerId())
                .param("source", route.sourceId())
                .param(
                        "refs",
                        record.lines().stream().map(LedgerRecord.Line::item).toArray(String[]::new))
                .query(Settles.class)
                .list()
                .forEach(each -> settled.put(each.ledgerRef(), each));
        return settled;
    }

    private static long minor(CurrencyUnit currency, BigDecimal amount) {
        return Money.of(currency, amount).getAmountMinorLong();
    }
}
