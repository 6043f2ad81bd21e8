package alcabala.accounting.posting;

import alcabala.accounting.document.Document;
import alcabala.accounting.tax.TaxBreakdown;
import java.util.List;

/// The taxes of a document, as its source computes them.
public final class DocumentTaxes {
    private DocumentTaxes() {}

    /// By the source's combinations of taxes.
    public static List<TaxBreakdown> of(Document document) {
        return SourceTax.compute(document, TaxableLines.of(document)).groups();
    }
}
