/// What is asked of a ledger and how it answers. Start with LedgerConnector and Answer.
package alcabala.connectors.ledger;
