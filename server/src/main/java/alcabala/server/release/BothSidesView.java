package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.TaxComparison;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.settlement.Banking;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.DecidedTax;
import alcabala.server.merge.Together;
import alcabala.server.platform.Amounts;
import alcabala.server.record.Records;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import alcabala.server.route.SettingStore;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/// One document as its source has it and as the ledger has it, or would have it, field by field.
@Component
class BothSidesView {
    private final JdbcClient jdbc;
    private final Records documents;
    private final Routes routes;
    private final Compiling compiling;
    private final DecidedTax decidedTax;
    private final LedgerReference reference;
    private final AddedSides added;
    private final SinceAgreed agreed;
    private final Together together;
    private final SettingStore settings;
    private final JsonMapper json;

    /// @param differs whether the two sides disagree; false when the ledger has nothing yet
    record SideField(String name, String source, String ledger, boolean differs) {}

    record SideLine(
            String text,
            String item,
            String quantity,
            String amount,
            String tax,
            String ledgerText,
            String ledgerItem,
            String ledgerAmount,
            String ledgerAccount,
            String ledgerTaxCode,
            boolean differs) {}

    record JournalLine(String account, String name, String debit, String credit) {}

    /// What happened to a document after both sides agreed on it.
    ///
    /// @param voided on its source
    /// @param gone the side that does not have it any more, `source` or `ledger`; empty for neither
    /// @param ledgerVersion the version that the ledger was last seen to have; 0 when it has none
    /// @param taxDecided what the ledger decided otherwise than the document states; else empty
    /// @param notTogether why what each changed cannot go together; empty when it can, null when nothing goes
    record Since(
            boolean changedOnSource,
            boolean changedOnLedger,
            boolean voided,
            boolean voidedOnLedger,
            int ledgerVersion,
            String taxDecided,
            String notTogether,
            String gone) {
        Since with(String why) {
            return new Since(
                    changedOnSource, changedOnLedger, voided, voidedOnLedger, ledgerVersion, taxDecided, why, gone);
        }
    }

    /// @param changes of a document that has diverged: what either side changed since both agreed
    /// @param posted whether the right side is what stands on the ledger; else it is what would be sent, or nothing
    record BothSides(
            boolean posted,
            Since since,
            List<SinceAgreed.FieldChange> changes,
            List<SideField> fields,
            List<SideLine> lines,
            List<JournalLine> journal,
            String sourceDesk,
            String ledgerDesk) {}

    BothSidesView(
            JdbcClient jdbc,
            Records documents,
            Routes routes,
            Compiling compiling,
            DecidedTax decidedTax,
            LedgerReference reference,
            AddedSides added,
            SinceAgreed agreed,
            Together together,
            SettingStore settings,
            JsonMapper json) {
        this.agreed = agreed;
        this.together = together;
        this.settings = settings;
        this.added = added;
        this.decidedTax = decidedTax;
        this.jdbc = jdbc;
        this.documents = documents;
        this.routes = routes;
        this.compiling = compiling;
        this.reference = reference;
        this.json = json;
    }

    BothSides of(Records.Row row) {
        RouteRow route = routes.get(row.routeId());
        return switch (documents.record(row.id())) {
            case Document document -> of(row, route, document);
            case Settlement settlement -> of(row, route, settlement);
            case Banking banking -> of(row, route, banking);
        };
    }

    private BothSides of(Records.Row row, RouteRow route, Settlement settlement) {
        Optional<LedgerRecord> there = findPosted(row.id());
        Compilation wouldBe = compiling.compile(route.id(), row.id(), settlement);
        Since since = together(since(row.id()), route, row, settlement, wouldBe);
        SettlementSides sides = new SettlementSides(settlement, row, since.voided(), there, wouldBe.entry());
        List<JournalLine> journal =
                there.map(record -> journal(route, record)).orElseGet(() -> wouldBeJournal(route, wouldBe));
        return new BothSides(
                there.isPresent(),
                since,
                row.state().equals("Diverged")
                        ? agreed.of(route, row.id(), settlement, since.voided(), wouldBe)
                        : List.of(),
                sides.fields(code -> partyName(route, code)),
                sides.lines(),
                journal,
                route.sourceDesk().isEmpty() ? "" : route.sourceDesk() + "/payments",
                there.isPresent() ? ledgerDesk(row.id()) + "/payments/" + row.ledgerRef() : "");
    }

    private BothSides of(Records.Row row, RouteRow route, Banking banking) {
        Optional<LedgerRecord> there = findPosted(row.id());
        Compilation wouldBe = compiling.compile(route.id(), row.id(), banking);
        BankingSides sides = new BankingSides(banking, row, there, wouldBe.entry());
        return new BothSides(
                there.isPresent(),
                since(row.id()),
                List.of(),
                sides.fields(),
                sides.lines(),
                there.map(record -> journal(route, record)).orElseGet(() -> wouldBeJournal(route, wouldBe)),
                "",
                there.isPresent() ? ledgerDesk(row.id()) + "/journals/" + row.ledgerRef() : "");
    }

