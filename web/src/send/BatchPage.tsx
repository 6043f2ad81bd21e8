import { isGivenBack } from '../api/recordKinds';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, client } from '../api/client';
import { batchQuery } from '../api/queries';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Glyph } from '../ui/Glyph';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';
import { amount, day, moment, plural } from '../ui/format';
import { STATE_OF, standing, WORD, type Batch, type Dispatch } from './outcomes';

export function BatchPage() {
  const id = Number(useParams().id);
  const { route } = useCurrent();
  const navigate = useNavigate();
  const detail = useQuery(batchQuery(id));
  const refresh = useRefresh();
  const finished = detail.data?.batch.finishedAt !== undefined;
  useEffect(() => {
    if (finished) {
      void refresh();
    }
  }, [finished, refresh]);
  const back = () => void navigate(`/send?route=${route.code}`);
  useHotkeys('esc', back);
  if (detail.error) {
    return <Failure error={detail.error} />;
  }
  if (!detail.data) {
    return <p className="soft">Opening…</p>;
  }
  const { batch, dispatches } = detail.data;
  return (
    <section
      aria-label={`Batch ${batch.id}`}
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-2">
        <button type="button" className="act" onClick={back}>
          All batches <Key>Esc</Key>
        </button>
        <h1 className="title text-[18px]">Batch {batch.id}</h1>
        <span className="soft">
          made by {batch.createdBy} on {moment(batch.createdAt)}
        </span>
        <span className="ml-auto flex items-center gap-2">
          <Again batch={batch} dispatches={dispatches} />
        </span>
      </div>
      <Totals batch={batch} />
      <div className="min-h-0 flex-1 overflow-auto">
        <table className="book" aria-label="Documents of the batch">
          <colgroup>
            <col style={{ width: 54 }} />
            <col style={{ width: 92 }} />
            <col style={{ width: 190 }} />
            <col style={{ width: 66 }} />
            <col style={{ width: 100 }} />
            <col style={{ width: 130 }} />
            <col style={{ width: 90 }} />
            <col />
          </colgroup>
          <thead className="soft">
            <tr>
              <th>
                <span className="sr-only">State</span>
              </th>
              <th>Number</th>
              <th>Party</th>
              <th>Date</th>
              <th className="amount">Gross, {batch.currency}</th>
              <th>Outcome</th>
              <th>In {route.ledger}</th>
              <th>What {route.ledger} said, and what to do</th>
            </tr>
          </thead>
          <tbody>
            {dispatches.map((each) => (
              <Line key={each.key} dispatch={each} />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Totals({ batch }: { batch: Batch }) {
  const done = batch.posted + batch.refused + batch.unreached;
  const figures: [string, string][] = [
    ['Documents', String(batch.count)],
    ['Net', amount(batch.net)],
    ['Tax', amount(batch.tax)],
    ['Gross', amount(batch.gross)],
    ['Hash total', batch.hashTotal],
    ['Own list', batch.independentTotal ? amount(batch.independentTotal) : 'none given'],
  ];
  return (
    <div className="border-base-300 flex flex-wrap items-center gap-6 border-b px-4 py-2">
      {figures.map(([name, value]) => (
        <span key={name}>
          <span className="soft block text-[12px]">{name}</span>
          <b>{value}</b>
        </span>
      ))}
      {batch.reason && <span className="text-accent text-[13px]">Went all the same: {batch.reason}</span>}
      <span className="ml-auto w-64">
        <progress
          aria-label="Settled"
          className="progress progress-primary h-[8px] w-full"
          value={done}
          max={Math.max(batch.count, 1)}
        />
        <span className="block text-[13px]">{standing(batch)}</span>
      </span>
    </div>
  );
}

function Line({ dispatch }: { dispatch: Dispatch }) {
  const { route } = useCurrent();
  const refused = dispatch.outcome === 'refused';
  return (
    <tr data-outcome={dispatch.outcome}>
      <td className="!overflow-visible !px-2 !text-clip">
        <Glyph state={STATE_OF[dispatch.outcome] ?? 'Queued'} />
      </td>
      <td>
        <Link className="underline" to={`/documents/${dispatch.documentId}?route=${route.code}`}>
          {dispatch.number}
        </Link>
      </td>
      <td title={dispatch.party}>{dispatch.party}</td>
      <td className="soft" title={dispatch.issueDate}>
        {day(dispatch.issueDate)}
      </td>
      <td className="amount">
        {isGivenBack(dispatch.kind) ? '-' : ''}
        {amount(dispatch.gross)}
      </td>
      <td className={refused ? 'text-error' : ''}>
        {WORD[dispatch.outcome] ?? dispatch.outcome}
        {refused && dispatch.state !== 'Refused' && <span className="soft"> (now {dispatch.state})</span>}
      </td>
      <td>{dispatch.ledgerRef}</td>
      <td className="!py-1 !whitespace-normal">
        {dispatch.sentence && <span className={refused ? 'text-error' : ''}>“{dispatch.sentence}” </span>}
        {dispatch.advice}
      </td>
    </tr>
  );
}

/** Sends again what was refused and since put right, or what did not get through. */
function Again({ batch, dispatches }: { batch: Batch; dispatches: Dispatch[] }) {
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const refresh = useRefresh();
  const notice = useNotice();
  const failed = (error: Error) => notice({ tone: 'failed', text: error.message });
  const refused = dispatches.filter(
    (each) => each.outcome === 'refused' && (each.state === 'Refused' || each.state === 'Ready'),
  );
  // What they would be now is looked at before they go.
  const look = () =>
    navigate(
      `/release?route=${route.code}&state=Refused&panel=batch&chosen=${refused.map((each) => each.documentId).join(',')}`,
    );
  const retry = useMutation({
    mutationFn: () => answer(client.POST('/api/batches/{id}/retry', { params: { path: { id: batch.id } } })),
    onSuccess: refresh,
    onError: failed,
  });
  if (!me.mayChange || !batch.finishedAt) {
    return null;
  }
  return (
    <>
      {batch.unreached + batch.unconfirmed > 0 && (
        <button
          type="button"
          className="act act-main"
          disabled={retry.isPending}
          onClick={() => retry.mutate()}
        >
          {batch.unreached > 0
            ? `Try the ${plural(batch.unreached, 'document')} again that did not get through`
            : `Ask ${route.ledger} again about ${plural(batch.unconfirmed, 'document')}`}
        </button>
      )}
      {refused.length > 0 && (
        <button type="button" className="act" onClick={() => void look()}>
          Send the {refused.length} refused again…
        </button>
      )}
    </>
  );
}
