/// Invoices, credit notes and bills in the words of EN 16931. Start with Document.
package alcabala.accounting.document;
