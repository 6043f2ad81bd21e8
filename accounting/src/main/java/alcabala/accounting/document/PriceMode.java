package alcabala.accounting.document;

/// Whether line amounts are without tax or include it.
public enum PriceMode {
    NET,
    TAX_INCLUSIVE
}
