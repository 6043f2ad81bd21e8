package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V13;
import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.invoice;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;
import static org.joda.money.CurrencyUnit.EUR;

import alcabala.accounting.Changed;
import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.field.Half;
import alcabala.accounting.posting.PutTogether.Outcome;
import alcabala.accounting.posting.PutTogether.Why;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.sync.Both;
import alcabala.accounting.sync.Kept;
import alcabala.accounting.sync.LineMatch.Places;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;

/// A document goes again with what its source changed, and the ledger keeps what was changed there.
class PutTogetherTest {
    private static final LocalDate LATER = LocalDate.of(2026, 12, 24);
    private static final Compilation COMPILED = compiled(Samples.rows(), twoLines());

    private static Document twoLines() {
        return invoice("HW-1", line(EUR, "chandlery", "2", "50.00", V23), line(EUR, "labour", "1", "80.00", V13));
    }

    private static Compilation compiled(List<CrosswalkRow> rows, Document document) {
        return Samples.compiler(rows).compile(document);
    }

    private static LedgerDocument sent() {
        return COMPILED.ledgerDocument().orElseThrow();
    }

    private static StandsAs there(String gross, LedgerLine... lines) {
        return new StandsAs(
                "INK-9",
                "IC-1",
                sent().issueDate().minusDays(1),
                LATER,
                Money.of(EUR, new BigDecimal(gross)),
                List.of(lines));
    }

    private static StandsAs there(LedgerLine... lines) {
        return there(sent().gross().getAmount().toPlainString(), lines);
    }

    private static LedgerLine booked(LedgerLine line, String account, String amount, String taxCode) {
        return new LedgerLine(
                "",
                line.counterpart(),
                "as it is called there",
                line.quantity(),
                line.price(),
                line.adjustment(),
                Money.of(EUR, new BigDecimal(amount)),
                account,
                taxCode,
                Map.of("department", "YARD"));
    }

    private static StandsAs firstLine(String account, String amount, String taxCode) {
        return there(
                booked(sent().lines().get(0), account, amount, taxCode),
                sent().lines().get(1));
    }

    private static Kept changed(String... fields) {
        return new Kept(
                new TreeSet<>(Set.of(fields)), new TreeSet<>(Set.of(fields)), new TreeSet<>(), new TreeSet<>(), false);
    }

    private static Kept apart(String... fields) {
        return new Kept(new TreeSet<>(Set.of(fields)), new TreeSet<>(), new TreeSet<>(), new TreeSet<>(), false);
    }

    /// What was changed there of what it says stays; what only differs goes as its source has it by now.
    @Test
    void whatADocumentSaysStaysAsItWasChangedThere() {
        Map<String, String> fields = Map.of("HULL", "CB-2", "BERTH", "S", "OWN", "theirs");
        LedgerDocument says = sent().saying("Thank you", "30D", Map.of("HULL", "CB-1", "BERTH", "N", "SURVEY", "x"));
        StandsAs there = new StandsAs(
                "INK-9",
                "IC-1",
                says.issueDate(),
                LATER,
                says.gross(),
                says.lines(),
                "With thanks",
                "14D",
                fields,
                "",
                "");
        Kept kept = new Kept(
                new TreeSet<>(Set.of(Half.NOTE, Half.TERMS, Half.own("HULL"), Half.own("SURVEY"))),
                new TreeSet<>(Set.of(Half.NOTE, Half.own("HULL"), Half.own("SURVEY"))),
                new TreeSet<>(),
                new TreeSet<>(),
                false);
        LedgerDocument goes = document((Outcome.Goes) together(saying(says), kept, there));
        assertThat(goes.note()).isEqualTo("With thanks");
        assertThat(goes.terms()).as("only apart").isEqualTo("30D");
        assertThat(goes.fields())
                .as("of what goes at all; what was emptied there stays so")
                .isEqualTo(Map.of("HULL", "CB-2", "BERTH", "N", "SURVEY", ""));
    }

    private static Compilation saying(LedgerDocument says) {
        return new Compilation(
                COMPILED.findings(), COMPILED.lines(), COMPILED.tax(), Optional.of(says), COMPILED.journal());
    }

    private static Outcome.Goes goes(Kept kept, StandsAs there) {
        return (Outcome.Goes) together(COMPILED, kept, there);
    }

    private static LedgerDocument document(Outcome.Goes goes) {
        return (LedgerDocument) goes.entry();
    }

    /// Lines stand on either side as they were linked.
    private static Outcome together(Compilation compiled, Kept kept, StandsAs there) {
        int here = compiled.lines().size();
        return PutTogether.of(
                compiled,
                kept,
                there,
                new Places(new Both<>(counted(here), counted(there.lines().size()))));
    }

    private static SortedMap<Integer, Integer> counted(int lines) {
        SortedMap<Integer, Integer> places = new TreeMap<>();
        IntStream.rangeClosed(1, lines).forEach(line -> places.put(line, line));
        return places;
    }

    private static void assertCannot(Kept kept, StandsAs there, String field, Why why) {
        assertThat(together(COMPILED, kept, there)).isEqualTo(new Outcome.Cannot(field, why));
    }

