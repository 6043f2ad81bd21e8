/// Tables that people edit in a spreadsheet, in and out: CSV and XLSX.
package alcabala.formats.sheet;
