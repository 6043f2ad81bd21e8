import type { ReactNode } from 'react';
import type { Page } from './columns';
import { ColumnChoice } from './ColumnChoice';
import type { BookTable } from './useBook';

interface Props<Row extends object> {
  book: BookTable<Row>;
  /** What stands over each page; none for a list of one side. */
  pages: { left: ReactNode; right: ReactNode } | undefined;
  choosing: boolean;
  saving: ReactNode;
}

/** The heads of the columns, and over them those of the two pages. */
export function Head<Row extends object>({ book, pages, choosing, saving }: Props<Row>) {
  const columns = book.table.getVisibleLeafColumns();
  const on = (page: Page) => columns.filter((column) => column.columnDef.meta?.page === page).length;
  const choice = (
    <span className="no-print ml-auto flex gap-3">
      {saving}
      <ColumnChoice book={book} />
    </span>
  );
  return (
    <thead>
      {pages && (
        <tr>
          <th scope="colgroup" colSpan={on('left') + (choosing ? 1 : 0)} className="page-head text-primary">
            {pages.left}
          </th>
          <th className="gutter !border-0" />
          <th scope="colgroup" colSpan={on('right')} className="page-head text-secondary">
            <span className="flex items-center justify-between">
              {pages.right}
              {choice}
            </span>
          </th>
        </tr>
      )}
      <tr className="soft">
        {choosing && (
          <th>
            <span className="sr-only">Chosen</span>
          </th>
        )}
        {book.table.getHeaderGroups()[0]?.headers.map((header, index, all) => (
          <Cell
            key={header.id}
            book={book}
            header={header}
            more={pages || index < all.length - 1 ? undefined : choice}
          />
        ))}
      </tr>
    </thead>
  );
}

type Header<Row extends object> = ReturnType<BookTable<Row>['table']['getHeaderGroups']>[0]['headers'][0];

function Cell<Row extends object>(props: { book: BookTable<Row>; header: Header<Row>; more: ReactNode }) {
  const { book, header, more } = props;
  const { meta } = header.column.columnDef;
  const sort = book.sortOf(header.column.id);
  const name = String(header.column.columnDef.header);
  return (
    <th
      className={`${meta?.page === 'gutter' ? 'gutter' : meta?.amount ? 'amount' : ''} relative`}
      aria-sort={sort?.now as 'ascending' | 'descending' | undefined}
    >
      {sort ? (
        <button type="button" className="cursor-pointer font-semibold" onClick={sort.press}>
          {name}
          {sort.now && <span aria-hidden="true">{sort.now === 'descending' ? ' ▾' : ' ▴'}</span>}
        </button>
      ) : meta?.page === 'gutter' || meta?.unnamed ? (
        <span className="sr-only">{name}</span>
      ) : (
        name
      )}
      {meta?.beside}
      {/* Over the heads of the last columns, however narrow they are. */}
      {more && <span className="bg-base-100 absolute top-1 right-2 pl-2 whitespace-nowrap">{more}</span>}
      {header.column.getCanResize() && (
        <span
          aria-hidden="true"
          className="book-edge"
          onMouseDown={header.getResizeHandler()}
          onTouchStart={header.getResizeHandler()}
          onDoubleClick={() => header.column.resetSize()}
        />
      )}
    </th>
  );
}
