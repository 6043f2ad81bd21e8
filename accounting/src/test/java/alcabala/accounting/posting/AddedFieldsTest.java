package alcabala.accounting.posting;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.DocumentBuilder;
import alcabala.accounting.Samples;
import alcabala.accounting.crosswalk.Crosswalk;
import alcabala.accounting.crosswalk.CrosswalkRow;
import alcabala.accounting.crosswalk.Meaning;
import alcabala.accounting.crosswalk.Purpose;
import alcabala.accounting.crosswalk.RowKind;
import alcabala.accounting.custom.CustomField;
import alcabala.accounting.custom.FieldType;
import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.document.Document;
import alcabala.accounting.finding.Finding;
import alcabala.accounting.ledger.LedgerProfile;
import alcabala.accounting.terms.CodedTerms;
import alcabala.accounting.terms.PaymentTerms;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.joda.money.CurrencyUnit;
import org.junit.jupiter.api.Test;

/// Terms of payment and fields that a business added, as they go with a document.
class AddedFieldsTest {
    private static final FieldValue BERTH = new FieldValue("berth", FieldType.CHOICE, "N");
    private static final FieldValue HULL = new FieldValue("hull-no", FieldType.TEXT, "CB-1400");
    private static final FieldValue SURVEY = new FieldValue("survey", FieldType.DATE, "2027-06-14");

    @Test
    void whatIsMappedGoesAndTheRestStays() {
        Compilation compiled = compile(
                document(HULL, SURVEY, BERTH),
                field("hull-no", "HULL"),
                field("berth", "PIER"),
                choice("berth > N", "1"));
        assertThat(compiled.findings()).isEmpty();
        assertThat(compiled.ledgerDocument().orElseThrow().fields()).isEqualTo(Map.of("HULL", "CB-1400", "PIER", "1"));
    }

    @Test
    void whatWasTakenAwayIsTakenAwayThere() {
        assertThat(compile(document(), field("hull-no", "HULL"))
                        .ledgerDocument()
                        .orElseThrow()
                        .fields())
                .isEqualTo(Map.of("HULL", ""));
    }

    @Test
    void aFieldCanGoWhereEveryDocumentHasOne() {
        Document document = DocumentBuilder.like(document(HULL, SURVEY)).build();
        LedgerDocument sent = compile(document, field("hull-no", ".note"), field("survey", ".due-date"))
                .ledgerDocument()
                .orElseThrow();
        assertThat(sent.note()).isEqualTo("CB-1400");
        assertThat(sent.dueDate()).isEqualTo(LocalDate.of(2027, 6, 14));
        assertThat(sent.fields()).isEmpty();
        // Without a value it is what it would be otherwise.
        assertThat(compile(document(), field("survey", ".due-date"))
                        .ledgerDocument()
                        .orElseThrow()
                        .dueDate())
                .isEqualTo(LocalDate.of(2026, 12, 20));
    }

    @Test
    void whatEveryDocumentHasCanGoIntoAField() {
        assertThat(compile(document(), field(".number", "HULL"))
                        .ledgerDocument()
                        .orElseThrow()
                        .fields())
                .isEqualTo(Map.of("HULL", document().number()));
    }

    @Test
    void whatComesBackIsNotSent() {
        CrosswalkRow back = Samples.row(
                RowKind.FIELD, "hull-no", Meaning.of(RowKind.FIELD, "HULL", "").with(Purpose.DIRECTION, "to-source"));
        assertThat(compile(document(HULL), back).ledgerDocument().orElseThrow().fields())
                .isEmpty();
    }

