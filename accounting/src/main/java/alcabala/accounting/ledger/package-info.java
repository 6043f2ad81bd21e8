/// What a ledger offers: accounts, tax codes, its way of computing tax. Start with LedgerProfile.
package alcabala.accounting.ledger;
