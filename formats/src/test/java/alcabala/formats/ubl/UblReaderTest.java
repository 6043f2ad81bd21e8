package alcabala.formats.ubl;

import static org.assertj.core.api.Assertions.assertThat;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.document.LineKind;
import alcabala.accounting.record.RecordKind;
import alcabala.formats.Problem;
import alcabala.formats.Problem.Code;
import alcabala.formats.ReadResult;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.net.JarURLConnection;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/// On files that others wrote, and on files that went wrong on their way.
class UblReaderTest {
    private static final String TRIVIAL = "external/test-ubl/invoice/UBL-Invoice-2.1-Example-Trivial.xml";
    private static final String FULL = "external/test-ubl/invoice/UBL-Invoice-2.1-Example.xml";
    private final UblReader reader = new UblReader();

    static List<String> filesOfOthers() throws IOException {
        URL folder = UblReaderTest.class.getClassLoader().getResource("external/test-ubl/invoice");
        try (var jar = ((JarURLConnection) folder.openConnection()).getJarFile()) {
            return jar.stream()
                    .map(entry -> entry.getName())
                    .filter(name -> name.matches("external/test-ubl/(invoice|creditnote)/[^/]+\\.xml"))
                    .toList();
        }
    }

    @ParameterizedTest
    @MethodSource("filesOfOthers")
    void everyReadableFileComesInWithTheTotalsItStates(String name) throws Exception {
        byte[] bytes = bytes(name);
        Document document = document(reader.read(bytes));

        Element root = parse(bytes);
        Element totals = child(root, "LegalMonetaryTotal").findFirst().orElseThrow();
        assertThat(document.number()).isEqualTo(text(root, "ID"));
        assertStated(
                totals, "TaxExclusiveAmount", document, document.totals().net().getAmount());
        assertStated(
                totals,
                "TaxInclusiveAmount",
                document,
                document.totals().gross().getAmount());
        assertStated(
                totals,
                "LineExtensionAmount",
                document,
                document.totals().lines().getAmount());
        BigDecimal tax = child(root, "TaxTotal")
                .flatMap(total -> child(total, "TaxAmount"))
                .filter(amount -> amount.getAttribute("currencyID")
                        .equals(document.currency().getCode()))
                .map(amount -> new BigDecimal(amount.getTextContent().trim()))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(document.totals().tax().getAmount())
                .isEqualByComparingTo(tax.setScale(document.currency().getDecimalPlaces(), RoundingMode.HALF_UP));
        assertThat(document.lines()).hasSize((int) Stream.of("InvoiceLine", "CreditNoteLine")
                .flatMap(l -> child(root, l))
                .count());
    }

    @Test
    void theExampleOfTheStandardIsUnderstoodInFull() throws Exception {
        Document document = document(reader.read(bytes(FULL)));
        assertThat(document.kind()).isEqualTo(RecordKind.INVOICE);
        assertThat(document.number()).isEqualTo("TOSL108");
        assertThat(document.lines()).hasSize(5);
        assertThat(document.lines().getFirst().item()).isNotEmpty();
        assertThat(document.lines().getFirst().tax().taxes()).hasSize(1);
        assertThat(document.allowancesAndCharges()).hasSize(2);
        assertThat(document.counterparty().name()).isNotEmpty();
    }

    @Test
    void aFileThatCannotBeReadSaysWhere() throws Exception {
        String whole = new String(bytes(FULL), StandardCharsets.UTF_8);
        assertProblem(whole.substring(0, whole.length() / 2), Code.TRUNCATED);
        assertProblem(whole.substring(0, whole.lastIndexOf("</cac:LegalMonetaryTotal>")), Code.TRUNCATED);
        assertProblem("number;net;gross\n1;2;3", Code.NOT_XML);
        assertProblem("", Code.NOT_XML);
        assertProblem("<Invoice>plain</Invoice>", Code.NOT_UBL);
        assertProblem(
                new String(bytes("external/test-ubl/order/UBL-Order-2.1-Example.xml"), StandardCharsets.UTF_8),
                Code.OTHER_DOCUMENT_TYPE);
        assertProblem(
                "<!DOCTYPE Invoice [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>\n<Invoice>&x;</Invoice>", Code.DOCTYPE);
        Problem invalid = assertProblem(
                whole.replaceFirst("<cbc:IssueDate>.*?</cbc:IssueDate>", "<cbc:IssueDate>soon</cbc:IssueDate>"),
                Code.INVALID);
        assertThat(invalid.line()).isGreaterThan(1);
        assertProblem(new String(bytes(TRIVIAL), StandardCharsets.UTF_8).replace("CAD", "XQQ"), Code.INVALID);
    }

