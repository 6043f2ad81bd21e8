/// What all records have in common, of whatever family. Start with Record.
package alcabala.accounting.record;
