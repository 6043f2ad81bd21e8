/// The fields of what crosses, as each side has them. Start with Half.
package alcabala.accounting.field;
