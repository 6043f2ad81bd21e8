package alcabala.accounting.finding;

/// Whether a finding keeps the document from crossing.
public enum Severity {
    BLOCKS,
    WARNS
}
