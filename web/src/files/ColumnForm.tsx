import { columnAt, holds, moved, withColumn, withNew, without, type Place } from './draft';
import { FIELDS, VALUES } from './names';
import type { Field, Layout } from './queries';
import { Select } from './Select';

interface Props {
  layout: Layout;
  fields: Field[];
  place: Place;
  onChange: (layout: Layout, place: Place) => void;
}

const ARGUMENTS: Partial<Record<Field['field'], string>> = {
  FIXED: 'Its text',
  RUNNING_NUMBER: 'Begins with',
  OWN_FIELD: 'Code of the field',
  DIMENSION: 'Code of the dimension',
};

/** What stands for a word of ours; nothing where it stays as it is. */
const translated = (table: Record<string, string>, word: string, by: string) =>
  Object.fromEntries(
    Object.entries({ ...table, [word]: by }).filter(([each, text]) => each !== word || text !== ''),
  );

/** What one column is: its heading, what it holds, and what stands for a word of ours. */
export function ColumnForm({ layout, fields, place, onChange }: Props) {
  const column = columnAt(layout, place);
  const file = layout.files[place.file];
  if (!column || !file) {
    return null;
  }
  const per = place.which === 'splits' ? 'LINE' : file.per;
  const names = Object.fromEntries(
    fields.filter((each) => holds(per, each)).map((each) => [each.field, FIELDS[each.field]]),
  ) as Record<Field['field'], string>;
  const set = (change: Parameters<typeof withColumn>[2]) =>
    onChange(withColumn(layout, place, change), place);
  const last = file[place.which].length - 1;
  const to = (column: number) => ({ ...place, column });
  return (
    <section aria-label="Column" className="flex flex-wrap items-end gap-3">
      <label className="flex flex-col gap-[2px] text-[12px]">
        <span className="soft">Heading of column {place.column + 1}</span>
        <input
          className="field w-40"
          maxLength={200}
          value={column.heading}
          onChange={(event) => set({ heading: event.target.value })}
        />
      </label>
      <Select
        label="holds"
        value={column.field}
        names={names}
        onChange={(field) => set({ field, argument: field === 'RUNNING_NUMBER' ? '1' : '', table: {} })}
      />
      {ARGUMENTS[column.field] && (
        <label className="flex flex-col gap-[2px] text-[12px]">
          <span className="soft">{ARGUMENTS[column.field]}</span>
          <input
            className="field w-36"
            maxLength={200}
            value={column.argument}
            onChange={(event) => set({ argument: event.target.value })}
          />
        </label>
      )}
      {(VALUES[column.field]?.[layout.carries] ?? []).map((word) => (
        <label key={word} className="flex flex-col gap-[2px] text-[12px]">
          <span className="soft">for “{word}”</span>
          <input
            className="field w-28"
            maxLength={200}
            placeholder={word}
            value={column.table[word] ?? ''}
            onChange={(event) => set({ table: translated(column.table, word, event.target.value) })}
          />
        </label>
      ))}
      <span className="flex gap-1.5">
        <button
          type="button"
          className="act"
          disabled={place.column === 0}
          onClick={() => onChange(moved(layout, place, -1), to(place.column - 1))}
        >
          Further left
        </button>
        <button
          type="button"
          className="act"
          disabled={place.column === last}
          onClick={() => onChange(moved(layout, place, 1), to(place.column + 1))}
        >
          Further right
        </button>
        <button
          type="button"
          className="act"
          onClick={() => onChange(withNew(layout, place), to(place.column + 1))}
        >
          Another after it
        </button>
        <button
          type="button"
          className="act"
          disabled={last === 0}
          onClick={() => onChange(without(layout, place), to(Math.max(0, place.column - 1)))}
        >
          Leave it out
        </button>
      </span>
    </section>
  );
}
