/// Customers and suppliers as a source describes them. Start with Party.
package alcabala.accounting.party;