    private static List<String> journal(Journal journal) {
        return journal.byAccount().lines().stream()
                .map(line -> line.account() + " " + line.amount().getAmount())
                .toList();
    }

    @Test
    void nothingKeptIsWhatWouldGoAnyway() {
        Outcome.Goes goes = goes(changed(), there(sent().lines().toArray(LedgerLine[]::new)));
        assertThat(goes.entry()).isEqualTo(sent());
        assertThat(goes.journal()).isEqualTo(COMPILED.journal().orElseThrow());
    }

    @Test
    void aLineBookedElsewhereStaysThereAndItsJournalFollows() {
        Outcome.Goes goes = goes(changed("line 1"), firstLine("4015", "100.00", "S23"));
        assertThat(goes.entry().lines()).extracting(LedgerLine::account).containsExactly("4015", "4020");
        assertThat(goes.entry().lines().getFirst().description()).isEqualTo("as it is called there");
        assertThat(goes.entry().hasSumsOf(sent())).isTrue();
        assertThat(journal(COMPILED.journal().orElseThrow()))
                .containsExactly("1100 213.80", "4010 -100.00", "4020 -80.00", "2200 -33.80");
        assertThat(journal(goes.journal()))
                .containsExactlyInAnyOrder("1100 213.80", "4015 -100.00", "4020 -80.00", "2200 -33.80");
        assertThat(goes.journal().isBalanced()).isTrue();
    }

    @Test
    void twoLinesOfOneAccountPartWhenOneOfThemIsBookedElsewhere() {
        Compilation same = compiled(
                Samples.rows(),
                invoice("HW-2", line(EUR, "labour", "1", "30.00", V23), line(EUR, "labour", "1", "50.00", V23)));
        LedgerDocument document = same.ledgerDocument().orElseThrow();
        StandsAs there = new StandsAs(
                "INK-9",
                "IC-1",
                document.issueDate(),
                document.dueDate(),
                document.gross(),
                List.of(document.lines().get(0), booked(document.lines().get(1), "4010", "50.00", "S23")));
        Outcome.Goes goes = (Outcome.Goes) together(same, changed("line 2"), there);
        assertThat(journal(goes.journal()))
                .containsExactlyInAnyOrder("1100 98.40", "4020 -30.00", "4010 -50.00", "2200 -18.40");
    }

    @Test
    void whatAnInvoiceAddsACreditNoteTakesAway() {
        Document credit = Samples.document(
                RecordKind.CREDIT_NOTE,
                "CN-1",
                PriceMode.NET,
                List.of(line(EUR, "labour", "1", "30.00", V23)),
                List.of());
        Compilation compiled = compiled(Samples.rows(), credit);
        LedgerDocument document = compiled.ledgerDocument().orElseThrow();
        StandsAs there = new StandsAs(
                "C-9",
                "IC-1",
                document.issueDate(),
                document.dueDate(),
                document.gross(),
                List.of(booked(document.lines().getFirst(), "4010", "30.00", "S23")));
        Outcome.Goes goes = (Outcome.Goes) together(compiled, changed("line 1"), there);
        assertThat(journal(goes.journal())).containsExactlyInAnyOrder("1100 -36.90", "4010 30.00", "2200 6.90");
    }

    @Test
    void daysAndNumbersStayAsTheyAreThere() {
        StandsAs there = there(sent().lines().toArray(LedgerLine[]::new));
        LedgerDocument kept = document(goes(changed(Half.DUE_DATE, Half.ISSUE_DATE, Half.NUMBER), there));
        assertThat(List.of(kept.dueDate(), kept.issueDate(), kept.number()))
                .isEqualTo(List.of(LATER, there.date(), "INK-9"));
        StandsAs never = new StandsAs("INK-9", "IC-1", there.date(), null, there.gross(), there.lines());
        assertThat(document(goes(changed(Half.DUE_DATE), never)).dueDate()).isNull();
    }

    @Test
    void itStaysMadeOutToWhomItIsThere() {
        StandsAs there = there(sent().lines().toArray(LedgerLine[]::new));
        assertThat(sent().partyCounterpart()).isEmpty();
        assertThat(goes(apart(Half.PARTY), there).entry().partyCounterpart()).isEqualTo("IC-1");
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.add(Samples.row(RowKind.PARTY, sent().party(), "IC-7", ""));
        Outcome.Goes other = (Outcome.Goes) together(compiled(rows, twoLines()), changed(Half.PARTY), there);
        assertThat(other.entry().partyCounterpart()).isEqualTo("IC-1");
        assertThat(other.changedThere()).containsExactly(Half.PARTY);
    }

    @Test
    void whatWouldComeToSomethingElseIsNotPutTogether() {
        assertCannot(changed("line 1"), firstLine("4010", "100.01", "S23"), "line 1", Why.SUMS);
        assertCannot(changed("line 1"), firstLine("4010", "100.00", "R13"), "line 1", Why.SUMS);
        assertCannot(changed(), there("213.81", sent().lines().toArray(LedgerLine[]::new)), Half.GROSS, Why.SUMS);
        Kept moved = new Kept(new TreeSet<>(), new TreeSet<>(), new TreeSet<>(), new TreeSet<>(), true);
        assertThat(goes(moved, there("213.81", sent().lines().toArray(LedgerLine[]::new)))
                        .entry())
                .as("its source changed the sum")
                .isEqualTo(sent());
    }

