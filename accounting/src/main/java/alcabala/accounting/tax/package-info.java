/// Tax computed as the source did and as the ledger will. Start with TaxCalculator.
package alcabala.accounting.tax;
