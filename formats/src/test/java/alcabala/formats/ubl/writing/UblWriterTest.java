package alcabala.formats.ubl.writing;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.RandomDocuments;
import alcabala.accounting.Samples;
import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.PriceMode;
import alcabala.accounting.document.TaxCategory;
import alcabala.accounting.document.TaxCombination;
import alcabala.accounting.ledger.LedgerTaxCode;
import alcabala.accounting.party.Address;
import alcabala.accounting.party.Party;
import alcabala.accounting.posting.Compilation;
import alcabala.accounting.posting.Journal;
import alcabala.accounting.posting.LedgerDocument;
import alcabala.accounting.posting.LedgerLine;
import alcabala.accounting.record.RecordKind;
import alcabala.formats.ReadResult;
import alcabala.formats.ubl.UblReader;
import com.helger.diagnostics.error.IError;
import com.helger.io.resource.inmemory.ReadableResourceByteArray;
import com.helger.phive.api.execute.ValidationExecutionManager;
import com.helger.phive.api.executorset.ValidationExecutorSetRegistry;
import com.helger.phive.api.validity.IValidityDeterminator;
import com.helger.phive.en16931.EN16931Validation;
import com.helger.phive.xml.source.IValidationSourceXML;
import com.helger.phive.xml.source.ValidationSourceXML;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/// Held against the schema and the rules of the standard as others wrote them, and read back by our own reader.
class UblWriterTest {
    private static final ValidationExecutorSetRegistry<IValidationSourceXML> RULES =
            new ValidationExecutorSetRegistry<>();

    static {
        EN16931Validation.initEN16931(RULES);
    }

    private static final Party US = party("US", "Corvane Boatyards", "IE1234567T", "IE");
    private static final Party OTHER = party("IC-1001", "Pell Estuary Trust", "IE7654321A", "IE");

    private static Party party(String code, String name, String taxIdentifier, String country) {
        Address place = new Address("1 Quay", "Saltmere", "SM1", country);
        return new Party(code, name, taxIdentifier, "office@pell.example", "053 5000001", place, place, true);
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {1, 20261128, 31})
    void whatIsBookedKeepsTheStandardAndIsReadBack(long seed) {
        RandomDocuments documents = new RandomDocuments(seed);
        Set<RecordKind> kinds = EnumSet.noneOf(RecordKind.class);
        Set<PriceMode> modes = EnumSet.noneOf(PriceMode.class);
        for (int i = 0; i < 60; i++) {
            Document document = documents.next(CurrencyUnit.EUR, 1 + i % 5);
            Compilation compiled =
                    Samples.compiler(Samples.rows(), CurrencyUnit.EUR).compile(document);
            if (compiled.ledgerDocument().isPresent()) {
                UblDocument written = document(
                        compiled.ledgerDocument().get(), compiled.journal().orElseThrow());
                kinds.add(document.kind());
                modes.add(document.priceMode());
                byte[] bytes = UblWriter.write(written).content();
                assertThat(bytes)
                        .as("to the byte")
                        .isEqualTo(UblWriter.write(written).content());
                assertThat(UblWriter.write(written).missing()).isEmpty();
                assertThat(problems(bytes, document.kind()))
                        .as("%s", new String(bytes, StandardCharsets.UTF_8))
                        .isEmpty();
                check(written, read(bytes));
            }
        }
        assertThat(kinds).as("all of them").hasSize(4);
        assertThat(modes).hasSize(2);
    }

    private static Stream<Arguments> lacking() {
        Party bare = Party.named("X", "Pell Estuary Trust");
        Party nameless = new Party("X", "", "IE7654321A", "", "", US.billTo(), US.shipTo(), true);
        Address nowhere = new Address("1 Quay", "Saltmere", "SM1", "");
        Party placeless = new Party("X", "Pell", "IE7654321A", "", "", nowhere, US.shipTo(), true);
        Party untaxed = new Party("X", "Pell", "", "", "", US.billTo(), US.shipTo(), true);
        return Stream.of(
                Arguments.of(between(nameless, OTHER, TaxCategory.S), Missing.SELLER_NAME, "BR-06"),
                Arguments.of(between(placeless, OTHER, TaxCategory.S), Missing.SELLER_COUNTRY, "BR-09"),
                Arguments.of(between(untaxed, OTHER, TaxCategory.S), Missing.SELLER_TAX_IDENTIFIER, "BR-S-02"),
                Arguments.of(between(US, nameless, TaxCategory.S), Missing.BUYER_NAME, "BR-07"),
                Arguments.of(between(US, placeless, TaxCategory.S), Missing.BUYER_COUNTRY, "BR-11"),
                Arguments.of(between(US, untaxed, TaxCategory.AE), Missing.BUYER_TAX_IDENTIFIER, "BR-AE-02"),
                Arguments.of(taxed(TaxCategory.K), Missing.DELIVERY_DATE, "BR-IC-11"),
                Arguments.of(between(US, bare, TaxCategory.K), Missing.DELIVERY_COUNTRY, "BR-IC-12"));
    }

    /// What is said to be missing is what the rules of the standard find, and the file is read all the same.
    @ParameterizedTest(name = "{1}")
    @MethodSource("lacking")
    void whatTheStandardWantsAndNobodyKnowsIsNamed(UblDocument document, Missing missing, String rule) {
        assertThat(UblWriter.write(document).missing()).contains(missing);
        byte[] bytes = UblWriter.write(document).content();
        assertThat(problems(bytes, RecordKind.INVOICE)).anyMatch(text -> text.contains("[" + rule + "]"));
        assertThat(read(bytes).number()).isEqualTo("HW-1");
    }

