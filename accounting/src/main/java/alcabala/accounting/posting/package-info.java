/// From a document to the exact ledger document and the journal it will cause. Start with Compiler.
package alcabala.accounting.posting;
