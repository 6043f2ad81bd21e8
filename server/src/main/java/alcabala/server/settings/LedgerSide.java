package alcabala.server.settings;

import alcabala.accounting.document.Document;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Cancellation;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Customers;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerJournal;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.posting.LedgerSettlement;
import alcabala.accounting.record.Record;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.connectors.ledger.LedgerRecord;
import alcabala.server.platform.Amounts;
import alcabala.server.platform.Sentence;
import alcabala.server.platform.Sentences;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/// What a document would be on the ledger under some settings.
///
/// @param findings why it would not cross; then the rest is empty
/// @param facts its head, a name and a value each
/// @param receipt what a payment of all of it would book; empty without a bank account
record LedgerSide(
        List<String> findings,
        List<SentFact> facts,
        List<SentLine> lines,
        List<Booking> journal,
        List<Booking> receipt) {

    /// One field of the head.
    record SentFact(String name, String value) {}

    record SentLine(String text, String item, String account, String taxCode, String amount) {}

    record Booking(String account, String name, String debit, String credit) {}

    /// @param names of accounts by code
    static LedgerSide of(Compilation compiled, RouteSettings settings, Map<String, String> names, Record record) {
        List<String> findings = compiled.findings().stream()
                .map(Sentences::of)
                .map(Sentence::text)
                .toList();
        if (compiled.entry().isEmpty()) {
            return none(findings);
        }
        List<Booking> journal = compiled.journal().orElseThrow().byAccount().lines().stream()
                .map(line -> booking(line, names))
                .toList();
        return switch (compiled.entry().get()) {
            case LedgerDocument sent ->
                new LedgerSide(
                        findings,
                        facts(sent, settings, record),
                        sent.lines().stream().map(LedgerSide::line).toList(),
                        journal,
                        receipt(sent, settings, names));
            case LedgerSettlement sent -> of(sent, findings, journal);
            case LedgerJournal sent -> of(sent, findings, journal);
            case Cancellation taken -> none(findings);
        };
    }

    /// What is compiled never takes anything back.
    private static LedgerSide none(List<String> findings) {
        return new LedgerSide(findings, List.of(), List.of(), List.of(), List.of());
    }

    private static LedgerSide of(LedgerJournal sent, List<String> findings, List<Booking> journal) {
        List<SentFact> facts = List.of(
                new SentFact("Number", sent.number()),
                new SentFact("Date", sent.date().toString()),
                new SentFact("Amount", Amounts.decimal(sent.gross())));
        return new LedgerSide(findings, facts, List.of(), journal, List.of());
    }

    private static LedgerSide of(LedgerSettlement sent, List<String> findings, List<Booking> journal) {
        List<SentFact> facts = List.of(
                new SentFact("Number", sent.number()),
                new SentFact("Date", sent.date().toString()),
                new SentFact("Means", sent.means()),
                new SentFact("Amount", Amounts.decimal(sent.gross())));
        List<SentLine> lines = sent.parts().stream()
                .map(part -> new SentLine(
                        part.number(), part.document(), sent.controlAccount(), "", Amounts.decimal(part.money())))
                .toList();
        return new LedgerSide(findings, facts, lines, journal, List.of());
    }

    /// Who it is made out to there, as the route has it.
    private static String party(Document document, RouteSettings settings) {
        Party party = Customers.of(document, settings);
        if (Customers.isProject(party.code()) && settings.is(Topic.CUSTOMERS, Customers.SUB_PROJECT)) {
            return party.name() + ", below " + document.counterparty().name();
        }
        boolean spokenTo = document.kind().isSale() && settings.is(Topic.CUSTOMERS, Customers.WITH_CONTACTS);
        return spokenTo ? party.name() + ", with those to speak to" : party.name();
    }

    /// A document as it stands on the ledger at present.
    static LedgerSide standing(LedgerRecord record, Map<String, String> names) {
        return new LedgerSide(
                List.of(),
                List.of(
                        new SentFact("Number", record.number()),
                        new SentFact("Date", record.date().toString()),
                        new SentFact("Net", record.net().toPlainString()),
                        new SentFact("Tax", record.tax().toPlainString()),
                        new SentFact("Gross", record.gross().toPlainString())),
                record.lines().stream().map(LedgerSide::line).toList(),
                record.journal().stream()
                        .map(entry -> new Booking(
                                entry.account(),
                                names.getOrDefault(entry.account(), ""),
                                plain(entry.debit()),
                                plain(entry.credit())))
                        .toList(),
                List.of());
    }

    /// As much of it as is known of a document that stands there.
    LedgerSide asStanding() {
        List<String> known = List.of("Number", "Date", "Net", "Tax", "Gross");
        return new LedgerSide(
                findings,
                facts.stream().filter(fact -> known.contains(fact.name())).toList(),
                lines,
                journal,
                List.of());
    }

    private static SentLine line(LedgerRecord.Line line) {
        return new SentLine(
                line.text(),
                line.item() == null ? "" : line.item(),
                line.account(),
                line.taxCode() == null ? "" : line.taxCode(),
                line.amount().toPlainString());
    }

    private static String plain(BigDecimal amount) {
        return amount.signum() == 0 ? "" : amount.toPlainString();
    }

    private static List<SentFact> facts(LedgerDocument sent, RouteSettings settings, Record record) {
        List<SentFact> facts = new ArrayList<>();
        if (record instanceof Document document) {
            facts.add(new SentFact(sent.kind().isSale() ? "Customer" : "Supplier", party(document, settings)));
        }
        facts.add(new SentFact("Number", number(sent)));
        String day = settings.is(Topic.DOCUMENT_DATE, sent.kind(), "batch")
                ? "the day of its batch"
                : sent.issueDate().toString();
        facts.add(new SentFact("Date", day));
        facts.add(new SentFact("Arrives as", sent.draft() ? "a draft, not booked" : "final"));
        facts.add(new SentFact("Net", Amounts.decimal(sent.net())));
        facts.add(new SentFact("Tax", Amounts.decimal(sent.tax())));
        facts.add(new SentFact("Gross", Amounts.decimal(sent.gross())));
        if (sent.toBeEmailed()) {
            facts.add(new SentFact("Marked", "to be e-mailed"));
        }
        if (!sent.note().isEmpty()) {
            facts.add(new SentFact("At the end", sent.note()));
        }
        return facts;
    }

    private static String number(LedgerDocument sent) {
        return sent.number().isEmpty()
                ? "given by the ledger, " + sent.series().prefix()
                        + sent.series().from() + " or above"
                : sent.number();
    }

    private static SentLine line(LedgerLine line) {
        return new SentLine(
                line.description(),
                line.counterpart().isEmpty() ? line.item() : line.counterpart(),
                line.account(),
                line.taxCode(),
                Amounts.decimal(line.amount()));
    }

    private static Booking booking(JournalLine line, Map<String, String> names) {
        return new Booking(
                line.account(),
                names.getOrDefault(line.account(), ""),
                line.debit().isZero() ? "" : Amounts.decimal(line.debit()),
                line.credit().isZero() ? "" : Amounts.decimal(line.credit()));
    }

    private static List<Booking> receipt(LedgerDocument sent, RouteSettings settings, Map<String, String> names) {
        // Money leaves for a bill and for a credit note.
        boolean leaves = sent.kind().isCredit() == sent.kind().isSale();
        String bank = settings.get(leaves ? Topic.PAYING_BANK : Topic.RECEIVING_BANK);
        if (bank.isEmpty()) {
            return List.of();
        }
        String gross = Amounts.decimal(sent.gross());
        Booking atBank = new Booking(bank, names.getOrDefault(bank, ""), leaves ? "" : gross, leaves ? gross : "");
        String control = sent.controlAccount();
        Booking settled =
                new Booking(control, names.getOrDefault(control, ""), leaves ? gross : "", leaves ? "" : gross);
        return List.of(atBank, settled);
    }
}
