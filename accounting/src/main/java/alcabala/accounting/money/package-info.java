/// Amounts. Joda-Money carries them; here is only what the trade adds, such as spreading a whole over parts. Start with
/// LargestRemainder.
package alcabala.accounting.money;
