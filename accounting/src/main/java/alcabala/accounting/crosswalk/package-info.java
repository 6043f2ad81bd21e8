/// Which code on the ledger stands for which code on the source, and the walk of the account rules. Start with
/// Crosswalk and AccountResolver.
package alcabala.accounting.crosswalk;
