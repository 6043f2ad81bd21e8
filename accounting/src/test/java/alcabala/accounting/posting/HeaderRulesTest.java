package alcabala.accounting.posting;

import static alcabala.accounting.Samples.V23;
import static alcabala.accounting.Samples.line;
import static alcabala.accounting.Samples.row;
import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.LineBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.AccountRole;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.crosswalk.Step;
import alcabala.accounting.crosswalk.WalkStep;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.finding.Finding.AccountUnusable.Reason;
import alcabala.accounting.finding.Severity;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.setting.Carried;
import alcabala.accounting.setting.RouteSettings;
import alcabala.accounting.setting.Topic;
import alcabala.accounting.settlement.Targets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// What a document says of itself as a whole: its type, what is payable, its day, and where single lines were sent.
class HeaderRulesTest {
    private static final CurrencyUnit EUR = CurrencyUnit.EUR;
    private static final Document INVOICE = Samples.invoice("HW-1", line(EUR, "chandlery", "1", "10.00", V23));

    private static Compilation compile(Document document, RouteSettings settings, CrosswalkRow... more) {
        List<CrosswalkRow> rows = new ArrayList<>(Samples.rows());
        rows.addAll(List.of(more));
        return Samples.compiler(rows, EUR, settings).compile(document, "7", Targets.NONE);
    }

    private static Compilation compile(Document document, CrosswalkRow... more) {
        return compile(document, Samples.SETTINGS, more);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"380, ''", "386, ''", "389, ''", "381, type-unknown:381", "325, type-unknown:325", "'', type-unknown"})
    void anUnknownTypeIsFound(String code, String cause) {
        assertThat(compile(DocumentBuilder.like(INVOICE).type(code).build()).findings())
                .extracting(Finding::cause)
                .isEqualTo(cause.isEmpty() ? List.of() : List.of(cause));
    }

    @Test
    void aCorrectedInvoiceWaitsUntilWhatItNamesIsKnown() {
        Document corrected =
                DocumentBuilder.like(INVOICE).type("384").preceding("HW-0").build();
        assertThat(compile(corrected).findings()).containsExactly(new Finding.CorrectsUnknown("HW-0"));
        assertThat(compile(corrected.replacing("HW-0")).findings()).isEmpty();
    }

    @Test
    void aDocumentWithoutLinesIsFoundWhateverTheSettings() {
        Document empty = DocumentBuilder.like(INVOICE)
                .lines(List.of())
                .totals("10.00", "2.30", "12.30")
                .build();
        for (RouteSettings settings : List.of(Samples.SETTINGS, Samples.SETTINGS.with(Topic.SALES_TAX, "off"))) {
            assertThat(compile(empty, settings).findings()).contains(new Finding.NoLines());
        }
    }

    @Test
    void whatIsPayableFollowsFromWhatIsPrepaidAndRounded() {
        Document prepaid =
                DocumentBuilder.like(INVOICE).payable("2.00", "0.00", "10.30").build();
        assertThat(compile(prepaid).findings())
                .containsExactly(new Finding.Prepaid(Money.parse("EUR 2.00")))
                .allMatch(finding -> finding.severity() == Severity.WARNS);
        assertThat(compile(prepaid).journal().orElseThrow().debit()).hasToString("EUR 12.30");
        Document wrong =
                DocumentBuilder.like(INVOICE).payable("2.00", "0.01", "10.30").build();
        assertThat(compile(wrong).findings())
                .contains(new Finding.ArithmeticDiffers(
                        Finding.ArithmeticDiffers.Figure.PAYABLE,
                        "",
                        Money.parse("EUR 10.30"),
                        Money.parse("EUR 10.31")));
    }

    /// 162.59 and tax 37.40 are 199.99, rounded to 200.00 (records.md, section 2).
    @ParameterizedTest
    @CsvSource({
        "INVOICE, 1100 200.00 0.00, 6990 0.00 0.01",
        "CREDIT_NOTE, 1100 0.00 200.00, 6990 0.01 0.00",
        "BILL, 2100 0.00 200.00, 6990 0.01 0.00"
    })
    void theRoundingOfWhatIsPayableIsBooked(RecordKind kind, String control, String rounding) {
        Document round = Samples.document(
                kind, "HW-1", PriceMode.NET, List.of(line(EUR, "chandlery", "1", "162.59", V23)), List.of());
        Compilation compiled = compile(
                DocumentBuilder.like(round).payable("0.00", "0.01", "200.00").build());
        assertThat(compiled.journal().orElseThrow().lines())
                .extracting(l -> l.account() + " " + l.debit().getAmount() + " "
                        + l.credit().getAmount())
                .contains(control, rounding);
        LedgerDocument sent = compiled.ledgerDocument().orElseThrow();
        assertThat(sent.gross()).hasToString("EUR 200.00");
        assertThat(sent.net().plus(sent.tax())).isEqualTo(sent.gross());
        assertThat(compiled.journal().orElseThrow().isBalanced()).isTrue();
    }

    @Test
    void whatIsPaidAheadIsAnAdvanceWhateverItsItem() {
        var advance = LineBuilder.like(line(EUR, "chandlery", "1", "1000.00", V23))
                .kind(LineKind.ADVANCE)
                .build();
        Document prepayment = DocumentBuilder.like(Samples.invoice("HW-1", advance))
                .type("386")
                .build();
        assertThat(compile(prepayment).findings())
                .containsExactly(new Finding.RoleUnset(AccountRole.CUSTOMER_ADVANCES));
        Compilation compiled = compile(prepayment, row(AccountRole.CUSTOMER_ADVANCES, "2300"));
        assertThat(compiled.lines().getFirst().walk().steps())
                .extracting(WalkStep::step)
                .containsExactly(Step.LINE_OVERRIDE, Step.PROJECT, Step.PARTY, Step.ROLE);
        assertThat(compiled.journal().orElseThrow().lines())
                .extracting(l -> l.account() + " " + l.debit().getAmount() + " "
                        + l.credit().getAmount())
                .containsExactly("1100 1230.00 0.00", "2300 0.00 1000.00", "2200 0.00 230.00");
    }

    @ParameterizedTest(name = "from {1} on by {0} day: crosses {2}")
    @CsvSource({
        "own, 2026-11-20, true",
        "own, 2026-11-21, false",
        "delivery, 2026-11-18, true",
        "delivery, 2026-11-19, false",
        "batch, 2026-11-30, true"
    })
    void theFirstDayGoesByTheDayThatTheLedgerWillBook(String date, String from, boolean crosses) {
        Document delivered = DocumentBuilder.like(INVOICE)
                .delivered(LocalDate.of(2026, 11, 18))
                .build();
        RouteSettings settings =
                Samples.SETTINGS.with(Topic.DOCUMENT_DATE, date).with(Topic.CUT_OFF, Carried.INVOICES, from);
        assertThat(compile(delivered, settings).ledgerDocument().isPresent()).isEqualTo(crosses);
    }

    @ParameterizedTest(name = "one line to {0}: {1}")
    @CsvSource({"5100, true", "1300, true", "2200, true", "1100, false", "2100, false", "1200, false"})
    void oneLineMayGoAnywhereButToAControlAccountOrABank(String account, boolean may) {
        Compilation compiled = compile(INVOICE, row(RowKind.LINE, "7/1", "", account));
        assertThat(compiled.findings())
                .isEqualTo(
                        may
                                ? List.of()
                                : List.of(new Finding.AccountUnusable(
                                        account, Reason.CONTROL_OR_BANK, AccountRole.SALES)));
    }
}
