import { Opener } from '../choose/Opener';
import type { BookTable } from './useBook';

/** Which columns are shown. Nothing where all of them always are. */
export function ColumnChoice<Row extends object>({ book }: { book: BookTable<Row> }) {
  const optional = book.table.getAllLeafColumns().filter((column) => column.getCanHide());
  if (optional.length === 0) {
    return null;
  }
  return (
    <Opener
      label="Columns"
      says="Columns"
      className="soft cursor-pointer font-sans text-[12px] font-normal underline"
    >
      {() => (
        <div className="flex w-40 flex-col gap-1 p-1 text-[12px]">
          {optional.map((column) => (
            <label key={column.id} className="flex gap-2">
              <input
                type="checkbox"
                checked={column.getIsVisible()}
                onChange={column.getToggleVisibilityHandler()}
              />
              {String(column.columnDef.header)}
            </label>
          ))}
          <button
            type="button"
            className="mt-1 cursor-pointer text-left underline"
            onClick={() => book.table.resetColumnSizing(true)}
          >
            Usual widths
          </button>
        </div>
      )}
    </Opener>
  );
}
