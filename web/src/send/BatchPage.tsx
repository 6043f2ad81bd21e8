import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, client } from '../api/client';
import { batchQuery } from '../api/queries';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { DecidedOtherwise } from '../batch/Options';
import { Figure } from '../help/Figure';
import type { Rule } from '../help/rules';
import { Book } from '../ui/book/Book';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { useNotice } from '../ui/notices';
import { amount, counted, day, moment, plural } from '../ui/format';
import { FilesOfBatch } from '../files/FilesOfBatch';
import { SettleByHand } from '../files/SettleByHand';
import { MailOf } from '../mail/MailOf';
import { Prints } from './Prints';
import { dispatchColumns } from './dispatchColumns';
import { isUndoable, nameOf, standing, type Batch, type Dispatch } from './outcomes';

export function BatchPage() {
  const id = Number(useParams().id);
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const detail = useQuery(batchQuery(id));
  const refresh = useRefresh();
  const finished = detail.data?.batch.finishedAt !== undefined;
  const [at, setAt] = useState<string>();
  const currency = detail.data?.batch.currency ?? route.currency;
  const { files = false, undoes } = detail.data?.batch ?? {};
  const columns = useMemo(
    () => dispatchColumns(route, currency, { files, undoes }),
    [route, currency, files, undoes],
  );
  useEffect(() => {
    if (finished) {
      void refresh();
    }
  }, [finished, refresh]);
  const back = () => void navigate(`/send?route=${route.code}`);
  useHotkeys('esc', back);
  const mayUndo = me.mayChange && detail.data !== undefined && isUndoable(detail.data.batch);
  const undo = () => void navigate(`/send/${id}/undo?route=${route.code}`);
  const [mailing, setMailing] = useState(false);
  const mail = () => setMailing((open) => !open);
  useHotkeys('m', mail, { preventDefault: true });
  useHotkeys('u', undo, { enabled: mayUndo });
  if (detail.error) {
    return <Failure error={detail.error} />;
  }
  if (!detail.data) {
    return <p className="soft">Opening…</p>;
  }
  const { batch, dispatches } = detail.data;
  const open = dispatches.find((each) => each.key === at && each.outcome === 'unconfirmed');
  return (
    <section
      aria-label={`Batch ${batch.id}`}
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-2">
        <button type="button" className="act" onClick={back}>
          All batches <Key>Esc</Key>
        </button>
        <h1 className="title text-[18px]">{nameOf(batch)}</h1>
        <span className="soft">
          made by {batch.createdBy} on {moment(batch.createdAt)}
          {batch.dated !== undefined && `, all dated ${day(batch.dated)}`}
        </span>
        <span className="text-accent">
          <DecidedOtherwise decided={batch.options} />
        </span>
        <Undone batch={batch} />
        <span className="ml-auto flex items-center gap-2">
          <button type="button" className="act" aria-expanded={mailing} onClick={mail}>
            E-mail… <Key>m</Key>
          </button>
          <Prints path={`/api/batches/${id}/report`} what="this batch" />
          {mayUndo && (
            <button type="button" className="act" onClick={undo}>
              Take back… <Key>u</Key>
            </button>
          )}
          <Again batch={batch} dispatches={dispatches} />
        </span>
      </div>
      <Totals batch={batch} />
      {batch.files && <FilesOfBatch batch={batch} />}
      {mailing && <MailOf subject={{ about: 'batch', id: batch.id }} onClose={() => setMailing(false)} />}
      <Book
        name="batch"
        label="Documents of the batch"
        columns={columns}
        rows={dispatches}
        keyOf={(each) => each.key}
        nameOf={(each) => each.number}
        dataOf={(each) => ({ outcome: each.outcome })}
        at={at}
        onAt={setAt}
        onOpen={(each) => void navigate(`/documents/${each.documentId}?route=${route.code}`)}
      />
      {me.mayChange && batch.files && open && <SettleByHand key={open.key} batch={batch} dispatch={open} />}
    </section>
  );
}

/** Which batch takes it back, or which one it takes back. */
function Undone({ batch }: { batch: Batch }) {
  const { route } = useCurrent();
  const other = batch.undoes ?? batch.undoneBy;
  return other === undefined ? null : (
    <span className="text-accent">
      {batch.undoes === undefined ? 'taken back by ' : 'takes back '}
      <Link className="underline" to={`/send/${other}?route=${route.code}`}>
        batch {other}
      </Link>
      {batch.undoes !== undefined && `: ${batch.reason}`}
    </span>
  );
}

function Totals({ batch }: { batch: Batch }) {
  const done = batch.posted + batch.refused + batch.unreached;
  const figures: [Rule, string, string][] = [
    ['count', 'Documents', counted(batch.count)],
    ['net', 'Net', amount(batch.net)],
    ['tax', 'Tax', amount(batch.tax)],
    ['gross', 'Gross', amount(batch.gross)],
    ['hash-total', 'Hash total', batch.hashTotal],
    ['own-list', 'Own list', batch.independentTotal ? amount(batch.independentTotal) : 'none given'],
  ];
  return (
    <div className="border-base-300 flex flex-wrap items-center gap-6 border-b px-4 py-2">
      {figures.map(([rule, name, value]) => (
        <span key={name}>
          <span className="soft block text-[12px]">{name}</span>
          <Figure rule={rule} name={name} className="font-bold">
            {value}
          </Figure>
        </span>
      ))}
      {batch.ownList !== '' && (
        <a className="text-[13px] underline" href={`/api/batches/${batch.id}/own-list`} download>
          {batch.ownList}
        </a>
      )}
      {batch.reason && batch.undoes === undefined && (
        <span className="text-accent text-[13px]">Went all the same: {batch.reason}</span>
      )}
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

const AGAIN = new Set(['Refused', 'Ready', 'Diverged']);

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
  // What goes once more in a file is a further revision of its batch.
  const again = batch.files
    ? dispatches.filter((each) => each.outcome !== 'posted' && AGAIN.has(each.state))
    : refused;
  // What they would be now is looked at before they go.
  const look = () =>
    navigate(
      `/release?route=${route.code}&state=${batch.files ? 'Ready' : 'Refused'}&panel=batch&chosen=${again.map((each) => each.documentId).join(',')}${batch.files ? `&replaces=${batch.id}` : ''}`,
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
      {!batch.files && batch.unreached + batch.unconfirmed > 0 && (
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
      {again.length > 0 && (
        <button type="button" className={`act ${batch.files ? 'act-main' : ''}`} onClick={() => void look()}>
          {batch.files
            ? `Make revision ${batch.revision + 1} of ${plural(again.length, 'document')}…`
            : `Send the ${again.length} refused again…`}
        </button>
      )}
    </>
  );
}
