/// Writes documents as they go to a ledger into UBL 2.1, as EN 16931 uses it. Start with UblWriter.
package alcabala.formats.ubl.writing;
