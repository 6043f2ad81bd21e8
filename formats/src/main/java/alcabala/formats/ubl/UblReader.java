package alcabala.formats.ubl;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.Limits;
import alcabala.formats.Problem;
import alcabala.formats.Problem.Code;
import alcabala.formats.ReadResult;
import com.helger.diagnostics.error.IError;
import com.helger.diagnostics.error.list.ErrorList;
import com.helger.ubl21.UBL21Marshaller;
import java.util.List;
import java.util.function.Function;
import javax.xml.namespace.QName;

/// Reads one UBL 2.1 invoice or credit note, checked against its schema. External entities are never resolved.
public final class UblReader {
    public static final long SIZE_LIMIT = 20L * 1024 * 1024;
    private static final String UBL = "urn:oasis:names:specification:ubl:schema:xsd:";
    private static final QName INVOICE = new QName(UBL + "Invoice-2", "Invoice");
    private static final QName CREDIT_NOTE = new QName(UBL + "CreditNote-2", "CreditNote");

    /// Prices are net, as UBL has it; amounts are rounded half away from zero to the currency's decimals.
    public ReadResult read(byte[] bytes) {
        if (bytes.length > SIZE_LIMIT) {
            return unreadable(Problem.tooLarge(bytes.length, SIZE_LIMIT));
        }
        XmlCheck.Outcome check = XmlCheck.check(bytes);
        if (check.problem().isPresent()) {
            return unreadable(check.problem().get());
        }
        QName root = check.root().orElseThrow();
        if (root.equals(INVOICE)) {
            return read(
                    errors -> UBL21Marshaller.invoice().setCollectErrors(errors).read(bytes), InvoiceMapping::document);
        }
        if (root.equals(CREDIT_NOTE)) {
            return read(
                    errors -> UBL21Marshaller.creditNote()
                            .setCollectErrors(errors)
                            .read(bytes),
                    CreditNoteMapping::document);
        }
        Code code = root.getNamespaceURI().startsWith(UBL) ? Code.OTHER_DOCUMENT_TYPE : Code.NOT_UBL;
        return unreadable(new Problem(code, 1, 1, root.getLocalPart()));
    }

    private static <T> ReadResult read(Function<ErrorList, T> reader, Function<T, Document> mapping) {
        ErrorList errors = new ErrorList();
        T parsed = reader.apply(errors);
        if (parsed == null) {
            return new ReadResult.Unreadable(
                    errors.getAllErrors().stream().map(UblReader::problem).toList());
        }
        try {
            Document document = mapping.apply(parsed);
            return Limits.findExceeded(document)
                    .map(what -> unreadable(new Problem(Code.BEYOND_LIMITS, 0, 0, what)))
                    .orElseGet(() -> new ReadResult.Read(document));
        } catch (UblMappingException e) {
            return unreadable(new Problem(Code.INVALID, 1, 1, e.getMessage()));
        }
    }

    private static Problem problem(IError error) {
        String text = error.getErrorText(java.util.Locale.ENGLISH);
        return new Problem(
                Code.INVALID,
                Math.max(error.getErrorLocation().getLineNumber(), 0),
                Math.max(error.getErrorLocation().getColumnNumber(), 0),
                text == null ? "" : text);
    }

    private static ReadResult unreadable(Problem problem) {
        return new ReadResult.Unreadable(List.of(problem));
    }
}
