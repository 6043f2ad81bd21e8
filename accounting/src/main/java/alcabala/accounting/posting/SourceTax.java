package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.document.DocumentLine;
import alcabala.accounting.tax.TaxCalculator;
import alcabala.accounting.tax.TaxComputation;
import alcabala.accounting.tax.TaxRounding;
import alcabala.accounting.tax.TaxedAmount;
import java.util.List;

/// The source's tax, computed again by its own method and the rates of its own lines.
final class SourceTax {
    private SourceTax() {}

    /// By the document's declared rounding. A file does not say how it was rounded: when the declared way does not give
    /// the stated tax and the other way does, it was the other.
    static TaxComputation compute(Document document, List<DocumentLine> lines) {
        TaxComputation declared = asDeclared(document, lines);
        if (declared.tax().equals(document.totals().tax())) {
            return declared;
        }
        TaxRounding other =
                document.taxRounding() == TaxRounding.PER_LINE ? TaxRounding.PER_DOCUMENT : TaxRounding.PER_LINE;
        TaxComputation second = rounded(other, document, lines);
        return second.tax().equals(document.totals().tax()) ? second : declared;
    }

    static TaxComputation asDeclared(Document document, List<DocumentLine> lines) {
        return rounded(document.taxRounding(), document, lines);
    }

    /// @param rounding how it is rounded, whatever the document says
    static TaxComputation rounded(TaxRounding rounding, Document document, List<DocumentLine> lines) {
        List<TaxedAmount> amounts = lines.stream()
                .map(l -> new TaxedAmount(l.tax().key(), l.tax().rate(), l.amount()))
                .toList();
        return TaxCalculator.compute(rounding, document.priceMode(), document.currency(), amounts);
    }
}
