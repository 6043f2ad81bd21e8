/// UBL 2.1 invoices and credit notes. Start with UblReader.
package alcabala.formats.ubl;
