package alcabala.accounting.crosswalk;

import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import alcabala.accounting.Changed;
import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.LineBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.WalkStep.Verdict;
import alcabala.accounting.document.AllowanceCharge;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerDimension;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Compiler;
import alcabala.accounting.posting.JournalLine;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Targets;
import alcabala.accounting.tax.TaxRounding;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The walk of domain, section 3: for each question, which row answers, and what every step said.
class ResolverTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;
    private static final DocumentLine GOODS = LineBuilder.like(line(EUR, "chandlery", "2", "10.00", V23))
            .item("SHK-08")
            .project("WO-7001")
            .build();
    private static final List<CrosswalkRow> ALL = List.of(
            row(RowKind.LINE, "7/1", Purpose.ACCOUNT, "4001"),
            row(RowKind.ITEM, "SHK-08", Purpose.INCOME, "4002"),
            row(RowKind.CATEGORY, "chandlery", Purpose.INCOME, "4003"),
            row(RowKind.PROJECT, "WO-7001", Purpose.INCOME, "4004"),
            row(RowKind.PARTY, "C-1", Purpose.INCOME, "4005"),
            row(RowKind.LINE_KIND, "GOODS", Purpose.INCOME, "4006"),
            row(RowKind.ROLE, "SALES", Purpose.ACCOUNT, "4007"));

    private static CrosswalkRow row(RowKind kind, String code, Purpose purpose, String target) {
        return Samples.row(kind, code, Meaning.NONE.with(purpose, target));
    }

    private static CrosswalkRow row(RowKind kind, String code, String dimension, String value) {
        return Samples.row(kind, code, new Meaning(Map.of(), Map.of(dimension, value)));
    }

    private static Document invoice(DocumentLine... lines) {
        return DocumentBuilder.like(Samples.invoice("HW-1", lines))
                .site("Saltmere")
                .build();
    }

    private static Document bill(DocumentLine... lines) {
        return Samples.document(RecordKind.BILL, "KW-1", PriceMode.NET, List.of(lines), List.<AllowanceCharge>of());
    }

    private static Walk walk(List<CrosswalkRow> rows, Document document) {
        return new Resolver(Crosswalk.of(rows, Samples.NOBODY), document, "7")
                .account(document.lines().getFirst());
    }

    /// As for a line that is for no job and nobody in particular.
    @Test
    void whereAnItemGoesIsSaidByTheSameRules() {
        List<CrosswalkRow> rows = new ArrayList<>(ALL);
        rows.removeIf(
                row -> Set.of(RowKind.LINE, RowKind.PROJECT, RowKind.PARTY).contains(row.kind()));
        while (!rows.isEmpty()) {
            assertThat(Crosswalk.of(rows, Samples.NOBODY)
                            .accountOf(Purpose.INCOME, "SHK-08", "chandlery", LineKind.GOODS))
                    .isEqualTo(walk(rows, invoice(GOODS)).answer());
            rows.removeFirst();
        }
        Crosswalk general =
                Crosswalk.of(List.of(row(RowKind.CATEGORY, "carriage", Purpose.INCOME, "4080")), Samples.NOBODY);
        assertThat(general.accountOf(Purpose.INCOME, "CRG-01", "carriage", LineKind.SHIPPING))
                .isEqualTo("4080");
    }

    /// What is said of the income says nothing of what the goods cost or where they lie, and the other way round.
    @ParameterizedTest
    @CsvSource({"COST, COST_OF_SALES", "STOCK, INVENTORY"})
    void goodsHaveAWalkOfTheirOwnWithTheSiteInIt(Purpose purpose, AccountRole role) {
        List<CrosswalkRow> goods = List.of(
                row(RowKind.LINE, "7/1", purpose, "5001"),
                row(RowKind.ITEM, "SHK-08", purpose, "5002"),
                row(RowKind.CATEGORY, "chandlery", purpose, "5003"),
                row(RowKind.PROJECT, "WO-7001", purpose, "5004"),
                row(RowKind.PARTY, "C-1", purpose, "5005"),
                row(RowKind.SITE, "Saltmere", purpose, "5006"),
                row(RowKind.LINE_KIND, "GOODS", purpose, "5007"),
                row(RowKind.ROLE, role.name(), Purpose.ACCOUNT, "5008"));
        for (int i = 0; i <= goods.size(); i++) {
            List<CrosswalkRow> rows = i == goods.size() ? ALL : goods.subList(i, goods.size());
            Resolver resolver = new Resolver(Crosswalk.of(rows, Samples.NOBODY), invoice(GOODS), "7");
            Walk walk = purpose == Purpose.COST ? resolver.cost(GOODS) : resolver.stock(GOODS);
            assertThat(walk.answer()).isEqualTo(i == goods.size() ? "" : "500" + (i + 1));
            assertThat(walk.steps()).hasSize(8);
            assertThat(resolver.account(GOODS).answer()).isEqualTo(i == goods.size() ? "4001" : "");
        }
        Crosswalk crosswalk = Crosswalk.of(goods, Samples.NOBODY);
        assertThat(crosswalk.accountOf(purpose, "SHK-08", "chandlery", LineKind.GOODS))
                .isEqualTo("5002");
        assertThat(crosswalk.accountOf(purpose, "OTHER", "other", LineKind.GOODS))
                .isEqualTo("5007");
        assertThat(crosswalk.accountOf(purpose, "OTHER", "other", LineKind.FEE)).isEqualTo("5008");
    }

    @Test
    void theMostSpecificRuleAnswers() {
        List<CrosswalkRow> rows = new ArrayList<>(ALL);
        for (int i = 1; i <= ALL.size(); i++) {
            Walk walk = walk(rows, invoice(GOODS));
            assertThat(walk.answer()).isEqualTo("400" + i);
            assertThat(walk.findAnswered().orElseThrow().row()).isEqualTo(rows.getFirst());
            rows.removeFirst();
        }
        assertThat(walk(rows, invoice(GOODS)).answer()).isEmpty();
        assertThat(Crosswalk.of(rows, Samples.NOBODY).accountOf(Purpose.INCOME, "SHK-08", "chandlery", LineKind.GOODS))
                .isEmpty();
        assertThat(walk(rows, invoice(GOODS)).findAnswered()).isEmpty();
    }

    @Test
    void theWalkTellsWhatEveryStepSaid() {
        List<CrosswalkRow> rows = List.of(
                row(RowKind.ITEM, "SHK-08", Purpose.COUNTERPART, "SHACKLE8"),
                row(RowKind.PARTY, "C-1", Purpose.INCOME, "4005"));
        assertThat(walk(rows, invoice(GOODS)).steps())
                .extracting(WalkStep::step, WalkStep::verdict, WalkStep::subject, WalkStep::row, WalkStep::answer)
                .containsExactly(
                        tuple(Step.LINE_OVERRIDE, Verdict.NO_ROW, "7/1", null, ""),
                        tuple(Step.ITEM, Verdict.NO_ROW, "SHK-08", rows.getFirst(), ""),
                        tuple(Step.CATEGORY, Verdict.NO_ROW, "chandlery", null, ""),
                        tuple(Step.PROJECT, Verdict.NO_ROW, "WO-7001", null, ""),
                        tuple(Step.PARTY, Verdict.ANSWERED, "C-1", rows.getLast(), "4005"),
                        tuple(Step.LINE_KIND, Verdict.NOT_ASKED, "GOODS", null, ""),
                        tuple(Step.ROLE, Verdict.NOT_ASKED, "SALES", null, ""));
    }

    /// Whoever sold it says what it is for; what stands on his bill for an item, means nothing here.
    @Test
    void aBillAsksItsProjectThenItsSupplier() {
        List<CrosswalkRow> rows = new ArrayList<>(List.of(
                row(RowKind.PROJECT, "WO-7001", Purpose.EXPENSE, "5001"),
                row(RowKind.SUPPLIER, "C-1", Purpose.EXPENSE, "5002"),
                row(RowKind.LINE_KIND, "GOODS", Purpose.EXPENSE, "5003")));
        rows.addAll(List.of(ALL.get(1), ALL.get(2), ALL.get(4)));
        for (String account : List.of("5001", "5002", "5003")) {
            assertThat(walk(rows, bill(GOODS)).answer()).isEqualTo(account);
            rows.removeFirst();
        }
        assertThat(walk(rows, bill(GOODS)).answer()).isEmpty();
    }

    @ParameterizedTest(name = "a line of {0} asks a project that says {1}: {2}")
    @CsvSource({
        "GOODS, INCOME, true",
        "GOODS, SHIPPING, false",
        "GOODS, EXPENSE, false",
        "SHIPPING, SHIPPING, true",
        "SHIPPING, INCOME, true",
        "SHIPPING, DISCOUNT, false",
        "DISCOUNT, DISCOUNT, true",
        "DISCOUNT, INCOME, true",
        "ADVANCE, ADVANCE, true",
        "ADVANCE, INCOME, false"
    })
    void aLineAsksForItsOwnPurpose(LineKind kind, Purpose said, boolean answers) {
        DocumentLine asking = LineBuilder.like(GOODS).kind(kind).build();
        Walk walk = walk(List.of(row(RowKind.PROJECT, "WO-7001", said, "4004")), invoice(asking));
        assertThat(walk.answer()).isEqualTo(answers ? "4004" : "");
    }

    @Test
    void theParticularPurposeComesBeforeTheGeneralOne() {
        DocumentLine carriage = LineBuilder.like(GOODS).kind(LineKind.SHIPPING).build();
        CrosswalkRow both = Samples.row(
                RowKind.PROJECT,
                "WO-7001",
                Meaning.NONE.with(Purpose.INCOME, "4004").with(Purpose.SHIPPING, "4040"));
        assertThat(walk(List.of(both), invoice(carriage)).answer()).isEqualTo("4040");
        assertThat(walk(List.of(both), invoice(GOODS)).answer()).isEqualTo("4004");
    }

    @Test
    void anAdvanceAsksNeitherItemNorKind() {
        DocumentLine advance = LineBuilder.like(GOODS).kind(LineKind.ADVANCE).build();
        List<CrosswalkRow> rows = new ArrayList<>(ALL);
        rows.add(row(RowKind.ROLE, "CUSTOMER_ADVANCES", Purpose.ACCOUNT, "2300"));
        rows.removeFirst();
        assertThat(walk(rows, invoice(advance)).answer()).isEqualTo("2300");
        assertThat(walk(rows, invoice(advance)).steps())
                .extracting(WalkStep::step)
                .containsExactly(Step.LINE_OVERRIDE, Step.PROJECT, Step.PARTY, Step.ROLE);
    }

    @Test
    void anOverrideIsOfItsRecordAndLineWhateverTheNumber() {
        Crosswalk crosswalk = Crosswalk.of(ALL.subList(0, 1), Samples.NOBODY);
        Document renumbered = Changed.in(invoice(GOODS), "number", "HW-2");
        assertThat(new Resolver(crosswalk, renumbered, "7").account(GOODS).answer())
                .isEqualTo("4001");
        assertThat(new Resolver(crosswalk, renumbered, "8").account(GOODS).answer())
                .isEmpty();
        assertThat(new Resolver(crosswalk, renumbered, "").account(GOODS).answer())
                .as("not kept yet")
                .isEmpty();
    }

    @Test
    void aDimensionIsResolvedByTheSameWalk() {
        List<CrosswalkRow> rows = new ArrayList<>(List.of(
                row(RowKind.LINE, "7/1", "DEPT", "D1"),
                row(RowKind.ITEM, "SHK-08", "DEPT", "D2"),
                row(RowKind.CATEGORY, "chandlery", "DEPT", "D3"),
                row(RowKind.PROJECT, "WO-7001", "DEPT", "D4"),
                row(RowKind.PARTY, "C-1", "DEPT", "D5"),
                row(RowKind.SITE, "Saltmere", "DEPT", "D6"),
                row(RowKind.LINE_KIND, "GOODS", "DEPT", "D7")));
        for (int i = 1; !rows.isEmpty(); i++) {
            Resolver resolver = new Resolver(Crosswalk.of(rows, Samples.NOBODY), invoice(GOODS), "7");
            assertThat(resolver.dimension(GOODS, "DEPT").answer()).isEqualTo("D" + i);
            assertThat(resolver.dimension(GOODS, "SITE").answer()).isEmpty();
            rows.removeFirst();
        }
    }

    private static Compilation compile(Document document, String detail, LedgerProfile ledger, CrosswalkRow... more) {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.addAll(List.of(more));
        Compiler compiler = new Compiler(
                Crosswalk.of(rows, Samples.NOBODY),
                Changed.in(Samples.ROUTE, "settings", Samples.SETTINGS.with(Topic.LINE_DETAIL, detail)),
                ledger);
        return compiler.compile(document, "7", Targets.NONE);
    }

    private static LedgerProfile withDepartments(String... values) {
        return Changed.in(
                Samples.ledger(EUR, TaxRounding.PER_DOCUMENT),
                "dimensions",
                Map.of("DEPT", new LedgerDimension("DEPT", "Department", Set.of(values))));
    }

    @Test
    void linesAndJournalAreToldApartByDimensions() {
        DocumentLine labour = line(EUR, "chandlery", "1", "30.00", V23);
        Document document = invoice(GOODS, labour, labour);
        CrosswalkRow shop = row(RowKind.PROJECT, "WO-7001", "DEPT", "SHOP");
        CrosswalkRow item = row(RowKind.ITEM, "SHK-08", Purpose.INCOME, "4010");

        Compilation compiled = compile(document, "by-account", withDepartments("SHOP"), shop, item);
        assertThat(compiled.ledgerDocument().orElseThrow().lines())
                .extracting(
                        LedgerLine::account,
                        LedgerLine::dimensions,
                        l -> l.amount().toString())
                .containsExactly(
                        tuple("4010", Map.of("DEPT", "SHOP"), "EUR 20.00"), tuple("4010", Map.of(), "EUR 60.00"));
        assertThat(compiled.journal().orElseThrow().lines().stream()
                        .filter(line -> line.account().equals("4010")))
                .extracting(line -> line.key().dimensions(), JournalLine::credit)
                .extracting(Object::toString)
                .containsExactly("({\"DEPT\"=\"SHOP\"}, EUR 20.00)", "({}, EUR 60.00)");
        assertThat(compiled.journal().orElseThrow().byAccount().lines()).hasSize(3);
        assertThat(compile(document, "by-account", Samples.ledger(EUR, TaxRounding.PER_DOCUMENT), shop, item)
                        .ledgerDocument()
                        .orElseThrow()
                        .lines())
                .as("a ledger without dimensions is sent none")
                .extracting(LedgerLine::dimensions)
                .containsExactly(Map.of());
    }

    @Test
    void aValueThatTheLedgerDoesNotHaveIsFound() {
        CrosswalkRow shop = row(RowKind.CATEGORY, "chandlery", "DEPT", "SHOP");
        CrosswalkRow item = row(RowKind.ITEM, "SHK-08", Purpose.INCOME, "4010");
        assertThat(compile(invoice(GOODS), "each-line", withDepartments("YARD"), shop, item)
                        .findings())
                .containsExactly(new Finding.DimensionUnusable("DEPT", "Department", "SHOP"));
        assertThat(compile(invoice(GOODS), "each-line", withDepartments("SHOP", "YARD"), shop, item)
                        .findings())
                .isEmpty();
    }

    @Test
    void everyStepHasItsKindOfRowAndEveryLineItsPurpose() {
        assertThat(Arrays.stream(RowKind.values()).filter(RowKind::concernsAll))
                .containsExactly(RowKind.ROLE, RowKind.SITE, RowKind.LINE_KIND, RowKind.FIELD);
        for (LineKind kind : LineKind.values()) {
            assertThat(Purpose.of(kind, true)).doesNotContain(Purpose.EXPENSE).isNotEmpty();
            assertThat(Purpose.of(kind, false)).doesNotContain(Purpose.INCOME).isNotEmpty();
        }
    }
}
