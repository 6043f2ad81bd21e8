import type { BookTable } from './useBook';

/** What a spreadsheet would take for a formula; a figure with its sign is none. */
const FORMULA = /^[=@\t\r]|^[+-](?!\d*\.?\d+$)/;

/** Columns as they are shown, and what stands in each: plain figures and ISO dates, whatever the screen makes of them. */
export function linesOf<Row extends object>(book: BookTable<Row>, rows: Row[]): string[][] {
  const columns = book.table
    .getVisibleLeafColumns()
    .flatMap((column) => (column.columnDef.meta?.value ? [column.columnDef] : []));
  return [
    columns.map((column) => String(column.header)),
    ...rows.map((row) => columns.map((column) => String(column.meta?.value?.(row as never) ?? ''))),
  ];
}

/** RFC 4180, with a mark by which a spreadsheet knows the letters (UTF-8). */
export async function csvOf(lines: string[][]): Promise<string> {
  const { default: papa } = await import('papaparse');
  return `\ufeff${papa.unparse(lines, { escapeFormulae: FORMULA })}\r\n`;
}

export function save(name: string, content: string) {
  const address = URL.createObjectURL(new Blob([content], { type: 'text/csv;charset=utf-8' }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
