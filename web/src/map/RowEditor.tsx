import { useQuery } from '@tanstack/react-query';
import { Suspense, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { rowQuery } from './queries';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { whatIfOf } from '../whatif/address';
import { choicesOf, offered, type Offered } from './choices';
import { Chooser } from './LazyChooser';
import { FieldTrial } from './FieldTrial';
import { together, type Meaning } from './meaning';
import { useChangeRow, type RowKind } from './useChangeRow';
import type { Schemas } from '../api/client';

interface Props {
  kind: RowKind;
  code: string;
  onDone: () => void;
  action?: string;
  /** Whether it is about a line of a bill. */
  bought?: boolean;
  /** What is done with the choice in the place of saving it. */
  onChosen?: (meaning: Meaning) => void;
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
  TERMS: 'Terms on the ledger',
  FIELD: 'Field on the ledger',
  CHOICE: 'Choice on the ledger',
};

const LOOKING = <span className="soft">Looking up what there is…</span>;

/** Chooses the counterpart of one code, in place. The suggestion is filled in and says why. */
export function RowEditor(props: Props) {
  const { kind, code } = props;
  const { route } = useCurrent();
  const row = useQuery(rowQuery(route.code, kind, code));
  if (row.error) {
    return <Failure error={row.error} />;
  }
  // What was known before is no version to compare with.
  return row.data && row.isFetchedAfterMount ? (
    <Suspense fallback={LOOKING}>
      <InHand {...props} row={row.data} />
    </Suspense>
  ) : (
    LOOKING
  );
}

/**
 * What was chosen for one thing: undefined as long as nobody touched it, null for nothing, and unclear as long as
 * something is typed that is no choice.
 */
type Chosen = Offered | null | 'unclear' | undefined;

const chosenOf = (choice: Offered | undefined, typed: string): Chosen =>
  choice ?? (typed === '' ? null : 'unclear');
/** A name is not chosen among others, but typed. */
const named = (name: string): Chosen =>
  name.trim() === ''
    ? null
    : offered({
        meaning: { targets: { NAME: name }, dimensions: {} },
        code: name,
        name,
        note: '',
        reason: '',
      });
const clear = (chosen: Chosen) => (chosen === 'unclear' ? undefined : (chosen ?? undefined));

function InHand({
  kind,
  code,
  onDone,
  action = 'Map it',
  bought = false,
  onChosen,
  row,
}: Props & { row: Schemas['RowInHand'] }) {
  const { route } = useCurrent();
  const change = useChangeRow(onDone);
  const [main, setMain] = useState<Chosen>();
  const [more, setMore] = useState<Record<string, Chosen>>({});
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState('');
  const chosen = main === undefined ? row.main && offered(row.main) : clear(main);
  const further = row.further.map((each) => {
    const key = `${each.purpose} ${each.dimension}`;
    const touched = more[key];
    return {
      ...each,
      key,
      chosen: touched === undefined ? each.now && offered(each.now) : clear(touched),
    };
  });
  const saysMore = further.some((each) => each.chosen !== undefined);
  const meanings = [chosen, ...further.map((each) => each.chosen)].flatMap((each) =>
    each ? [each.meaning] : [],
  );
  const unclear = [main, ...Object.values(more)].includes('unclear');
  const sayable = meanings.length > 0 && !unclear;
  // Which way its values go and how they are written is no afterthought.
  const shown = open || !row.purpose || saysMore || kind === 'FIELD';
  return (
    <form
      className="flex flex-wrap items-center gap-2 py-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (sayable && onChosen) {
          onChosen(together(meanings));
        } else if (sayable) {
          change.mutate({ kind, code, meaning: together(meanings), expectedVersion: row.version, note });
        }
      }}
      onKeyDown={(event) => {
        // An open list is closed first.
        const inList = event.target instanceof Element && event.target.ariaExpanded === 'true';
        if (event.key === 'Escape' && !inList) {
          event.stopPropagation();
          onDone();
        }
      }}
    >
      {row.purpose && (
        <Chooser
          autoFocus
          width="w-[290px]"
          label={ASKS[kind]}
          placeholder={ASKS[kind]}
          search={choicesOf({ route: route.code, kind, code, purpose: row.purpose, bought })}
          chosen={chosen}
          onChoose={(choice, typed) => setMain(chosenOf(choice, typed))}
        />
      )}
      {shown &&
        further.map((each, index) => (
          <Labelled key={each.key} label={each.word}>
            {each.purpose === 'NAME' ? (
              <input
                className="field"
                aria-label={each.word}
                maxLength={200}
                value={each.chosen?.name ?? ''}
                onChange={(event) => setMore({ ...more, [each.key]: named(event.target.value) })}
              />
            ) : (
              <Chooser
                autoFocus={!row.purpose && index === 0}
                label={each.word}
                search={choicesOf({
                  route: route.code,
                  kind,
                  code,
                  purpose: each.purpose,
                  dimension: each.dimension,
                  ...(each.purpose === 'FORMAT' && chosen ? { beside: chosen.code } : {}),
                })}
                chosen={each.chosen}
                onChoose={(choice, typed) => setMore({ ...more, [each.key]: chosenOf(choice, typed) })}
              />
            )}
          </Labelled>
        ))}
      {shown && !onChosen && (
        <Labelled label="Why">
          <input
            className="field"
            aria-label="Why"
            maxLength={500}
            placeholder="kept in its history"
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        </Labelled>
      )}
      <button type="submit" className="act act-main" disabled={!sayable || change.isPending}>
        {change.isPending ? 'Compiling again…' : action}
      </button>
      {!onChosen && sayable && (
        <Link
          className="act text-base-content"
          to={whatIfOf(route.code, { kind, code, meaning: together(meanings) })}
        >
          What would change?
        </Link>
      )}
      <button type="button" className="act text-base-content" onClick={onDone}>
        Leave it
      </button>
      {row.purpose && !shown && (
        <button
          type="button"
          className="cursor-pointer text-[13px] underline"
          title={[...further.map((each) => each.word), 'Why'].join(', ')}
          onClick={() => setOpen(true)}
        >
          Say more of it
        </button>
      )}
      {main === undefined && row.main && row.main.reason !== '' && (
        <span className="soft text-[13px]">{row.main.reason}</span>
      )}
      {unclear && <span className="soft text-[13px]">choose one of the ledger</span>}
      {change.error && <Failure error={change.error} />}
      {kind === 'FIELD' && sayable && <FieldTrial code={code} meaning={together(meanings)} />}
    </form>
  );
}

const Labelled = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className="grid w-[280px] grid-cols-[86px_1fr] items-center gap-1 text-[13px]">
    {label}
    {children}
  </div>
);
