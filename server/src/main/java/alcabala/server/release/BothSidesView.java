package alcabala.server.release;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.TaxComparison;
import alcabala.accounting.settlement.Settlement;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.compile.Compiling;
import alcabala.server.crossing.DecidedTax;
import alcabala.server.platform.Amounts;
import alcabala.server.record.Records;
import alcabala.server.reference.LedgerReference;
import alcabala.server.route.RouteRow;
import alcabala.server.route.Routes;
import java.math.BigDecimal;
import java.util.ArrayList;
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
    /// @param ledgerVersion the version that the ledger was last seen to have; 0 when it has none
    /// @param taxDecided what the ledger decided otherwise than the document states; else empty
    record Since(
            boolean changedOnSource,
            boolean changedOnLedger,
            boolean voided,
            boolean voidedOnLedger,
            int ledgerVersion,
            String taxDecided) {}

    /// @param posted whether the right side is what stands on the ledger; else it is what would be sent, or nothing
    record BothSides(
            boolean posted,
            Since since,
            List<SideField> fields,
            List<SideLine> lines,
            List<JournalLine> journal,
            String sourceDesk,
            String ledgerDesk) {}

    /// The right side in one shape, whether it stands there or would be sent.
    private record Right(
            String id,
            String number,
            String party,
            String date,
            String due,
            String net,
            String tax,
            String gross,
            boolean inclusive,
            List<RightLine> lines,
            List<JournalLine> journal) {
        /// Before it stands there nobody knows what its ledger will charge.
        Right undecided() {
            return new Right(id, number, party, date, due, net, "decided there", "", inclusive, lines, journal);
        }
    }

    /// @param taxed what the ledger was told of its tax, which is another thing than the code where it decides itself
    private record RightLine(
            String text, String item, BigDecimal amount, String account, String taxCode, String taxed) {
        boolean isBookedAs(RightLine other) {
            return amount.compareTo(other.amount) == 0 && account.equals(other.account) && taxed.equals(other.taxed);
        }
    }

    BothSidesView(
            JdbcClient jdbc,
            Records documents,
            Routes routes,
            Compiling compiling,
            DecidedTax decidedTax,
            LedgerReference reference,
            JsonMapper json) {
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
        };
    }

    private BothSides of(Records.Row row, RouteRow route, Settlement settlement) {
        Since since = since(row.id());
        Optional<LedgerRecord> there = findPosted(row.id());
        Compilation wouldBe = compiling.compile(route.id(), row.id(), settlement);
        SettlementSides sides = new SettlementSides(settlement, row, since.voided(), there, wouldBe.entry());
        List<JournalLine> journal = there.isPresent()
                ? journal(route, there.get())
                : wouldBe.journal().map(it -> journal(route, it.byAccount())).orElse(List.of());
        return new BothSides(
                there.isPresent(),
                since,
                sides.fields(code -> partyName(route, code)),
                sides.lines(),
                journal,
                route.sourceDesk().isEmpty() ? "" : route.sourceDesk() + "/payments",
                there.isPresent() ? ledgerDesk(row.id()) + "/payments/" + row.ledgerRef() : "");
    }

    private BothSides of(Records.Row row, RouteRow route, Document document) {
        Optional<LedgerRecord> posted = findPosted(row.id());
        Compilation compiled = compiling.compile(route.id(), row.id(), document);
        Optional<Right> wouldBe = compiled.ledgerDocument().map(sent -> right(sent, compiled, route));
        Optional<Right> right = posted.isPresent()
                ? posted.map(record -> right(record, route))
                : wouldBe.map(it -> isDecidedThere(compiled) ? it.undecided() : it);
        // What has not diverged is agreed, however the route shapes it; what has is measured by what would be sent now.
        Right expected = row.state().equals("Diverged") ? wouldBe.orElseGet(() -> asOnSource(document)) : null;
        return new BothSides(
                posted.isPresent(),
                since(row.id()),
                fields(row, document, right.orElse(null), expected, posted.isPresent()),
                lines(document, right.orElse(null), expected),
                right.map(Right::journal).orElse(List.of()),
                route.sourceDesk().isEmpty() ? "" : route.sourceDesk() + "/documents/" + row.sourceRef(),
                posted.isPresent() ? ledgerDesk(row.id()) + "/documents/" + row.ledgerRef() : "");
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
                select coalesce(outcome = 'posted' and revision > outcome_revision, false) as changed_on_source,
                    ledger_differs as changed_on_ledger, voided,
                    coalesce((select cast(ledger_now->'settlement'->>'voided' as boolean) from link
                        where record_id = :id), false) as voided_on_ledger,
                    coalesce(ledger_version, 0) as ledger_version, :decided as tax_decided
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

    private Right right(LedgerRecord record, RouteRow route) {
        return new Right(
                record.id(),
                record.number(),
                partyName(route, record.party()),
                String.valueOf(record.date()),
                record.due() == null ? "" : record.due().toString(),
                plain(record.net()),
                plain(record.tax()),
                plain(record.gross()),
                record.pricesIncludeTax(),
                record.lines().stream().map(BothSidesView::rightLine).toList(),
                journal(route, record));
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

    private Right right(LedgerDocument sent, Compilation compiled, RouteRow route) {
        Journal journal = compiled.journal().orElseThrow().byAccount();
        return new Right(
                "",
                sent.number(),
                sent.partyCounterpart().isEmpty() ? "created on first use" : partyName(route, sent.partyCounterpart()),
                sent.issueDate().toString(),
                sent.dueDate() == null ? "" : sent.dueDate().toString(),
                Amounts.decimal(sent.net()),
                Amounts.decimal(sent.tax()),
                Amounts.decimal(sent.gross()),
                sent.priceMode() == PriceMode.TAX_INCLUSIVE,
                sent.lines().stream().map(BothSidesView::rightLine).toList(),
                journal(route, journal));
    }

    private static RightLine rightLine(LedgerLine line) {
        String item = line.counterpart().isEmpty() ? line.item() : line.counterpart();
        String taxed = line.taxCode().equals(LedgerTaxCode.NOT_TAXABLE) ? "" : line.taxCode();
        return new RightLine(
                line.description(), item, line.amount().getAmount(), line.account(), line.taxCode(), taxed);
    }

    private static RightLine rightLine(LedgerRecord.Line line) {
        String code = text(line.taxCode());
        String decided = Boolean.TRUE.equals(line.taxable()) ? LedgerTaxCode.TAXABLE : "";
        return new RightLine(
                line.text(),
                text(line.item()),
                line.amount(),
                line.account(),
                code,
                line.taxable() == null ? code : decided);
    }

    /// For a document that would not cross now.
    private static Right asOnSource(Document document) {
        return new Right(
                "",
                document.number(),
                "",
                document.issueDate().toString(),
                document.findDueDate().map(Object::toString).orElse(""),
                Amounts.decimal(document.totals().net()),
                Amounts.decimal(document.totals().tax()),
                Amounts.decimal(document.totals().gross()),
                document.priceMode() == PriceMode.TAX_INCLUSIVE,
                List.of(),
                List.of());
    }

    /// @param expected what the ledger's side is measured by; null when the two sides agree
    private static List<SideField> fields(
            Records.Row row, Document document, Right right, Right expected, boolean posted) {
        Measure measure = new Measure(right, expected);
        List<SideField> fields = new ArrayList<>();
        fields.add(measure.field("Number", document.number(), Right::number));
        fields.add(new SideField("Identifier", row.sourceRef(), right == null ? "" : right.id(), false));
        fields.add(new SideField("Party", document.counterparty().name(), right == null ? "" : right.party(), false));
        fields.add(measure.field("Issue date", document.issueDate().toString(), Right::date));
        fields.add(measure.field(
                "Due date", document.findDueDate().map(Object::toString).orElse(""), Right::due));
        fields.add(measure.field(
                "Prices", mode(document.priceMode() == PriceMode.TAX_INCLUSIVE), each -> mode(each.inclusive())));
        fields.add(measure.field("Net", Amounts.decimal(document.totals().net()), Right::net));
        fields.add(measure.field("Tax", Amounts.decimal(document.totals().tax()), Right::tax));
        fields.add(measure.field("Gross", Amounts.decimal(document.totals().gross()), Right::gross));
        if (posted) {
            fields.add(new SideField("Paid", "", Amounts.decimal(row.currency(), row.paid()), false));
        }
        return fields;
    }

    /// A number that the ledger gives is not known beforehand, and so is nothing to be measured by.
    private record Measure(Right right, Right expected) {
        SideField field(String name, String source, Function<Right, String> figure) {
            String ledger = right == null ? "" : figure.apply(right);
            String wanted = expected == null ? "" : figure.apply(expected);
            return new SideField(
                    name, source, ledger, !ledger.isEmpty() && !wanted.isEmpty() && !ledger.equals(wanted));
        }
    }

    private static List<SideLine> lines(Document document, Right right, Right expected) {
        List<SideLine> lines = new ArrayList<>();
        List<RightLine> rights = right == null ? List.of() : right.lines();
        List<RightLine> wanted = expected == null ? List.of() : expected.lines();
        for (int i = 0; i < Math.max(document.lines().size(), rights.size()); i++) {
            DocumentLine left = i < document.lines().size() ? document.lines().get(i) : null;
            RightLine there = i < rights.size() ? rights.get(i) : null;
            boolean differs = there != null && i < wanted.size() && !there.isBookedAs(wanted.get(i));
            lines.add(new SideLine(
                    left == null ? "" : left.description(),
                    left == null ? "" : left.item(),
                    left == null ? "" : left.quantity().stripTrailingZeros().toPlainString(),
                    left == null ? "" : Amounts.decimal(left.amount()),
                    left == null ? "" : left.tax().key(),
                    there == null ? "" : there.text(),
                    there == null ? "" : there.item(),
                    there == null ? "" : plain(there.amount()),
                    there == null ? "" : there.account(),
                    there == null ? "" : there.taxCode(),
                    differs));
        }
        return lines;
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

    private static String mode(boolean inclusive) {
        return inclusive ? "tax-inclusive" : "net";
    }

    private static String text(String text) {
        return text == null ? "" : text;
    }

    private static String amount(BigDecimal amount) {
        return amount.signum() == 0 ? "" : plain(amount);
    }

    private static String plain(BigDecimal amount) {
        return amount.toPlainString();
    }
}
