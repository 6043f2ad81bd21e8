/// Fields that a business added to its records, and how a value of the one side becomes a value of the other. Start
/// with
/// Conversion.
package alcabala.accounting.custom;
