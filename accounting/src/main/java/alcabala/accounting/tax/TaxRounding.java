package alcabala.accounting.tax;

/// Where tax is rounded: half away from zero, in the currency's minor unit.
public enum TaxRounding {
    PER_LINE,
    PER_DOCUMENT
}
