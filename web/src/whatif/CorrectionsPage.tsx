import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { BesideMap } from '../map/BesideMap';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { amount, day, moment, plural } from '../ui/format';
import { Drafts } from './Drafts';
import { correctionsQuery } from './queries';
import { rowName } from './words';

type Correction = Schemas['Correction'];

const STATES: Record<Correction['state'], string> = {
  DRAFT: 'to be entered',
  ENTERED: 'entered',
  DROPPED: 'dropped',
};
const stateOf = (row: Correction) =>
  row.ledgerNumber === '' ? STATES[row.state] : `${STATES[row.state]} as ${row.ledgerNumber}`;

const COLUMNS: Column<Correction>[] = [
  { id: 'id', name: 'No.', width: 60, handle: true, value: (row) => row.id, cell: (row) => row.id },
  {
    id: 'because',
    name: 'Because of',
    value: (row) => rowName(row.kind, row.code),
    cell: (row) => rowName(row.kind, row.code),
  },
  {
    id: 'days',
    name: 'Dated',
    width: 150,
    value: (row) => row.journals.map((each) => each.day).join(' '),
    cell: (row) => row.journals.map((each) => day(each.day)).join(', '),
  },
  {
    id: 'state',
    name: 'State',
    width: 150,
    tone: (row) => (row.state === 'DRAFT' ? 'text-accent' : 'soft'),
    value: stateOf,
    title: (row) => (row.settledBy === '' ? undefined : `${row.settledBy}, ${moment(row.settledAt ?? '')}`),
    cell: stateOf,
  },
  {
    id: 'total',
    name: 'Moves',
    width: 110,
    amount: true,
    value: (row) => row.total,
    rank: (row) => Number(row.total),
    cell: (row) => amount(row.total),
  },
];

/** The journals that put right what was booked before a row was changed, and what became of each. */
export function CorrectionsPage() {
  const { route } = useCurrent();
  const view = useView();
  const corrections = useQuery(correctionsQuery(route.code));
  const rows = corrections.data ?? [];
  const at = rows.find((row) => String(row.id) === view.get('at')) ?? rows[0];
  if (corrections.error) {
    return <Failure error={corrections.error} />;
  }
  return (
    <BesideMap
      label="Corrections"
      title="Corrections"
      back={{ to: `/map?route=${route.code}`, name: 'All crosswalks' }}
      head={
        <span className="soft">
          journals to enter on {route.ledger} by hand; nothing here is sent by itself
        </span>
      }
    >
      <div className="grid min-h-0 flex-1 grid-cols-[1fr_430px] max-[1000px]:grid-cols-1">
        <Book
          name="corrections"
          label="Corrections"
          columns={COLUMNS}
          rows={rows}
          keyOf={(row) => String(row.id)}
          at={at && String(at.id)}
          atNow={() => view.now('at') || (rows[0] && String(rows[0].id))}
          onAt={(key) => view.set({ at: key }, { replace: true })}
          empty={
            corrections.isSuccess && (
              <p className="p-6">
                No correction so far. One is drafted when a row is changed that documents were posted under:
                choose another account on Map, and press <i>What would change?</i>
              </p>
            )
          }
        />
        {at && <Opened key={at.id} correction={at} />}
      </div>
    </BesideMap>
  );
}

function Opened({ correction }: { correction: Correction }) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const [number, setNumber] = useState('');
  const settle = useMutation({
    mutationFn: (state: Correction['state']) =>
      answer(
        client.PUT('/api/map/corrections/{id}', {
          params: { path: { id: correction.id } },
          body: { expected: correction.state, state, ledgerNumber: number },
        }),
      ),
    onSettled: refresh,
  });
  const { state } = correction;
  return (
    <aside aria-label="Correction" className="border-base-300 flex flex-col gap-3 overflow-auto border-l p-3">
      <h3 className="title text-[16px]">
        Correction {correction.id}: {plural(correction.journals.length, 'journal')}
      </h3>
      <p className="soft text-[13px]">
        {rowName(correction.kind, correction.code)},{' '}
        {correction.rowVersion === 0 ? 'taken away' : `version ${correction.rowVersion}`}, by{' '}
        {correction.madeBy}, {moment(correction.madeAt)}
      </p>
      <Drafts journals={correction.journals} />
      {settle.error && <Failure error={settle.error} />}
      <div className="flex flex-wrap items-center gap-2">
        <a className="act" href={`/api/map/corrections/${correction.id}/file`} download>
          Save as CSV
        </a>
        {me.mayChange && state === 'DRAFT' && (
          <>
            <form
              className="flex items-center gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                settle.mutate('ENTERED');
              }}
            >
              <input
                className="field w-36"
                aria-label={`Its number on ${route.ledger}`}
                placeholder="its number there"
                maxLength={100}
                value={number}
                onChange={(event) => setNumber(event.target.value)}
              />
              <button type="submit" className="act act-main" disabled={settle.isPending}>
                It is entered
              </button>
            </form>
            <button
              type="button"
              className="act"
              disabled={settle.isPending}
              onClick={() => settle.mutate('DROPPED')}
            >
              Drop it
            </button>
          </>
        )}
        {me.mayChange && state !== 'DRAFT' && (
          <button
            type="button"
            className="act"
            disabled={settle.isPending}
            onClick={() => settle.mutate('DRAFT')}
          >
            {state === 'ENTERED' ? 'Not entered after all' : 'Take it up again'}
          </button>
        )}
      </div>
    </aside>
  );
}
