package alcabala.connectors.spi;

import alcabala.accounting.tax.TaxRounding;

/// How a ledger that only takes files keeps its books.
///
/// @param nameLimit letters of an item's name
/// @param oneTaxCode whether it takes one tax code for a whole document
public record BooksOfFiles(TaxRounding taxRounding, int nameLimit, boolean oneTaxCode) {}