    @ParameterizedTest(name = "type {0}: {1}, lines {2}")
    @CsvSource({
        "380, INVOICE, GOODS",
        "381, CREDIT_NOTE, GOODS",
        "261, CREDIT_NOTE, GOODS",
        "384, INVOICE, GOODS",
        "386, INVOICE, ADVANCE",
        "389, INVOICE, GOODS",
        "325, INVOICE, GOODS"
    })
    void whatAnInvoiceSaysItIs(String code, RecordKind kind, LineKind lines) throws Exception {
        String whole = new String(bytes(FULL), StandardCharsets.UTF_8);
        Document document =
                document(reader.read(whole.replaceFirst("(<cbc:InvoiceTypeCode[^>]*>)380<", "$1" + code + "<")
                        .getBytes(StandardCharsets.UTF_8)));
        assertThat(document.typeCode()).isEqualTo(code);
        assertThat(document.kind()).isEqualTo(kind);
        assertThat(document.lines()).extracting(DocumentLine::kind).containsOnly(lines);
        assertThat(document.findType().isPresent()).as("understood").isEqualTo(!code.equals("325"));
    }

    @Test
    void whatIsPrepaidRoundedAndPayableIsKept() throws Exception {
        Document document = document(reader.read(bytes(FULL)));
        assertThat(document.totals().prepaid()).hasToString("EUR 1000.00");
        assertThat(document.totals().rounding()).hasToString("EUR 0.30");
        assertThat(document.totals().payable()).hasToString("EUR 729.00");
    }

    /// Twelve digits before the point are beyond, eleven are not; so with decimals, and with a number of a million
    /// digits.
    @Test
    void whatNoDocumentCanStateIsNamedAndNotComputedWith() throws Exception {
        String whole = new String(bytes(FULL), StandardCharsets.UTF_8);
        assertPrice(whole, "99999999999.99", true);
        assertPrice(whole, "100000000000", false);
        assertPrice(whole, "0.123456789012", true);
        assertPrice(whole, "0.1234567890123", false);
        assertPrice(whole, "1" + "0".repeat(1_000_000), false);
        assertProblem(whole.replaceFirst("(?s)(<cbc:ID>)TOSL108<", "$1" + "9".repeat(201) + "<"), Code.BEYOND_LIMITS);
        assertProblem(whole.replaceFirst("<cbc:IssueDate>.*?<", "<cbc:IssueDate>1899-12-31<"), Code.BEYOND_LIMITS);
        assertProblem(whole.replaceFirst("<cbc:IssueDate>.*?<", "<cbc:IssueDate>2200-01-01<"), Code.BEYOND_LIMITS);
        assertProblem(whole.replaceAll("(<cbc:Percent>).*?<", "$11000.01<"), Code.BEYOND_LIMITS);
        assertProblem(
                whole.replace("currencyID=\"EUR\"", "currencyID=\"XXX\"").replace(">EUR<", ">XXX<"), Code.INVALID);
    }

    private void assertPrice(String whole, String price, boolean readable) {
        byte[] file = whole.replaceFirst("(<cbc:PriceAmount[^>]*>)[^<]*<", "$1" + price + "<")
                .getBytes(StandardCharsets.UTF_8);
        assertThat(reader.read(file) instanceof ReadResult.Read)
                .as(price.substring(0, 3))
                .isEqualTo(readable);
    }

    @Test
    void aFileOverTheLimitIsNotEvenParsed() {
        byte[] large = new byte[(int) UblReader.SIZE_LIMIT + 1];
        Arrays.fill(large, (byte) ' ');
        assertThat(((ReadResult.Unreadable) reader.read(large))
                        .problems()
                        .getFirst()
                        .code())
                .isEqualTo(Code.TOO_LARGE);
    }

    private Problem assertProblem(String content, Code code) {
        ReadResult result = reader.read(content.getBytes(StandardCharsets.UTF_8));
        assertThat(result).isInstanceOf(ReadResult.Unreadable.class);
        Problem problem = ((ReadResult.Unreadable) result).problems().getFirst();
        assertThat(problem.code()).isEqualTo(code);
        return problem;
    }

    private static Document document(ReadResult result) {
        assertThat(result).isInstanceOf(ReadResult.Read.class);
        return ((ReadResult.Read) result).document();
    }

    private static void assertStated(Element totals, String name, Document document, BigDecimal found) {
        child(totals, name)
                .findFirst()
                .ifPresent(stated -> assertThat(found)
                        .as(name)
                        .isEqualByComparingTo(
                                new BigDecimal(stated.getTextContent().trim())
                                        .setScale(document.currency().getDecimalPlaces(), RoundingMode.HALF_UP)));
    }

    private static byte[] bytes(String name) throws IOException {
        try (InputStream in = UblReaderTest.class.getClassLoader().getResourceAsStream(name)) {
            return in.readAllBytes();
        }
    }

    private static Element parse(byte[] bytes) throws Exception {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
        return factory.newDocumentBuilder()
                .parse(new ByteArrayInputStream(bytes))
                .getDocumentElement();
    }

    private static Stream<Element> child(Element parent, String name) {
        return Stream.iterate(parent.getFirstChild(), n -> n != null, Node::getNextSibling)
                .filter(Element.class::isInstance)
                .map(Element.class::cast)
                .filter(element -> element.getLocalName().equals(name));
    }

    private static String text(Element parent, String name) {
        return child(parent, name).findFirst().orElseThrow().getTextContent().trim();
    }
}
