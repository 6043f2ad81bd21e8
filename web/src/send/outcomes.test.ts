import { describe, expect, it } from 'vitest';
import { type Batch, isUndoable, nameOf, numberOf, standing, wordOf } from './outcomes';

const batch = (change: Partial<Batch>) =>
  ({
    id: 7,
    revision: 1,
    files: false,
    posted: 0,
    refused: 0,
    unreached: 0,
    unconfirmed: 0,
    open: 0,
    ...change,
  }) as Batch;

describe('what became of a batch', () => {
  it('is said of a file otherwise than of a connection', () => {
    expect(standing(batch({ unconfirmed: 2, posted: 1 }))).toBe('1 posted, 2 unconfirmed');
    expect(standing(batch({ unconfirmed: 2, unreached: 1, files: true }))).toBe(
      '1 withdrawn or missing, 2 in the file, not answered for',
    );
    expect(wordOf('unconfirmed', { files: true, undoes: undefined })).toBe('in the file');
    expect(wordOf('unconfirmed', { files: false, undoes: undefined })).toBe('unconfirmed');
    expect(wordOf('posted', { files: true, undoes: undefined })).toBe('posted');
  });

  it('is taken back where its batch takes another back', () => {
    expect(wordOf('posted', { files: false, undoes: 7 })).toBe('taken back');
    expect(wordOf('refused', { files: false, undoes: 7 })).toBe('refused');
    expect(wordOf('unconfirmed', { files: true, undoes: 7 })).toBe('in the file');
    expect(standing(batch({ posted: 2, refused: 1, undoes: 7 }))).toBe('2 taken back, 1 refused');
  });

  it('can be taken back where something of it came to stand there', () => {
    expect(isUndoable(batch({ posted: 1, origin: 'source' }))).toBe(true);
    expect(isUndoable(batch({ posted: 0, origin: 'source' }))).toBe(false);
    expect(isUndoable(batch({ posted: 1, origin: 'ledger' }))).toBe(false);
    expect(isUndoable(batch({ posted: 1, origin: 'source', undoes: 7 }))).toBe(false);
  });

  it('stands under the number of the first revision', () => {
    expect(nameOf(batch({}))).toBe('Batch 7');
    expect([numberOf(batch({})), numberOf(batch({ id: 9, firstId: 7, revision: 2 }))]).toEqual(['7', '7.2']);
    expect(nameOf(batch({ id: 9, firstId: 7, revision: 2 }))).toBe('Batch 7, revision 2');
  });
});
