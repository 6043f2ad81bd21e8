import { describe, expect, it } from 'vitest';
import { as, columnAt, moved, NEW_LAYOUT, standingFor, withLinesBelow, withNew, without } from './draft';

const at = (column: number) => ({ file: 0, which: 'columns' as const, column });
const heads = (layout: typeof NEW_LAYOUT) => layout.files[0]?.columns.map((each) => each.heading);

describe('a layout that is being made', () => {
  it('moves a column by one step', () => {
    expect(heads(moved(NEW_LAYOUT, at(1), -1))?.slice(0, 3)).toEqual(['Number', 'Reference', 'Date']);
    expect(heads(moved(NEW_LAYOUT, at(1), 1))?.slice(0, 3)).toEqual(['Reference', 'Date', 'Number']);
  });

  it('gets a column after the one that one is at, and loses the one that one is at', () => {
    expect(heads(withNew(NEW_LAYOUT, at(0)))?.slice(0, 3)).toEqual(['Reference', 'New', 'Number']);
    expect(heads(without(NEW_LAYOUT, at(0)))?.[0]).toBe('Number');
    expect(columnAt(NEW_LAYOUT, at(99))).toBeUndefined();
  });

  it('keeps what still can be there when its rows stand for something else', () => {
    const [file] = NEW_LAYOUT.files;
    const fields = [
      { field: 'REFERENCE', scope: 'RECORD', takesArgument: false, text: true },
      { field: 'ACCOUNT', scope: 'LINE', takesArgument: false, text: true },
    ] as const;
    expect(file && standingFor(file, 'BOOKING', [...fields]).columns?.map((each) => each.heading)).toEqual([
      'Reference',
    ]);
    expect(file && standingFor(file, 'BOOKING', []).columns).toHaveLength(1);
  });

  it('has no columns as an invoice, and some again as a table; payments are no invoices', () => {
    const invoice = as({ ...NEW_LAYOUT, carries: 'SETTLEMENTS', creditsNegative: true }, 'UBL');
    expect(invoice.files.map((each) => each.columns)).toEqual([[]]);
    expect([invoice.carries, invoice.creditsNegative]).toEqual(['SALES', false]);
    expect(as(invoice, 'XLSX').files).toEqual(NEW_LAYOUT.files);
    expect(as(NEW_LAYOUT, 'XLSX').files).toBe(NEW_LAYOUT.files);
  });

  it('tells lines from their documents by the first column', () => {
    const [file] = withLinesBelow(NEW_LAYOUT, 0).files;
    expect([file?.columns[0]?.argument, file?.splits[0]?.argument]).toEqual(['H', 'L']);
  });
});
