package alcabala.accounting.matching.evidence;

/// What two parties' values for one thing say about whether they are one.
public enum Agreement {
    SAME,
    /// But for a slip.
    NEARLY,
    /// In a part of it: the house of an e-mail address, the town of an address.
    PARTLY,
    /// One of them says nothing, or fills the field with nothing.
    SILENT,
    /// They differ as two that are one often do.
    OTHER,
    /// They differ as two that are one hardly ever do.
    CONTRADICTS
}