    @Test
    void aLineThatOneSideAloneHasIsNotPutTogether() {
        assertCannot(changed("line 2"), there(sent().lines().getFirst()), "line 2", Why.LINES);
        assertCannot(changed("line 3"), there(sent().lines().toArray(LedgerLine[]::new)), "line 3", Why.LINES);
    }

    /// A line of the ledger that its source changed stays where it comes to the same.
    @Test
    void whatIsTheLedgersStaysOrIsNotPutTogether() {
        Kept owned = new Kept(
                new TreeSet<>(Set.of("line 1")),
                new TreeSet<>(),
                new TreeSet<>(),
                new TreeSet<>(Set.of("line 1")),
                true);
        String amount = sent().lines().get(0).amount().getAmount().toPlainString();
        String code = sent().lines().get(0).taxCode();
        assertThat(goes(owned, firstLine("4020", amount, code))
                        .entry()
                        .lines()
                        .get(0)
                        .account())
                .isEqualTo("4020");
        assertCannot(owned, firstLine("4020", "1.00", code), "line 1", Why.OWNED);
        assertCannot(
                new Kept(
                        new TreeSet<>(Set.of("line 3")),
                        new TreeSet<>(),
                        new TreeSet<>(),
                        new TreeSet<>(Set.of("line 3")),
                        true),
                there(sent().lines().toArray(LedgerLine[]::new)),
                "line 3",
                Why.OWNED);
    }

    @Test
    void whatFollowsFromSomethingElseGoesAsItsSourceHasIt() {
        assertThat(goes(apart("line 1"), firstLine("4015", "99.00", "S23"))
                        .entry()
                        .lines())
                .as("its share of an allowance, say")
                .isEqualTo(sent().lines());
        assertThat(goes(apart("line 1"), firstLine("4015", "100.00", "S23"))
                        .entry()
                        .lines()
                        .getFirst()
                        .account())
                .as("left there by a person before")
                .isEqualTo("4015");
    }

    /// Of a document in another currency every line of the journal takes part in the converting.
    @Test
    void inAnotherCurrencyALineBookedElsewhereIsNotPutTogether() {
        Compilation dollars = new DollarBooks() {}.compile(DollarBooks.invoice("1.37", DollarBooks.goods("10.00")));
        LedgerDocument document = dollars.ledgerDocument().orElseThrow();
        LedgerLine line = document.lines().getFirst();
        StandsAs there = new StandsAs(
                "INK-9", "IC-1", document.issueDate(), LATER, document.gross(), List.of(onAccount(line, "4015")));
        assertThat(together(dollars, changed("line 1"), there)).isEqualTo(new Outcome.Cannot("line 1", Why.BOOKED));
        assertThat(((Outcome.Goes) together(dollars, apart("line 1"), there)).entry())
                .as("nobody changed it")
                .isEqualTo(document);
        assertThat(together(dollars, changed(Half.DUE_DATE), there)).isInstanceOf(Outcome.Goes.class);
    }

    /// Whatever is kept, the journal balances and what the document comes to stays.
    @Test
    void whateverIsKeptTheJournalBalances() {
        RandomDocuments documents = new RandomDocuments(72);
        int put = 0;
        for (int i = 0; i < 500; i++) {
            Compilation compiled = compiled(Samples.rows(), documents.next(EUR, 1 + i % 6));
            if (compiled.ledgerDocument().isEmpty()) {
                continue;
            }
            LedgerDocument document = compiled.ledgerDocument().orElseThrow();
            List<LedgerLine> there = new ArrayList<>(document.lines());
            int place = i % there.size();
            there.set(place, onAccount(there.get(place), "4015"));
            StandsAs stands = new StandsAs("INK-9", "IC-1", document.issueDate(), LATER, document.gross(), there);
            if (together(compiled, changed(Half.line(place + 1)), stands) instanceof Outcome.Goes goes) {
                put++;
                assertThat(goes.journal().isBalanced()).isTrue();
                assertThat(goes.entry().hasSumsOf(document)).isTrue();
                assertThat(goes.entry().lines().get(place).account()).isEqualTo("4015");
            }
        }
        assertThat(put).as("documents put together").isGreaterThan(300);
    }

    private static LedgerLine onAccount(LedgerLine line, String account) {
        return Changed.in(line, "account", account);
    }

    @Test
    void whatBothChangedWaitsForAPerson() {
        Kept both = new Kept(
                new TreeSet<>(), new TreeSet<>(), new TreeSet<>(Set.of(Half.DUE_DATE)), new TreeSet<>(), false);
        assertCannot(both, there(sent().lines().toArray(LedgerLine[]::new)), Half.DUE_DATE, Why.CONFLICT);
    }
}
