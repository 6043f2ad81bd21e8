package alcabala.accounting.posting;

/// How the ledger is asked to number a document: the first free number at or above `from`, after the prefix.
public record NumberSeries(String prefix, long from) {
    /// For a document that brings its own number.
    public static final NumberSeries OWN = new NumberSeries("", 0);
}
