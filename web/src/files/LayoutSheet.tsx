import { standingFor, withFile, withLinesBelow, type Place, type Which } from './draft';
import { FIELDS, ROWS } from './names';
import type { Field, Layout } from './queries';
import { Select } from './Select';

interface Props {
  layout: Layout;
  fields: Field[];
  file: number;
  /** Its rows as they come out; none as long as it cannot be. */
  rows: string[][];
  place: Place;
  disabled: boolean;
  onPlace: (place: Place) => void;
  onChange: (layout: Layout) => void;
}

const SHOWN = 14;
const PER = { RECORD: ROWS.RECORD, LINE: ROWS.LINE, BOOKING: ROWS.BOOKING };

/** One file as it comes out, with what each of its columns holds above it. */
export function LayoutSheet({ layout, fields, file: at, rows, place, disabled, onPlace, onChange }: Props) {
  const file = layout.files[at];
  if (!file) {
    return null;
  }
  const numbers = new Set(fields.filter((each) => !each.text).map((each) => each.field));
  return (
    <section aria-label={`File ${file.name}`} className="mt-3">
      <fieldset disabled={disabled} className="mb-1 flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-[2px] text-[12px]">
          <span className="soft">Name of the file</span>
          <input
            className="field w-40"
            maxLength={30}
            value={file.name}
            onChange={(event) => onChange(withFile(layout, at, { name: event.target.value }))}
          />
        </label>
        <Select
          label="A row stands for"
          value={file.per}
          names={PER}
          onChange={(per) => onChange(withFile(layout, at, standingFor(file, per, fields)))}
        />
        <label className="flex items-center gap-2 pb-1 text-[13px]">
          <input
            type="checkbox"
            checked={file.headed}
            onChange={(event) => onChange(withFile(layout, at, { headed: event.target.checked }))}
          />
          with headings
        </label>
        {file.per === 'RECORD' && (
          <label className="flex items-center gap-2 pb-1 text-[13px]">
            <input
              type="checkbox"
              checked={file.splits.length > 0}
              onChange={(event) =>
                onChange(
                  event.target.checked ? withLinesBelow(layout, at) : withFile(layout, at, { splits: [] }),
                )
              }
            />
            its lines follow in rows of their own
          </label>
        )}
        {layout.files.length > 1 && (
          <button
            type="button"
            className="act"
            onClick={() => onChange({ ...layout, files: layout.files.filter((_, i) => i !== at) })}
          >
            Leave this file out
          </button>
        )}
      </fieldset>
      <div className="overflow-auto">
        <table className="slip ruled [&_td]:px-2 [&_th]:px-2">
          <thead>
            <Heads of={file.columns} which="columns" />
            {file.splits.length > 0 && <Heads of={file.splits} which="splits" />}
          </thead>
          <tbody>
            {rows.slice(0, SHOWN).map((row, n) => (
              <tr key={n}>
                {row.map((cell, i) => (
                  <td
                    key={i}
                    className={`max-w-56 truncate font-mono text-[12px] ${numbers.has(file.columns[i]?.field ?? 'FIXED') ? 'amount' : ''}`}
                    title={cell}
                  >
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );

  function Heads({ of, which }: { of: Layout['files'][number]['columns']; which: Which }) {
    return (
      <tr>
        {of.map((column, i) => {
          const here = place.file === at && place.which === which && place.column === i;
          return (
            <th key={i} scope="col" className="text-left align-bottom">
              <button
                type="button"
                className={`cursor-pointer text-left ${here ? 'text-primary underline' : ''}`}
                aria-pressed={here}
                onClick={() => onPlace({ file: at, which, column: i })}
              >
                <b className="block">{column.heading || '(none)'}</b>
                <span className="soft block text-[11px] font-normal">{FIELDS[column.field]}</span>
              </button>
            </th>
          );
        })}
      </tr>
    );
  }
}
