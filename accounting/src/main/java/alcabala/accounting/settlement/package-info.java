/// Payments, refunds and what comes back of them (records, section 3). Start with Settlement.
package alcabala.accounting.settlement;
