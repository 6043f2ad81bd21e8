import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { moment, plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { rewritingQuery, type Rewriting, type RewritingRow } from './queries';

const nameThen = (row: RewritingRow) => row.changes.find(({ what }) => what === 'name')?.after ?? row.name;
const besides = (row: RewritingRow) =>
  row.changes
    .filter(({ what }) => what !== 'name')
    .map(({ what, before, after }) => `${what} ${before || 'none'} → ${after || 'none'}`)
    .join(', ');

const COLUMNS: Column<RewritingRow>[] = [
  {
    id: 'there',
    name: 'Item there',
    width: 150,
    handle: true,
    value: (row) => row.there,
    cell: (row) => row.there,
  },
  {
    id: 'code',
    name: 'Stands for',
    width: 130,
    tone: () => 'soft',
    value: (row) => row.code,
    cell: (row) => row.code,
  },
  {
    id: 'before',
    name: 'Name now',
    width: '16%',
    tone: () => 'soft',
    title: (row) => row.name,
    value: (row) => row.name,
    cell: (row) => row.name,
  },
  {
    id: 'after',
    name: 'Name then',
    page: 'right',
    width: '16%',
    title: nameThen,
    value: nameThen,
    cell: (row) =>
      row.changes.some(({ what }) => what === 'name') ? (
        nameThen(row)
      ) : (
        <span className="soft">the same</span>
      ),
  },
  {
    id: 'besides',
    name: 'Besides the name',
    page: 'right',
    wraps: true,
    title: besides,
    value: besides,
    cell: (row) => besides(row) || <span className="soft">nothing</span>,
  },
  {
    id: 'left',
    name: 'Left, because',
    page: 'right',
    width: '20%',
    tone: () => 'text-accent',
    title: (row) => row.sentence,
    value: (row) => row.sentence,
    cell: (row) => row.sentence,
  },
];

/** All items that stand on both sides written anew on the ledger: listed first, done row by row, gone on with. */
export function RewriteAll() {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const last = useQuery(rewritingQuery(route.code));
  const [listed, setListed] = useState<Rewriting | null>(null);
  const list = useMutation({
    mutationFn: () =>
      workDone(client.POST('/api/items/rewritings', { params: { query: { route: route.code } } })),
    onSuccess: setListed,
  });
  const run = useMutation({
    mutationFn: (id: number) =>
      workDone(client.POST('/api/items/rewritings/{id}/running', { params: { path: { id } } })),
    onMutate: () => setListed(null),
    onSuccess: (done) => notice({ tone: 'done', text: `${plural(done.done, 'item')} written anew` }),
    onSettled: refresh,
  });
  const stop = useMutation({
    mutationFn: (id: number) =>
      answer(client.POST('/api/items/rewritings/{id}/stopping', { params: { path: { id } } })),
    onSettled: refresh,
  });
  const shown = listed ?? last.data ?? null;
  const running = run.isPending || (shown?.state === 'RUNNING' && listed === null);
  const rest = shown ? shown.open + shown.left : 0;
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 px-4 py-2 text-[13px]">
        <span className="min-w-0 flex-1">
          {shown
            ? says(shown)
            : `All items that ${route.ledger} has too, named, booked and measured there as they are here.`}
        </span>
        {me.mayChange && (
          <span className="ml-auto flex gap-2">
            {shown && rest > 0 && !run.isPending && (
              <button type="button" className="act act-main" onClick={() => run.mutate(shown.id)}>
                {shown.state === 'LISTED' ? `Write ${plural(rest, 'item')} anew` : `Go on with ${rest}`}
              </button>
            )}
            {shown && running && (
              <button
                type="button"
                className="act"
                disabled={stop.isPending}
                onClick={() => stop.mutate(shown.id)}
              >
                Stop
              </button>
            )}
            {!running && (
              <button type="button" className="act" disabled={list.isPending} onClick={() => list.mutate()}>
                {list.isPending ? 'Comparing…' : 'List what would change'}
              </button>
            )}
          </span>
        )}
      </div>
      {[list.error, run.error, stop.error, last.error].map(
        (error, index) => error && <Failure key={index} error={error} />,
      )}
      <Book
        name="items-rewritten"
        label="Items to be written anew"
        columns={COLUMNS}
        rows={shown?.rows ?? []}
        keyOf={(row) => row.there}
        empty={
          last.isSuccess && (
            <p className="soft p-4">
              {shown
                ? 'Nothing of it is left to do.'
                : 'Nothing is listed yet. Listing changes nothing; each item is then looked at once more before it is changed.'}
            </p>
          )
        }
      />
    </>
  );
}

const STATES = { RUNNING: 'Under way', STOPPED: 'Stopped', DONE: 'Done' };

function says({ state, reason, by, at, open, done, left }: Rewriting): string {
  if (state === 'LISTED') {
    return `${plural(open, 'item')} would be written anew, as on this side. Nothing is changed yet.`;
  }
  const parts = [
    `${STATES[state]}, begun by ${by}, ${moment(at)}: ${plural(done, 'item')} written anew`,
    open > 0 && `${open} to do`,
    left > 0 && `${left} left as they are`,
  ].filter((part) => part !== false);
  return `${parts.join(', ')}.${reason === '' ? '' : ` ${reason}`}`;
}
