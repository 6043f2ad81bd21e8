package alcabala.formats.ubl;

import alcabala.accounting.document.LineKind;
import alcabala.accounting.document.TypeCode;
import alcabala.accounting.record.RecordKind;

/// What a file says it is (EN 16931 BT-3), beside what its root element says.
final class Types {
    private Types() {}

    /// The code as it stands in the file; one that states none is what its root element says.
    static String code(String stated, TypeCode otherwise) {
        String code = Parties.text(stated);
        return code.isEmpty() ? otherwise.code() : code;
    }

    /// An invoice may say that it is a credit note.
    static RecordKind ofInvoice(String code) {
        boolean credit = TypeCode.find(code).filter(TypeCode::isCredit).isPresent();
        return credit ? RecordKind.CREDIT_NOTE : RecordKind.INVOICE;
    }

    /// Everything on a prepayment invoice is an advance.
    static LineKind kindOfLines(String stated) {
        return Parties.text(stated).equals(TypeCode.PREPAYMENT.code()) ? LineKind.ADVANCE : LineKind.GOODS;
    }
}
