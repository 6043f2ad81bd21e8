/// What is read on paper or in a spreadsheet: tables with what they add up to, as PDF, XLSX or CSV. Start with
/// [alcabala.formats.print.Report].
package alcabala.formats.print;
