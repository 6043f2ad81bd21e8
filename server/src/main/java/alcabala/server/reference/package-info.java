/// What ledgers and sources own and tell of: accounts, tax codes, parties, items. Start with ReferencePull.
package alcabala.server.reference;
