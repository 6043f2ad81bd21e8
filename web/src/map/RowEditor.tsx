import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { choicesQuery, mapQuery, type MapKind } from '../api/queries';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Chooser } from './Chooser';
import { furtherOf, hasMain, mainOf, meaningOf, targetOf } from './meaning';
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
  PROJECT: 'Account of its income',
  LINE_KIND: 'Account of its income',
  SITE: 'What its lines are told apart by',
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
  const [more, setMore] = useState<Record<string, string>>({});
  const [open, setOpen] = useState(false);
  const all = useQuery(choicesQuery(route.code));
  // With a thousand shown there may be more, which are looked for by what is typed.
  const many = Math.max(all.data?.parties.length ?? 0, all.data?.items.length ?? 0) >= 1000;
  const looked = useDeferredValue(typed ?? '');
  const found = useQuery({ ...choicesQuery(route.code, asSought(looked)), enabled: many && looked !== '' });
  const choices = many && found.data ? found : all;
  const field = useRef<HTMLInputElement>(null);
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
  const said = known?.row?.meaning;
  const start = said ? mainOf(kind, said, choices.data) : known?.suggestion;
  const only = options.length === 1 ? options[0] : undefined;
  const text = typed ?? only?.label ?? (start ? labelOf(options, start.counterpart, start.account) : '');
  const chosen = pick(options, text);
  const main = hasMain(kind, choices.data);
  const further = furtherOf(kind, choices.data).map((each) => {
    const target = targetOf(said, each);
    const shown = more[each.key] ?? (target === '' ? '' : labelOf(each.options, '', target));
    return { further: each, shown, target: pick(each.options, shown)?.account };
  });
  const unclear = further.some((each) => each.shown !== '' && each.target === undefined);
  const saysMore = further.some((each) => each.target !== undefined);
  const sayable = !unclear && (chosen !== undefined || (text === '' && saysMore));
  const save = () => {
    if (sayable) {
      change.mutate({
        kind,
        code,
        meaning: meaningOf(
          kind,
          choices.data,
          chosen,
          further.map((each) => ({ further: each.further, target: each.target ?? '' })),
        ),
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
      {main && (
        <Chooser
          ref={field}
          wide
          label={ASKS[kind]}
          options={options}
          value={text}
          onChange={(value) => setTyped(value)}
        />
      )}
      {(open || !main || saysMore || unclear) &&
        further.map((each, index) => (
          <label
            key={each.further.key}
            className="grid w-[280px] grid-cols-[86px_1fr] items-center gap-1 text-[13px]"
          >
            {each.further.label}
            <Chooser
              ref={!main && index === 0 ? field : undefined}
              label={each.further.label}
              options={each.further.options}
              value={each.shown}
              onChange={(value) => setMore({ ...more, [each.further.key]: value })}
            />
          </label>
        ))}
      <button type="submit" className="act act-main" disabled={!sayable || change.isPending}>
        {change.isPending ? 'Compiling again…' : action}
      </button>
      <button type="button" className="act text-base-content" onClick={onDone}>
        Leave it
      </button>
      {main && further.length > 0 && !open && !saysMore && !unclear && (
        <button
          type="button"
          className="cursor-pointer text-[13px] underline"
          title={further.map((each) => each.further.label).join(', ')}
          onClick={() => setOpen(true)}
        >
          Say more of it
        </button>
      )}
      {typed === null && !known?.row && known?.suggestion && (
        <span className="soft text-[13px]">suggested: {known.suggestion.reason}</span>
      )}
      {((text !== '' && !chosen) || unclear) && <span className="soft text-[13px]">not on the ledger</span>}
      {change.error && <Failure error={change.error} />}
    </form>
  );
}
