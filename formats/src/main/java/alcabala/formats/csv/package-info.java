/// Tables in text files (RFC 4180). Start with CsvTable.
package alcabala.formats.csv;
