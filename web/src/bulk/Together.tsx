import { useMutation } from '@tanstack/react-query';
import { Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { choicesOf, type Offered, type Purpose } from '../map/choices';
import { Chooser } from '../map/LazyChooser';
import type { Meaning } from '../map/meaning';
import type { RowKind } from '../map/useChangeRow';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { plural } from '../ui/format';
import { outcome, useCarryOut } from './queries';

interface Props {
  kind: RowKind;
  codes: string[];
  onDone: () => void;
}

const MAINLY: Record<RowKind, Purpose | undefined> = {
  ITEM: 'COUNTERPART',
  PARTY: 'COUNTERPART',
  TAX: 'COUNTERPART',
  TERMS: 'COUNTERPART',
  CATEGORY: 'INCOME',
  PROJECT: 'INCOME',
  LINE_KIND: 'INCOME',
  SUPPLIER: 'EXPENSE',
  MEANS: 'ACCOUNT',
  ROLE: 'ACCOUNT',
  LINE: 'ACCOUNT',
  SITE: undefined,
  PAYER: undefined,
  FIELD: undefined,
  CHOICE: undefined,
};

/** One answer for all the codes that were chosen: seen first, then done as one change. */
export function Together({ kind, codes, onDone }: Props) {
  const { route } = useCurrent();
  const [chosen, setChosen] = useState<Offered>();
  const carryOut = useCarryOut(onDone);
  const attempt = useMutation({
    mutationFn: (meaning: Meaning | undefined) =>
      workDone<Schemas['BulkTried']>(
        client.POST('/api/map/bulk/codes', {
          body: { route: route.code, kind, codes, ...(meaning ? { meaning } : {}) },
        }),
      ),
  });
  const tried = attempt.data;
  const purpose = MAINLY[kind];
  useHotkeys('esc', onDone);
  const choose = (choice: Offered | undefined) => {
    setChosen(choice);
    attempt.reset();
    if (choice) {
      attempt.mutate(choice.meaning);
    }
  };
  return (
    <div
      role="group"
      aria-label="Map together"
      className="border-base-300 bg-base-200 flex flex-wrap items-center gap-2 border-b px-3 py-1.5"
    >
      <b>{plural(codes.length, 'code')} chosen</b>
      {purpose && (
        <>
          <span>all go to</span>
          <Suspense fallback={<span className="soft">Looking up what there is…</span>}>
            <Chooser
              width="w-[290px]"
              label="What all of them go to"
              placeholder="choose one"
              search={choicesOf({ route: route.code, kind, purpose })}
              chosen={chosen}
              onChoose={choose}
            />
          </Suspense>
        </>
      )}
      {!tried && (
        <button
          type="button"
          className="act"
          disabled={attempt.isPending}
          onClick={() => attempt.mutate(undefined)}
        >
          Take their rows away
        </button>
      )}
      {attempt.isPending && <span className="soft">Looking at each…</span>}
      {tried && (
        <>
          <span>{outcome(tried)}</span>
          {tried.problems[0] && (
            <span className="text-accent" title={tried.problems.map((each) => each.sentence).join('\n')}>
              {plural(tried.wrong, 'code')} cannot: {tried.problems[0].sentence}
            </span>
          )}
          {tried.id !== undefined && (
            <button
              type="button"
              className="act act-main"
              disabled={carryOut.isPending}
              onClick={() => tried.id !== undefined && carryOut.mutate(tried.id)}
            >
              {carryOut.isPending ? 'Compiling again…' : `Change ${plural(count(tried), 'row')}`}
            </button>
          )}
        </>
      )}
      <button type="button" className="act" onClick={onDone}>
        Let them go <Key>Esc</Key>
      </button>
      {attempt.error && <Failure error={attempt.error} />}
      {carryOut.error && <Failure error={carryOut.error} />}
    </div>
  );
}

const count = ({ changed, added, takenAway }: Schemas['BulkTried']) => changed + added + takenAway;
