import { useMutation, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { client, sendFiles } from '../api/client';
import { workDone, type Work } from '../api/work';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { KINDS } from '../map/kinds';
import type { RowKind } from '../map/useChangeRow';
import { Failure } from '../ui/Failure';
import { Earlier } from './Earlier';
import { Elsewhere } from './Elsewhere';
import { bulksQuery, type From, type Tried } from './queries';
import { TriedList } from './TriedList';

/** A crosswalk taken out as a file, and brought in again: tried first, then done as one change. */
export function BulkPage() {
  const { me, route } = useCurrent();
  const view = useView();
  const kind = KINDS.find((each) => each.kind === view.get('kind')) ?? KINDS[0];
  const asked = `route=${route.code}&kind=${kind?.kind.toUpperCase() ?? 'ITEM'}`;
  const earlier = useQuery(bulksQuery(route.code));
  const attempt = useMutation({
    mutationFn: (from: From) =>
      from.file
        ? workDone(sendFiles<Work<Tried>>(`/api/map/bulk/file?${asked}`, [from.file]))
        : workDone(
            client.POST('/api/map/bulk/rows', {
              body: {
                route: route.code,
                kind: (kind?.kind ?? 'item').toUpperCase() as RowKind,
                ...from.rows,
              },
            }),
          ),
  });
  const take = (files: FileList | null) => {
    const file = files?.[0];
    if (file) {
      attempt.mutate({ says: file.name, file });
    }
  };
  const tried = attempt.data;
  return (
    <section
      aria-label="Crosswalk in bulk"
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        if (me.mayChange) {
          take(event.dataTransfer.files);
        }
      }}
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-1.5 text-[13px]">
        <Link className="underline" to={`/map?route=${route.code}&kind=${kind?.kind ?? 'item'}`}>
          Back to the list
        </Link>
        <h2 className="title text-[16px]">In bulk</h2>
        <select
          aria-label="Crosswalk"
          className="field"
          value={kind?.kind}
          onChange={(event) => {
            attempt.reset();
            view.set({ kind: event.target.value });
          }}
        >
          {KINDS.map((each) => (
            <option key={each.kind} value={each.kind}>
              {each.name}
            </option>
          ))}
        </select>
      </div>
      <div className="grid grid-cols-3 gap-6 px-4 py-3 text-[13px] max-[900px]:grid-cols-1">
        <div>
          <h3 className="title text-primary text-[15px]">1. Take it out</h3>
          <p className="soft mb-2">
            A row for each code with what it goes to; edit the cells, and leave the codes and versions alone.
            A row whose cells are emptied is taken away, <i>(new)</i> is created there on first use.
          </p>
          <a className="act mr-2" href={`/api/map/bulk/file?${asked}&format=xlsx`} download>
            As a workbook (XLSX)
          </a>
          <a className="act" href={`/api/map/bulk/file?${asked}&format=csv`} download>
            As CSV
          </a>
        </div>
        {me.mayChange && (
          <label className="flex flex-col">
            <span className="title text-secondary text-[15px]">2. Bring it in again</span>
            <span className="soft mb-2">
              CSV or XLSX, chosen or dropped here. What would change and what is wrong is listed first;
              nothing is changed before you say so.
            </span>
            <input
              key={attempt.submittedAt}
              type="file"
              accept=".csv,.xlsx,text/csv"
              className="field w-full"
              onChange={(event) => take(event.target.files)}
            />
          </label>
        )}
        {me.mayChange && <Elsewhere onTake={(from) => attempt.mutate(from)} />}
      </div>
      {attempt.error && <Failure error={attempt.error} />}
      {attempt.isPending && <p className="soft px-4">Comparing each row with what stands…</p>}
      {tried ? (
        <TriedList tried={tried} says={attempt.variables.says} onDone={() => attempt.reset()} />
      ) : (
        <Earlier changes={earlier.data ?? []} known={earlier.isSuccess} />
      )}
    </section>
  );
}
