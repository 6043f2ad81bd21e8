package alcabala.accounting.document;

import alcabala.accounting.custom.FieldValue;
import alcabala.accounting.money.StatedRate;
import alcabala.accounting.party.Party;
import alcabala.accounting.record.Origin;
import alcabala.accounting.record.Record;
import alcabala.accounting.record.RecordKind;
import alcabala.accounting.tax.TaxRounding;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.joda.money.CurrencyUnit;
import org.joda.money.Money;

/// An invoice, credit note or bill as its source states it. Amounts are positive on a credit note too.
///
/// @param typeCode what the document says it is (EN 16931 BT-3), see [TypeCode]
/// @param replaces the number of the document in whose place it stands; empty when there is none, or it is not known
/// @param taxRounding how the source rounds tax
/// @param ownership which side of the document the business is
/// @param deliveryDate when goods or work were delivered (EN 16931 BT-72), or null
/// @param site where of the source it was made, or empty
/// @param note what was done, and notes about it (EN 16931 BT-22), or empty
/// @param terms of payment by the source's code (EN 16931 BT-20 says them in words), or empty
/// @param fields what it says in fields of the business's own, in the order of the source
/// @param rate at which it is converted, as it states itself, or null
/// @param precedingNumber the invoice a credit note belongs to (EN 16931 BT-25), or empty
/// @param origin the side on which it was made; what was entered on a ledger is told in its source's words all the same
public record Document(
        RecordKind kind,
        String typeCode,
        String replaces,
        String number,
        LocalDate issueDate,
        LocalDate dueDate,
        LocalDate deliveryDate,
        String site,
        String note,
        String terms,
        List<FieldValue> fields,
        CurrencyUnit currency,
        StatedRate rate,
        PriceMode priceMode,
        TaxRounding taxRounding,
        Ownership ownership,
        Party seller,
        Party buyer,
        String precedingNumber,
        List<DocumentLine> lines,
        List<AllowanceCharge> allowancesAndCharges,
        List<TaxSubtotal> taxes,
        StatedTotals totals,
        Origin origin)
        implements Record {
    /// What was kept before there were terms and fields has none; all of that was made on its source.
    public Document {
        terms = terms == null ? "" : terms;
        fields = fields == null ? List.of() : List.copyOf(fields);
        origin = origin == null ? Origin.SOURCE : origin;
    }

    /// The other party: the buyer of a sale, the seller of a bill.
    @Override
    public Party counterparty() {
        return kind.isSale() ? buyer : seller;
    }

    @Override
    public LocalDate date() {
        return issueDate;
    }

    @Override
    public Money gross() {
        return totals.gross();
    }

    @Override
    public int partCount() {
        return lines.size();
    }

    public Optional<LocalDate> findDueDate() {
        return Optional.ofNullable(dueDate);
    }

    /// What it says it is; empty for a code that is not understood, or that contradicts the rest of the document.
    public Optional<TypeCode> findType() {
        return TypeCode.find(typeCode).filter(type -> type.isCredit() == kind.isCredit());
    }

    /// As the business sees it: an invoice in which the business is the buyer is a bill.
    public Document seenBy(Ownership seen) {
        return copy(seen == Ownership.BUYER ? kind.fromTheBuyer() : kind.fromTheSeller(), replaces, seen, fields);
    }

    /// The same, in the place of the document that it names.
    public Document replacing(String replaced) {
        return copy(kind, replaced, ownership, fields);
    }

    /// The same with other fields of the business's own.
    public Document withFields(List<FieldValue> others) {
        return copy(kind, replaces, ownership, others);
    }

    private Document copy(RecordKind as, String replaced, Ownership seen, List<FieldValue> said) {
        return new Document(
                as,
                typeCode,
                replaced,
                number,
                issueDate,
                dueDate,
                deliveryDate,
                site,
                note,
                terms,
                said,
                currency,
                rate,
                priceMode,
                taxRounding,
                seen,
                seller,
                buyer,
                precedingNumber,
                lines,
                allowancesAndCharges,
                taxes,
                totals,
                origin);
    }
}
