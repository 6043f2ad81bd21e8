import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useLocation, useNavigate } from 'react-router';
import { useCurrent } from '../app/current';
import { NOTHING, saidBy } from '../map/meaning';
import { RowEditor } from '../map/RowEditor';
import { useChangeRow } from '../map/useChangeRow';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { plural } from '../ui/format';
import { supposedBy, whatIfOf } from './address';
import { PostedSide } from './PostedSide';
import { whatIfQuery } from './queries';
import { useCorrect } from './useCorrect';
import { WaitingSide } from './WaitingSide';
import { changed, rowName } from './words';

/** What a row would change, before it is saved: what waits moves by itself, what is posted stays. */
export function WhatIfPage() {
  const { search } = useLocation();
  return <Supposing key={search} search={search} />;
}

function Supposing({ search }: { search: string }) {
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const supposed = supposedBy(search);
  const { kind, code, meaning } = supposed;
  const found = useQuery(whatIfQuery(route.code, supposed));
  const [choosing, setChoosing] = useState(false);
  const [note, setNote] = useState('');
  const list = `/map?route=${route.code}&kind=${kind.toLowerCase()}&row=${encodeURIComponent(code)}`;
  const leave = () => void navigate(list);
  const change = useChangeRow(leave);
  const correct = useCorrect(leave);
  const said = found.data;
  const busy = change.isPending || correct.isPending;
  const maySave = me.mayChange && said !== undefined && !busy && !choosing;
  const hasDraft = (said?.posted.journals.length ?? 0) > 0;
  const save = () =>
    said &&
    change.mutate({
      kind,
      code,
      meaning: meaning ?? NOTHING,
      expectedVersion: said.version,
      remove: meaning === undefined,
      note,
    });
  const draft = () => said && correct.mutate({ supposed, version: said.version, note });
  useHotkeys('s', save, { enabled: maySave });
  useHotkeys('d', draft, { enabled: maySave && hasDraft });
  useHotkeys('e', () => setChoosing(true), { enabled: me.mayChange && !choosing, preventDefault: true });
  useHotkeys('esc', leave, { enabled: !choosing });
  return (
    <section
      aria-label="What would change"
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <header className="border-base-300 flex min-h-[46px] flex-wrap items-center gap-3 border-b px-4 py-1">
        <h2 className="title text-[18px]">{rowName(kind, code)}</h2>
        {choosing ? (
          <RowEditor
            kind={kind}
            code={code}
            action="See what it changes"
            onDone={() => setChoosing(false)}
            onChosen={(other) =>
              void navigate(whatIfOf(route.code, { kind, code, meaning: other }), { replace: true })
            }
          />
        ) : (
          <>
            {said && (
              <p className="min-w-0 truncate">
                <s className="soft">{saidBy(said.before) || 'no row'}</s>
                <span className="mx-2">→</span>
                <b>{saidBy(said.after) || 'no row'}</b>
              </p>
            )}
            {me.mayChange && (
              <button type="button" className="act" onClick={() => setChoosing(true)}>
                Another one <Key>e</Key>
              </button>
            )}
            <span className="text-accent ml-auto text-[13px] font-semibold">not saved yet</span>
          </>
        )}
      </header>
      {found.error && <Failure error={found.error} />}
      {change.error && <Failure error={change.error} />}
      {correct.error && <Failure error={correct.error} />}
      {!found.error && !said && <p className="p-4">Compiling what it concerns, both ways…</p>}
      {said && (
        <div className="grid min-h-0 flex-1 grid-cols-[1fr_32px_1fr] max-[900px]:grid-cols-1">
          <WaitingSide waiting={said.waiting} />
          <span className="gutter max-[900px]:hidden" aria-hidden="true" />
          <PostedSide posted={said.posted} />
        </div>
      )}
      <footer className="border-base-300 bg-base-200 flex flex-wrap items-center gap-2 border-t px-4 py-2">
        {me.mayChange && hasDraft && (
          <button type="button" className="act act-main" disabled={!maySave} onClick={draft}>
            {busy
              ? 'Compiling again…'
              : `Save, and draft ${plural(said?.posted.journals.length ?? 0, 'journal')}`}{' '}
            <Key>d</Key>
          </button>
        )}
        {me.mayChange && (
          <button
            type="button"
            className={hasDraft ? 'act' : 'act act-main'}
            disabled={!maySave}
            onClick={save}
          >
            {saving(changed(said?.waiting.kinds ?? {}), hasDraft)} <Key>s</Key>
          </button>
        )}
        <Link className="act" to={list}>
          Do not save <Key>Esc</Key>
        </Link>
        {me.mayChange && (
          <input
            className="field ml-2 w-64"
            aria-label="Why"
            placeholder="why, for its history"
            maxLength={500}
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        )}
        {said && (
          <span className="soft ml-auto text-[13px]">
            {meaning === undefined
              ? 'the row would be taken away'
              : `would be version ${said.version + 1}, by ${me.name}`}
          </span>
        )}
      </footer>
    </section>
  );
}

const saving = (moves: number, hasDraft: boolean) =>
  hasDraft ? 'Save, leave what is posted' : moves > 0 ? `Save, ${plural(moves, 'document')} change` : 'Save';
