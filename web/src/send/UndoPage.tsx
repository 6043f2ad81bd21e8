import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { batchQuery, undoQuery } from '../api/queries';
import { useLast } from '../batch/useLast';
import { useCurrent } from '../app/current';
import { JournalSlip } from '../release/slips';
import { Book } from '../ui/book/Book';
import { DayField } from '../ui/DayField';
import { Failure } from '../ui/Failure';
import { day, plural } from '../ui/format';
import { Key } from '../ui/Key';
import { nameOf } from './outcomes';
import { TakeBack } from './TakeBack';
import { rowsOf, undoColumns, type Row } from './undoRows';

const keyOf = (row: Row) => String(row.record);

/** Takes a posted batch back, whole or in part, with what that does seen first. */
export function UndoPage() {
  const id = Number(useParams().id);
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const detail = useQuery(batchQuery(id));
  const [on, setOn] = useState<string>();
  const [left, setLeft] = useState<Set<string>>(new Set());
  const [at, setAt] = useState<string>();
  const all = useQuery(undoQuery(id, [], on));
  const shown = useLast(all.data, String(id));
  const taken = shown?.taken ?? [];
  const meant = taken.filter((each) => !left.has(String(each.record)));
  const part = useQuery({
    ...undoQuery(
      id,
      meant.map((each) => each.record),
      on,
    ),
    enabled: left.size > 0 && meant.length > 0,
  });
  const does = useLast(left.size > 0 ? part.data : all.data, String(id));
  const columns = useMemo(() => undoColumns(shown?.currency ?? route.currency), [route, shown]);
  const rows = useMemo(() => rowsOf(shown), [shown]);
  const back = () => void navigate(`/send/${id}?route=${route.code}`);
  useHotkeys('esc', back);
  if (detail.error) {
    return <Failure error={detail.error} />;
  }
  if (!detail.data || !shown) {
    return all.error ? <Failure error={all.error} /> : <p className="soft">Opening…</p>;
  }
  const chosen = new Set(meant.map(keyOfTaken));
  return (
    <section
      aria-label={`Take back batch ${id}`}
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-2">
        <button type="button" className="act" onClick={back}>
          {nameOf(detail.data.batch)} <Key>Esc</Key>
        </button>
        <h1 className="title text-[18px]">Take back {nameOf(detail.data.batch).toLowerCase()}</h1>
        <span className="soft">
          {plural(taken.length, 'record')} can be taken back
          {shown.stays.length > 0 && `, ${shown.stays.length} cannot`}
        </span>
      </div>
      <div className="flex min-h-0 flex-1">
        <Book
          name="undo"
          label="What of the batch can be taken back"
          columns={columns}
          rows={rows}
          keyOf={keyOf}
          nameOf={(row) => row.number}
          dataOf={(row) => ({ stays: row.why !== '' })}
          at={at ?? rows[0]?.record.toString()}
          onAt={setAt}
          onOpen={(row) => void navigate(`/documents/${row.record}?route=${route.code}`)}
          chosen={chosen}
          onChoose={(next) => setLeft(new Set(taken.map(keyOfTaken).filter((key) => !next.has(key))))}
          empty={<p className="px-4 py-2">Nothing of this batch came to stand in {route.ledger}.</p>}
        />
        <aside className="border-base-300 flex w-[400px] shrink-0 flex-col border-l">
          <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-4 py-3">
            {all.error && <Failure error={all.error} />}
            <UndoDay undo={shown} on={on} onDay={setOn} />
            {meant.length > 0 && <Journals journals={does?.journals ?? []} />}
          </div>
          {me.mayChange && meant.length > 0 && (
            <TakeBack
              id={id}
              says={does?.sentence ?? ''}
              records={left.size > 0 ? meant.map((each) => each.record) : []}
              shown={meant.length}
              on={on}
              files={detail.data.batch.files}
            />
          )}
        </aside>
      </div>
    </section>
  );
}

const keyOfTaken = (each: { record: number }) => String(each.record);

type Undo = Schemas['UndoJson'];

interface DayProps {
  undo: Undo;
  on: string | undefined;
  onDay: (on: string | undefined) => void;
}

/** On which day what cannot be taken back on its own is reversed. */
function UndoDay({ undo, on, onDay }: DayProps) {
  const { route } = useCurrent();
  const reverses = undo.journals.some((each) => each.on !== undefined);
  if (undo.lockedThrough === undefined) {
    return <DayField label="Day of the opposite entries, if not each its own" day={on} onDay={onDay} />;
  }
  return reverses ? (
    <>
      <p className="text-accent text-[13px]">
        {route.ledger} is locked through {day(undo.lockedThrough)}. What is dated up to then stays there, and
        is reversed on the day below; the rest is voided on its own day.
      </p>
      <DayField label="Reversals are dated" day={on ?? undo.reversedOn} onDay={onDay} />
    </>
  ) : null;
}

function Journals({ journals }: { journals: Undo['journals'] }) {
  const { route } = useCurrent();
  return journals.map((journal) => (
    <JournalSlip
      key={journal.on ?? ''}
      title={
        journal.on === undefined
          ? `What it does in ${route.ledger}, each on its own day`
          : `What it does in ${route.ledger} on ${day(journal.on)}`
      }
      journal={journal}
    />
  ));
}