    private BothSides of(Records.Row row, RouteRow route, Document document) {
        Optional<LedgerRecord> posted = findPosted(row.id());
        Compilation compiled = compiling.compile(route.id(), row.id(), document);
        Optional<LedgerSide> wouldBe =
                compiled.ledgerDocument().map(sent -> LedgerSide.wouldBe(sent, party(sent, route)));
        Optional<LedgerSide> there = posted.isPresent()
                ? posted.map(record -> LedgerSide.standing(record, partyName(route, record.party())))
                : wouldBe.map(it -> isDecidedThere(compiled) ? it.undecided() : it);
        // What has not diverged is agreed, however the route shapes it; what has is measured by what would be sent now.
        LedgerSide expected =
                row.state().equals("Diverged") ? wouldBe.orElseGet(() -> LedgerSide.asOnSource(document)) : null;
        Since since = together(since(row.id()), route, row, document, compiled);
        DocumentSides sides = new DocumentSides(
                document, row, there.orElse(null), expected, posted.isPresent(), added.of(route, document));
        return new BothSides(
                posted.isPresent(),
                since,
                row.state().equals("Diverged") && document.origin() == Origin.SOURCE
                        ? agreed.of(route, row.id(), document, since.voided(), compiled)
                        : List.of(),
                sides.fields(),
                sides.lines(),
                posted.map(record -> journal(route, record)).orElseGet(() -> wouldBeJournal(route, compiled)),
                route.sourceDesk().isEmpty() ? "" : route.sourceDesk() + "/documents/" + row.sourceRef(),
                posted.isPresent() ? ledgerDesk(row.id()) + "/documents/" + row.ledgerRef() : "");
    }

    private Since together(Since since, RouteRow route, Records.Row row, Record record, Compilation compiled) {
        boolean changed =
                record.origin() == Origin.SOURCE && since.changedOnSource() && !since.voided() && route.ledgerAnswers();
        return changed
                ? since.with(together.findWhyNot(route, settings.of(route.id()), row.id(), record, compiled)
                        .orElse(null))
                : since;
    }

    private String party(LedgerDocument sent, RouteRow route) {
        return sent.partyCounterpart().isEmpty() ? "created on first use" : partyName(route, sent.partyCounterpart());
    }

    private List<JournalLine> wouldBeJournal(RouteRow route, Compilation compiled) {
        return compiled.journal().map(it -> journal(route, it.byAccount())).orElse(List.of());
    }

    private static boolean isDecidedThere(Compilation compiled) {
        return compiled.tax().filter(TaxComparison::decidedThere).isPresent();
    }

    private Since since(long documentId) {
        String decided = decidedTax
                .find(documentId)
                .map(it -> Amounts.shown(it.decided()))
                .orElse("");
        return jdbc.sql("""
                select coalesce(outcome = 'posted' and revision > outcome_revision and origin = 'source', false) as changed_on_source,
                    ledger_differs as changed_on_ledger, voided,
                    coalesce((select coalesce(cast(ledger_now->'settlement'->>'voided' as boolean), cast(ledger_now->>'taken' as boolean)) from link
                        where record_id = :id), false) as voided_on_ledger,
                    coalesce(ledger_version, 0) as ledger_version, :decided as tax_decided,
                    cast(null as text) as not_together, gone
                from record where id = :id""")
                .param("id", documentId)
                .param("decided", decided)
                .query(Since.class)
                .single();
    }

    private Optional<LedgerRecord> findPosted(long documentId) {
        return jdbc.sql("select ledger_now from link where record_id = :id")
                .param("id", documentId)
                .query(String.class)
                .optional()
                .map(body -> json.readValue(body, LedgerRecord.class));
    }

    /// Of the ledger that has it, which may not be the one the route leads to today.
    private String ledgerDesk(long documentId) {
        return jdbc.sql("select g.desk from link l join ledger g on g.id = l.ledger_id where l.record_id = :id")
                .param("id", documentId)
                .query(String.class)
                .single();
    }

    private List<JournalLine> journal(RouteRow route, LedgerRecord record) {
        return journal(
                route,
                record.journal(),
                LedgerRecord.JournalEntry::account,
                line -> line.debit().subtract(line.credit()));
    }

    /// In the ledger's base currency, as the ledger tells its own.
    private List<JournalLine> journal(RouteRow route, Journal journal) {
        return journal(
                route,
                journal.lines(),
                alcabala.accounting.posting.JournalLine::account,
                line -> line.base().getAmount());
    }

    private String partyName(RouteRow route, String code) {
        return reference
                .findPartyName(route.ledgerId(), code)
                .map(name -> name + " (" + code + ")")
                .orElse(code);
    }

    /// One line for each account, as a journal is read, with their names by one query.
    private <T> List<JournalLine> journal(
            RouteRow route, List<T> lines, Function<T, String> account, Function<T, BigDecimal> amount) {
        Map<String, BigDecimal> together = new LinkedHashMap<>();
        lines.forEach(line -> together.merge(account.apply(line), amount.apply(line), BigDecimal::add));
        Map<String, String> names = reference.accountNames(route.ledgerId(), together.keySet());
        return together.entrySet().stream()
                .map(each -> new JournalLine(
                        each.getKey(),
                        names.getOrDefault(each.getKey(), ""),
                        amount(each.getValue().max(BigDecimal.ZERO)),
                        amount(each.getValue().negate().max(BigDecimal.ZERO))))
                .toList();
    }

    private static String amount(BigDecimal amount) {
        return amount.signum() == 0 ? "" : amount.toPlainString();
    }
}