    @Test
    void whatCannotGoIsNotLeftOutSilently() {
        assertThat(causes(document(BERTH), field("berth", "PIER"))).containsExactly("choice-unmapped:berth > N");
        assertThat(causes(document(BERTH), field("berth", "PIER"), choice("berth > N", "7")))
                .containsExactly("field-unconvertible:berth");
        assertThat(causes(document(HULL), field("hull-no", "OLD"))).containsExactly("field-unusable:OLD");
        assertThat(causes(document(HULL), field("hull-no", "GONE"))).containsExactly("field-unusable:GONE");
        FieldValue text = new FieldValue("survey", FieldType.TEXT, "14.06.2027");
        assertThat(causes(document(text), field("survey", "SURVEY"))).containsExactly("field-unconvertible:survey");
        CrosswalkRow dots = Samples.row(
                RowKind.FIELD, "survey", Meaning.of(RowKind.FIELD, "SURVEY", "").with(Purpose.FORMAT, "day-dots"));
        assertThat(compile(document(text), dots).ledgerDocument().orElseThrow().fields())
                .isEqualTo(Map.of("SURVEY", "2027-06-14"));
    }

    @Test
    void termsGoByTheirCodeThereAndTheStatedDueDateHolds() {
        // Dated 20 November, due on 20 December.
        Document document = DocumentBuilder.like(document()).terms("N30").build();
        assertThat(sent(document).terms()).isEmpty();
        assertThat(sent(document, terms("N30", "30D")).terms()).isEqualTo("30D");
        assertThat(compile(document, terms("N30", "30D")).findings()).isEmpty();
        assertThat(compile(document, terms("N30", "14D")).findings())
                .containsExactly(
                        new Finding.TermsDiffer("N30", "14D", LocalDate.of(2026, 12, 20), LocalDate.of(2026, 12, 4)));
        assertThat(sent(document, terms("N30", "14D")).dueDate()).isEqualTo(LocalDate.of(2026, 12, 20));
        assertThat(causes(document, terms("N30", "OLD"))).containsExactly("terms-unusable:OLD");
        assertThat(compile(document, terms("N30", "OLD")).isBlocked()).isTrue();
    }

    private static LedgerDocument sent(Document document, CrosswalkRow... rows) {
        return compile(document, rows).ledgerDocument().orElseThrow();
    }

    private static List<String> causes(Document document, CrosswalkRow... rows) {
        return compile(document, rows).findings().stream().map(Finding::cause).toList();
    }

    private static Compilation compile(Document document, CrosswalkRow... rows) {
        List<CrosswalkRow> all = new ArrayList<>(Samples.rows());
        all.addAll(List.of(rows));
        return new Compiler(Crosswalk.of(all, Samples.NOBODY), Samples.ROUTE, ledger()).compile(document);
    }

    private static CrosswalkRow field(String code, String there) {
        return Samples.row(RowKind.FIELD, code, there, "");
    }

    private static CrosswalkRow choice(String code, String there) {
        return Samples.row(RowKind.CHOICE, code, there, "");
    }

    private static CrosswalkRow terms(String code, String there) {
        return Samples.row(RowKind.TERMS, code, there, "");
    }

    private static Document document(FieldValue... fields) {
        return DocumentBuilder.like(
                        Samples.invoice("HW-1", Samples.line(CurrencyUnit.EUR, "chandlery", "7", "3.33", Samples.V23)))
                .fields(fields)
                .build();
    }

    private static LedgerProfile ledger() {
        return Samples.ledger(
                List.of(
                        new CodedTerms("30D", "Thirty days", PaymentTerms.days(30), true),
                        new CodedTerms("14D", "Fourteen days", PaymentTerms.days(14), true),
                        new CodedTerms("OLD", "Of old", PaymentTerms.days(30), false)),
                List.of(
                        new CustomField("HULL", "Hull", FieldType.TEXT, 12, Map.of(), true),
                        new CustomField("SURVEY", "Survey", FieldType.DATE, 0, Map.of(), true),
                        new CustomField("PIER", "Pier", FieldType.CHOICE, 0, Map.of("1", "North"), true),
                        new CustomField("OLD", "Of old", FieldType.TEXT, 12, Map.of(), false)),
                false);
    }
}
