import { useMutation, useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { answer, ApiError, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Figure } from '../help/Figure';
import type { Rule } from '../help/rules';
import { DayField } from '../ui/DayField';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { amount, counted, money, plural } from '../ui/format';
import { BatchReadiness } from './BatchReadiness';
import { shownOf } from '../send/sendShown';
import { Allowed } from './Allowed';
import { AlikeParties, Creations } from './Created';
import { DryRun } from './DryRun';
import { Options } from './Options';
import { OwnList } from './OwnList';
import { useBatchChoice } from './useBatchChoice';
import { useLast } from './useLast';
import { useOwnList } from './useOwnList';
import type { ReleaseView } from '../release/useReleaseView';

const DIFFER = new Set(['totals-differ', 'list-differs']);

/** Names that collide and are told here; all are where they are put right. */
const NAMED = 3;

/** Says what sending will do before anything is done. */
export default function BatchPanel({ view }: { view: ReleaseView }) {
  const {
    choice,
    dated,
    setDated,
    options,
    setOptions,
    what,
    setWhat,
    offered,
    currency,
    setCurrency,
    currencies,
  } = useBatchChoice(view);
  const preview = useQuery({
    queryKey: ['documents', 'preview', choice],
    queryFn: () => answer(client.POST('/api/batches/preview', { body: choice })),
  });
  const shown = useLast(preview.data, JSON.stringify({ ...choice, dated: null, options: null }));
  useHotkeys('esc', () => (view.dry ? view.runDry(false) : view.open('why')), { enableOnFormTags: true });
  useHotkeys('d', () => view.runDry(true), { enabled: !view.dry });
  return (
    <>
      {view.dry && <DryRun choice={choice} onClose={() => view.runDry(false)} />}
      <aside
        aria-label="Batch"
        className="sheet flex min-h-0 flex-col overflow-auto rounded-b-none border-b-0 p-3.5 pb-0"
      >
        <div className="flex items-start gap-2">
          <h2 className="title flex-1 text-[16px]">What will this batch do?</h2>
          <button
            type="button"
            className="soft cursor-pointer text-[12px] underline"
            onClick={() => view.open('why')}
          >
            Close
          </button>
        </div>
        {view.chosen.size === 0 && offered.length > 1 && (
          <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="What of it">
            {offered.map((each) => (
              <button
                key={each.name}
                type="button"
                className="chip"
                aria-pressed={each === what}
                onClick={() => setWhat(each)}
              >
                {each.name}
              </button>
            ))}
          </div>
        )}
        {view.chosen.size === 0 && currencies.length > 1 && (
          <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="In which currency">
            {currencies.map((each) => (
              <button
                key={each}
                type="button"
                className="chip"
                aria-pressed={each === currency}
                onClick={() => setCurrency(each)}
              >
                {each}
              </button>
            ))}
          </div>
        )}
        {view.replaces && (
          <p className="mt-1 text-[13px]">
            A further revision of batch {view.replaces}.{' '}
            <button
              type="button"
              className="cursor-pointer underline"
              onClick={() => view.set({ replaces: null })}
            >
              Make it a batch of its own
            </button>
          </p>
        )}
        {preview.error && <Failure error={preview.error} />}
        {preview.isPending && !shown && <p className="soft mt-2">Adding up…</p>}
        {shown && (
          <Prepared
            preview={shown}
            isOld={!preview.data}
            choice={choice}
            word={what.word}
            replaces={view.replaces}
            dating={
              <>
                <DayField label="All dated, instead of their own days" day={dated} onDay={setDated} />
                {what.word === 'document' && <Options decided={options} onDecide={setOptions} />}
              </>
            }
            onDry={view.dry ? undefined : () => view.runDry(true)}
          />
        )}
      </aside>
    </>
  );
}

interface PreparedProps {
  preview: Schemas['PreviewJson'];
  choice: Schemas['ChoiceJson'];
  /** What one of it is. */
  word: string;
  /** Whether it is what was added up before another day was given. */
  isOld: boolean;
  /** A way to give all of it one day, and options of its own. */
  dating: ReactNode;
  /** The former revision of the batch, if it is one. */
  replaces: number | null;
  /** Shows all of it as it would stand there. */
  onDry: (() => void) | undefined;
}

function Prepared({ preview, isOld, choice, word, replaces, dating, onDry }: PreparedProps) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const navigate = useNavigate();
  const [total, setTotal] = useState('');
  const list = useOwnList(choice, preview);
  const [reason, setReason] = useState('');
  const [allowed, setAllowed] = useState<Set<string>>(new Set());
  const [layout, setLayout] = useState('');
  const unseen = route.toFiles && preview.parties.some((each) => !allowed.has(each.code));
  const send = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/batches', {
          body: {
            ...choice,
            shown: shownOf(preview),
            independentTotal: list.file ? '' : total,
            ...(list.read?.id ? { ownList: list.read.id } : {}),
            reason,
            allowed: [...allowed],
            layout,
            ...(replaces ? { replaces } : {}),
          },
        }),
      ),
    onSuccess: async (made) => {
      await refresh();
      await navigate(`/send/${made.id}?route=${route.code}`);
    },
    // What it would be now is shown beside the refusal.
    onError: (error) => error instanceof ApiError && error.code === 'not-as-shown' && refresh(),
  });
  if (preview.count === 0) {
    return <p className="mt-2">None of the {word}s chosen can go now. Ready and refused ones can.</p>;
  }
  const differs =
    (send.error instanceof ApiError && DIFFER.has(send.error.code)) || (list.read?.differing ?? 0) > 0;
  return (
    <form
      className="mt-2 flex flex-1 flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        send.mutate();
      }}
    >
      <table className="slip">
        <tbody>
          <Total
            rule="count"
            name={`${word.charAt(0).toUpperCase()}${word.slice(1)}s`}
            value={counted(preview.count)}
          />
          {word !== 'document' ? (
            <Total rule="gross" name="Amount" value={money(preview.gross, preview.currency)} total />
          ) : (
            <>
              <Total rule="net" name="Net" value={amount(preview.net)} />
              <Total rule="tax" name="Tax" value={amount(preview.tax)} />
              <Total rule="gross" name="Gross" value={money(preview.gross, preview.currency)} total />
            </>
          )}
          <Total rule="hash-total" name="Hash total of the numbers" value={preview.hashTotal} />
        </tbody>
      </table>
      {onDry && (
        <button type="button" className="cursor-pointer self-start text-[13px] underline" onClick={onDry}>
          See every document and journal <Key>d</Key>
        </button>
      )}
      {preview.leftOut > 0 && (
        <p className="text-accent text-[13px]">
          {plural(preview.leftOut, word)} cannot go now and {preview.leftOut === 1 ? 'is' : 'are'} left out.
        </p>
      )}
      <AlikeParties alike={preview.alike} />
      {route.toFiles ? (
        <Allowed parties={preview.parties} allowed={allowed} onAllow={setAllowed} />
      ) : (
        <Creations title={`Parties created on ${route.ledger}`} rows={preview.parties} />
      )}
      <Creations title={`Items created on ${route.ledger}`} rows={preview.items} />
      {preview.collisions.slice(0, NAMED).map((collision) => (
        <p key={collision.name} className="text-error text-[13px]">
          Items {collision.items.join(' and ')} would have the same name, “{collision.name}”.
        </p>
      ))}
      {preview.collisions.length > 0 && (
        <p className="text-[13px]">
          {preview.collisions.length > NAMED && `And ${preview.collisions.length - NAMED} more. `}
          <Link className="underline" to={`/map/names?route=${route.code}`}>
            Give them names of their own
          </Link>
        </p>
      )}
      {preview.layouts.length > 1 && (
        <label className="flex flex-col gap-1 text-[13px]">
          Layout of the file
          <select className="field" value={layout} onChange={(event) => setLayout(event.target.value)}>
            {preview.layouts.map((each, i) => (
              <option key={each} value={i === 0 ? '' : each}>
                {each}
              </option>
            ))}
          </select>
        </label>
      )}
      {dating}
      <OwnList list={list} currency={preview.currency} />
      <BatchReadiness />
      {/* At the foot of the sheet, so that what is still being judged does not move it from under one's hand. */}
      <div className="bg-base-100 sticky bottom-0 mt-auto flex flex-col gap-3 pt-2 pb-3.5">
        {list.file === null && (
          <label className="flex flex-col gap-1 text-[13px]">
            Total of your own list ({preview.currency}), if you have one
            <input
              className="field text-right"
              inputMode="decimal"
              value={total}
              onChange={(event) => setTotal(event.target.value)}
            />
          </label>
        )}
        {send.error && <Failure error={send.error} />}
        {(differs || reason !== '') && (
          <label className="flex flex-col gap-1 text-[13px]">
            Why it may go all the same
            <input
              className="field"
              value={reason}
              maxLength={500}
              onChange={(event) => setReason(event.target.value)}
            />
          </label>
        )}
        <p className="text-[13px]">{preview.sentence}.</p>
        <button
          type="submit"
          className="act act-main justify-center"
          disabled={send.isPending || preview.collisions.length > 0 || !list.isSettled || unseen || isOld}
        >
          {send.isPending
            ? 'Setting it going…'
            : `${route.toFiles ? 'Write' : 'Send'} ${plural(preview.count, word)} ${route.toFiles ? 'into a file for' : 'to'} ${route.ledger}`}
        </button>
      </div>
    </form>
  );
}

const Total = (props: { rule: Rule; name: string; value: string; total?: boolean }) => (
  <tr className={props.total ? 'total' : ''}>
    <td>{props.name}</td>
    <td className="amount">
      <Figure rule={props.rule} name={props.name}>
        {props.value}
      </Figure>
    </td>
  </tr>
);
