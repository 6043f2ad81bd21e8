package alcabala.accounting.setting;

/// What settings are about, in the order in which they are decided.
public enum Section {
    TAX,
    MONEY,
    NUMBERS,
    CROSSING,
    DOCUMENT
}
