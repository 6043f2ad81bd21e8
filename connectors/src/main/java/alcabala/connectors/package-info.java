/// What a source or a ledger must offer. Start with SourceConnector and LedgerConnector.
package alcabala.connectors;
