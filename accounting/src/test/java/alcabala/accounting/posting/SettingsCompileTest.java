package alcabala.accounting.posting;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.Changed;
import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.LineBuilder;
import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.Tax;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.tax.TaxRounding;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What the settings of a route make of a document.
class SettingsCompileTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;
    private static final TaxCombination BOTH =
            TaxCombination.of(List.of(Tax.of("GST", "5", TaxCategory.S), Tax.of("PST", "7", TaxCategory.S)));

    /// Topics, each with what it is decided for unless that is the whole route, and the value.
    private static RouteSettings decided(Object... parts) {
        RouteSettings settings = Samples.SETTINGS;
        Carried of = Carried.EVERYTHING;
        Topic topic = null;
        for (Object part : parts) {
            switch (part) {
                case Topic about -> {
                    topic = about;
                    of = Carried.EVERYTHING;
                }
                case Carried kinds -> of = kinds;
                default -> settings = settings.with(topic, of, (String) part);
            }
        }
        return settings;
    }

    private static Compilation compile(Document document, RouteSettings settings) {
        return compile(
                document, settings, Samples.rows(), Samples.ledger(document.currency(), TaxRounding.PER_DOCUMENT));
    }

    private static Compilation compile(
            Document document, RouteSettings settings, List<CrosswalkRow> rows, LedgerProfile ledger) {
        Route route = new Route("yard", "Hullwork", "Inkwell", settings);
        return new Compiler(Crosswalk.of(rows, Samples.NOBODY), route, ledger).compile(document);
    }

    private static Document invoice() {
        return Samples.invoice(
                "HW-1",
                Samples.line(EUR, "chandlery", "7", "3.33", Samples.V23),
                Samples.line(EUR, "chandlery", "3", "4.45", Samples.V23),
                Samples.line(EUR, "labour", "1.25", "62.00", Samples.V13));
    }

    /// However lines are shaped, the books get the same sum and every journal balances.
    @ParameterizedTest(name = "tax {0}, lines {1}, ledger rounds {2}")
    @CsvSource({
        "off, each-line, PER_DOCUMENT",
        "off, by-account, PER_LINE",
        "as-mapped, by-account, PER_DOCUMENT",
        "as-mapped, by-account, PER_LINE"
    })
    void everyShapeBalancesAndOwesTheSame(String tax, String detail, TaxRounding rounding) {
        RouteSettings settings = decided(
                Topic.SALES_TAX,
                tax,
                Topic.PURCHASE_TAX,
                tax.equals("off") ? "in-cost" : "reclaimed",
                Topic.LINE_DETAIL,
                detail);
        RandomDocuments documents = new RandomDocuments(20261125);
        int crossed = 0;
        for (int i = 0; i < 2_000; i++) {
            Document document = documents.next();
            Compilation compiled =
                    compile(document, settings, Samples.rows(), Samples.ledger(document.currency(), rounding));
            if (compiled.ledgerDocument().isPresent()) {
                crossed++;
                check(
                        document,
                        compiled.ledgerDocument().get(),
                        compiled.journal().orElseThrow(),
                        settings);
            }
        }
        assertThat(crossed).isGreaterThan(1_800);
    }

    private static void check(Document document, LedgerDocument sent, Journal journal, RouteSettings settings) {
        Money gross = document.totals().gross();
        assertThat(journal.isBalanced()).isTrue();
        assertThat(sent.gross()).isEqualTo(gross);
        assertThat(sent.net().plus(sent.tax())).isEqualTo(gross);
        if (settings.taxIsOff()) {
            assertThat(sent.tax().isZero()).isTrue();
            assertThat(sent.lines()).extracting(LedgerLine::taxCode).containsOnly("");
            assertThat(journal.lines()).extracting(JournalLine::account).doesNotContain("2200");
            assertThat(sent.priceMode()).isEqualTo(PriceMode.NET);
        }
        if (settings.is(Topic.LINE_DETAIL, "by-account")) {
            assertThat(sent.lines())
                    .extracting(line -> line.account() + " " + line.taxCode())
                    .doesNotHaveDuplicates();
        }
    }

    @Test
    void taxSwitchedOffIsBookedAsRevenue() {
        Journal journal =
                compile(invoice(), decided(Topic.SALES_TAX, "off")).journal().orElseThrow();
        assertThat(journal.lines())
                .extracting(line -> line.account() + " " + line.debit().getAmount() + " "
                        + line.credit().getAmount())
                .containsExactly("1100 133.05 0.00", "4010 0.00 45.09", "4020 0.00 87.96");
    }

    @ParameterizedTest(name = "{0} {1}, of invoices only")
    @CsvSource({
        "SALES_TAX, off",
        "ARRIVAL, draft",
        "DOCUMENT_DATE, delivery",
        "LINE_DETAIL, by-account",
        "LINE_KIND, accounts",
        "ITEM_NAMES, yes",
        "LINE_NOTES, yes",
        "WORK_DESCRIPTION, yes",
        "E_MAIL, yes"
    })
    void whatShapesADocumentCanDifferByKind(Topic topic, String value) {
        Document document = described(invoice());
        Compilation plain = compile(document, RouteSettings.STANDARD);
        Compilation shaped = compile(document, RouteSettings.STANDARD.with(topic, value));
        assertThat(shaped).isNotEqualTo(plain);
        assertThat(compile(document, RouteSettings.STANDARD.with(topic, Carried.INVOICES, value)))
                .isEqualTo(shaped);
        assertThat(compile(document, RouteSettings.STANDARD.with(topic, Carried.CREDIT_NOTES, value)))
                .isEqualTo(plain);
        String standard = RouteSettings.STANDARD.get(topic);
        assertThat(compile(document, RouteSettings.STANDARD.with(topic, value).with(topic, Carried.INVOICES, standard)))
                .isEqualTo(plain);
    }

    @Test
    void taxSwitchedOffNeedsNoCodes() {
        TaxCombination unknown = TaxCombination.of(Tax.of("XX", "9", TaxCategory.S));
        Document document = Samples.invoice("HW-1", Samples.line(EUR, "chandlery", "1", "10.00", unknown));
        assertThat(compile(document, RouteSettings.STANDARD).findings())
                .hasOnlyElementsOfType(Finding.TaxUnmapped.class);
        assertThat(compile(document, decided(Topic.SALES_TAX, "off")).findings())
                .isEmpty();
    }

    @Test
    void oneLineForEachAccountAndTaxCode() {
        LedgerDocument sent = compile(invoice(), decided(Topic.LINE_DETAIL, "by-account"))
                .ledgerDocument()
                .orElseThrow();
        assertThat(sent.lines())
                .extracting(line -> line.description() + " " + line.account() + " " + line.taxCode() + " "
                        + line.amount().getAmount())
                .containsExactly("2 lines 4010 S23 36.66", "1 line 4020 R13 77.50");
    }

    @Test
    void textsOfLinesAndTheEndOfTheDocument() {
        Document document = described(invoice());
        LedgerDocument plain =
                compile(document, RouteSettings.STANDARD).ledgerDocument().orElseThrow();
        assertThat(plain.lines().getFirst().description()).isEqualTo("an item of chandlery");
        assertThat(plain.lines().getFirst().item()).isEqualTo("IT-chandlery");
        assertThat(plain.note()).isEmpty();
        assertThat(plain.draft()).isFalse();
        LedgerDocument full = compile(
                        document,
                        decided(
                                Topic.ITEM_NAMES, "yes",
                                Topic.LINE_NOTES, "yes",
                                Topic.LINE_KIND, "accounts",
                                Topic.WORK_DESCRIPTION, "yes",
                                Topic.ARRIVAL, "draft",
                                Topic.E_MAIL, "yes",
                                Topic.DOCUMENT_DATE, "delivery"))
                .ledgerDocument()
                .orElseThrow();
        assertThat(full.lines().getFirst().description()).isEqualTo("Shackle: an item of chandlery (on the hard)");
        assertThat(full.lines().getFirst().item()).isEmpty();
        assertThat(full.note()).isEqualTo("Rigging renewed");
        assertThat(full.draft()).isTrue();
        assertThat(full.toBeEmailed()).isTrue();
        assertThat(full.issueDate()).isEqualTo(LocalDate.of(2026, 11, 18));
        assertThat(compile(invoice(), decided(Topic.DOCUMENT_DATE, "delivery"))
                        .ledgerDocument()
                        .orElseThrow()
                        .issueDate())
                .as("without a day of delivery its own")
                .isEqualTo(LocalDate.of(2026, 11, 20));
    }

    @Test
    void numbersOfTheSourceGetAPrefixAndThoseOfTheLedgerAreLeftToIt() {
        Document credit = Samples.document(
                RecordKind.CREDIT_NOTE,
                "HC-9",
                PriceMode.NET,
                List.of(Samples.line(EUR, "chandlery", "1", "10.00", Samples.V23)),
                List.of());
        LedgerDocument own = compile(credit, decided(Topic.NUMBER_PREFIX, "SM-"))
                .ledgerDocument()
                .orElseThrow();
        assertThat(own.number()).isEqualTo("SM-HC-9");
        assertThat(own.series()).isEqualTo(NumberSeries.OWN);
        LedgerDocument given = compile(
                        credit,
                        decided(
                                Topic.NUMBERED_BY,
                                "ledger",
                                Topic.NUMBER_PREFIX,
                                "SM-",
                                Topic.FIRST_NUMBER,
                                Carried.INVOICES,
                                "5000",
                                Topic.FIRST_NUMBER,
                                Carried.CREDIT_NOTES,
                                "700"))
                .ledgerDocument()
                .orElseThrow();
        assertThat(given.number()).isEmpty();
        assertThat(given.series()).isEqualTo(new NumberSeries("SM-", 700));
    }

    @ParameterizedTest
    @CsvSource({"2026-11-19, true", "2026-11-20, true", "2026-11-21, false"})
    void whatIsDatedBeforeTheFirstDayStaysHere(String day, boolean crosses) {
        Compilation compiled = compile(invoice(), decided(Topic.CUT_OFF, Carried.INVOICES, day));
        assertThat(compiled.ledgerDocument().isPresent()).isEqualTo(crosses);
        assertThat(compile(invoice(), decided(Topic.CUT_OFF, Carried.CREDIT_NOTES, day))
                        .isBlocked())
                .as("of the other kind")
                .isFalse();
    }

    @Test
    void aKindThatDoesNotCrossAndAPartyToBeAskedAboutBlock() {
        assertThat(compile(invoice(), decided(Topic.DIRECTION, Carried.INVOICES, "none"))
                        .findings())
                .containsExactly(new Finding.DoesNotCross(RecordKind.INVOICE));
        RouteSettings ask = decided(Topic.NEW_PARTIES, "ask");
        assertThat(compile(invoice(), ask).findings())
                .containsExactly(new Finding.PartyMissing("C-1", "Pell Estuary Trust"));
        List<CrosswalkRow> known = new ArrayList<>(Samples.rows());
        known.add(Samples.row(RowKind.PARTY, "C-1", "IC-1", ""));
        assertThat(compile(invoice(), ask, known, Samples.ledger(EUR, TaxRounding.PER_DOCUMENT))
                        .isBlocked())
                .isFalse();
    }

    @Test
    void aLineThatStatesNoTaxTakesTheCodeDecidedForThat() {
        Document document = Samples.invoice("HW-1", Samples.line(EUR, "chandlery", "1", "10.00", TaxCombination.NONE));
        assertThat(compile(document, RouteSettings.STANDARD).findings())
                .containsExactly(new Finding.TaxUnmapped("none", BigDecimal.ZERO));
        assertThat(compile(document, decided(Topic.UNSTATED_TAX, "Z0"))
                        .ledgerDocument()
                        .orElseThrow()
                        .lines())
                .extracting(LedgerLine::taxCode)
                .containsExactly("Z0");
    }

    @Test
    void twoTaxesOnALineMapAsOneAndALedgerOfOneCodeTakesNoSecond() {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.add(Samples.row(RowKind.TAX, "GST+PST", "BOTH", ""));
        DocumentLine both = Samples.line(EUR, "chandlery", "3", "33.35", BOTH);
        Compilation clean = compile(Samples.invoice("HP-1", both), RouteSettings.STANDARD, rows, oneCode());
        assertThat(clean.ledgerDocument().orElseThrow().tax()).isEqualTo(Money.parse("EUR 12.01"));
        DocumentLine other = Samples.line(EUR, "chandlery", "1", "10.00", Samples.V0);
        assertThat(compile(Samples.invoice("HP-2", both, other), RouteSettings.STANDARD, rows, oneCode())
                        .findings())
                .containsExactly(new Finding.SeveralTaxCodes(List.of("BOTH", "Z0")));
        rows.removeIf(row -> row.kind() == RowKind.TAX && row.code().equals(Samples.V0.key()));
        assertThat(compile(Samples.invoice("HP-3", both, other), RouteSettings.STANDARD, rows, oneCode())
                        .findings())
                .as("one that has no code yet is no second one")
                .noneMatch(Finding.SeveralTaxCodes.class::isInstance)
                .isNotEmpty();
    }

    private static LedgerProfile oneCode() {
        LedgerProfile plain = Samples.ledger(EUR, TaxRounding.PER_DOCUMENT);
        Map<String, LedgerTaxCode> codes = new HashMap<>(plain.taxCodes());
        codes.put("BOTH", new LedgerTaxCode("BOTH", "BOTH", new BigDecimal("12"), TaxCategory.S, "2200", "", true));
        return Changed.in(Changed.in(plain, "taxCodes", codes), "oneTaxCode", true);
    }

    @Test
    void aSiteWithoutARouteIsTheOnlyFinding() {
        Compiler nowhere = Compiler.unrouted(new Route("unrouted-1", "Hullwork", "", RouteSettings.STANDARD));
        assertThat(nowhere.compile(described(invoice())).findings())
                .containsExactly(new Finding.Unrouted("Port Ellery"));
    }

    private static Document described(Document document) {
        return DocumentBuilder.like(document)
                .delivered(LocalDate.of(2026, 11, 18))
                .site("Port Ellery")
                .note("Rigging renewed")
                .lines(document.lines().stream()
                        .map(line -> LineBuilder.like(line)
                                .itemName("Shackle")
                                .note("on the hard")
                                .build())
                        .toList())
                .build();
    }

    @Test
    void whatWasEnteredOnTheLedgerGoesBackInTheSourcesOwnCodesWhereItsKindComesBack() {
        Document entered = Changed.in(invoice(), "origin", Origin.LEDGER);
        assertThat(compile(entered, decided()).findings())
                .containsExactly(new Finding.DoesNotCross(RecordKind.INVOICE));
        for (String direction : List.of("both", "from-ledger")) {
            Compilation back = compile(entered, decided(Topic.DIRECTION, Carried.INVOICES, direction));
            assertThat(back.findings()).isEmpty();
            assertThat(back.journal().orElseThrow().lines())
                    .as("booked there already")
                    .isEmpty();
            LedgerDocument told = back.ledgerDocument().orElseThrow();
            assertThat(told.number()).isEqualTo(entered.number());
            assertThat(told.bringsParty()).isFalse();
            assertThat(told.partyCounterpart()).isEqualTo(entered.counterparty().code());
            assertThat(told.lines()).hasSameSizeAs(entered.lines());
            assertThat(told.lines().getFirst().taxCode())
                    .isEqualTo(entered.lines().getFirst().tax().key());
            assertThat(told.gross()).isEqualTo(entered.gross());
        }
        Document own = invoice();
        assertThat(compile(own, decided(Topic.DIRECTION, Carried.INVOICES, "from-ledger"))
                        .findings())
                .as("its own stay where they are")
                .containsExactly(new Finding.DoesNotCross(RecordKind.INVOICE));
    }
}