    @ParameterizedTest
    @EnumSource(TaxCategory.class)
    void everyCategoryIsSaidAsTheStandardWantsIt(TaxCategory category) {
        List<String> problems = problems(UblWriter.write(taxed(category)).content(), RecordKind.INVOICE);
        if (category == TaxCategory.K) {
            assertThat(problems).singleElement().asString().contains("[BR-IC-11]");
        } else if (category == TaxCategory.B) {
            // For a buyer and a seller in Italy only, who say so by more than this.
            assertThat(problems).allMatch(text -> text.contains("[BR-B-0"));
        } else {
            assertThat(problems).isEmpty();
        }
    }

    /// Text that XML has no signs for, or that looks like its own.
    @Test
    void anyTextIsTaken() {
        Party odd = new Party(
                "<x>&amp;",
                "Pell \u0001 & Sons ]]> \uD83D\uDEA3 \uD800",
                "IE7654321A",
                "",
                "",
                US.billTo(),
                US.shipTo(),
                true);
        byte[] bytes = UblWriter.write(between(US, odd, TaxCategory.S)).content();
        assertThat(problems(bytes, RecordKind.INVOICE)).isEmpty();
        assertThat(read(bytes).buyer().name()).isEqualTo("Pell   & Sons ]]> \uD83D\uDEA3  ");
        assertThat(new String(bytes, StandardCharsets.UTF_8)).contains("<cbc:ID>&lt;x&gt;&amp;amp;</cbc:ID>");
    }

    /// One line of 100.00 under a code of this category, made out to a customer.
    private static UblDocument taxed(TaxCategory category) {
        TaxCombination tax = category.chargesNothing() ? Samples.V0 : Samples.V23;
        DocumentLine line = Samples.line(CurrencyUnit.EUR, "labour", "1", "100.00", tax);
        Compilation compiled = Samples.compiler(Samples.rows(), CurrencyUnit.EUR)
                .compile(Samples.document(RecordKind.INVOICE, "HW-1", PriceMode.NET, List.of(line), List.of()));
        UblDocument plain = document(
                compiled.ledgerDocument().orElseThrow(), compiled.journal().orElseThrow());
        String code = plain.document().lines().getFirst().taxCode();
        BigDecimal rate = plain.taxCodes().get(code).rate();
        LedgerTaxCode known = new LedgerTaxCode(code, "as it is named", rate, category, "2200", "1400", true);
        return new UblDocument(
                plain.document(), plain.journal(), plain.reference(), US, OTHER, Map.of(code, known), Map.of());
    }

    private static UblDocument between(Party own, Party other, TaxCategory category) {
        UblDocument plain = taxed(category);
        return new UblDocument(
                plain.document(), plain.journal(), plain.reference(), own, other, plain.taxCodes(), plain.units());
    }

    private static UblDocument document(LedgerDocument document, Journal journal) {
        return new UblDocument(
                document,
                journal,
                "yard:" + document.number(),
                US,
                OTHER,
                Samples.ledger(CurrencyUnit.EUR, alcabala.accounting.tax.TaxRounding.PER_DOCUMENT)
                        .taxCodes(),
                Map.of("RIG-0042", "HUR"));
    }

    private static List<String> problems(byte[] bytes, RecordKind kind) {
        var rules = RULES.getOfID(
                kind.isCredit() ? EN16931Validation.VID_UBL_CREDIT_NOTE_1316 : EN16931Validation.VID_UBL_INVOICE_1316);
        return ValidationExecutionManager.executeValidation(
                        IValidityDeterminator.createDefault(),
                        rules,
                        ValidationSourceXML.create(new ReadableResourceByteArray(bytes)),
                        Locale.ENGLISH)
                .getAllErrors()
                .stream()
                .filter(IError::isError)
                .map(error -> error.getErrorText(Locale.ENGLISH))
                .toList();
    }

    private static Document read(byte[] bytes) {
        ReadResult result = new UblReader().read(bytes);
        assertThat(result).as(new String(bytes, StandardCharsets.UTF_8)).isInstanceOf(ReadResult.Read.class);
        return ((ReadResult.Read) result).document();
    }

    private static void check(UblDocument written, Document read) {
        LedgerDocument sent = written.document();
        assertThat(read.number()).isEqualTo(sent.number());
        assertThat(read.issueDate()).isEqualTo(sent.issueDate());
        assertThat(read.dueDate()).isEqualTo(sent.dueDate());
        assertThat(read.kind().isCredit()).isEqualTo(sent.kind().isCredit());
        assertThat(read.totals().tax()).isEqualTo(sent.tax());
        assertThat(read.totals().payable()).isEqualTo(sent.gross());
        assertThat(read.totals().gross().plus(read.totals().rounding())).isEqualTo(sent.gross());
        assertThat(read.seller().name()).isEqualTo(written.seller().name());
        assertThat(read.buyer().taxIdentifier()).isEqualTo(written.buyer().taxIdentifier());
        List<LedgerLine> lines =
                sent.lines().stream().filter(line -> !line.taxCode().isEmpty()).toList();
        assertThat(read.lines()).hasSameSizeAs(lines);
        Money booked = Money.zero(sent.currency());
        for (int i = 0; i < lines.size(); i++) {
            DocumentLine line = read.lines().get(i);
            assertThat(line.description()).isEqualTo(lines.get(i).description());
            assertThat(line.quantity().abs())
                    .isEqualByComparingTo(lines.get(i).quantity().abs());
            if (sent.priceMode() == PriceMode.NET) {
                assertThat(line.amount()).isEqualTo(lines.get(i).amount());
            }
            booked = booked.plus(line.amount());
        }
        assertThat(booked.plus(read.totals().tax()).plus(read.totals().rounding()))
                .isEqualTo(sent.gross());
    }
}
