import { useRef } from 'react';
import type { BookTable } from './useBook';

/** Which columns are shown. Nothing where all of them always are. */
export function ColumnChoice<Row extends object>({ book }: { book: BookTable<Row> }) {
  const fold = useRef<HTMLDetailsElement>(null);
  const optional = book.table.getAllLeafColumns().filter((column) => column.getCanHide());
  if (optional.length === 0) {
    return null;
  }
  const leave = (event: React.KeyboardEvent) => {
    if (event.key === 'Escape' && fold.current?.open) {
      event.stopPropagation();
      fold.current.open = false;
      fold.current.querySelector('summary')?.focus();
    }
  };
  return (
    <details ref={fold} className="relative font-sans text-[12px] font-normal" onKeyDown={leave}>
      <summary className="soft cursor-pointer list-none underline">Columns</summary>
      <span className="sheet text-base-content absolute right-0 z-10 flex w-40 flex-col gap-1 p-2 shadow">
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
      </span>
    </details>
  );
}
