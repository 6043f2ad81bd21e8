import { useMutation } from '@tanstack/react-query';
import { client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { KINDS } from '../map/kinds';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { moment } from '../ui/format';
import { useNotice } from '../ui/notices';

type Change = Schemas['BulkChange'];

const kindOf = (row: Change) => KINDS.find((each) => each.kind.toUpperCase() === row.kind)?.name ?? row.kind;
const whenceOf = (row: Change) => row.fileName || 'chosen on the list';
const backOf = (row: Change) =>
  row.undoneAt ? `taken back by ${row.undoneBy}, ${moment(row.undoneAt)}` : '';

/** What was changed in bulk before; each can be taken back as a whole. */
export function Earlier({ changes, known }: { changes: Change[]; known: boolean }) {
  const { me } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const back = useMutation({
    mutationFn: (id: number) =>
      workDone(client.POST('/api/map/bulk/{id}/undoing', { params: { path: { id } } })),
    onSuccess: ({ sentence }) => notice({ tone: 'done', text: sentence }),
    onSettled: refresh,
  });
  const columns: Column<Change>[] = [
    {
      id: 'when',
      name: 'Changed',
      width: 160,
      handle: true,
      value: (row) => row.doneAt,
      cell: (row) => moment(row.doneAt),
    },
    { id: 'by', name: 'By', width: 130, value: (row) => row.doneBy, cell: (row) => row.doneBy },
    { id: 'kind', name: 'Crosswalk', width: 150, value: kindOf, cell: kindOf },
    { id: 'rows', name: 'Rows', width: 80, amount: true, value: (row) => row.rows, cell: (row) => row.rows },
    { id: 'from', name: 'From', value: whenceOf, title: whenceOf, cell: whenceOf },
    {
      id: 'back',
      name: 'Taken back',
      width: 300,
      value: backOf,
      cell: (row) =>
        backOf(row) ||
        (me.mayChange && (
          <button
            type="button"
            className="cursor-pointer underline"
            disabled={back.isPending}
            onClick={() => back.mutate(row.id)}
          >
            Take it back
          </button>
        )),
    },
  ];
  return (
    <div className="border-base-300 flex min-h-0 flex-1 flex-col border-t">
      {back.error && <Failure error={back.error} />}
      <Book
        name="bulk-earlier"
        label="Changed in bulk before"
        columns={columns}
        rows={changes}
        keyOf={(row) => String(row.id)}
        empty={known && <p className="soft p-4">Nothing was changed in bulk so far.</p>}
      />
    </div>
  );
}
