import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useId, useRef, useState } from 'react';
import { choicesQuery, mapQuery, type MapKind } from '../api/queries';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { asSought, labelOf, optionsFor, pick } from './options';
import { useChangeRow, type RowKind } from './useChangeRow';

interface Props {
  kind: RowKind;
  code: string;
  onDone: () => void;
  action?: string;
  /** Whether it is about a line of a bill. */
  bought?: boolean;
}

const ASKS: Record<RowKind, string> = {
  ITEM: 'Account or item on the ledger',
  CATEGORY: 'Account',
  TAX: 'Tax code on the ledger',
  PARTY: 'Party on the ledger',
  SUPPLIER: 'Account for what is bought',
  ROLE: 'Account',
  LINE: 'Account for this line',
  MEANS: 'Account that the money moves on',
  PAYER: 'Whether that is right',
};

/** Chooses the counterpart of one code, in place. The suggestion is filled in and says why. */
export function RowEditor({ kind, code, onDone, action = 'Map it', bought = false }: Props) {
  const { route } = useCurrent();
  // Asked anew, since the version seen here is what the change is compared with.
  const rows = useQuery({ ...mapQuery(route.code, kind.toLowerCase() as MapKind), staleTime: 0 });
  const change = useChangeRow(onDone);
  const [typed, setTyped] = useState<string | null>(null);
  const all = useQuery(choicesQuery(route.code));
  // With a thousand shown there may be more, which are looked for by what is typed.
  const many = Math.max(all.data?.parties.length ?? 0, all.data?.items.length ?? 0) >= 1000;
  const looked = useDeferredValue(typed ?? '');
  const found = useQuery({ ...choicesQuery(route.code, asSought(looked)), enabled: many && looked !== '' });
  const choices = many && found.data ? found : all;
  const field = useRef<HTMLInputElement>(null);
  const list = useId();
  const ready = rows.isFetchedAfterMount && choices.isSuccess;

  useEffect(() => {
    if (ready) {
      field.current?.focus();
      field.current?.select();
    }
  }, [ready]);

  if (!rows.data || !choices.data || !ready) {
    return <span className="soft">Looking up what there is…</span>;
  }
  const options = optionsFor(kind, choices.data, bought);
  const known = rows.data.find((each) => each.code === code);
  const start = known?.row ?? known?.suggestion;
  const only = options.length === 1 ? options[0] : undefined;
  const text = typed ?? only?.label ?? (start ? labelOf(options, start.counterpart, start.account) : '');
  const chosen = pick(options, text);
  const save = () => {
    if (chosen) {
      change.mutate({
        kind,
        code,
        counterpart: chosen.counterpart,
        account: kind === 'PARTY' || kind === 'TAX' ? '' : chosen.account,
        expectedVersion: known?.row?.version ?? 0,
      });
    }
  };
  return (
    <form
      className="flex flex-wrap items-center gap-2 py-1"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onDone();
        }
      }}
    >
      <input
        ref={field}
        className="field text-base-content w-[290px] max-w-full"
        aria-label={ASKS[kind]}
        placeholder={ASKS[kind]}
        list={list}
        value={text}
        onChange={(event) => setTyped(event.target.value)}
      />
      <datalist id={list}>
        {options.map((each) => (
          <option key={each.label} value={each.label} />
        ))}
      </datalist>
      <button type="submit" className="act act-main" disabled={!chosen || change.isPending}>
        {change.isPending ? 'Compiling again…' : action}
      </button>
      <button type="button" className="act text-base-content" onClick={onDone}>
        Leave it
      </button>
      {typed === null && !known?.row && known?.suggestion && (
        <span className="soft text-[13px]">suggested: {known.suggestion.reason}</span>
      )}
      {text !== '' && !chosen && <span className="soft text-[13px]">not on the ledger</span>}
      {change.error && <Failure error={change.error} />}
    </form>
  );
}
